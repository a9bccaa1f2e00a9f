using System.Text.RegularExpressions;
using Coppia.Formats.Abc;
using Coppia.Formats.Letters;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Books;

/// <summary>What a tune is written in.</summary>
public enum SourceFormat
{
    Abc,
    MusicXml,

    /// <summary>Note letters, as on a board: <c>G A B G | C5 B A2</c>.</summary>
    Letters,

    /// <summary>Strings and fingers: <c>D: 0 0 A: 0 0 | 1 1 0 -</c>.</summary>
    Fingers,
}

/// <summary>Reads a tune from text, whatever it is written in.</summary>
public static partial class TuneReader
{
    /// <summary>The first tune of a text.</summary>
    /// <param name="text">The text.</param>
    /// <param name="stop">Nobody waits for it any more.</param>
    public static ReadResult Read(string text, CancellationToken stop = default)
    {
        if (text.Length > TuneSize.MostCharacters)
            return ReadResult.Failed(
                new SourceError(
                    new(1, 1),
                    Say("books.tune-reader.the-text-has-characters", ("text", text.Length)),
                    Say("books.tune-reader.at-most", ("mostCharacters", TuneSize.MostCharacters))
                )
            );
        if (PlainText.Wrong(text) is { } wrong)
            return ReadResult.Failed(wrong);
        return FormatOf(text) switch
        {
            SourceFormat.MusicXml => MusicXmlReader.Read(text, stop),
            SourceFormat.Letters => TypedLetters.ReadText(text, stop),
            SourceFormat.Fingers => TypedFingers.ReadText(text, stop),
            _ => AbcReader.Read(text, stop),
        };
    }

    /// <summary>
    /// What a source is written in: MusicXML begins with an angle bracket, ABC has its fields, fingers follow strings
    /// with a colon, letters stand by themselves. What is none of them is taken for ABC.
    /// </summary>
    public static SourceFormat FormatOf(string text)
    {
        if (text.AsSpan().TrimStart("\uFEFF \t\r\n").StartsWith("<"))
            return SourceFormat.MusicXml;
        if (AbcFieldPattern().IsMatch(text))
            return SourceFormat.Abc;
        if (FingersPattern().IsMatch(text))
            return SourceFormat.Fingers;
        return IsLetters(text) ? SourceFormat.Letters : SourceFormat.Abc;
    }

    /// <summary>The first line that is no head is notes, at least for the most part.</summary>
    private static bool IsLetters(string text)
    {
        var words = text.Split('\n')
            .Where(l => l.Trim().Length > 0 && !TypedHead.IsHead(l))
            .Take(4)
            .SelectMany(l => l.Split([' ', '\t', '\r', '|', '(', ')', ':'], StringSplitOptions.RemoveEmptyEntries))
            .ToArray();
        return words.Length > 0
            ? 2 * words.Count(LetterPattern().IsMatch) > words.Length
            : text.Split('\n').Any(TypedHead.IsHead);
    }

    /// <summary>A field that every ABC tune has, at the beginning of a line.</summary>
    [GeneratedRegex(@"^[ \t\uFEFF]*(?:X:|K:|T:|M:|L:|Q:|V:|%abc)", RegexOptions.Multiline)]
    private static partial Regex AbcFieldPattern();

    [GeneratedRegex(@"(?:^|[\s|])[A-Ga-g]\s*:[ \t]*(?:[LHXlhx]?[0-4](?![0-9])|-)", RegexOptions.Multiline)]
    private static partial Regex FingersPattern();

    [GeneratedRegex(@"^(?:(?:[A-Ga-g](?:##?|bb?|n|[♯♭♮])?[',’]*[0-9/.*]*)+|[zZ–—-][0-9/.]*|(?i:high|low))$")]
    private static partial Regex LetterPattern();
}
