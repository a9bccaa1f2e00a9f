namespace Coppia.Data.Store;

/// <summary>Folds titles for searching: lower case without accents, so that "ceilidh" finds "Céilidh".</summary>
internal static class SearchKey
{
    // A table of its own, because Coppia runs without the system's language data, where Unicode decomposition does
    // nothing.
    private static readonly (char Plain, string Accented)[] Letters =
    [
        ('a', "àáâãäåāăą"),
        ('c', "çćĉċč"),
        ('d', "ďđð"),
        ('e', "èéêëēĕėęě"),
        ('g', "ĝğġģ"),
        ('h', "ĥħ"),
        ('i', "ìíîïĩīĭįı"),
        ('k', "ķ"),
        ('l', "ĺļľŀł"),
        ('n', "ñńņňŉ"),
        ('o', "òóôõöøōŏő"),
        ('r', "ŕŗř"),
        ('s', "śŝşšș"),
        ('t', "ţťŧț"),
        ('u', "ùúûüũūŭůűų"),
        ('w', "ŵẁẃẅ"),
        ('y', "ýÿŷỳ"),
        ('z', "źżž"),
    ];

    private static readonly Dictionary<char, char> Plain = Letters
        .SelectMany(l => l.Accented.Select(a => (a, l.Plain)))
        .ToDictionary(p => p.a, p => p.Plain);

    /// <summary>
    /// What is searched for as SQLite FTS5 reads it: every word the beginning of one. Empty where there are no words.
    /// </summary>
    public static string Words(string text) =>
        string.Join(
            ' ',
            string.Concat(Of(text).Select(c => char.IsLetterOrDigit(c) || char.IsSurrogate(c) ? c : ' '))
                .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Take(MostWords)
                .Select(w => $"\"{w}\"*")
        );

    private const int MostWords = 12;

    public static string Of(string text) =>
        string.Concat(
            text.Trim()
                .ToLowerInvariant()
                .Where(c => c is < '\u0300' or > '\u036F')
                .Select(c => Plain.GetValueOrDefault(c, c))
        );
}
