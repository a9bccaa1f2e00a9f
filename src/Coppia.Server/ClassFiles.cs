using System.Globalization;
using System.Text.Json;
using Coppia.Core.Instruments;
using Coppia.Core.Wording;
using Coppia.Data;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Coppia.Server;

/// <summary>A class's whole record as JSON that comes in again, and as rows of a table.</summary>
internal sealed class ClassFiles(
    ClassCopies copies,
    LibraryNames names,
    WorkRepository work,
    StyleRepository styles,
    TaskRepository tasks,
    IOptions<JsonOptions> json
)
{
    private static readonly string[] Columns =
    [
        "day",
        "learner",
        "instrument",
        "what",
        "about",
        "minutes",
        "tempo",
        "seconds",
        "came of it",
        "by",
    ];

    /// <param name="withLinks">Only where a deletion may be taken back.</param>
    public ClassFile FileOf(ClassCopy copy, bool withLinks = false) =>
        new(
            Coppia: 1,
            Name: copy.Class.Name,
            LessonMinutes: copy.Class.LessonMinutes,
            MadeAt: copy.Class.CreatedAt,
            Tunes: Named(TitlesIn(copy)),
            Sheets: SheetsIn(copy.Work.Concat(copy.Learners.SelectMany(l => l.Own))),
            Known: [.. copy.Known.Select(ClassFile.KnownOf)],
            Work: [.. copy.Work.Select(ClassFile.WorkOf)],
            Learners: [.. copy.Learners.Select(l => LearnerInFile.Of(l, PiecesOf(l), withLinks))],
            Style: copy.Class.StyleId is { } style ? styles.Find(style)?.Name : null,
            Tasks: TasksIn(copy.Work.Concat(copy.Learners.SelectMany(l => l.Own)), copy.Learners),
            Booklet: copy.Booklet is { } b ? new BookletDoc(b.Title, b.PerPage, b.Pairs, b.Names, b.Shown, copy.InBooklet) : null
        );

    /// <param name="withLink">Only where a deletion may be taken back.</param>
    public LearnerFile FileOf(LearnerCopy copy, bool withLink = false)
    {
        var done = copy.Done.Select(d => d.WorkId).Concat(copy.HandIns.Select(h => h.HandIn.WorkId).OfType<long>()).ToHashSet();
        return new LearnerFile(
            Coppia: 1,
            Learner: LearnerInFile.Of(copy, PiecesOf(copy), withLink),
            Tunes: Named(names.Titles(TunesOf(copy))),
            Sheets: SheetsIn(copy.Own),
            Set: [.. work.Of(copy.Learner, since: "").Where(w => w.LearnerId is null && done.Contains(w.Id)).Select(ClassFile.WorkOf)],
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
            .. kept.Select(t => TaskDoc.Read(t.Document, Options) is { } plan ? new TaskInFile(t.Id, t.Title, plan) : null)
                .OfType<TaskInFile>(),
        ];

    /// <summary>What a learner wrote; what this version cannot read stays behind.</summary>
    private PieceInFile[] PiecesOf(LearnerCopy l) =>
        [
            .. l
                .HandIns.Select(h =>
                    TaskDoc.Read(h.HandIn.Task, Options) is { } rules && PieceDoc.Read(h.HandIn.Piece, Options) is { } piece
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
        [.. set.Where(w => w.SheetId is not null).DistinctBy(w => w.SheetId).Select(w => new NamedInFile(w.SheetId!.Value, w.Title))];

    public byte[] Bytes<T>(T file) => JsonSerializer.SerializeToUtf8Bytes(file, json.Value.SerializerOptions);

    /// <summary>Puts a class in: all of it or nothing. Its tunes, sheets and style are those of the same names here.</summary>
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
            throw new FormatException($"The record is of version {file.Coppia}; this program knows version 1.");
        copies.Add(
            classId,
            file.Learner.Copy(Text),
            ByName(file.Tunes, file.Sheets, file.Tasks),
            file.Set.DistinctBy(s => s.Id).ToDictionary(s => s.Id, s => s.MadeAt)
        );
    }

    /// <summary>The house style of the file's name here, or null.</summary>
    public long? StyleOf(ClassFile file) => file.Style is null ? null : styles.List().FirstOrDefault(s => s.Name == file.Style)?.Id;

    private Numbers ByName(IReadOnlyList<NamedInFile> tunes, IReadOnlyList<NamedInFile> sheets, IReadOnlyList<TaskInFile>? named)
    {
        var tunesHere = Here(tunes, names.Tune);
        var sheetsHere = Here(sheets, names.Sheet);
        return new Numbers(tunesHere.GetValueOrDefault, sheetsHere.GetValueOrDefault, TasksOf(named));
    }

    private static Dictionary<long, long?> Here(IEnumerable<NamedInFile> named, Func<long, string, long?> find) =>
        named.DistinctBy(n => n.Id).ToDictionary(n => n.Id, n => find(n.Id, n.Title));

    private IReadOnlyDictionary<long, string> TitlesIn(ClassCopy copy) =>
        names.Titles([
            .. copy.Known.Select(k => k.TuneId).OfType<long>(),
            .. copy.Work.Select(w => w.TuneId).OfType<long>(),
            .. copy.Learners.SelectMany(TunesOf),
        ]);

    private static IEnumerable<long> TunesOf(LearnerCopy l) =>
        l.Own.Select(w => w.TuneId).Concat(l.Practice.Select(p => p.TuneId)).Concat(l.Notes.Select(n => n.TuneId)).OfType<long>();

    /// <summary>Everything that happened in a class, a row each, what was first first.</summary>
    public string Table(ClassCopy copy)
    {
        var work = copy.Work.ToDictionary(w => w.Id);
        var titles = TitlesIn(copy);
        return Written([
            .. copy.Known.SelectMany(RowsOf),
            .. copy.Work.Select(w => SetRow(w, "everyone")),
            .. copy.Learners.SelectMany(l => RowsOf(l, work, titles)),
        ]);
    }

    /// <summary>Everything that happened with one learner.</summary>
    /// <param name="set">What is set to their class.</param>
    public string Table(LearnerCopy learner, IEnumerable<WorkRecord> set) =>
        Written(RowsOf(learner, set.ToDictionary(w => w.Id), names.Titles(TunesOf(learner))));

    private static string Written(IEnumerable<string[]> rows)
    {
        var text = new CsvText().Row(Columns);
        foreach (var row in rows.OrderBy(r => r[0], StringComparer.Ordinal))
            text.Row(row);
        return text.ToString();
    }

    private static IEnumerable<string[]> RowsOf(KnownChangeRecord k)
    {
        var about = k.Cause == KnownCause.Tune ? k.About : "";
        foreach (var (what, lines) in new[] { ("known", k.Added), ("not known", k.Removed) })
        {
            if (lines.Length > 0)
                yield return Row(
                    Day(k.MadeAt),
                    what: what,
                    about: about,
                    came: string.Join("; ", KnownRepository.Lines(lines)),
                    by: k.MadeBy
                );
        }

        if (k.TakenBackAt is { } back)
            yield return Row(Day(back), what: "taken back", about: about, came: string.Join("; ", KnownRepository.Lines(k.Added)));
    }

    private static IEnumerable<string[]> RowsOf(
        LearnerCopy l,
        IReadOnlyDictionary<long, WorkRecord> set,
        IReadOnlyDictionary<long, string> titles
    )
    {
        var (who, on) = (l.Learner.Nickname, l.Learner.Instrument);
        var own = l.Own.ToDictionary(w => w.Id);
        return
        [
            .. l.Own.Select(w => SetRow(w, who)),
            .. l.Practice.Select(p => Row(p.Day, who, on, "practised", TitleOf(p.TuneId), $"{p.Minutes}", $"{p.Tempo}", by: p.MadeBy)),
            .. l.Answers.Select(a => Row(a.Day, who, on, "card", a.Card, seconds: Seconds(a.Seconds), came: a.Right ? "right" : a.Mistake)),
            .. l.Notes.Select(n => Row(n.Day, who, on, "note", TitleOf(n.TuneId), came: LearnWords.Note(LearnerNotes.Read(n.Note)))),
            .. l.Done.SelectMany(d =>
                own.TryGetValue(d.WorkId, out var w) || set.TryGetValue(d.WorkId, out w)
                    ? new[] { Row(Day(d.DoneAt), who, on, "done", WorkEndpoints.TitleOf(w), by: d.MadeBy) }
                    : []
            ),
            .. l.HandIns.SelectMany(h =>
                new[] { Row(Day(h.HandIn.MadeAt), who, on, "wrote", h.HandIn.Title, came: StateOf(h.HandIn)) }.Concat(
                    h.Remarks.Select(r =>
                        Row(
                            Day(r.MadeAt),
                            who,
                            on,
                            "remark",
                            h.HandIn.Title,
                            came: (r.Bar is { } b ? $"bar {b}: " : "") + r.Words,
                            by: r.MadeBy
                        )
                    )
                )
            ),
        ];

        string TitleOf(long? tune) => tune is { } id ? titles.GetValueOrDefault(id, "") : "";
    }

    private static string StateOf(HandInRecord piece) =>
        piece.State switch
        {
            HandInState.Writing => "being written",
            HandInState.HandedIn => "handed in",
            HandInState.GivenBack => "given back",
            _ => "accepted",
        };

    private static string[] SetRow(WorkRecord w, string whom) =>
        Row(
            Day(w.MadeAt),
            w.Instrument is null ? whom : "",
            w.Instrument is { } i ? StringSection.Named(i)?.Name ?? i : "",
            "set",
            WorkEndpoints.TitleOf(w),
            tempo: $"{w.Tempo}",
            came: $"due {w.Due}",
            by: w.MadeBy
        );

    private static string[] Row(
        string day,
        string learner = "",
        string instrument = "",
        string what = "",
        string about = "",
        string minutes = "",
        string tempo = "",
        string seconds = "",
        string came = "",
        string by = ""
    ) => [day, learner, instrument, what, about, minutes, tempo, seconds, came, by];

    private static string Day(DateTime at) => at.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static string Seconds(double seconds) => seconds.ToString("0.#", CultureInfo.InvariantCulture);
}
