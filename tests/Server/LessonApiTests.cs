using System.Text.Json;

namespace Coppia.Tests;

/// <summary>
/// A lesson from the set tune to next week's plan, and a tune for all sections at once. Source: craft 11, 16 and 21;
/// what is kept of a class goes out and comes back whole: GDPR, article 20.
/// </summary>
public sealed class LessonApiTests : IAsyncLifetime
{
    private const string Frost = "X:1\nT:Frost\nM:4/4\nL:1/4\nQ:1/4=72\nK:D\nD E F G|A A A2|G F E F|D4|]";
    private const string High = "X:1\nT:High\nM:4/4\nL:1/4\nK:D\nd2 f2|e2 c2|B2 A2|F2 D2|]";

    private readonly RunningServer _server = new();
    private long _class;
    private long _frost;
    private long _high;

    public async ValueTask InitializeAsync()
    {
        await _server.InitializeAsync();
        var learners = new[] { "violin", "cello", "bass" }.Select(
            (i, n) =>
                new
                {
                    nickname = $"L{n}",
                    instrument = i,
                    size = "1/2",
                }
        );
        var made = await Post(
            "/api/classes",
            new
            {
                name = "Weir strings",
                learners,
                start = new { stage = "firstFingers" },
                lessonMinutes = 40,
            }
        );
        _class = made.GetProperty("id").GetInt64();
        (_frost, _high) = (await Tune(Frost), await Tune(High));
    }

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    private async Task<JsonElement> Post(string path, object? body = null)
    {
        var (status, answer) = await _server.Send(HttpMethod.Post, path, body);
        Assert.InRange(status, 200, 204);
        return answer;
    }

    private async Task<long> Tune(string source) =>
        (await Post("/api/tunes", new { source })).GetProperty("summary").GetProperty("id").GetInt64();

    private Task Set(long tune) =>
        Post(
            $"/api/classes/{_class}/tasks",
            new
            {
                kind = "tune",
                due = "2099-09-14",
                tuneId = tune,
                tempo = 66,
            }
        );

    private static string[] Texts(JsonElement list, string of) =>
        [.. list.EnumerateArray().Select(e => e.GetProperty(of).GetString()!)];

    private static JsonElement[] Steps(JsonElement lesson) => [.. lesson.GetProperty("steps").EnumerateArray()];

    private static string Part(JsonElement step) => step.GetProperty("step").GetProperty("part").GetString()!;

    /// <summary>The lesson as an editor sends it back, with the steps changed.</summary>
    private static Dictionary<string, object?> Change(
        JsonElement lesson,
        Func<Dictionary<string, object?>, Dictionary<string, object?>>? step = null,
        bool taught = false
    ) =>
        new()
        {
            ["version"] = lesson.GetProperty("version").GetInt32(),
            ["isTaught"] = taught,
            ["lesson"] = new Dictionary<string, object?>
            {
                ["day"] = lesson.GetProperty("day").GetString(),
                ["minutes"] = lesson.GetProperty("minutes").GetInt32(),
                ["talkSeconds"] = lesson.GetProperty("talkSeconds").GetInt32(),
                ["steps"] = Steps(lesson)
                    .Select(s => (step ?? (d => d))(s.GetProperty("step").Deserialize<Dictionary<string, object?>>()!)),
                ["left"] = Array.Empty<object>(),
            },
        };

