using System.IO.Compression;
using System.Text;
using System.Text.Json;

namespace Coppia.Tests;

/// <summary>Backups, everything out and in again, as the Safekeeping page asks for them.</summary>
public sealed class KeepingApiTests : IAsyncLifetime
{
    private readonly RunningServer _school = new();
    private readonly RunningServer _laptop = new();

    public async ValueTask InitializeAsync()
    {
        await _school.InitializeAsync();
        await _laptop.InitializeAsync();
    }

    public async ValueTask DisposeAsync()
    {
        await _school.DisposeAsync();
        await _laptop.DisposeAsync();
    }

    private static string Tune(string title, string notes) => $"X:1\nT:{title}\nM:4/4\nL:1/4\nK:D\n{notes}|]\n";

    private static async Task<string> Titles(RunningServer server) =>
        string.Join(
            ", ",
            (await server.Get("/api/tunes"))
                .GetProperty("tunes")
                .EnumerateArray()
                .Select(t => t.GetProperty("title").GetString())
        );

    // The laptop has a tune of the same number and version, and has read it: what it remembers of that must not be
    // shown.
    [Fact]
    public async Task A_backup_comes_back_on_another_computer_and_can_be_undone()
    {
        await _school.Keep(Tune("From School", "A A A2"));
        await _school.Pin(1, "violin", "b1n1", (1, 4));
        var backup = await _school.Client.GetByteArrayAsync("/api/keeping/backup");
        await _laptop.Keep(Tune("On the Laptop", "G G G2"));
        Assert.Equal("D3 D3 D3", await _laptop.Labels(1));

        var (status, restored) = await _laptop.SendFile("/api/keeping/restore", backup);
        Assert.Equal((200, 1), (status, restored.GetProperty("tunes").GetInt32()));
        Assert.Equal(("From School", "D4 A0 A0"), (await Titles(_laptop), await _laptop.Labels(1)));

        var former = restored.GetProperty("former").GetString();
        Assert.Equal(200, (await _laptop.Send(HttpMethod.Post, $"/api/keeping/backups/{former}/restore")).Status);
        Assert.Equal(("On the Laptop", "D3 D3 D3"), (await Titles(_laptop), await _laptop.Labels(1)));
    }

    [Fact]
    public async Task What_is_no_backup_changes_nothing()
    {
        await _laptop.Keep(Tune("On the Laptop", "G G G2"));
        var (status, problem) = await _laptop.SendFile(
            "/api/keeping/restore",
            Encoding.UTF8.GetBytes("no backup" + new string('x', 5000))
        );
        Assert.Equal(
            (422, "The file is not a backup of Coppia; expected a .db file that Coppia made."),
            (status, problem.GetProperty("title").GetString())
        );
        Assert.Equal(404, (await _laptop.Send(HttpMethod.Post, "/api/keeping/backups/..%2Fcoppia.db/restore")).Status);
        Assert.Equal("On the Laptop", await Titles(_laptop));
    }

    [Fact]
    public async Task Today_is_backed_up_by_itself()
    {
        JsonElement kept = default;
        for (var tries = 0; tries < 200; tries++)
        {
            kept = (await _school.Get("/api/keeping")).GetProperty("backups");
            if (kept.GetArrayLength() > 0)
                break;
            await Task.Delay(50, TestContext.Current.CancellationToken);
        }

        var daily = Assert.Single(kept.EnumerateArray());
        Assert.Equal("day", daily.GetProperty("why").GetString());
        var file = await _school.Client.GetByteArrayAsync(
            $"/api/keeping/backups/{daily.GetProperty("name").GetString()}"
        );
        Assert.Equal("SQLite format 3", Encoding.ASCII.GetString(file[..15])); // SQLite, "Database File Format", 1.3.1
    }

    private async Task<ZipArchive> Everything() =>
        new(new MemoryStream(await _school.Client.GetByteArrayAsync("/api/keeping/everything")), ZipArchiveMode.Read);

    private static string Text(ZipArchive zip, string name)
    {
        using var reader = new StreamReader(zip.GetEntry(name)!.Open());
        return reader.ReadToEnd();
    }

