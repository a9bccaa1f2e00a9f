using Coppia.Core.Shapes;

namespace Coppia.Core.Composition;

/// <summary>The levels of composing, in the order in which a class takes them (craft 13).</summary>
public static class TaskLevel
{
    public const int First = 1;
    public const int Last = 5;

    /// <summary>Rests that are usual, four to six (craft 13).</summary>
    private const int UsualRests = 5;

    private static readonly ScaleStep[] OneString = [.. Steps(1, 5)];

    /// <summary>The ninth is the fourth finger of the upper string, where a hand has it.</summary>
    private static readonly ScaleStep[] TwoStrings = [.. Steps(1, 9)];

    private static readonly ScaleStep[] Bonus = [new(9)];

    private static IEnumerable<ScaleStep> Steps(int from, int to) =>
        Enumerable.Range(from, to - from + 1).Select(n => new ScaleStep(n));

    /// <summary>
    /// One string in four bars with fixed endings; without them; two strings; eight bars with fixed endings; eight bars
    /// without.
    /// </summary>
    /// <param name="level"><see cref="First"/> to <see cref="Last"/>.</param>
    /// <param name="key">The key of the open string that it begins on.</param>
    /// <exception cref="ArgumentOutOfRangeException">No such level.</exception>
    public static TaskPlan Plan(int level, ScaleKey key) =>
        level switch
        {
            1 => new TaskPlan
            {
                Key = key,
                Steps = OneString,
                MostRests = UsualRests,
                Fixed = Endings(4),
            },
            2 => Plan(1, key) with { Fixed = [] },
            3 => new TaskPlan
            {
                Key = key,
                Steps = TwoStrings,
                Fourth = Bonus,
                MostRests = UsualRests,
            },
            4 => Plan(3, key) with { Bars = 8, Fixed = Endings(8) },
            5 => Plan(3, key) with { Bars = 8 },
            _ => throw new ArgumentOutOfRangeException(nameof(level), level, "There are levels 1 to 5."),
        };

    /// <summary>Half-way the fifth, at the end the tonic.</summary>
    public static IReadOnlyList<FixedStep> Endings(int bars) =>
        [new FixedStep(bars / 2, FixedAt.Last, new ScaleStep(5)), new FixedStep(bars, FixedAt.Last, new ScaleStep(1))];

    /// <summary>The next level of a plan with what its teacher changed otherwise; null after the last.</summary>
    public static TaskPlan? After(int level, TaskPlan plan)
    {
        if (level is < First or >= Last)
            return null;
        var next = Plan(level + 1, plan.Key);
        return plan with { Bars = next.Bars, Steps = next.Steps, Fixed = next.Fixed, Fourth = next.Fourth };
    }
}
