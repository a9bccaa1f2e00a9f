namespace Coppia.Core.Practice;

/// <summary>
/// The tempos by which a tune climbs to its goal (craft 11 and 22): from 60, or from 50 where that fails, by every
/// second mark of a metronome (common practice).
/// </summary>
/// <param name="Rungs">Quarters a minute, the slowest first, the goal last.</param>
/// <param name="Start">Order of the rung to begin on.</param>
public sealed record TempoLadder(IReadOnlyList<int> Rungs, int Start)
{
    /// <summary>So many clean repeats, by the learner's own judgement, before the next rung.</summary>
    public const int CleanToClimb = 3;

    /// <summary>Failing so often goes one rung down.</summary>
    public const int FailsToFall = 2;

    private const int First = 60;

    private static readonly int[] Marks =
    [
        50,
        First,
        66,
        72,
        80,
        88,
        96,
        104,
        112,
        120,
        132,
        144,
        160,
        176,
        192,
        208,
        240,
    ];

    /// <param name="goal">The tempo to reach, 20 to 300 quarters a minute.</param>
    public static TempoLadder To(int goal)
    {
        int[] rungs = [.. Marks.Where(m => m < goal), goal];
        var first = Array.FindIndex(rungs, r => r >= First);
        return new TempoLadder(rungs, first >= 0 ? first : rungs.Length - 1);
    }
}