    [Fact] // Craft 16: the class's sections, each in an octave it can reach; what is called to whom.
    public async Task A_tune_is_called_to_the_sections_of_the_class()
    {
        var together = await _server.Get($"/api/tunes/{_frost}/together?class={_class}");
        Assert.Equal(["violins", "cellos", "basses"], Texts(together.GetProperty("sections"), "players"));
        var moments = together.GetProperty("lines")[0].GetProperty("bars")[1].GetProperty("moments");
        Assert.Equal("violins and cellos open A, basses 1 on G", moments[0].GetProperty("pairs").GetString());
        // Called three times running, written once.
        Assert.Equal([3, 0, 0], moments.EnumerateArray().Select(m => m.GetProperty("times").GetInt32()));
        Assert.Equal(
            ["violin", "bass"],
            Texts(
                (await _server.Get($"/api/tunes/{_frost}/together?sections=violin,bass")).GetProperty("sections"),
                "instrument"
            )
        );
        // MusicXML 4.0, partwise: one part a section.
        var staves = (await _server.Get($"/api/tunes/{_frost}/staves?class={_class}"))
            .GetProperty("musicXml")
            .GetString()!;
        Assert.Equal(3, staves.Split("<part id=").Length - 1);
        Assert.Equal(404, await Status(HttpMethod.Get, $"/api/tunes/{_frost}/together?sections=horn"));
    }

    [Fact] // What a section cannot reach is said, and a key that fits all is one press away; the print stays.
    public async Task A_key_that_fits_all_becomes_a_tune_of_its_own()
    {
        var bass = (await _server.Get($"/api/tunes/{_high}/together?class={_class}")).GetProperty("sections")[2];
        Assert.Equal(
            ["Bar 4: no finger on the double bass reaches D2."],
            bass.GetProperty("cannotPlay").EnumerateArray().Select(c => c.GetString())
        );
        var offers = (await _server.Get($"/api/tunes/{_high}/keys?class={_class}")).EnumerateArray().ToArray();
        Assert.Equal(0, offers[0].GetProperty("outOfReach").GetInt32());
        Assert.True(offers.Single(o => o.GetProperty("isPrint").GetBoolean()).GetProperty("outOfReach").GetInt32() > 0);
        var taken = await Post($"/api/tunes/{_high}/keys", new { fifths = 0 });
        Assert.Equal("High (C major)", taken.GetProperty("summary").GetProperty("title").GetString());
        var id = taken.GetProperty("summary").GetProperty("id").GetInt64();
        var notes = (await _server.Get($"/api/tunes/{id}/reading?instrument=violin")).GetProperty("notes");
        // From D to C a whole step down, note by note.
        Assert.Equal("C5 E5 D5 B4 A4 G4 E4 C4", string.Join(' ', Texts(notes, "pitch")));
        Assert.Equal(
            "D5",
            (await _server.Get($"/api/tunes/{_high}/reading?instrument=violin"))
                .GetProperty("notes")[0]
                .GetProperty("pitch")
                .GetString()
        );
        Assert.Equal(422, await Status(HttpMethod.Post, $"/api/tunes/{_high}/keys", new { fifths = 2 }));
        Assert.Equal(422, await Status(HttpMethod.Post, $"/api/tunes/{_high}/keys", new { fifths = 40 }));
    }

    // Craft 16: what is offered is what comes: as many notes out of reach, and the same new things, on every stand.
    [Theory]
    [InlineData("K:D\nd2 f2|e2 c2|B2 A2|F2 D2|]")]
    [InlineData("K:G\nG,2 B,2|D2 G2|B2 d2|g2 b2|]")] // two octaves and a third on the violin
    [InlineData("K:C clef=alto\nC,2 E,2|G,2 C2|E2 G2|c4|]")]
    [InlineData("K:F clef=bass\nF,,2 A,,2|C,2 F,2|A,2 C2|F,,4|]")]
    [InlineData("K:Em\ne2 g2|b2 g2|e2 B2|E4|]")]
    public async Task A_key_that_is_offered_is_the_key_that_comes(string music)
    {
        var tune = await Tune($"X:1\nT:Weir\nM:4/4\nL:1/4\n{music}");
        var offers = (await _server.Get($"/api/tunes/{tune}/keys?class={_class}")).EnumerateArray().ToArray();
        Assert.True(offers.Length > 5);
        foreach (var offer in offers)
        {
            var id = tune;
            if (!offer.GetProperty("isPrint").GetBoolean())
                id = (await Post($"/api/tunes/{tune}/keys", new { fifths = offer.GetProperty("fifths").GetInt32() }))
                    .GetProperty("summary")
                    .GetProperty("id")
                    .GetInt64();
            var (lost, fresh) = (0, new HashSet<string>());
            foreach (var who in new[] { "violin", "cello", "bass" })
            {
                var reading = await _server.Get($"/api/tunes/{id}/reading?instrument={who}&class={_class}");
                lost += reading
                    .GetProperty("notes")
                    .EnumerateArray()
                    .Count(n => n.GetProperty("label").GetString() == "-");
                fresh.UnionWith(Texts(reading.GetProperty("news").GetProperty("things"), "name"));
            }

            Assert.Equal(offer.GetProperty("outOfReach").GetInt32(), lost);
            Assert.Equal(offer.GetProperty("new").EnumerateArray().Select(n => n.GetString()).Order(), fresh.Order());
        }
    }

