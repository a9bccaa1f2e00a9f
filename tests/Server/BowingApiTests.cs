namespace Coppia.Tests;

/// <summary>Bowing over HTTP: proposals, changes taken and kept, and what is exported.</summary>
public sealed class BowingApiTests : IClassFixture<RunningServer>
{
    private readonly RunningServer server;

    public BowingApiTests(RunningServer server) => this.server = server;

    private const string Tune = "X:1\nT:Plums\nM:3/4\nL:1/4\nK:D\nD E F|G A B|c3|]";

    [Fact]
    public async Task A_taken_change_shows_in_reading_print_and_export()
    {
        var id = await server.Keep(Tune);
        var bowing = await server.Get($"/api/tunes/{id}/bowing?instrument=violin");
        var proposal = bowing
            .GetProperty("proposals")
            .EnumerateArray()
            .First(p => p.GetProperty("aim").GetString() == "downbeatsDown");
        Assert.Equal((1, 0), (proposal.GetProperty("now").GetInt32(), proposal.GetProperty("left").GetInt32()));
        var changes = proposal
            .GetProperty("changes")
            .EnumerateArray()
            .Select(c => (c.GetProperty("noteId").GetString()!, c.GetProperty("kind").GetString()!))
            .ToArray();
        var printed = await server.Client.GetStringAsync($"/api/tunes/{id}/export?format=musicxml");
        Assert.Equal(204, (await server.Bow(id, changes)).Status);

        // kept for the tune, on every instrument
        var reading = await server.Get($"/api/tunes/{id}/reading?instrument=cello");
        Assert.Equal("down", reading.GetProperty("notes")[3].GetProperty("bow").GetString());
        Assert.Contains(
            "(",
            await server.Client.GetStringAsync($"/api/tunes/{id}/export?format=abc"),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "<slur type=\"start\"",
            await server.Client.GetStringAsync($"/api/tunes/{id}/export?format=musicxml"),
            StringComparison.Ordinal
        );

        // Taken back, the print is what it was.
        await server.Bow(id, changes, to: "open", was: "taken");
        Assert.Equal(printed, await server.Client.GetStringAsync($"/api/tunes/{id}/export?format=musicxml"));
    }

    // Three strokes to a bar want one join; with the slur refused, the hook is proposed, and the refusal is kept.
    [Fact]
    public async Task A_refused_change_is_kept_and_gone_round()
    {
        var id = await server.Keep(Tune);
        Assert.Equal(204, (await server.Bow(id, [("b1n3", "slur")], to: "refused")).Status);
        var bowing = await server.Get($"/api/tunes/{id}/bowing?instrument=violin");
        Assert.Equal("Bar 1: slur E to F♯", bowing.GetProperty("refused")[0].GetProperty("text").GetString());
        var kinds = bowing
            .GetProperty("proposals")[0]
            .GetProperty("changes")
            .EnumerateArray()
            .Select(c => $"{c.GetProperty("noteId").GetString()} {c.GetProperty("kind").GetString()}");
        Assert.Equal(["b1n3 hook", "b2n3 slur"], kinds);
    }

    [Fact]
    public async Task A_change_that_cannot_be_made_is_refused_and_nothing_is_changed()
    {
        var id = await server.Keep(Tune);
        var (status, body) = await server.Bow(id, [("b1n1", "slur")]);
        Assert.Equal(422, status);
        Assert.Contains(
            "cannot join the note before it",
            body.GetProperty("title").GetString(),
            StringComparison.Ordinal
        );
        Assert.Empty(
            (await server.Get($"/api/tunes/{id}/bowing?instrument=violin")).GetProperty("taken").EnumerateArray()
        );
    }

    [Fact]
    public async Task The_reading_holds_form_ribbon_and_values()
    {
        var id = await server.Keep(Tune);
        var reading = await server.Get($"/api/tunes/{id}/reading?instrument=violin");
        Assert.Equal("A", reading.GetProperty("form").GetProperty("lines")[0].GetProperty("letter").GetString());
        Assert.Equal(7, reading.GetProperty("travels").GetArrayLength());
        Assert.Equal("dotted half", reading.GetProperty("events")[6].GetProperty("words").GetString());
    }

    [Fact]
    public async Task What_comes_back_the_wrong_way_has_its_mends()
    {
        var id = await server.Keep("X:1\nM:3/4\nL:1/4\nK:D\n|:D E F:|");
        var wrong = (await server.Get($"/api/tunes/{id}/bowing?instrument=violin")).GetProperty("wrongWay")[0];
        Assert.Equal(
            ["slur", "hook", "lift"],
            wrong.GetProperty("mends").EnumerateArray().Select(m => m.GetProperty("kind").GetString())
        );
    }
}
