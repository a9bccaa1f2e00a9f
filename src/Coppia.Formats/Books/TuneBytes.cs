using System.Text;
using System.Text.RegularExpressions;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Books;

/// <summary>The text in a tune file: plain ABC or MusicXML, or a compressed .mxl.</summary>
public static partial class TuneBytes
{
    private const int HeadLength = 200;
    private static readonly Encoding Strict = new UTF8Encoding(
        encoderShouldEmitUTF8Identifier: false,
        throwOnInvalidBytes: true
    );

    static TuneBytes() => Encoding.RegisterProvider(CodePagesEncodingProvider.Instance);

    /// <summary>
    /// By its byte order mark, else as UTF-16 where every other byte is empty, else as its head declares, else UTF-8,
    /// or (for old files) Latin-1.
    /// </summary>
    /// <exception cref="InvalidDataException">A .mxl file that cannot be unpacked, or bytes that are no
    /// text.</exception>
    public static string Text(byte[] bytes)
    {
        return MxlFile.IsZip(bytes) ? MxlFile.Unpack(new MemoryStream(bytes)) : Plain(bytes);
    }

    /// <summary>Old systems end a text file with a sign of its own, which is no part of the text.</summary>
    private const char EndOfFile = '\u001A';

    /// <summary>The text of a file that is not compressed.</summary>
    /// <exception cref="InvalidDataException">Bytes that are no text.</exception>
    internal static string Plain(byte[] bytes) => Decoded(bytes).TrimEnd(EndOfFile);

    private static string Decoded(byte[] bytes)
    {
        if (Marked(bytes) is { } marked)
            return marked;
        if (bytes.AsSpan().Contains((byte)0))
            return Wide(bytes)
                ?? throw new InvalidDataException(Say("books.tune-bytes.the-file-is-not-text-expected-abc"));
        if (Declared(bytes) is { } declared)
            return declared.GetString(bytes);
        try
        {
            return Strict.GetString(bytes);
        }
        catch (DecoderFallbackException)
        {
            return Encoding.Latin1.GetString(bytes);
        }
    }

    private static string? Marked(byte[] bytes) =>
        bytes switch
        {
            [0xEF, 0xBB, 0xBF, ..] => Encoding.UTF8.GetString(bytes.AsSpan(3)),
            [0xFF, 0xFE, ..] => Encoding.Unicode.GetString(bytes.AsSpan(2)),
            [0xFE, 0xFF, ..] => Encoding.BigEndianUnicode.GetString(bytes.AsSpan(2)),
            _ => null,
        };

    /// <summary>
    /// UTF-16 without its mark: the first letters of a tune are plain ones, so that every other byte is empty.
    /// </summary>
    private static string? Wide(byte[] bytes) =>
        bytes switch
        {
            [not 0, 0, not 0, 0, ..] => Encoding.Unicode.GetString(bytes),
            [0, not 0, 0, not 0, ..] => Encoding.BigEndianUnicode.GetString(bytes),
            _ => null,
        };

    /// <summary>
    /// The encoding that an XML declaration or an ABC charset names; null where none is named or known, or UTF-8.
    /// </summary>
    private static Encoding? Declared(byte[] bytes)
    {
        var head = Encoding.Latin1.GetString(bytes.AsSpan(0, Math.Min(bytes.Length, HeadLength)));
        if (DeclarationPattern().Match(head) is not { Success: true } named)
            return null;
        var name = named.Groups[1].Value;
        // A file of single bytes is no UTF-16, whatever it says.
        if (name.StartsWith("utf", StringComparison.OrdinalIgnoreCase))
            return null;
        try
        {
            return Encoding.GetEncoding(name);
        }
        catch (ArgumentException)
        {
            return null;
        }
    }

    [GeneratedRegex(
        "(?:^<\\?xml[^>]*?encoding\\s*=\\s*[\"']|abc-charset[ \\t]+)([A-Za-z0-9._-]+)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex DeclarationPattern();
}