    // Count, weight and words of a tune in the list are all those of one section, and no other has more to learn.
    [Fact]
    public async Task The_fit_of_a_tune_is_the_truth_of_one_section()
    {
        foreach (
            var music in new[]
            {
                "K:D\nD E F G|A B c d|]",
                "K:G\nG,2 B,2|D2 G2|B2 d2|g2 b2|]",
                "K:F\nF A c f|(f c) (A F)|]",
                "K:C\nC E G c|c z G2|]",
            }
        )
            await Tune($"X:1\nT:Weir {music.Length}\nM:4/4\nL:1/4\n{music}");
        var tunes = await _server.Fitting(_class);
        Assert.Equal(6, tunes.Length);
        foreach (var tune in tunes)
        {
            var fit = tune.GetProperty("fit");
            var sections = new List<(int Count, int Weight)>();
            foreach (var who in new[] { "violin", "cello", "bass" })
            {
                var news = (
                    await _server.Get(
                        $"/api/tunes/{tune.GetProperty("id").GetInt64()}/reading?instrument={who}&class={_class}"
                    )
                ).GetProperty("news");
                sections.Add((news.GetProperty("count").GetInt32(), news.GetProperty("weight").GetInt32()));
            }

            Assert.Equal(sections.Max(), (fit.GetProperty("count").GetInt32(), fit.GetProperty("weight").GetInt32()));
        }
    }

