using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Formats.Exercises;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Source;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Exercises;

/// <summary>As what a sheet is saved.</summary>
public enum SheetFormat
{
    Json,
    Csv,
    MusicXml,
}

/// <summary>Sheets as files, and files as sheets.</summary>
internal sealed class SheetFiles(SheetParts parts, IOptions<JsonOptions> json)
{
    private JsonSerializerOptions Json => json.Value.SerializerOptions;

    /// <exception cref="FormatException">A question is broken; the message names it.</exception>
    public string Write(SheetDoc doc, SheetFormat format) =>
        format switch
        {
            SheetFormat.Json => WriteJson(doc),
            SheetFormat.Csv => WriteCsv(doc),
            _ => WriteMusic(doc),
        };

    /// <summary>
    /// The sheet with its answers beside the questions; read again, the answers are worked out anew and compared.
    /// </summary>
    private string WriteJson(SheetDoc doc)
    {
        var root = JsonSerializer.SerializeToNode(doc, Json)!;
        foreach (var (part, item, player, question, _) in Read(doc))
        {
            var node = root["parts"]![part]!["items"]![item]!;
            var answers = node["answers"] as JsonObject ?? [];
            node["answers"] = answers;
            answers[player.Instrument.Id] = SheetAnswers.Write(question, player);
        }

        return root.ToJsonString(SheetJson.Options);
    }

    /// <summary>One row a question and instrument (RFC 4180).</summary>
    private string WriteCsv(SheetDoc doc)
    {
        var text = new CsvText();
        text.Row("number", "kind", "instrument", "asked", "question", "answer");
        foreach (var (part, _, player, question, number) in Read(doc))
        {
            text.Row(
                number.ToString(CultureInfo.InvariantCulture),
                doc.Parts[part].Request.Kind,
                player.Instrument.Id,
                Core.Wording.Exercises.QuestionWords.Prompt(question, player),
                SheetQuestions.Write(question.Question, player).ToJsonString(SheetJson.Compact),
                Core.Wording.Exercises.QuestionWords.Answer(question, player) is { Length: > 0 } words
                    ? words
                    : SheetAnswers.Write(question, player).ToJsonString(SheetJson.Compact)
            );
        }

        return text.ToString();
    }

    private string WriteMusic(SheetDoc doc)
    {
        var sheets = Read(doc)
            .GroupBy(q => q.Player)
            .Select(g => new Sheet(
                SheetParts.KindOf(doc.Parts[g.First().Part].Request.Kind),
                1,
                g.Key,
                [.. g.Select(q => q.Question)]
            ))
            .Select(s => (s.Player, Score: SheetMusic.Of(s)))
            .Where(s => s.Score.Bars.Count > 0)
            .ToArray();
        if (sheets.Length == 0)
            throw new FormatException(Say("exercises.sheet-files.this-sheet-has-no-notes-to-save"));
        return MusicXmlWriter.Write([
            .. sheets.Select(
                (s, i) =>
                    new ScoreLine(
                        $"P{i + 1}",
                        s.Player.Instrument.Name,
                        s.Score with
                        {
                            Title = i == 0 ? doc.Heading : "",
                        }
                    )
            ),
        ]);
    }

    /// <summary>Every question for every player, worked out anew; numbered through the sheet from 1.</summary>
    private IEnumerable<(int Part, int Item, Player Player, SheetItem Question, int Number)> Read(SheetDoc doc)
    {
        foreach (var player in parts.Players(doc.Instruments))
        {
            var number = 0;
            foreach (var (p, part) in doc.Parts.Index())
            {
                var kind = SheetParts.KindOf(part.Request.Kind);
                foreach (var (i, item) in part.Items.Index())
                    yield return (p, i, player, SheetParts.QuestionOf(item, kind, player, number), ++number);
            }
        }
    }

