using Coppia.Core.Logbook;
using Coppia.Core.Wording.Logbook;
using Coppia.Data.Classes;
using Coppia.Data.Logbook;
using Coppia.Data.Tunes;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Logbook;

/// <summary>The logbook of the class that is asked for: what its learners did at home.</summary>
internal sealed class ClassLog(
    Asker asker,
    LearnerRepository learners,
    LogRepository reported,
    WorkRepository work,
    LibraryNames names
)
{
    private const int NoteDays = 14;

    /// <exception cref="RefusedException">There is no such class.</exception>
    public ClassLogView Show(DayOfWeek first)
    {
        var one = asker.Class;
        var today = asker.Today;
        var since = LogRecords.First(today, first);
        var notes = reported.Notes(one.Id, today.AddDays(1 - NoteDays));
        var logs = LogsOf(one, since, notes);
        var titles = names.Titles(
            logs.SelectMany(l => l.Log.Notes.Select(n => n.Tune).Concat(l.Log.Tasks.Select(t => t.Tune))).OfType<long>()
        );
        return new ClassLogView(
            Weeks: [.. new LearnerLog([], [], [], []).Weeks(today, LogRecords.WeeksShown, first).Select(w => w.Begin)],
            Learners:
            [
                .. logs.Select(l => new LoggedLearner(
                    l.Who.Id,
                    l.Who.Nickname,
                    l.Who.Instrument,
                    [.. l.Log.Weeks(today, LogRecords.WeeksShown, first).Select(w => w.Minutes)],
                    l.Log.Last
                )),
            ],
            Ask: AskOf(logs, today, titles),
            Help: [.. HabitsOf(logs, today), .. TunesOf(logs, today, titles)],
            Quiet:
            [
                .. logs.Where(l => l.Log.Minutes(today.AddDays(1 - AskFirst.QuietDays), today) == 0)
                    .Select(l => new ToldLearner(l.Who.Id, l.Who.Nickname, LogWords.Quiet(l.Log.Last))),
            ],
            Notes:
            [
                .. logs.SelectMany(l => LogRecords.NotesOf(l.Who, notes[l.Who.Id], titles))
                    .OrderByDescending(n => n.Day),
            ]
        );
    }

    /// <summary>The learners of a class, each with what they reported since a day.</summary>
    private (LearnerRecord Who, LearnerLog Log)[] LogsOf(
        ClassRecord one,
        DateOnly since,
        ILookup<long, LearnerNoteRecord> notes
    )
    {
        var (practice, slips) = (reported.Practice(one.Id, since), reported.Slips(one.Id, since));
        var set = work.Of(one.Id, since);
        var done = work.Done(one.Id).Select(d => (d.WorkId, d.LearnerId)).ToHashSet();
        return [.. learners.Of(one.Id).Select(l => (l, LogOf(l)))];

        LearnerLog LogOf(LearnerRecord l) =>
            LogRecords.LogOf(
                practice[l.Id],
                slips[l.Id],
                notes[l.Id],
                set.Where(w => w.IsFor(l)),
                w => done.Contains((w.Id, l.Id))
            );
    }

    private static AskView[] AskOf(
        IEnumerable<(LearnerRecord Who, LearnerLog Log)> logs,
        DateOnly today,
        IReadOnlyDictionary<long, string> titles
    ) =>
        [
            .. AskFirst
                .Of([.. logs], today)
                .Select(a => new AskView(
                    a.Learner.Id,
                    a.Learner.Nickname,
                    a.Learner.Instrument,
                    LogRecords.ReasonsIn(a.Why, titles)
                )),
        ];

    /// <summary>Habits, and who has them; what most have comes first.</summary>
    private static IEnumerable<HelpView> HabitsOf(
        IEnumerable<(LearnerRecord Who, LearnerLog Log)> logs,
        DateOnly today
    ) =>
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
                        .Select(h => new ToldLearner(
                            h.Who.Id,
                            h.Who.Nickname,
                            Say("logbook.class-log.habits-of-times", ("times", h.Habit.Times))
                        )),
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
}