    [Fact] // Craft 16: each learner or section takes the top or the bottom line, and reads it through to the end.
    public async Task Learners_of_one_section_may_read_two_lines()
    {
        const string duet =
            "X:1\nT:Duet\nM:4/4\nL:1/4\nK:D\nV:1 name=\"Top\"\nV:2 name=\"Bottom\"\n[V:1]A2 "
            + "B2|A4|]\n[V:2]D E F2|D4|]\n";
        var id = await Tune(duet);
        await Post(
            $"/api/classes/{_class}/learners",
            new[]
            {
                new
                {
                    nickname = "Second",
                    instrument = "violin",
                    size = "1/2",
                },
            }
        );
        var lines = (await _server.Get($"/api/tunes/{id}/lines")).GetProperty("lines");
        Assert.Equal(["Top", "Bottom"], Texts(lines, "name"));
        var path = $"/api/classes/{_class}/tunes/{id}/lines";
        var second = (await _server.Get(path))
            .EnumerateArray()
            .Single(l => l.GetProperty("nickname").GetString() == "Second");
        var learner = second.GetProperty("learnerId").GetInt64();
        var before = await _server.Get($"/api/tunes/{id}/together?class={_class}");
        Assert.Equal(["violins", "cellos", "basses"], Texts(before.GetProperty("sections"), "players"));

        Assert.Equal(
            204,
            await Status(HttpMethod.Put, $"{path}/{learner}", new { line = lines[1].GetProperty("key").GetString() })
        );
        Assert.Equal(422, await Status(HttpMethod.Put, $"{path}/{learner}", new { line = "no such line" }));
        var together = await _server.Get($"/api/tunes/{id}/together?class={_class}");
        Assert.False(together.GetProperty("isOneLine").GetBoolean());
        Assert.Equal(["violins (Top)", "violins (Bottom)"], Texts(together.GetProperty("sections"), "players")[..2]);
        var calls = together.GetProperty("lines")[0].GetProperty("bars")[0].GetProperty("moments");
        Assert.Equal(
            "violins (Top) and cellos open A, violins (Bottom) open D, basses 1 on G for A",
            calls[0].GetProperty("pairs").GetString()
        );
        // E is only below: 1 on D.
        Assert.Equal("violins (Bottom) 1 on D", calls[1].GetProperty("pairs").GetString());

        // What the learner sees is the bottom line, to its end.
        await Set(id);
        await Post($"/api/classes/{_class}/links", new { learners = new[] { learner } });
        var link = (await _server.Get($"/api/classes/{_class}/links"))
            .EnumerateArray()
            .Single(l => l.GetProperty("learnerId").GetInt64() == learner)
            .GetProperty("address")
            .GetString()!
            .Split('/')[^1];
        var notes = (await _server.Get($"/api/learn/{link}/tunes/{id}")).GetProperty("notes");
        Assert.Equal("D4 E4 F#4 D4", string.Join(' ', Texts(notes, "pitch")));
        // It goes out with the record and comes back.
        var record = await _server.Get($"/api/classes/{_class}/record.json");
        Assert.Equal(200, await Status(HttpMethod.Delete, $"/api/classes/{_class}"));
        var back = (await Post("/api/classes/record", record)).GetProperty("id").GetInt64();
        Assert.Equal(
            ["violins (Top)", "violins (Bottom)"],
            Texts((await _server.Get($"/api/tunes/{id}/together?class={back}")).GetProperty("sections"), "players")[..2]
        );
    }

    [Fact] // Craft 11: the two notes, three, the bar, two bars, the line, the whole.
    public async Task A_trouble_spot_grows_rung_by_rung()
    {
        var id = await Tune("X:1\nT:Hop\nM:4/4\nL:1/4\nK:D\nD E F G|(D B) (E c)|D4|]");
        var chunk = (await _server.Get($"/api/tunes/{id}/ladders?instrument=violin&most=1")).GetProperty("chunks")[0];
        Assert.Equal("Bar 2", chunk.GetProperty("where").GetString());
        Assert.Equal(
            ["twoNotes", "threeNotes", "bar", "twoBars", "line", "whole"],
            Texts(chunk.GetProperty("rungs"), "rung")
        );
        var counts = chunk
            .GetProperty("rungs")
            .EnumerateArray()
            .Select(r =>
                r.GetProperty("music").ValueKind == JsonValueKind.Null
                    ? -1
                    : r.GetProperty("music").GetProperty("notes").GetArrayLength()
            );
        Assert.Equal([2, 3, 4, 5, -1, -1], counts);
    }

