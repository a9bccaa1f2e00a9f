namespace Coppia.Data;

/// <summary>Folds titles for searching: lower case without accents, so that "ceilidh" finds "Céilidh".</summary>
internal static class SearchKey
{
    // A table of its own, because Coppia runs without the system's language data, where Unicode decomposition does nothing.
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

    public static string Of(string text) =>
        string.Concat(text.Trim().ToLowerInvariant().Where(c => c is < '\u0300' or > '\u036F').Select(c => Plain.GetValueOrDefault(c, c)));
}
