using System.Net;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;
using CsCheck;

namespace Coppia.Tests;

/// <summary>
/// Whatever is printed, for whichever instrument: every address answers, and what the stand draws fits together.
/// </summary>
public class AnyTuneTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly Score[] Tunes = SomeScores.Any.Array[25].Single(_ => true, "0N0XIzNsQ0O2");

    [Theory]
    [InlineData("violin")]
    [InlineData("viola")]
    [InlineData("cello")]
    [InlineData("bass")]
    public async Task Every_address_answers_and_every_id_leads_to_a_note(string instrument)
    {
        foreach (var tune in Tunes)
        {
            var id = await server.Keep(MusicXmlWriter.Write(tune));
            var reading = await server.Get($"/api/tunes/{id}/reading?instrument={instrument}");
            var printed = reading
                .GetProperty("events")
                .EnumerateArray()
                .Select(e => e.GetProperty("id").GetString())
                .ToHashSet();
            var sounding = reading
                .GetProperty("notes")
                .EnumerateArray()
                .Select(n => n.GetProperty("id").GetString())
                .ToHashSet();
            var drawn = reading.GetProperty("musicXml").GetString()!;
            Assert.All(printed, e => Assert.Contains($"id=\"{e}\"", drawn, StringComparison.Ordinal));
            Assert.All(
                reading.GetProperty("counts").EnumerateArray(),
                c => Assert.Contains(c.GetProperty("eventId").GetString(), printed)
            );
            Assert.All(
                reading.GetProperty("counts").EnumerateArray(),
                c => Assert.InRange(c.GetProperty("offset").GetDouble(), 0, 1)
            );
            Assert.All(
                reading.GetProperty("travels").EnumerateArray(),
                t => Assert.Contains(t.GetProperty("noteId").GetString(), sounding)
            );
            Assert.All(
                reading.GetProperty("travels").EnumerateArray(),
                t => Assert.InRange(t.GetProperty("to").GetDouble(), 0, 1)
            );
            Assert.All(
                reading.GetProperty("notes").EnumerateArray(),
                n => Assert.NotEqual("", n.GetProperty("why").GetProperty("finger").GetString())
            );

            var lines = reading
                .GetProperty("form")
                .GetProperty("lines")
                .EnumerateArray()
                .Select(l => l.GetProperty("firstBar").GetInt32())
                .ToArray();
            var before = (
                await server.Send(HttpMethod.Post, $"/api/tunes/{id}/before", new { instrument, starts = lines })
            ).Body;
            Assert.All(
                before
                    .EnumerateArray()
                    .SelectMany(l => l.EnumerateArray())
                    .SelectMany(r => r.GetProperty("noteIds").EnumerateArray()),
                n => Assert.Contains(n.GetString(), sounding.Concat(printed))
            );

            var bowing = await server.Get($"/api/tunes/{id}/bowing?instrument={instrument}");
            foreach (var proposal in bowing.GetProperty("proposals").EnumerateArray())
            {
                var changes = proposal
                    .GetProperty("changes")
                    .EnumerateArray()
                    .Select(c => (c.GetProperty("noteId").GetString()!, c.GetProperty("kind").GetString()!))
                    .ToArray();
                Assert.Equal(204, (await server.Bow(id, changes)).Status);
                Assert.Equal(204, (await server.Bow(id, changes, to: "open", was: "taken")).Status);
            }

            foreach (var format in (string[])["musicxml", "abc"])
            {
                using var export = await server.Client.GetAsync(
                    $"/api/tunes/{id}/export?format={format}&instrument={instrument}&rows=pair,name,bow,count"
                );
                Assert.Equal(HttpStatusCode.OK, export.StatusCode);
                Assert.Empty(TuneReader.Read(await export.Content.ReadAsStringAsync()).Errors);
            }
        }
    }
}
