using System.Globalization;
using Coppia.Core.Counting;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Wording;

/// <summary>What is said at a counted moment, in the school's system (craft 9).</summary>
public static class CountWords
{
    /// <summary>"1", "&amp;", "ti", "lan"; empty where nothing is said.</summary>
    public static string Said(CountMark mark, HouseStyle style) => Word(mark.Rhythm, style) ?? Syllable(mark, style.Counting);

    /// <summary>The syllable of a rhythm that has a word.</summary>
    private static string? Word(BeatRhythm? rhythm, HouseStyle style) =>
        rhythm is { } r && WordRhythms.Syllables(r.Pattern, style) is { } syllables ? syllables[r.Part] : null;

    private static string Syllable(CountMark mark, CountingSystem system)
    {
        var onBeat = mark.Within.IsZero;
        return system switch
        {
            CountingSystem.Numbers => onBeat ? Number(mark.Beat) : Between(mark.Within, "e", "&", "a", "&", "a"),
            CountingSystem.Te => onBeat ? Number(mark.Beat) : Between(mark.Within, "ta", "te", "ta", "la", "li"),
            _ when mark.Kind == CountKind.Rest => onBeat || mark.Beats < Fraction.Whole ? "sh" : "",
            _ when mark.Kind == CountKind.Struck => Ta(mark.Beats, mark.Within),
            CountingSystem.Ta => onBeat ? "a" : "",
            _ => onBeat ? "–" : "",
        };
    }

    /// <summary>Syllables inside a beat: its sixteenths and the halves between, or its thirds. Finer moments have none.</summary>
    private static string Between(Fraction within, string first, string half, string last, string third, string twoThirds) =>
        (within.Numerator, within.Denominator) switch
        {
            (1, 4) => first,
            (1, 2) => half,
            (3, 4) => last,
            (1, 3) => third,
            (2, 3) => twoThirds,
            _ => "",
        };

    /// <summary>ta, ti-ti, tika-tika; thirds of a beat are tri-o-la.</summary>
    private static string Ta(Fraction length, Fraction within)
    {
        if (within.Denominator == 3 || length.Denominator == 3)
        {
            return within.Numerator switch
            {
                0 => "tri",
                1 => "o",
                _ => "la",
            };
        }

        if (length >= Fraction.Whole)
            return "ta";
        var half = new Fraction(1, 2);
        if (length == half)
            return "ti";
        if (length > half)
            return "tim";
        return within.Denominator >= 4 ? "ka" : "ti";
    }

    private static string Number(long beatsBefore) => (beatsBefore + 1).ToString(CultureInfo.InvariantCulture);
}
