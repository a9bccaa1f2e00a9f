using System.Text;
using System.Text.Json;

namespace Coppia.Tests;

/// <summary>Scores of several lines and books of many tunes over HTTP (craft 20).</summary>
public class LinesAndBooksApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const string Trio =
        "X:1\nT:Trio\nM:4/4\nL:1/4\nK:D\nV:1 name=\"Violin\"\nV:2 name=\"Cello\" clef=bass\nV:3 name=\"Bass\" "
        + "clef=bass\n[V:1]D E F G|A4|]\n[V:2]D, A,, D, A,,|D,4|]\n[V:3]D,, A,,, D,, G,,|D,,4|]\n";

    private async Task<string> Labels(long id, string instrument) =>
        string.Join(
            ' ',
            (await server.Get($"/api/tunes/{id}/reading?instrument={instrument}"))
                .GetProperty("notes")
                .EnumerateArray()
                .Select(n => n.GetProperty("label").GetString())
        );

    private static MultipartFormDataContent File(string name, string text) =>
        new() { { new ByteArrayContent(Encoding.UTF8.GetBytes(text)), "file", name } };

    [Fact]
    public async Task Each_instrument_reads_its_own_line_and_the_others_the_main_one()
    {
        var id = await server.Keep(Trio);
        Assert.Equal("D0 D1 D2 D3 A0", await Labels(id, "violin"));
        Assert.Equal("D0 G1 D0 G1 D0", await Labels(id, "cello"));
        // The viola has no line; it reads the violin's, in its own clef.
        Assert.Equal("D0 D1 D2 D3 A0", await Labels(id, "viola"));
    }

    [Fact] // E1 to G2 is where a double bass sounds; it reads an octave above.
    public async Task A_bass_line_written_where_it_sounds_is_read_an_octave_higher()
    {
        var id = await server.Keep(Trio);
        var reading = await server.Get($"/api/tunes/{id}/reading?instrument=bass");
        Assert.Equal(1, reading.GetProperty("octaves").GetInt32());
        Assert.Equal("D0 A0 D0 G0 D0", await Labels(id, "bass"));
    }

    [Fact]
    public async Task Who_reads_what_is_seen_and_changed()
    {
        var id = await server.Keep(Trio);
        var lines = await server.Get($"/api/tunes/{id}/lines");
        Assert.Equal(
            ["Violin", "Cello", "Bass"],
            lines.GetProperty("lines").EnumerateArray().Select(l => l.GetProperty("name").GetString())
        );
        Assert.Equal(
            "{\"violin\":\"1\",\"cello\":\"2\",\"bass\":\"3\"}",
            lines.GetProperty("chosen").GetProperty("for").GetRawText()
        );
        var choice = new
        {
            main = "1",
            @for = new Dictionary<string, string>
            {
                ["violin"] = "1",
                ["viola"] = "2",
                ["cello"] = "1",
            },
            version = 1,
        };
        Assert.Equal(204, (await server.Send(HttpMethod.Put, $"/api/tunes/{id}/lines", choice)).Status);
        Assert.Equal("D0 D1 D3 D4 A0", await Labels(id, "cello"));
        Assert.Equal("D0 G1 D0 G1 D0", await Labels(id, "viola"));
    }

    [Fact]
    public async Task A_line_or_an_instrument_that_is_not_there_is_refused()
    {
        var id = await server.Keep(Trio);
        var line = new
        {
            main = "9",
            @for = new Dictionary<string, string>(),
            version = 1,
        };
        var (status, problem) = await server.Send(HttpMethod.Put, $"/api/tunes/{id}/lines", line);
        Assert.Equal(
            (422, "There is no line “9” in this tune; expected 1, 2 or 3."),
            (status, problem.GetProperty("title").GetString())
        );
        var nobody = new
        {
            main = "1",
            @for = new Dictionary<string, string> { ["flute"] = "1" },
            version = 1,
        };
        Assert.Equal(404, (await server.Send(HttpMethod.Put, $"/api/tunes/{id}/lines", nobody)).Status);
        Assert.Equal(404, (await server.Send(HttpMethod.Get, "/api/tunes/99999/lines")).Status);
    }

    [Fact] // Ids of two lines never meet: a change of the cello's bow leaves the violin's.
    public async Task Bow_changes_stay_with_their_line()
    {
        var id = await server.Keep(Trio);
        async Task Slur(string instrument)
        {
            var reading = await server.Get($"/api/tunes/{id}/reading?instrument={instrument}");
            var note = reading.GetProperty("notes")[1].GetProperty("id").GetString()!;
            Assert.Equal(204, (await server.Bow(id, [(note, "slur")], instrument: instrument)).Status);
        }

        async Task<int> Taken(string instrument) =>
            (await server.Get($"/api/tunes/{id}/bowing?instrument={instrument}")).GetProperty("taken").GetArrayLength();
        await Slur("violin");
        await Slur("cello");
        Assert.Equal((1, 1), (await Taken("violin"), await Taken("cello")));
    }

    [Fact] // The whole score is exported, or one reader's part.
    public async Task Every_line_is_exported()
    {
        var id = await server.Keep(Trio);
        var xml = await server.Client.GetStringAsync($"/api/tunes/{id}/export?format=musicXml");
        Assert.Equal(["Violin", "Cello", "Bass"], Coppia.Formats.Books.TuneReader.Read(xml).Lines.Select(l => l.Name));
        var part = await server.Client.GetStringAsync($"/api/tunes/{id}/export?format=musicXml&instrument=cello");
        Assert.Equal(
            "D3 A2 D3 A2 D3",
            string.Join(' ', Coppia.Formats.Books.TuneReader.Read(part).Score!.Events.Select(e => e.Pitch))
        );
    }

    [Fact] // An edit keeps the readers of lines that are still there.
    public async Task An_edit_keeps_who_reads_what()
    {
        var id = await server.Keep(Trio);
        var choice = new
        {
            main = "2",
            @for = new Dictionary<string, string> { ["cello"] = "2" },
            version = 1,
        };
        await server.Send(HttpMethod.Put, $"/api/tunes/{id}/lines", choice);
        var version = (await server.Get($"/api/tunes/{id}")).GetProperty("summary").GetProperty("version").GetInt32();
        var source = Trio.Replace("D E F G", "D E F A", StringComparison.Ordinal);
        Assert.Equal(200, (await server.Send(HttpMethod.Put, $"/api/tunes/{id}", new { version, source })).Status);
        Assert.Equal(
            "2",
            (await server.Get($"/api/tunes/{id}/lines")).GetProperty("chosen").GetProperty("main").GetString()
        );
    }

    [Fact] // Mending writes the voices by number; who reads which stays.
    public async Task Voices_that_get_other_names_keep_their_readers()
    {
        var id = await server.Keep(
            Trio.Replace("V:1", "V:top", StringComparison.Ordinal).Replace("V:2", "V:low", StringComparison.Ordinal)
        );
        await server.Send(
            HttpMethod.Put,
            $"/api/tunes/{id}/lines",
            new
            {
                main = "low",
                @for = new Dictionary<string, string> { ["cello"] = "top" },
                version = 1,
            }
        );
        var version = (await server.Get($"/api/tunes/{id}")).GetProperty("summary").GetProperty("version").GetInt32();
        Assert.Equal(
            200,
            (await server.Send(HttpMethod.Put, $"/api/tunes/{id}", new { version, source = Trio })).Status
        );
        var chosen = (await server.Get($"/api/tunes/{id}/lines")).GetProperty("chosen");
        Assert.Equal(
            ("2", "{\"cello\":\"1\"}"),
            (chosen.GetProperty("main").GetString(), chosen.GetProperty("for").GetRawText())
        );
    }

    [Fact]
    public async Task A_book_is_listed_and_as_many_are_taken_as_are_wanted()
    {
        const string Book =
            "X:1\nT:One\nL:1/4\nK:D\nDEFG|]\n\nX:2\nT:Torn\nK:D\nD[E\n\nX:3\nT:Three\nM:3/4\nL:1/4\nK:G\nGAB|]\n";
        using var response = await server.Client.PostAsync(
            new Uri("/api/tunes/book", UriKind.Relative),
            File("book.abc", Book)
        );
        var tunes = JsonSerializer.Deserialize<JsonElement>(await response.Content.ReadAsStringAsync());
        Assert.Equal(["One", null, "Three"], tunes.EnumerateArray().Select(t => t.GetProperty("title").GetString()));
        Assert.Equal(
            "D E F♯ G",
            string.Join(' ', tunes[0].GetProperty("firstNotes").EnumerateArray().Select(n => n.GetString()))
        );
        Assert.Equal(
            (7, 10),
            (
                tunes[1].GetProperty("line").GetInt32(),
                tunes[1].GetProperty("error").GetProperty("at").GetProperty("line").GetInt32()
            )
        );
        var taken = new[] { tunes[0], tunes[2] }.Select(t => new { source = t.GetProperty("source").GetString() });
        var (status, ids) = await server.Send(HttpMethod.Post, "/api/tunes/many", new { tunes = taken });
        Assert.Equal((200, 2), (status, ids.GetArrayLength()));
        var three = await server.Get($"/api/tunes/{ids[1].GetInt64()}");
        Assert.Equal("Three", three.GetProperty("summary").GetProperty("title").GetString());
        Assert.Equal(200, (await server.Send(HttpMethod.Post, "/api/tunes/deleted", ids)).Status);
        Assert.Equal(404, (await server.Send(HttpMethod.Get, $"/api/tunes/{ids[0].GetInt64()}")).Status);
    }

    [Fact] // Of many tunes of which one cannot be read, none is kept.
    public async Task Many_are_kept_together_or_not_at_all()
    {
        var before = (await server.Get("/api/tunes")).GetProperty("total").GetInt32();
        var body = new { tunes = new[] { new { source = "G A B G" }, new { source = "X:1\nK:D\nD[E" } } };
        Assert.Equal(422, (await server.Send(HttpMethod.Post, "/api/tunes/many", body)).Status);
        Assert.Equal(before, (await server.Get("/api/tunes")).GetProperty("total").GetInt32());
    }

    [Theory] // A text is drawn beside the field while it is typed, whatever it is written in.
    [InlineData("G A B G | C5 B A2", "letters", 1)]
    [InlineData("D: 0 0 A: 0 0", "fingers", 1)]
    [InlineData("X:1\nK:D\nDEFG|]", "abc", 1)]
    [InlineData("X:1\nK:D\nDEFG|]\n\nX:2\nK:D\nD|]", "abc", 2)]
    public async Task A_text_is_checked_and_drawn(string source, string format, int tunes)
    {
        var (_, check) = await server.Send(HttpMethod.Post, "/api/tunes/check", new { source });
        Assert.Equal((format, tunes), (check.GetProperty("format").GetString(), check.GetProperty("tunes").GetInt32()));
        Assert.Contains("<score-partwise", check.GetProperty("musicXml").GetString(), StringComparison.Ordinal);
    }
}