    // Craft 21: from the tunes set; kept as taught; what was reached is known next week, what was not comes again.
    [Fact]
    public async Task A_lesson_goes_from_the_set_tune_to_the_next_plan()
    {
        await Set(_frost);
        var path = $"/api/classes/{_class}/lessons";
        var lesson = await Post(path, new { day = "2026-11-30" });
        Assert.Equal(
            "tuning shapes scaleHalves scaleQuarters scaleEighths scaleFaster beat look line chunk join "
                + "slow atTempo home",
            string.Join(' ', Steps(lesson).Select(Part))
        );
        // A, D, G, E of the violins, C of the cellos, and four of the basses: nine things of 15 s; 66 is the tempo that
        // was set.
        Assert.Equal(135, Steps(lesson)[0].GetProperty("seconds").GetDouble());
        Assert.Equal(66, Steps(lesson)[12].GetProperty("step").GetProperty("tempo").GetInt32());
        Assert.Equal("Frost, line 1", Steps(lesson)[8].GetProperty("title").GetString());
        var one = $"{path}/{lesson.GetProperty("id").GetInt64()}";

        // A second tune comes before what is set for home; the key that is there already is not shown twice.
        var (_, more) = await _server.Send(HttpMethod.Post, one + "/tunes", new { version = 1, tuneId = _high });
        Assert.Equal("home", Part(Steps(more)[^1]));
        Assert.Single(Steps(more), s => Part(s) == "shapes");
        Assert.Equal(409, await Status(HttpMethod.Put, one, Change(lesson)));
        Assert.Equal(["Frost", "High"], Texts(more.GetProperty("tunes"), "title"));

        // Too short a lesson: it says by how much, and what could wait.
        var (_, tight) = await _server.Send(HttpMethod.Put, one, Short(Change(more)));
        Assert.NotNull(tight.GetProperty("over").GetString());
        Assert.Equal(["lastTuneOut"], Texts(tight.GetProperty("offers"), "kind"));

        // Taught: the line of Frost was reached, and the tune came to its tempo; High did not.
        var frost = Change(
            tight,
            s =>
                s["tune"] is JsonElement { ValueKind: JsonValueKind.Number } t && t.GetInt32() == 0
                    ? new(s) { ["reached"] = true }
                    : s,
            taught: true
        );
        var (status, taught) = await _server.Send(HttpMethod.Put, one, frost);
        Assert.Equal((200, true), (status, taught.GetProperty("isTaught").GetBoolean()));
        var next = await Post(path, new { day = "2026-12-07" });
        Assert.Equal(["Frost", "High"], Texts(next.GetProperty("tunes"), "title"));
        bool Known(string title) =>
            Steps(next)
                .Single(s => s.GetProperty("title").GetString() == title)
                .GetProperty("step")
                .GetProperty("isKnown")
                .GetBoolean();
        Assert.True(Known("Frost, line 1"));
        Assert.False(Known("High, line 1"));

        // Deleted and back; out with the record of its class, and in again.
        Assert.Equal(204, await Status(HttpMethod.Delete, one));
        Assert.Equal(404, await Status(HttpMethod.Get, one));
        await Post(one + "/restore");
        Assert.Equal(2, (await _server.Get(path)).GetProperty("total").GetInt32());
        var table = await _server.Client.GetStringAsync($"/api/classes/{_class}/record.csv");
        Assert.Contains("2026-11-30,,,lesson,Frost; High,5,", table, StringComparison.Ordinal);
        var record = await _server.Get($"/api/classes/{_class}/record.json");
        Assert.Equal(200, await Status(HttpMethod.Delete, $"/api/classes/{_class}"));
        var back = await Post("/api/classes/record", record);
        var kept = (await _server.Get($"/api/classes/{back.GetProperty("id").GetInt64()}/lessons")).GetProperty(
            "lessons"
        );
        Assert.Equal(["2026-12-07", "2026-11-30"], Texts(kept, "day"));
        Assert.Equal(["Frost", "High"], kept[1].GetProperty("tunes").EnumerateArray().Select(t => t.GetString()));
    }

    private static Dictionary<string, object?> Short(Dictionary<string, object?> change)
    {
        ((Dictionary<string, object?>)change["lesson"]!)["minutes"] = 5;
        return change;
    }

