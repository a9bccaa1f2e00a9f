using System.Text.Json;
using System.Text.RegularExpressions;

namespace Coppia.Tests;

/// <summary>
/// Whole records of classes and learners: out, in again, gone at once, and taken back. Source: craft 15 and 18; that
/// what is kept of a child can be had and deleted: GDPR, articles 15, 17 and 20.
/// </summary>
public sealed partial class RecordsApiTests : IAsyncLifetime
{
    private const string Lanterns = "X:1\nT:Lanterns\nM:4/4\nL:1/4\nK:D\nD E F G|A4|]\n";
    private const string Other = "X:1\nT:Other\nM:4/4\nL:1/4\nK:D\nD4|]\n";

    private readonly RunningServer _school = new();
    private readonly RunningServer _laptop = new();
    private long _class;
    private long _tune;
    private Dictionary<string, long> _learners = [];

    public async ValueTask InitializeAsync()
    {
        await _school.InitializeAsync();
        _tune = await _school.Keep(Lanterns);
        var made = await Post(
            _school,
            "/api/classes",
            new
            {
                name = "Weir strings",
                lessonMinutes = 30,
                learners = new[] { Who("Ada", "violin"), Who("Bo", "cello") },
                start = new { stage = "firstFingers" },
            }
        );
        _class = made.GetProperty("id").GetInt64();
        await Post(_school, $"/api/classes/{_class}/learned", new { tuneId = _tune, not = Array.Empty<string>() });
        _learners = (await _school.Get($"/api/classes/{_class}"))
            .GetProperty("learners")
            .EnumerateArray()
            .ToDictionary(l => l.GetProperty("nickname").GetString()!, l => l.GetProperty("id").GetInt64());
        await Post(_school, $"/api/classes/{_class}/links", new { learners = _learners.Values });
        await Set("tune", tempo: 72);
        await Set("cards", instrument: "cello");
        await Set("cards", learner: "Ada");
        var tasks = (await _school.Get($"/api/classes/{_class}/tasks"))
            .EnumerateArray()
            .Select(t => t.GetProperty("id").GetInt64())
            .ToArray();
        await Post(
            _school,
            $"/api/learn/{await Link("Ada")}/report",
            new
            {
                practice = new object[]
                {
                    new
                    {
                        key = "p1",
                        at = "2026-11-02T16:00:00+01:00",
                        minutes = 12,
                    },
                    new
                    {
                        key = "p2",
                        at = "2026-11-03T16:00:00+01:00",
                        minutes = 0,
                        tuneId = _tune,
                        tempo = 66,
                    },
                },
                answers = new object[]
                {
                    Answer("a1", "noteToName note violin D4 E4", "E"),
                    Answer("a2", "noteToName note violin D4 F#4", "G"),
                },
                notes = new[]
                {
                    new
                    {
                        key = "n1",
                        at = "2026-11-03T16:05:00+01:00",
                        note = "help",
                        tuneId = _tune,
                    },
                },
                done = new[] { new { work = tasks[0], done = true }, new { work = tasks[2], done = true } },
            }
        );
    }

    public async ValueTask DisposeAsync()
    {
        await _school.DisposeAsync();
        await _laptop.DisposeAsync(); // where it did not start there is a folder to be put away
    }

    private static object Who(string nickname, string instrument) =>
        new
        {
            nickname,
            instrument,
            size = "1/2",
        };

    private static object Answer(string key, string card, string name) =>
        new
        {
            key,
            at = "2026-11-02T16:10:00+01:00",
            card,
            reply = new { name },
            seconds = 3,
        };

    private static async Task<JsonElement> Post(RunningServer server, string path, object? body)
    {
        var (status, answer) = await server.Send(HttpMethod.Post, path, body);
        Assert.True(status is 200 or 204, $"{path} answered {status}: {answer}");
        return answer;
    }

    private Task<JsonElement> Set(string kind, string? instrument = null, string? learner = null, int? tempo = null) =>
        Post(
            _school,
            $"/api/classes/{_class}/tasks",
            new
            {
                kind,
                due = "2026-11-06",
                tuneId = kind == "tune" ? _tune : (long?)null,
                tempo,
                instrument,
                learnerId = learner is null ? (long?)null : _learners[learner],
            }
        );

    private async Task<string> Link(string who) =>
        (await _school.Get($"/api/classes/{_class}/links"))
            .EnumerateArray()
            .First(l => l.GetProperty("nickname").GetString() == who)
            .GetProperty("address")
            .GetString()!
            .Split('/')[^1];

    private string Learner(string who) => $"/api/classes/{_class}/learners/{_learners[who]}";

    /// <summary>A record without the numbers by which things go in one library.</summary>
    private static string Plain(JsonElement record) => Numbers().Replace(record.GetRawText(), "");

    [GeneratedRegex("\"(id|learnerId|tune|sheet|work)\":\\d+,?")]
    private static partial Regex Numbers();

