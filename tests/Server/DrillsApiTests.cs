using System.Text.Json;

namespace Coppia.Tests;

/// <summary>Questions answered on the screen, and cards, over HTTP.</summary>
public class DrillsApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    private Task<(int Status, JsonElement Body)> Post(string address, object body) =>
        server.Send(HttpMethod.Post, address, body);

    private static readonly object OneNote = new { note = "F#4", fifths = 2 };

    private static object Given(string kind, object question, object? reply) =>
        new
        {
            instrument = "violin",
            given = new
            {
                kind,
                question,
                reply,
            },
        };

    private static string Text(JsonElement of, string name) => of.GetProperty(name).GetString()!;

    [Fact]
    public async Task A_question_comes_with_help_and_a_picture_that_does_not_tell_its_answer()
    {
        var (status, drill) = await Post(
            "/api/drills/open",
            new
            {
                instrument = "violin",
                heading = "Friday",
                questions = new[] { new { kind = "name-it", question = OneNote } },
            }
        );
        Assert.Equal(200, status);
        Assert.Equal("Friday", Text(drill, "heading"));
        var question = drill.GetProperty("questions")[0];
        Assert.Equal("Which note is this?", Text(question, "instruction"));
        Assert.Equal("A note: space 1. Treble clef, two sharps.", Text(question, "picture"));
        // The reading questions of craft 1, one by one.
        Assert.Equal(
            [
                "Line or space?",
                "Which one, counted from the bottom?",
                "Which letter is that?",
                "What does the key signature do to that letter?",
                "So what is its name?",
            ],
            question.GetProperty("help").EnumerateArray().Select(h => Text(h, "ask"))
        );
        Assert.Equal("It makes every F sharp.", Text(question.GetProperty("help")[3], "say"));
        Assert.Equal(7, drill.GetProperty("desk").GetProperty("letters").GetArrayLength());
    }

    [Fact]
    public async Task A_wrong_answer_says_what_happened_and_asks_on()
    {
        var (_, wrong) = await Post("/api/drills/answer", Given("name-it", OneNote, new { name = "F" }));
        Assert.False(wrong.GetProperty("right").GetBoolean());
        Assert.Equal("forgot-signature", Text(wrong, "mistake"));
        Assert.Contains("it makes every F sharp", Text(wrong, "words"), StringComparison.Ordinal);
        Assert.Equal("signature", Text(wrong.GetProperty("next"), "kind"));
        var (_, right) = await Post("/api/drills/answer", Given("name-it", OneNote, new { name = "F#" }));
        Assert.True(right.GetProperty("right").GetBoolean());
        Assert.Equal(JsonValueKind.Null, right.GetProperty("next").ValueKind);
        var (_, shown) = await Post("/api/drills/answer", Given("name-it", OneNote, null));
        Assert.Equal(("shown", "F♯"), (Text(shown, "mistake"), Text(shown, "answer")));
    }

    [Fact]
    public async Task A_round_ends_with_its_number_and_what_to_look_at()
    {
        var given = new[] { "F#", "F", "F", "F", null }.Select(n => new
        {
            kind = "name-it",
            question = OneNote,
            reply = n is null ? null : new { name = n },
        });
        var (status, end) = await Post("/api/drills/end", new { instrument = "violin", given });
        Assert.Equal(200, status);
        Assert.Equal((1, 5), (end.GetProperty("right").GetInt32(), end.GetProperty("count").GetInt32()));
        Assert.Equal("morePractice", Text(end, "grade"));
        Assert.Equal(
            ["Three times: read the key signature first, and say what it changes."],
            end.GetProperty("lookAt").EnumerateArray().Select(l => l.GetString())
        );
    }

    [Theory]
    [InlineData("noteToName", "inOrder", "D string, D major", "name-it")]
    [InlineData("noteToPair", "mixed", "D string, D major", "finger-it")]
    [InlineData("pairToNote", "twoStrings", "D and A strings, D major", "write-it")]
    [InlineData("nameToPlace", "allStrings", "All strings, D major", "find-it")]
    public async Task Twelve_cards_are_dealt(string card, string stage, string heading, string kind)
    {
        foreach (var instrument in new[] { "violin", "bass" })
        {
            var strings = instrument == "violin" ? 1 : 2;
            var (status, drill) = await Post(
                "/api/cards/round",
                new
                {
                    instrument,
                    card,
                    stage,
                    @string = strings,
                    fifths = 2,
                    seed = 4,
                }
            );
            Assert.Equal(200, status);
            if (instrument == "violin")
                Assert.Equal(heading, Text(drill, "heading"));
            Assert.Equal(12, drill.GetProperty("questions").GetArrayLength());
            Assert.All(drill.GetProperty("questions").EnumerateArray(), q => Assert.Equal(kind, Text(q, "kind")));
        }
    }

    [Theory]
    [InlineData("name-it", "{\"note\":\"H4\"}", "{\"name\":\"F\"}", "Question 1 (name-it): ")]
    [InlineData("name-it", "{\"note\":\"F4\"}", "{\"name\":\"?\"}", "“?” is not a name; expected one such as F#.")]
    [InlineData("scale", "{}", "{}", "“Scale” is music to play; it is not answered.")]
    [InlineData("nonsense", "{}", "{}", "“nonsense” is not a kind of exercise.")]
    [InlineData(
        "scale-builder",
        "{\"first\":\"D4\",\"key\":\"D\",\"octaves\":1}",
        "{\"spots\":[{\"string\":\"D\",\"semitones\":0}],\"halfSteps\":[3]}",
        "The answer is not complete (Build the scale)."
    )]
    public async Task What_cannot_be_judged_says_why(string kind, string question, string reply, string message)
    {
        var (status, problem) = await Post(
            "/api/drills/answer",
            Given(kind, JsonDocument.Parse(question).RootElement, JsonDocument.Parse(reply).RootElement)
        );
        Assert.Equal(422, status);
        Assert.StartsWith(message, Text(problem, "title"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_string_that_is_not_there_and_a_round_without_answers_are_refused()
    {
        var (status, problem) = await Post(
            "/api/cards/round",
            new
            {
                instrument = "cello",
                card = "noteToName",
                stage = "mixed",
                @string = 4,
                fifths = 0,
            }
        );
        Assert.Equal((422, "There is no such string or key."), (status, Text(problem, "title")));
        (status, _) = await Post("/api/drills/end", new { instrument = "cello", given = Array.Empty<object>() });
        Assert.Equal(422, status);
    }
}
