namespace Coppia.Core.Reading;

/// <summary>
/// What makes a step hard, with its points, in a few bytes: it is worked out for every step of a tune, and told of few.
/// </summary>
/// <param name="Points">All points together.</param>
internal readonly record struct TroubleParts(int Points)
{
    private const int BitsOfOne = 4;

    /// <summary>The order in which parts of equal weight are told: strings, hand, then the rest.</summary>
    private static readonly TroublePart[] Told =
    [
        TroublePart.Crossing,
        TroublePart.CrossingWithFinger,
        TroublePart.SkippedString,
        TroublePart.SlurOverCrossing,
        TroublePart.Leap,
        TroublePart.Shift,
        TroublePart.FingerMoves,
        TroublePart.TwoHeights,
        TroublePart.Stretch,
        TroublePart.Beyond,
        TroublePart.QuickNote,
        TroublePart.OddRhythm,
    ];

    /// <summary>The points of each part, four bits each.</summary>
    private long Packed { get; init; }

    /// <param name="points">1 to 15; a part is added once.</param>
    public TroubleParts And(TroublePart part, int points) =>
        new(Points + points) { Packed = Packed | (long)points << BitsOfOne * (int)part };

    public bool Has(TroublePart part) => PointsOf(part) > 0;

    public IReadOnlyList<(TroublePart Part, int Points)> List()
    {
        var list = new List<(TroublePart, int)>();
        foreach (var part in Told)
        {
            if (Has(part))
                list.Add((part, PointsOf(part)));
        }

        return list;
    }

    /// <summary>The parts from the heaviest to the lightest as one number, equal where they are told in the same order.</summary>
    public long WorstFirst()
    {
        var order = 0L;
        for (var points = (1 << BitsOfOne) - 1; points > 0; points--)
        {
            foreach (var part in Told)
            {
                if (PointsOf(part) == points)
                    order = order << BitsOfOne | (long)part + 1;
            }
        }

        return order;
    }

    private int PointsOf(TroublePart part) => (int)(Packed >> BitsOfOne * (int)part) & (1 << BitsOfOne) - 1;
}