    [Fact]
    public async Task A_learner_who_was_deleted_comes_back_with_everything_and_the_same_link()
    {
        var (before, link) = (await _school.Get($"{Learner("Ada")}/record.json"), await Link("Ada"));
        var (week, log) = (await _school.Get($"/api/learn/{link}"), await _school.Get($"{Learner("Ada")}/logbook"));
        var (status, was) = await _school.Send(HttpMethod.Delete, Learner("Ada"));
        Assert.Equal(200, status);
        Assert.Equal(404, (await _school.Send(HttpMethod.Get, $"/api/learn/{link}")).Status);
        Assert.Equal(1, (await _school.Get($"/api/classes/{_class}")).GetProperty("learners").GetArrayLength());
        await Post(_school, $"/api/classes/{_class}/learners/record", was);
        _learners["Ada"] = (await _school.Get($"/api/classes/{_class}"))
            .GetProperty("learners")[0]
            .GetProperty("id")
            .GetInt64();
        Assert.Equal(Plain(before), Plain(await _school.Get($"{Learner("Ada")}/record.json")));
        Assert.Equal(Plain(week), Plain(await _school.Get($"/api/learn/{link}")));
        Assert.Equal(Plain(log), Plain(await _school.Get($"{Learner("Ada")}/logbook")));
        // Brought back once more she is another learner; the link leads to one of them.
        await Post(_school, $"/api/classes/{_class}/learners/record", was);
        Assert.Equal(3, (await _school.Get($"/api/classes/{_class}")).GetProperty("learners").GetArrayLength());
        Assert.Equal(Plain(week), Plain(await _school.Get($"/api/learn/{link}")));
    }

    [Fact]
    public async Task A_class_that_was_deleted_comes_back_with_everything()
    {
        var (before, link) = (await _school.Get($"/api/classes/{_class}/record.json"), await Link("Bo"));
        var (status, was) = await _school.Send(HttpMethod.Delete, $"/api/classes/{_class}");
        Assert.Equal(200, status);
        Assert.Equal(404, (await _school.Send(HttpMethod.Get, $"/api/classes/{_class}")).Status);
        var back = (await Post(_school, "/api/classes/record", was)).GetProperty("id").GetInt64();
        Assert.Equal(Plain(before), Plain(await _school.Get($"/api/classes/{back}/record.json")));
        Assert.Equal(200, (await _school.Send(HttpMethod.Get, $"/api/learn/{link}")).Status);
        // It is here now, and is not put in twice.
        var (again, said) = await _school.Send(HttpMethod.Post, "/api/classes/record", was);
        Assert.Equal(409, again);
        Assert.Contains("is here already", said.GetProperty("title").GetString(), StringComparison.Ordinal);
        Assert.Equal(1, (await _school.Get("/api/classes")).GetArrayLength());
    }

    [Fact]
    public async Task A_saved_class_goes_to_another_machine_and_finds_its_tunes_by_their_titles()
    {
        await _laptop.InitializeAsync();
        var record = await _school.Get($"/api/classes/{_class}/record.json");
        Assert.DoesNotContain(await Link("Ada"), record.GetRawText(), StringComparison.Ordinal);
        await _laptop.Keep(Other); // numbers differ
        var tune = await _laptop.Keep(Lanterns);
        var there = (await Post(_laptop, "/api/classes/record", record)).GetProperty("id").GetInt64();
        Assert.Equal(Plain(record), Plain(await _laptop.Get($"/api/classes/{there}/record.json")));
        Assert.Equal(tune, (await _laptop.Get($"/api/classes/{there}/tasks"))[0].GetProperty("tuneId").GetInt64());
        Assert.Equal(
            (await _school.Get($"/api/classes/{_class}/known.json")).GetRawText(),
            (await _laptop.Get($"/api/classes/{there}/known.json")).GetRawText()
        );
    }

    [Fact] // Without its tune the minutes stay; only what is set of it has nothing to lead to.
    public async Task A_tune_that_is_not_there_takes_nothing_else_along()
    {
        await _laptop.InitializeAsync();
        var record = await _school.Get($"/api/classes/{_class}/record.json");
        var there = (await Post(_laptop, "/api/classes/record", record)).GetProperty("id").GetInt64();
        var ada = (await _laptop.Get($"/api/classes/{there}/record.json")).GetProperty("learners")[0];
        Assert.Equal(
            [12, 0],
            ada.GetProperty("practice").EnumerateArray().Select(p => p.GetProperty("minutes").GetInt32())
        );
        Assert.Equal(1, ada.GetProperty("done").GetArrayLength());
        Assert.Equal(
            ["cards", "cards"],
            (await _laptop.Get($"/api/classes/{there}/tasks"))
                .EnumerateArray()
                .Select(t => t.GetProperty("kind").GetString())
        );
    }

