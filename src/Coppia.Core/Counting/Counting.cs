using System.Globalization;

namespace Coppia.Core;

public enum CountKind { Struck, Held, Rest }

/// <summary>One counting syllable and where it stands.</summary>
/// <param name="EventId">The printed note or rest it belongs to.</param>
/// <param name="Offset">How far into that note or rest, in whole notes.</param>
/// <param name="Text">What is said: "1", "&amp;", "e", "a".</param>
/// <param name="Kind">Said with a new note, while a note is held, or in a rest (printed in brackets).</param>
public sealed record CountMark(string EventId, Fraction Offset, string Text, CountKind Kind);

/// <summary>Beat numbers: 1 &amp; 2 &amp;, 1 e &amp; a, triplets 1 &amp; a (handbook 9). Compound time is counted in its written eighths.</summary>
public static class Counting
{
    /// <summary>The counting row of a score: every new note, every beat that is held, every beat of rest.</summary>
    public static IReadOnlyList<CountMark> Of(Score score)
    {
        var marks = new List<CountMark>();
        var tied = false;
        foreach (var bar in score.Bars)
        {
            var beat = bar.Time?.Beat ?? Fraction.Quarter;
            foreach (var e in bar.Events)
            {
                var at = bar.StartsAt + e.Onset;
                var kind = e.IsRest ? CountKind.Rest : tied ? CountKind.Held : CountKind.Struck;
                var first = Syllable(at, beat);
                if (first.Length > 0) marks.Add(new CountMark(e.Id, Fraction.Zero, first, kind));
                for (var n = at.WholeTimes(beat) + 1; new Fraction(n, 1) * beat < at + e.Length; n++)
                    marks.Add(new CountMark(e.Id, new Fraction(n, 1) * beat - at, Number(n), e.IsRest ? CountKind.Rest : CountKind.Held));
                tied = e.TiedOn;
            }
        }

        return marks;
    }

    /// <summary>The syllable of a moment in a bar; empty where numbers have no syllable (finer than a sixteenth or a triplet).</summary>
    /// <param name="at">Whole notes from the barline.</param>
    /// <param name="beat">Length of one counted beat.</param>
    public static string Syllable(Fraction at, Fraction beat)
    {
        var whole = at.WholeTimes(beat);
        var within = at / beat - new Fraction(whole, 1);
        return (within.Numerator, within.Denominator) switch
        {
            (0, _) => Number(whole),
            (1, 4) => "e",
            (1, 2) or (1, 3) => "&",
            (3, 4) or (2, 3) => "a",
            _ => "",
        };
    }

    private static string Number(long beatsBefore) => (beatsBefore + 1).ToString(CultureInfo.InvariantCulture);
}
