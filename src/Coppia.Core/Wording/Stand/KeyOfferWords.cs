using Coppia.Core.Lesson;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>What is said of a key that a mixed class may play a tune in.</summary>
public static class KeyOfferWords
{
    /// <summary>"as printed", "a third higher", "a half step lower".</summary>
    public static string Moved(Interval interval)
    {
        if (interval.Semitones == 0)
            return Say("stand.key-offer.as-printed");
        var far = (Math.Abs(interval.Semitones), Math.Abs(interval.Steps)) switch
        {
            (1, _) => Say("stand.key-offer.a-half-step"),
            (2, _) => Say("stand.key-offer.a-whole-step"),
            (_, 2) => Say("stand.key-offer.a-third"),
            (_, 3) => Say("stand.key-offer.a-fourth"),
            (_, 4) => Say("stand.key-offer.a-fifth"),
            var (_, steps) => Say("stand.key-offer.moved-steps", ("steps", steps)),
        };
        return $"{far} {(interval.Semitones < 0 ? Say("stand.key-offer.lower") : Say("stand.key-offer.higher"))}";
    }

    /// <summary>"3 notes out of reach", "nothing new", "two new things", "4 notes beyond the class".</summary>
    public static string Fits(KeyOffer offer) =>
        offer switch
        {
            { OutOfReach: > 0 } => Say("stand.key-offer.out-of-reach", ("notes", OctaveWords.Notes(offer.OutOfReach))),
            { New.Count: > 0 } => NewsWords.Count(offer.New.Count),
            { Beyond: > 0 } => Say("stand.key-offer.beyond-the-class", ("notes", OctaveWords.Notes(offer.Beyond))),
            _ => Say("stand.key-offer.every-note-in-reach-nothing-new"),
        };
}