    [Fact]
    public async Task Who_missed_it_is_told_of_no_other_instrument()
    {
        await Set(_frost);
        var lesson = await Post($"/api/classes/{_class}/lessons", new { day = "2026-09-14" });
        var path = $"/api/classes/{_class}/lessons/{lesson.GetProperty("id").GetInt64()}";
        Assert.Contains("basses by their own", await Details(path), StringComparison.Ordinal);
        // The strings of each alone, from the A or, on the bass, from the top.
        (string Instrument, string Strings)[] all =
        [
            ("violin", "A, D, G, E."),
            ("cello", "A, D, G, C."),
            ("bass", "G, D, A, E."),
        ];
        foreach (var (instrument, strings) in all)
        {
            var details = await Details($"{path}?instrument={instrument}");
            Assert.StartsWith(strings, details, StringComparison.Ordinal);
            foreach (var (other, _) in all.Where(a => a.Instrument != instrument))
                Assert.DoesNotContain(other, details, StringComparison.OrdinalIgnoreCase);
        }

        Assert.Equal(404, (await _server.Send(HttpMethod.Get, $"{path}?instrument=flute")).Status);
    }

    [Fact] // Craft 21: the minutes, the strings and the trouble of one player, not the class's: reckoned by hand.
    public async Task Who_missed_it_has_minutes_and_trouble_of_their_own()
    {
        await Set(_frost);
        var lesson = await Post($"/api/classes/{_class}/lessons", new { day = "2026-09-14" });
        var path = $"/api/classes/{_class}/lessons/{lesson.GetProperty("id").GetInt64()}";
        foreach (var who in new[] { "violin", "cello", "bass" })
        {
            var alone = await _server.Get($"{path}?instrument={who}");
            // Four strings, 15 seconds each.
            Assert.Equal(60, Steps(alone).Single(s => Part(s) == "tuning").GetProperty("seconds").GetDouble());
            Assert.DoesNotContain(Steps(alone), s => Part(s) is "join" or "own");
            Assert.Equal(
                Steps(alone).Sum(s => s.GetProperty("seconds").GetDouble()),
                alone.GetProperty("seconds").GetDouble(),
                6
            );
            Assert.True(alone.GetProperty("seconds").GetDouble() < lesson.GetProperty("seconds").GetDouble());
            // Each chunk is a trouble spot of this instrument, and says why.
            var reading = await _server.Get($"/api/tunes/{_frost}/reading?instrument={who}&class={_class}");
            var trouble = reading
                .GetProperty("trouble")
                .EnumerateArray()
                .ToDictionary(t => t.GetProperty("noteId").GetString()!);
            var chunks = Steps(alone).Where(s => Part(s) == "chunk").ToArray();
            Assert.NotEmpty(chunks);
            foreach (var chunk in chunks)
            {
                var spot = trouble[chunk.GetProperty("step").GetProperty("noteId").GetString()!];
                Assert.Contains(
                    spot.GetProperty("text").GetString()!,
                    chunk.GetProperty("detail").GetString(),
                    StringComparison.Ordinal
                );
            }

            // Frost is played on D and A; on the bass A and B lie on the G string, G too.
            var shapes = Steps(alone).Single(s => Part(s) == "shapes").GetProperty("detail").GetString();
            Assert.Equal(
                who switch
                {
                    "violin" => "Each string up and down: 2–3 on D and A.",
                    "cello" => "Each string up and down: 1–3–4 on D and A.",
                    _ => "Each string up and down: 1–4 on D and G.",
                },
                shapes
            );
        }
    }

