using System.Text.Json;
using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Data.Records;
using Coppia.Data.Room;
using Coppia.Data.Tunes;
using Coppia.Server.Desk;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Records;

/// <summary>A class's whole record as JSON that comes in again.</summary>
internal sealed class ClassFiles(
    ClassCopies copies,
    LibraryNames names,
    WorkRepository work,
    StyleRepository styles,
    TaskRepository tasks,
    IOptions<JsonOptions> json
)
{
    /// <param name="withLinks">Only where a deletion may be taken back.</param>
    public ClassFile FileOf(ClassCopy copy, bool withLinks = false) =>
        new(
            Coppia: 1,
            Name: copy.Class.Name,
            LessonMinutes: copy.Class.LessonMinutes,
            MadeAt: copy.Class.CreatedAt,
            Tunes: Named(names.Titles(copy.TuneIds)),
            Sheets: SheetsIn(copy.Work.Concat(copy.Learners.SelectMany(l => l.Own))),
            Known: [.. copy.Known.Select(ClassFile.KnownOf)],
            Work: [.. copy.Work.Select(ClassFile.WorkOf)],
            Learners: [.. copy.Learners.Select(l => LearnerInFile.Of(l, PiecesOf(l), withLinks))],
            Style: copy.Class.StyleId is { } style ? styles.Find(style)?.Name : null,
            Tasks: TasksIn(copy.Work.Concat(copy.Learners.SelectMany(l => l.Own)), copy.Learners),
            Booklet: copy.Booklet is { } b
                ? new BookletDoc(b.Title, b.PerPage, b.Pairs, b.Names, b.Shown, copy.InBooklet)
                : null,
            Lessons: LessonInFile.Of(copy.Lessons, Options)
        );

    /// <param name="withLink">Only where a deletion may be taken back.</param>
    public LearnerFile FileOf(LearnerCopy copy, bool withLink = false)
    {
        var done = copy
            .Done.Select(d => d.WorkId)
            .Concat(copy.HandIns.Select(h => h.HandIn.WorkId).OfType<long>())
            .ToHashSet();
        return new LearnerFile(
            Coppia: 1,
            Learner: LearnerInFile.Of(copy, PiecesOf(copy), withLink),
            Tunes: Named(names.Titles(copy.TuneIds)),
            Sheets: SheetsIn(copy.Own),
            Set:
            [
                .. work.Of(copy.Learner, since: default)
                    .Where(w => w.LearnerId is null && done.Contains(w.Id))
                    .Select(ClassFile.WorkOf),
            ],
            Tasks: TasksIn(copy.Own, [copy])
        );
    }

    /// <summary>The writing tasks that are set or written for.</summary>
    private TaskInFile[] TasksIn(IEnumerable<WorkRecord> set, IEnumerable<LearnerCopy> learners) =>
        Named(
            set.Select(w => w.TaskId)
                .Concat(learners.SelectMany(l => l.HandIns).Select(h => h.HandIn.TaskId))
                .OfType<long>()
                .Distinct()
                .Select(tasks.Find)
                .OfType<TaskRecord>()
        );

    /// <summary>Tasks as a file has them; what this version cannot read stays behind.</summary>
    internal TaskInFile[] Named(IEnumerable<TaskRecord> kept) =>
        [
            .. kept.Select(t =>
                    TaskDoc.Read(t.Document, Options) is { } plan ? new TaskInFile(t.Id, t.Title, plan) : null
                )
                .OfType<TaskInFile>(),
        ];

    /// <summary>What a learner wrote; what this version cannot read stays behind.</summary>
    private PieceInFile[] PiecesOf(LearnerCopy l) =>
        [
            .. l
                .HandIns.Select(h =>
                    TaskDoc.Read(h.HandIn.Task, Options) is { } rules
                    && PieceDoc.Read(h.HandIn.Piece, Options) is { } piece
                        ? new PieceInFile(
                            Id: h.HandIn.Id,
                            Title: h.HandIn.Title,
                            Level: h.HandIn.Level,
                            State: h.HandIn.State,
                            MadeAt: h.HandIn.MadeAt,
                            ChangedAt: h.HandIn.ChangedAt,
                            Rules: rules,
                            Piece: piece,
                            Versions:
                            [
                                .. h
                                    .Versions.Select(v => (v.MadeAt, Piece: PieceDoc.Read(v.Piece, Options)))
                                    .Where(v => v.Piece is not null)
                                    .Select(v => new VersionInFile(v.MadeAt, v.Piece!)),
                            ],
                            Remarks: [.. h.Remarks.Select(r => new RemarkInFile(r.Words, r.MadeAt, r.MadeBy, r.Bar))],
                            Work: h.HandIn.WorkId,
                            Task: h.HandIn.TaskId,
                            HandedInAt: h.HandIn.HandedInAt
                        )
                        : null
                )
                .OfType<PieceInFile>(),
        ];

    /// <summary>Tasks of a file as they are kept.</summary>
    internal IReadOnlyDictionary<long, TaskCopy> TasksOf(IReadOnlyList<TaskInFile>? named) =>
        (named ?? []).DistinctBy(t => t.Id).ToDictionary(t => t.Id, t => new TaskCopy(t.Title, Text(t.Plan)));

    /// <summary>A plan or a piece as it is kept.</summary>
    internal string Text(object doc) => JsonSerializer.Serialize(doc, doc.GetType(), Options);

    private JsonSerializerOptions Options => json.Value.SerializerOptions;

    private static NamedInFile[] Named(IEnumerable<KeyValuePair<long, string>> titles) =>
        [.. titles.Select(t => new NamedInFile(t.Key, t.Value))];

    private static NamedInFile[] SheetsIn(IEnumerable<WorkRecord> set) =>
        [
            .. set.Where(w => w.SheetId is not null)
                .DistinctBy(w => w.SheetId)
                .Select(w => new NamedInFile(w.SheetId!.Value, w.Title)),
        ];

    public byte[] Bytes<T>(T file) => JsonSerializer.SerializeToUtf8Bytes(file, json.Value.SerializerOptions);

    /// <summary>
    /// Puts a class in: all of it or nothing. Its tunes, sheets and style are those of the same names here.
    /// </summary>
    /// <returns>Its number; null for a class that is here already.</returns>
    /// <exception cref="FormatException">The record cannot be kept; the message names the place.</exception>
    public long? Add(ClassFile file)
    {
        var copy = file.Copy(StyleOf(file), Text);
        return copies.IsHere(copy.Class) ? null : copies.Add(copy, ByName(file.Tunes, file.Sheets, file.Tasks));
    }

    /// <summary>Puts a learner into a class, with their whole record.</summary>
    /// <exception cref="FormatException">The record cannot be kept; the message names the place.</exception>
    public void Add(long classId, LearnerFile file)
    {
        if (file.Coppia != 1)
            throw new FormatException(
                Say("records.class-file.the-record-is-of-version-this-program", ("coppia", file.Coppia))
            );
        copies.Add(
            classId,
            file.Learner.Copy(Text),
            ByName(file.Tunes, file.Sheets, file.Tasks),
            file.Set.DistinctBy(s => s.Id).ToDictionary(s => s.Id, s => s.MadeAt)
        );
    }

    /// <summary>The house style of the file's name here, or null.</summary>
    public long? StyleOf(ClassFile file) =>
        file.Style is null ? null : styles.List().FirstOrDefault(s => s.Name == file.Style)?.Id;

    private Numbers ByName(
        IReadOnlyList<NamedInFile> tunes,
        IReadOnlyList<NamedInFile> sheets,
        IReadOnlyList<TaskInFile>? named
    )
    {
        var tunesHere = NumbersHere(tunes, names.Tune);
        var sheetsHere = NumbersHere(sheets, names.Sheet);
        return new Numbers(tunesHere.GetValueOrDefault, sheetsHere.GetValueOrDefault, TasksOf(named));
    }

    private static Dictionary<long, long?> NumbersHere(
        IEnumerable<NamedInFile> named,
        Func<long, string, long?> find
    ) => named.DistinctBy(n => n.Id).ToDictionary(n => n.Id, n => find(n.Id, n.Title));
}
