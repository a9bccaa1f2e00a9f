using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Wording;

/// <summary>How names and pairs are printed in a house style (handbook 17).</summary>
public static class Labels
{
    private static readonly string[] FixedDo = ["do", "re", "mi", "fa", "sol", "la", "si"];

    /// <summary>The pair as the row prints it: <c>A0</c>, <c>D-L2</c>, <c>D-x1</c>.</summary>
    public static string Pair(Placement at, Instrument instrument, HouseStyle style)
    {
        var sign = FingerSign(at, style);
        var name = instrument.StringName(at.String);
        return sign.Length == 1 ? name + sign
            : sign.Contains(' ', StringComparison.Ordinal) ? $"{name} {sign}"
            : $"{name}-{sign}";
    }

    /// <summary>Finger with its place sign, without the string: <c>L2</c>, <c>x4</c>, <c>3</c>.</summary>
    public static string FingerSign(Placement at, HouseStyle style) =>
        at.Word switch
        {
            PlaceWord.Low => style.LowHigh switch
            {
                LowHighLabel.Letters => $"L{at.Finger}",
                LowHighLabel.Arrows => $"↓{at.Finger}",
                _ => $"low {at.Finger}",
            },
            PlaceWord.High => style.LowHigh switch
            {
                LowHighLabel.Letters => $"H{at.Finger}",
                LowHighLabel.Arrows => $"↑{at.Finger}",
                _ => $"high {at.Finger}",
            },
            PlaceWord.Back => style.CelloBack == CelloBackLabel.X1 ? $"x{at.Finger}" : $"L{at.Finger}",
            PlaceWord.Forward when at.Reach => style.ExtendedFourth switch
            {
                ExtendedFourthLabel.X4 => $"x{at.Finger}",
                ExtendedFourthLabel.FourPlus => $"{at.Finger}+",
                _ => $"reach {at.Finger}",
            },
            PlaceWord.Forward => $"x{at.Finger}",
            _ => at.Finger.ToString(System.Globalization.CultureInfo.InvariantCulture),
        };

    /// <summary>Letter with its accidental in the school's language: F♯, Fis is not used; German prints B natural as H and B flat as B.</summary>
    public static string Note(Pitch pitch, HouseStyle style) =>
        style.NoteNames switch
        {
            NoteNames.German when pitch.Letter == Letter.B => pitch.Alter switch
            {
                0 => "H",
                -1 => "B",
                _ => "H" + pitch.AccidentalSign,
            },
            NoteNames.FixedDo => FixedDo[(int)pitch.Letter] + pitch.AccidentalSign,
            _ => pitch.Name,
        };

    /// <summary>"D major"; German prints B minor as "H minor", fixed do D major as "re major".</summary>
    public static string Key(KeySignature key, HouseStyle style) =>
        $"{Note(key.TonicInOctave(4), style)} {key.Mode.ToString().ToLowerInvariant()}";

    /// <summary>A key that was kept by its English name, such as "B♭ major", in the style's names.</summary>
    public static string KeyNamed(string english, HouseStyle style)
    {
        var words = english.Split(' ', 2);
        if (words[0].Length == 0 || !Enum.TryParse<Letter>(words[0][..1], out var letter))
            return english;
        return $"{Note(new Pitch(letter, words[0].EndsWith('♯') ? 1 : words[0].EndsWith('♭') ? -1 : 0, 4), style)} {words[^1]}";
    }

    /// <summary>"A minor, harmonic".</summary>
    public static string Scale(ScaleKey key, HouseStyle style) =>
        Key(key.Signature, style)
        + key.Form switch
        {
            ScaleForm.NaturalMinor => ", natural",
            ScaleForm.HarmonicMinor => ", harmonic",
            ScaleForm.MelodicMinor => ", melodic (upwards)",
            _ => "",
        };

    /// <summary>"2 sharps: F and C", "no sharps or flats".</summary>
    public static string Signature(KeySignature key, HouseStyle style)
    {
        if (key.Fifths == 0)
            return "no sharps or flats";
        var count = Math.Abs(key.Fifths);
        // The letters as they are without the sign: in German B natural is H.
        var letters = key.ChangedLetters.Select(l => Note(new Pitch(l, 0, 4), style)).ToArray();
        return $"{count} {(key.Fifths > 0 ? "sharp" : "flat")}{(count == 1 ? "" : "s")}: {English.List(letters)}";
    }

    /// <summary>Note name with the number of its octave, where it must not be mistaken: F♯4, fa♯4.</summary>
    public static string NoteAndNumber(Pitch pitch, HouseStyle style) =>
        Note(pitch, style) + pitch.Octave.ToString(System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>Note name with its octave as the style says it. "high" is said only where the tune has the letter in more than one octave, "low" only where it has three.</summary>
    /// <param name="octavesOfLetter">Octaves in which the tune uses the letter, lowest first.</param>
    public static string NoteInOctave(Pitch pitch, IReadOnlyList<int> octavesOfLetter, HouseStyle style)
    {
        var name = Note(pitch, style);
        return style.OctaveNames switch
        {
            OctaveNames.Number => name + pitch.Octave,
            OctaveNames.HighLow when octavesOfLetter.Count > 1 && pitch.Octave == octavesOfLetter[^1] => "high " + name,
            OctaveNames.HighLow when octavesOfLetter.Count > 2 && pitch.Octave == octavesOfLetter[0] => "low " + name,
            _ => name,
        };
    }
}
