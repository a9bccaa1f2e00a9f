using System.Text.RegularExpressions;

namespace Coppia.Formats.Abc;

/// <summary>What a line of an ABC source is.</summary>
internal enum AbcLineKind
{
    /// <summary>Nothing, a comment, or how the page is to look.</summary>
    Empty,
    Field,

    /// <summary>More of the field before (+:).</summary>
    MoreOfField,
    Music,

    /// <summary>Words between the tunes, or that a history field spreads over lines.</summary>
    Text,
}

/// <param name="Number">Line number from 1.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Text">The line without its comment.</param>
internal readonly record struct AbcLine(int Number, AbcLineKind Kind, string Text)
{
    /// <summary>The letter of a field.</summary>
    public char Field => Text[0];

    /// <summary>What the field says.</summary>
    public string Value => Text[2..].Trim();
}

/// <summary>Parts a source into lines and tells what each is (ABC standard 2.1, section 2.2).</summary>
internal static partial class AbcLines
{
    public static bool IsField(string line) => line.Length >= 2 && line[1] == ':' && char.IsAsciiLetter(line[0]);

    /// <summary>The lines of a text, numbered from <paramref name="first"/>.</summary>
    public static IEnumerable<AbcLine> Of(IEnumerable<string> lines, int first = 1)
    {
        var number = first - 1;
        var inText = false;
        var inHistory = false;
        var afterBlank = false;
        var inMusic = false;
        foreach (var raw in lines)
        {
            number++;
            var line = raw.TrimStart();
            if (line.StartsWith("%%", StringComparison.Ordinal))
            {
                var directive = line[2..].TrimStart();
                if (directive.StartsWith("begin", StringComparison.Ordinal))
                    inText = true;
                else if (directive.StartsWith("end", StringComparison.Ordinal))
                    inText = false;
                yield return new AbcLine(number, AbcLineKind.Empty, line);
                continue;
            }

            if (inText || line.StartsWith('%'))
            {
                yield return new AbcLine(number, inText ? AbcLineKind.Text : AbcLineKind.Empty, line);
                continue;
            }

            var text = StripComment(line).TrimEnd();
            if (text.Length == 0)
            {
                (afterBlank, inHistory) = (true, false);
                yield return new AbcLine(number, AbcLineKind.Empty, "");
            }
            else if (text.StartsWith("+:", StringComparison.Ordinal))
            {
                yield return new AbcLine(number, AbcLineKind.MoreOfField, text);
            }
            else if (IsField(text))
            {
                inHistory = text[0] == 'H';
                inMusic |= text[0] == 'K';
                if (text[0] == 'X')
                    (afterBlank, inMusic) = (false, false);
                yield return new AbcLine(number, AbcLineKind.Field, text);
            }
            else
            {
                var isText = inHistory || IsText(text, afterBlank && inMusic);
                if (!isText)
                    (afterBlank, inHistory) = (false, false);
                // The columns of errors count what stands before the music.
                yield return new AbcLine(
                    number,
                    isText ? AbcLineKind.Text : AbcLineKind.Music,
                    isText ? text : StripComment(raw).TrimEnd()
                );
            }
        }
    }

    public static string StripComment(string line)
    {
        for (var i = 0; i < line.Length; i++)
        {
            if (line[i] == '%' && (i == 0 || line[i - 1] != '\\'))
                return line[..i];
        }

        return line;
    }

    /// <summary>
    /// A blank line ends a tune, so that what follows must look like music to be taken for some; elsewhere only what is
    /// plainly words is no music.
    /// </summary>
    private static bool IsText(string line, bool afterBlank)
    {
        var bare = QuotedPattern().Replace(line, "");
        var hasBarline = bare.Contains('|', StringComparison.Ordinal);
        var words = WordPattern().Count(bare);
        return afterBlank ? !hasBarline || words > 0 : !hasBarline && words > 1;
    }

    [GeneratedRegex("\"[^\"]*\"|![^!]*!|\\+[^+]*\\+|\\[[A-Za-z]:[^\\]]*\\]")]
    private static partial Regex QuotedPattern();

    /// <summary>Three letters or more in a row, one of which never stands in music.</summary>
    [GeneratedRegex(@"(?<![A-Za-z])(?=[A-Za-z]*[h-tw])[A-Za-z]{3,}")]
    private static partial Regex WordPattern();
}
