using System.Net.Http.Headers;
using System.Text;

namespace Coppia.Tests;

public class TunesApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const string Source = "X:1\nT:River Stones\nC:Coppia demo\nM:4/4\nL:1/4\nK:D\nD E F G|A4|]\n";

    [Fact]
    public async Task A_tune_is_kept_with_its_source_word_for_word()
    {
        const string odd = "X:1\r\nT:  Odd spacing \r\nK:D\r\nD  E|]  % a remark\r\n";
        var id = await server.Keep(odd);
        var tune = await server.Get($"/api/tunes/{id}");
        Assert.Equal(odd, tune.GetProperty("source").GetString());
        Assert.Equal("Odd spacing", tune.GetProperty("summary").GetProperty("title").GetString());
        Assert.Equal("traditional", tune.GetProperty("summary").GetProperty("composer").GetString());
        Assert.Equal("violin", tune.GetProperty("summary").GetProperty("printedFor").GetString());
    }

    [Fact]
    public async Task A_bad_tune_is_a_problem_with_line_and_column_and_nothing_is_saved()
    {
        var before = (await server.Get("/api/tunes")).GetProperty("total").GetInt32();
        var (status, problem) = await server.Send(HttpMethod.Post, "/api/tunes", new { source = "X:1\nK:D\nD [E" });
        Assert.Equal(422, status);
        var at = problem.GetProperty("errors")[0].GetProperty("at");
        Assert.Equal((3, 3), (at.GetProperty("line").GetInt32(), at.GetProperty("column").GetInt32()));
        Assert.Equal(before, (await server.Get("/api/tunes")).GetProperty("total").GetInt32());
    }

    [Fact]
    public async Task The_later_of_two_saves_is_told_and_can_look_at_both()
    {
        var id = await server.Keep(Source);
        object Change(string title) =>
            new
            {
                version = 1,
                source = Source,
                title,
            };
        Assert.Equal(200, (await server.Send(HttpMethod.Put, $"/api/tunes/{id}", Change("Mine"))).Status);
        var (status, current) = await server.Send(HttpMethod.Put, $"/api/tunes/{id}", Change("Yours"));
        Assert.Equal(409, status);
        Assert.Equal("Mine", current.GetProperty("current").GetProperty("summary").GetProperty("title").GetString());
        Assert.Equal(
            "Mine",
            (await server.Get($"/api/tunes/{id}")).GetProperty("summary").GetProperty("title").GetString()
        );
    }

    [Fact]
    public async Task Delete_can_be_undone()
    {
        var id = await server.Keep(Source);
        Assert.Equal(204, (await server.Send(HttpMethod.Delete, $"/api/tunes/{id}")).Status);
        Assert.Equal(404, (await server.Send(HttpMethod.Get, $"/api/tunes/{id}")).Status);
        Assert.Equal(204, (await server.Send(HttpMethod.Post, $"/api/tunes/{id}/restore")).Status);
        Assert.Equal(Source, (await server.Get($"/api/tunes/{id}")).GetProperty("source").GetString());
    }

    [Fact] // A second deletion does not take away the first one’s way back.
    public async Task What_was_deleted_is_listed_last_first_until_it_comes_back()
    {
        async Task<string[]> Deleted() =>
            [
                .. (await server.Get("/api/tunes/deleted"))
                    .GetProperty("tunes")
                    .EnumerateArray()
                    .Select(t => t.GetProperty("title").GetString()!),
            ];
        var reed = await server.Keep(Source.Replace("River Stones", "Reed Boat", StringComparison.Ordinal));
        var moss = await server.Keep(Source.Replace("River Stones", "Moss Roof", StringComparison.Ordinal));
        await server.Send(HttpMethod.Delete, $"/api/tunes/{reed}");
        await Task.Delay(5); // the list goes by milliseconds
        await server.Send(HttpMethod.Delete, $"/api/tunes/{moss}");
        Assert.Equal(["Moss Roof", "Reed Boat"], (await Deleted())[..2]);
        await server.Send(HttpMethod.Post, $"/api/tunes/{reed}/restore");
        Assert.DoesNotContain("Reed Boat", await Deleted());
        Assert.Contains("Moss Roof", await Deleted());
    }

    [Fact]
    public async Task Search_finds_titles_in_any_case_and_without_accents()
    {
        await server.Keep(Source.Replace("River Stones", @"Céilidh 100\% Fun", StringComparison.Ordinal));
        foreach (var words in new[] { "ceilidh", "CÉILI", "100%" })
            Assert.Equal(
                1,
                (await server.Get($"/api/tunes?search={Uri.EscapeDataString(words)}")).GetProperty("total").GetInt32()
            );
        Assert.Equal(0, (await server.Get("/api/tunes?search=140")).GetProperty("total").GetInt32());
    }

    [Fact]
    public async Task A_duplicate_is_another_tune()
    {
        var id = await server.Keep(Source);
        var (_, copy) = await server.Send(HttpMethod.Post, $"/api/tunes/{id}/duplicate");
        Assert.Equal("River Stones (copy)", copy.GetProperty("summary").GetProperty("title").GetString());
        Assert.NotEqual(id, copy.GetProperty("summary").GetProperty("id").GetInt64());
    }

    [Fact]
    public async Task Copies_are_numbered_and_a_copy_of_a_copy_too()
    {
        var id = await server.Keep(Source.Replace("River Stones", "Willow Gate", StringComparison.Ordinal));
        async Task<string?> Copy(long of) =>
            (await server.Send(HttpMethod.Post, $"/api/tunes/{of}/duplicate"))
                .Body.GetProperty("summary")
                .GetProperty("title")
                .GetString();
        Assert.Equal("Willow Gate (copy)", await Copy(id));
        Assert.Equal("Willow Gate (copy 2)", await Copy(id));
        Assert.Equal("Willow Gate (copy 3)", await Copy(id + 1));
        var longest = await server.Keep(Source.Replace("River Stones", new string('w', 200), StringComparison.Ordinal));
        Assert.Equal(new string('w', 188) + " (copy)", await Copy(longest));
        Assert.Equal(new string('w', 188) + " (copy 2)", await Copy(longest));
    }

    [Fact]
    public async Task A_bad_file_comes_back_with_its_text_so_that_nothing_is_lost()
    {
        using var form = new MultipartFormDataContent
        {
            { new ByteArrayContent(Encoding.UTF8.GetBytes("X:1\nK:D\nD [E")), "file", "a.abc" },
        };
        using var response = await server.Client.PostAsync("/api/tunes/upload", form);
        Assert.Equal(422, (int)response.StatusCode);
        Assert.Contains(
            "\"source\":\"X:1\\nK:D\\nD [E\"",
            await response.Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_file_over_5_MB_is_refused()
    {
        using var form = new MultipartFormDataContent
        {
            {
                new ByteArrayContent(new byte[5 * 1024 * 1024 + 1])
                {
                    Headers = { ContentType = new MediaTypeHeaderValue("text/plain") },
                },
                "file",
                "a.abc"
            },
        };
        using var response = await server.Client.PostAsync("/api/tunes/upload", form);
        Assert.Equal(413, (int)response.StatusCode);
    }

    [Theory]
    [InlineData("/api/tunes/999999")]
    [InlineData("/api/tunes/999999/reading?instrument=violin")]
    [InlineData("/api/nothing/here")]
    public async Task What_is_not_there_is_a_problem_and_no_page(string path)
    {
        using var response = await server.Client.GetAsync(path);
        Assert.Equal(404, (int)response.StatusCode);
        Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
    }

    [Theory]
    [InlineData("{")]
    [InlineData("{\"source\":5}")]
    public async Task A_body_that_is_no_request_is_a_problem_without_a_stack_trace(string body)
    {
        using var response = await server.Client.PostAsync(
            "/api/tunes",
            new StringContent(body, Encoding.UTF8, "application/json")
        );
        Assert.Equal(400, (int)response.StatusCode);
        Assert.DoesNotContain("   at ", await response.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("musicxml")]
    [InlineData("abc")]
    public async Task An_export_reads_back_as_the_same_tune(string format)
    {
        var id = await server.Keep(Source);
        var text = await server.Client.GetStringAsync($"/api/tunes/{id}/export?format={format}");
        var score = Formats.Books.TuneReader.Read(text).Score!;
        Assert.Equal("D4 E4 F#4 G4 A4", string.Join(' ', score.Events.Select(e => e.Pitch)));
        Assert.Equal("River Stones", score.Title);
    }

    [Fact]
    public async Task An_instruments_export_carries_the_pairs()
    {
        var id = await server.Keep(Source);
        var text = await server.Client.GetStringAsync(
            $"/api/tunes/{id}/export?format=musicxml&instrument=cello&rows=pair,count"
        );
        // F sharp: third finger, second string from the top
        Assert.Contains("<fingering>3</fingering><string>2</string>", text, StringComparison.Ordinal);
        Assert.Contains("<text>D3</text>", text, StringComparison.Ordinal);
    }
}
