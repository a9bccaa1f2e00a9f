using System.Text.Json;
using System.Text.Json.Nodes;

namespace Coppia.Tests;

/// <summary>The writing staff over HTTP (craft 20): steps follow one another through the state alone.</summary>
public class WritingApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    private async Task<JsonElement> New(object? asked = null) =>
        (
            await server.Send(
                HttpMethod.Post,
                "/api/writing/new",
                asked
                    ?? new
                    {
                        instrument = "violin",
                        fifths = 2,
                        meter = "4/4",
                    }
            )
        ).Body;

    private async Task<JsonElement> Step(JsonElement view, object command, string instrument = "violin")
    {
        var (status, body) = await server.Send(
            HttpMethod.Post,
            "/api/writing/step",
            new
            {
                state = view.GetProperty("state"),
                instrument,
                command,
            }
        );
        return status == 200 ? body : throw new InvalidOperationException($"{status}: {body}");
    }

    private async Task<JsonElement> Letters(string letters, JsonElement? from = null)
    {
        var view = from ?? await New();
        foreach (var letter in letters)
            view = await Step(view, new { @do = "letter", text = $"{letter}" });
        return view;
    }

    private static string Names(JsonElement view) =>
        string.Join(' ', view.GetProperty("events").EnumerateArray().Select(e => e.GetProperty("name").GetString()));

    [Fact]
    public async Task Letters_write_in_the_key_and_the_staff_says_what_is_left()
    {
        var view = await Letters("DEF");
        Assert.Equal("D E F♯", Names(view));
        Assert.Equal("1 beat left in bar 1", view.GetProperty("left").GetString());
        Assert.Equal("After F♯4, quarter, bar 1, beat 3.", view.GetProperty("said").GetString());
        Assert.Equal("Bar 1 is full", (await Letters("G", view)).GetProperty("left").GetString());
    }

    [Theory] // A repeat after four beats: bars of two beats end there as well, bars of three do not.
    [InlineData("2/4", null)]
    [InlineData("3/4", "Some repeats, endings and part letters would stand inside a bar now.")]
    public async Task Another_meter_says_what_it_leaves_out(string meter, string? said)
    {
        var view = await Letters("GABC", await Step(await Letters("DEFG"), new { @do = "repeatEnd" }));
        var leftOut = (await Step(view, new { @do = "meter", text = meter })).GetProperty("leftOut").GetString();
        if (said is null)
            Assert.Null(leftOut);
        else
            Assert.StartsWith(said, leftOut, StringComparison.Ordinal);
    }

    [Fact] // To undo is to go back to a state that was: the same state gives the same staff.
    public async Task The_same_state_gives_the_same_staff()
    {
        var view = await Letters("DEFGABC");
        var (_, again) = await server.Send(
            HttpMethod.Post,
            "/api/writing/step",
            new { state = view.GetProperty("state"), instrument = "violin" }
        );
        Assert.Equal(view.GetRawText(), again.GetRawText());
    }

    /// <summary>What hands do on a staff, in any order.</summary>
    private static readonly object[] Commands =
    [
        new { @do = "letter", text = "D" },
        new { @do = "letter", text = "A" },
        new { @do = "pitch", text = "F#4" },
        new { @do = "rest" },
        new { @do = "delete" },
        new { @do = "dot" },
        new { @do = "triplet" },
        new { @do = "value", by = 3 },
        new { @do = "value", by = 2 },
        new { @do = "tie" },
        new { @do = "slur" },
        new { @do = "alter", by = 1 },
        new { @do = "mark", text = "accent" },
        new { @do = "repeatEnd" },
        new { @do = "double" },
        new { @do = "move", by = -1 },
        new
        {
            @do = "move",
            by = -2,
            select = true,
        },
        new { @do = "end" },
        new { @do = "key", by = -2 },
        new { @do = "meter", text = "3/4" },
        new { @do = "pickUp", by = 1 },
        new { @do = "clef", text = "alto" },
    ];

    [Theory] // A score that is told by its key gives what it gives when it is sent and read.
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(6)]
    public async Task A_remembered_score_is_the_one_that_is_sent(int seed)
    {
        var random = new Random(seed);
        var view = await Letters("DEFGA");
        for (var i = 0; i < 60; i++)
        {
            var command = Commands[random.Next(Commands.Length)];
            var state = JsonNode.Parse(view.GetProperty("state").GetRawText())!.AsObject();
            // A blank more is another text, which nobody remembers.
            var sent = await Answered(state, state["doc"]!.GetValue<string>() + " ", command);
            var told = await Answered(state, null, command);
            Assert.Equal(sent.Status, told.Status);
            Assert.Equal(sent.Body.GetRawText(), told.Body.GetRawText());
            if (told.Status == 200)
                view = told.Body;
        }

        Task<(int Status, JsonElement Body)> Answered(JsonObject state, string? doc, object command)
        {
            var from = state.DeepClone().AsObject();
            from["doc"] = doc;
            return server.Send(
                HttpMethod.Post,
                "/api/writing/step",
                new
                {
                    state = from,
                    instrument = "violin",
                    command,
                }
            );
        }
    }

    [Fact]
    public async Task A_score_that_is_forgotten_is_asked_for()
    {
        var state = JsonNode.Parse((await New()).GetProperty("state").GetRawText())!.AsObject();
        state["doc"] = null;
        state["key"] = "0123456789abcdef0123456789abcdef";
        var (status, problem) = await server.Send(
            HttpMethod.Post,
            "/api/writing/step",
            new { state, instrument = "violin" }
        );
        Assert.Equal(
            (410, "This score is not remembered any more; expected it whole."),
            (status, problem.GetProperty("title").GetString())
        );
        state["key"] = null;
        (status, problem) = await server.Send(
            HttpMethod.Post,
            "/api/writing/step",
            new { state, instrument = "violin" }
        );
        Assert.Equal(422, status);
        Assert.Equal(
            "Expected the score that is written on, or its key.",
            problem.GetProperty("errors").GetProperty("doc")[0].GetString()
        );
    }

    [Fact]
    public async Task A_bar_that_lacks_something_says_so()
    {
        var view = await Letters("DEFGA");
        view = await Step(view, new { @do = "start" });
        view = await Step(view, new { @do = "deleteForward" });
        Assert.Equal("1 beat missing", view.GetProperty("bars")[0].GetProperty("lacks").GetString());
    }

    [Fact] // Four bars stand in a line; a change in one line leaves the pictures of the others as they are.
    public async Task Only_the_line_that_changed_is_drawn_anew()
    {
        var view = await Letters(string.Concat(Enumerable.Repeat("DEFG", 12)));
        string[] Pictures(JsonElement v) =>
            [.. v.GetProperty("systems").EnumerateArray().Select(s => s.GetProperty("musicXml").GetString()!)];
        var before = Pictures(view);
        var after = Pictures(
            await Step(
                view,
                new
                {
                    @do = "repitch",
                    text = "A4",
                    at = new { bar = 5, at = 0 },
                }
            )
        );
        Assert.Equal([true, false, true], before.Zip(after).Select(p => p.First == p.Second));
    }

    [Fact] // What is drawn is the score: line by line the same notes.
    public async Task The_drawn_lines_are_the_score()
    {
        var view = await Letters("DEFGABCDDCBAGFEDDEFGA");
        view = await Step(await Step(view, new { @do = "all" }), new { @do = "slur" });
        static string Pitches(string xml) =>
            string.Join(
                ' ',
                Coppia.Formats.Books.TuneReader.Read(xml).Score!.Events.Select(e => $"{e.Pitch}:{e.Value}")
            );
        Assert.Equal(
            Pitches(view.GetProperty("state").GetProperty("doc").GetString()!),
            string.Join(
                ' ',
                view.GetProperty("systems")
                    .EnumerateArray()
                    .Select(s => Pitches(s.GetProperty("musicXml").GetString()!))
            )
        );
    }

    [Fact] // A chord symbol would go with the mended text; a short bar stays as it is.
    public async Task What_mending_would_lose_is_told_from_what_stays()
    {
        var id = await server.Keep("X:1\nT:Two Notices\nM:4/4\nL:1/4\nK:D\n\"D\"DEFG|DEF|DEFG|]");
        var notices = (await server.Get($"/api/tunes/{id}")).GetProperty("notices").EnumerateArray().ToArray();
        string[] Of(bool loss) =>
            [
                .. notices
                    .Where(n => n.GetProperty("isLoss").GetBoolean() == loss)
                    .Select(n => n.GetProperty("message").GetString()!),
            ];
        Assert.Equal(["Chord symbols are left out."], Of(loss: true));
        Assert.Contains("Bar 2", Assert.Single(Of(loss: false)), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_kept_tune_is_mended_and_its_text_keeps_its_form()
    {
        const string Source = "X:1\nT:Mended\nS:an old book\nM:4/4\nL:1/4\nK:D\nDEFG|A4|]\n";
        var id = await server.Keep(Source);
        var view = await server.Get($"/api/tunes/{id}/writing?instrument=violin");
        view = await Step(
            view,
            new
            {
                @do = "repitch",
                text = "E4",
                at = new { bar = 0, at = 0 },
            }
        );
        var (_, text) = await server.Send(
            HttpMethod.Post,
            "/api/writing/text",
            new { doc = view.GetProperty("state").GetProperty("doc").GetString(), before = Source }
        );
        Assert.Equal("X:1\nT:Mended\nS:an old book\nM:4/4\nL:1/8\nK:D\nE2 E2 F2 G2 | A8 |]\n", text.GetString());
    }

    [Fact] // A pin hangs on its note, and stays there when another note is mended.
    public async Task Pins_stay_with_the_notes_that_did_not_change()
    {
        const string Source = "X:1\nM:4/4\nL:1/4\nK:D\nDEAG|]\n";
        var id = await server.Keep(Source);
        Assert.Equal(204, (await server.Pin(id, "violin", "b1n3", (1, 4))).Status);
        var view = await Step(
            await server.Get($"/api/tunes/{id}/writing?instrument=violin"),
            new
            {
                @do = "repitch",
                text = "F#4",
                at = new { bar = 0, at = 1 },
            }
        );
        var (_, text) = await server.Send(
            HttpMethod.Post,
            "/api/writing/text",
            new { doc = view.GetProperty("state").GetProperty("doc").GetString(), before = Source }
        );
        Assert.Equal(
            200,
            (
                await server.Send(HttpMethod.Put, $"/api/tunes/{id}", new { version = 1, source = text.GetString() })
            ).Status
        );
        var labels = (await server.Get($"/api/tunes/{id}/reading?instrument=violin"))
            .GetProperty("notes")
            .EnumerateArray()
            .Select(n => n.GetProperty("label").GetString());
        Assert.Equal("D0 D2 D4 D3", string.Join(' ', labels));
    }

    [Fact] // Of a score of several lines, the reader's own is written on, and the others stay as they are.
    public async Task One_line_of_a_score_is_written_on()
    {
        var id = await server.Keep(
            "X:1\nM:4/4\nL:1/4\nK:D\nV:1 name=\"Violin\"\nV:2 name=\"Cello\" "
                + "clef=bass\n[V:1]DEFG|]\n[V:2]D,A,,D,A,,|]\n"
        );
        var view = await server.Get($"/api/tunes/{id}/writing?instrument=cello");
        Assert.Equal("bass", view.GetProperty("clef").GetString());
        view = await Step(
            view,
            new
            {
                @do = "repitch",
                text = "E3",
                at = new { bar = 0, at = 0 },
            },
            "cello"
        );
        var lines = Coppia
            .Formats.Books.TuneReader.Read(view.GetProperty("state").GetProperty("doc").GetString()!)
            .Lines;
        Assert.Equal(
            ["D4 E4 F#4 G4", "E3 A2 D3 A2"],
            lines.Select(l => string.Join(' ', l.Score.Events.Select(e => e.Pitch)))
        );
    }

    [Fact]
    public async Task What_is_selected_is_copied_and_put_in_elsewhere()
    {
        var view = await Step(await Letters("DEF"), new { @do = "all" });
        var copied = view.GetProperty("copied").GetString();
        view = await Step(await Step(view, new { @do = "end" }), new { @do = "paste", text = copied });
        Assert.Equal("D E F♯ D E F♯", Names(view));
    }

    [Theory] // Lines and spaces with their names and pairs: the craft page's check values.
    [InlineData("violin", 2, "treble", -1, "D", "D0")]
    [InlineData("violin", 2, "treble", 1, "F♯", "D2")]
    [InlineData("violin", 0, "treble", 1, "F", "D-L2")]
    [InlineData("cello", 2, "bass", 6, "F♯", "D3")]
    [InlineData("bass", 0, "bass", 4, "D", "D0")]
    public async Task Lines_and_spaces_have_their_pairs(
        string instrument,
        int fifths,
        string clef,
        int height,
        string name,
        string pair
    )
    {
        var spots = await server.Get($"/api/instruments/{instrument}/staff?fifths={fifths}&clef={clef}");
        var spot = spots.EnumerateArray().Single(s => s.GetProperty("height").GetInt32() == height);
        Assert.Equal((name, pair), (spot.GetProperty("name").GetString(), spot.GetProperty("pair").GetString()));
    }

    [Theory]
    [InlineData("jump", null)]
    [InlineData("pitch", "H9")]
    [InlineData("clef", "soprano")]
    public async Task What_cannot_be_done_is_refused(string what, string? text)
    {
        var view = await New();
        var (status, problem) = await server.Send(
            HttpMethod.Post,
            "/api/writing/step",
            new
            {
                state = view.GetProperty("state"),
                instrument = "violin",
                command = new { @do = what, text },
            }
        );
        Assert.Equal(422, status);
        Assert.StartsWith(
            $"“{what}” cannot be done",
            problem.GetProperty("title").GetString(),
            StringComparison.Ordinal
        );
    }
}
