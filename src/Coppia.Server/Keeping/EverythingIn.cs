using System.IO.Compression;
using System.Text;
using System.Text.Json;
using Coppia.Data.Exercises;
using Coppia.Data.Keeping;
using Coppia.Data.Room;
using Coppia.Data.Stand;
using Coppia.Data.Store;
using Coppia.Data.Tunes;
using Coppia.Formats.Books;
using Coppia.Formats.Records;
using Coppia.Formats.Source;
using Coppia.Server.Exercises;
using Coppia.Server.Records;
using Coppia.Server.Stand;
using Coppia.Server.Tunes;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Keeping;

/// <summary>Everything in again, from a .zip that <see cref="EverythingOut"/> made.</summary>
internal sealed class EverythingIn(Database database, ClassFiles files, TimeProvider clock, IOptions<JsonOptions> json)
{
    private const int MostEntries = 20_000;
    private const long MostBytes = 500L * 1024 * 1024;

    private readonly LibraryCopy _copy = new(database, clock);

    private JsonSerializerOptions Json => json.Value.SerializerOptions;

    /// <summary>Takes a library in beside what is there: all of it, or where it is broken none.</summary>
    /// <exception cref="FormatException">It is none; the message names the place.</exception>
    public TakenIn Read(Stream from, CancellationToken stop)
    {
        using var zip = Opened(from);
        var library = RecordsOf(zip);
        var leftOut = new List<string>();
        var copies = new List<TuneCopy>();
        foreach (var (i, tune) in library.Tunes.Index())
        {
            var source = SourceOf(tune, i + 1, zip);
            var read = TuneReader.Read(source, stop);
            if (read.Score is null)
                leftOut.Add($"{tune.Title}: {read.Errors[0]}");
            else
                copies.Add(CopyOf(tune, source, read));
        }

        var added = _copy.Add(
            copies,
            [.. library.Styles.Select(RecordOf)],
            [.. library.Sheets.Select(RecordOf)],
            (sheet, ids) =>
                JsonSerializer.Serialize(Moved(JsonSerializer.Deserialize<SheetDoc>(sheet.Document, Json)!, ids), Json),
            [.. files.TasksOf(library.Tasks).Values],
            [.. (library.Classes ?? []).Select(name => ClassIn(zip, name))]
        );
        return new TakenIn(added, leftOut);
    }

    /// <summary>
    /// The sheet with its tunes as they are numbered here; a tune that did not come along is not named.
    /// </summary>
    private static SheetDoc Moved(SheetDoc doc, IReadOnlyDictionary<long, long> ids) =>
        doc with
        {
            Parts =
            [
                .. doc.Parts.Select(p =>
                    p.Request.TuneId is { } tune
                        ? p with
                        {
                            Request = p.Request with { TuneId = ids.TryGetValue(tune, out var here) ? here : null },
                        }
                        : p
                ),
            ],
        };

    private SheetRecord RecordOf(SheetDoc doc) =>
        new()
        {
            Heading = doc.Heading,
            Instruments = string.Join(',', doc.Instruments),
            Document = JsonSerializer.Serialize(doc, Json),
        };

    private static string SourceOf(KeptTuneFile tune, int number, ZipArchive zip) =>
        Text(
            zip.GetEntry(tune.File)
                ?? throw new FormatException(
                    Say(
                        "keeping.everything-in.tune-there-is-no-file-in-the",
                        ("libraryFile", LibraryFile.Name),
                        ("i", number),
                        ("file", tune.File)
                    )
                )
        );

    private static TuneCopy CopyOf(KeptTuneFile tune, string source, ReadResult read) =>
        new(
            NewTune.Of(new TuneRequest(source, tune.Title, tune.Composer, tune.PrintedFor), read) with
            {
                Id = tune.Id,
                NoteIds =
                    tune.NoteIds is { ValueKind: JsonValueKind.Array } ids && KeptTune.AreIds(ids, read)
                        ? ids.GetRawText()
                        : null,
                Lines =
                    tune.Lines is { } lines && lines.Fits(read)
                        ? lines.ToJson()
                        : LinesForWhom.Proposed(read)?.ToJson(),
            },
            [.. tune.Pins.DistinctBy(p => (p.Instrument, p.Note)).Select(CopyOf)],
            [.. tune.PrintedFingers.Distinct()],
            tune.Octaves.Where(o => o.Value is >= -4 and <= 4).ToDictionary(),
            [.. tune.Bows.DistinctBy(b => (b.Note, b.Kind)).Select(RecordOf)]
        );

