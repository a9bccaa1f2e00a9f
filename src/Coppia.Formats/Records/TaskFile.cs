using System.Text.Json;
using System.Text.Json.Serialization;
using Coppia.Core.Composition;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Desk;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Records;

/// <summary>
/// A writing task as JSON:
/// <c>{"instrument":"violin","key":"G","meter":"4/4","bars":4,"allowed":["G3","A3"],"values":["1/4"],"mostRests":5,
/// "fixed":[{"bar":2,"at":"last","note":"A3"}]}</c>. Without a key it is C, without a meter 4/4, without values
/// quarters.
/// </summary>
public static class TaskFile
{
    private sealed record InFile(
        string Instrument,
        int Bars,
        string[] Allowed,
        string? Key = null,
        string? Meter = null,
        string[]? Values = null,
        int? MostRests = null,
        FixedInFile[]? Fixed = null,
        string? Clef = null,
        bool ByHand = false
    );

    private sealed record FixedInFile(int Bar, FixedAt At, string Note, string? Value = null);

    private static readonly JsonSerializerOptions Json = Strict();

    private static JsonSerializerOptions Strict()
    {
        var json = new JsonSerializerOptions(JsonSerializerDefaults.Web)
        {
            UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        };
        JsonParts.MakeStrict(json);
        return json;
    }

    /// <exception cref="FormatException">Not a task, or one that nobody could meet; the message begins with
    /// line:column.</exception>
    public static WritingTask Read(string json)
    {
        try
        {
            var file =
                JsonSerializer.Deserialize<InFile>(json, Json)
                ?? throw Wrong(Say("records.task-file.the-task-is-empty-expected-a-json"));
            var task = TaskOf(file);
            return TaskFault.In(task) is [var fault, ..]
                ? throw Wrong(new CompositionWords(HouseStyle.Default).Fault(fault, task))
                : task;
        }
        catch (JsonException e)
        {
            throw new FormatException(
                Say(
                    "records.task-file.not-a-writing-task-expected-a-json",
                    ("lineNumber", (e.LineNumber ?? 0) + 1),
                    ("bytePositionInLine", (e.BytePositionInLine ?? 0) + 1),
                    ("said", JsonParts.MessageOf(e))
                ),
                e
            );
        }
    }

    private static WritingTask TaskOf(InFile file) =>
        new()
        {
            Instrument = InstrumentOf(file),
            OtherClef = file.Clef is { } clef ? ClefOf(clef) : null,
            Key =
                KeyText.Read(file.Key ?? "C")
                ?? throw Wrong(
                    Say("records.task-file.is-not-a-key-expected", ("key", file.Key), ("expected", KeyText.Expected))
                ),
            Meter =
                ValueText.Meter(file.Meter ?? "4/4")
                ?? throw Wrong(Say("records.task-file.is-not-a-meter-expected-one-such", ("meter", file.Meter))),
            Bars = file.Bars,
            Allowed = [.. file.Allowed.Select(PitchOf).Distinct().OrderBy(p => p.Midi)],
            Values = [.. (file.Values ?? ["1/4"]).Select(ValueOf).Distinct()],
            MostRests = file.MostRests,
            Fixed =
            [
                .. (file.Fixed ?? []).Select(f => new FixedNote(
                    f.Bar,
                    f.At,
                    PitchOf(f.Note),
                    f.Value is { } v ? ValueOf(v) : null
                )),
            ],
            ByHand = file.ByHand,
        };

    private static Instrument InstrumentOf(InFile file) =>
        StringSection.Named(file.Instrument)
        ?? throw Wrong(
            Say(
                "classes.learner-list.is-not-an-instrument-expected",
                ("instrument", file.Instrument),
                ("instruments", Labels.Instruments)
            )
        );

    private static Clef ClefOf(string clef) =>
        Clef.Named(clef)
        ?? throw Wrong(
            Say(
                "records.task-file.is-not-a-clef-expected",
                ("clef", clef),
                ("all", English.Either([.. Clef.All.Select(c => c.Name)]))
            )
        );

    private static Pitch PitchOf(string text)
    {
        try
        {
            return Pitch.Parse(text);
        }
        catch (FormatException e)
        {
            throw Wrong(e.Message);
        }
    }

    private static NoteValue ValueOf(string text) =>
        ValueText.Read(text)
        ?? throw Wrong(
            Say("exercises.sheet-fields.is-not-a-note-value-expected", ("text", text), ("expected", ValueText.Expected))
        );

    private static FormatException Wrong(string what) => new($"1:1: {what}");
}
