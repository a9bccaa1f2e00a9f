using System.Globalization;
using System.Net;
using System.Text.RegularExpressions;
using Coppia.Formats.Source;

namespace Coppia.Formats.Abc;

/// <summary>
/// Text of ABC fields: letters with accents are spelled with a backslash or as HTML names (ABC standard 2.1, section
/// 8.2).
/// </summary>
internal static partial class AbcText
{
    /// <summary>The letters that an accent may stand on, and what they are with it.</summary>
    private static readonly Dictionary<char, (string Plain, string Accented)> Accents = new()
    {
        ['`'] = ("aeiouAEIOU", "àèìòùÀÈÌÒÙ"),
        ['\''] = ("aceilnorsuyzACEILNORSUYZ", "áćéíĺńóŕśúýźÁĆÉÍĹŃÓŔŚÚÝŹ"),
        ['^'] = ("aceghijosuwyACEGHIJOSUWY", "âĉêĝĥîĵôŝûŵŷÂĈÊĜĤÎĴÔŜÛŴŶ"),
        ['~'] = ("ainouAINOU", "ãĩñõũÃĨÑÕŨ"),
        ['='] = ("aeiouAEIOU", "āēīōūĀĒĪŌŪ"),
        ['u'] = ("aegiouAEGIOU", "ăĕğĭŏŭĂĔĞĬŎŬ"),
        ['.'] = ("cegzCEGIZ", "ċėġżĊĖĠİŻ"),
        ['"'] = ("aeiouyAEIOUY", "äëïöüÿÄËÏÖÜŸ"),
        [':'] = ("aeiouyAEIOUY", "äëïöüÿÄËÏÖÜŸ"),
        ['r'] = ("auAU", "åůÅŮ"),
        ['H'] = ("ouOU", "őűŐŰ"),
        ['v'] = ("cdelnrstzCDELNRSTZ", "čďěľňřšťžČĎĚĽŇŘŠŤŽ"),
        [','] = ("cgklnrstCGKLNRST", "çģķļņŗşţÇĢĶĻŅŖŞŢ"),
        ['c'] = ("cgklnrstCGKLNRST", "çģķļņŗşţÇĢĶĻŅŖŞŢ"),
        [';'] = ("aeiuAEIU", "ąęįųĄĘĮŲ"),
    };

    private static readonly Dictionary<string, string> Named = new()
    {
        ["AA"] = "Å",
        ["aa"] = "å",
        ["AE"] = "Æ",
        ["ae"] = "æ",
        ["OE"] = "Œ",
        ["oe"] = "œ",
        ["ss"] = "ß",
        ["/O"] = "Ø",
        ["/o"] = "ø",
        ["DH"] = "Ð",
        ["dh"] = "ð",
        ["TH"] = "Þ",
        ["th"] = "þ",
    };

    /// <summary>The text as people read it.</summary>
    public static string Plain(string value)
    {
        var text = UnicodePattern()
            .Replace(
                value.Trim(),
                m =>
                    (
                        (char)int.Parse(m.Groups[1].Value, NumberStyles.HexNumber, CultureInfo.InvariantCulture)
                    ).ToString()
            );
        text = NamedPattern().Replace(text, m => Named[m.Groups[1].Value]);
        text = AccentPattern().Replace(text, m => Accented(m.Groups[1].Value[0], m.Groups[2].Value[0]));
        text = text.Contains('&', StringComparison.Ordinal) ? WebUtility.HtmlDecode(text) : text;
        return PlainText.Cleaned(EscapePattern().Replace(text, "$1"));
    }

    private static string Accented(char accent, char letter)
    {
        var (plain, accented) = Accents[accent];
        var at = plain.IndexOf(letter, StringComparison.Ordinal);
        return (at < 0 ? letter : accented[at]).ToString();
    }

    /// <summary>The text as a field may hold it.</summary>
    public static string Escaped(string value) =>
        value
            .Replace('\n', ' ')
            .Replace("\\", "\\\\", StringComparison.Ordinal)
            .Replace("&", "\\&", StringComparison.Ordinal)
            .Replace("%", "\\%", StringComparison.Ordinal);

    [GeneratedRegex(@"(?<!\\)\\u([0-9A-Fa-f]{4})")]
    private static partial Regex UnicodePattern();

    [GeneratedRegex(@"(?<!\\)\\(AA|aa|AE|ae|OE|oe|ss|/O|/o|DH|dh|TH|th)")]
    private static partial Regex NamedPattern();

    [GeneratedRegex("(?<!\\\\)\\\\([`'^~=u.\":rHv,c;])([A-Za-z])")]
    private static partial Regex AccentPattern();

    [GeneratedRegex(@"\\([\\%&])")]
    private static partial Regex EscapePattern();
}
