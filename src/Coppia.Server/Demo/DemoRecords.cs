using System.Globalization;
using Coppia.Core.Drills;
using Coppia.Core.Practice;
using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Logbook;
using Coppia.Data.Records;
using Coppia.Server.Asked;
using Coppia.Server.Classes;
using Coppia.Server.Logbook;
using CsvHelper;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Demo;

/// <summary>Something that was set to the demo class so many days ago.</summary>
/// <param name="DueDaysAgo">Below nothing for a day that is still to come.</param>
/// <param name="Done">Nicknames of those who have done it.</param>
internal sealed record DemoWork(
    WorkKind Kind,
    string? Tune,
    int? Tempo,
    int SetDaysAgo,
    int DueDaysAgo,
    IReadOnlyList<string> Done
);

/// <summary>A ready sentence that one of the demo class sent.</summary>
internal sealed record DemoNote(string Learner, int DaysAgo, LearnerNote Note, string? Tune);

/// <summary>
/// Eight weeks of invented practice, up to today: minutes, answers to cards, notes, and what was set.
/// </summary>
/// <param name="folder">That of the demo; its tables are practice.csv and answers.csv.</param>
/// <param name="tune">The number of a demo tune by its title.</param>
internal sealed class DemoRecords(string folder, Func<string, long> tune, SchoolCalendar calendar)
{
    /// <summary>The hour after school at which all of it happened.</summary>
    private const int Hour = 16;

    private readonly Lazy<ILookup<string, DemoPractice>> _practice = new(() =>
        Rows<DemoPractice>(folder, "practice.csv").ToLookup(p => p.Learner)
    );

    private readonly Lazy<ILookup<string, DemoAnswer>> _answers = new(() =>
        Rows<DemoAnswer>(folder, "answers.csv").ToLookup(a => a.Learner)
    );

    private sealed record DemoPractice(string Learner, int DaysAgo, int Minutes, string Tune, int? Tempo);

    private sealed record DemoAnswer(
        string Learner,
        int DaysAgo,
        string Card,
        string Right,
        double Seconds,
        string Mistake
    )
    {
        public bool IsRight => Right == "yes";
    }

    /// <summary>A moment of that day, in UTC.</summary>
    public DateTime At(int daysAgo) => calendar.Now.Date.AddDays(-daysAgo).AddHours(Hour);

    public DateOnly Day(int daysAgo) => calendar.Today.AddDays(-daysAgo);

    private long? Tune(string? title) => string.IsNullOrEmpty(title) ? null : tune(title);

    /// <summary>What is set, and who has done it.</summary>
    public (IReadOnlyList<WorkRecord> Work, IReadOnlyList<(string Nickname, DoneRecord Done)> Done) Work(
        IReadOnlyList<DemoWork> set,
        IReadOnlyList<LearnerRequest> learners
    )
    {
        var work = set.Index()
            .Select(w => new WorkRecord
            {
                Id = w.Index,
                Kind = w.Item.Kind,
                TuneId = Tune(w.Item.Tune),
                Tempo = w.Item.Tempo,
                Due = Day(w.Item.DueDaysAgo),
                MadeAt = At(w.Item.SetDaysAgo),
            })
            .ToArray();
        return (
            work,
            [
                .. learners.SelectMany(l =>
                    set.Index()
                        .Where(w => w.Item.Done.Contains(l.Nickname))
                        .Select(w =>
                            (
                                l.Nickname,
                                new DoneRecord { WorkId = w.Index, DoneAt = At(Math.Max(0, w.Item.DueDaysAgo + 1)) }
                            )
                        )
                ),
            ]
        );
    }

    /// <summary>A learner with what they reported; the boxes are those that their answers lead to.</summary>
    public LearnerCopy Of(LearnerRecord learner, IEnumerable<DemoNote> notes)
    {
        var answers = _answers.Value[learner.Nickname].ToArray();
        return new LearnerCopy(learner)
        {
            Practice = [.. _practice.Value[learner.Nickname].Select(PracticeOf)],
            Answers = [.. answers.Select(AnswerOf)],
            Boxes = BoxesAfter(answers),
            Notes = [.. notes.Where(n => n.Learner == learner.Nickname).Select(NoteOf)],
        };
    }

    private PracticeRecord PracticeOf(DemoPractice p) =>
        new()
        {
            Key = $"demo-{p.DaysAgo}",
            Day = Day(p.DaysAgo),
            At = At(p.DaysAgo),
            Minutes = p.Minutes,
            TuneId = Tune(p.Tune),
            Tempo = p.Tempo,
        };

    private CardAnswerRecord AnswerOf(DemoAnswer a, int number) =>
        new()
        {
            Key = $"demo-{number}",
            Card = a.Card,
            Day = Day(a.DaysAgo),
            At = At(a.DaysAgo).AddSeconds(10 * number),
            Right = a.IsRight,
            Seconds = a.Seconds,
            Mistake = a.Mistake,
        };

    private IReadOnlyList<CardBoxRecord> BoxesAfter(IEnumerable<DemoAnswer> answers)
    {
        var boxes = new Dictionary<string, BoxedCard>();
        foreach (var a in answers)
        {
            BoxedCard? before = boxes.TryGetValue(a.Card, out var lies) ? lies : null;
            boxes[a.Card] = CardBoxes.After(before, a.IsRight, a.Seconds, Day(a.DaysAgo));
        }

        return
        [
            .. boxes.Select(b => new CardBoxRecord
            {
                Card = b.Key,
                Box = b.Value.Box,
                Due = b.Value.Due,
            }),
        ];
    }

    private LearnerNoteRecord NoteOf(DemoNote n) =>
        new()
        {
            Key = $"demo-{n.DaysAgo}",
            Day = Day(n.DaysAgo),
            At = At(n.DaysAgo),
            Note = LearnerNotes.Text(n.Note),
            TuneId = Tune(n.Tune),
        };

    private static List<T> Rows<T>(string folder, string file)
    {
        using var text = new StreamReader(Path.Combine(folder, file));
        using var csv = new CsvReader(
            text,
            new CsvHelper.Configuration.CsvConfiguration(CultureInfo.InvariantCulture)
            {
                PrepareHeaderForMatch = h => h.Header.ToLowerInvariant(),
            }
        );
        try
        {
            return [.. csv.GetRecords<T>()];
        }
        catch (CsvHelperException e)
        {
            throw new InvalidDataException(
                Say("demo.records.row-cannot-be-read", ("file", file), ("what", csv.Context.Parser?.Row)),
                e
            );
        }
    }
}
