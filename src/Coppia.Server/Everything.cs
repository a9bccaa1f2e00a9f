using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Text.Json;
using Coppia.Core.Bowing;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Coppia.Server;

/// <summary>Everything out as one .zip of open formats, and in again.</summary>
internal sealed class Everything(
    TuneRepository tunes,
    StyleRepository styles,
    SheetRepository sheets,
    ClassRepository classes,
    ClassCopies copies,
    ClassFiles classFiles,
    Database database,
    TimeProvider clock,
    IOptions<JsonOptions> json
)
{
    private const string Records = "library.json";
    private const int MostEntries = 20_000;
    private const long MostBytes = 500L * 1024 * 1024;

    private readonly LibraryCopy _copy = new(database, clock);

    private JsonSerializerOptions Json => json.Value.SerializerOptions;

    /// <summary>Writes the whole library.</summary>
    public void Write(Stream to, CancellationToken stop)
    {
        using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
        var kept = new List<KeptTuneFile>();
        var list = new CsvText().Row("file", "title", "composer", "key", "meter", "bars", "printed for", "added", "changed");
        var fingers = new CsvText().Row("tune", "instrument", "note", "pitch", "string", "finger");
        var bows = new CsvText().Row("tune", "note", "pitch", "change", "taken or refused");
        foreach (var copy in _copy.Tunes(tunes.All()))
        {
            stop.ThrowIfCancellationRequested();
            var tune = copy.Tune;
            var file = NameOf(tune);
            Add(zip, file, tune.Source);
            kept.Add(FileOf(copy, file));
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
            foreach (var (instrument, pin) in copy.Pins)
                fingers.Row(tune.Title, instrument, pin.NoteId, pin.Pitch, $"{pin.String + 1}", $"{pin.Finger}");
            foreach (var bow in copy.Bows)
                bows.Row(tune.Title, bow.NoteId, bow.Pitch, bow.Kind, bow.Refused ? "refused" : "taken");
        }

        Add(zip, "records/tunes.csv", list.ToString());
        Add(zip, "records/fingers.csv", fingers.ToString());
        Add(zip, "records/bowing.csv", bows.ToString());
        var readable = new List<KeptStyleFile>();
        foreach (var style in styles.List())
        {
            Add(zip, $"styles/{style.Id}-{Plain(style.Name)}.json", style.Json);
            if (Styles.Read(style.Json, out var wrong) is var known && wrong is null)
                readable.Add(new KeptStyleFile(style.Name, style.Current, known));
        }

        var documents = new List<SheetDoc>();
        foreach (var sheet in sheets.List(new SheetQuery(Words: "", Kinds: [], From: 0, Count: int.MaxValue)).Sheets)
        {
            Add(zip, $"sheets/{sheet.Id}-{Plain(sheet.Heading)}.json", sheet.Document);
            if (SheetDoc.Read(sheet.Document, Json) is { } document)
                documents.Add(document);
        }

        var names = new List<string>();
        foreach (var one in classes.List())
        {
            stop.ThrowIfCancellationRequested();
            if (copies.Of(one.Id) is not { } copy)
                continue;
            var name = $"{one.Id}-{Plain(one.Name)}";
            names.Add($"classes/{name}.json");
            Add(zip, names[^1], JsonSerializer.Serialize(classFiles.FileOf(copy), Json));
            Add(zip, $"records/classes/{name}.csv", classFiles.Table(copy));
        }

        Add(
            zip,
            Records,
            JsonSerializer.Serialize(new LibraryFile(1, clock.GetUtcNow().UtcDateTime, kept, readable, documents, names), Json)
        );
    }

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
            var source = Text(
                zip.GetEntry(tune.File)
                    ?? throw new FormatException($"{Records}, tune {i + 1}: there is no file “{tune.File}” in the .zip.")
            );
            var read = TuneReader.Read(source, stop);
            if (read.Score is null)
                leftOut.Add($"{tune.Title}: {read.Errors[0]}");
            else
                copies.Add(CopyOf(tune, source, read));
        }

        var added = _copy.Add(
            copies,
            [
                .. library.Styles.Select(s => new StyleRecord
                {
                    Name = s.Name,
                    Json = StyleFile.Write(s.Style),
                    Current = s.Current,
                }),
            ],
            [.. library.Sheets.Select(RecordOf)],
            (sheet, ids) => JsonSerializer.Serialize(Moved(JsonSerializer.Deserialize<SheetDoc>(sheet.Document, Json)!, ids), Json),
            [.. (library.Classes ?? []).Select(name => ClassIn(zip, name))]
        );
        return new TakenIn(added, leftOut);
    }

    /// <summary>The sheet with its tunes as they are numbered here; a tune that did not come along is not named.</summary>
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
            Pins: [.. copy.Pins.Select(p => new KeptPin(p.Instrument, p.Pin.NoteId, p.Pin.Pitch, p.Pin.String, p.Pin.Finger))],
            PrintedFingers: copy.PrintedFingers,
            Octaves: copy.Octaves,
            Bows: [.. copy.Bows.Select(b => new KeptBow(b.NoteId, Enum.Parse<BowEditKind>(b.Kind, ignoreCase: true), b.Pitch, b.Refused))]
        );

    private static TuneCopy CopyOf(KeptTuneFile tune, string source, ReadResult read) =>
        new(
            TuneEndpoints.Record(new TuneRequest(source, tune.Title, tune.Composer, tune.PrintedFor), read) with
            {
                Id = tune.Id,
                NoteIds = tune.NoteIds is { ValueKind: JsonValueKind.Array } ids && KeptTune.AreIds(ids, read) ? ids.GetRawText() : null,
                Lines = tune.Lines is { } lines && lines.Fits(read) ? lines.ToJson() : LinesForWhom.Proposed(read)?.ToJson(),
            },
            [
                .. tune
                    .Pins.DistinctBy(p => (p.Instrument, p.Note))
                    .Select(p => new PinCopy(
                        p.Instrument,
                        new PinRecord
                        {
                            NoteId = p.Note,
                            Pitch = p.Pitch,
                            String = p.String,
                            Finger = p.Finger,
                        }
                    )),
            ],
            [.. tune.PrintedFingers.Distinct()],
            tune.Octaves.Where(o => o.Value is >= -4 and <= 4).ToDictionary(),
            [
                .. tune
                    .Bows.DistinctBy(b => (b.Note, b.Kind))
                    .Select(b => new BowRecord
                    {
                        NoteId = b.Note,
                        Kind = b.Kind.ToString().ToLowerInvariant(),
                        Pitch = b.Pitch,
                        Refused = b.Refused,
                    }),
            ]
        );

    private LibraryClass ClassIn(ZipArchive zip, string name)
    {
        var entry = zip.GetEntry(name) ?? throw new FormatException($"{Records}, classes: there is no file “{name}” in the .zip.");
        try
        {
            var file = JsonSerializer.Deserialize<ClassFile>(Text(entry), Json) ?? throw new FormatException($"{name} is empty.");
            return new LibraryClass(
                file.Copy(style: null),
                file.Style,
                file.Sheets.DistinctBy(s => s.Id).ToDictionary(s => s.Id, s => s.Title)
            );
        }
        catch (JsonException e)
        {
            throw new FormatException($"{name}, {JsonParts.Said(e)}.", e);
        }
    }

    private LibraryFile RecordsOf(ZipArchive zip)
    {
        var records =
            zip.GetEntry(Records) ?? throw new FormatException($"The .zip holds no {Records}; expected one that “Everything out” made.");
        try
        {
            var library = JsonSerializer.Deserialize<LibraryFile>(Text(records), Json);
            return library is { Coppia: 1 }
                ? library
                : throw new FormatException($"{Records} is of version {library?.Coppia}; this program knows version 1.");
        }
        catch (JsonException e)
        {
            throw new FormatException($"{Records}, {JsonParts.Said(e)}.", e);
        }
    }

    private static ZipArchive Opened(Stream from)
    {
        try
        {
            var zip = new ZipArchive(from, ZipArchiveMode.Read);
            if (zip.Entries.Count > MostEntries || zip.Entries.Sum(e => e.Length) > MostBytes)
                throw new FormatException(
                    $"The .zip holds too much; expected at most {MostEntries:N0} files and {MostBytes / 1024 / 1024} MB."
                );
            return zip;
        }
        catch (InvalidDataException e)
        {
            throw new FormatException("This is no complete .zip; expected one that “Everything out” made.", e);
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
                throw new FormatException($"{entry.FullName} is longer than the .zip says.");
        }

        return Encoding.UTF8.GetString(whole.ToArray());
    }

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
        return string.Create(CultureInfo.InvariantCulture, $"tunes/{tune.Id:0000}-{Plain(tune.Title)}.{ending}");
    }

    /// <summary>A name that every system takes for a file.</summary>
    internal static string Plain(string name)
    {
        var plain = string.Concat(name.Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-')).Trim('-');
        return plain.Length <= 60 ? plain : plain[..60];
    }
}
