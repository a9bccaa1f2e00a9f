using Coppia.Core.Logbook;
using Coppia.Core.Wording;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>The logbook: what the learners of a class did at home.</summary>
internal static class LogEndpoints
{
    internal const int WeeksShown = 8;
    private const int NoteDays = 14;

    public static void MapLogbook(this WebApplication app)
    {
        var one = app.MapGroup("/api/classes/{class:long}");
        one.MapGet("/logbook", OfClass).WithName("getLogbook").ProducesProblem(404);
        one.MapGet("/learners/{learner:long}/logbook", LearnerLogs.Show).WithName("getLearnerLogbook").ProducesProblem(404);
        one.MapPost("/learners/{learner:long}/minutes", LearnerLogs.AddMinutes)
            .WithName("addMinutes")
            .ProducesProblem(404)
            .ProducesProblem(422);
        one.MapDelete("/learners/{learner:long}/minutes/{key}", LearnerLogs.TakeMinutesBack)
            .WithName("takeMinutesBack")
            .ProducesProblem(404);
    }

    internal static DateOnly Today(TimeProvider clock) => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    /// <summary>The first day that is shown.</summary>
    internal static DateOnly First(DateOnly today) => LearnerLog.Monday(today).AddDays(7 * (1 - WeeksShown));

    private static Results<Ok<ClassLogView>, ProblemHttpResult> OfClass(
        ForWhom forWhom,
        LearnerRepository learners,
        LogRepository reported,
        WorkRepository work,
        LibraryNames names,
        TimeProvider clock,
        long @class
    )
    {
        if (forWhom.Class is null)
            return ClassEndpoints.NoClass(@class);
        var today = Today(clock);
        var since = WorkEndpoints.Text(First(today));
        var (practice, slips) = (reported.Practice(@class, since), reported.Slips(@class, since));
        var notes = reported.Notes(@class, WorkEndpoints.Text(today.AddDays(1 - NoteDays)));
        var set = work.Of(@class, since);
        var done = work.Done(@class).Select(d => (d.WorkId, d.LearnerId)).ToHashSet();
        var own = learners.Of(@class);
        (LearnerRecord Who, LearnerLog Log)[] logs =
        [
            .. own.Select(l =>
                (l, LogOf(practice[l.Id], slips[l.Id], notes[l.Id], set.Where(w => w.IsFor(l)), w => done.Contains((w.Id, l.Id))))
            ),
        ];
        var titles = names.Titles(
            logs.SelectMany(l => l.Log.Notes.Select(n => n.Tune).Concat(l.Log.Tasks.Select(t => t.Tune))).OfType<long>()
        );
        return TypedResults.Ok(
            new ClassLogView(
                Weeks: [.. new LearnerLog([], [], [], []).Weeks(today, WeeksShown).Select(w => WorkEndpoints.Text(w.Monday))],
                Learners:
                [
                    .. logs.Select(l => new LoggedLearner(
                        l.Who.Id,
                        l.Who.Nickname,
                        l.Who.Instrument,
                        [.. l.Log.Weeks(today, WeeksShown).Select(w => w.Minutes)],
                        l.Log.Last is { } last ? WorkEndpoints.Text(last) : null
                    )),
                ],
                Ask:
                [
                    .. AskFirst
                        .Of([.. logs.Select(l => (l.Who, l.Log))], today)
                        .Select(a => new AskView(a.Learner.Id, a.Learner.Nickname, a.Learner.Instrument, Said(a.Why, titles))),
                ],
                Help: [.. HabitsOf(logs, today), .. TunesOf(logs, today, titles)],
                Quiet:
                [
                    .. logs.Where(l => l.Log.Minutes(today.AddDays(1 - AskFirst.QuietDays), today) == 0)
                        .Select(l => new ToldLearner(l.Who.Id, l.Who.Nickname, LogWords.Quiet(l.Log.Last))),
                ],
                Notes: [.. logs.SelectMany(l => NotesOf(l.Who, notes[l.Who.Id], titles)).OrderByDescending(n => n.Day)]
            )
        );
    }

