using System.Globalization;
using Coppia.Core.Counting;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Terms;

/// <summary>What is said at a counted moment, in the school's system (craft 9).</summary>
public static class CountWords
{
    /// <summary>"1", "&amp;", "ti", "lan"; empty where nothing is said.</summary>
    public static string Syllable(CountMark mark, HouseStyle style) =>
        Word(mark.Rhythm, style) ?? Syllable(mark, style.Counting);

    /// <summary>The syllable of a rhythm that has a word.</summary>
    private static string? Word(BeatRhythm? rhythm, HouseStyle style) =>
        rhythm is { } r && WordRhythms.Syllables(r.Pattern, style) is { } syllables ? syllables[r.Part] : null;

    private static string Syllable(CountMark mark, CountingSystem system)
    {
        var onBeat = mark.Within.IsZero;
        return system switch
        {
            CountingSystem.Numbers => onBeat ? Number(mark.Beat) : Between(mark, "e", "&", "a", "&", "a", "e"),
            CountingSystem.Te => onBeat
                ? Number(mark.Beat)
                : Between(
                    mark,
                    Say("terms.count.ta"),
                    Say("terms.count.te"),
                    Say("terms.count.ta"),
                    Say("terms.count.la"),
                    Say("terms.count.li"),
                    Say("terms.count.ta")
                ),
            _ when mark.Kind == CountKind.Rest => onBeat || mark.Length < Fraction.Quarter ? Say("terms.count.sh") : "",
            _ when mark.Kind == CountKind.Struck => Ta(mark),
            CountingSystem.Ta => onBeat ? "a" : "",
            _ => onBeat ? "–" : "",
        };
    }

    /// <summary>
    /// Syllables inside a beat: its quarters and the half between, or its thirds; in a dotted beat the sixteenths
    /// between the thirds besides. Finer moments have none.
    /// </summary>
    private static string Between(
        CountMark mark,
        string first,
        string half,
        string last,
        string third,
        string twoThirds,
        string betweenThirds
    ) =>
        (mark.Within.Numerator, mark.Within.Denominator) switch
        {
            (1, 2) when mark.BeatIsDotted => betweenThirds,
            (1, 6) or (5, 6) => betweenThirds,
            (1, 4) => first,
            (1, 2) => half,
            (3, 4) => last,
            (1, 3) => third,
            (2, 3) => twoThirds,
            _ => "",
        };

    /// <summary>
    /// A value has its syllable in every meter: quarters and longer ta, eighths ti, dotted eighths tim, sixteenths ti
    /// and ka by turns; the thirds of a triplet are tri-o-la.
    /// </summary>
    private static string Ta(CountMark mark)
    {
        if (mark.Third is { } third)
        {
            return third switch
            {
                0 => Say("terms.count.tri"),
                1 => "o",
                _ => Say("terms.count.la"),
            };
        }

        var eighth = new Fraction(1, 8);
        return mark.Length >= Fraction.Quarter ? Say("terms.count.ta")
            : mark.Length > eighth ? Say("terms.count.tim")
            : mark.Length < eighth && !mark.OnEighth ? Say("terms.count.ka")
            : Say("terms.count.ti");
    }

    private static string Number(long beatsBefore) => (beatsBefore + 1).ToString(CultureInfo.InvariantCulture);
}
