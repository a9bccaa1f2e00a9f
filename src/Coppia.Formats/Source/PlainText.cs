using System.Text;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Source;

/// <summary>
/// Text that every file and table carries: the characters of XML 1.0 (W3C XML 1.0, production 2, Char), which are all
/// of Unicode but most control characters, lone surrogates, U+FFFE and U+FFFF.
/// </summary>
public static class PlainText
{
    /// <summary>Where a text first has a character that is none; −1 where it has none such.</summary>
    public static int FirstWrong(string text)
    {
        for (var i = 0; i < text.Length; i++)
        {
            var c = text[i];
            if (char.IsHighSurrogate(c) && i + 1 < text.Length && char.IsLowSurrogate(text[i + 1]))
                i++;
            else if (c < ' ' && c is not ('\t' or '\n' or '\r') || char.IsSurrogate(c) || c >= '\uFFFE')
                return i;
        }

        return -1;
    }

    /// <summary>The first wrong character with its line and column; null for plain text.</summary>
    public static SourceError? Wrong(string text) =>
        FirstWrong(text) is >= 0 and var at
            ? new SourceError(
                PlaceOf(text, at),
                Say("source.plain-text.the-character-cannot-be-kept-or", ("nameOf", NameOf(text[at]))),
                Say("source.plain-text.letters-digits")
            )
            : null;

    /// <summary>"U+0000".</summary>
    public static string NameOf(char c) => $"U+{(int)c:X4}";

    /// <summary>The text without what is none.</summary>
    internal static string Cleaned(string text) =>
        FirstWrong(text) < 0
            ? text
            : string.Concat(
                text.EnumerateRunes().Where(r => FirstWrong(r.ToString()) < 0 && r != Rune.ReplacementChar)
            );

    private static SourcePosition PlaceOf(string text, int at)
    {
        var before = text.AsSpan(0, at);
        var line = 1 + before.Count('\n');
        return new SourcePosition(line, at - before.LastIndexOf('\n'));
    }
}
