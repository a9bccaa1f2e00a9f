using Coppia.Core.Instruments;
using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Data.Records;
using Coppia.Server.Classes;
using Coppia.Server.Desk;
using Coppia.Server.Drills;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Records;

/// <summary>One class with all that is kept of it, in a file.</summary>
/// <param name="Coppia">Version of this form, 1.</param>
/// <param name="Style">Name of its own house style; null for the one in force.</param>
/// <param name="Tunes">Tunes that the record speaks of.</param>
/// <param name="Sheets">Sheets that are set.</param>
/// <param name="Work">What is set to the class or a section.</param>
/// <param name="Tasks">Writing tasks that are set or written for.</param>
/// <param name="Booklet">Null where nobody made one yet.</param>
/// <param name="Lessons">Planned and taught.</param>
public sealed record ClassFile(
    int Coppia,
    string Name,
    int LessonMinutes,
    DateTime MadeAt,
    IReadOnlyList<NamedInFile> Tunes,
    IReadOnlyList<NamedInFile> Sheets,
    IReadOnlyList<KnownInFile> Known,
    IReadOnlyList<WorkInFile> Work,
    IReadOnlyList<LearnerInFile> Learners,
    string? Style = null,
    IReadOnlyList<TaskInFile>? Tasks = null,
    BookletDoc? Booklet = null,
    IReadOnlyList<LessonInFile>? Lessons = null
)
{
    /// <exception cref="FormatException">Something in it cannot be kept; the message names the place.</exception>
    /// <param name="text">Writes a plan or a piece as it is kept.</param>
    internal ClassCopy Copy(long? style, Func<object, string> text)
    {
        if (Coppia != 1)
            throw new FormatException(
                Say("records.class-file.the-record-is-of-version-this-program", ("coppia", Coppia))
            );
        if (ClassRules.Wrong(Name, LessonMinutes) is { } wrong)
            throw new FormatException(wrong);
        if (Learners.Count > Limits.MostLearners)
            throw new FormatException(
                Say(
                    "records.class-file.the-record-has-learners-expected-at",
                    ("learners", Learners.Count),
                    ("mostLearners", Limits.MostLearners)
                )
            );
        return new ClassCopy(
            new ClassRecord
            {
                Name = Name.Trim(),
                LessonMinutes = LessonMinutes,
                StyleId = style,
                CreatedAt = MadeAt,
            },
            Each(
                Known,
                Say("records.class-file.what-is-known-change"),
                k => k.IsSound,
                Say("records.class-file.a-line-for-each-thing"),
                k => k.Record()
            ),
            RecordsOf(Work, Say("records.class-file.set-work")),
            [.. Learners.Select(l => l.Copy(text))],
            Booklet is { } booklet ? RecordOf(booklet) : null,
            Booklet?.Pieces ?? [],
            [.. (Lessons ?? []).Select((l, i) => l.Record(text, i + 1))]
        );
    }

    private static BookletRecord RecordOf(BookletDoc booklet) =>
        new()
        {
            Title = booklet.Title.Length is > 0 and <= Limits.LongestTaskTitle
                ? booklet.Title
                : throw new FormatException(
                    Say(
                        "records.class-file.booklet-expected-a-title-of-1-to",
                        ("longestTitle", Limits.LongestTaskTitle)
                    )
                ),
            PerPage = booklet.PerPage == 1 ? 1 : 2,
            Pairs = booklet.Pairs,
            Names = booklet.Names,
            Shown = booklet.Shown,
        };

    internal static WorkInFile WorkOf(WorkRecord w) =>
        new(w.Id, w.Kind, w.Due, w.MadeAt, w.MadeBy, w.TuneId, w.SheetId, w.Tempo, w.Instrument, w.TaskId);

    internal static KnownInFile KnownOf(KnownChangeRecord k) =>
        new(
            k.Cause,
            k.About,
            KnownRepository.Lines(k.Added),
            KnownRepository.Lines(k.Removed),
            k.MadeAt,
            k.MadeBy,
            k.TuneId,
            k.TakenBackAt
        );

    internal static IReadOnlyList<WorkRecord> RecordsOf(IReadOnlyList<WorkInFile> work, string where) =>
        Each(
            work,
            where,
            w =>
                w.Tempo is null or (>= 20 and <= 300)
                && (w.Kind == WorkKind.Tune) == (w.Tune is not null)
                && (w.Kind == WorkKind.Sheet) == (w.Sheet is not null)
                && (w.Kind == WorkKind.Writing) == (w.Task is not null)
                && (w.Instrument is null || StringSection.Named(w.Instrument) is not null),
            Say("records.class-file.a-tempo-of-20-to-300-and"),
            w => new WorkRecord
            {
                Id = w.Id,
                Kind = w.Kind,
                Due = w.Due,
                MadeAt = w.MadeAt,
                MadeBy = w.MadeBy,
                TuneId = w.Tune,
                SheetId = w.Sheet,
                TaskId = w.Task,
                Tempo = w.Tempo,
                Instrument = w.Instrument,
            }
        );

    internal static IReadOnlyList<TRecord> Each<TFile, TRecord>(
        IReadOnlyList<TFile> list,
        string where,
        Func<TFile, bool> fits,
        string expected,
        Func<TFile, TRecord> record
    )
    {
        var records = new List<TRecord>(list.Count);
        foreach (var (i, one) in list.Index())
        {
            Expect(fits(one), where, $"{i + 1}", Say("records.class-file.each-expected", ("expected", expected)));
            records.Add(record(one));
        }

        return records;
    }

    internal static void Expect(bool fits, string where, string part, string expected)
    {
        if (!fits)
            throw new FormatException($"{where} {part}: {expected}.");
    }

    internal static bool IsCard(string text) => CardName.Find(text) is not null;
}