    [Fact]
    public async Task Everything_out_has_each_tune_as_it_was_written_and_the_records_as_tables()
    {
        var source = Tune("Céilidh, \"slow\"", "A A A2");
        await _school.Keep(source);
        await _school.Keep("Title: =Board\nKey: D\nD E F G |");
        await _school.Pin(1, "violin", "b1n2", (1, 4));
        await _school.Bow(1, [("b1n2", "slur")], to: "refused");
        using var zip = await Everything();
        Assert.Equal(source, Text(zip, "tunes/0001-C-ilidh---slow.abc"));
        Assert.Equal("Title: =Board\nKey: D\nD E F G |", Text(zip, "tunes/0002-Board.txt"));
        // RFC 4180: a cell with a comma or a quote stands in quotes, a quote doubled; what a spreadsheet would work out
        // is text.
        Assert.StartsWith(
            "file,title,composer,key,meter,bars,printed for,added,changed\r\ntunes/0001-C-ilidh---slow.abc,\"Céilidh, "
                + "\"\"slow\"\"\",traditional,D major,4/4,1,violin,",
            Text(zip, "records/tunes.csv"),
            StringComparison.Ordinal
        );
        Assert.Contains(",'=Board,", Text(zip, "records/tunes.csv"), StringComparison.Ordinal);
        Assert.EndsWith("violin,b1n2,A4,2,4\r\n", Text(zip, "records/fingers.csv"), StringComparison.Ordinal);
        Assert.EndsWith("b1n2,A4,slur,refused\r\n", Text(zip, "records/bowing.csv"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Everything_comes_in_again_beside_what_is_there_and_only_once()
    {
        await _laptop.Keep(Tune("On the Laptop", "G G G2"));
        await _school.Keep(Tune("Edited", "A A A2"));
        await _school.Send(HttpMethod.Put, "/api/tunes/1", new { version = 1, source = Tune("Edited", "D4|A A A2") });
        await _school.Pin(1, "violin", "b1n1", (1, 4));
        await _school.Bow(1, [("b1n2", "slur")]);
        await _school.Octave(1, "violin", 1, was: null);
        await _school.Octave(1, "violin", null, was: 1);
        await _school.Keep("X:1\nT:Duet\nM:4/4\nL:1/4\nK:D\nV:1\nDEFG|\nV:2\nDEDF|\n");
        var lines = new
        {
            main = "2",
            @for = new Dictionary<string, string> { ["viola"] = "1" },
            version = 1,
        };
        await _school.Send(HttpMethod.Put, "/api/tunes/2/lines", lines);
        await _school.Send(
            HttpMethod.Post,
            "/api/styles",
            new { name = "Upstairs", style = new { lowHigh = "words" } }
        );
        var (made, part) = (
            await _school.Send(
                HttpMethod.Post,
                "/api/exercises/part",
                new
                {
                    instruments = new[] { "violin" },
                    request = new
                    {
                        kind = "finger-it",
                        tuneId = 2,
                        count = 3,
                    },
                }
            )
        );
        Assert.True(made == 200, part.GetRawText());
        var sheet = new
        {
            heading = "Of the Duet",
            nameLine = true,
            instruments = new[] { "violin" },
            parts = new[]
            {
                new
                {
                    request = part.GetProperty("request"),
                    items = part.GetProperty("items")
                        .EnumerateArray()
                        .Select(i => new
                        {
                            id = i.GetProperty("id"),
                            pinned = false,
                            questions = i.GetProperty("each")
                                .EnumerateObject()
                                .ToDictionary(e => e.Name, e => e.Value.GetProperty("question")),
                        }),
                },
            },
        };
        Assert.Equal(200, (await _school.Send(HttpMethod.Post, "/api/sheets", sheet)).Status);

        var zip = await _school.Client.GetByteArrayAsync("/api/keeping/everything");
        var (status, taken) = await _laptop.SendFile("/api/keeping/everything", zip, "application/zip");
        Assert.Equal(200, status);
        Assert.Equal(
            "{\"tunes\":2,\"tunesThere\":0,\"styles\":1,\"stylesThere\":0,\"sheets\":1,\"sheetsThere\":0,\"classes\":0,"
                + "\"classesThere\":0}",
            taken.GetProperty("added").GetRawText()
        );
        Assert.Equal("Duet, Edited, On the Laptop", await Titles(_laptop));
        foreach (var instrument in new[] { "violin", "viola", "cello", "bass" })
        {
            Assert.Equal(await _school.Labels(1, instrument), await _laptop.Labels(2, instrument));
            Assert.Equal(await _school.Labels(2, instrument), await _laptop.Labels(3, instrument));
        }

        Assert.Equal(
            (await _school.Get("/api/tunes/1/bowing?instrument=violin")).GetRawText(),
            (await _laptop.Get("/api/tunes/2/bowing?instrument=violin")).GetRawText()
        );
        Assert.Equal(
            "words",
            (await _laptop.Get("/api/styles"))[0].GetProperty("style").GetProperty("lowHigh").GetString()
        );
        // The sheet's tune has another number here.
        Assert.Equal(
            3,
            (await _laptop.Get("/api/sheets/1"))
                .GetProperty("parts")[0]
                .GetProperty("request")
                .GetProperty("tuneId")
                .GetInt32()
        );

        taken = (await _laptop.SendFile("/api/keeping/everything", zip, "application/zip")).Body;
        Assert.Equal(
            "{\"tunes\":0,\"tunesThere\":2,\"styles\":0,\"stylesThere\":1,\"sheets\":0,\"sheetsThere\":1,\"classes\":0,"
                + "\"classesThere\":0}",
            taken.GetProperty("added").GetRawText()
        );
    }

    /// <summary>The same .zip with one file's text changed.</summary>
    private static byte[] With(byte[] zip, string name, Func<string, string> change)
    {
        using var file = new MemoryStream();
        file.Write(zip);
        using (var archive = new ZipArchive(file, ZipArchiveMode.Update, leaveOpen: true))
        {
            var text = change(Text(archive, name));
            archive.GetEntry(name)!.Delete();
            using var writer = new StreamWriter(archive.CreateEntry(name).Open());
            writer.Write(text);
        }

        return file.ToArray();
    }

    [Fact]
    public async Task A_broken_everything_is_refused_whole_and_a_broken_tune_is_named()
    {
        await _school.Keep(Tune("Plums", "A A A2"));
        await _school.Keep(Tune("Pears", "G G G2"));
        var zip = await _school.Client.GetByteArrayAsync("/api/keeping/everything");
        async Task<string> Refused(byte[] file)
        {
            var (status, problem) = await _laptop.SendFile("/api/keeping/everything", file, "application/zip");
            Assert.Equal(422, status);
            Assert.Empty(await Titles(_laptop));
            return problem.GetProperty("title").GetString()!;
        }

        Assert.Contains("no complete .zip", await Refused(zip[..(zip.Length / 2)]), StringComparison.Ordinal);
        Assert.Contains(
            "library.json, at tunes[1]: title is missing",
            await Refused(With(zip, "library.json", t => ReplaceLast(t, "\"title\"", "\"name\""))),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "there is no file “elsewhere.abc”",
            await Refused(
                With(
                    zip,
                    "library.json",
                    t => t.Replace("tunes/0002-Pears.abc", "elsewhere.abc", StringComparison.Ordinal)
                )
            ),
            StringComparison.Ordinal
        );

        var (status, taken) = await _laptop.SendFile(
            "/api/keeping/everything",
            With(zip, "tunes/0002-Pears.abc", _ => "X:1\nK:D\nD999/0|\n"),
            "application/zip"
        );
        Assert.Equal((200, "Plums"), (status, await Titles(_laptop)));
        Assert.StartsWith(
            "Pears: 3:2: ",
            Assert.Single(taken.GetProperty("leftOut").EnumerateArray()).GetString(),
            StringComparison.Ordinal
        );
    }

    private static string ReplaceLast(string text, string what, string with)
    {
        var at = text.LastIndexOf(what, StringComparison.Ordinal);
        return text[..at] + with + text[(at + what.Length)..];
    }
}
