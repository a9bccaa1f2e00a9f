using System.Text.Json;

namespace Coppia.Tests;

/// <summary>
/// Two windows on one library: what each adds is kept, and neither overwrites what it has not seen (common practice).
/// </summary>
public class TwoWindowsTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const int Writers = 20;

    private static string Source(string notes) => $"X:1\nT:Two Windows\nM:4/4\nL:1/4\nK:D\n{notes}|]";

    private static string Title((int Status, JsonElement Body) answer) =>
        $"{answer.Status} {answer.Body.GetProperty("title").GetString()}";

    [Fact] // An A on the violin is the open A string or the fourth finger on D (craft 6).
    public async Task Twenty_writers_of_one_pin_each_keep_twenty_pins()
    {
        var id = await server.Keep(Source(string.Join('|', Enumerable.Repeat("AAAA", Writers / 4))));
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, Writers)
                .Select(i => Task.Run(() => server.Pin(id, "violin", $"b{i / 4 + 1}n{i % 4 + 1}", (1, 4))))
        );
        Assert.All(answers, a => Assert.Equal(204, a.Status));
        Assert.Equal(string.Join(' ', Enumerable.Repeat("D4", Writers)), await server.Labels(id));
    }

    [Fact]
    public async Task Twenty_writers_of_one_bow_change_each_keep_twenty_changes()
    {
        var id = await server.Keep(Source(string.Join('|', Enumerable.Repeat("DEFG", Writers))));
        var answers = await Task.WhenAll(
            Enumerable.Range(1, Writers).Select(bar => Task.Run(() => server.Bow(id, [($"b{bar}n2", "slur")])))
        );
        Assert.All(answers, a => Assert.Equal(204, a.Status));
        Assert.Equal(
            Writers,
            (await server.Get($"/api/tunes/{id}/bowing?instrument=violin")).GetProperty("taken").GetArrayLength()
        );
    }

    [Fact]
    public async Task The_later_of_two_on_one_note_is_told_and_changes_nothing()
    {
        var id = await server.Keep(Source("G A G2|D4"));
        Assert.Equal(204, (await server.Pin(id, "violin", "b1n2", (1, 4))).Status);
        var late = await server.Pin(id, "violin", "b1n2", (2, 0));
        Assert.Equal(
            "409 The finger of a note in bar 1 was changed in another window meanwhile. Nothing was overwritten; "
                + "it is shown now.",
            Title(late)
        );
        Assert.Equal("D3 D4 D3 D0", await server.Labels(id));
        Assert.Equal(204, (await server.Bow(id, [("b2n1", "lift")])).Status);
        Assert.StartsWith(
            "409 The bow in bar 2 was changed",
            Title(await server.Bow(id, [("b2n1", "lift")], to: "refused")),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Undo_takes_back_ones_own_change_and_no_other()
    {
        var id = await server.Keep(Source("A A A2"));
        await server.Pin(id, "violin", "b1n1", (1, 4));
        await server.Pin(id, "violin", "b1n2", (1, 4)); // the other window
        Assert.Equal(204, (await server.Pin(id, "violin", "b1n1", null, was: (1, 4))).Status);
        Assert.Equal("b1n2", Pinned(await server.Get($"/api/tunes/{id}/reading?instrument=violin")));
        // What the other window has put in its place meanwhile is not one's own any more.
        Assert.Equal(409, (await server.Pin(id, "violin", "b1n2", null, was: (2, 0))).Status);
        Assert.Equal("b1n2", Pinned(await server.Get($"/api/tunes/{id}/reading?instrument=violin")));
    }

    private static string Pinned(JsonElement reading) =>
        string.Join(' ', reading.GetProperty("pins").EnumerateArray().Select(p => p.GetProperty("noteId").GetString()));

    [Fact]
    public async Task Printed_fingers_and_the_octave_are_told_too()
    {
        var id = await server.Keep(Source("D E F G"));
        Task<(int Status, JsonElement Body)> Printed(bool to, bool was) =>
            server.Send(
                HttpMethod.Patch,
                $"/api/tunes/{id}/pins/violin",
                new { changes = Array.Empty<object>(), printed = new { to, was } }
            );
        Assert.Equal(
            (204, 409, 204),
            (
                (await Printed(true, false)).Status,
                (await Printed(true, false)).Status,
                (await Printed(false, true)).Status
            )
        );
        Assert.Equal(204, (await server.Octave(id, "violin", 1, was: null)).Status);
        Assert.StartsWith(
            "409 The octave was changed",
            Title(await server.Octave(id, "violin", null, was: null)),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_style_saved_by_another_is_not_overwritten()
    {
        var made = (await server.Send(HttpMethod.Post, "/api/styles", new { name = "Ours", style = new { } })).Body;
        var id = made.GetProperty("id").GetInt64();
        Task<(int Status, JsonElement Body)> Save(int version, string name) =>
            server.Send(
                HttpMethod.Put,
                $"/api/styles/{id}",
                new
                {
                    version,
                    name,
                    style = new { },
                }
            );
        Assert.Equal(200, (await Save(1, "First")).Status);
        Assert.StartsWith(
            "409 This style was saved from another window",
            Title(await Save(1, "Second")),
            StringComparison.Ordinal
        );
        Assert.Equal(200, (await Save(2, "Third")).Status);
    }

    [Fact]
    public async Task Who_reads_which_line_is_chosen_in_what_was_seen()
    {
        var id = await server.Keep("X:1\nT:Duet\nM:4/4\nL:1/4\nK:D\nV:1\nDEFG|\nV:2\nDDDD|\n");
        var choice = new
        {
            main = "2",
            @for = new Dictionary<string, string>(),
            version = 1,
        };
        Assert.Equal(204, (await server.Send(HttpMethod.Put, $"/api/tunes/{id}/lines", choice)).Status);
        Assert.Equal(409, (await server.Send(HttpMethod.Put, $"/api/tunes/{id}/lines", choice)).Status);
    }

    [Fact] // What an edit has put aside waits for its note, whatever comes in the place of that note meanwhile.
    public async Task Pins_and_bows_come_back_with_the_music_that_they_were_set_on()
    {
        const string with = "G A G2|D4|A4";
        var id = await server.Keep(Source(with));
        await server.Pin(id, "violin", "b1n2", (1, 4));
        await server.Bow(id, [("b1n2", "slur")]);
        Assert.Equal("D3 D4 D3 D0 A0", await server.Labels(id));

        await Edit(id, 1, "D4|A4");
        Assert.Equal("D0 A0", await server.Labels(id));
        Assert.Contains(
            "set aside",
            (await server.Get($"/api/tunes/{id}/reading?instrument=violin")).GetProperty("warnings").GetRawText(),
            StringComparison.Ordinal
        );
        await Edit(id, 2, "A A A A|D4|A4");
        Assert.Equal("A0 A0 A0 A0 D0 A0", await server.Labels(id));
        await server.Pin(id, "violin", "b2n1", null); // a step of another pin in between

        await Edit(id, 3, with);
        Assert.Equal("D3 D4 D3 D0 A0", await server.Labels(id));
        var taken = (await server.Get($"/api/tunes/{id}/bowing?instrument=violin")).GetProperty("taken");
        Assert.Equal("b1n2", Assert.Single(taken.EnumerateArray()).GetProperty("noteId").GetString());
    }

    private async Task Edit(long id, int version, string notes)
    {
        var answer = await server.Send(HttpMethod.Put, $"/api/tunes/{id}", new { version, source = Source(notes) });
        Assert.Equal(200, answer.Status);
    }
}
