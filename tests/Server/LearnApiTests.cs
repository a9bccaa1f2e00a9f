using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using Coppia.Data.Door;
using Coppia.Data.Logbook;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using ZXing;

namespace Coppia.Tests;

/// <summary>
/// What is set, and what a learner sees and reports by their link. Source: craft 14, 15 and 22; whose things are whose:
/// OWASP ASVS 4.0.3, 4.1.2 and 4.2.1.
/// </summary>
public sealed class LearnApiTests : IAsyncLifetime
{
    private const string Tune = "X:1\nT:Lanterns\nM:4/4\nL:1/4\nK:D\nD E F G|A4|]\n";

    private readonly RunningServer _server = new();
    private long _class;
    private long _tune;
    private readonly Dictionary<string, (long Id, string Link)> _learners = [];

    public async ValueTask InitializeAsync()
    {
        await _server.InitializeAsync();
        _tune = await _server.Keep(Tune);
        var learners = new[] { ("Ada", "violin"), ("Bo", "cello"), ("Cy", "violin") }.Select(l => new
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
        await Renew();
    }

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    private Task<(int Status, JsonElement Body)> Post(string path, object? body = null) =>
        _server.Send(HttpMethod.Post, path, body);

    /// <summary>Gives everybody a link, a new one where they have one.</summary>
    private async Task Renew()
    {
        var all = (await _server.Get($"/api/classes/{_class}/links"))
            .EnumerateArray()
            .Select(l => l.GetProperty("learnerId").GetInt64())
            .ToArray();
        Assert.Equal(204, (await Post($"/api/classes/{_class}/links", new { learners = all })).Status);
        foreach (var link in (await _server.Get($"/api/classes/{_class}/links")).EnumerateArray())
        {
            var address = link.GetProperty("address").GetString()!;
            _learners[link.GetProperty("nickname").GetString()!] = (
                link.GetProperty("learnerId").GetInt64(),
                address.Split('/')[^1]
            );
        }
    }

    private string Today() => $"{_server.Clock.Today:yyyy-MM-dd}";

    private string Link(string who) => $"/api/learn/{_learners[who].Link}";

    private Task<(int Status, JsonElement Body)> Set(
        string kind,
        string? instrument = null,
        string? learner = null,
        int? tempo = null
    ) =>
        Post(
            $"/api/classes/{_class}/tasks",
            new
            {
                kind,
                due = "2099-09-14",
                tuneId = kind == "tune" ? _tune : (long?)null,
                tempo,
                instrument,
                learnerId = learner is null ? (long?)null : _learners[learner].Id,
            }
        );

    private async Task<string> Seen(string who) =>
        string.Join(
            ", ",
            (await _server.Get(Link(who)))
                .GetProperty("work")
                .EnumerateArray()
                .Select(w => $"{w.GetProperty("title").GetString()} {w.GetProperty("done").GetBoolean()}")
        );

    [Fact]
    public async Task A_class_a_section_or_one_learner_gets_what_is_set_to_them_and_says_that_it_is_done()
    {
        Assert.Equal(204, (await Set("tune", tempo: 80)).Status);
        Assert.Equal(204, (await Set("cards", instrument: "violin")).Status);
        Assert.Equal(204, (await Set("cards", learner: "Bo")).Status);
        Assert.Equal("Lanterns False, Cards False", await Seen("Ada"));
        Assert.Equal("Lanterns False, Cards False", await Seen("Bo"));
        var first = (await _server.Get(Link("Ada"))).GetProperty("work")[0];
        Assert.Equal(80, first.GetProperty("tempo").GetInt32());
        var report = new { done = new[] { new { work = first.GetProperty("id").GetInt64(), done = true } } };
        Assert.Equal(200, (await Post($"{Link("Ada")}/report", report)).Status);
        Assert.Equal("Lanterns True, Cards False", await Seen("Ada"));
        Assert.Equal("Lanterns False, Cards False", await Seen("Bo"));
        var work = (await _server.Get($"/api/classes/{_class}/tasks")).EnumerateArray().ToArray();
        Assert.Equal([3, 2, 1], work.Select(w => w.GetProperty("for").GetArrayLength()));
        Assert.All(work, w => Assert.Equal(Today(), w.GetProperty("setOn").GetString()));
        Assert.Equal([_learners["Ada"].Id], work[0].GetProperty("done").EnumerateArray().Select(d => d.GetInt64()));
        Assert.Equal(
            204,
            (await _server.Send(HttpMethod.Delete, $"/api/classes/{_class}/tasks/{work[0].GetProperty("id")}")).Status
        );
        Assert.Equal("Cards False", await Seen("Ada"));
    }

    [Theory] // The day at the school, wherever its clock stands: in Auckland it is Tuesday, in Anchorage still Sunday.
    [InlineData(13, "2026-11-17")]
    [InlineData(0, "2026-11-16")]
    [InlineData(-9, "2026-11-15")]
    public async Task What_is_set_bears_the_day_at_the_school(int hoursFromUtc, string day)
    {
        _server.Clock.From = new DateTimeOffset(2026, 11, 16, hoursFromUtc < 0 ? 2 : 20, 0, 0, TimeSpan.Zero);
        _server.Clock.Zone = TimeZoneInfo.CreateCustomTimeZone("school", TimeSpan.FromHours(hoursFromUtc), null, null);
        await Set("cards");
        var work = Assert.Single((await _server.Get($"/api/classes/{_class}/tasks")).EnumerateArray());
        Assert.Equal(day, work.GetProperty("setOn").GetString());
        var log = await _server.Get($"/api/classes/{_class}/learners/{_learners["Ada"].Id}/logbook");
        Assert.Equal(day, log.GetProperty("today").GetString());
    }

    [Theory] // The clock stands on Monday 16 November 2026.
    [InlineData("?firstDay=sunday", "2026-11-15")]
    [InlineData("?firstDay=saturday", "2026-11-14")]
    [InlineData("", "2026-11-16")]
    public async Task The_weeks_of_a_logbook_begin_on_the_day_that_is_asked_for(string query, string thisWeek)
    {
        var log = await _server.Get($"/api/classes/{_class}/logbook{query}");
        Assert.Equal(thisWeek, log.GetProperty("weeks")[7].GetString());
        var ada = await _server.Get($"/api/classes/{_class}/learners/{_learners["Ada"].Id}/logbook{query}");
        Assert.Equal(thisWeek, ada.GetProperty("weeks")[7].GetProperty("day").GetString());
        Assert.Equal(
            400,
            (await _server.Send(HttpMethod.Get, $"/api/classes/{_class}/logbook?firstDay=someday")).Status
        );
    }

    [Theory]
    [InlineData("tune", "soon", 80, 400, "at due: expected a day such as")]
    [InlineData("tune", "2026-09-31", 80, 400, "at due: expected a day such as")]
    [InlineData("tune", "2026-09-14", 400, 422, "20 to 300 quarters")]
    [InlineData("sheet", "2026-09-14", null, 422, "a sheet that is kept")]
    public async Task What_cannot_be_set_is_refused_in_words(
        string kind,
        string due,
        int? tempo,
        int status,
        string words
    )
    {
        var (answered, body) = await Post(
            $"/api/classes/{_class}/tasks",
            new
            {
                kind,
                due,
                tuneId = _tune,
                tempo,
            }
        );
        Assert.Equal(status, answered);
        Assert.Contains(words, body.GetProperty("title").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_tune_that_is_set_is_read_in_the_class_and_another_one_is_not_there()
    {
        var other = await _server.Keep(Tune.Replace("Lanterns", "Other", StringComparison.Ordinal));
        await Set("tune", instrument: "violin");
        var reading = await _server.Get($"{Link("Ada")}/tunes/{_tune}");
        Assert.Equal("D0", reading.GetProperty("notes")[0].GetProperty("label").GetString());
        Assert.Equal("violin", reading.GetProperty("instrument").GetProperty("id").GetString());
        Assert.Equal(404, (await _server.Send(HttpMethod.Get, $"{Link("Ada")}/tunes/{other}")).Status);
        Assert.Equal(404, (await _server.Send(HttpMethod.Get, $"{Link("Bo")}/tunes/{_tune}")).Status);
    }

    /// <summary>
    /// A phone that loses the answer sends again: every report counts once, however often and in whatever parts it
    /// comes.
    /// </summary>
    [Fact]
    public async Task A_report_that_is_sent_twice_counts_once()
    {
        var practice = new[]
        {
            new
            {
                key = "p1",
                at = "2026-11-01T16:00:00+01:00",
                minutes = 10,
            },
            new
            {
                key = "p2",
                at = "2026-11-01T18:00:00+01:00",
                minutes = 5,
            },
        };
        var answers = new[]
        {
            Answer("a1", "2026-11-01T16:00:00+01:00", "noteToName note violin D4 E4", "E"),
            Answer("a2", "2026-11-02T16:00:00+01:00", "noteToName note violin D4 E4", "E"),
        };
        var (_, first) = await Post($"{Link("Ada")}/report", new { practice, answers });
        Assert.Equal(4, first.GetProperty("new").GetInt32());
        Assert.Equal(0, first.GetProperty("leftOut").GetArrayLength());
        foreach (
            var again in new object[]
            {
                new { practice, answers },
                new { answers = answers[..1] },
                new { practice = practice[1..] },
            }
        )
            Assert.Equal(0, (await Post($"{Link("Ada")}/report", again)).Body.GetProperty("new").GetInt32());
        var days = (await _server.Get(Link("Ada"))).GetProperty("days").EnumerateArray();
        Assert.Equal(
            ["2026-11-01 15"],
            days.Select(d => $"{d.GetProperty("day").GetString()} {d.GetProperty("minutes").GetInt32()}")
        );
        var box = Assert.Single(_server.Services.GetRequiredService<ReportRepository>().Boxes(_learners["Ada"].Id));
        // Right twice: box 3, which comes back two days later.
        Assert.Equal((3, new DateOnly(2026, 11, 4)), (box.Box, box.Due));
        // The same names mean something else for another learner.
        Assert.Equal(2, (await Post($"{Link("Cy")}/report", new { practice })).Body.GetProperty("new").GetInt32());
    }

    private static object Answer(string key, string at, string card, string? letter, double seconds = 3) =>
        new
        {
            key,
            at,
            card,
            reply = letter is null ? null : new { name = letter },
            seconds,
        };

    [Fact]
    public async Task Answers_are_judged_here_and_move_their_cards()
    {
        const string Day = "2026-11-01T16:00:00+01:00";
        const string E = "noteToName note violin D4 E4";
        var reports = _server.Services.GetRequiredService<ReportRepository>();
        int Box() => reports.Boxes(_learners["Ada"].Id).Single().Box;
        async Task Send(string key, string? letter, double seconds = 3) =>
            Assert.Equal(
                1,
                (await Post($"{Link("Ada")}/report", new { answers = new[] { Answer(key, Day, E, letter, seconds) } }))
                    .Body.GetProperty("new")
                    .GetInt32()
            );
        await Send("1", "E");
        await Send("2", "E", seconds: 9);
        Assert.Equal(2, Box());
        await Send("3", "E");
        Assert.Equal(3, Box());
        await Send("4", "F");
        Assert.Equal(1, Box());
        await Send("5", null);
        Assert.Equal(1, Box());
        var (_, taken) = await Post(
            $"{Link("Ada")}/report",
            new
            {
                answers = new[]
                {
                    Answer("6", Day, "noteToName note cello D3 E3", "E"),
                    Answer("7", Day, "hum it", "E"),
                },
            }
        );
        Assert.Equal(0, taken.GetProperty("new").GetInt32());
        Assert.Equal(
            ["6 There is no card “noteToName note cello D3 E3” for the violin.", "7"],
            taken
                .GetProperty("leftOut")
                .EnumerateArray()
                .Select(l => (l.GetProperty("key").GetString(), l.GetProperty("why").GetString()!))
                .Select(l => l.Item1 == "6" ? $"6 {l.Item2}" : l.Item1)
        );
    }

    [Fact]
    public async Task A_round_of_cards_is_of_what_the_class_knows_and_what_is_due()
    {
        var cards = await _server.Get($"{Link("Bo")}/cards?day=2026-11-01");
        var names = cards.GetProperty("cards").EnumerateArray().Select(c => c.GetString()!).ToArray();
        // Craft 14 and 15: names first, the D string before the A string, then the others, which are open yet.
        Assert.Equal(
            ["D3 D3", "D3 E3", "D3 F#3", "D3 G3", "A3 A3", "A3 B3", "A3 C#4", "A3 D4", "G2 G2", "C2 C2"],
            names
                .Where(n => n.StartsWith("noteToName ", StringComparison.Ordinal))
                .Select(n => n["noteToName note cello ".Length..])
        );
        Assert.Equal(12, names.Length);
        await Post(
            $"{Link("Bo")}/report",
            new
            {
                answers = new[]
                {
                    Answer("1", "2026-11-01T16:00:00+01:00", names[0], "D"),
                    Answer("2", "2026-11-01T16:01:00+01:00", names[1], "F"),
                },
            }
        );
        var later = (await _server.Get($"{Link("Bo")}/cards?day=2026-11-01"))
            .GetProperty("cards")
            .EnumerateArray()
            .Select(c => c.GetString())
            .ToArray();
        // The wrong one is due again at once, the right one tomorrow.
        Assert.Equal(names[1], later[0]);
        Assert.DoesNotContain(names[0], later);
        var tomorrow = (await _server.Get($"{Link("Bo")}/cards?day=2026-11-02"))
            .GetProperty("cards")
            .EnumerateArray()
            .Select(c => c.GetString());
        Assert.Equal([names[1], names[0]], tomorrow.Take(2));
    }

    [Fact]
    public async Task A_sheet_that_is_set_is_asked_in_the_learners_own_clef()
    {
        var instruments = new[] { "violin", "cello" };
        var (_, part) = await Post(
            "/api/exercises/part",
            new
            {
                instruments,
                request = new
                {
                    kind = "name-it",
                    count = 5,
                    seed = 3,
                },
            }
        );
        var items = part.GetProperty("items")
            .EnumerateArray()
            .Select(i => new
            {
                id = i.GetProperty("id").GetString(),
                pinned = false,
                questions = instruments.ToDictionary(
                    n => n,
                    n => i.GetProperty("each").GetProperty(n).GetProperty("question")
                ),
            });
        var doc = new
        {
            heading = "Friday",
            nameLine = true,
            instruments,
            parts = new[] { new { request = part.GetProperty("request"), items } },
        };
        var sheet = (await Post("/api/sheets", doc)).Body.GetProperty("id").GetInt64();
        Assert.Equal(404, (await _server.Send(HttpMethod.Get, $"{Link("Bo")}/sheets/{sheet}")).Status);
        await Post(
            $"/api/classes/{_class}/tasks",
            new
            {
                kind = "sheet",
                sheetId = sheet,
                due = "2099-09-14",
                instrument = "cello",
            }
        );
        var drill = await _server.Get($"{Link("Bo")}/sheets/{sheet}");
        Assert.Equal(
            ("Friday", 5),
            (drill.GetProperty("heading").GetString(), drill.GetProperty("questions").GetArrayLength())
        );
        var note = drill
            .GetProperty("questions")[0]
            .GetProperty("sheet")
            .GetProperty("question")
            .GetProperty("note")
            .GetString()!;
        Assert.True(Pitch.Parse(note).Octave < 4);
        Assert.Equal(404, (await _server.Send(HttpMethod.Get, $"{Link("Ada")}/sheets/{sheet}")).Status);
    }

    [Fact]
    public async Task A_link_that_was_renewed_or_ended_leads_nowhere()
    {
        var former = Link("Ada");
        await Renew();
        Assert.NotEqual(former, Link("Ada"));
        var (status, body) = await _server.Send(HttpMethod.Get, former);
        Assert.Equal(
            (404, "This link has ended. Ask your teacher for a new one."),
            (status, body.GetProperty("title").GetString())
        );
        Assert.Equal(
            204,
            (await _server.Send(HttpMethod.Delete, $"/api/classes/{_class}/links/{_learners["Ada"].Id}")).Status
        );
        Assert.Equal(404, (await _server.Send(HttpMethod.Get, Link("Ada"))).Status);
        Assert.Equal(200, (await _server.Send(HttpMethod.Get, Link("Bo"))).Status);
    }

    // A link has at least 64 bits that cannot be guessed (OWASP ASVS 4.0.3, 3.2.2); here 128: 32 signs of sixteen.
    [Fact]
    public void A_link_cannot_be_guessed()
    {
        Assert.All(_learners.Values, l => Assert.Equal(32, l.Link.Length));
        Assert.Equal(_learners.Count, _learners.Values.Select(l => l.Link[..8]).Distinct().Count());
    }

    /// <summary>
    /// Every address of the API asked with a learner's link: theirs answer, all others are closed once a teacher signs
    /// in.
    /// </summary>
    [Fact]
    public async Task A_learner_reaches_their_own_things_and_nothing_else()
    {
        await Set("tune", learner: "Ada");
        _server.Services.GetRequiredService<TeacherRepository>().Add("Rosalind", "four wooden boats");
        var addresses = _server
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .Where(e => e.RoutePattern.RawText!.StartsWith("/api/learn/", StringComparison.Ordinal))
            .SelectMany(e =>
                e.Metadata.GetMetadata<HttpMethodMetadata>()!
                    .HttpMethods.Select(m => (Method: m, Path: e.RoutePattern.RawText!))
            )
            .ToArray();
        Assert.Equal(16, addresses.Length);
        foreach (var (who, opens) in new[] { ("Ada", true), ("Bo", false) })
        {
            foreach (var (method, path) in addresses)
            {
                var asked = path.Replace("{link}", _learners[who].Link, StringComparison.Ordinal)
                    .Replace("{tune:long}", $"{_tune}", StringComparison.Ordinal)
                    .Replace("{sheet:long}", "1", StringComparison.Ordinal)
                    .Replace("{work:long}", "1", StringComparison.Ordinal)
                    .Replace("{piece:long}", "1", StringComparison.Ordinal);
                var (status, _) = await _server.Send(
                    new HttpMethod(method),
                    asked + (path.EndsWith("cards", StringComparison.Ordinal) ? "?day=2026-11-01" : ""),
                    method == "GET" ? null : new { }
                );
                // What is set to one learner is not there for another.
                bool Of(params string[] parts) => parts.Any(p => path.Contains(p, StringComparison.Ordinal));
                var isThere = method != "GET" || !Of("sheets", "desk", "{piece") && (opens || !Of("tunes"));
                var expected =
                    !isThere ? 404
                    : method != "GET" && !Of("report") ? 400
                    : 200;
                Assert.True(status == expected, $"{who}: {method} {path} answered {status}");
            }
        }

        // With the link in the wrong place it opens nothing.
        foreach (
            var path in new[]
            {
                $"/api/classes/{_class}",
                "/api/tunes",
                $"/api/classes/{_class}/links",
                $"/api/tunes/{_tune}/reading?instrument=violin",
            }
        )
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, path);
            request.Headers.Add("Authorization", $"Bearer {_learners["Ada"].Link}");
            request.Headers.Add("Cookie", $"coppia-teacher={_learners["Ada"].Link}");
            using var response = await _server.Client.SendAsync(request);
            Assert.Equal(401, (int)response.StatusCode);
        }
    }

    [Fact] // ISO/IEC 18004, read by another library.
    public async Task Every_link_has_its_code_and_the_code_leads_there()
    {
        foreach (var link in (await _server.Get($"/api/classes/{_class}/links")).EnumerateArray())
            Assert.Equal(link.GetProperty("address").GetString(), Decoded(link.GetProperty("qr").GetString()!));
    }

    /// <summary>What a code says that is drawn in SVG, one unit a module.</summary>
    private static string? Decoded(string svg)
    {
        const int pixels = 4; // a module
        static int Number(Group group) => int.Parse(group.Value, System.Globalization.CultureInfo.InvariantCulture);
        var size = Number(Regex.Match(svg, "viewBox=\"0 0 (\\d+) ").Groups[1]) * pixels;
        var light = new byte[size * size];
        Array.Fill(light, byte.MaxValue);
        foreach (Match run in Regex.Matches(svg, @"M(\d+) (\d+)h(\d+)v1"))
        {
            var (x, y, w) = (Number(run.Groups[1]), Number(run.Groups[2]), Number(run.Groups[3]));
            for (var row = y * pixels; row < (y + 1) * pixels; row++)
                Array.Fill(light, (byte)0, row * size + x * pixels, w * pixels);
        }

        // Drawn, not photographed: the reader need not look for the code in a picture, at which it fails with one in
        // some hundred.
        var reader = new BarcodeReaderGeneric { Options = { PureBarcode = true } };
        return reader.Decode(new RGBLuminanceSource(light, size, size, RGBLuminanceSource.BitmapFormat.Gray8))?.Text;
    }

    [Fact] // Craft 22: ready sentences, no free text; each counts once.
    public async Task A_ready_sentence_reaches_the_logbook_once_and_others_are_refused()
    {
        var note = new
        {
            key = "n1",
            at = _server.Clock.GetUtcNow(),
            note = "help",
            tuneId = _tune,
        };
        Assert.Equal(
            1,
            (await Post($"{Link("Ada")}/report", new { notes = new[] { note } })).Body.GetProperty("new").GetInt32()
        );
        Assert.Equal(
            0,
            (await Post($"{Link("Ada")}/report", new { notes = new[] { note } })).Body.GetProperty("new").GetInt32()
        );
        var free = new
        {
            notes = new[]
            {
                new
                {
                    key = "n2",
                    note.at,
                    note = "I like cats",
                },
            },
        };
        Assert.Equal(400, (await Post($"{Link("Ada")}/report", free)).Status);
        var log = await _server.Get($"/api/classes/{_class}/logbook");
        var said = Assert.Single(log.GetProperty("notes").EnumerateArray());
        Assert.Equal(
            ("Ada", "I would like help with this.", "Lanterns"),
            (
                said.GetProperty("nickname").GetString(),
                said.GetProperty("words").GetString(),
                said.GetProperty("tune").GetString()
            )
        );
        var ask = Assert.Single(log.GetProperty("ask").EnumerateArray());
        Assert.StartsWith(
            "Asked for help with “Lanterns” on",
            ask.GetProperty("why")[0].GetString(),
            StringComparison.Ordinal
        );
    }

    [Fact] // Craft 14 and 15: who needs help with what, of whom nothing came, and the tempo that was reached.
    public async Task The_logbook_tells_minutes_tempos_habits_and_who_was_quiet()
    {
        var now = _server.Clock.GetUtcNow();
        await Set("tune", tempo: 80);
        object Wrong(string key) => Answer(key, $"{now:yyyy-MM-ddTHH:mm:ssZ}", "noteToName note violin D4 E4", "F");
        await Post(
            $"{Link("Ada")}/report",
            new
            {
                practice = new object[]
                {
                    new
                    {
                        key = "1",
                        at = now,
                        minutes = 12,
                    },
                    new
                    {
                        key = "2",
                        at = now.AddMinutes(1),
                        minutes = 0,
                        tuneId = _tune,
                        tempo = 66,
                    },
                },
                answers = new[] { Wrong("a"), Wrong("b"), Wrong("c") },
            }
        );
        var log = await _server.Get($"/api/classes/{_class}/logbook");
        Assert.Equal(
            ["Bo", "Cy"],
            log.GetProperty("quiet").EnumerateArray().Select(q => q.GetProperty("nickname").GetString())
        );
        Assert.Equal(12, log.GetProperty("learners")[0].GetProperty("weeks")[7].GetInt32());
        var help = Assert.Single(log.GetProperty("help").EnumerateArray());
        Assert.Equal("Line or space: one step off", help.GetProperty("what").GetString());
        Assert.Equal("3 times", help.GetProperty("learners")[0].GetProperty("words").GetString());
        var ada = await _server.Get($"/api/classes/{_class}/learners/{_learners["Ada"].Id}/logbook");
        Assert.Equal((3, 0), (ada.GetProperty("answers").GetInt32(), ada.GetProperty("right").GetInt32()));
        Assert.Equal("E on D", ada.GetProperty("habits")[0].GetProperty("at")[0].GetString());
        var tune = ada.GetProperty("tunes")[0];
        Assert.Equal((80, 66), (tune.GetProperty("goal").GetInt32(), tune.GetProperty("best").GetInt32()));
        Assert.Equal(1, ada.GetProperty("days").GetArrayLength());
        var e = ada.GetProperty("cards").EnumerateArray().First(c => c.GetProperty("note").GetString() == "E on D");
        Assert.Equal(1, e.GetProperty("boxes")[0].GetInt32());
    }

    [Fact] // For those without a screen (craft 22): minutes from paper count as others, and can be taken back.
    public async Task Minutes_told_on_paper_count_and_can_be_taken_back()
    {
        var cy = $"/api/classes/{_class}/learners/{_learners["Cy"].Id}";
        var today = Today();
        var (status, added) = await Post($"{cy}/minutes", new { day = today, minutes = 25 });
        Assert.Equal(200, status);
        async Task<string> Quiet() =>
            string.Join(
                ", ",
                (await _server.Get($"/api/classes/{_class}/logbook"))
                    .GetProperty("quiet")
                    .EnumerateArray()
                    .Select(q => q.GetProperty("nickname").GetString())
            );
        Assert.Equal("Ada, Bo", await Quiet());
        Assert.Equal(25, (await _server.Get($"{cy}/logbook")).GetProperty("days")[0].GetProperty("minutes").GetInt32());
        Assert.Equal(
            204,
            (await _server.Send(HttpMethod.Delete, $"{cy}/minutes/{added.GetProperty("key").GetString()}")).Status
        );
        Assert.Equal("Ada, Bo, Cy", await Quiet());
        foreach (
            var (day, minutes) in new[]
            {
                (today, 0),
                (today, 601),
                ($"{_server.Clock.Today.AddDays(2):yyyy-MM-dd}", 5),
            }
        )
            Assert.Equal(422, (await Post($"{cy}/minutes", new { day, minutes })).Status);
        Assert.Equal(400, (await Post($"{cy}/minutes", new { day = "2026-02-30", minutes = 5 })).Status);
    }

    [Fact] // W3C Web Application Manifest: what a phone needs to keep the page among its programs.
    public async Task Each_page_has_a_manifest_of_its_own_that_names_nobody()
    {
        var manifest = await _server.Get($"{Link("Ada")}/app.webmanifest");
        Assert.Equal($"/learn/{_learners["Ada"].Link}", manifest.GetProperty("start_url").GetString());
        Assert.Equal("standalone", manifest.GetProperty("display").GetString());
        Assert.Contains(
            manifest.GetProperty("icons").EnumerateArray(),
            i => i.GetProperty("sizes").GetString() == "512x512"
        );
        Assert.DoesNotContain("Ada", manifest.GetRawText(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_learner_who_is_deleted_leaves_nothing_behind()
    {
        await Set("tune", learner: "Ada");
        await Post(
            $"{Link("Ada")}/report",
            new
            {
                practice = new[]
                {
                    new
                    {
                        key = "p",
                        at = "2026-11-01T16:00:00+01:00",
                        minutes = 10,
                    },
                },
                answers = new[] { Answer("a", "2026-11-01T16:00:00+01:00", "noteToName note violin D4 E4", "E") },
            }
        );
        Assert.Equal(
            200,
            (await _server.Send(HttpMethod.Delete, $"/api/classes/{_class}/learners/{_learners["Ada"].Id}")).Status
        );
        var dump = SomeLibrary.Dump(Path.Combine(_server.Folder, "coppia.db"));
        Assert.DoesNotContain("Ada", dump, StringComparison.Ordinal);
        Assert.DoesNotContain(_learners["Ada"].Link, dump, StringComparison.Ordinal);
        Assert.DoesNotContain("practice:", dump, StringComparison.Ordinal);
        Assert.DoesNotContain("card_", dump, StringComparison.Ordinal);
        Assert.DoesNotContain("set_work:", dump, StringComparison.Ordinal);
        // Nor in what the file has freed, or its write-ahead log (SQLite, PRAGMA secure_delete).
        foreach (var file in Directory.GetFiles(_server.Folder, "coppia.db*"))
            Assert.True(
                (await File.ReadAllBytesAsync(file)).AsSpan().IndexOf(Encoding.UTF8.GetBytes(_learners["Ada"].Link))
                    < 0,
                file
            );
    }

    [Fact]
    public void A_log_holds_no_link() =>
        Assert.Equal(
            "/api/learn/…",
            Coppia.Server.Asked.LearnAddress.WithoutLink($"/api/learn/{_learners["Ada"].Link}/cards").Value
        );
}
