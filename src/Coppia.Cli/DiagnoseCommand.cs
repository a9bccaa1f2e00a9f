using System.CommandLine;
using Coppia.Core.Drills;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Drills;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Exercises;
using Coppia.Formats.Records;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Cli;

/// <summary>
/// <c>coppia diagnose --for INSTRUMENT --key D --shown F#3 --answer F</c>: what happened in a wrong answer.
/// </summary>
public static class DiagnoseCommand
{
    public static readonly string Usage = Say(
        "cli.diagnose.coppia-diagnose-for-key-d-shown-f",
        ("all", string.Join('|', StringSection.All.Select(i => i.Id)))
    );

    private static readonly Option<string> For = new("--for") { Required = true };
    private static readonly Option<string> Key = new Option<string>("--key") { DefaultValueFactory = _ => "C" };
    private static readonly Option<string> Shown = new("--shown") { Required = true };
    private static readonly Option<string> Answer = new("--answer") { Required = true };
    private static readonly Option<string?> Style = new("--style");

    /// <summary>One line, kind and words; 2 for wrong usage, with one line on standard error.</summary>
    public static int Run(string[] args, TextWriter output, TextWriter error)
    {
        var asked = new RootCommand { For, Key, Shown, Answer, Style }.Parse(args);
        if (asked.Errors.Count > 0)
            return Files.Refuse(error, Say("cli.usage", ("usage", Usage)));
        if (Files.Style(asked.GetValue(Style), error) is not { } style)
            return 2;
        var (name, keyText, answer) = (asked.GetValue(For)!, asked.GetValue(Key)!, asked.GetValue(Answer)!);
        if (style.Instrument(name) is not { } instrument)
            return Files.Refuse(
                error,
                Say("cli.diagnose.is-not-an-instrument-expected", ("name", name), ("instruments", Labels.Instruments))
            );
        if (KeyText.Read(keyText) is not { } key)
            return Files.Refuse(
                error,
                Say("cli.diagnose.is-not-a-key-expected", ("keyText", keyText), ("expected", KeyText.Expected))
            );
        if (ReplyText.Read(answer, instrument) is not { } reply)
            return Files.Refuse(
                error,
                Say(
                    "cli.diagnose.is-not-an-answer-expected",
                    ("answer", answer),
                    ("expected", ReplyText.Expected(instrument))
                )
            );
        try
        {
            var player = new Player(instrument, style);
            var diagnosis = Diagnosis.Of(player, Pitch.Parse(asked.GetValue(Shown)!), key.Signature, reply);
            output.WriteLine($"{ReplyText.Kind(diagnosis.Kind)}\t{DiagnosisWords.Of(diagnosis, player)}");
            return 0;
        }
        catch (FormatException e)
        {
            return Files.Refuse(error, e.Message);
        }
    }
}
