using System.Text.Json;
using System.Text.Json.Nodes;
using Coppia.Core.Drills;
using Coppia.Formats.Exercises;

namespace Coppia.Tests;

/// <summary>Whatever a sheet asks: the answer that stands in its key is right, and another one is not.</summary>
public class AnyAnswerTests
{
    private static readonly ExerciseKind[] Asked = [.. ExerciseKind.All.Where(k => !k.IsPlayed)];

    /// <summary>The key's answer in the fields in which a learner answers.</summary>
    private static JsonObject FromKey(SheetItem item, JsonObject key, Player player)
    {
        switch (item.Question)
        {
            case NoteQuestion { Kind: QuestionKind.Name }:
                return new JsonObject { ["name"] = key["name"]!.DeepClone() };
            case NoteQuestion { Kind: QuestionKind.Stem }:
                var stem = (string)key["stem"]!;
                return new JsonObject { ["stem"] = stem, ["side"] = stem == "up" ? "right" : "left" };
            case NoteQuestion { Kind: QuestionKind.Write or QuestionKind.LineOrSpace }:
                return new JsonObject { ["height"] = Height((string)key["on"]!, (int?)key["number"] ?? 0) };
            case SignatureQuestion { Written: true } q:
                return new JsonObject
                {
                    ["sign"] = q.Fifths > 0 ? "sharp" : "flat",
                    ["heights"] = key["heights"]!.DeepClone(),
                };
            case ShapeQuestion:
                return new JsonObject
                {
                    ["semitones"] = new JsonArray([
                        .. key["spots"]!.AsArray().Select(s => s!["semitones"]!.DeepClone()),
                    ]),
                };
            case ScaleQuestion:
                return new JsonObject
                {
                    ["spots"] = new JsonArray([
                        .. key["notes"]!.AsArray().Select(n => Spot(Pitch.Parse((string)n!), player)),
                    ]),
                    ["halfSteps"] = key["halfSteps"]!.DeepClone(),
                };
            case BeatQuestion { Sum: BeatSum.IsItRight }:
                var (holds, wanted) = (Length((string)key["holds"]!), Length((string)key["wanted"]!));
                return new JsonObject
                {
                    ["sum"] =
                        holds == wanted ? "right"
                        : holds < wanted ? "short"
                        : "long",
                };
            case BarsQuestion { Kind: QuestionKind.Count }:
                return new JsonObject
                {
                    ["syllables"] = new JsonArray([.. key["syllables"]!.AsArray().SelectMany(s => Said((string)s!))]),
                };
            case BarsQuestion { Kind: QuestionKind.Bow } q:
                var ways = new Queue<JsonNode>(key["bows"]!.AsArray().Select(w => w!.DeepClone()));
                var slurred = false;
                return new JsonObject
                {
                    ["bows"] = new JsonArray([
                        .. q
                            .Music.Events.Where(e => !e.IsRest)
                            .Select(e =>
                            {
                                var way = slurred ? null : ways.Dequeue();
                                slurred = e.SlurStarts > 0 || slurred && e.SlurStops == 0;
                                return way;
                            }),
                    ]),
                };
            case BarsQuestion q:
                return new JsonObject { ["event"] = q.Music.Bars[0].Events.Count + (int)key["at"]![0]! - 1 };
            case PenQuestion:
                return new JsonObject { ["covered"] = 100, ["astray"] = 0 };
            default:
                return key;
        }
    }

    /// <summary>"space 2" as half-spaces above the bottom line (craft 1).</summary>
    private static int Height(string on, int number) =>
        on switch
        {
            "line" => 2 * (number - 1),
            "space" => 2 * number - 1,
            "below the staff" => -1,
            "above the staff" => 9,
            "ledger line below" => -2 * number,
            "under ledger line below" => -2 * number - 1,
            "ledger line above" => 8 + 2 * number,
            _ => 9 + 2 * number,
        };

    private static double Length(string fraction)
    {
        var parts = fraction.Split('/').Select(double.Parse).ToArray();
        return parts.Length == 1 ? parts[0] : parts[0] / parts[1];
    }

    /// <summary>"1 2" is two syllables, "(3 4)" two in brackets.</summary>
    private static IEnumerable<JsonNode?> Said(string text)
    {
        var rest = text.StartsWith('(');
        return text.Trim('(', ')')
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .Select(s => (JsonNode?)(rest ? $"({s})" : s));
    }

    /// <summary>Any place that sounds a note, the highest string first.</summary>
    private static JsonNode Spot(Pitch note, Player player)
    {
        var open = player.Instrument.Strings.Last(s => s.Midi <= note.Midi);
        return new JsonObject { ["string"] = $"{open.Letter}", ["semitones"] = note.Midi - open.Midi };
    }

    private static bool IsRight(SheetItem item, JsonObject reply, Player player) =>
        Judging.Of(item, player, ReplyJson.Read(item, JsonSerializer.SerializeToElement(reply), player)).IsRight;

    [Fact]
    public void The_answer_of_the_key_is_right_and_that_of_another_question_is_not()
    {
        var (right, wrong) = (0, 0);
        foreach (var instrument in StringSection.All)
        foreach (var kind in Asked)
        foreach (var seed in Enumerable.Range(1, Rounds.Of(40, 4)))
        {
            var player = new Player(instrument);
            var sheet = Sheet.Of(
                new SheetRequest
                {
                    Kind = kind,
                    Players = [player],
                    Seed = seed,
                }
            )[0];
            var replies = sheet.Items.Select(i => FromKey(i, SheetAnswers.Write(i, player), player)).ToArray();
            foreach (var (item, reply) in sheet.Items.Zip(replies))
            {
                Assert.True(
                    IsRight(item, reply, player),
                    $"{instrument.Id} {kind} {seed}: {SheetQuestions.Write(item.Question, player)} {reply}"
                );
                right++;
            }

            // The answer to a question of the same form that has another one.
            foreach (var (a, b) in sheet.Items.Zip(sheet.Items.Skip(1)))
            {
                if (kind.Id is not ("name-it" or "write-it" or "line-or-space" or "find-it"))
                    continue;
                var (own, other) = (SheetAnswers.Write(a, player), SheetAnswers.Write(b, player));
                if (own.ToJsonString() == other.ToJsonString())
                    continue;
                var sameSpot = kind == ExerciseKind.FindIt && Sounds(own, player) == Sounds(other, player);
                Assert.True(
                    sameSpot || !IsRight(a, FromKey(b, other, player), player),
                    $"{instrument.Id} {kind} {seed}: {own} {other}"
                );
                wrong++;
            }
        }

        Assert.True(right > Rounds.Of(15_000, 1500) && wrong > Rounds.Of(2000, 200), $"{right} {wrong}");
    }

    private static int Sounds(JsonObject key, Player player) =>
        player.Instrument.Strings.First(s => $"{s.Letter}" == (string)key["string"]!).Midi + (int)key["semitones"]!;
}
