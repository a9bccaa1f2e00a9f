using System.Text.Json;
using Coppia.Formats.MusicXml;

namespace Coppia.Tests;

/// <summary>What the stand plays: the front end's schedule, laid on the engraver's time map.</summary>
public class HearTests
{
    /// <summary>As much of a reading as the schedule needs, as the server sends it.</summary>
    private static object Question(string meter, string music, params double[] starts)
    {
        var score = Lines.Score("D", music, meter);
        var reading = PlayerReading.Of(score, StringSection.Violin, new Player(StringSection.Violin));
        return new
        {
            reading = new
            {
                musicXml = MusicXmlWriter.Write(reading.Score),
                notes = reading.Notes.Select(n => new
                {
                    id = n.Note.Id,
                    tiedIds = n.Note.TiedIds,
                    midi = n.Note.Pitch.Midi,
                    plucked = reading.Tune.Bowing.Plucked[n.Note.Index],
                }),
                bars = score.Bars.Select(b => new
                {
                    id = b.Id,
                    startsAt = 4 * b.StartsAt.ToDouble(),
                    fullLength = 4 * (b.Time?.BarLength ?? b.Length).ToDouble(),
                    countedBeat = 4 * Counts.BeatOf(b.Time, HouseStyle.Default).ToDouble(),
                }),
                order = reading.Tune.Order.Select(p => p.Bar),
            },
            starts,
        };
    }

    private static JsonElement Schedule(string meter, string music, params double[] starts) =>
        Outside.Ask("schedule.mjs", new[] { Question(meter, music, starts) })[0];

    private static string Notes(JsonElement schedule) =>
        string.Join(
            ' ',
            schedule
                .GetProperty("notes")
                .EnumerateArray()
                .Select(n =>
                    $"{n.GetProperty("midi").GetInt32()}@{n.GetProperty("at").GetDouble():0.##}"
                    + $"+{n.GetProperty("length").GetDouble():0.##}"
                )
        );

    [Fact] // MIDI 1.0 key numbers: D4 is 62.
    public void Notes_sound_at_their_times_for_their_lengths() =>
        Assert.Equal("62@0+1 64@1+0.5 66@1.5+0.5 67@2+2", Notes(Schedule("4/4", "D E/F/ G2|]")));

    [Fact]
    public void Tied_notes_sound_once_and_rests_are_silent() =>
        Assert.Equal("62@0+5 64@6+2", Notes(Schedule("4/4", "D4-|D z E2|]")));

    [Fact]
    public void Repeats_and_endings_are_played_out() =>
        Assert.Equal("62@0+4 64@4+4 62@8+4 66@12+4", Notes(Schedule("4/4", "|:D4|1E4:|2F4|]")));

    [Fact] // Da capo al fine, and a section three times: the order that the form says is the one that is heard.
    public void Waymarks_and_repeat_counts_are_played_out()
    {
        Assert.Equal("62@0+4 64@4+4 66@8+4 62@12+4", Notes(Schedule("4/4", "!fine!D4|E4|!D.C.!F4|]")));
        Assert.Equal("62@0+4 62@4+4 62@8+4 64@12+4", Notes(Schedule("4/4", "|::D4::|E4|]")));
        Assert.Equal(
            "62@0+4 64@4+4 66@8+4 62@12+4 67@16+4",
            Notes(Schedule("4/4", "!dacoda!D4|E4|!D.C.!F4|!coda!G4|]"))
        );
    }

    [Fact]
    public void Notes_marked_to_be_plucked_are_plucked()
    {
        var plucked = Schedule("4/4", "D \"^pizz.\"E F \"^arco\"G|]")
            .GetProperty("notes")
            .EnumerateArray()
            .Select(n => n.GetProperty("plucked").GetBoolean());
        Assert.Equal([false, true, true, false], plucked);
    }

    [Theory] // Common practice: the click follows the meter, where it changes too; 6/8 is counted in eighths.
    [InlineData("3/4", "A|d3|d3|]", "0 1! 2 3 4! 5 6")]
    [InlineData("2/4", "D E|[M:3/4]F E D|[M:6/8]D3/2E3/2|]", "0! 1 2! 3 4 5! 5.5 6 6.5 7 7.5")]
    public void The_clicks_fall_on_the_beats_and_the_first_of_each_bar_is_strong(
        string meter,
        string music,
        string clicks
    )
    {
        var beats = Schedule(meter, music)
            .GetProperty("beats")
            .EnumerateArray()
            .Select(b => $"{b.GetProperty("at").GetDouble():0.##}{(b.GetProperty("strong").GetBoolean() ? "!" : "")}");
        Assert.Equal(clicks, string.Join(' ', beats));
    }

    [Theory] // A whole bar is counted, then the beats of the first bar that go before the start.
    [InlineData("4/4", "D E F G|A4|]", 0, "!...")]
    [InlineData("4/4", "D E F G|A4|]", 2, "!...!.")]
    [InlineData("3/4", "A|d3|d3|]", 0, "!..!.")] // the pick-up is beat 3
    [InlineData("3/4", "A|d3|d3|]", 1, "!..")]
    [InlineData("2/4", "D E|F2|]", 2, "!.")]
    [InlineData("2/4", "D E|[M:3/4]F E D|]", 4, "!..!.")] // the bar that one starts in is counted in its own meter
    [InlineData("3/4", "|:A|d3|d2:|]", 9, "!..!.")] // the third beat of the last bar but one, the second time through
    public void The_count_in_leads_into_the_start(string meter, string music, double start, string clicks) =>
        Assert.Equal(clicks, Schedule(meter, music, start).GetProperty("clicks")[0].GetString());
}
