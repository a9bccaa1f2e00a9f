using System.IO.Compression;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Xml.Linq;
using Coppia.Data.Store;
using Microsoft.Extensions.DependencyInjection;

namespace Coppia.Tests;

/// <summary>
/// The writing desk from the task to the booklet. Source: craft 13 (rules, levels, booklet), 16 (other instruments, an
/// octave that fits); whose things are whose: OWASP ASVS 4.0.3, 4.2.1; what is kept of a child goes out and can be
/// deleted: GDPR, articles 15, 17 and 20.
/// </summary>
public sealed class DeskApiTests : IAsyncLifetime
{
    private readonly RunningServer _server = new();
    private readonly Dictionary<string, (long Id, string Link)> _learners = [];
    private long _class;
    private long _task;
    private long _work;

    public async ValueTask InitializeAsync()
    {
        await _server.InitializeAsync();
        var learners = new[] { ("Ada", "violin"), ("Bo", "cello"), ("Cy", "bass") }.Select(l => new
        {
            nickname = l.Item1,
            instrument = l.Item2,
            size = "1/2",
        });
        var (_, made) = await Post(
            "/api/classes",
            new
            {
                name = "Weir strings",
                learners,
                start = new { stage = "firstFingers" },
            }
        );
        _class = made.GetProperty("id").GetInt64();
        var ids = (await _server.Get($"/api/classes/{_class}/links"))
            .EnumerateArray()
            .Select(l => l.GetProperty("learnerId").GetInt64())
            .ToArray();
        await Post($"/api/classes/{_class}/links", new { learners = ids });
        foreach (var link in (await _server.Get($"/api/classes/{_class}/links")).EnumerateArray())
            _learners[link.GetProperty("nickname").GetString()!] = (
                link.GetProperty("learnerId").GetInt64(),
                link.GetProperty("address").GetString()!.Split('/')[^1]
            );
        var (status, task) = await Post("/api/desk/tasks", new { title = "Our D string", task = await Level(1) });
        Assert.Equal(200, status);
        _task = task.GetProperty("id").GetInt64();
        await SetTask();
    }

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    private Task<(int Status, JsonElement Body)> Post(string path, object? body = null) =>
        _server.Send(HttpMethod.Post, path, body);

    private async Task<JsonElement> Level(int level) =>
        (await _server.Get("/api/desk/levels?key=D"))[level - 1].GetProperty("task");

    private async Task SetTask()
    {
        var set = new
        {
            kind = "writing",
            due = "2099-09-14",
            taskId = _task,
        };
        Assert.Equal(204, (await Post($"/api/classes/{_class}/tasks", set)).Status);
        _work = (await _server.Get($"/api/classes/{_class}/tasks"))[0].GetProperty("id").GetInt64();
    }

    private string Desk(string who) => $"/api/learn/{_learners[who].Link}/desk/{_work}";

    /// <summary>Bars of quarters, r for a rest: "D3 E3 r D3 | …".</summary>
    private static object Bars(string text) =>
        new
        {
            bars = text.Split('|')
                .Select(bar =>
                    bar.Split(' ', StringSplitOptions.RemoveEmptyEntries)
                        .Select(n => new { note = n == "r" ? null : n, value = "1/4" })
                        .ToArray()
                )
                .ToArray(),
        };

    private async Task<(int Status, JsonElement Body)> Keep(
        string who,
        string piece,
        int from = 0,
        bool anew = false,
        int level = 1
    ) =>
        await _server.Send(
            HttpMethod.Put,
            Desk(who),
            new
            {
                level,
                piece = Bars(piece),
                from,
                anew,
            }
        );

    private async Task<int> HandIn(string who, int level = 1) =>
        (await Post($"{Desk(who)}/hand-in", new { level })).Status;

    private async Task<JsonElement> PieceOf(string who) =>
        (await _server.Get($"/api/classes/{_class}/pieces"))
            .GetProperty("pieces")
            .EnumerateArray()
            .Last(p => p.GetProperty("nickname").GetString() == who);

    private static string Text(JsonElement e, string name) => e.GetProperty(name).GetString()!;

    private static string Notes(JsonElement piece) =>
        string.Join(
            " | ",
            piece
                .GetProperty("bars")
                .EnumerateArray()
                .Select(b => string.Join(' ', b.EnumerateArray().Select(n => n.GetProperty("note").GetString() ?? "r")))
        );

