using System.Xml.Linq;
using Coppia.Core.Music;

namespace Coppia.Formats.MusicXml;

/// <summary>How far a part sounds from where it is written (MusicXML 4.0, transpose).</summary>
/// <param name="Steps">Lines and spaces, upwards.</param>
/// <param name="Semitones">Half steps, upwards.</param>
internal readonly record struct Transposition(int Steps, int Semitones)
{
    /// <summary>
    /// Lines and spaces of 0 to 11 half steps, where a source does not tell (common practice: the usual spelling).
    /// </summary>
    private static readonly int[] UsualSteps = [0, 1, 1, 2, 2, 3, 3, 4, 5, 5, 6, 6];

    /// <summary>Whole octaves only: string parts such as the double bass's are read where they are written.</summary>
    public bool IsOctaves => Semitones % 12 == 0 && Steps % 7 == 0;

    public static Transposition Of(XElement transpose)
    {
        var semitones = Math.Clamp(MusicXmlReader.Int(transpose.Element("chromatic")) ?? 0, -36, 36);
        var usual = Math.Sign(semitones) * (Math.Abs(semitones) / 12 * 7 + UsualSteps[Math.Abs(semitones) % 12]);
        var steps = Math.Clamp(MusicXmlReader.Int(transpose.Element("diatonic")) ?? usual, -21, 21);
        var octaves =
            semitones % 12 == 0 ? 0 : Math.Clamp(MusicXmlReader.Int(transpose.Element("octave-change")) ?? 0, -3, 3);
        return new Transposition(steps + 7 * octaves, semitones + 12 * octaves);
    }

    /// <summary>
    /// The signature in which the part sounds; a fifth is seven half steps over four lines and spaces.
    /// </summary>
    public int Fifths(int written)
    {
        var sounding = IsOctaves ? written : written + 7 * Semitones - 12 * Steps;
        return sounding > 7 ? sounding - 12
            : sounding < -7 ? sounding + 12
            : sounding;
    }

    /// <summary>A written pitch where it sounds.</summary>
    public Pitch Sounding(Pitch written) => IsOctaves ? written : new Interval(Steps, Semitones).From(written);
}
