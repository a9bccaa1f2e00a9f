using System.CommandLine;
using System.Text.Json;
using Coppia.Core.Composition;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Desk;
using Coppia.Formats.Records;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Cli;

/// <summary><c>coppia desk FILE --task TASK.json</c>: checks a composition against the rules of its task.</summary>
public static class DeskCommand
{
    public const string Usage = "coppia desk FILE|- --task TASK.json [--style FILE.json] [--tune N]";

    private static readonly Argument<string> FileName = new("FILE");
    private static readonly Option<string> Task = new("--task") { Required = true };
    private static readonly Option<string?> Style = new("--style");
    private static readonly Option<int> Tune = new Option<int>("--tune") { DefaultValueFactory = _ => 1 };

    /// <summary>
    /// A line a finding: bar, rule, words. 0 where no rule is broken, 1 where one is, 2 for wrong usage or what cannot
    /// be read.
    /// </summary>
    public static int Run(string[] args, TextWriter output, TextWriter error)
    {
        var asked = new RootCommand { FileName, Task, Style, Tune }.Parse(args);
        if (asked.Errors.Count > 0)
            return Files.Refuse(error, Say("cli.usage", ("usage", Usage)));
        if (
            Files.Style(asked.GetValue(Style), error) is not { } style
            || TaskOf(asked.GetValue(Task)!, error) is not { } task
        )
            return 2;
        var file = asked.GetValue(FileName)!;
        if (
            Files.Load(file, error) is not { } bytes
            || Files.Tune(file, bytes, asked.GetValue(Tune), error) is not { } tune
        )
            return 2;
        // A piece of rests only is a finding, not a file that cannot be read.
        if ((tune.Score ?? tune.Silent) is not { } score)
            return Files.Refuse(error, string.Join("\n", tune.Errors.Select(e => $"{file}:{e}")));
        var (piece, fault, bar) = Piece.Of(score);
        if (piece is null)
        {
            var at = bar > 0 && bar <= score.Bars.Count ? score.Bars[bar - 1].At.ToString() : "1:1";
            return Files.Refuse(error, $"{file}:{at}: {CompositionWords.None(fault, bar)}");
        }

        return Write(piece, task, style, output);
    }

    private static int Write(Piece piece, WritingTask task, HouseStyle style, TextWriter output)
    {
        var words = new CompositionWords(style);
        var broken = PieceRules.Broken(piece, task);
        foreach (var breach in broken)
            output.WriteLine($"{breach.Bar}\t{Name(breach.Rule)}\t{words.Breach(breach)}");
        foreach (var advice in Heard.In(piece, task))
            output.WriteLine($"{advice.Bar}\t{Name(advice.Kind)}\t{words.Advice(advice)}");
        return broken.Count > 0 ? 1 : 0;
    }

    /// <summary>"onlyRests" → "only-rests".</summary>
    private static string Name<T>(T kind)
        where T : struct, Enum => JsonNamingPolicy.KebabCaseLower.ConvertName(kind.ToString());

    private static WritingTask? TaskOf(string file, TextWriter error)
    {
        if (Files.Load(file, error) is not { } json)
            return null;
        try
        {
            return TaskFile.Read(System.Text.Encoding.UTF8.GetString(json));
        }
        catch (FormatException e)
        {
            Files.Refuse(error, $"{file}:{e.Message}");
            return null;
        }
    }
}