    private static StyleRecord RecordOf(KeptStyleFile style) =>
        new()
        {
            Name = style.Name,
            Json = StyleFile.Write(style.Style),
            Current = style.Current,
        };

    private static PinCopy CopyOf(KeptPin pin) =>
        new(
            pin.Instrument,
            new PinRecord
            {
                NoteId = pin.Note,
                Pitch = pin.Pitch,
                String = pin.String,
                Finger = pin.Finger,
            }
        );

    private static BowRecord RecordOf(KeptBow bow) =>
        new()
        {
            NoteId = bow.Note,
            Kind = bow.Kind.ToString().ToLowerInvariant(),
            Pitch = bow.Pitch,
            Refused = bow.Refused,
        };

    private LibraryClass ClassIn(ZipArchive zip, string name)
    {
        var entry =
            zip.GetEntry(name)
            ?? throw new FormatException(
                Say(
                    "keeping.everything-in.classes-there-is-no-file-in-the",
                    ("libraryFile", LibraryFile.Name),
                    ("name", name)
                )
            );
        try
        {
            var file =
                JsonSerializer.Deserialize<ClassFile>(Text(entry), Json)
                ?? throw new FormatException(Say("keeping.everything-in.is-empty", ("name", name)));
            return new LibraryClass(
                file.Copy(style: null, files.Text),
                file.Style,
                file.Sheets.DistinctBy(s => s.Id).ToDictionary(s => s.Id, s => s.Title),
                files.TasksOf(file.Tasks)
            );
        }
        catch (JsonException e)
        {
            throw new FormatException($"{name}, {JsonParts.MessageOf(e)}.", e);
        }
        catch (FormatException e)
        {
            throw new FormatException($"{name}: {e.Message}", e);
        }
    }

    private LibraryFile RecordsOf(ZipArchive zip)
    {
        var records =
            zip.GetEntry(LibraryFile.Name)
            ?? throw new FormatException(
                Say("keeping.everything-in.the-zip-holds-no-expected-one-that", ("libraryFile", LibraryFile.Name))
            );
        try
        {
            var library = JsonSerializer.Deserialize<LibraryFile>(Text(records), Json);
            return library is { Coppia: 1 }
                ? library
                : throw new FormatException(
                    Say(
                        "keeping.everything-in.is-of-version-this-program-knows",
                        ("libraryFile", LibraryFile.Name),
                        ("what", library?.Coppia)
                    )
                );
        }
        catch (JsonException e)
        {
            throw new FormatException($"{LibraryFile.Name}, {JsonParts.MessageOf(e)}.", e);
        }
    }

    private static ZipArchive Opened(Stream from)
    {
        try
        {
            var zip = new ZipArchive(from, ZipArchiveMode.Read);
            if (zip.Entries.Count > MostEntries || zip.Entries.Sum(e => e.Length) > MostBytes)
                throw new FormatException(
                    Say(
                        "keeping.everything-in.the-zip-holds-too-much-expected-at",
                        ("mostEntries", MostEntries),
                        ("mostBytes", MostBytes / 1024 / 1024)
                    )
                );
            return zip;
        }
        catch (InvalidDataException e)
        {
            throw new FormatException(Say("keeping.everything-in.this-is-no-complete-zip-expected-one"), e);
        }
    }

    private static string Text(ZipArchiveEntry entry)
    {
        using var stream = entry.Open();
        using var whole = new MemoryStream();
        var buffer = new byte[81920];
        int read;
        // The length that the .zip gives can lie.
        while ((read = stream.Read(buffer)) > 0)
        {
            whole.Write(buffer, 0, read);
            if (whole.Length > Math.Min(entry.Length, MostBytes))
                throw new FormatException(
                    Say("keeping.everything-in.is-longer-than-the-zip-says", ("fullName", entry.FullName))
                );
        }

        return Encoding.UTF8.GetString(whole.ToArray());
    }
}
