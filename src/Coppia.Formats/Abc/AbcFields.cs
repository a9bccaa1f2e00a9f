using System.Globalization;
using System.Text.RegularExpressions;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Abc;

/// <summary>The values of ABC information fields (ABC standard 2.1, section 3).</summary>
internal static partial class AbcFields
{
    /// <summary>M: a fraction, C, C| or none. Null with no error is free meter.</summary>
    public static (TimeSignature? Time, string? Expected) Meter(string value)
    {
        var expected = Say("abc.fields.a-meter");
        switch (value)
        {
            case "C" or "c":
                return (TimeSignature.CommonTime, null);
            case "C|" or "c|":
                return (TimeSignature.CutTime, null);
            case "none" or "":
                return (null, null);
        }

        var match = FractionPattern().Match(value);
        if (!match.Success)
            return (null, expected);
        var time = TimeSignature.Of(
            match.Groups[1].Value,
            int.Parse(match.Groups[2].Value, CultureInfo.InvariantCulture)
        );
        return time is null ? (null, expected) : (time, null);
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

    /// <summary>
    /// The unit length that goes with a meter where there is no L: (ABC standard 2.1, section 3.1.7).
    /// </summary>
    public static Fraction DefaultUnit(TimeSignature? time) =>
        time is { } t && t.BarLength < new Fraction(3, 4) ? new(1, 16) : new(1, 8);

    /// <summary>
    /// Q: beats a minute with an optional beat value and an optional quoted tempo word (ABC standard 2.1, section
    /// 3.1.8). All null where it holds neither, or beats that are no tempo.
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

    [GeneratedRegex(@"^\(?([0-9]{1,2}(?:\+[0-9]{1,2})*)\)?/([0-9]{1,2})$")]
    private static partial Regex FractionPattern();

    [GeneratedRegex(@"^([0-9]{1,2})(?:/([0-9]{1,2}))?$")]
    private static partial Regex UnitPattern();

    [GeneratedRegex("\"([^\"]*)\"")]
    private static partial Regex QuotedPattern();

    [GeneratedRegex(@"^\s*(?:([1-9][0-9]?)/([1-9][0-9]?)\s*=\s*)?([1-9][0-9]{0,2})\s*$")]
    private static partial Regex TempoPattern();
}
