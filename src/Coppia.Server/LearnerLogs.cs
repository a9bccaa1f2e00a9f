using Coppia.Core.Drills;
using Coppia.Core.Logbook;
using Coppia.Core.Wording;
using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>The logbook of one learner, and minutes that come on paper.</summary>
internal static class LearnerLogs
{
    public static Results<Ok<LearnerLogView>, ProblemHttpResult> Show(
        ForWhom forWhom,
        LearnerRepository learners,
        ReportRepository reports,
        WorkRepository work,
        LibraryNames names,
        TimeProvider clock,
        long @class,
        long learner
    )
    {
        if (learners.Find(learner) is not { } who || who.ClassId != @class)
            return ClassEndpoints.NoLearner();
        var today = LogEndpoints.Today(clock);
        var since = WorkEndpoints.Text(LogEndpoints.First(today));
        var practice = reports.Practice(learner, since);
        var answers = reports.Answers(learner, WorkEndpoints.Text(today.AddDays(1 - LearnerLog.HabitDays)));
        var notes = reports.Notes(learner, since);
        var set = work.Of(who, since);
        var done = work.Done(@class).Where(d => d.LearnerId == learner).Select(d => d.WorkId).ToHashSet();
        var log = LogEndpoints.LogOf(practice, answers, notes, set, w => done.Contains(w.Id));
        var titles = names.Titles(
            practice.Select(p => p.TuneId).Concat(set.Select(w => w.TuneId)).Concat(notes.Select(n => n.TuneId)).OfType<long>()
        );
        var style = forWhom.Style.Style;
        return TypedResults.Ok(
            new LearnerLogView(
                Learner: LearnerView.Of(who),
                From: since,
                Today: WorkEndpoints.Text(today),
                Days: [.. practice.Where(p => p.Minutes > 0).GroupBy(p => p.Day).Select(g => new DayMinutes(g.Key, g.Sum(p => p.Minutes)))],
                Weeks: [.. log.Weeks(today, LogEndpoints.WeeksShown).Select(w => new DayMinutes(WorkEndpoints.Text(w.Monday), w.Minutes))],
                Tunes: TunesOf(log, set, titles),
                Ways: [.. Enum.GetValues<CardKind>().Select(LogWords.Kind)],
                Cards: BoxesOf(reports.Boxes(learner), forWhom, who),
                Answers: answers.Count,
                Right: answers.Count(a => a.Right),
                Habits:
                [
                    .. log.Habits(today)
                        .Select(h => new HabitView(
                            LogWords.Habit(h.Kind),
                            LogWords.Helps(h.Kind),
                            h.Times,
                            [.. h.Cards.Select(c => ThingWords.Name(c.Note, style)).Distinct().Take(3)]
                        )),
                ],
                Notes: [.. LogEndpoints.NotesOf(who, notes, titles).Reverse()],
                Why: LogEndpoints.Said(AskFirst.Why(log, today), titles)
            )
        );
    }

    /// <summary>Minutes that a learner told on paper.</summary>
    public static Results<Ok<AddedMinutes>, ProblemHttpResult> AddMinutes(
        LearnerRepository learners,
        ReportRepository reports,
        Asking asking,
        TimeProvider clock,
        long @class,
        long learner,
        MinutesRequest asked
    )
    {
        if (learners.Find(learner) is not { } who || who.ClassId != @class)
            return ClassEndpoints.NoLearner();
        if (WorkEndpoints.Day(asked.Day) is not { } day || day > LogEndpoints.Today(clock))
            return ClassEndpoints.Refused("Expected a day up to today, such as 2026-09-14.");
        if (asked.Minutes is < 1 or > 600)
            return ClassEndpoints.Refused("Expected 1 to 600 minutes.");
        var key = $"paper-{Guid.NewGuid():N}";
        reports.Keep(
            learner,
            new PracticeRecord
            {
                Key = key,
                Day = asked.Day,
                At = clock.GetUtcNow().UtcDateTime,
                Minutes = asked.Minutes,
                MadeBy = asking.Name,
            }
        );
        return TypedResults.Ok(new AddedMinutes(key));
    }

    public static Results<NoContent, ProblemHttpResult> TakeMinutesBack(
        LearnerRepository learners,
        ReportRepository reports,
        long @class,
        long learner,
        string key
    ) =>
        learners.Find(learner)?.ClassId == @class && reports.Remove(learner, key)
            ? TypedResults.NoContent()
            : TypedResults.Problem(statusCode: 404, title: "There are no such minutes of this learner.");

    /// <summary>Tunes that are set, and others of which a tempo was told.</summary>
    private static TuneLog[] TunesOf(LearnerLog log, IEnumerable<WorkRecord> set, IReadOnlyDictionary<long, string> titles)
    {
        var tempos = log.Tempos().ToDictionary(t => t.Tune);
        var goals = set.Where(w => w.TuneId is not null).GroupBy(w => w.TuneId!.Value).ToDictionary(g => g.Key, g => g.Last().Tempo);
        return
        [
            .. goals
                .Keys.Union(tempos.Keys)
                .Where(titles.ContainsKey)
                .Select(tune => new TuneLog(
                    tune,
                    titles[tune],
                    goals.GetValueOrDefault(tune),
                    tempos.TryGetValue(tune, out var t) ? t.Best : null,
                    [.. t?.Steps.Select(s => new TempoStep(WorkEndpoints.Text(s.Day), s.Tempo)) ?? []]
                )),
        ];
    }

    /// <summary>Cards by note, in the order in which they are learned; then those of notes that the class does not know any more.</summary>
    private static NoteBoxes[] BoxesOf(IReadOnlyList<CardBoxRecord> boxes, ForWhom forWhom, LearnerRecord who)
    {
        var lies = boxes
            .Select(b => (Card: CardName.Find(b.Card), b.Box))
            .Where(b => b.Card is not null)
            .ToDictionary(b => b.Card!, b => b.Box);
        var known = LearnerCards.Of(LearnEndpoints.PlayerOf(who, forWhom)).Select(c => c.Note).Distinct();
        var style = forWhom.Style.Style;
        return
        [
            .. known
                .Union(lies.Keys.Select(c => c.Note))
                .Select(note => new NoteBoxes(
                    ThingWords.Name(note, style),
                    [
                        .. Enum.GetValues<CardKind>()
                            .Select(kind => lies.TryGetValue(new LearnerCard(kind, note), out var box) ? box : (int?)null),
                    ]
                )),
        ];
    }
}
