using System.CommandLine;
using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;
using Coppia.Core.Instruments;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;
using static Coppia.Core.Wording.Messages.Catalogue;

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
    /// <summary>
    /// What is new to the class at this note, in words; only in JSON, where what the class knows was given.
    /// </summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<string>? New { get; init; }

    public static ReadRow Of(ReadingNote row, ReadingWords words, Instrument instrument)
    {
        var at = row.Placement;
        return new ReadRow(
            Bar: row.Note.Bar.Number,
            Beat: row.Note.Beat.ToDouble().ToString("0.###", CultureInfo.InvariantCulture),
            Note: row.Note.Pitch.ToString(),
            String: at is { } p ? instrument.StringName(p.String) : "-",
            Finger: at?.Finger.ToString(CultureInfo.InvariantCulture) ?? "-",
            Place: at?.Word.ToString().ToLowerInvariant() ?? "-",
            Position: at is { } q ? instrument.Frames[q.Frame].Position : "-",
            Label: words.Label(row),
            Bow: BowWords.Way(row.Bow),
            Count: words.Count(row)
        );
    }

    public string Tsv() =>
        string.Join(
            '\t',
            Bar.ToString(CultureInfo.InvariantCulture),
            Beat,
            Note,
            String,
            Finger,
            Place,
            Position,
            Label,
            Bow,
            Count
        );
}

/// <summary><c>coppia read FILE --for INSTRUMENT</c>: the pipeline with no server.</summary>
public static class ReadCommand
{
    private const string Header = "bar\tbeat\tnote\tstring\tfinger\tplace\tposition\tlabel\tbow\tcount";

    private static readonly string[] Instruments = [.. StringSection.All.Select(i => i.Id)];

    public static readonly string Usage = Say(
        "cli.read.coppia-read-file-for-format-tsv-json",
        ("instruments", string.Join('|', Instruments))
    );

    internal static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    private static readonly Argument<string> FileName = new("FILE");
    private static readonly Option<string> For = new("--for") { Required = true };
    private static readonly Option<string> Format = new Option<string>("--format")
    {
        DefaultValueFactory = _ => "tsv",
    }.AcceptOnlyFromAmong("tsv", "json");
    private static readonly Option<string?> Style = new("--style");
    private static readonly Option<string?> Known = new("--known");
    private static readonly Option<bool> New = new("--new");
    private static readonly Option<int?> Octave = new("--octave");
    private static readonly Option<bool> Say = new("--say");
    private static readonly Option<string?> Part = new("--part");
    private static readonly Option<int> Tune = new Option<int>("--tune") { DefaultValueFactory = _ => 1 };

    /// <summary>
    /// 0 when the tune was read; 2 for wrong usage or unreadable input, with one line on standard error and nothing on
    /// standard output.
    /// </summary>
    public static int Run(string[] args, TextWriter output, TextWriter error)
    {
        var command = new RootCommand { FileName, For, Format, Style, Known, Octave, Say, New, Part, Tune };
        var asked = command.Parse(args);
        if (
            asked.Errors.Count > 0
            || asked.GetValue(Octave) is < -4 or > 4
            || asked.GetValue(Say) && asked.GetValue(New)
        )
            return Files.Refuse(error, Say("cli.usage", ("usage", Usage)));
        if (Files.Player(asked.GetValue(For)!, asked.GetValue(Style), asked.GetValue(Known), error) is not { } player)
            return 2;
        if (asked.GetValue(New) && player.Known.Things is null)
            return Files.Refuse(error, Say("cli.read.new-needs-known-with-a-file-that"));

        var file = asked.GetValue(FileName)!;
        if (
            Files.Load(file, error) is not { } bytes
            || Files.Tune(file, bytes, asked.GetValue(Tune), error) is not { } result
        )
            return 2;
        if (result.Score is null)
            return Files.Refuse(error, string.Join("\n", result.Errors.Select(e => $"{file}:{e}")));
        if (Files.Line(file, result, asked.GetValue(Part), player.Instrument, error) is not { } line)
            return 2;

        foreach (var notice in result.Notices)
            error.WriteLine($"{file}:{notice.At}: {notice.Message}");
        var reading = PlayerReading.Of(line.Score, line.For, player, chosenOctaves: asked.GetValue(Octave));
        Files.Warn(file, reading, error);
        Write(reading, asked, output);
        return 0;
    }

    private static void Write(PlayerReading reading, ParseResult asked, TextWriter output)
    {
        var words = new ReadingWords(reading);
        var (style, known) = (reading.Player.Style, reading.Player.Known);
        var news = known.Things is null ? null : News.In(TuneContents.Of(reading), known);
        var asJson = asked.GetValue(Format) == "json";
        if (asked.GetValue(Say))
            SaidAloud.Write(reading, words, news, output);
        else if (asked.GetValue(New))
            NewRow.Write(news!, style, asJson, output);
        else
            WriteRows(Rows(reading, words, news), asJson, output);
    }

    private static IEnumerable<ReadRow> Rows(PlayerReading reading, ReadingWords words, News? news)
    {
        var rows = reading.Notes.Select(n => ReadRow.Of(n, words, reading.Instrument));
        if (news is null)
            return rows;
        var said = new NewsWords(reading.Player.Style);
        var first = news.Of.Where(n => n.Met.NoteIds.Count > 0).ToLookup(n => n.Met.NoteIds[0], said.Name);
        return reading.Notes.Zip(rows, (n, row) => row with { New = [.. first[n.Note.Id]] });
    }

    private static void WriteRows(IEnumerable<ReadRow> rows, bool asJson, TextWriter output)
    {
        if (asJson)
        {
            output.WriteLine(JsonSerializer.Serialize(rows, Json));
            return;
        }

        output.WriteLine(Header);
        foreach (var row in rows)
            output.WriteLine(row.Tsv());
    }
}
