namespace Coppia.Tests;

/// <summary>
/// A repeat in the middle of a bar: what comes after it is an upbeat, with no number of its own, counted as the end of
/// its bar (common practice; the numbering as in Gould, Behind Bars, from memory).
/// </summary>
public class UpbeatTests
{
    private const string Cut = "X:1\nM:2/4\nL:1/4\nK:D\nD | E F | G A | G :| F | G A | B A | G |]\n";

    private static Score Read(string text) => Formats.Books.TuneReader.Read(text).Score!;

    private static string Numbers(Score score) => string.Join(' ', score.Bars.Select(b => b.Number));

    [Theory]
    [InlineData(Cut, "0 1 2 3 3 4 5 6")]
    [InlineData("X:1\nM:3/4\nL:1/4\nK:D\nD E F|G2||A|B2 A|G3|]\n", "1 2 2 3 4")] // cut by a double bar
    [InlineData("X:1\nM:3/4\nL:1/4\nK:D\n|:D E F|1 G2 A:|2 G2||A|B3|]\n", "1 2 3 3 4")] // cut by the end of an ending
    [InlineData("X:1\nM:3/4\nL:1/4\nK:D\nD E F|G2|A|B2 A|]\n", "1 2 3 4")] // nothing cuts it: two short bars
    [InlineData("X:1\nM:3/4\nL:1/4\nK:D\nD E F|G3:|A|B2 A|]\n", "1 2 3 4")] // the bar before it is whole
    [InlineData("X:1\nM:3/4\nL:1/4\nK:D\nD|E F G|A2:|D|E F G|A2:|\n", "0 1 2 2 3 4")]
    public void The_rest_of_a_bar_that_was_cut_has_no_number(string tune, string numbers) =>
        Assert.Equal(numbers, Numbers(Read(tune)));

    [Fact] // one and: E 1, F 2, G 1, A 2, G 1, then the upbeat on 2
    public void It_is_counted_as_the_end_of_its_bar()
    {
        var counts = Counts.Of(Read(Cut), HouseStyle.Default);
        Assert.Equal(
            "2 1 2 1 2 1 2 1 2 1 2 1",
            string.Join(' ', counts.Select(c => CountWords.Syllable(c, HouseStyle.Default)))
        );
    }

    [Fact] // D up, then each bar down up; the upbeat up, so that the next bar begins down.
    public void It_is_no_bar_that_should_begin_down()
    {
        var reading = PlayerReading.Of(Read(Cut), StringSection.Violin, new Player(StringSection.Violin));
        Assert.Empty(reading.BowCheck.BeginUp);
        Assert.Equal((1, 2), (reading.BowCheck.FewestStrokes, reading.BowCheck.MostStrokes));
        Assert.Empty(reading.Tune.Advice().Proposals.Single(p => p.Aim == BowAim.DownbeatsDown).Edits);
    }

    [Fact]
    public void It_is_no_bar_of_the_form() =>
        Assert.Equal(6, TuneForm.Of(Read(Cut), SoundingNote.Of(Read(Cut))).New.Bars);

    [Fact] // It belongs to what follows, as a pick-up does.
    public void It_begins_a_phrase()
    {
        var score = Read("X:1\nM:2/4\nL:1/4\nK:D\nD|E F|G A|B A|G:|F|G A|B A|G F|E|]\n");
        Assert.Equal(
            ["0–5", "5–10"],
            TuneForm.Of(score, SoundingNote.Of(score)).Lines.Select(l => $"{l.FirstBar}–{l.EndBar}")
        );
    }

    [Fact] // A number that is printed stays, and so does the beat.
    public void A_printed_number_stays()
    {
        var written = Formats.MusicXml.MusicXmlWriter.Write(Read(Cut));
        Assert.Equal("0 1 2 3 3 4 5 6", Numbers(Read(written)));
        var numbered = Read(
            written
                .Replace("\"X3\"", "\"4\"", StringComparison.Ordinal)
                .Replace(" implicit=\"yes\"", "", StringComparison.Ordinal)
        );
        Assert.Equal("0 1 2 3 4 5 6 7", Numbers(numbered));
        Assert.Equal(new Fraction(1, 4), numbered.Bars[4].StartsAt);
    }
}
