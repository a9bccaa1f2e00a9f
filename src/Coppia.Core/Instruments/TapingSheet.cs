namespace Coppia.Core.Instruments;

/// <summary>One line of a taping sheet.</summary>
/// <param name="Millimetres">Distance from the nut, to 0.5 mm.</param>
public sealed record TapeDistance(Tape Tape, double Millimetres);

/// <summary>Where to stick tapes on a fingerboard, in millimetres from the nut (craft 4).</summary>
public static class TapingSheet
{
    /// <summary>Shortest and longest string that is measured, in millimetres.</summary>
    public const int ShortestString = 150;
    public const int LongestString = 1300;

    /// <exception cref="ArgumentOutOfRangeException">The string length is not between 150 and 1300 mm.</exception>
    public static IReadOnlyList<TapeDistance> Of(IEnumerable<Tape> tapes, double stringLengthMm)
    {
        if (stringLengthMm is not (>= ShortestString and <= LongestString))
            throw new ArgumentOutOfRangeException(nameof(stringLengthMm), stringLengthMm, null);
        return
        [
            .. tapes
                .OrderBy(t => t.Semitones)
                .Select(t => new TapeDistance(t, Math.Round(Tapes.Distance(stringLengthMm, t.Semitones) * 2) / 2)),
        ];
    }
}