    /// <summary>A sheet out of a file: one that was saved here, or one of the command line.</summary>
    /// <exception cref="FormatException">Not a sheet, or an item of it is broken; the message names it.</exception>
    public SheetDoc Read(string text)
    {
        try
        {
            var root = JsonNode.Parse(text) as JsonObject ?? throw NoSheet(null);
            var doc = root["parts"] is null ? OfOneKind(root) : root.Deserialize<SheetDoc>(Json)!;
            if (
                doc.Parts is null
                || doc.Instruments is null
                || doc.Parts.Any(p => p.Items is null || p.Request is null)
            )
                throw NoSheet(null);
            // An id of its own for each question, and a heading where there was none.
            doc = doc with
            {
                Heading = doc.Heading ?? "",
                Parts =
                [
                    .. doc.Parts.Select(p =>
                        p with
                        {
                            Items = [.. p.Items.Select(i => i with { Id = SheetParts.NewId() })],
                        }
                    ),
                ],
            };
            Compare(root, doc);
            return doc;
        }
        catch (JsonException e)
        {
            throw NoSheet(e);
        }
    }

    private static FormatException NoSheet(JsonException? e) =>
        new(
            Say(
                "exercises.sheet-files.this-is-not-a-sheet-of-exercises",
                (
                    "what",
                    e?.LineNumber is { } line ? Say("exercises.sheet-files.no-sheet-line", ("line", line + 1)) : ""
                )
            ),
            e
        );

    /// <summary>Answers in a file must be those that follow from its questions.</summary>
    private void Compare(JsonObject root, SheetDoc doc)
    {
        foreach (var (part, item, player, question, number) in Read(doc))
        {
            var given =
                root["parts"] is { } all ? all[part]!["items"]![item]!["answers"]?[player.Instrument.Id]
                : question.Question is PlayQuestion ? null
                : root["items"]![item]!["answer"];
            if (given is null)
                continue;
            var right = SheetAnswers.Write(question, player);
            if (!JsonNode.DeepEquals(given, right))
            {
                throw new FormatException(
                    Say(
                        "exercises.sheet-files.item-its-answer-is-not-right-expected",
                        ("number", number),
                        ("kind", doc.Parts[part].Request.Kind),
                        ("toJsonString", right.ToJsonString(SheetJson.Compact))
                    )
                );
            }
        }
    }

    /// <summary>
    /// A sheet of the command line; of music to play each item is a bar, and the bars are one exercise.
    /// </summary>
    private static SheetDoc OfOneKind(JsonObject root)
    {
        var kind = SheetParts.KindOf(Text("kind"));
        var instrument = Text("instrument");
        var items = (root["items"] as JsonArray ?? throw NoSheet(null))
            .Select((i, n) => i?["question"] as JsonObject ?? throw NoQuestion(n))
            .ToArray();
        if (items.Length == 0)
            throw NoSheet(null);
        var questions = kind.IsPlayed ? [OneExercise(items)] : items;
        var seed = root["seed"] is JsonValue value && value.TryGetValue(out int s) ? s : 1;
        return new SheetDoc(
            "",
            NameLine: true,
            [instrument],
            [
                new SheetPartDoc(
                    new PartRequest(kind.Id, Seed: seed),
                    [
                        .. questions.Select(q => new SheetItemDoc(
                            "",
                            Pinned: false,
                            new Dictionary<string, JsonElement> { [instrument] = JsonSerializer.SerializeToElement(q) }
                        )),
                    ]
                ),
            ]
        );

        string Text(string name) =>
            root[name] is JsonValue text && text.TryGetValue(out string? said) ? said : throw NoSheet(null);
        FormatException NoQuestion(int n) =>
            new(Say("exercises.sheet-files.item-question-is-missing", ("n", n + 1), ("kind", kind.Id)));
    }

    private static JsonObject OneExercise(JsonObject[] bars)
    {
        var all = (JsonObject)bars[0].DeepClone();
        all.Remove("notes");
        all.Remove("bar");
        all["bars"] = new JsonArray([.. bars.Select(b => b["notes"]?.DeepClone())]);
        return all;
    }
}
