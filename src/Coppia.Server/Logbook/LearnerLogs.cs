using Coppia.Core.Drills;
using Coppia.Core.Knowledge;
using Coppia.Core.Logbook;
using Coppia.Core.Wording.Logbook;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Classes;
using Coppia.Data.Logbook;
using Coppia.Data.Tunes;
using Coppia.Server.Asked;
using Coppia.Server.Classes;
using Coppia.Server.Drills;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Logbook;

/// <summary>The logbook of one who.Id, and minutes that come on paper.</summary>
internal sealed class LearnerLogs(Asker asker, ReportRepository reports, WorkRepository work, LibraryNames names)
{
    public LearnerLogView Show(LearnerRecord who, DayOfWeek first)
    {
        var today = asker.Today;
        var since = LogRecords.First(today, first);
        var practice = reports.Practice(who.Id, since);
        var answers = reports.Answers(who.Id, today.AddDays(1 - LearnerLog.HabitDays));
        var notes = reports.Notes(who.Id, since);
        var set = work.Of(who, since);
        var done = work.Done(who.ClassId).Where(d => d.LearnerId == who.Id).Select(d => d.WorkId).ToHashSet();
        var log = LogRecords.LogOf(practice, answers, notes, set, w => done.Contains(w.Id));
        var titles = names.Titles(
            practice
                .Select(p => p.TuneId)
                .Concat(set.Select(w => w.TuneId))
                .Concat(notes.Select(n => n.TuneId))
                .OfType<long>()
        );
        return new LearnerLogView(
            Learner: LearnerView.Of(who),
            From: since,
            Today: today,
            Days:
            [
                .. practice
                    .Where(p => p.Minutes > 0)
                    .GroupBy(p => p.Day)
                    .Select(g => new DayMinutes(g.Key, g.Sum(p => p.Minutes))),
            ],
            Weeks: [.. log.Weeks(today, LogRecords.WeeksShown, first).Select(w => new DayMinutes(w.Begin, w.Minutes))],
            Tunes: TunesOf(log, set, titles),
            Ways: [.. Enum.GetValues<CardKind>().Select(LogWords.Kind)],
            Cards: BoxesOf(reports.Boxes(who.Id), who),
            Answers: answers.Count,
            Right: answers.Count(a => a.Right),
            Habits: [.. log.Habits(today).Select(h => HabitOf(h, asker.Style))],
            Notes: [.. LogRecords.NotesOf(who, notes, titles).Reverse()],
            Why: LogRecords.ReasonsIn(AskFirst.Why(log, today), titles)
        );
    }

    private static HabitView HabitOf(CardHabit habit, HouseStyle style) =>
        new(
            LogWords.Habit(habit.Kind),
            LogWords.Helps(habit.Kind),
            habit.Times,
            [.. habit.Cards.Select(c => ThingWords.Name(c.Note, style)).Distinct().Take(3)]
        );

    /// <summary>Keeps minutes that a learner told on paper.</summary>
    /// <exception cref="RefusedException">The day is none or still to come, or the minutes cannot be.</exception>
    public AddedMinutes Add(LearnerRecord who, MinutesRequest asked)
    {
        if (asked.Day > asker.Today)
            throw RefusedException.Wrong(Say("logbook.learner-logs.expected-a-day-up-to-today-such"));
        var key = $"paper-{Guid.NewGuid():N}";
        reports.Keep(
            who.Id,
            new PracticeRecord
            {
                Key = key,
                Day = asked.Day,
                At = asker.Now,
                Minutes = asked.Minutes,
                MadeBy = asker.Name,
            }
        );
        return new AddedMinutes(key);
    }

    /// <summary>Tunes that are set, and others of which a tempo was told.</summary>
    private static TuneLog[] TunesOf(
        LearnerLog log,
        IEnumerable<WorkRecord> set,
        IReadOnlyDictionary<long, string> titles
    )
    {
        var tempos = log.Tempos().ToDictionary(t => t.Tune);
        var goals = set.Where(w => w.TuneId is not null)
            .GroupBy(w => w.TuneId!.Value)
            .ToDictionary(g => g.Key, g => g.Last().Tempo);
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
                    [.. t?.Steps.Select(s => new TempoStep(s.Day, s.Tempo)) ?? []]
                )),
        ];
    }

    /// <summary>
    /// Cards by note, in the order in which they are learned; then those of notes that the class does not know any
    /// more.
    /// </summary>
    private NoteBoxes[] BoxesOf(IReadOnlyList<CardBoxRecord> boxes, LearnerRecord who)
    {
        var lies = boxes
            .Select(b => (Card: CardName.Find(b.Card), b.Box))
            .Where(b => b.Card is not null)
            .ToDictionary(b => b.Card!, b => b.Box);
        var known = LearnerCards.Of(asker.PlayerOf(who)).Select(c => c.Note).Distinct();
        var style = asker.Style;
        return
        [
            .. known
                .Union(lies.Keys.Select(c => c.Note))
                .Select(note => new NoteBoxes(
                    ThingWords.Name(note, style),
                    [
                        .. Enum.GetValues<CardKind>()
                            .Select(kind =>
                                lies.TryGetValue(new LearnerCard(kind, note), out var box) ? box : (int?)null
                            ),
                    ]
                )),
        ];
    }
}