    [Fact] // What, how far, how long, by when: a tune of 16 quarters three times at 66 takes a minute; cards two.
    public async Task What_is_practised_at_home_is_told_to_whom_it_is_set()
    {
        await Set(_frost);
        await Post(
            $"/api/classes/{_class}/tasks",
            new
            {
                kind = "cards",
                due = "2099-09-21",
                instrument = "cello",
            }
        );
        var lesson = await Post($"/api/classes/{_class}/lessons", new { day = "2099-09-07" });
        var path = $"/api/classes/{_class}/lessons/{lesson.GetProperty("id").GetInt64()}";
        Assert.Equal(
            "Frost to 66, about one minute a day, by Monday 14 September; "
                + "Cards (cellos), about two minutes a day, by Monday 21 September.",
            await Home(path)
        );
        Assert.Equal(
            "Frost to 66, about one minute a day, by Monday 14 September.",
            await Home($"{path}?instrument=violin")
        );
        Assert.EndsWith(
            "; Cards, about two minutes a day, by Monday 21 September.",
            await Home($"{path}?instrument=cello"),
            StringComparison.Ordinal
        );
        // What is due by the lesson's day is not of it; nor what a single learner is set.
        var later = await Post($"/api/classes/{_class}/lessons", new { day = "2099-09-14" });
        Assert.Equal(["Cards"], Texts(later.GetProperty("home"), "title"));
        var last = await Post($"/api/classes/{_class}/lessons", new { day = "2099-09-21" });
        Assert.Equal(
            "Nothing is set yet for the days after it.",
            Steps(last).Single(s => Part(s) == "home").GetProperty("detail").GetString()
        );

        async Task<string?> Home(string of) =>
            Steps(await _server.Get(of)).Single(s => Part(s) == "home").GetProperty("detail").GetString();
    }

    [Fact] // A tune is looked over by what is in it.
    public async Task Looking_a_tune_over_says_which_lines_are_the_same_and_where_the_traps_are()
    {
        var tune = await Tune(
            "X:1\nT:Weir\nM:4/4\nL:1/4\nK:D\nD E F G|A4|G F E D|E4|D E F G|A4|G F E D|D4|D E F G|A4|G F E D|E4|(A F) "
                + "(A F)|z4|A2 F2|D4|]"
        );
        await Set(tune);
        var lesson = await Post($"/api/classes/{_class}/lessons", new { day = "2026-09-14" });
        Assert.Equal(
            "Number the lines. Four lines, two to learn and one nearly the same. 16 bars, 8 different. "
                + "Line 3 is line 1 again. "
                + "Line 2 is line 1, but bar 8 has D where bar 4 has E. Look for: slur (13), rest (14).",
            Steps(lesson).Single(s => Part(s) == "look").GetProperty("detail").GetString()
        );
    }

    private async Task<string> Details(string path) =>
        string.Join(
            '\n',
            (await _server.Get(path))
                .GetProperty("steps")
                .EnumerateArray()
                .Select(s => s.GetProperty("detail").GetString())
        );

    [Fact]
    public async Task What_cannot_be_kept_is_refused_with_its_place()
    {
        var path = $"/api/classes/{_class}/lessons";
        var lesson = await Post(path, new { day = "2026-11-30" });
        var one = $"{path}/{lesson.GetProperty("id").GetInt64()}";
        var (status, problem) = await _server.Send(HttpMethod.Put, one, Change(lesson, s => new(s) { ["tempo"] = 7 }));
        Assert.Equal(
            (422, "Step 1: expected a tempo of 20 to 300."),
            (status, problem.GetProperty("title").GetString())
        );
        (status, problem) = await _server.Send(HttpMethod.Put, one, Change(lesson, s => new(s) { ["id"] = "s1" }));
        Assert.Equal(
            (422, "Two steps are called s1; expected names of their own."),
            (status, problem.GetProperty("title").GetString())
        );
        Assert.Equal(400, await Status(HttpMethod.Post, path, new { day = "Monday" }));
        Assert.Equal(404, await Status(HttpMethod.Post, one + "/tunes", new { version = 1, tuneId = 999 }));
        Assert.Equal(1, (await _server.Get(one)).GetProperty("version").GetInt32());
        // A class without learners and without a tune has a lesson too.
        var empty = await Post("/api/classes", new { name = "Nobody", learners = Array.Empty<object>() });
        var plan = await Post($"/api/classes/{empty.GetProperty("id").GetInt64()}/lessons", new { day = "2026-11-30" });
        Assert.Equal(["tuning", "home"], Steps(plan).Select(Part));
    }

    private async Task<int> Status(HttpMethod method, string path, object? body = null) =>
        (await _server.Send(method, path, body)).Status;
}
