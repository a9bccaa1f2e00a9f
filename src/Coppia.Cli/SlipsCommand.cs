using System.CommandLine;
using System.Globalization;
using Coppia.Core.Instruments;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Cli;

/// <summary><c>coppia slips FILE --for INSTRUMENT</c>: the steps in which a hand is likeliest to slip.</summary>
public static class SlipsCommand
{
    public static readonly string Usage = Say(
        "cli.slips.coppia-slips-file-for-style-file-json",
        ("all", string.Join('|', StringSection.All.Select(i => i.Id)))
    );

    private static readonly Argument<string> FileName = new("FILE");
    private static readonly Option<string> For = new("--for") { Required = true };
    private static readonly Option<string?> Style = new("--style");
    private static readonly Option<string?> Known = new("--known");
    private static readonly Option<string?> Part = new("--part");
    private static readonly Option<int> Tune = new Option<int>("--tune") { DefaultValueFactory = _ => 1 };

    /// <summary>
    /// One row a step, the hardest first and each different one once: bar, the note it leaves, the note it reaches,
    /// points (craft 11), why. 0 when the tune was read; 2 for wrong usage or unreadable input, with one line on
    /// standard error and nothing on standard output.
    /// </summary>
    public static int Run(string[] args, TextWriter output, TextWriter error)
    {
        var asked = new RootCommand { FileName, For, Style, Known, Part, Tune }.Parse(args);
        if (asked.Errors.Count > 0)
            return Files.Refuse(error, Say("cli.usage", ("usage", Usage)));
        if (Files.Player(asked.GetValue(For)!, asked.GetValue(Style), asked.GetValue(Known), error) is not { } player)
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
        if (Files.Line(file, read, asked.GetValue(Part), player.Instrument, error) is not { } line)
            return 2;

        var reading = PlayerReading.Of(line.Score, line.For, player);
        Files.Warn(file, reading, error);
        Write(reading, output);
        return 0;
    }

    private static void Write(PlayerReading reading, TextWriter output)
    {
        var words = new TroubleWords(reading.Fingering);
        output.WriteLine("bar\tfrom\tto\tpoints\twhy");
        foreach (var slip in Slips.Of(reading.Fingering))
        {
            var (from, to) = (reading.Notes[slip.From].Note, reading.Notes[slip.To].Note);
            var points = slip.Points.ToString("0.###", CultureInfo.InvariantCulture);
            output.WriteLine($"{English.Figure(to.Bar.Number)}\t{from.Pitch}\t{to.Pitch}\t{points}\t{words.Why(slip)}");
        }
    }
}
