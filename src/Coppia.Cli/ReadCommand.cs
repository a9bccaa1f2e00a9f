using System.Globalization;
using System.Text.Json;
using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Formats;

namespace Coppia.Cli;

/// <summary>One row of <c>coppia read</c>; the property order is the column order.</summary>
public sealed record ReadRow(
    int Bar,
    string Beat,
    string Note,
    string String,
    string Finger,
    string Place,
    string Position,
    string Label,
    string Bow,
    string Count
)
{
    public static ReadRow Of(ReadingNote row, Instrument instrument)
    {
        var at = row.Placement;
        return new ReadRow(
            row.Note.Bar.Number,
            row.Note.Beat.ToDouble().ToString("0.###", CultureInfo.InvariantCulture),
            row.Note.Pitch.ToString(),
            at is { } p ? instrument.StringName(p.String) : "-",
            at?.Finger.ToString(CultureInfo.InvariantCulture) ?? "-",
            at?.Word.ToString().ToLowerInvariant() ?? "-",
            at is { } q ? instrument.Frames[q.Frame].Position : "-",
            row.Label,
            row.Bow.ToString().ToLowerInvariant(),
            row.Count
        );
    }

    public string Tsv() =>
        string.Join('\t', Bar.ToString(CultureInfo.InvariantCulture), Beat, Note, String, Finger, Place, Position, Label, Bow, Count);
}

/// <summary><c>coppia read FILE --for INSTRUMENT [--format tsv|json] [--style FILE.json] [--octave N]</c>: the pipeline with no server.</summary>
public static class ReadCommand
{
    public const string Usage = "coppia read FILE|- --for violin|viola|cello|bass [--format tsv|json] [--style FILE.json] [--octave -4..4]";

    /// <summary>The name of standard input in place of a file.</summary>
    private const string StandardInput = "-";

    private const string Header = "bar\tbeat\tnote\tstring\tfinger\tplace\tposition\tlabel\tbow\tcount";

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>0 when the tune was read; 2 for wrong usage or unreadable input, with one line on standard error and nothing on standard output.</summary>
    public static int Run(string[] args, TextWriter output, TextWriter error)
    {
        if (Parse(args) is not { } options)
            return Refuse(error, $"usage: {Usage}");
        var style = HouseStyle.Default;
        if (options.StyleFile is { } styleFile)
        {
            if (Load(styleFile, error) is not { } json)
                return 2;
            try
            {
                style = StyleFile.Read(System.Text.Encoding.UTF8.GetString(json));
            }
            catch (FormatException e)
            {
                return Refuse(error, $"{styleFile}:{e.Message}");
            }
        }

        if (StringSection.Named(options.Instrument, style) is not { } instrument)
            return Refuse(error, $"“{options.Instrument}” is not an instrument; expected violin, viola, cello or bass");
        if (Load(options.File, error) is not { } bytes)
            return 2;
        if (ReadTune(options.File, bytes, error) is not { } result)
            return 2;
        if (result.Score is not { } score)
            return Refuse(error, string.Join("\n", result.Errors.Select(e => $"{options.File}:{e}")));

        foreach (var notice in result.Notices)
            error.WriteLine($"{options.File}:{notice.At}: {notice.Message}");
        var reading = PlayerReading.Of(score, PrintedFor.Of(score), instrument, style, chosenOctaves: options.Octaves);
        if (OctaveFit.Words(reading.OctavesMoved) is { } moved)
            error.WriteLine($"{options.File}: written {moved} for {instrument.Name.ToLowerInvariant()}.");
        foreach (var warning in reading.Warnings())
            error.WriteLine($"{options.File}: {warning}");

        var rows = reading.Notes.Select(n => ReadRow.Of(n, instrument));
        if (options.Format == "json")
        {
            output.WriteLine(JsonSerializer.Serialize(rows, Json));
        }
        else
        {
            output.WriteLine(Header);
            foreach (var row in rows)
                output.WriteLine(row.Tsv());
        }

        return 0;
    }

    private static ReadResult? ReadTune(string file, byte[] bytes, TextWriter error)
    {
        try
        {
            return TuneReader.Read(TuneBytes.Text(bytes));
        }
        catch (InvalidDataException e)
        {
            Refuse(error, $"{file}:1:1: {e.Message}");
            return null;
        }
    }

    private static byte[]? Load(string file, TextWriter error)
    {
        try
        {
            if (file != StandardInput)
                return File.ReadAllBytes(file);
            using var input = Console.OpenStandardInput();
            using var all = new MemoryStream();
            input.CopyTo(all);
            return all.ToArray();
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            Refuse(error, $"{file}:1:1: the file cannot be opened; expected a readable file");
            return null;
        }
    }

    private static int Refuse(TextWriter error, string line)
    {
        error.WriteLine(line);
        return 2;
    }

    private static Options? Parse(string[] args)
    {
        var options = new Options();
        for (var i = 0; i < args.Length; i++)
        {
            var hasValue = i + 1 < args.Length;
            switch (args[i])
            {
                case "--for" when hasValue:
                    options.Instrument = args[++i];
                    break;
                case "--format" when hasValue && args[i + 1] is "tsv" or "json":
                    options.Format = args[++i];
                    break;
                case "--style" when hasValue:
                    options.StyleFile = args[++i];
                    break;
                case "--octave"
                    when hasValue
                        && int.TryParse(args[i + 1], NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var octaves)
                        && octaves is >= -4 and <= 4:
                    options.Octaves = octaves;
                    i++;
                    break;
                case ['-', '-', ..]:
                    return null;
                default:
                    if (options.File.Length > 0)
                        return null;
                    options.File = args[i];
                    break;
            }
        }

        return options.File.Length > 0 && options.Instrument.Length > 0 ? options : null;
    }

    private sealed class Options
    {
        public string File = "";
        public string Instrument = "";
        public string Format = "tsv";
        public string? StyleFile;
        public int? Octaves;
    }
}
