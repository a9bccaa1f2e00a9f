using Coppia.Core.Lesson;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Stand;

/// <summary>What is said of a key that a mixed class may play a tune in.</summary>
public static class KeyOfferWords
{
    /// <summary>"as printed", "a third higher", "a half step lower".</summary>
    public static string Moved(Interval interval)
    {
        if (interval.Semitones == 0)
            return "as printed";
        var far = (Math.Abs(interval.Semitones), Math.Abs(interval.Steps)) switch
        {
            (1, _) => "a half step",
            (2, _) => "a whole step",
            (_, 2) => "a third",
            (_, 3) => "a fourth",
            (_, 4) => "a fifth",
            var (_, steps) => $"{English.Number(steps)} steps",
        };
        return $"{far} {(interval.Semitones < 0 ? "lower" : "higher")}";
    }

    /// <summary>"3 notes out of reach", "nothing new", "two new things", "4 notes beyond the class".</summary>
    public static string Fits(KeyOffer offer) =>
        offer switch
        {
            { OutOfReach: > 0 } => $"{OctaveWords.Notes(offer.OutOfReach)} out of reach",
            { New.Count: > 0 } => NewsWords.Count(offer.New.Count),
            { Beyond: > 0 } => $"{OctaveWords.Notes(offer.Beyond)} beyond the class",
            _ => "every note in reach, nothing new",
        };
}
