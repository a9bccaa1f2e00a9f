namespace Coppia.Tests;

/// <summary>What a teacher fixed on a note stays on it when the tune is edited around it.</summary>
public class EditedTuneTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static string Source(string music) => $"X:1\nT:Edited\nM:4/4\nL:1/4\nK:D\n{music}|]\n";

    private async Task<string> Pairs(long id) =>
        string.Join(
            ' ',
            (await server.Get($"/api/tunes/{id}/reading?instrument=violin"))
                .GetProperty("notes")
                .EnumerateArray()
                .Select(n => n.GetProperty("label").GetString())
        );

    private async Task Edit(long id, int version, string music)
    {
        var (status, _) = await server.Send(
            HttpMethod.Put,
            $"/api/tunes/{id}",
            new { version, source = Source(music) }
        );
        Assert.Equal(200, status);
    }

    [Fact]
    public async Task Pins_and_bows_move_with_their_notes()
    {
        var id = await server.Keep(Source("G A G2|D4"));
        await server.Pin(id, "violin", "b1n2", (1, 4));
        await server.Bow(id, [("b2n1", "lift")]);
        Assert.Equal("D3 D4 D3 D0", await Pairs(id));

        // A bar is put in front, and a note of the bar is changed; then another bar in front of that.
        await Edit(id, 1, "B4|G A G E|D4");
        Assert.Equal("A1 D3 D4 D3 D1 D0", await Pairs(id));
        await Edit(id, 2, "d4|B4|G A G E|D4");
        Assert.Equal("A3 A1 D3 D4 D3 D1 D0", await Pairs(id));
        var taken = (await server.Get($"/api/tunes/{id}/bowing?instrument=violin")).GetProperty("taken");
        Assert.Equal(
            "Bar 4: lift after D, next stroke down",
            Assert.Single(taken.EnumerateArray()).GetProperty("text").GetString()
        );
    }

    [Fact] // Its ids are the copy's too, so that its editor finds the same notes.
    public async Task A_copy_of_an_edited_tune_reads_as_the_tune_does()
    {
        var id = await server.Keep(Source("G A G2|D4"));
        await Edit(id, 1, "B4|G A G2|D4");
        var copy = (await server.Send(HttpMethod.Post, $"/api/tunes/{id}/duplicate"))
            .Body.GetProperty("summary")
            .GetProperty("id")
            .GetInt64();
        string Ids(System.Text.Json.JsonElement reading) =>
            string.Join(
                ' ',
                reading.GetProperty("notes").EnumerateArray().Select(n => n.GetProperty("id").GetString())
            );
        Assert.Equal(
            Ids(await server.Get($"/api/tunes/{id}/reading?instrument=violin")),
            Ids(await server.Get($"/api/tunes/{copy}/reading?instrument=violin"))
        );
    }
}
