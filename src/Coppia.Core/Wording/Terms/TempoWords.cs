namespace Coppia.Core.Wording.Terms;

/// <summary>Words that tell how fast, as printed at the head of a tune.</summary>
public static class TempoWords
{
    /// <summary>
    /// The first letters of usual tempo words (common practice); the rest of the word may vary: allegro, allegretto.
    /// </summary>
    private static readonly string[] Stems =
    [
        "adag",
        "alleg",
        "anda",
        "anim",
        "brisk",
        "comodo",
        "con moto",
        "fast",
        "gently",
        "grave",
        "langsam",
        "larg",
        "lebhaft",
        "lent",
        "lively",
        "maestoso",
        "march",
        "mässig",
        "mäßig",
        "moder",
        "prest",
        "quick",
        "ruhig",
        "schnell",
        "slow",
        "steady",
        "steadily",
        "swing",
        "tempo",
        "tranq",
        "vif",
        "viva",
        "vivo",
        "waltz",
        "with spirit",
    ];

    /// <summary>
    /// True where one of the words is a tempo word: "Allegro ma non troppo", "not too fast"; false for "pizz." or a
    /// part's name.
    /// </summary>
    public static bool Are(string words) =>
        Stems.Any(stem => (" " + words).Contains(" " + stem, StringComparison.OrdinalIgnoreCase));
}
