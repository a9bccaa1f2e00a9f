using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace Coppia.Tests;

/// <summary>
/// Requests as nobody should send them, from a seed: each is answered, a refused one as problem details (RFC 9457)
/// without a trace and without a change, and all screens still work afterwards (OWASP ASVS 4.0.3, 5.1.3, 5.1.4, 7.4.1,
/// 13.2.2). COPPIA_FUZZ asks for more requests than usual, COPPIA_FUZZ_SEED for others.
/// </summary>
public sealed class FuzzTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly int Requests = Setting("COPPIA_FUZZ", 10_000);
    private static readonly int Seed = Setting("COPPIA_FUZZ_SEED", 1);

    private readonly Random _random = new(Seed);

    private static int Setting(string name, int usual) =>
        int.TryParse(
            Environment.GetEnvironmentVariable(name),
            NumberStyles.None,
            CultureInfo.InvariantCulture,
            out var given
        )
            ? given
            : usual;

    private const string Tune = "X:1\nT:Plums\nM:3/4\nL:1/4\nK:D\nD E F|G A B|\"Am\"(c2 d)|[DF]3|]\n";
    private const string Duet = "X:1\nT:Duet\nM:4/4\nL:1/4\nK:G\nV:1\n(3GAB c2 d|\nV:2\nG,4|\n";

    private static readonly string[] Methods = ["GET", "POST", "PUT", "PATCH", "DELETE"];

    private static readonly string[] Addresses =
    [
        "/api/tunes?search=~&order=~&from=~&count=~&instrument=~&key=~",
        "/api/tunes/~",
        "/api/tunes/~/reading?instrument=~",
        "/api/tunes/~/bowing?instrument=~",
        "/api/tunes/~/lines",
        "/api/tunes/~/writing?instrument=~&perLine=~",
        "/api/tunes/~/export?format=~&instrument=~&rows=~",
        "/api/tunes/~/restore",
        "/api/tunes/~/duplicate",
        "/api/tunes/deleted",
        "/api/tunes/keys",
        "/api/instruments",
        "/api/instruments/~/staff?fifths=~&clef=~",
        "/api/instruments/~/place?fifths=~&string=~&semitones=~",
        "/api/keys?form=~",
        "/api/shapes/~?fifths=~&form=~",
        "/api/taping/~?length=~&unit=~",
        "/api/styles",
        "/api/styles/~",
        "/api/styles/~/current",
        "/api/styles/~/restore",
        "/api/styles/~/duplicate",
        "/api/styles/words",
        "/api/styles/settings",
        "/api/exercises/kinds",
        "/api/exercises/first/~?instruments=~&seed=~",
        "/api/sheets",
        "/api/sheets/~",
        "/api/sheets/~/duplicate",
        "/api/sheets/~/restore",
        "/api/sheets/deleted",
        "/api/cards",
        "/api/health",
        "/api/keeping",
        "/api/keeping/backups/~/restore",
        "/api/~",
        "/~",
    ];

    private static readonly string[] Values =
    [
        "1",
        "2",
        "3",
        "0",
        "-1",
        "7",
        "99999999999999999999",
        "1e9",
        "1.5",
        "violin",
        "cello",
        "bass",
        "Viola",
        "title",
        "shortest",
        "major",
        "harmonicMinor",
        "treble",
        "abc",
        "musicXml",
        "pair,name",
        "%00",
        "%",
        "%ff",
        "%ED%A0%80",
        "..%2F..%2Fetc%2Fpasswd",
        "a'--",
        "\"*",
        "(",
        "%F0%9D%84%9E",
        "D%20major",
        "",
        "violin,cello",
        "<script>",
        new string('x', 3000),
    ];

    /// <summary>
    /// Bodies that are right, with the address that takes them; what is filled in is learned from the server first.
    /// </summary>
    private readonly List<(string Method, string Path, JsonNode Body)> _right = [];

    private string Pick(string[] from) => from[_random.Next(from.Length)];

    private async Task Learn()
    {
        await server.Keep(Tune);
        await server.Keep(Duet);
        await server.Keep("D: 0 1 2 3 A: 0");
        await server.Send(HttpMethod.Post, "/api/styles", new { name = "Ours", style = new { } });
        void Right(string method, string path, string body) => _right.Add((method, path, JsonNode.Parse(body)!));
        var source = JsonSerializer.Serialize(Tune);
        Right(
            "POST",
            "/api/tunes",
            $"{{\"source\":{source},\"title\":\"A\",\"composer\":\"B\",\"printedFor\":\"violin\"}}"
        );
        Right("POST", "/api/tunes/check", $"{{\"source\":{source}}}");
        Right("PUT", "/api/tunes/1", $"{{\"version\":1,\"source\":{source},\"title\":\"A\"}}");
        Right("POST", "/api/tunes/many", $"{{\"tunes\":[{{\"source\":{source}}},{{\"source\":\"D E F\"}}]}}");
        Right("POST", "/api/tunes/book/text", $"{{\"source\":{source}}}");
        Right("POST", "/api/tunes/deleted", "[4,5]");
        Right(
            "PATCH",
            "/api/tunes/1/pins/violin",
            "{\"changes\":[{\"noteId\":\"b1n1\",\"to\":{\"string\":1,\"finger\":0},\"was\":null}],"
                + "\"printed\":{\"to\":true,\"was\":false}}"
        );
        Right(
            "PATCH",
            "/api/tunes/1/bowing",
            "{\"changes\":[{\"noteId\":\"b1n2\",\"kind\":\"slur\",\"to\":\"taken\",\"was\":\"open\"}],"
                + "\"instrument\":\"cello\"}"
        );
        Right("PUT", "/api/tunes/1/octave/cello", "{\"octaves\":-1,\"was\":null}");
        Right("PUT", "/api/tunes/2/lines", "{\"main\":\"1\",\"for\":{\"viola\":\"2\"},\"version\":1}");
        Right("POST", "/api/tunes/1/before", "{\"instrument\":\"violin\",\"starts\":[0,2]}");
        var style = (await server.Get("/api/styles"))[0].GetProperty("style").GetRawText();
        var full = style
            .Replace(
                "\"tapes\":{}",
                "\"tapes\":{\"violin\":[{\"semitones\":2,\"name\":\"1\"}]}",
                StringComparison.Ordinal
            )
            .Replace("\"wordRhythms\":{}", "\"wordRhythms\":{\"1/2 1/2\":\"ap-ple\"}", StringComparison.Ordinal)
            .Replace(
                "\"shapeNames\":{}",
                "\"shapeNames\":{\"2-3\":{\"name\":\"twins\",\"mark\":\"*\"}}",
                StringComparison.Ordinal
            );
        Right("POST", "/api/styles", $"{{\"name\":\"Theirs\",\"style\":{full}}}");
        Right("PUT", "/api/styles/1", $"{{\"version\":1,\"name\":\"Theirs\",\"style\":{full}}}");
        Right("POST", "/api/styles/example", full);
        foreach (
            var kind in new[]
            {
                "name-it",
                "count-it",
                "bow-it",
                "hand-shape",
                "pen-work",
                "scale",
                "rhythm",
                "spot-difference",
            }
        )
        {
            var asked =
                $"{{\"instruments\":[\"violin\",\"bass\"],\"request\":{{\"kind\":\"{kind}\",\"count\":2,\"seed\":3}}}}";
            Right("POST", "/api/exercises/part", asked);
            var (status, part) = await server.Send(HttpMethod.Post, "/api/exercises/part", JsonNode.Parse(asked));
            Assert.Equal(200, status);
            var items = string.Join(
                ',',
                part.GetProperty("items")
                    .EnumerateArray()
                    .Select(i =>
                        $"{{\"id\":{i.GetProperty("id").GetRawText()},\"pinned\":true,"
                        + $"\"questions\":{{{Questions(i.GetProperty("each"))}}}}}"
                    )
            );
            var doc =
                "{\"heading\":\"A\",\"nameLine\":true,\"instruments\":[\"violin\",\"bass\"],"
                + $"\"parts\":[{{\"request\":{part.GetProperty("request").GetRawText()},\"items\":[{items}]}}]}}";
            Right("POST", "/api/sheets", doc);
            Right("PUT", "/api/sheets/1", $"{{\"sheet\":{doc},\"version\":1}}");
            Right("POST", "/api/exercises/show", doc);
            Right("POST", "/api/exercises/file/musicXml", doc);
            Right("POST", "/api/exercises/for/cello?from=violin", doc);
            Right("POST", "/api/exercises/import", $"{{\"text\":{JsonSerializer.Serialize(doc)}}}");
            var question = part.GetProperty("items")[0]
                .GetProperty("each")
                .GetProperty("violin")
                .GetProperty("question")
                .GetRawText();
            Right(
                "POST",
                "/api/exercises/tune",
                $"{{\"title\":\"A\",\"kind\":\"{kind}\",\"instrument\":\"violin\",\"question\":{question}}}"
            );
            Right(
                "POST",
                "/api/drills/open",
                $"{{\"instrument\":\"violin\",\"heading\":\"A\",\"questions\":[{{\"kind\":\"{kind}\","
                    + $"\"question\":{question}}}]}}"
            );
            var given =
                $"{{\"kind\":\"{kind}\",\"question\":{question},\"reply\":{{\"name\":\"D\",\"string\":\"D\","
                + "\"finger\":1,\"place\":\"low\",\"stem\":\"up\"}}";
            Right("POST", "/api/drills/answer", $"{{\"instrument\":\"violin\",\"given\":{given}}}");
            Right("POST", "/api/drills/end", $"{{\"instrument\":\"violin\",\"given\":[{given}]}}");
        }

        Right(
            "POST",
            "/api/cards/round",
            "{\"instrument\":\"violin\",\"card\":\"noteToName\",\"stage\":\"mixed\",\"string\":1,"
                + "\"fifths\":2,\"seed\":1}"
        );
        Right(
            "POST",
            "/api/writing/new",
            "{\"instrument\":\"violin\",\"fifths\":1,\"meter\":\"3/4\",\"clef\":\"treble\",\"pickUp\":\"1/4\","
                + "\"perLine\":4}"
        );
        var state = (await server.Get("/api/tunes/1/writing?instrument=violin")).GetProperty("state").GetRawText();
        foreach (
            var step in new[]
            {
                "{\"do\":\"letter\",\"text\":\"D\"}",
                "{\"do\":\"delete\"}",
                "{\"do\":\"key\",\"by\":2}",
                "{\"do\":\"paste\",\"text\":\"D E F\"}",
                "{\"do\":\"moveTo\",\"at\":{\"bar\":1,\"at\":0}}",
            }
        )
            Right(
                "POST",
                "/api/writing/step",
                $"{{\"state\":{state},\"instrument\":\"violin\",\"command\":{step},\"perLine\":4}}"
            );
        Right(
            "POST",
            "/api/writing/text",
            $"{{\"doc\":{JsonSerializer.Serialize(JsonNode.Parse(state)!["doc"]!.GetValue<string>())},"
                + $"\"before\":{source}}}"
        );
    }

    /// <summary>The question of each instrument.</summary>
    private static string Questions(JsonElement each) =>
        string.Join(
            ',',
            each.EnumerateObject().Select(e => $"\"{e.Name}\":{e.Value.GetProperty("question").GetRawText()}")
        );

    /// <summary>Changes a part of a body, somewhere.</summary>
    private JsonNode? Spoilt(JsonNode? node, int depth = 0)
    {
        if (node is JsonObject o && o.Count > 0 && (depth == 0 || _random.Next(5) > 0))
        {
            var copy = (JsonObject)o.DeepClone();
            var name = copy.ElementAt(_random.Next(copy.Count)).Key;
            switch (_random.Next(8))
            {
                case 0:
                    copy.Remove(name);
                    break;
                case 1:
                    copy["extra"] = copy[name]?.DeepClone();
                    break;
                default:
                    copy[name] = Spoilt(o[name]?.DeepClone(), depth + 1);
                    break;
            }

            return copy;
        }

        if (node is JsonArray { Count: > 0 } a && _random.Next(5) > 0)
        {
            var copy = (JsonArray)a.DeepClone();
            var at = _random.Next(copy.Count);
            switch (_random.Next(6))
            {
                case 0:
                    copy.RemoveAt(at);
                    break;
                case 1:
                    copy.Add(null);
                    break;
                case 2:
                    for (var i = 0; i < 400; i++)
                        copy.Add(copy[at]?.DeepClone());
                    break;
                default:
                    copy[at] = Spoilt(a[at]?.DeepClone(), depth + 1);
                    break;
            }

            return copy;
        }

        return node is JsonValue value && value.TryGetValue<string>(out var text) && _random.Next(3) > 0
            ? Spoilt(text)
            : Odd();
    }

    private JsonNode? Spoilt(string text)
    {
        var at = _random.Next(text.Length + 1);
        var odd = Pick([
            "\0",
            "\u0007",
            "\uFFFE",
            "|",
            "(",
            "[",
            "(9:8:7",
            "^^^^",
            "Z200|",
            "<",
            "&",
            "\u202E",
            "♭",
            "",
            " ",
            "9999999999",
            "K:",
            "V:3\n",
            "{",
            "}",
        ]);
        return _random.Next(6) switch
        {
            0 => text[..at],
            1 => text + text + text,
            2 => text + new string('x', 300),
            3 => text.Replace('4', '9'),
            _ => text.Insert(at, odd),
        };
    }

    private JsonNode? Odd() =>
        _random.Next(14) switch
        {
            0 => null,
            1 => int.MaxValue,
            2 => -1,
            3 => 1e300,
            4 => 0.5,
            5 => true,
            6 => "",
            7 => "nonsense",
            8 => new JsonArray(),
            9 => new JsonArray(null, 1, "x"),
            10 => new JsonObject(),
            11 => new JsonObject { ["a"] = new JsonArray(new JsonObject()) },
            12 => "\0",
            _ => 3,
        };

    private HttpRequestMessage Next()
    {
        if (_random.Next(4) == 0)
        {
            var address = string.Concat(
                Pick(Addresses).Split('~').SelectMany((part, i) => i == 0 ? [part] : new[] { Pick(Values), part })
            );
            // A path with a NUL does not come as far as the program.
            var place = address.Split('?', 2)[0];
            address = place.Replace("%00", "", StringComparison.Ordinal) + address[place.Length..];
            return new HttpRequestMessage(new HttpMethod(_random.Next(3) == 0 ? Pick(Methods) : "GET"), address);
        }

        var (method, path, body) = _right[_random.Next(_right.Count)];
        var request = new HttpRequestMessage(new HttpMethod(_random.Next(40) == 0 ? Pick(Methods) : method), path);
        var spoilt = body;
        for (var times = _random.Next(3); times >= 0; times--)
            spoilt = Spoilt(spoilt);
        var bytes = Encoding.UTF8.GetBytes(spoilt?.ToJsonString() ?? "null");
        bytes = _random.Next(16) switch
        {
            0 => bytes[..(bytes.Length / 2)],
            1 => [.. bytes[..(bytes.Length / 2)], 0xFF, 0xC0, .. bytes[(bytes.Length / 2)..]],
            2 => Encoding.UTF8.GetBytes(
                Encoding.UTF8.GetString(bytes).Replace("\":\"", "\":\"\\ud800", StringComparison.Ordinal)
            ),
            3 => Encoding.Unicode.GetBytes(Encoding.UTF8.GetString(bytes)),
            4 => Encoding.UTF8.GetBytes(new string('[', 200)),
            5 => [],
            _ => bytes,
        };
        request.Content = new ByteArrayContent(bytes);
        request.Content.Headers.ContentType = MediaTypeHeaderValue.Parse(
            _random.Next(20) switch
            {
                0 => "text/plain",
                1 => "application/json; charset=nonsense",
                2 => "application/json; charset=utf-16",
                3 => "multipart/form-data; boundary=x",
                _ => "application/json",
            }
        );
        if (_random.Next(30) == 0)
        {
            request.RequestUri = new Uri(
                Pick(["/api/tunes/upload", "/api/tunes/book", "/api/keeping/restore", "/api/keeping/everything"]),
                UriKind.Relative
            );
            request.Method = HttpMethod.Post;
            var form = new MultipartFormDataContent();
            form.Add(new ByteArrayContent([.. "PK"u8, 3, 4, .. bytes]), Pick(["file", "other"]), "a.mxl");
            if (_random.Next(2) == 0)
                request.Content = form;
        }

        return request;
    }

    [Fact]
    public async Task Whatever_is_sent_is_answered_and_what_is_refused_changes_nothing()
    {
        await Learn();
        foreach (
            var (method, path, body) in _right.Where(r =>
                r.Method == "POST" && !r.Path.Contains("drills/", StringComparison.Ordinal)
            )
        )
        {
            var answer = await server.Send(new HttpMethod(method), path, body);
            // they are right
            Assert.True(answer.Status is 200 or 204 or 422, $"{path}: {answer.Status} {answer.Body.GetRawText()}");
        }

        using var library = new SqliteConnection(
            $"Data Source={Path.Combine(server.Folder, "coppia.db")};Mode=ReadOnly"
        );
        library.Open();
        long Changes()
        {
            using var command = library.CreateCommand();
            command.CommandText = "PRAGMA data_version"; // another number whenever another connection has written
            return (long)command.ExecuteScalar()!;
        }

        static async Task<string> Sent(HttpRequestMessage request) =>
            request.Content is { } body
                ? Encoding.UTF8.GetString(await body.ReadAsByteArrayAsync(TestContext.Current.CancellationToken))
                : "";

        var clock = Stopwatch.StartNew();
        var answers = new Dictionary<int, int>();
        for (var i = 0; i < Requests; i++)
        {
            using var request = Next();
            var before = Changes();
            var sent = $"{i}: {request.Method} {request.RequestUri} {await Sent(request)}";
            using var answer = await server.Client.SendAsync(request, TestContext.Current.CancellationToken);
            var status = (int)answer.StatusCode;
            answers[status] = answers.GetValueOrDefault(status) + 1;
            var text = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
            var said = $"{sent[..Math.Min(sent.Length, 3000)]}\n→ {status} {text[..Math.Min(text.Length, 1000)]}";
            Assert.True(status < 500, said);
            if (status < 400)
                continue;
            Assert.True(answer.Content.Headers.ContentType?.MediaType == "application/problem+json", said);
            Assert.False(
                text.Contains("   at ", StringComparison.Ordinal)
                    || text.Contains("Exception", StringComparison.Ordinal),
                said
            );
            Assert.False(string.IsNullOrEmpty(JsonNode.Parse(text)!["title"]?.GetValue<string>()), said);
            Assert.True(before == Changes(), said);
        }

        TestContext.Current.SendDiagnosticMessage(
            $"{Requests} requests in {clock.Elapsed}: {string.Join(", ", answers.OrderBy(a => a.Key))}"
        );
        // It was no test of one answer alone.
        Assert.True(
            answers.GetValueOrDefault(200) > Requests / 20 && answers.GetValueOrDefault(400) > Requests / 20,
            string.Join(", ", answers)
        );
        await EveryScreenStillWorks();
    }

    private async Task EveryScreenStillWorks()
    {
        foreach (
            var path in new[] { "/api/styles", "/api/sheets", "/api/tunes/deleted", "/api/keeping", "/api/health" }
        )
            await server.Get(path);
        var first = await server.Get("/api/tunes?order=added&count=200");
        foreach (var tune in first.GetProperty("tunes").EnumerateArray())
        {
            var id = tune.GetProperty("id").GetInt64();
            using var reading = await server.Client.GetAsync(
                $"/api/tunes/{id}/reading?instrument=bass",
                TestContext.Current.CancellationToken
            );
            Assert.Equal(200, (int)reading.StatusCode); // what was accepted is readable
            using var export = await server.Client.GetAsync(
                $"/api/tunes/{id}/export?format=musicXml",
                TestContext.Current.CancellationToken
            );
            Assert.Empty(
                Coppia
                    .Formats.Books.TuneReader.Read(
                        await export.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
                    )
                    .Errors
            );
        }

        foreach (var sheet in (await server.Get("/api/sheets?count=200")).GetProperty("sheets").EnumerateArray())
        {
            using var opened = await server.Client.GetAsync(
                $"/api/sheets/{sheet.GetProperty("id").GetInt64()}",
                TestContext.Current.CancellationToken
            );
            Assert.Equal(200, (int)opened.StatusCode);
        }
    }
}
