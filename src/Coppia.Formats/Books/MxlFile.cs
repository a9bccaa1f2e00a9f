using System.IO.Compression;
using System.Xml.Linq;
using Coppia.Formats.MusicXml;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Books;

/// <summary>Opens a compressed MusicXML file (.mxl). Unpacked size and the number of entries are bounded.</summary>
public static class MxlFile
{
    public const int MostEntries = 100;
    public const int MostUnpackedBytes = 20 * 1024 * 1024;

    public static bool IsZip(ReadOnlySpan<byte> start) => start.Length > 3 && start[0] == 'P' && start[1] == 'K';

    /// <summary>The MusicXML text of the file's main score.</summary>
    /// <exception cref="InvalidDataException">Not a readable .mxl file, or too large; the message says which and what
    /// was expected.</exception>
    public static string Unpack(Stream file)
    {
        using var archive = Open(file);
        if (archive.Entries.Count > MostEntries)
            throw new InvalidDataException(
                Say(
                    "books.mxl-file.the-file-holds-entries-expected-at",
                    ("entries", archive.Entries.Count),
                    ("mostEntries", MostEntries)
                )
            );
        var container =
            archive.GetEntry("META-INF/container.xml")
            ?? throw new InvalidDataException(Say("books.mxl-file.the-file-holds-no-meta-inf-container"));
        string[] paths;
        try
        {
            paths =
            [
                .. PlainXml
                    .Load(TuneBytes.Plain(Bytes(container)))
                    .Descendants()
                    .Where(e => e.Name.LocalName == "rootfile")
                    .OrderByDescending(IsScore)
                    .Select(e => (string?)e.Attribute("full-path") ?? ""),
            ];
        }
        catch (System.Xml.XmlException e)
        {
            throw new InvalidDataException(Say("books.mxl-file.meta-inf-container-xml-is-not-well"), e);
        }

        var score = paths.Select(archive.GetEntry).FirstOrDefault(e => e is not null);
        return TuneBytes.Plain(
            Bytes(score ?? throw new InvalidDataException(Say("books.mxl-file.meta-inf-container-xml-names-no-score")))
        );
    }

    /// <summary>A container may list a picture of the score too, and list it first.</summary>
    private static bool IsScore(XElement rootfile) =>
        ((string?)rootfile.Attribute("media-type"))?.Contains("musicxml", StringComparison.OrdinalIgnoreCase)
        ?? Path.GetExtension((string?)rootfile.Attribute("full-path") ?? "").ToLowerInvariant()
            is ".xml"
                or ".musicxml";

    internal static ZipArchive Open(Stream file)
    {
        try
        {
            return new ZipArchive(file, ZipArchiveMode.Read);
        }
        catch (InvalidDataException e)
        {
            throw new InvalidDataException(Say("books.mxl-file.the-file-is-not-a-complete-compressed"), e);
        }
    }

    /// <exception cref="InvalidDataException">It unpacks to too much.</exception>
    internal static byte[] Bytes(ZipArchiveEntry entry)
    {
        using var stream = entry.Open();
        var buffer = new byte[81920];
        using var whole = new MemoryStream();
        int read;
        // The declared length can lie, so the bytes themselves are counted.
        while ((read = stream.Read(buffer)) > 0)
        {
            whole.Write(buffer, 0, read);
            if (whole.Length > MostUnpackedBytes)
                throw new InvalidDataException(
                    Say(
                        "books.mxl-file.the-file-unpacks-to-more-than-mb",
                        ("mostUnpackedBytes", MostUnpackedBytes / 1024 / 1024)
                    )
                );
        }

        return whole.ToArray();
    }
}