    private const string Cello = "D3 E3 F#3 G3 | A3 G3 F#3 A3 | D3 E3 F#3 G3 | A3 F#3 E3 D3";
    private const string Violin = "D4 D4 A4 A4 | G4 F#4 E4 A4 | D4 D4 A4 A4 | G4 F#4 E4 D4";

    [Fact] // Craft 2, 3 and 13: one task, each player's own clef, string and given notes.
    public async Task Each_player_sees_the_palette_of_their_own_string()
    {
        foreach (
            var (who, clef, palette, pairs) in new[]
            {
                ("Ada", "treble", "D4 E4 F#4 G4 A4", "D0 D1 D2 D3 A0"),
                ("Bo", "bass", "D3 E3 F#3 G3 A3", "D0 D1 D3 D4 A0"),
                ("Cy", "bass", "D3 E3 F#3 G3 A3", "D0 D1 D4 G0 G1"),
            }
        )
        {
            var desk = await _server.Get(Desk(who));
            var task = desk.GetProperty("task");
            Assert.Equal(clef, Text(task, "clef"));
            string[] Of(string field) => [.. task.GetProperty("palette").EnumerateArray().Select(p => Text(p, field))];
            Assert.Equal(palette, string.Join(' ', Of("pitch")));
            Assert.Equal(pairs, string.Join(' ', Of("pair")));
            Assert.Equal(" | " + Of("pitch")[4] + " |  | " + Of("pitch")[0], Notes(desk.GetProperty("piece")));
        }

        // The ninth of two strings is the fourth finger of the upper one on the violin; the cello has none.
        var (_, two) = await Post("/api/desk/look", new { title = "Two strings", task = await Level(3) });
        string[] Last(int player) =>
            [.. two.GetProperty("for")[player].GetProperty("palette").EnumerateArray().Select(p => Text(p, "pair"))];
        Assert.Equal("D0 D1 D2 D3 A0 A1 A2 A3 A4", string.Join(' ', Last(0)));
        Assert.Equal("D0 D1 D3 D4 A0 A1 A3 A4", string.Join(' ', Last(2)));
    }

