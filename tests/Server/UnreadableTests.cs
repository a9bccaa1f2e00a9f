using Coppia.Data.Exercises;
using Coppia.Data.Room;
using Coppia.Data.Store;
using Coppia.Data.Tunes;

namespace Coppia.Tests;

/// <summary>
/// What an earlier version kept and this one cannot read takes no other screen down, and its text is there to copy.
/// </summary>
public class UnreadableTests(RunningServer server) : IClassFixture<RunningServer>
{
    private Database Library => new(Path.Combine(server.Folder, "coppia.db"));

    [Fact]
    public async Task A_tune_and_a_style()
    {
        const string text = "X:1\nT:Old\nK:D\nD999/0|\n";
        var good = await server.Keep("X:1\nT:Good\nK:D\nD E F|\n");
        var bad = new TuneRepository(Library, TimeProvider.System)
            .Add(SomeLibrary.Tune("Old") with { Source = text })
            .Id;
        // the first is in use
        new StyleRepository(Library, TimeProvider.System).Add("Old style", "{\"lowHigh\":\"by colour\"}");

        Assert.Equal(2, (await server.Get("/api/tunes")).GetProperty("total").GetInt32());
        await server.Get($"/api/tunes/{good}/reading?instrument=violin");
        var style = (await server.Get("/api/styles"))[0].GetProperty("unreadable");
        Assert.Equal("{\"lowHigh\":\"by colour\"}", style.GetProperty("text").GetString());
        Assert.Contains("at lowHigh", style.GetProperty("wrong").GetString(), StringComparison.Ordinal);

        foreach (
            var path in new[]
            {
                "reading?instrument=violin",
                "bowing?instrument=violin",
                "lines",
                "writing?instrument=violin",
                "export?format=abc",
            }
        )
        {
            var (status, problem) = await server.Send(HttpMethod.Get, $"/api/tunes/{bad}/{path}");
            Assert.Equal((422, text), (status, problem.GetProperty("source").GetString()));
        }

        Assert.Equal(
            422,
            (await server.Send(HttpMethod.Post, $"/api/exercises/first/{bad}?instruments=violin")).Status
        );
        Assert.Equal(text, (await server.Get($"/api/tunes/{bad}")).GetProperty("source").GetString());
        // It can be mended.
        Assert.Equal(
            200,
            (
                await server.Send(
                    HttpMethod.Put,
                    $"/api/tunes/{bad}",
                    new { version = 1, source = "X:1\nT:Old\nK:D\nD|\n" }
                )
            ).Status
        );
        await server.Get($"/api/tunes/{bad}/reading?instrument=violin");
    }

    [Fact]
    public async Task Sheets_are_listed_and_searched_and_each_says_what_it_is()
    {
        string[] documents =
        [
            "drawn by hand",
            "{}",
            "{\"parts\":7}",
            "{\"parts\":[\"Stems\"]}",
            "{\"parts\":[null]}",
            "{\"parts\":[{}]}",
        ];
        var sheets = new SheetRepository(Library, TimeProvider.System);
        foreach (var document in documents)
        {
            var id = sheets
                .Add(
                    new SheetRecord
                    {
                        Heading = "Old sheet",
                        Instruments = "violin",
                        Document = document,
                    }
                )
                .Id;
            var (status, problem) = await server.Send(HttpMethod.Get, $"/api/sheets/{id}");
            Assert.Equal(422, status);
            Assert.Contains(
                "cannot read the sheet “Old sheet”",
                problem.GetProperty("title").GetString(),
                StringComparison.Ordinal
            );
        }

        foreach (var (words, found) in new[] { ("", documents.Length), ("old", documents.Length), ("stems", 0) })
            Assert.Equal(found, (await server.Get($"/api/sheets?search={words}")).GetProperty("total").GetInt32());
    }
}
