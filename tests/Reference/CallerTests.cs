using System.Text.Json;
using Coppia.Core.Lesson;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;

namespace Coppia.Tests;

/// <summary>
/// The caller steps when the music does: its times against the engraver's time map, repeats and endings played out.
/// </summary>
public class CallerTests
{
    private static object Question(string tune)
    {
        var score = TuneReader
            .Read(File.ReadAllText(Path.Combine(Lines.Root(), "demo", "tunes", tune + ".abc")))
            .Score!;
        PlayerReading[] readings =
        [
            .. new[] { StringSection.Violin, StringSection.Cello }.Select(i =>
                PlayerReading.Of(score, PrintedFor.Of(score), new Player(i))
            ),
        ];
        var sheet = CallSheet.Of(readings);
        var lead = readings[0];
        return new
        {
            musicXml = MusicXmlWriter.Write(lead.Score with { TempoWords = null, Tempo = null }),
            together = new
            {
                lines = sheet.Lines.Select(l => new
                {
                    bars = l
                        .Moments.GroupBy(m => m.BarOrder)
                        .Select(b => new
                        {
                            order = b.Key,
                            name = $"{b.Key}",
                            moments = b.Select(m => new
                            {
                                at = 4 * (m.Onset - m.Bar.StartsAt).ToDouble(),
                                lasts = 4 * m.Lasts.ToDouble(),
                                isGrace = m.IsGrace,
                                isRest = m.IsRest,
                                sections = m.Sections.Select(s => new { noteId = s.Note?.Note.Id }),
                            }),
                        }),
                }),
            },
            reading = new
            {
                noteIds = lead.Notes.Select(n => n.Note.Id),
                bars = lead.Score.Bars.Select(b => new
                {
                    id = b.Id,
                    startsAt = 4 * b.StartsAt.ToDouble(),
                    fullLength = 4 * (b.Time?.BarLength ?? b.Length).ToDouble(),
                    countedBeat = 4 * Counts.BeatOf(b.Time, HouseStyle.Default).ToDouble(),
                }),
                events = lead.Score.Bars.SelectMany(b =>
                    b.Events.Select(e => new { barId = b.Id, length = 4 * e.Length.ToDouble() })
                ),
                order = lead.Tune.Order.Select(p => p.Bar),
            },
        };
    }

    [Fact]
    public void Every_step_comes_when_its_note_begins()
    {
        // A pick-up with first and second endings, repeats of eight bars, rests, six eighths, eighths and sixteenths.
        string[] tunes =
        [
            "harbour-lanterns",
            "three-grey-geese",
            "lamplighters-round",
            "the-tin-ferry",
            "clockmakers-daughter",
            "bramble-lane",
            "first-frost",
        ];
        var answers = Outside.Ask("caller.mjs", tunes.Select(Question).ToArray());
        foreach (var (i, tune) in tunes.Index())
        {
            var map = answers[i]
                .GetProperty("map")
                .EnumerateArray()
                .Select(p => $"{p[0].GetString()}@{p[1].GetDouble():0.###}")
                .ToArray();
            JsonElement[] caller = [.. answers[i].GetProperty("caller").EnumerateArray()];
            Assert.True(map.Length > 10, tune);
            Assert.Equal(map, caller.Select(p => $"{p[0].GetString()}@{p[1].GetDouble():0.###}"));
            // The metronome goes through the whole tune at the same times.
            Assert.All(caller, p => Assert.Equal(p[1].GetDouble(), p[2].GetDouble(), 6));
        }
    }
}