    [Fact]
    public async Task From_the_task_to_the_booklet_with_two_learners_on_two_instruments()
    {
        // The rules answer at every note, at its bar.
        var (status, kept) = await Keep("Bo", "D3 E3 F#3 G3 A3 | A3 | | D3");
        Assert.Equal(200, status);
        var found = kept.GetProperty("check").GetProperty("findings").EnumerateArray().ToArray();
        Assert.Equal(
            "5 beats here; in 4/4 a bar has 4.",
            Text(found.Single(f => !f.GetProperty("unfinished").GetBoolean()), "words")
        );
        Assert.Equal(1, found[0].GetProperty("bar").GetInt32());
        (_, kept) = await Keep("Bo", Cello, kept.GetProperty("version").GetInt32());
        Assert.True(kept.GetProperty("check").GetProperty("kept").GetBoolean());
        await Keep("Ada", Violin);
        Assert.Equal((204, 204), (await HandIn("Bo"), await HandIn("Ada")));

        // Handed in it is locked, and done.
        Assert.Equal(409, (await Keep("Bo", "D3 | A3 | | D3")).Status);
        Assert.Equal(Cello, Notes((await _server.Get(Desk("Bo"))).GetProperty("piece")));
        Assert.Equal(2, (await _server.Get($"/api/classes/{_class}/tasks"))[0].GetProperty("done").GetArrayLength());

        // A remark on a bar, given back, written on, handed in again, accepted.
        var bo = (await PieceOf("Bo")).GetProperty("id").GetInt64();
        var one = $"/api/classes/{_class}/pieces/{bo}";
        Assert.Equal(200, (await Post($"{one}/remarks", new { words = "Sing this bar.", bar = 3 })).Status);
        Assert.Equal(422, (await Post($"{one}/remarks", new { words = "Where?", bar = 9 })).Status);
        Assert.Equal(204, (await _server.Send(HttpMethod.Put, $"{one}/state", new { state = "givenBack" })).Status);
        Assert.Equal(1, (await _server.Get($"/api/classes/{_class}/tasks"))[0].GetProperty("done").GetArrayLength());
        var desk = await _server.Get(Desk("Bo"));
        Assert.Equal(
            ("givenBack", "Sing this bar."),
            (Text(desk, "state"), Text(desk.GetProperty("remarks")[0], "words"))
        );
        Assert.Equal(
            200,
            (
                await Keep(
                    "Bo",
                    Cello.Replace("G3 |", "A3 |", StringComparison.Ordinal),
                    desk.GetProperty("version").GetInt32()
                )
            ).Status
        );
        Assert.Equal(204, await HandIn("Bo"));
        Assert.Equal(204, (await _server.Send(HttpMethod.Put, $"{one}/state", new { state = "accepted" })).Status);
        var ada = (await PieceOf("Ada")).GetProperty("id").GetInt64();
        Assert.Equal(
            409,
            (
                await _server.Send(
                    HttpMethod.Put,
                    $"/api/classes/{_class}/pieces/{ada}/state",
                    new { state = "writing" }
                )
            ).Status
        );

        // The booklet: shown to all, with names or none, and as MusicXML.
        var booklet = new
        {
            title = "Our tunes",
            perPage = 2,
            pairs = true,
            names = false,
            shown = true,
            pieces = new[] { bo, ada },
        };
        Assert.Equal(200, (await _server.Send(HttpMethod.Put, $"/api/classes/{_class}/booklet", booklet)).Status);
        var shown = await _server.Get($"/api/learn/{_learners["Ada"].Link}/pieces");
        Assert.Equal(["Piece 1 for cello", "Piece 2 for violin"], shown.EnumerateArray().Select(p => Text(p, "title")));
        Assert.DoesNotContain("Bo", shown.GetRawText(), StringComparison.Ordinal);
        await TheBookletIsMusicXml();

        // A cellist's piece on the violin: an octave higher, on its own strings (craft 16).
        var reading = await _server.Get($"/api/learn/{_learners["Ada"].Link}/pieces/{bo}");
        Assert.Equal("violin", Text(reading.GetProperty("instrument"), "id"));
        Assert.Equal("Piece 1 for cello", Text(reading, "title"));
        var named = booklet with { names = true };
        await _server.Send(HttpMethod.Put, $"/api/classes/{_class}/booklet", named);
        Assert.Equal("Bo’s piece", Text(await _server.Get($"/api/learn/{_learners["Ada"].Link}/pieces/{bo}"), "title"));
        await _server.Send(HttpMethod.Put, $"/api/classes/{_class}/booklet", booklet);
        reading = await _server.Get($"/api/learn/{_learners["Ada"].Link}/pieces/{bo}");
        Assert.DoesNotContain("Bo’s", reading.GetRawText(), StringComparison.Ordinal);
        var notes = reading.GetProperty("notes").EnumerateArray().Take(4).ToArray();
        Assert.Equal("D4 E4 F#4 A4", string.Join(' ', notes.Select(n => Text(n, "pitch"))));
        Assert.Equal("D0 D1 D2 A0", string.Join(' ', notes.Select(n => Text(n, "label"))));
    }

