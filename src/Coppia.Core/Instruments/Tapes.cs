namespace Coppia.Core.Instruments;

/// <summary>
/// Where places lie on a real fingerboard, in millimetres and relative to a beginner's tapes (craft 2 and 4).
/// </summary>
public static class Tapes
{
    /// <summary>
    /// Distance of a place from the nut, in the unit of <paramref name="stringLength"/>: L · (1 − 2^(−n/12)), equal
    /// temperament (craft 2).
    /// </summary>
    /// <param name="stringLength">Vibrating length, above 0.</param>
    /// <param name="semitones">0 to 24.</param>
    public static double Distance(double stringLength, int semitones) =>
        stringLength * (1 - Math.Pow(2, -semitones / 12.0));
}
