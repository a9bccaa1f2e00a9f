using Coppia.Core.Knowledge;

namespace Coppia.Core.Wording;

/// <summary>Words whose syllables have the rhythm of one beat. The set is ours; a teacher may put other words in its place.</summary>
public static class WordRhythms
{
    /// <summary>Patterns of a beat as parts of it, and the word that is shipped for each.</summary>
    public static readonly IReadOnlyList<(string Pattern, string Word)> Shipped =
    [
        ("1", "boat"),
        ("1/2 1/2", "lan-tern"),
        ("1/4 1/4 1/4 1/4", "cat-er-pil-lar"),
        ("1/2 1/4 1/4", "fox-trot-ting"),
        ("1/4 1/4 1/2", "but-ter-cup"),
        ("3/4 1/4", "moun-tain"),
        ("1/4 3/4", "be-low"),
        ("1/4 1/2 1/4", "po-ta-to"),
        ("1/3 1/3 1/3", "pep-per-mint"),
        ("2/3 1/3", "sail-or"),
        ("1/3 2/3", "a-head"),
    ];

    /// <summary>The syllables of a pattern in a house style; null for a pattern without a word.</summary>
    public static string[]? Syllables(string pattern, HouseStyle style)
    {
        var word = style.WordRhythms.GetValueOrDefault(pattern) ?? Shipped.FirstOrDefault(s => s.Pattern == pattern).Word;
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
            : $"“{word}” needs {wanted} {(wanted == 1 ? "syllable" : "syllables")} parted by hyphens, for the rhythm {pattern}.";
    }
}
