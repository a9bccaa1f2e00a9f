using System.CommandLine;
using System.Globalization;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Lesson;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Cli;

/// <summary><c>coppia call FILE</c>: what to call to each section of a mixed class, note by note.</summary>
public static class CallCommand
{
    public const string Usage =
        "coppia call FILE|- [--sections violin,viola,cello,bass] [--style FILE.json] [--known FILE.json] [--tune N]";

    private static readonly Argument<string> FileName = new("FILE");
    private static readonly Option<string?> Sections = new("--sections");
    private static readonly Option<string?> Style = new("--style");
    private static readonly Option<string?> Known = new("--known");
    private static readonly Option<int> Tune = new Option<int>("--tune") { DefaultValueFactory = _ => 1 };

    /// <summary>
    /// One row a moment at which a note begins: bar, beat, the note as printed, each section's label, what is called. 0
    /// when the tune was read; 2 for wrong usage or unreadable input, with one line on standard error and nothing on
    /// standard output.
    /// </summary>
    public static int Run(string[] args, TextWriter output, TextWriter error)
    {
        var asked = new RootCommand { FileName, Sections, Style, Known, Tune }.Parse(args);
        if (asked.Errors.Count > 0)
            return Files.Refuse(error, Say("cli.usage", ("usage", Usage)));
        if (
            Files.Style(asked.GetValue(Style), error) is not { } style
            || Files.Known(asked.GetValue(Known), error) is not { } known
        )
            return 2;
        if (SectionsOf(asked.GetValue(Sections), style, error) is not { } sections)
            return 2;
        var file = asked.GetValue(FileName)!;
        if (
            Files.Load(file, error) is not { } bytes
            || Files.Tune(file, bytes, asked.GetValue(Tune), error) is not { } read
        )
            return 2;
        if (read.Score is null)
            return Files.Refuse(error, string.Join("\n", read.Errors.Select(e => $"{file}:{e}")));
        foreach (var notice in read.Notices)
            error.WriteLine($"{file}:{notice.At}: {notice.Message}");

        OfferedLine[] lines = [.. read.Lines.Select(l => new OfferedLine(l.Name, l.Score))];
        var main = lines.First(l => ReferenceEquals(l.Score, read.Score));
        var proposed = lines.Length > 1 ? WhichLine.Proposed(lines) : new Dictionary<string, int>();
        PlayerReading[] readings =
        [
            .. sections.Select(i =>
            {
                var line = proposed.TryGetValue(i.Id, out var own) ? lines[own] : main;
                return PlayerReading.Of(line.Score, line.For, new Player(i, style, known));
            }),
        ];
        foreach (var reading in readings)
            Files.Warn(file, reading, error);
        Write(CallSheet.Of(readings), output);
        return 0;
    }

    private static Instrument[]? SectionsOf(string? list, HouseStyle style, TextWriter error)
    {
        if (list is null)
            return [.. StringSection.All.Select(i => style.Instrument(i.Id)!)];
        var names = list.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (names.FirstOrDefault(n => style.Instrument(n) is null) is { } wrong)
        {
            Files.Refuse(
                error,
                Say("cli.call.is-not-an-instrument-expected", ("wrong", wrong), ("instruments", Labels.Instruments))
            );
            return null;
        }

        if (names.Length == 0 || names.Distinct(StringComparer.OrdinalIgnoreCase).Count() < names.Length)
        {
            Files.Refuse(error, Say("cli.call.sections-names-no-section-or-one", ("list", list)));
            return null;
        }

        return [.. names.Select(n => style.Instrument(n)!)];
    }

    private static void Write(CallSheet sheet, TextWriter output)
    {
        var words = new CallWords(sheet);
        var columns = Enumerable.Range(0, sheet.Sections.Count).ToArray();
        output.WriteLine($"bar\tbeat\tnote\t{string.Join('\t', sheet.Sections.Select(s => s.Instrument.Id))}\tcall");
        foreach (var moment in sheet.Lines.SelectMany(l => l.Moments).Where(m => !m.IsRest))
        {
            string[] row =
            [
                English.Figure(moment.Bar.Number),
                moment.Beat.ToDouble().ToString("0.###", CultureInfo.InvariantCulture),
                sheet.Printed(moment).ToString(),
                .. columns.Select(c => words.Label(moment, c)),
                words.Call(moment),
            ];
            output.WriteLine(string.Join('\t', row));
        }
    }
}
