using Coppia.Core.Knowledge;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Terms;

/// <summary>
/// Words whose syllables have the rhythm of one beat. The set is ours; a teacher may put other words in its place.
/// </summary>
public static class WordRhythms
{
    /// <summary>
    /// Patterns of a beat as parts of it, the word that is shipped for each, and what the pattern is called.
    /// </summary>
    public static readonly IReadOnlyList<(string Pattern, string Word, string Name)> Shipped =
    [
        ("1", Say("terms.word-rhythms.boat"), Say("terms.word-rhythms.one-long")),
        ("1/2 1/2", Say("terms.word-rhythms.lan-tern"), Say("terms.word-rhythms.two-halves")),
        ("1/4 1/4 1/4 1/4", Say("terms.word-rhythms.cat-er-pil-lar"), Say("terms.word-rhythms.four-quick")),
        ("1/2 1/4 1/4", Say("terms.word-rhythms.fox-trot-ting"), Say("terms.word-rhythms.half-two-quick")),
        ("1/4 1/4 1/2", Say("terms.word-rhythms.but-ter-cup"), Say("terms.word-rhythms.two-quick-half")),
        ("3/4 1/4", Say("terms.word-rhythms.moun-tain"), Say("terms.word-rhythms.long-short")),
        ("1/4 3/4", Say("terms.word-rhythms.be-low"), Say("terms.word-rhythms.short-long")),
        ("1/4 1/2 1/4", Say("terms.word-rhythms.po-ta-to"), Say("terms.word-rhythms.short-half-short")),
        ("1/3 1/3 1/3", Say("terms.word-rhythms.pep-per-mint"), Say("terms.word-rhythms.three-even")),
        ("2/3 1/3", Say("terms.word-rhythms.sail-or"), Say("terms.word-rhythms.of-three-long-short")),
        ("1/3 2/3", Say("terms.word-rhythms.a-head"), Say("terms.word-rhythms.of-three-short-long")),
    ];

    /// <summary>The syllables of a pattern in a house style; null for a pattern without a word.</summary>
    public static string[]? Syllables(string pattern, HouseStyle style)
    {
        var word =
            style.WordRhythms.GetValueOrDefault(pattern) ?? Shipped.FirstOrDefault(s => s.Pattern == pattern).Word;
        return word?.Split('-') is { } parts && parts.Length == pattern.Split(' ').Length ? parts : null;
    }

    /// <summary>Null when a word fits its pattern, else what would be right.</summary>
    public static string? Wrong(string pattern, string word)
    {
        if (Shipped.All(s => s.Pattern != pattern))
        {
            var kept = string.Join(", ", Shipped.Select(s => s.Pattern));
            return Say("terms.word-rhythms.is-not-a-rhythm-that-words-are", ("pattern", pattern), ("kept", kept));
        }

        var wanted = pattern.Split(' ').Length;
        var parts = word.Split('-');
        return parts.Length == wanted && parts.All(p => p.Trim().Length is > 0 and <= 12)
            ? null
            : Say(
                "terms.word-rhythms.needs-parted-by-hyphens-for-the",
                ("word", word),
                ("wanted", wanted),
                ("pattern", pattern)
            );
    }
}
