using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Terms;

/// <summary>Lists and small numbers in words.</summary>
public static class English
{
    /// <summary>"D", "D and A", "G, D and A".</summary>
    public static string List(IReadOnlyList<string> items) =>
        items.Count < 2
            ? string.Concat(items)
            : Say("terms.list.and", ("items", AllButLast(items)), ("last", items[^1]));

    /// <summary>"D", "D or A", "G, D or A".</summary>
    public static string Either(IReadOnlyList<string> items) =>
        items.Count < 2
            ? string.Concat(items)
            : Say("terms.list.or", ("items", AllButLast(items)), ("last", items[^1]));

    private static string AllButLast(IReadOnlyList<string> items) => string.Join(", ", items.Take(items.Count - 1));

    /// <summary>
    /// Printed bar numbers, runs of three and more drawn together: "bar 4", "bars 1–4, 7 and 9", "the pick-up and bar
    /// 2".
    /// </summary>
    public static string Bars(IEnumerable<int> numbers)
    {
        int[] all = [.. numbers.Distinct().Order()];
        var figures = new List<string>();
        for (var i = all.Length > 0 && all[0] == 0 ? 1 : 0; i < all.Length; )
        {
            var last = i;
            while (last + 1 < all.Length && all[last + 1] == all[last] + 1)
                last++;
            if (last - i < 2)
                last = i;
            figures.Add(last == i ? Figure(all[i]) : $"{Figure(all[i])}–{Figure(all[last])}");
            i = last + 1;
        }

        var bars =
            figures.Count == 0 ? ""
            : figures is [{ } one] && !one.Contains('–', StringComparison.Ordinal)
                ? Say("terms.bars.one", ("figure", one))
            : Say("terms.bars.several", ("figures", List(figures)));
        return all.Length == 0 || all[0] != 0 ? bars
            : bars.Length == 0 ? Say("terms.bars.pick-up")
            : Say("terms.bars.pick-up-and", ("bars", bars));
    }

    /// <summary>The words with a capital.</summary>
    public static string Capital(string words) => char.ToUpperInvariant(words[0]) + words[1..];

    /// <summary>The words without a capital.</summary>
    public static string LowerFirst(string words) => char.ToLowerInvariant(words[0]) + words[1..];

    /// <summary>The words with a capital and a full stop.</summary>
    public static string Sentence(string words) => Capital(words) + ".";

    /// <summary>Several of a thing: "violins", "basses".</summary>
    public static string Plural(string word) => word + (word.EndsWith('s') ? "es" : "s");

    /// <summary>A number in figures.</summary>
    public static string Figure(int n) => n.ToString(System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>A number that is not whole as it is read in music: "2½", "¾", "3".</summary>
    public static string Mixed(Music.Fraction n)
    {
        var whole = n.Numerator / n.Denominator;
        var part = (n.Numerator % n.Denominator, n.Denominator) switch
        {
            (0, _) => "",
            (1, 2) => "½",
            (1, 4) => "¼",
            (3, 4) => "¾",
            (1, 3) => "⅓",
            (2, 3) => "⅔",
            var (above, below) => $" {above}/{below}",
        };
        return whole == 0 && part.Length > 0 ? part.Trim() : $"{whole}{part}";
    }

    /// <summary>One of a thing or several: "1 minute", "0 minutes".</summary>
    public static string Several(int n, string word) => $"{Figure(n)} {(n == 1 ? word : Plural(word))}";

    /// <summary>"no", "one" … "twelve", then figures.</summary>
    public static string Number(int n) => Say("terms.number", ("n", n));
}
