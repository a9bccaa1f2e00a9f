using Coppia.Core.Knowledge;

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
        ("1", "boat", "one long"),
        ("1/2 1/2", "lan-tern", "two halves"),
        ("1/4 1/4 1/4 1/4", "cat-er-pil-lar", "four quick"),
        ("1/2 1/4 1/4", "fox-trot-ting", "half, two quick"),
        ("1/4 1/4 1/2", "but-ter-cup", "two quick, half"),
        ("3/4 1/4", "moun-tain", "long, short"),
        ("1/4 3/4", "be-low", "short, long"),
        ("1/4 1/2 1/4", "po-ta-to", "short, half, short"),
        ("1/3 1/3 1/3", "pep-per-mint", "three even"),
        ("2/3 1/3", "sail-or", "of three: long, short"),
        ("1/3 2/3", "a-head", "of three: short, long"),
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
            return $"“{pattern}” is not a rhythm that words are kept for; expected one of {kept}.";
        }

        var wanted = pattern.Split(' ').Length;
        var parts = word.Split('-');
        return parts.Length == wanted && parts.All(p => p.Trim().Length is > 0 and <= 12)
            ? null
            : $"“{word}” needs {wanted} {(wanted == 1 ? "syllable" : "syllables")} parted by hyphens, "
                + $"for the rhythm {pattern}.";
    }
}
