using Coppia.Core.Drills;
using Coppia.Core.Practice;

namespace Coppia.Core.Logbook;

/// <summary>Minutes of a learner, with what was reached where that was told.</summary>
/// <param name="Day">The learner's own.</param>
/// <param name="Tune">The tune's number; null where none is told.</param>
/// <param name="Tempo">Quarters a minute.</param>
public readonly record struct Practised(DateOnly Day, int Minutes, long? Tune = null, int? Tempo = null);

/// <summary>A card that was answered wrongly.</summary>
public readonly record struct CardSlip(DateOnly Day, LearnerCard Card, MistakeKind Kind);

/// <summary>A ready sentence that was sent.</summary>
public readonly record struct Noted(DateOnly Day, LearnerNote Note, long? Tune = null);

/// <summary>Something that is set to a learner.</summary>
/// <param name="Tune">The tune's number; null for cards and sheets.</param>
/// <param name="Goal">Quarters a minute to reach; null where none is asked for.</param>
public readonly record struct SetTask(DateOnly Due, bool IsDone, long? Tune = null, int? Goal = null);

/// <summary>Minutes of a week that begins on Monday (ISO 8601).</summary>
public readonly record struct WeekMinutes(DateOnly Begin, int Minutes);

/// <summary>Three mistakes of a kind or more (craft 14).</summary>
/// <param name="Cards">Those that it happened at, the most frequent first.</param>
public sealed record CardHabit(MistakeKind Kind, int Times, IReadOnlyList<LearnerCard> Cards);

/// <summary>What a learner has reached in a tune.</summary>
/// <param name="Steps">Days on which a tempo was told, with the fastest of the day, in order.</param>
public sealed record TuneTempo(long Tune, int Best, IReadOnlyList<(DateOnly Day, int Tempo)> Steps);

/// <summary>What is known of a learner's practice at home.</summary>
/// <param name="Practised">In any order.</param>
/// <param name="Slips">In any order.</param>
public sealed record LearnerLog(
    IReadOnlyList<Practised> Practised,
    IReadOnlyList<CardSlip> Slips,
    IReadOnlyList<Noted> Notes,
    IReadOnlyList<SetTask> Tasks
)
{
    /// <summary>Older mistakes are no habit any more, in days (from memory).</summary>
    public const int HabitDays = 28;

    /// <summary>The minutes of the last weeks, the first first, this week last; a week without any has none.</summary>
    /// <param name="first">The day on which a week begins.</param>
    public IReadOnlyList<WeekMinutes> Weeks(DateOnly today, int count, DayOfWeek first = DayOfWeek.Monday)
    {
        var minutes = Practised.GroupBy(p => WeekOf(p.Day, first)).ToDictionary(g => g.Key, g => g.Sum(p => p.Minutes));
        return
        [
            .. Enumerable
                .Range(1 - count, count)
                .Select(w => WeekOf(today, first).AddDays(7 * w))
                .Select(begin => new WeekMinutes(begin, minutes.GetValueOrDefault(begin))),
        ];
    }

    /// <summary>The day on which the week of a day begins.</summary>
    public static DateOnly WeekOf(DateOnly day, DayOfWeek first) =>
        day.AddDays(-(((int)day.DayOfWeek - (int)first + 7) % 7));

    /// <summary>Minutes of the days from one to another, both among them.</summary>
    public int Minutes(DateOnly from, DateOnly to) =>
        Practised.Where(p => p.Day >= from && p.Day <= to).Sum(p => p.Minutes);

    /// <summary>The last day with minutes; null where none came yet.</summary>
    public DateOnly? Last => Practised.Where(p => p.Minutes > 0).Select(p => (DateOnly?)p.Day).Max();

    /// <summary>For each tune with a tempo, what was reached.</summary>
    public IReadOnlyList<TuneTempo> Tempos() =>
        [
            .. Practised
                .Where(p => p is { Tune: not null, Tempo: not null })
                .GroupBy(p => p.Tune!.Value)
                .Select(g => new TuneTempo(
                    g.Key,
                    g.Max(p => p.Tempo!.Value),
                    [.. g.GroupBy(p => p.Day, p => p.Tempo!.Value).OrderBy(d => d.Key).Select(d => (d.Key, d.Max()))]
                )),
        ];

    /// <summary>The fastest that was reached in a tune; null where none was told.</summary>
    public int? Best(long tune) => Practised.Where(p => p.Tune == tune).Max(p => p.Tempo);

    /// <summary>
    /// Mistakes of the last four weeks that are a habit, the most frequent first. Where nothing fits there is none.
    /// </summary>
    public IReadOnlyList<CardHabit> Habits(DateOnly today) =>
        [
            .. Slips
                .Where(s =>
                    s.Day > today.AddDays(-HabitDays) && s.Kind is not (MistakeKind.Right or MistakeKind.Unclear)
                )
                .GroupBy(s => s.Kind)
                .Where(g => g.Count() >= RoundEnd.HabitTimes)
                .Select(g => new CardHabit(
                    g.Key,
                    g.Count(),
                    [.. g.CountBy(s => s.Card).OrderByDescending(c => c.Value).Select(c => c.Key)]
                ))
                .OrderByDescending(h => h.Times)
                .ThenBy(h => h.Kind),
        ];
}
