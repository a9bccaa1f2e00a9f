using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Text.Json;
using Coppia.Core.Bowing;
using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Data.Exercises;
using Coppia.Data.Keeping;
using Coppia.Data.Records;
using Coppia.Data.Room;
using Coppia.Data.Store;
using Coppia.Data.Tunes;
using Coppia.Formats.Books;
using Coppia.Server.Asked;
using Coppia.Server.Exercises;
using Coppia.Server.Records;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Coppia.Server.Keeping;

/// <summary>Everything out as one .zip of open formats.</summary>
internal sealed class EverythingOut(
    TuneRepository tunes,
    StyleRepository styles,
    SheetRepository sheets,
    ClassRepository classes,
    ClassCopies copies,
    ClassFiles classFiles,
    ClassTable classTable,
    TaskRepository tasks,
    Database database,
    TimeProvider clock,
    IOptions<JsonOptions> json
)
{
    private readonly LibraryCopy _copy = new(database, clock);

    private JsonSerializerOptions Json => json.Value.SerializerOptions;

    /// <summary>Writes the whole library.</summary>
    public void Write(Stream to, CancellationToken stop)
    {
        using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
        var library = new LibraryFile(
            1,
            clock.GetUtcNow().UtcDateTime,
            Tunes(zip, stop),
            Styles(zip),
            Sheets(zip),
            Classes(zip, stop),
            classFiles.Named(tasks.List())
        );
        Add(zip, LibraryFile.Name, JsonSerializer.Serialize(library, Json));
    }

    /// <summary>All tunes as files of their own, and tables of them, their fingers and bow changes.</summary>
    private List<KeptTuneFile> Tunes(ZipArchive zip, CancellationToken stop)
    {
        var kept = new List<KeptTuneFile>();
        var list = new CsvText().Row(
            "file",
            "title",
            "composer",
            "key",
            "meter",
            "bars",
            "printed for",
            "added",
            "changed"
        );
        var fingers = new CsvText().Row("tune", "instrument", "note", "pitch", "string", "finger");
        var bows = new CsvText().Row("tune", "note", "pitch", "change", "taken or refused");
        foreach (var copy in _copy.Tunes(tunes.All()))
        {
            stop.ThrowIfCancellationRequested();
            var tune = copy.Tune;
            var file = NameOf(tune);
            Add(zip, file, tune.Source);
            kept.Add(FileOf(copy, file));
            ListOne(list, tune, file);
            foreach (var (instrument, pin) in copy.Pins)
                fingers.Row(tune.Title, instrument, pin.NoteId, pin.Pitch, $"{pin.String + 1}", $"{pin.Finger}");
            foreach (var bow in copy.Bows)
                bows.Row(tune.Title, bow.NoteId, bow.Pitch, bow.Kind, bow.Refused ? "refused" : "taken");
        }

        Add(zip, "records/tunes.csv", list.ToString());
        Add(zip, "records/fingers.csv", fingers.ToString());
        Add(zip, "records/bowing.csv", bows.ToString());
        return kept;
    }

    private static void ListOne(CsvText list, TuneRecord tune, string file) =>
        list.Row(
            file,
            tune.Title,
            tune.Composer,
            tune.KeyName,
            tune.Meter,
            $"{tune.Bars}",
            tune.PrintedFor,
            $"{tune.CreatedAt:yyyy-MM-dd}",
            $"{tune.ChangedAt:yyyy-MM-dd}"
        );

    /// <summary>All styles as files; those that this version can read.</summary>
    private List<KeptStyleFile> Styles(ZipArchive zip)
    {
        var readable = new List<KeptStyleFile>();
        foreach (var style in styles.List())
        {
            Add(zip, $"styles/{style.Id}-{FileNames.Plain(style.Name)}.json", style.Json);
            if (HouseStyles.Read(style.Json, out var wrong) is var known && wrong is null)
                readable.Add(new KeptStyleFile(style.Name, style.Current, known));
        }

        return readable;
    }

    /// <summary>All sheets as files; those that this version can read.</summary>
    private List<SheetDoc> Sheets(ZipArchive zip)
    {
        var documents = new List<SheetDoc>();
        foreach (var sheet in sheets.List(new SheetQuery(Words: "", Kinds: [], From: 0, Count: int.MaxValue)).Sheets)
        {
            Add(zip, $"sheets/{sheet.Id}-{FileNames.Plain(sheet.Heading)}.json", sheet.Document);
            if (SheetDoc.Read(sheet.Document, Json) is { } document)
                documents.Add(document);
        }

        return documents;
    }

    /// <summary>All classes as files and as tables; the names of the files.</summary>
    private List<string> Classes(ZipArchive zip, CancellationToken stop)
    {
        var names = new List<string>();
        foreach (var one in classes.List())
        {
            stop.ThrowIfCancellationRequested();
            if (copies.Of(one.Id) is not { } copy)
                continue;
            var name = $"{one.Id}-{FileNames.Plain(one.Name)}";
            names.Add($"classes/{name}.json");
            Add(zip, names[^1], JsonSerializer.Serialize(classFiles.FileOf(copy), Json));
            Add(zip, $"records/classes/{name}.csv", classTable.Of(copy));
        }

        return names;
    }

    private static KeptTuneFile FileOf(TuneCopy copy, string file) =>
        new(
            Id: copy.Tune.Id,
            File: file,
            Title: copy.Tune.Title,
            Composer: copy.Tune.Composer,
            PrintedFor: copy.Tune.PrintedFor,
            NoteIds: copy.Tune.NoteIds is { } ids ? JsonSerializer.Deserialize<JsonElement>(ids) : null,
            Lines: LinesForWhom.OfJson(copy.Tune.Lines),
            CreatedAt: copy.Tune.CreatedAt,
            ChangedAt: copy.Tune.ChangedAt,
            Pins:
            [
                .. copy.Pins.Select(p => new KeptPin(
                    p.Instrument,
                    p.Pin.NoteId,
                    p.Pin.Pitch,
                    p.Pin.String,
                    p.Pin.Finger
                )),
            ],
            PrintedFingers: copy.PrintedFingers,
            Octaves: copy.Octaves,
            Bows:
            [
                .. copy.Bows.Select(b => new KeptBow(
                    b.NoteId,
                    Enum.Parse<BowEditKind>(b.Kind, ignoreCase: true),
                    b.Pitch,
                    b.Refused
                )),
            ]
        );

    private static void Add(ZipArchive zip, string name, string text)
    {
        using var stream = zip.CreateEntry(name, CompressionLevel.Fastest).Open();
        stream.Write(new UTF8Encoding(encoderShouldEmitUTF8Identifier: false).GetBytes(text));
    }

    private static string NameOf(TuneRecord tune)
    {
        var ending = TuneReader.FormatOf(tune.Source) switch
        {
            SourceFormat.MusicXml => "musicxml",
            SourceFormat.Abc => "abc",
            _ => "txt",
        };
        return string.Create(
            CultureInfo.InvariantCulture,
            $"tunes/{tune.Id:0000}-{FileNames.Plain(tune.Title)}.{ending}"
        );
    }
}
