using System.Globalization;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Terms;

/// <summary>How names and pairs are printed in a house style (craft 17).</summary>
public static class Labels
{
    private static readonly string[] FixedDo =
    [
        Say("terms.labels.do"),
        Say("terms.labels.re"),
        Say("terms.labels.mi"),
        Say("terms.labels.fa"),
        Say("terms.labels.sol"),
        Say("terms.labels.la"),
        Say("terms.labels.si"),
    ];

    /// <summary>The names by which instruments are asked for: "violin, viola, cello or bass".</summary>
    public static string Instruments => English.Either([.. StringSection.All.Select(i => i.Id)]);

    /// <summary>The pair as the row prints it: <c>A0</c>, <c>D-L2</c>, <c>D-x1</c>.</summary>
    public static string Pair(Pair pair, Player player)
    {
        var sign = FingerSign(pair, player.Style);
        var name = StringName(pair.String, player);
        if (sign.Length == 1)
            return name + sign;
        return sign.Contains(' ', StringComparison.Ordinal) ? $"{name} {sign}" : $"{name}-{sign}";
    }

    /// <summary>Finger with its place sign, without the string: <c>L2</c>, <c>x4</c>, <c>3</c>.</summary>
    public static string FingerSign(Pair pair, HouseStyle style)
    {
        var finger = pair.Finger.ToString(CultureInfo.InvariantCulture);
        return pair.Word switch
        {
            PlaceWord.Low => LowOrHigh("L", "↓", Say("terms.labels.low")),
            PlaceWord.High => LowOrHigh("H", "↑", Say("terms.labels.high")),
            PlaceWord.Back => (style.CelloBack == CelloBackLabel.X1 ? "x" : "L") + finger,
            PlaceWord.Forward when pair.Reach => style.ExtendedFourth switch
            {
                ExtendedFourthLabel.X4 => "x" + finger,
                ExtendedFourthLabel.FourPlus => finger + "+",
                _ => Say("terms.labels.finger-sign-reach", ("finger", finger)),
            },
            PlaceWord.Forward => "x" + finger,
            _ => finger,
        };

        string LowOrHigh(string letter, string arrow, string word) =>
            style.LowHigh switch
            {
                LowHighLabel.Letters => letter,
                LowHighLabel.Arrows => arrow,
                _ => word,
            } + finger;
    }

    /// <summary>The string by its note in the school's names: "A", "la".</summary>
    /// <param name="string">0 = lowest sounding string.</param>
    public static string StringName(int @string, Player player) =>
        Note(player.Instrument.Strings[@string], player.Style);

    /// <summary>The pair in words: "Open A", "Low 2 on D", "Extended 4 on E".</summary>
    public static string PlaceName(Pair pair, Player player)
    {
        var name = StringName(pair.String, player);
        if (pair.IsOpen)
            return Say("terms.labels.place-name-open", ("name", name));
        var word = pair.Word switch
        {
            PlaceWord.Low => Say("terms.labels.low-2"),
            PlaceWord.High => Say("terms.labels.high-2"),
            PlaceWord.Forward when pair.Reach => Say("terms.labels.extended"),
            PlaceWord.Back or PlaceWord.Forward => Say("terms.labels.stretched"),
            _ => "",
        };
        return Say("terms.labels.place-name-on", ("word", word), ("finger", pair.Finger), ("name", name));
    }

    /// <summary>
    /// Letter with its accidental in the school's language: F♯, Fis is not used; German prints B natural as H and B
    /// flat as B.
    /// </summary>
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
        return $"{Note(new Pitch(letter, words[0].EndsWith('♯') ? 1 : words[0].EndsWith('♭') ? -1 : 0, 4), style)} "
            + $"{words[^1]}";
    }

    /// <summary>"A minor, harmonic".</summary>
    public static string Scale(ScaleKey key, HouseStyle style) =>
        Key(key.Signature, style)
        + key.Form switch
        {
            ScaleForm.NaturalMinor => Say("terms.labels.natural"),
            ScaleForm.HarmonicMinor => Say("terms.labels.harmonic"),
            ScaleForm.MelodicMinor => Say("terms.labels.melodic-upwards"),
            _ => "",
        };

    /// <summary>The signature of C major and A minor.</summary>
    public static string NoSigns => Say("terms.labels.no-sharps-or-flats");

    /// <summary>"2 sharps: F and C", "no sharps or flats".</summary>
    public static string Signature(KeySignature key, HouseStyle style)
    {
        if (key.Fifths == 0)
            return NoSigns;
        var count = Math.Abs(key.Fifths);
        // The letters as they are without the sign: in German B natural is H.
        var letters = key.ChangedLetters.Select(l => Note(new Pitch(l, 0, 4), style)).ToArray();
        return Say(
            key.Fifths > 0 ? "terms.labels.sharps" : "terms.labels.flats",
            ("count", count),
            ("letters", English.List(letters))
        );
    }

    /// <summary>Note name with the number of its octave, where it must not be mistaken: F♯4, fa♯4.</summary>
    public static string NoteAndNumber(Pitch pitch, HouseStyle style) =>
        Note(pitch, style) + pitch.Octave.ToString(CultureInfo.InvariantCulture);

    /// <summary>
    /// Note name with its octave as the style says it. "high" is said only where the tune has the letter in more than
    /// one octave, "low" only where it has three.
    /// </summary>
    /// <param name="octavesOfLetter">Octaves in which the tune uses the letter, lowest first.</param>
    public static string NoteInOctave(Pitch pitch, IReadOnlyList<int> octavesOfLetter, HouseStyle style)
    {
        var name = Note(pitch, style);
        return style.OctaveNames switch
        {
            OctaveNames.Number => name + pitch.Octave,
            OctaveNames.HighLow when octavesOfLetter.Count > 1 && pitch.Octave == octavesOfLetter[^1] => Say(
                "terms.labels.note-in-octave-high",
                ("name", name)
            ),
            OctaveNames.HighLow when octavesOfLetter.Count > 2 && pitch.Octave == octavesOfLetter[0] => Say(
                "terms.labels.note-in-octave-low",
                ("name", name)
            ),
            _ => name,
        };
    }
}
