using System.Text.Json;

namespace Coppia.Tests;

/// <summary>
/// Classes, learners and what they know, over HTTP. Source of what is taught when: craft 15, common practice.
/// </summary>
public sealed class ClassesApiTests : IAsyncLifetime
{
    private const string Lanterns = "X:1\nT:Lanterns\nM:4/4\nL:1/4\nK:D\nD E F G|A, D A, D|]\n";

    private readonly RunningServer _server = new();

    public ValueTask InitializeAsync() => _server.InitializeAsync();

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    private Task<(int Status, JsonElement Body)> Post(string path, object? body = null) =>
        _server.Send(HttpMethod.Post, path, body);

    private static object[] Learners(params string[] named) =>
        [
            .. named
                .Select(n => n.Split(' '))
                .Select(n => new
                {
                    nickname = n[0],
                    instrument = n[1],
                    size = n[2],
                }),
        ];

    private async Task<long> Class(string? stage, params string[] learners)
    {
        var (status, body) = await Post(
            "/api/classes",
            new
            {
                name = "Weir strings",
                learners = Learners(learners),
                start = stage is null ? null : new { stage },
            }
        );
        Assert.Equal(200, status);
        return body.GetProperty("id").GetInt64();
    }

    /// <summary>The answer for a class.</summary>
    private async Task<JsonElement> GetFor(long forClass, string path)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, path);
        request.Headers.Add("For-Class", $"{forClass}");
        using var response = await _server.Client.SendAsync(request);
        return JsonSerializer.Deserialize<JsonElement>(await response.Content.ReadAsStringAsync());
    }

    private async Task<string[]> Known(long id) =>
        [
            .. (await _server.Get($"/api/classes/{id}/known.json"))
                .GetProperty("known")
                .EnumerateArray()
                .Select(k => k.GetString()!),
        ];

    private static void AssertHas(string[] all, string[] some) => Assert.Empty(some.Except(all));

    private static IEnumerable<string?> Names(JsonElement things) =>
        things.EnumerateArray().Select(t => t.GetProperty("name").GetString());

    [Fact]
    public async Task A_class_is_made_with_its_sections_and_what_they_can_play()
    {
        var id = await Class("firstFingers", "Ada violin 3/4", "Bo cello 1/2", "Cy violin 1/2", "Di bass 1/2");
        var one = await _server.Get($"/api/classes/{id}");
        Assert.Equal(
            "Violin 2, Cello 1, Double bass 1",
            string.Join(
                ", ",
                one.GetProperty("summary")
                    .GetProperty("sections")
                    .EnumerateArray()
                    .Select(s => $"{s.GetProperty("name")} {s.GetProperty("learners")}")
            )
        );
        Assert.Equal(
            ["Ada", "Bo", "Cy", "Di"],
            one.GetProperty("learners").EnumerateArray().Select(l => l.GetProperty("nickname").GetString())
        );
        // Craft 15: open strings, and first fingers on D and A; the bass has its scale's top in third position.
        Assert.Equal(
            [
                "G 0 · D 0 1 2 3 · A 0 1 2 3 · E 0",
                "C 0 · G 0 · D 0 1 3 4 · A 0 1 3 4",
                "E 0 · A 0 · D 0 1 4 · G 0 1 4 2",
            ],
            one.GetProperty("plays")
                .EnumerateArray()
                .Select(p => string.Join(" · ", p.GetProperty("strings").EnumerateArray().Select(s => s.GetString())))
        );
    }

    [Theory]
    [InlineData("", "violin", "4/4", "nickname of 1 to 40")]
    [InlineData("Ada", "flute", "4/4", "not an instrument; expected violin, viola, cello or bass")]
    [InlineData("Ada", "viola", "3/4", "not a size of the viola; expected 16.5\", 16\"")]
    public async Task A_learner_that_cannot_be_is_refused_and_nothing_is_kept(
        string nickname,
        string instrument,
        string size,
        string words
    )
    {
        var (status, body) = await Post(
            "/api/classes",
            new
            {
                name = "Year 1",
                learners = new[]
                {
                    new
                    {
                        nickname,
                        instrument,
                        size,
                    },
                },
            }
        );
        Assert.Equal(422, status);
        Assert.Contains(words, body.GetProperty("title").GetString(), StringComparison.Ordinal);
        Assert.Equal(0, (await _server.Get("/api/classes")).GetArrayLength());
    }

    [Theory]
    // As teachers type it, as a spreadsheet gives it, with a heading in another order, in the words of a score.
    [InlineData(
        "Ada violin 3/4\nBo cello ½\n\nCy double bass\nDi viola 15",
        "Ada violin 3/4; Bo cello 1/2; Cy bass 3/4; Di viola 15\""
    )]
    [InlineData("Ada,violin,3/4\nBo,cello,\n", "Ada violin 3/4; Bo cello 4/4")]
    [InlineData("Instrument\tName\tSize\nVn.\tAda\t1/2\nVlc\tBo\t3/4\n", "Ada violin 1/2; Bo cello 3/4")]
    [InlineData("nickname;instrument\n\"Bo, the tall\";Bass\n", "Bo, the tall bass 3/4")]
    public async Task A_list_is_read_as_teachers_have_it(string text, string learners)
    {
        var (status, body) = await Post("/api/classes/read", new { text });
        Assert.Equal(200, status);
        Assert.Equal(
            learners,
            string.Join(
                "; ",
                body.EnumerateArray()
                    .Select(l => $"{l.GetProperty("nickname")} {l.GetProperty("instrument")} {l.GetProperty("size")}")
            )
        );
        Assert.All(body.EnumerateArray(), l => Assert.Equal(JsonValueKind.Null, l.GetProperty("wrong").ValueKind));
    }

    [Theory]
    [InlineData("Ada", "Line 1: expected an instrument after the name: violin, viola, cello or bass.")]
    [InlineData("Ada violin\nBo cello 7/8", "Line 2: “7/8” is not a size of the cello; expected 4/4, 3/4, 1/2 or 1/4.")]
    [InlineData(
        "Ada,trumpet,1/2\nBo,cello,1/2",
        "Line 1: “trumpet” is not an instrument; expected violin, viola, cello or bass."
    )]
    public async Task What_is_wrong_in_a_list_names_its_line(string text, string wrong)
    {
        var (_, body) = await Post("/api/classes/read", new { text });
        Assert.Equal(
            wrong,
            body.EnumerateArray().Select(l => l.GetProperty("wrong").GetString()).Single(w => w is not null)
        );
    }

    [Fact] // Craft 18: a child's record needs no surname.
    public async Task A_surname_is_not_asked_for()
    {
        var (_, body) = await Post("/api/classes/read", new { text = "Ada Weaver violin" });
        Assert.Contains("needs no surname", body[0].GetProperty("advice").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_a_class_knows_decides_what_is_new_and_where_fingers_go()
    {
        var tune = await _server.Keep("X:1\nM:4/4\nL:1/4\nK:D\n(G A) G F|A, D A, D|]\n");
        var id = await Class("restsAndEighths", "Ada violin 4/4");
        var reading = await GetFor(id, $"/api/tunes/{tune}/reading?instrument=violin");
        Assert.Equal(
            ["D3", "A0", "D3", "D2"],
            reading.GetProperty("notes").EnumerateArray().Take(4).Select(n => n.GetProperty("label").GetString())
        );
        var news = reading.GetProperty("news");
        Assert.Equal(["A, first finger on G"], Names(news.GetProperty("things")));
        // A new note weighs 2, the step to it from F sharp 2 for the hands: a crossing and a sixth.
        Assert.Equal(("next", 4), (news.GetProperty("reach").GetString(), news.GetProperty("weight").GetInt32()));
        // Without a class the fourth finger keeps the slur on one string, and nothing is called new.
        var plain = await _server.Get($"/api/tunes/{tune}/reading?instrument=violin");
        Assert.Equal("D4", plain.GetProperty("notes")[1].GetProperty("label").GetString());
        Assert.Equal(JsonValueKind.Null, plain.GetProperty("news").ValueKind);
    }

    [Fact]
    public async Task A_learned_tune_makes_known_what_it_contains_and_taken_back_it_is_as_before()
    {
        var tune = await _server.Keep(Lanterns);
        var id = await Class("restsAndEighths", "Ada violin 4/4", "Bo viola 15\"");
        var before = await Known(id);
        var learning = await _server.Get($"/api/classes/{id}/learned/{tune}");
        Assert.Equal(
            "Violin: A, first finger on G; Viola: A, first finger on G",
            string.Join(
                "; ",
                learning
                    .GetProperty("sections")
                    .EnumerateArray()
                    .Select(s => $"{s.GetProperty("name")}: {string.Join(", ", Names(s.GetProperty("things")))}")
            )
        );
        // The violas do not know it yet all the same.
        var (_, change) = await Post(
            $"/api/classes/{id}/learned",
            new { tuneId = tune, not = new[] { "note viola G3 A3" } }
        );
        Assert.Equal(["A on G"], change.GetProperty("added").EnumerateArray().Select(a => a.GetString()));
        Assert.Equal(before.Append("note violin G3 A3").Order(StringComparer.Ordinal), await Known(id));
        Assert.Equal(204, (await Post($"/api/classes/{id}/known/{change.GetProperty("id")}/back")).Status);
        Assert.Equal(before, await Known(id));
        Assert.Equal(404, (await Post($"/api/classes/{id}/known/{change.GetProperty("id")}/back")).Status);
        Assert.Equal(204, (await Post($"/api/classes/{id}/known/{change.GetProperty("id")}/again")).Status);
        Assert.Contains("note violin G3 A3", await Known(id));
    }

    /// <summary>
    /// Tunes in which a class's hand meets fingers that, once learned, would be used elsewhere in them too.
    /// </summary>
    private static readonly string[] Played =
    [
        "K:D\nD E F G|A B A2|(A F) (A F)|G E D2|]",
        "K:D\nA/G/A/F/ A/G/A/F/|A B c d|A4|]",
        "K:G\n(D A,) (D B,)|G, A, B, D|(E A) (A E)|D4|]",
        "K:F\nF A c A|_B A G F|(E A) (F A)|F4|]",
        "K:A\nA G F E|(D G) (A E)|c B A G|A4|]",
        "K:C\nC D E F|G A B c|(c E) (G E)|C4|]",
        "K:D\n(e A) (e A)|d e f e|e/d/e/d/ e/d/e/d/|d4|]",
        "K:Bb\nB, C D E|F G A B|(B F) (D F)|B,4|]",
    ];

    [Fact] // Craft 15: marked learned, all that a tune contains is known; what was learned is what was played.
    public async Task A_tune_that_is_learned_holds_nothing_new_and_keeps_its_fingers()
    {
        string[] four = ["violin", "viola", "cello", "bass"];
        foreach (var stage in new[] { "firstFingers", "outerString", "dottedHalf" })
        {
            var id = await Class(stage, "Ada violin 4/4", "Bo viola 15\"", "Cy cello 4/4", "Di bass 3/4");
            foreach (var music in Played)
            {
                var tune = await _server.Keep($"X:1\nT:{stage} {music.Length}\nM:4/4\nL:1/4\n{music}");
                var before = await Fingers(tune);
                await Post($"/api/classes/{id}/learned", new { tuneId = tune, not = Array.Empty<string>() });
                Assert.Equal(before, await Fingers(tune));
                foreach (var who in four)
                {
                    var reading = await GetFor(id, $"/api/tunes/{tune}/reading?instrument={who}");
                    Assert.Empty(Names(reading.GetProperty("news").GetProperty("things")));
                    Assert.DoesNotContain(
                        reading.GetProperty("notes").EnumerateArray(),
                        n => n.GetProperty("label").GetString() != "-" && n.GetProperty("beyond").GetBoolean()
                    );
                }
            }

            // Later tunes and stages do not change what earlier ones were learned with.
            var tunes = await _server.Fitting(id);
            Assert.All(
                tunes.Where(t => t.GetProperty("title").GetString()!.StartsWith(stage, StringComparison.Ordinal)),
                t => Assert.Equal("nothing new", t.GetProperty("fit").GetProperty("words").GetString())
            );

            async Task<string> Fingers(long tune)
            {
                var all = new List<string>();
                foreach (var who in four)
                {
                    var reading = await GetFor(id, $"/api/tunes/{tune}/reading?instrument={who}");
                    all.AddRange(
                        reading.GetProperty("notes").EnumerateArray().Select(n => n.GetProperty("label").GetString()!)
                    );
                }

                return string.Join(' ', all);
            }
        }
    }

    [Fact] // What two tunes have taught stays when one of them is taken back.
    public async Task What_another_tune_taught_too_stays_known()
    {
        var first = await _server.Keep(Lanterns);
        var second = await _server.Keep("X:1\nT:Weir\nM:4/4\nL:1/4\nK:D\nA, A, B, D|]\n");
        var id = await Class("restsAndEighths", "Ada violin 4/4");
        var one = (await Post($"/api/classes/{id}/learned", new { tuneId = first, not = Array.Empty<string>() })).Body;
        await Post($"/api/classes/{id}/learned", new { tuneId = second, not = Array.Empty<string>() });
        await Post($"/api/classes/{id}/known/{one.GetProperty("id")}/back");
        AssertHas(await Known(id), ["note violin G3 A3", "note violin G3 B3"]);
    }

    [Fact]
    public async Task A_note_that_is_ticked_brings_its_finger_and_one_that_goes_takes_its_notes_along()
    {
        var id = await Class("openStrings", "Ada violin 4/4");
        var (status, plan) = await Post(
            $"/api/classes/{id}/known",
            new { add = new[] { "note violin D4 F4" }, remove = Array.Empty<string>() }
        );
        Assert.Equal(200, status);
        AssertHas(await Known(id), ["note violin D4 F4", "finger violin low 2", "position violin I"]);
        var change = plan.GetProperty("changes")[0];
        Assert.Equal(
            ("hand", "Ticked by hand"),
            (change.GetProperty("cause").GetString(), change.GetProperty("words").GetString())
        );
        await Post(
            $"/api/classes/{id}/known",
            new { add = Array.Empty<string>(), remove = new[] { "finger violin low 2" } }
        );
        Assert.DoesNotContain(await Known(id), k => k is "note violin D4 F4" or "finger violin low 2");
        var (wrong, problem) = await Post(
            $"/api/classes/{id}/known",
            new { add = new[] { "note violin" }, remove = Array.Empty<string>() }
        );
        Assert.Equal(422, wrong);
        Assert.Contains("expected a line such as", problem.GetProperty("title").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_plan_shows_each_section_and_what_all_learn_together()
    {
        var id = await Class("firstFingers", "Ada violin 4/4", "Bo bass 1/2");
        var plan = await _server.Get($"/api/classes/{id}/known");
        var board = plan.GetProperty("sections")[0].GetProperty("board")[1]; // the D string
        var spots = board
            .EnumerateArray()
            .Select(s =>
                string.Join(
                    '/',
                    s.GetProperty("notes")
                        .EnumerateArray()
                        .Select(n =>
                            $"{n.GetProperty("name")} "
                            + $"{n.GetProperty("sign")}{(n.GetProperty("known").GetBoolean() ? "*" : "")}"
                        )
                )
            );
        // Craft 3: the letter fingers of the D string in first position, low and high, up to the extended fourth.
        Assert.Equal(
            ["D 0*", "D♯ 1/E♭ L1", "E 1*", "F L2", "F♯ 2*", "G 3*", "G♯ H3/A♭ L4", "A 4", "B♭ x4"],
            spots.Select(Fewer)
        );
        var keys = plan.GetProperty("shared")[0].GetProperty("things").EnumerateArray();
        Assert.Equal(
            "A♭ E♭ B♭ F C G D* A E",
            string.Join(
                ' ',
                keys.Select(k => k.GetProperty("short").GetString() + (k.GetProperty("known").GetBoolean() ? "*" : ""))
            )
        );

        // A sharpened open letter is played by low 1 and so bears its sign.
        static string Fewer(string spot) =>
            spot.Replace("D♯ L1", "D♯ 1", StringComparison.Ordinal).Replace("/A♯ H4", "", StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_library_is_sorted_by_how_hard_it_is_for_the_class_and_shows_what_comes_next()
    {
        // Far away: E♭ major, 6/8, low 1, low 2 and low 4.
        await _server.Keep("X:1\nT:Far away\nM:6/8\nL:1/8\nK:Eb\nEFG ABc|]\n");
        await _server.Keep(Lanterns);
        await _server.Keep("X:1\nT:Known\nM:4/4\nL:1/4\nK:D\nD E F G|]\n");
        var id = await Class("restsAndEighths", "Ada violin 4/4");
        Assert.Equal(
            ["Known: nothing new", "Lanterns: one new thing", "Far away: five new things"],
            (await _server.Fitting(id, "&order=hard")).Select(t =>
                $"{t.GetProperty("title")}: {t.GetProperty("fit").GetProperty("words")}"
            )
        );
        var next = await _server.Fitting(id, "&reach=next");
        Assert.Equal(
            "Violin: A with the first finger on G",
            Assert.Single(next).GetProperty("fit").GetProperty("new")[0].GetString()
        );
        Assert.Equal(
            JsonValueKind.Null,
            (await _server.Get("/api/tunes")).GetProperty("tunes")[0].GetProperty("fit").ValueKind
        );
    }

    [Fact]
    public async Task Cards_and_exercises_stay_within_what_the_class_knows()
    {
        var id = await Class("firstFingers", "Ada cello 4/4");
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/exercises/part")
        {
            Content = System.Net.Http.Json.JsonContent.Create(
                new { instruments = new[] { "cello" }, request = new { kind = "finger-it", count = 40 } }
            ),
        };
        request.Headers.Add("For-Class", $"{id}");
        using var response = await _server.Client.SendAsync(request);
        var part = JsonSerializer.Deserialize<JsonElement>(await response.Content.ReadAsStringAsync());
        var asked = part.GetProperty("items")
            .EnumerateArray()
            .Select(i =>
                i.GetProperty("each").GetProperty("cello").GetProperty("question").GetProperty("note").GetString()!
            );
        AssertHas(["C2", "G2", "D3", "E3", "F#3", "G3", "A3", "B3", "C#4", "D4"], [.. asked]);
    }

    [Fact]
    public async Task At_the_end_of_a_year_learners_move_up_with_what_they_know()
    {
        var id = await Class("slursByTwo", "Ada violin 3/4", "Bo cello 1/2");
        var ada = (await _server.Get($"/api/classes/{id}")).GetProperty("learners")[0].GetProperty("id").GetInt64();
        var known = await Known(id);
        var (status, up) = await Post(
            $"/api/classes/{id}/up",
            new { name = "Weir strings, year 2", learners = new[] { ada } }
        );
        Assert.Equal(200, status);
        var second = up.GetProperty("id").GetInt64();
        Assert.Equal(known, await Known(second));
        Assert.Equal(
            "slurs by two",
            (await _server.Get($"/api/classes/{second}/known"))
                .GetProperty("changes")[0]
                .GetProperty("words")
                .GetString()![14..]
                .ToLowerInvariant()
        );
        Assert.Equal(1, (await _server.Get($"/api/classes/{id}")).GetProperty("learners").GetArrayLength());
        Assert.Equal(422, (await Post($"/api/classes/{id}/up", new { name = "x", learners = new[] { ada } })).Status);
        Assert.Equal(2, (await _server.Get("/api/classes")).GetArrayLength());
        Assert.Equal(204, (await Post($"/api/classes/{second}/back/{id}")).Status);
        Assert.Equal(2, (await _server.Get($"/api/classes/{id}")).GetProperty("learners").GetArrayLength());
    }

    [Fact]
    public async Task A_class_plays_in_its_own_house_style()
    {
        var tune = await _server.Keep("X:1\nM:4/4\nL:1/4\nK:C\nF F F F|]\n");
        await Post("/api/styles", new { name = "House", style = new { } });
        var arrows = (await Post("/api/styles", new { name = "Arrows", style = new { lowHigh = "arrows" } }))
            .Body.GetProperty("id")
            .GetInt64();
        var id = await Class("lowSecond", "Ada violin 4/4");
        var (status, _) = await _server.Send(
            HttpMethod.Put,
            $"/api/classes/{id}",
            new
            {
                version = 1,
                name = "Weir strings",
                lessonMinutes = 30,
                styleId = arrows,
            }
        );
        Assert.Equal(200, status);
        var label = (await GetFor(id, $"/api/tunes/{tune}/reading?instrument=violin"))
            .GetProperty("notes")[0]
            .GetProperty("label");
        Assert.Equal("D-↓2", label.GetString());
        Assert.Equal("D-L2", (await _server.Labels(tune)).Split(' ')[0]);
    }

    [Fact]
    public async Task Nobody_overwrites_a_class_or_a_learner_unseen()
    {
        var id = await Class(null, "Ada violin 3/4");
        var ada = (await _server.Get($"/api/classes/{id}")).GetProperty("learners")[0].GetProperty("id").GetInt64();
        object Learner(string size) =>
            new
            {
                version = 1,
                nickname = "Ada",
                instrument = "violin",
                size,
            };
        Assert.Equal(
            200,
            (await _server.Send(HttpMethod.Put, $"/api/classes/{id}/learners/{ada}", Learner("4/4"))).Status
        );
        Assert.Equal(
            409,
            (await _server.Send(HttpMethod.Put, $"/api/classes/{id}/learners/{ada}", Learner("1/2"))).Status
        );
        Assert.Equal(
            404,
            (await _server.Send(HttpMethod.Put, $"/api/classes/{id + 1}/learners/{ada}", Learner("1/2"))).Status
        );
        Assert.Equal(200, (await _server.Send(HttpMethod.Delete, $"/api/classes/{id}/learners/{ada}")).Status);
        Assert.Equal(200, (await _server.Send(HttpMethod.Delete, $"/api/classes/{id}")).Status);
        Assert.Equal(404, (await _server.Send(HttpMethod.Delete, $"/api/classes/{id}")).Status);
    }

    [Theory] // Craft 12 and 15: a sheet asks for nothing unknown but what it is to teach, and trains that.
    [InlineData("M:3/4\nL:1/4\nK:D\nD2 E|F3|G2 F|D3|]", "violin", "count-it", "3/4", "meter 3/4, value 1/2.")]
    [InlineData(
        "M:2/4\nL:1/4\nK:G\nA B|c B|A2|A2|]",
        "violin",
        "low-high",
        null,
        "finger violin low 2, note violin A4 C5"
    )]
    [InlineData(
        "M:4/4\nL:1/4\nK:C\nG,, A,, B,, C,|^C, B,, A,,2|]",
        "cello",
        "stretch",
        null,
        "finger cello forward 4, note cello G2 C#3, sign accidental"
    )]
    // The plainest tune brings nothing, and its sheet drills nothing new.
    [InlineData("M:4/4\nL:1/4\nK:D\nA A A A|]", "violin", null, null, null)]
    public async Task A_tunes_first_sheet_trains_what_is_new_in_it(
        string tune,
        string instrument,
        string? kind,
        string? meter,
        string? teach
    )
    {
        var one = await Class("nextStringDown", "Ada violin 1/2", "Bo cello 1/2");
        await Post(
            $"/api/classes/{one}/known",
            new { add = new[] { "key 0", "key 1", "meter 2/4" }, remove = Array.Empty<string>() }
        );
        var id = await _server.Keep($"X:1\nT:New\n{tune}\n");
        using var request = new HttpRequestMessage(
            HttpMethod.Post,
            $"/api/exercises/first/{id}?instruments={instrument}"
        );
        request.Headers.Add("For-Class", $"{one}");
        using var response = await _server.Client.SendAsync(request);
        var parts = JsonSerializer
            .Deserialize<JsonElement>(await response.Content.ReadAsStringAsync())
            .EnumerateArray()
            .Select(p => p.GetProperty("request"))
            .ToArray();
        var taught = parts.Where(p => p.GetProperty("teach").ValueKind == JsonValueKind.Array).ToArray();
        if (kind is null)
        {
            Assert.Empty(taught);
            return;
        }

        Assert.Equal(
            (kind, meter),
            (taught[0].GetProperty("kind").GetString(), taught[0].GetProperty("meter").GetString())
        );
        Assert.Equal(
            teach,
            string.Join(
                ", ",
                taught[0].GetProperty("teach").EnumerateArray().Select(t => t.GetString()).Order(StringComparer.Ordinal)
            )
        );
    }
}
