namespace Coppia.Core.Reading;

/// <summary>
/// What makes a step hard, with its points, in a few bytes: it is worked out for every step of a tune, and told of few.
/// </summary>
internal readonly record struct TroubleParts
{
    private const int BitsOfOne = 4;

    /// <summary>Halves of a point in the figures of one part.</summary>
    private const double Halves = 2;

    /// <summary>
    /// Eighths of a point in half a point, and in half a point of a quick note: times one and a half.
    /// </summary>
    private const int Plain = 4;
    private const int Quick = 6;

    /// <summary>The order in which parts are told: strings, hand, fingers, then the rest.</summary>
    private static readonly TroublePart[] Told =
    [
        TroublePart.Crossing,
        TroublePart.SkippedString,
        TroublePart.SlurOverCrossing,
        TroublePart.Shift,
        TroublePart.Slide,
        TroublePart.FingerMoves,
        TroublePart.FingerHops,
        TroublePart.FingersPut,
        TroublePart.FingersLifted,
        TroublePart.TwoHeights,
        TroublePart.Stretch,
        TroublePart.Skip,
        TroublePart.Leap,
        TroublePart.OddRhythm,
        TroublePart.Beyond,
        TroublePart.New,
    ];

    /// <summary>Half points of each part, four bits each.</summary>
    private ulong Packed { get; init; }

    /// <summary>All half points, quickness left out.</summary>
    private int Sum { get; init; }

    /// <summary>The note before is shorter than the beat, so that there is less time.</summary>
    public bool IsQuick { get; init; }

    /// <summary>All points together, in eighths of one; a step that comes again counts half.</summary>
    public int Eighths => Sum * (IsQuick ? Quick : Plain);

    /// <summary>The same without what only a class's record tells.</summary>
    public int OfHands => (Sum - HalvesOf(TroublePart.Beyond) - HalvesOf(TroublePart.New)) * (IsQuick ? Quick : Plain);

    /// <summary>Half points of what has to be placed, and not only lifted or crossed: what is missed first.</summary>
    public int Placing { get; private init; }

    /// <param name="halves">0 to 15 half points; a part is added once.</param>
    public TroubleParts And(TroublePart part, int halves) =>
        halves == 0
            ? this
            : this with
            {
                Packed = Packed | (ulong)halves << BitsOfOne * (int)part,
                Sum = Sum + halves,
                Placing = Placing + (IsPlaced(part) ? halves : 0),
            };

    private static bool IsPlaced(TroublePart part) =>
        part
            is TroublePart.FingersPut
                or TroublePart.FingerHops
                or TroublePart.FingerMoves
                or TroublePart.TwoHeights
                or TroublePart.Stretch
                or TroublePart.Shift
                or TroublePart.Slide;

    public IReadOnlyList<(TroublePart Part, double Points)> List()
    {
        var list = new List<(TroublePart, double)>();
        foreach (var part in Told)
        {
            if (HalvesOf(part) is var halves and > 0)
                list.Add((part, halves / Halves));
        }

        return list;
    }

    private int HalvesOf(TroublePart part) => (int)(Packed >> BitsOfOne * (int)part) & (1 << BitsOfOne) - 1;
}
