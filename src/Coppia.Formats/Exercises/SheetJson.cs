using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Coppia.Core.Exercises;

namespace Coppia.Formats.Exercises;

/// <summary>
/// A sheet of one kind as JSON: <c>{kind, seed, instrument, items:[{question, answer}]}</c>. Of music to play each bar
/// is an item.
/// </summary>
public static class SheetJson
{
    public static readonly JsonSerializerOptions Options = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>The same on one line.</summary>
    public static readonly JsonSerializerOptions Compact = new()
    {
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public static string Write(Sheet sheet) =>
        new JsonObject
        {
            ["kind"] = sheet.Kind.Id,
            ["seed"] = sheet.Seed,
            ["instrument"] = sheet.Player.Instrument.Id,
            ["items"] = new JsonArray([.. sheet.Items.SelectMany(i => Items(sheet, i)).Select(i => (JsonNode?)i)]),
        }.ToJsonString(Options);

    private static IEnumerable<JsonObject> Items(Sheet sheet, SheetItem item)
    {
        if (item is { Question: PlayQuestion play, Answer: PlayAnswer { Reading: var reading } })
            return play.Music.Bars.Zip(reading.Score.Bars).Select((b, i) => OfBar(i, b.First, b.Second));
        return [Item(SheetQuestions.Write(item.Question, sheet.Player), SheetAnswers.Write(item, sheet.Player))];

        JsonObject OfBar(int i, Core.Music.Bar bar, Core.Music.Bar read) =>
            Item(
                new JsonObject
                {
                    ["bar"] = i + 1,
                    ["meter"] = bar.Time?.ToString(),
                    ["fifths"] = bar.Key.Fifths,
                    ["clef"] = bar.Clef.Name,
                    ["notes"] = SheetNotes.Events(bar, sheet.Player.Instrument, play.Pins),
                },
                SheetAnswers.OfPlay(reading, [read])
            );

        static JsonObject Item(JsonObject question, JsonObject answer) =>
            new() { ["question"] = question, ["answer"] = answer };
    }
}