    private async Task TheBookletIsMusicXml()
    {
        await using var file = await _server.Client.GetStreamAsync(
            new Uri($"/api/classes/{_class}/booklet.zip", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        using var whole = new MemoryStream();
        await file.CopyToAsync(whole, TestContext.Current.CancellationToken);
        using var zip = new ZipArchive(whole);
        Assert.Equal(2, zip.Entries.Count);
        using var first = zip.Entries[0].Open();
        var score = await XDocument.LoadAsync(first, LoadOptions.None, TestContext.Current.CancellationToken);
        Assert.Equal(4, score.Descendants("measure").Count());
        Assert.Equal("Piece 1 for cello", score.Descendants("work-title").Single().Value);
        Assert.Equal("F", score.Descendants("sign").First().Value);
    }

    [Fact] // Nothing is lost: each sitting, and whatever takes much away, leaves the former behind.
    public async Task Former_versions_stay_and_two_windows_do_not_lose_each_others_notes()
    {
        var (_, first) = await Keep("Bo", "D3 | A3 | | D3");
        var version = first.GetProperty("version").GetInt32();
        await Keep("Bo", "D3 E3 | A3 | | D3", version);
        // In one sitting it is one version.
        Assert.Equal(0, (await _server.Get($"{Desk("Bo")}/versions?level=1")).GetArrayLength());
        // The other window still had the first state.
        await Keep("Bo", "D3 G3 | A3 | | D3", version);
        // Begun anew.
        var now = (await _server.Get(Desk("Bo"))).GetProperty("version").GetInt32();
        await Keep("Bo", " | A3 | | D3", now, anew: true);
        var versions = await _server.Get($"{Desk("Bo")}/versions?level=1");
        Assert.Equal(
            ["D3 G3 | A3 |  | D3", "D3 E3 | A3 |  | D3"],
            versions.EnumerateArray().Select(v => Notes(v.GetProperty("piece")))
        );
        Assert.Equal(" | A3 |  | D3", Notes((await _server.Get(Desk("Bo"))).GetProperty("piece")));
    }

    [Fact] // Craft 13: a learner may go on to the next level by choice; each level is a piece of its own.
    public async Task A_learner_goes_on_to_the_next_level_by_choice()
    {
        await Keep("Bo", Cello);
        var desk = await _server.Get($"{Desk("Bo")}?level=2");
        Assert.Equal(" |  |  | ", Notes(desk.GetProperty("piece")));
        Assert.Equal(200, (await Keep("Bo", "D3 D3 D3 D3 | A3 | | ", level: 2)).Status);
        desk = await _server.Get(Desk("Bo"));
        Assert.Equal((Cello, 3), (Notes(desk.GetProperty("piece")), desk.GetProperty("next").GetInt32()));
        Assert.Equal(422, (await _server.Send(HttpMethod.Get, $"{Desk("Bo")}?level=6")).Status);
        Assert.Equal(2, (await _server.Get($"/api/classes/{_class}/pieces")).GetProperty("pieces").GetArrayLength());
    }

    [Fact]
    public async Task A_task_that_is_taken_away_and_set_again_goes_on_where_it_was()
    {
        await Keep("Bo", Cello);
        Assert.Equal(204, (await _server.Send(HttpMethod.Delete, $"/api/classes/{_class}/tasks/{_work}")).Status);
        Assert.Equal(404, (await _server.Send(HttpMethod.Get, Desk("Bo"))).Status);
        Assert.Equal("Bo", Text(await PieceOf("Bo"), "nickname"));
        await SetTask();
        Assert.Equal(Cello, Notes((await _server.Get(Desk("Bo"))).GetProperty("piece")));
        await Keep("Bo", Cello.Replace("G3 |", "A3 |", StringComparison.Ordinal), 99);
        Assert.Equal(1, (await _server.Get($"/api/classes/{_class}/pieces")).GetProperty("pieces").GetArrayLength());

        // The rules under which it was begun hold, whatever becomes of the task.
        var changed = JsonSerializer.SerializeToNode(await Level(1))!;
        changed["bars"] = 2;
        changed["fixed"] = JsonSerializer.SerializeToNode(Array.Empty<object>());
        Assert.Equal(
            200,
            (
                await _server.Send(
                    HttpMethod.Put,
                    $"/api/desk/tasks/{_task}",
                    new
                    {
                        title = "Short",
                        task = changed,
                        version = 1,
                    }
                )
            ).Status
        );
        Assert.Equal(4, (await _server.Get(Desk("Bo"))).GetProperty("task").GetProperty("bars").GetInt32());
        Assert.Equal(2, (await _server.Get(Desk("Ada"))).GetProperty("task").GetProperty("bars").GetInt32());
    }

    [Fact] // A file is checked like what was written here, and what is no piece is told with its place.
    public async Task Pieces_from_files_are_checked_like_written_ones()
    {
        const string abc = "X:1\nT:Mine\nM:4/4\nL:1/4\nK:D clef=bass\nD,E,F,G,A,|A,G,F,A,|D,E,F,G,|A,F,E,D,|]\n";
        async Task<(int, JsonElement)> Bring(string text) =>
            await Post(
                $"/api/classes/{_class}/pieces",
                new
                {
                    learnerId = _learners["Bo"].Id,
                    workId = _work,
                    text,
                }
            );
        var (status, check) = await Bring(abc);
        Assert.Equal(200, status);
        Assert.Equal(
            ("beats", 1),
            (
                Text(check.GetProperty("findings")[0], "rule"),
                check.GetProperty("findings")[0].GetProperty("bar").GetInt32()
            )
        );
        Assert.Equal("handedIn", Text(await PieceOf("Bo"), "state"));
        Assert.Equal(409, (await Bring(abc)).Item1);

        var (_, taken) = await Post(
            $"{Desk("Ada")}/take",
            new { level = 1, text = "X:1\nM:4/4\nL:1/4\nK:D\nD E F G|A4|]\n" }
        );
        Assert.Equal("D4 E4 F#4 G4 | A4", Notes(taken.GetProperty("piece")));
        // Triplets are no value of the task, and a piece all the same; what the desk has no sign for is refused.
        var (_, triplets) = await Post(
            $"{Desk("Ada")}/take",
            new { level = 1, text = "X:1\nM:4/4\nL:1/4\nK:D\n(3D/E/F/ G A G|]\n" }
        );
        Assert.Equal(
            3,
            triplets
                .GetProperty("check")
                .GetProperty("findings")
                .EnumerateArray()
                .Count(f => Text(f, "rule") == "value")
        );
        Assert.Equal(
            200,
            (
                await _server.Send(
                    HttpMethod.Put,
                    Desk("Ada"),
                    new
                    {
                        level = 1,
                        piece = triplets.GetProperty("piece"),
                        from = 0,
                    }
                )
            ).Status
        );
        Assert.Equal("Ada", Text(await PieceOf("Ada"), "nickname"));
        Assert.Equal(
            422,
            (
                await Post(
                    $"{Desk("Ada")}/take",
                    new { level = 1, text = "X:1\nM:4/4\nL:1/4\nK:D\n(5:4D/E/F/G/A/ G A|]\n" }
                )
            ).Status
        );
        var (chords, problem) = await Post(
            $"{Desk("Ada")}/take",
            new { level = 1, text = "X:1\nK:D\nD E F G|[DA]4|]\n" }
        );
        Assert.Equal(
            (422, "Bar 2 has notes that sound together; the desk takes one note at a time."),
            (chords, Text(problem, "title"))
        );
        Assert.Equal(422, (await Post($"{Desk("Ada")}/take", new { level = 1, text = "X:1\nK:D\n\"" })).Status);
    }

    [Fact]
    public async Task Bad_input_is_refused_with_what_would_be_right_and_nothing_is_kept()
    {
        async Task<string> Refused(object task, int expected = 422)
        {
            var (status, problem) = await Post("/api/desk/tasks", new { title = "Odd", task });
            Assert.Equal(expected, status);
            return Text(problem, "title");
        }

        var good = JsonSerializer.SerializeToNode(await Level(1))!;
        object With(string field, object value)
        {
            var task = good.DeepClone();
            task[field] = JsonSerializer.SerializeToNode(value);
            return task;
        }

        Assert.Equal(
            "The fixed note B4 of bar 2 is not in the palette of the violin; expected one of its notes.",
            await Refused(
                With(
                    "fixed",
                    new[]
                    {
                        new
                        {
                            bar = 2,
                            at = "last",
                            step = "6",
                        },
                    }
                )
            )
        );
        var silent = With("mostRests", 16);
        ((JsonNode)silent)["fixed"] = new JsonArray();
        Assert.Equal("16 rests fill the whole piece; expected fewer.", await Refused(silent));
        Assert.Equal("“H” is not a key; expected a key such as D, Bb, F# or Em.", await Refused(With("key", "H")));
        Assert.Contains("1/7", await Refused(With("values", new[] { "1/7" })), StringComparison.Ordinal);
        Assert.Contains("1 to 32 bars", await Refused(With("bars", 0)), StringComparison.Ordinal);
        Assert.Contains(
            "not an instrument",
            await Refused(With("instruments", new[] { "flute" })),
            StringComparison.Ordinal
        );
        Assert.Equal(1, (await _server.Get("/api/desk/tasks")).GetArrayLength());

        Assert.Equal(
            "Bar 2, note 1: “X9” is not a pitch; expected a letter, # or b, and an octave number, such as F#4.",
            Text((await Keep("Bo", "D3 | X9")).Body, "title")
        );
        Assert.Equal(422, (await Keep("Bo", string.Join('|', Enumerable.Repeat("D3", 65)))).Status);
        Assert.Equal(422, await HandIn("Bo"));
        Assert.Equal(0, (await _server.Get($"/api/classes/{_class}/pieces")).GetProperty("pieces").GetArrayLength());
    }

    [Fact]
    public async Task A_deleted_task_comes_back()
    {
        Assert.Equal(204, (await _server.Send(HttpMethod.Delete, $"/api/desk/tasks/{_task}")).Status);
        Assert.Equal(
            (0, 1),
            (
                (await _server.Get("/api/desk/tasks")).GetArrayLength(),
                (await _server.Get("/api/desk/tasks/deleted")).GetArrayLength()
            )
        );
        Assert.Equal(204, (await Post($"/api/desk/tasks/{_task}/restore")).Status);
        Assert.Equal("Our D string", Text((await _server.Get("/api/desk/tasks"))[0], "title"));
    }

    [Fact] // OWASP ASVS 4.2.1: a learner sees and writes their own only.
    public async Task A_learners_piece_is_theirs_alone()
    {
        await Keep("Bo", Cello);
        Assert.Equal(" | A4 |  | D4", Notes((await _server.Get(Desk("Ada"))).GetProperty("piece")));
        var bo = (await PieceOf("Bo")).GetProperty("id").GetInt64();
        // Not in a booklet that is shown.
        Assert.Equal(
            404,
            (await _server.Send(HttpMethod.Get, $"/api/learn/{_learners["Ada"].Link}/pieces/{bo}")).Status
        );
        Assert.Equal(0, (await _server.Get($"/api/learn/{_learners["Ada"].Link}/pieces")).GetArrayLength());
        var (_, other) = await Post("/api/classes", new { name = "Another", learners = Array.Empty<object>() });
        Assert.Equal(
            404,
            (
                await _server.Send(
                    HttpMethod.Get,
                    $"/api/classes/{other.GetProperty("id").GetInt64()}/pieces/{bo}/reading"
                )
            ).Status
        );
    }

    [Fact] // GDPR, articles 17 and 20.
    public async Task A_learner_takes_their_pieces_along_out_and_in_again_and_with_them_when_deleted()
    {
        await Keep("Bo", "D3 | A3 | | D3");
        await Keep("Bo", Cello, 2, anew: true);
        await HandIn("Bo");
        var bo = (await PieceOf("Bo")).GetProperty("id").GetInt64();
        await Post($"/api/classes/{_class}/pieces/{bo}/remarks", new { words = "Beautifully written.", bar = 2 });
        await _server.Send(
            HttpMethod.Put,
            $"/api/classes/{_class}/booklet",
            new
            {
                title = "Our tunes",
                perPage = 1,
                pairs = false,
                names = true,
                shown = true,
                pieces = new[] { bo },
            }
        );
        var record = await _server.Get($"/api/classes/{_class}/record.json");

        var (_, was) = await _server.Send(HttpMethod.Delete, $"/api/classes/{_class}/learners/{_learners["Bo"].Id}");
        var database = _server.Services.GetRequiredService<Database>();
        foreach (var table in new[] { "hand_in", "hand_in_version", "hand_in_remark", "booklet_piece" })
            Assert.DoesNotContain(
                SomeLibrary.Dump(database.File).Split('\n'),
                r => r.StartsWith($"{table}:", StringComparison.Ordinal)
            );
        Assert.Equal(204, (await Post($"/api/classes/{_class}/learners/record", was)).Status);
        await Whole(_class, "handedIn");

        await _server.Send(HttpMethod.Delete, $"/api/classes/{_class}");
        var (status, back) = await Post("/api/classes/record", record);
        Assert.Equal(200, status);
        _class = back.GetProperty("id").GetInt64();
        await Whole(_class, "handedIn");
        var booklet = await _server.Get($"/api/classes/{_class}/booklet");
        Assert.Equal(("Our tunes", 1), (Text(booklet, "title"), booklet.GetProperty("pieces").GetArrayLength()));
        Assert.Equal(1, (await _server.Get("/api/desk/tasks")).GetArrayLength());
        Assert.Contains(
            "remark,Our D string",
            await _server.Client.GetStringAsync(
                new Uri($"/api/classes/{_class}/record.csv", UriKind.Relative),
                TestContext.Current.CancellationToken
            ),
            StringComparison.Ordinal
        );
    }

    private async Task Whole(long id, string state)
    {
        _class = id;
        var piece = await PieceOf("Bo");
        Assert.Equal(state, Text(piece, "state"));
        Assert.Equal("Beautifully written.", Text(piece.GetProperty("remarks")[0], "words"));
        Assert.Equal(16, piece.GetProperty("sound").GetArrayLength());
        Assert.NotEqual(JsonValueKind.Null, piece.GetProperty("workId").ValueKind);
    }
}
