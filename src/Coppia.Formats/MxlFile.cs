using System.IO.Compression;
using System.Xml.Linq;

namespace Coppia.Formats;

/// <summary>Opens a compressed MusicXML file (.mxl). Unpacked size and the number of entries are bounded.</summary>
public static class MxlFile
{
    public const int MostEntries = 100;
    public const int MostUnpackedBytes = 20 * 1024 * 1024;

    public static bool IsZip(ReadOnlySpan<byte> start) => start.Length > 3 && start[0] == 'P' && start[1] == 'K';

    /// <summary>The MusicXML text of the file's main score.</summary>
    /// <exception cref="InvalidDataException">Not a readable .mxl file, or too large; the message says which and what was
    /// expected.</exception>
    public static string Unpack(Stream file)
    {
        using var archive = Open(file);
        if (archive.Entries.Count > MostEntries)
            throw new InvalidDataException($"The file holds {archive.Entries.Count} entries; expected at most {MostEntries}.");
        var container =
            archive.GetEntry("META-INF/container.xml")
            ?? throw new InvalidDataException("The file holds no META-INF/container.xml; expected a compressed MusicXML file.");
        string? path;
        try
        {
            path = XDocument
                .Parse(Text(container))
                .Descendants()
                .FirstOrDefault(e => e.Name.LocalName == "rootfile")
                ?.Attribute("full-path")
                ?.Value;
        }
        catch (System.Xml.XmlException e)
        {
            throw new InvalidDataException("META-INF/container.xml is not well formed; expected the list of the file's scores.", e);
        }

        var score = path is null ? null : archive.GetEntry(path);
        return Text(
            score
                ?? throw new InvalidDataException(
                    "META-INF/container.xml names no score that the file holds; expected a rootfile with its full-path."
                )
        );
    }

    private static ZipArchive Open(Stream file)
    {
        try
        {
            return new ZipArchive(file, ZipArchiveMode.Read);
        }
        catch (InvalidDataException e)
        {
            throw new InvalidDataException(
                "The file is not a complete compressed MusicXML file; expected a .mxl as a notation program saves it.",
                e
            );
        }
    }

    private static string Text(ZipArchiveEntry entry)
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
                throw new InvalidDataException($"The file unpacks to more than {MostUnpackedBytes / 1024 / 1024} MB; expected less.");
        }

        whole.Position = 0;
        using var reader = new StreamReader(whole);
        return reader.ReadToEnd();
    }
}
