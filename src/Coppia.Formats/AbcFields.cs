using System.Globalization;
using System.Text.RegularExpressions;
using Coppia.Core.Music;

namespace Coppia.Formats;

/// <summary>The values of ABC information fields (ABC standard 2.1, section 3).</summary>
internal static partial class AbcFields
{
    private static readonly Dictionary<string, Mode> Modes = new(StringComparer.OrdinalIgnoreCase)
    {
        [""] = Mode.Major,
        ["maj"] = Mode.Major,
        ["ion"] = Mode.Major,
        ["m"] = Mode.Minor,
        ["min"] = Mode.Minor,
        ["aeo"] = Mode.Minor,
        ["dor"] = Mode.Dorian,
        ["phr"] = Mode.Phrygian,
        ["lyd"] = Mode.Lydian,
        ["mix"] = Mode.Mixolydian,
        ["loc"] = Mode.Locrian,
    };

    /// <summary>M: a fraction, C, C| or none. Null with no error is free meter.</summary>
    public static (TimeSignature? Time, string? Expected) Meter(string value)
    {
        const string expected = "a meter such as M:4/4, M:6/8, M:C, M:C| or M:none";
        switch (value)
        {
            case "C":
                return (TimeSignature.CommonTime, null);
            case "C|":
                return (TimeSignature.CutTime, null);
            case "none" or "":
                return (null, null);
        }

        var match = FractionPattern().Match(value);
        if (!match.Success)
            return (null, expected);
        var beats = match.Groups[1].Value.Split('+').Sum(int.Parse);
        var unit = int.Parse(match.Groups[2].Value, CultureInfo.InvariantCulture);
        return beats is >= 1 and <= 32 && unit is 1 or 2 or 4 or 8 or 16 or 32 ? (new TimeSignature(beats, unit), null) : (null, expected);
    }

    /// <summary>L: a fraction of a whole note.</summary>
    public static Fraction? UnitLength(string value)
    {
        var match = UnitPattern().Match(value);
        if (!match.Success)
            return null;
        var below = match.Groups[2].Success ? int.Parse(match.Groups[2].Value, CultureInfo.InvariantCulture) : 1;
        return below is >= 1 and <= 64 && int.IsPow2(below)
            ? new Fraction(int.Parse(match.Groups[1].Value, CultureInfo.InvariantCulture), below)
            : null;
    }

    /// <summary>The unit length that goes with a meter where there is no L: (ABC standard 2.1, section 3.1.7).</summary>
    public static Fraction DefaultUnit(TimeSignature? time) => time is { } t && t.BarLength < new Fraction(3, 4) ? new(1, 16) : new(1, 8);

    /// <summary>
    /// Q: beats a minute with an optional beat value and an optional quoted tempo word (ABC standard 2.1, section 3.1.8). All null where it
    /// holds neither, or beats that are no tempo.
    /// </summary>
    public static ((Fraction Beat, int PerMinute)? Tempo, string? Words) Tempo(string value)
    {
        var words = QuotedPattern().Match(value);
        var match = TempoPattern().Match(QuotedPattern().Replace(value, " "));
        var said = words.Success ? words.Groups[1].Value : null;
        if (!match.Success)
            return (null, said);
        int Number(int group) => int.Parse(match.Groups[group].Value, CultureInfo.InvariantCulture);
        var beat = match.Groups[1].Success ? new Fraction(Number(1), Number(2)) : Fraction.Quarter;
        return ((beat, Number(3)), said);
    }

    /// <summary>K: tonic, mode and clef. Parts that Coppia does not use come back as a notice.</summary>
    public static (KeySignature? Key, Clef? Clef, string? Wrong, string? LeftOut) Key(string value)
    {
        var words = value.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        KeySignature? key = null;
        Clef? clef = null;
        string? leftOut = null;
        for (var i = 0; i < words.Length; i++)
        {
            var word = words[i];
            if (i == 0 && word is "none" or "Hp" or "HP")
            {
                key = new KeySignature(word == "none" ? 0 : 2);
                continue;
            }

            if (i == 0 && KeyPattern().Match(word) is { Success: true } match)
            {
                var mode = match.Groups[3].Value;
                if (mode.Length == 0 && i + 1 < words.Length && Modes.ContainsKey(Short(words[i + 1])))
                    mode = words[++i];
                if (!Modes.TryGetValue(Short(mode), out var known))
                    return (null, null, $"“{mode}” is not a mode", null);
                key = Signature(match.Groups[1].Value[0], match.Groups[2].Value, known);
                if (key is null)
                    return (null, null, $"“{word}” would need more than seven sharps or flats", null);
                continue;
            }

            var name = word.StartsWith("clef=", StringComparison.OrdinalIgnoreCase) ? word[5..] : word;
            if (Clef.Named(name.Trim('"')) is { } found)
                clef = found;
            else if (word.StartsWith("clef=", StringComparison.OrdinalIgnoreCase))
                return (null, null, $"“{name}” is not a clef that Coppia reads", null);
            else if (i == 0)
                return (null, null, $"“{word}” is not a key", null);
            else
                leftOut = word;
        }

        return (key, clef, null, leftOut);
    }

    /// <summary>Text of a T: or C: line with ABC's escaped percent sign undone.</summary>
    public static string Text(string value) => value.Replace("\\%", "%", StringComparison.Ordinal).Trim();

    private static string Short(string mode) => mode.Length > 3 ? mode[..3] : mode;

    private static KeySignature? Signature(char tonic, string accidental, Mode mode)
    {
        var alter = accidental switch
        {
            "#" => 1,
            "b" => -1,
            _ => 0,
        };
        var letter = Enum.Parse<Letter>(tonic.ToString());
        for (var fifths = -7; fifths <= 7; fifths++)
        {
            var key = new KeySignature(fifths, mode);
            var found = key.TonicInOctave(4);
            if (found.Letter == letter && found.Alter == alter)
                return key;
        }

        return null;
    }

    [GeneratedRegex(@"^\(?([0-9]{1,2}(?:\+[0-9]{1,2})*)\)?/([0-9]{1,2})$")]
    private static partial Regex FractionPattern();

    [GeneratedRegex(@"^([0-9]{1,2})(?:/([0-9]{1,2}))?$")]
    private static partial Regex UnitPattern();

    [GeneratedRegex("\"([^\"]*)\"")]
    private static partial Regex QuotedPattern();

    [GeneratedRegex(@"^\s*(?:([1-9][0-9]?)/([1-9][0-9]?)\s*=\s*)?([1-9][0-9]{0,2})\s*$")]
    private static partial Regex TempoPattern();

    [GeneratedRegex("^([A-G])([#b]?)([A-Za-z]*)$")]
    private static partial Regex KeyPattern();
}
