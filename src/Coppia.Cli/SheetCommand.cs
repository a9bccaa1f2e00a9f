using System.CommandLine;
using Coppia.Core.Exercises;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Exercises;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Exercises;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Records;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Cli;

/// <summary><c>coppia sheet KIND --for INSTRUMENT</c>: exercises with their answers.</summary>
public static class SheetCommand
{
    /// <summary>In place of an instrument: the same content for all of them.</summary>
    private const string ForAll = "all";

    public static readonly string Usage = Say(
        "cli.sheet.coppia-sheet-kind-for-key-d-strings",
        ("all", string.Join('|', StringSection.All.Select(i => i.Id))),
        ("forAll", ForAll)
    );

    private static readonly Argument<string> Kind = new("KIND");
    private static readonly Option<string> For = new("--for") { Required = true };
    private static readonly Option<string?> Key = new("--key");
    private static readonly Option<string?> Strings = new("--strings");
    private static readonly Option<string?> Range = new("--range");
    private static readonly Option<string?> Values = new("--values");
    private static readonly Option<string?> Meter = new("--meter");
    private static readonly Option<int> Octaves = new Option<int>("--octaves") { DefaultValueFactory = _ => 1 };
    private static readonly Option<string?> Known = new("--known");
    private static readonly Option<string?> Style = new("--style");
    private static readonly Option<string?> From = new("--from");
    private static readonly Option<int?> Count = new("--count");
    private static readonly Option<int> Seed = new Option<int>("--seed") { DefaultValueFactory = _ => 1 };
    private static readonly Option<string> Format = new Option<string>("--format")
    {
        DefaultValueFactory = _ => "json",
    }.AcceptOnlyFromAmong("json", "musicxml");

    /// <summary>
    /// 0 when the sheet was made; 2 for wrong usage or what cannot be made, with one line on standard error.
    /// </summary>
    public static int Run(string[] args, TextWriter output, TextWriter error)
    {
        var asked = new RootCommand
        {
            Kind,
            For,
            Key,
            Strings,
            Range,
            Values,
            Meter,
            Octaves,
            Known,
            Style,
            From,
            Count,
            Seed,
            Format,
        }.Parse(args);
        if (asked.Errors.Count > 0 || asked.GetValue(Octaves) is not (1 or 2))
            return Files.Refuse(error, Say("cli.usage", ("usage", Usage)));
        if (
            Files.Style(asked.GetValue(Style), error) is not { } style
            || Files.Known(asked.GetValue(Known), error) is not { } known
        )
            return 2;
        return Make(asked, style, known, output, error);
    }

    private static int Make(
        ParseResult asked,
        HouseStyle style,
        ClassKnowledge known,
        TextWriter output,
        TextWriter error
    )
    {
        try
        {
            if (Request(asked, style, known, error) is not { } request)
                return 2;
            var sheets = Sheet.Of(request);
            if (!Sheet.IsSameForAll(sheets))
                error.WriteLine(ExerciseWords.Apart);
            Write(sheets, asked.GetValue(Format) == "musicxml", output);
            return 0;
        }
        catch (FormatException e)
        {
            return Files.Refuse(error, e.Message);
        }
        catch (SheetImpossibleException e)
        {
            return Files.Refuse(error, ImpossibleWords.Of(e, style));
        }
    }

    private static void Write(IReadOnlyList<Sheet> sheets, bool asMusicXml, TextWriter output)
    {
        if (asMusicXml)
            output.Write(
                MusicXmlWriter.Write([
                    .. sheets.Select((s, i) => new ScoreLine($"P{i + 1}", s.Player.Instrument.Name, SheetMusic.Of(s))),
                ])
            );
        else
            output.WriteLine(
                sheets.Count == 1
                    ? SheetJson.Write(sheets[0])
                    : $"[{string.Join(",\n", sheets.Select(SheetJson.Write))}]"
            );
    }

    /// <exception cref="FormatException">An option that cannot be read.</exception>
    private static SheetRequest? Request(ParseResult asked, HouseStyle style, ClassKnowledge known, TextWriter error)
    {
        var kind = asked.GetValue(Kind)!;
        var range = asked.GetValue(Range)?.Split("..");
        if (range is { Length: not 2 })
            throw new FormatException(
                Say("cli.sheet.is-not-a-range-expected-two-notes", ("getValue", asked.GetValue(Range)))
            );
        var request = new SheetRequest
        {
            Kind =
                ExerciseKind.Named(kind)
                ?? throw new FormatException(
                    Say(
                        "cli.sheet.is-not-a-kind-of-exercise-expected",
                        ("kind", kind),
                        ("all", English.Either([.. ExerciseKind.All.Select(k => k.Id)]))
                    )
                ),
            Players = [.. Instruments(asked.GetValue(For)!).Select(i => new Player(i, style, known))],
            Key = Read(asked.GetValue(Key), KeyText.Read, "a key", KeyText.Expected),
            Strings = List(asked.GetValue(Strings), ReadLetter, "a string", Say("cli.sheet.letters-such-as-d-a")),
            Lowest = range is null ? null : Pitch.Parse(range[0].Trim()),
            Highest = range is null ? null : Pitch.Parse(range[1].Trim()),
            Values = List(asked.GetValue(Values), ValueText.Read, Say("cli.sheet.a-note-value"), ValueText.Expected),
            Meter = Read(asked.GetValue(Meter), ValueText.Meter, "a meter", Say("cli.sheet.one-such-as-3-4")),
            Octaves = asked.GetValue(Octaves),
            Count = asked.GetValue(Count),
            Seed = asked.GetValue(Seed),
        };
        return asked.GetValue(From) is { } file ? OnTune(request, file, error) : request;
    }

    /// <summary>The request on the music of a file; null when the error is told.</summary>
    private static SheetRequest? OnTune(SheetRequest request, string file, TextWriter error)
    {
        if (Files.Load(file, error) is not { } bytes || Files.Tune(file, bytes, 1, error) is not { } tune)
            return null;
        if (tune.Score is not { } score)
        {
            Files.Refuse(error, string.Join("\n", tune.Errors.Select(e => $"{file}:{e}")));
            return null;
        }

        return request with
        {
            From = [.. request.Players.Select(p => PlayerReading.Of(score, PrintedFor.Of(score), p))],
        };
    }

    private static IEnumerable<Instrument> Instruments(string name) =>
        name == ForAll ? StringSection.All
        : StringSection.Named(name) is { } one ? [one]
        : throw new FormatException(
            Say(
                "cli.sheet.is-not-an-instrument-expected",
                ("name", name),
                ("forAll", ForAll),
                ("instruments", Labels.Instruments)
            )
        );

    private static Letter? ReadLetter(string text) =>
        text.Length == 1 && Enum.TryParse<Letter>(text, ignoreCase: true, out var letter) ? letter : null;

    private static T? Read<T>(string? text, Func<string, T?> read, string what, string expected)
        where T : struct =>
        text is null
            ? null
            : read(text)
                ?? throw new FormatException(
                    Say("cli.sheet.is-not-expected", ("text", text), ("what", what), ("expected", expected))
                );

    private static IReadOnlyList<T> List<T>(string? text, Func<string, T?> read, string what, string expected)
        where T : struct =>
        text is null ? [] : [.. text.Split(',').Select(t => Read(t.Trim(), read, what, expected)!.Value)];
}
