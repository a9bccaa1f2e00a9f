using Coppia.Formats.Abc;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Books;

/// <summary>One tune of a file that may hold many.</summary>
/// <param name="Number">Its number in the file, from 1.</param>
/// <param name="File">The name of its file within a packed one, or null.</param>
/// <param name="FirstLine">Line of its file on which it begins.</param>
/// <param name="Source">The tune as a text of its own.</param>
/// <param name="Reading">Reads it; places are lines of its file.</param>
public sealed record BookTune(int Number, string? File, int FirstLine, string Source, Lazy<ReadResult> Reading)
{
    /// <summary>What came of reading it, which is done when it is first asked for.</summary>
    public ReadResult Read => Reading.Value;
}

/// <summary>
/// Reads a file with any number of tunes: an ABC book, or a .zip of tune files. What cannot be read is listed with its
/// errors, and the rest is taken (craft 20).
/// </summary>
public static class TuneBook
{
    public const int MostTunes = 5_000;

    /// <summary>Most bytes of all files of a packed one together.</summary>
    private const int MostUnpackedBytes = 40 * 1024 * 1024;

    private static readonly string[] Extensions = [".abc", ".musicxml", ".xml", ".mxl", ".txt"];

    /// <summary>The tunes of a text.</summary>
    public static IReadOnlyList<BookTune> Of(string text)
    {
        if (text.Length > TuneSize.MostCharacters || TuneReader.FormatOf(text) != SourceFormat.Abc)
            return [new BookTune(1, null, 1, text, new(() => TuneReader.Read(text)))];
        var tunes = AbcBook.Of(text);
        return tunes.Count == 1
            ? [new BookTune(1, null, 1, text, new(() => AbcReader.Read(tunes[0])))]
            :
            [
                .. tunes
                    .Take(MostTunes)
                    .Select((t, i) => new BookTune(i + 1, null, t.FirstLine, t.Text, new(() => AbcReader.Read(t)))),
            ];
    }

    /// <summary>The tunes of a file, packed or not.</summary>
    /// <exception cref="InvalidDataException">It is no text, or a packed file that cannot be unpacked or is too
    /// large.</exception>
    public static IReadOnlyList<BookTune> OfFile(byte[] bytes) =>
        IsPackedBook(bytes) ? OfPacked(bytes) : Of(TuneBytes.Text(bytes));

    /// <summary>True for a .zip that is not one compressed score.</summary>
    private static bool IsPackedBook(byte[] bytes)
    {
        if (!MxlFile.IsZip(bytes))
            return false;
        using var archive = MxlFile.Open(new MemoryStream(bytes));
        return archive.GetEntry("META-INF/container.xml") is null;
    }

    private static List<BookTune> OfPacked(byte[] bytes)
    {
        using var archive = MxlFile.Open(new MemoryStream(bytes));
        var files = archive
            .Entries.Where(e =>
                Extensions.Contains(Path.GetExtension(e.Name).ToLowerInvariant()) && !IsHidden(e.FullName)
            )
            .OrderBy(e => e.FullName, StringComparer.OrdinalIgnoreCase)
            .ToArray();
        if (files.Length == 0)
            throw new InvalidDataException(
                Say("books.tune-book.the-file-holds-no-tunes-expected", ("extensions", string.Join(", ", Extensions)))
            );
        var tunes = new List<BookTune>();
        long unpacked = 0;
        foreach (var file in files)
        {
            var content = MxlFile.Bytes(file);
            unpacked += content.Length;
            if (unpacked > MostUnpackedBytes)
                throw new InvalidDataException(
                    Say(
                        "books.mxl-file.the-file-unpacks-to-more-than-mb",
                        ("mostUnpackedBytes", MostUnpackedBytes / 1024 / 1024)
                    )
                );
            foreach (var tune in OfEntry(file.FullName, content))
            {
                if (tunes.Count < MostTunes)
                    tunes.Add(tune with { Number = tunes.Count + 1, File = file.FullName });
            }
        }

        return tunes;
    }

    private static IReadOnlyList<BookTune> OfEntry(string name, byte[] content)
    {
        try
        {
            return Of(TuneBytes.Text(content));
        }
        catch (InvalidDataException e)
        {
            var error = new SourceError(
                new(1, 1),
                Say("books.tune-book.cannot-be-opened", ("name", name), ("trimEnd", e.Message.TrimEnd('.'))),
                Say("books.tune-book.a-tune-file")
            );
            return [new BookTune(1, name, 1, "", new(() => ReadResult.Failed(error)))];
        }
    }

    /// <summary>What some systems put beside the files they pack.</summary>
    private static bool IsHidden(string path) =>
        path.Split('/').Any(p => p.StartsWith('.') || p.StartsWith("__", StringComparison.Ordinal));
}