    [Fact]
    public async Task A_broken_record_is_refused_whole_and_names_the_place()
    {
        var record = (await _school.Get($"/api/classes/{_class}/record.json")).GetRawText();
        foreach (
            var (right, wrong, words, refused) in new[]
            {
                ("\"box\":2", "\"box\":6", "Learner Ada, box 1: expected a card and a box from 1 to 5", 422),
                (
                    "\"minutes\":12",
                    "\"minutes\":1200",
                    "Learner Ada, practice 1: expected a key, 0 to 600 minutes",
                    422
                ),
                (
                    "\"day\":\"2026-11-02\"",
                    "\"day\":\"yesterday\"",
                    "at learners[0].practice[0].day: expected a day",
                    400
                ),
                (
                    "note violin D4 E4\",\"day\"",
                    "hum\",\"day\"",
                    "Learner Ada, answer 1: expected a key, a card and",
                    422
                ),
                (
                    "\"instrument\":\"cello\",\"size\"",
                    "\"instrument\":\"tuba\",\"size\"",
                    "Bo: “tuba” is not an instrument",
                    422
                ),
                ("\"coppia\":1", "\"coppia\":9", "version 9; this program knows version 1", 422),
                ("\"due\":\"2026-11-06\"", "\"due\":\"soon\"", "at work[0].due: expected a day", 400),
            }
        )
        {
            Assert.Contains(right, record, StringComparison.Ordinal);
            var at = record.IndexOf(right, StringComparison.Ordinal);
            var broken = JsonSerializer.Deserialize<JsonElement>(record[..at] + wrong + record[(at + right.Length)..]);
            var (status, said) = await _school.Send(HttpMethod.Post, "/api/classes/record", broken);
            Assert.Equal(refused, status);
            Assert.Contains(words, said.GetProperty("title").GetString(), StringComparison.Ordinal);
        }

        Assert.Equal(1, (await _school.Get("/api/classes")).GetArrayLength());
    }

    [Fact] // RFC 4180; a row for everything that happened, in the order of days.
    public async Task A_table_has_a_row_for_everything_that_happened()
    {
        var text = await _school.Client.GetStringAsync($"{Learner("Ada")}/record.csv");
        var today = $"{_school.Clock.Today:yyyy-MM-dd}";
        Assert.Equal(
            [
                "day,learner,instrument,what,about,minutes,tempo,seconds,came of it,by",
                "2026-11-02,Ada,violin,practised,,12,,,,",
                "2026-11-02,Ada,violin,card,noteToName note violin D4 E4,,,3,right,",
                "2026-11-02,Ada,violin,card,noteToName note violin D4 F#4,,,3,one-step,",
                "2026-11-03,Ada,violin,practised,Lanterns,0,66,,,",
                "2026-11-03,Ada,violin,note,Lanterns,,,,I would like help with this.,",
                $"{today},Ada,,set,Cards,,,,due 2026-11-06,",
                $"{today},Ada,violin,done,Lanterns,,,,,",
                $"{today},Ada,violin,done,Cards,,,,,",
            ],
            text.TrimStart('\uFEFF').Split("\r\n", StringSplitOptions.RemoveEmptyEntries)
        );
        var all = await _school.Client.GetStringAsync($"/api/classes/{_class}/record.csv");
        Assert.Contains(",known,Lanterns,", all, StringComparison.Ordinal);
        Assert.Contains(",Cello,set,Cards,", all, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Everything_out_takes_classes_along_and_brings_them_once()
    {
        await _laptop.InitializeAsync();
        var zip = await _school.Client.GetByteArrayAsync("/api/keeping/everything");
        foreach (var (came, here) in new[] { (1, 0), (0, 1) })
        {
            var (status, taken) = await _laptop.SendFile("/api/keeping/everything", zip, "application/zip");
            Assert.Equal(200, status);
            var added = taken.GetProperty("added");
            Assert.Equal(
                (came, here),
                (added.GetProperty("classes").GetInt32(), added.GetProperty("classesThere").GetInt32())
            );
        }

        Assert.Equal(
            Plain(await _school.Get($"/api/classes/{_class}/record.json")),
            Plain(await _laptop.Get("/api/classes/1/record.json"))
        );
    }

    [Fact]
    public async Task A_record_of_another_class_is_not_found_under_this_one()
    {
        var other = (
            await Post(_school, "/api/classes", new { name = "Year 2", learners = Array.Empty<object>() })
        ).GetProperty("id");
        foreach (
            var (method, end) in new[]
            {
                ("GET", "record.json"),
                ("GET", "record.csv"),
                ("GET", "logbook"),
                ("DELETE", ""),
            }
        )
        {
            var path = $"/api/classes/{other}/learners/{_learners["Ada"]}/{end}".TrimEnd('/');
            Assert.Equal(404, (await _school.Send(new HttpMethod(method), path)).Status);
        }
    }
}
