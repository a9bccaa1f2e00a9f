using System.Text.Json;
using System.Text.Json.Nodes;

namespace Coppia.Tests;

/// <summary>Parts of sheets and kept sheets over HTTP.</summary>
public class ExercisesApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    private async Task<JsonElement> Part(string kind, object? kept = null, int seed = 1, params string[] instruments)
    {
        var (status, body) = await server.Send(
            HttpMethod.Post,
            "/api/exercises/part",
            new
            {
                instruments = instruments.Length > 0 ? instruments : ["violin"],
                request = new { kind, seed },
                kept,
            }
        );
        return status == 200 ? body : throw new InvalidOperationException($"{status}: {body}");
    }

    private static JsonElement[] Items(JsonElement part) => [.. part.GetProperty("items").EnumerateArray()];

    private static string Question(JsonElement item, string instrument = "violin") =>
        item.GetProperty("each").GetProperty(instrument).GetProperty("question").GetRawText();

    /// <summary>A sheet of one part as it is sent to be kept.</summary>
    private static JsonObject Doc(JsonElement part, string heading = "Friday", params string[] instruments)
    {
        string[] players = instruments.Length > 0 ? instruments : ["violin"];
        return new JsonObject
        {
            ["heading"] = heading,
            ["nameLine"] = true,
            ["instruments"] = new JsonArray([.. players.Select(i => (JsonNode?)i)]),
            ["parts"] = new JsonArray(
                new JsonObject
                {
                    ["request"] = JsonNode.Parse(part.GetProperty("request").GetRawText()),
                    ["items"] = new JsonArray([.. Items(part).Select(i => (JsonNode?)ItemDoc(i, players))]),
                }
            ),
        };
    }

    private static JsonObject ItemDoc(JsonElement item, params string[] instruments) =>
        new()
        {
            ["id"] = item.GetProperty("id").GetString(),
            ["pinned"] = false,
            ["questions"] = new JsonObject(
                instruments.Select(i => KeyValuePair.Create(i, JsonNode.Parse(Question(item, i))))
            ),
        };

    [Fact]
    public async Task Every_kind_is_found_by_what_it_trains()
    {
        var trainings = (await server.Get("/api/exercises/kinds")).EnumerateArray().ToArray();
        var kinds = trainings
            .SelectMany(t => t.GetProperty("kinds").EnumerateArray())
            .Select(k => k.GetProperty("kind").GetString());
        Assert.Equal(ExerciseKind.All.Select(k => k.Id).Order(), kinds.Order());
        // Craft 12, under the headings that a teacher looks for; how many kinds each has.
        (string, int)[] expected =
        [
            ("Reading the staff", 4),
            ("Writing notes by hand", 3),
            ("Knowing the fingerboard", 4),
            ("Counting", 2),
            ("Reading bow signs", 1),
            ("The left hand, played", 8),
            ("Keys, played", 3),
            ("The bow arm, played", 4),
            ("Rhythm, played", 2),
        ];
        Assert.Equal(
            expected,
            trainings.Select(t => (t.GetProperty("name").GetString()!, t.GetProperty("kinds").GetArrayLength()))
        );
    }

    [Fact] // Whatever is made can be kept, and what was kept has the same answers again.
    public async Task Every_kind_comes_back_from_the_shelf_as_it_was()
    {
        foreach (var kind in ExerciseKind.All.Where(k => k.Id is not "chunk"))
        {
            string[] players =
                kind.Id is "bass-frames" ? ["bass"]
                : kind.Id is "stretch" or "open-or-four" or "two-heights" ? ["violin", "viola"]
                : ["violin", "cello", "bass"];
            var part = await Part(kind.Id, instruments: players);
            var (status, kept) = await server.Send(HttpMethod.Post, "/api/sheets", Doc(part, kind.Id, players));
            Assert.True(status == 200, $"{kind}: {kept}");
            var again = await server.Get($"/api/sheets/{kept.GetProperty("id").GetInt64()}");
            var shown = again.GetProperty("parts")[0];
            foreach (var (made, found) in Items(part).Zip(Items(shown)))
                Assert.True(
                    JsonElement.DeepEquals(made.GetProperty("each"), found.GetProperty("each")),
                    $"{kind}: {made.GetProperty("each")}\n{found.GetProperty("each")}"
                );
        }
    }

    [Fact]
    public async Task A_pinned_question_stays_where_it_is()
    {
        var first = Items(await Part("finger-it"));
        var pinned = new[] { new { at = 3, item = ItemDoc(first[3], "violin") } };
        var second = Items(await Part("finger-it", pinned, seed: 2));
        Assert.Equal(first.Length, second.Length);
        Assert.Equal(Question(first[3]), Question(second[3]));
        Assert.NotEqual(first.Select(i => Question(i)), second.Select(i => Question(i)));
        Assert.Single(second, i => Question(i) == Question(first[3]));
    }

    [Fact]
    public async Task A_sheet_is_kept_changed_copied_put_away_and_brought_back()
    {
        var doc = Doc(await Part("name-it"), "Monday");
        var kept = (await server.Send(HttpMethod.Post, "/api/sheets", doc)).Body;
        var id = kept.GetProperty("id").GetInt64();
        doc["heading"] = "Tuesday";
        Assert.Equal(
            200,
            (await server.Send(HttpMethod.Put, $"/api/sheets/{id}", new { sheet = doc, version = 1 })).Status
        );
        // Another window still has the first version.
        var (status, conflict) = await server.Send(
            HttpMethod.Put,
            $"/api/sheets/{id}",
            new { sheet = doc, version = 1 }
        );
        Assert.Equal(409, status);
        Assert.StartsWith(
            "This sheet was saved from another window",
            conflict.GetProperty("title").GetString(),
            StringComparison.Ordinal
        );

        var copy = (await server.Send(HttpMethod.Post, $"/api/sheets/{id}/duplicate")).Body;
        Assert.Equal("Tuesday (copy)", copy.GetProperty("heading").GetString());
        Assert.Equal(204, (await server.Send(HttpMethod.Delete, $"/api/sheets/{id}")).Status);
        Assert.Equal(404, (await server.Send(HttpMethod.Get, $"/api/sheets/{id}")).Status);
        Assert.Contains(
            (await server.Get("/api/sheets/deleted")).EnumerateArray(),
            s => s.GetProperty("id").GetInt64() == id
        );
        Assert.Equal(204, (await server.Send(HttpMethod.Post, $"/api/sheets/{id}/restore")).Status);
        Assert.Equal("Tuesday", (await server.Get($"/api/sheets/{id}")).GetProperty("heading").GetString());
    }

    [Fact] // OWASP ASVS 4.0.3, 5.1.3: what is asked for is bounded.
    public async Task Sheets_are_listed_by_pages_and_found_by_heading_or_kind()
    {
        var doc = Doc(await Part("stems"), "Über die Hälse 0");
        for (var i = 0; i < 5; i++)
        {
            doc["heading"] = $"Über die Hälse {i}";
            await server.Send(HttpMethod.Post, "/api/sheets", doc);
        }

        async Task<(string?[] Headings, int Total)> Of(string query)
        {
            var list = await server.Get($"/api/sheets?{query}");
            return (
                [.. list.GetProperty("sheets").EnumerateArray().Select(s => s.GetProperty("heading").GetString())],
                list.GetProperty("total").GetInt32()
            );
        }

        var (second, total) = await Of("search=uber die h&from=2&count=2");
        Assert.Equal(5, total);
        Assert.Equal(["Über die Hälse 2", "Über die Hälse 1"], second); // the last kept comes first
        Assert.Contains("Über die Hälse 4", (await Of("search=stem")).Headings);
        Assert.Equal(0, (await Of("search=tarantella")).Total);
        foreach (var wrong in new[] { "from=-1", "count=0", "count=201" })
            Assert.Equal(400, (await server.Send(HttpMethod.Get, $"/api/sheets?{wrong}")).Status);
    }

    [Theory] // A broken sheet names its item, and nothing is kept.
    [InlineData(
        "note",
        "H4",
        "Item 2 (finger-it): “H4” is not a pitch; expected a letter, # or b, and an octave number, such as F#4."
    )]
    [InlineData(
        "note",
        "C2",
        "Item 2 (finger-it): the question has no answer on the violin (no finger reaches the note; "
            + "expected one that the hand can play)."
    )]
    [InlineData("note", null, "Item 2 (finger-it): “note” is missing; expected it as text.")]
    public async Task A_broken_question_is_named(string field, string? value, string error)
    {
        var before = (await server.Get("/api/sheets")).GetProperty("total").GetInt32();
        var doc = Doc(await Part("finger-it"));
        doc["parts"]![0]!["items"]![1]!["questions"]!["violin"]![field] = value;
        var (status, problem) = await server.Send(HttpMethod.Post, "/api/sheets", doc);
        Assert.Equal((422, error), (status, problem.GetProperty("title").GetString()));
        Assert.Equal(before, (await server.Get("/api/sheets")).GetProperty("total").GetInt32());
    }

    [Theory]
    [InlineData(
        "stretch",
        "bass",
        "The hand of the double bass has no stretch; stretches can be made for the violin, viola and cello."
    )]
    [InlineData("what", "violin", "“what” is not a kind of exercise.")]
    [InlineData("name-it", "oboe", "“oboe” is not an instrument; expected violin, viola, cello or bass.")]
    public async Task What_cannot_be_made_says_what_could(string kind, string instrument, string error)
    {
        var asked = new { instruments = new[] { instrument }, request = new { kind } };
        var (status, problem) = await server.Send(HttpMethod.Post, "/api/exercises/part", asked);
        Assert.Equal((422, error), (status, problem.GetProperty("title").GetString()));
    }

    [Fact] // Its notes, its scale, its rhythm, a drill for what is hard, its trouble spots.
    public async Task A_tune_has_a_first_sheet_at_one_press()
    {
        var tune = await server.Keep("X:1\nT:Stairs\nM:3/4\nL:1/4\nK:G\nG B d|g d B|c A F|G3|G B d|g f e|d c A|G3|]\n");
        var (status, parts) = await server.Send(
            HttpMethod.Post,
            $"/api/exercises/first/{tune}?instruments=violin,cello&seed=1"
        );
        Assert.Equal(200, status);
        string?[] kinds =
        [
            .. parts.EnumerateArray().Select(p => p.GetProperty("request").GetProperty("kind").GetString()),
        ];
        Assert.Equal(["finger-it", "scale", "rhythm"], kinds.Take(3));
        Assert.Equal("chunk", kinds[^1]);
        Assert.All(Items(parts[0]), i => Assert.Equal(2, i.GetProperty("each").EnumerateObject().Count()));
        Assert.Equal("G major", parts[1].GetProperty("key").GetString());
        // What was kept is called by the tune's key too; when the tune is gone, by none rather than by a wrong one.
        var kept = (await server.Send(HttpMethod.Post, "/api/sheets", Doc(parts[1], "Stairs", "violin", "cello"))).Body;
        Assert.Equal("G major", kept.GetProperty("parts")[0].GetProperty("key").GetString());
        await server.Send(HttpMethod.Delete, $"/api/tunes/{tune}");
        var later = await server.Get($"/api/sheets/{kept.GetProperty("id").GetInt64()}");
        Assert.Equal(JsonValueKind.Null, later.GetProperty("parts")[0].GetProperty("key").ValueKind);
        // The rhythm is the tune's, in the tune's meter.
        Assert.Contains("3/4", Question(Items(parts[2])[0]), StringComparison.Ordinal);
    }

    // The point of the exercise is its pairs: they are pins on the stand. In D major the third finger on G is C sharp.
    [Fact]
    public async Task An_exercise_goes_to_the_stand_with_its_pairs()
    {
        var item = Items(await Part("open-or-four"))[0];
        var question = JsonNode.Parse(Question(item));
        var asked = new
        {
            title = "Open or four",
            kind = "open-or-four",
            instrument = "violin",
            question,
        };
        var (status, id) = await server.Send(HttpMethod.Post, "/api/exercises/tune", asked);
        Assert.Equal(200, status);
        var reading = await server.Get($"/api/tunes/{id.GetInt64()}/reading?instrument=violin");
        var labels = reading
            .GetProperty("notes")
            .EnumerateArray()
            .Select(n => n.GetProperty("label").GetString())
            .ToArray();
        Assert.Equal(["D0", "G4", "G-H3", "G4", "G-H3", "G4", "G4", "D0"], labels.Take(8));
    }

    private async Task<string> File(string format, JsonObject doc) =>
        (await server.Send(HttpMethod.Post, $"/api/exercises/file/{format}", doc)).Body.GetString()!;

    [Fact] // A sheet that is saved as a file is the same sheet when it is opened again.
    public async Task A_file_opens_again_as_the_same_sheet()
    {
        foreach (var kind in new[] { "write-it", "beat-sums", "bow-it", "hand-shape", "stretch", "scale-builder" })
        {
            var part = await Part(kind, instruments: ["violin", "cello"]);
            var text = await File("json", Doc(part, "File", "violin", "cello"));
            var (status, sheet) = await server.Send(HttpMethod.Post, "/api/exercises/import", new { text });
            Assert.True(status == 200, $"{kind}: {sheet}");
            Assert.Equal("File", sheet.GetProperty("heading").GetString());
            foreach (var (made, found) in Items(part).Zip(Items(sheet.GetProperty("parts")[0])))
                Assert.True(JsonElement.DeepEquals(made.GetProperty("each"), found.GetProperty("each")));
        }
    }

    [Fact] // What the command line prints opens too; bars to play are one exercise.
    public async Task A_sheet_of_the_command_line_opens_on_the_bench()
    {
        foreach (var kind in new[] { ExerciseKind.NameIt, ExerciseKind.Signature, ExerciseKind.Scale })
        {
            var made = Sheet.Of(
                new SheetRequest
                {
                    Kind = kind,
                    Players = [new Player(Lines.Instrument("viola"))],
                    Seed = 5,
                }
            )[0];
            var text = Coppia.Formats.Exercises.SheetJson.Write(made);
            var (status, sheet) = await server.Send(HttpMethod.Post, "/api/exercises/import", new { text });
            Assert.True(status == 200, $"{kind}: {sheet}");
            Assert.Equal(made.Items.Count, Items(sheet.GetProperty("parts")[0]).Length);
        }
    }

    [Theory] // The place is named, and what would be right.
    [InlineData("nonsense", "This is not a sheet of exercises (line 1); expected JSON with “parts”")]
    [InlineData("{}", "This is not a sheet of exercises; expected JSON with “parts”")]
    [InlineData("{\"kind\":\"what\",\"instrument\":\"violin\",\"items\":[]}", "“what” is not a kind of exercise.")]
    [InlineData(
        "{\"kind\":\"name-it\",\"instrument\":\"violin\",\"items\":[{\"question\":{\"note\":\"D4\"}},{}]}",
        "Item 2 (name-it): “question” is missing."
    )]
    [InlineData(
        "{\"kind\":\"stems\",\"instrument\":\"violin\",\"items\":[{\"question\":{\"note\":\"B4\"},"
            + "\"answer\":{\"stem\":\"up\"}}]}",
        "Item 1 (stems): its answer is not right; expected {\"stem\":\"down\"}."
    )]
    public async Task A_broken_file_is_told_by_its_item(string text, string error)
    {
        var (status, problem) = await server.Send(HttpMethod.Post, "/api/exercises/import", new { text });
        Assert.Equal(422, status);
        Assert.StartsWith(error, problem.GetProperty("title").GetString(), StringComparison.Ordinal);
    }

    [Fact] // RFC 4180: rows end in CR LF, quotes are doubled.
    public async Task A_table_has_a_row_for_each_question_and_instrument()
    {
        var csv = await File(
            "csv",
            Doc(await Part("line-or-space", instruments: ["violin", "cello"]), "Table", "violin", "cello")
        );
        var rows = csv.Split("\r\n", StringSplitOptions.RemoveEmptyEntries);
        Assert.Equal("number,kind,instrument,asked,question,answer", rows[0]);
        Assert.Equal(25, rows.Length);
        Assert.Matches(
            "^1,line-or-space,violin,,\"\\{\"\"note\"\":\"\"[A-G]#?[45]\"\",\"\"fifths\"\":2,"
                + "\"\"clef\"\":\"\"treble\"\"\\}\",(line|space) [1-5]$",
            rows[1]
        );
    }

    [Fact] // Each instrument is a part of its own.
    public async Task The_music_is_a_score_of_all_instruments()
    {
        var xml = await File(
            "musicXml",
            Doc(await Part("scale", instruments: ["violin", "bass"]), "Score", "violin", "bass")
        );
        var read = Coppia.Formats.MusicXml.MusicXmlReader.ReadUnfinished(xml);
        Assert.Equal(["Violin", "Double bass"], read.Lines.Select(l => l.Name));
        Assert.Equal("Score", read.Lines[0].Score.Title);
    }

    [Fact]
    public async Task A_sheet_is_copied_for_another_instrument_and_says_what_is_left_out()
    {
        var doc = Doc(await Part("name-it"));
        var (status, copy) = await server.Send(HttpMethod.Post, "/api/exercises/for/cello?from=violin", doc);
        Assert.Equal(200, status);
        var part = copy.GetProperty("parts")[0];
        Assert.Equal(12, Items(part).Length + copy.GetProperty("leftOut").GetInt32());
        Assert.All(
            Items(part),
            item => Assert.Contains("\"clef\":\"bass\"", Question(item, "cello"), StringComparison.Ordinal)
        );
        // What a hand cannot do is left out whole: a violin has no stretches of a cello's kind to give, and a bass none
        // to take.
        var stretches = Doc(await Part("stretch", instruments: "cello"), "Stretches", "cello");
        (status, copy) = await server.Send(HttpMethod.Post, "/api/exercises/for/bass?from=cello", stretches);
        Assert.Equal(
            (200, 0, 1),
            (status, copy.GetProperty("parts").GetArrayLength(), copy.GetProperty("leftOut").GetInt32())
        );
    }
}
