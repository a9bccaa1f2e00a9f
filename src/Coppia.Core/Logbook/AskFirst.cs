using Coppia.Core.Practice;

namespace Coppia.Core.Logbook;

/// <summary>Why a learner may be glad to be asked how it is going, the gravest first.</summary>
public enum AskReason
{
    /// <summary>Something hurts: care comes first (craft 18).</summary>
    Hurts,

    /// <summary>Help was asked for.</summary>
    WantsHelp,

    /// <summary>Minutes came before, and none in the last week.</summary>
    NoMinutes,

    /// <summary>Much fewer minutes than usual.</summary>
    FewerMinutes,

    /// <summary>Mistakes that are a habit.</summary>
    Habit,

    /// <summary>Something is past its day.</summary>
    Overdue,

    /// <summary>The instrument needs mending.</summary>
    Mend,

    /// <summary>There was no time.</summary>
    NoTime,
}

/// <summary>One reason.</summary>
/// <param name="Amount">How grave it is among its kind: days, minutes fewer, mistakes, or tasks.</param>
/// <param name="Since">The day that it is from, where it has one.</param>
/// <param name="Tune">The tune that it is about.</param>
/// <param name="Habit">The mistakes that are meant.</param>
public sealed record AskWhy(
    AskReason Reason,
    int Amount,
    DateOnly? Since = null,
    long? Tune = null,
    CardHabit? Habit = null
);

/// <summary>A learner to be asked, and why.</summary>
public sealed record ToAsk<T>(T Learner, IReadOnlyList<AskWhy> Why);

/// <summary>
/// Whom a teacher asks first how it is going, so that nobody is overlooked; never to blame (craft 15 and 22).
/// </summary>
public static class AskFirst
{
    /// <summary>So many can be asked before a lesson begins.</summary>
    public const int Most = 2;

    /// <summary>A week of rest days is worth a question; so is half of the usual (from memory).</summary>
    public const int QuietDays = 7;

    private const int NoteDays = 14;
    private const int UsualWeeks = 4;

    /// <summary>Fewer minutes a week than that are no custom that could be missed.</summary>
    private const int LeastUsual = 20;

    /// <summary>Whom to ask first: by their gravest reason, then by how grave it is, then in their order.</summary>
    public static IReadOnlyList<ToAsk<T>> Of<T>(IReadOnlyList<(T Learner, LearnerLog Log)> learners, DateOnly today) =>
        [
            .. learners
                .Select(l => new ToAsk<T>(l.Learner, Why(l.Log, today)))
                .Where(a => a.Why.Count > 0)
                .OrderBy(a => a.Why[0].Reason)
                .ThenByDescending(a => a.Why[0].Amount)
                .ThenByDescending(a => a.Why.Count)
                .Take(Most),
        ];

    /// <summary>Every reason to ask, the gravest first.</summary>
    public static IReadOnlyList<AskWhy> Why(LearnerLog log, DateOnly today)
    {
        var why = new List<AskWhy>();
        foreach (
            var note in log
                .Notes.Where(n => n.Day > today.AddDays(-NoteDays))
                .OrderByDescending(n => n.Day)
                .DistinctBy(n => n.Note)
        )
        {
            if (ReasonOf(note.Note) is { } reason)
                why.Add(new AskWhy(reason, NoteDays - (today.DayNumber - note.Day.DayNumber), note.Day, note.Tune));
        }

        if (Minutes(log, today) is { } minutes)
            why.Add(minutes);
        if (log.Habits(today) is [var habit, ..])
            why.Add(new AskWhy(AskReason.Habit, habit.Times, Habit: habit));
        var overdue = log.Tasks.Where(t => t.Due < today && !t.IsDone).ToArray();
        if (overdue.Length > 0)
            why.Add(
                new AskWhy(AskReason.Overdue, overdue.Length, overdue.Min(t => t.Due), overdue.MaxBy(t => t.Due).Tune)
            );
        return [.. why.OrderBy(w => w.Reason)];
    }

    /// <summary>
    /// None in the last seven days, or less than half of what is usual. Whoever never reports has no custom to be
    /// missed.
    /// </summary>
    private static AskWhy? Minutes(LearnerLog log, DateOnly today)
    {
        // A phone's clock may run ahead.
        if (log.Last is not { } last || last > today)
            return null;
        var now = log.Minutes(today.AddDays(1 - QuietDays), today);
        if (now == 0)
            return new AskWhy(AskReason.NoMinutes, today.DayNumber - last.DayNumber, last);
        var usual =
            log.Minutes(today.AddDays(1 - QuietDays * (UsualWeeks + 1)), today.AddDays(-QuietDays)) / UsualWeeks;
        return usual >= LeastUsual && now * 2 < usual ? new AskWhy(AskReason.FewerMinutes, usual - now) : null;
    }

    private static AskReason? ReasonOf(LearnerNote note) =>
        note switch
        {
            LearnerNote.Hurts => AskReason.Hurts,
            LearnerNote.Help => AskReason.WantsHelp,
            LearnerNote.Mend => AskReason.Mend,
            LearnerNote.NoTime => AskReason.NoTime,
            _ => null,
        };
}
