using System.Text;

namespace Coppia.Formats;

/// <summary>The text in a tune file: plain ABC or MusicXML, or a compressed .mxl.</summary>
public static class TuneBytes
{
    private static readonly Encoding Strict = new UTF8Encoding(encoderShouldEmitUTF8Identifier: false, throwOnInvalidBytes: true);

    /// <summary>UTF-8, UTF-16 with a byte order mark, or (for old files) Latin-1.</summary>
    /// <exception cref="InvalidDataException">A .mxl file that cannot be unpacked, or bytes that are no text.</exception>
    public static string Text(byte[] bytes)
    {
        if (MxlFile.IsZip(bytes))
            return MxlFile.Unpack(new MemoryStream(bytes));
        if (bytes is [0xFF, 0xFE, ..])
            return Encoding.Unicode.GetString(bytes.AsSpan(2));
        if (bytes is [0xFE, 0xFF, ..])
            return Encoding.BigEndianUnicode.GetString(bytes.AsSpan(2));
        if (bytes.AsSpan().Contains((byte)0))
            throw new InvalidDataException("The file is not text; expected ABC, MusicXML or .mxl.");
        try
        {
            return Strict.GetString(bytes).TrimStart('\uFEFF');
        }
        catch (DecoderFallbackException)
        {
            return Encoding.Latin1.GetString(bytes);
        }
    }
}