    internal static LearnerLog LogOf(
        IEnumerable<PracticeRecord> practice,
        IEnumerable<CardAnswerRecord> slips,
        IEnumerable<LearnerNoteRecord> notes,
        IEnumerable<WorkRecord> set,
        Func<WorkRecord, bool> isDone
    ) =>
        new(
            [.. practice.Select(p => new Practised(DayOf(p.Day), p.Minutes, p.TuneId, p.Tempo))],
            [.. slips.Where(s => !s.Right).SelectMany(SlipOf)],
            [.. notes.Select(n => new Noted(DayOf(n.Day), LearnerNotes.Read(n.Note), n.TuneId))],
            [.. set.Select(w => new SetTask(DayOf(w.Due), isDone(w), w.TuneId, w.Tempo))]
        );

    private static DateOnly DayOf(string day) => WorkEndpoints.Day(day) ?? DateOnly.MinValue;

    /// <summary>A wrong answer; one that this version cannot read, or that was only shown, is no mistake.</summary>
    private static IEnumerable<CardSlip> SlipOf(CardAnswerRecord a)
    {
        if (ReplyText.Kinds.TryGetValue(a.Mistake, out var kind) && CardName.Find(a.Card) is { } card)
            yield return new CardSlip(DayOf(a.Day), card, kind);
    }

    /// <summary>Habits, and who has them; what most have comes first.</summary>
    private static IEnumerable<HelpView> HabitsOf(IEnumerable<(LearnerRecord Who, LearnerLog Log)> logs, DateOnly today) =>
        logs.SelectMany(l => l.Log.Habits(today).Select(h => (l.Who, Habit: h)))
            .GroupBy(h => h.Habit.Kind)
            .OrderByDescending(g => g.Count())
            .ThenByDescending(g => g.Sum(h => h.Habit.Times))
            .Select(g => new HelpView(
                LogWords.Habit(g.Key),
                LogWords.Helps(g.Key),
                null,
                [
                    .. g.OrderByDescending(h => h.Habit.Times)
                        .Select(h => new ToldLearner(h.Who.Id, h.Who.Nickname, $"{h.Habit.Times} times")),
                ]
            ));

    /// <summary>Tunes that are past their day, and who has not said that they are done.</summary>
    private static IEnumerable<HelpView> TunesOf(
        IEnumerable<(LearnerRecord Who, LearnerLog Log)> logs,
        DateOnly today,
        IReadOnlyDictionary<long, string> titles
    ) =>
        logs.SelectMany(l =>
                l.Log.Tasks.Where(t => t is { Tune: not null, IsDone: false } && t.Due < today)
                    .DistinctBy(t => t.Tune)
                    .Select(t => (l.Who, Task: t, Best: l.Log.Best(t.Tune!.Value)))
            )
            .GroupBy(t => t.Task.Tune!.Value)
            .OrderByDescending(g => g.Count())
            .Select(g => new HelpView(
                titles.GetValueOrDefault(g.Key, ""),
                "",
                g.Key,
                [.. g.Select(t => new ToldLearner(t.Who.Id, t.Who.Nickname, LogWords.Reached(t.Best, t.Task.Goal)))]
            ));

    internal static IEnumerable<NoteView> NotesOf(
        LearnerRecord who,
        IEnumerable<LearnerNoteRecord> notes,
        IReadOnlyDictionary<long, string> titles
    ) =>
        notes.Select(n => new NoteView(
            who.Id,
            who.Nickname,
            n.Day,
            LearnWords.Note(LearnerNotes.Read(n.Note)),
            n.TuneId is { } tune ? titles.GetValueOrDefault(tune) : null
        ));

    internal static string[] Said(IEnumerable<AskWhy> why, IReadOnlyDictionary<long, string> titles) =>
        [.. why.Select(w => LogWords.Why(w, w.Tune is { } tune ? titles.GetValueOrDefault(tune) : null))];
}
