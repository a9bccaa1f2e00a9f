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
        var parting = new Parting(first - 1);
        foreach (var line in lines)
            yield return parting.Next(line);
    }

    /// <summary>What the lines before say of the next one.</summary>
    private sealed class Parting(int number)
    {
        private int _number = number;
        private bool _inText;
        private bool _inHistory;
        private bool _afterBlank;
        private bool _inMusic;

        public AbcLine Next(string raw)
        {
            _number++;
            var line = raw.TrimStart();
            if (line.StartsWith("%%", StringComparison.Ordinal))
            {
                Directive(line[2..].TrimStart());
                return Is(AbcLineKind.Empty, line);
            }

            if (_inText || line.StartsWith('%'))
                return Is(_inText ? AbcLineKind.Text : AbcLineKind.Empty, line);
            var text = StripComment(line).TrimEnd();
            if (text.Length == 0)
            {
                (_afterBlank, _inHistory) = (true, false);
                return Is(AbcLineKind.Empty, "");
            }

            if (text.StartsWith("+:", StringComparison.Ordinal))
                return Is(AbcLineKind.MoreOfField, text);
            return IsField(text) ? Field(text) : TextOrMusic(text, raw);
        }

        private AbcLine Is(AbcLineKind kind, string text) => new(_number, kind, text);

        private void Directive(string directive)
        {
            if (directive.StartsWith("begin", StringComparison.Ordinal))
                _inText = true;
            else if (directive.StartsWith("end", StringComparison.Ordinal))
                _inText = false;
        }

        private AbcLine Field(string text)
        {
            _inHistory = text[0] == 'H';
            _inMusic |= text[0] == 'K';
            if (text[0] == 'X')
                (_afterBlank, _inMusic) = (false, false);
            return Is(AbcLineKind.Field, text);
        }

        private AbcLine TextOrMusic(string text, string raw)
        {
            if (_inHistory || IsText(text, _afterBlank && _inMusic))
                return Is(AbcLineKind.Text, text);
            (_afterBlank, _inHistory) = (false, false);
            // The columns of errors count what stands before the music.
            return Is(AbcLineKind.Music, StripComment(raw).TrimEnd());
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
