using Coppia.Formats.Books;

namespace Coppia.Tests;

/// <summary>
/// The demo tunes as a teacher marks them by hand: lines, play order, and the bow. Source: common practice.
/// </summary>
public class DemoMarkedTests
{
    private static PlayerReading Read(string tune)
    {
        var score = TuneReader
            .Read(File.ReadAllText(Path.Combine(Lines.Root(), "demo", "tunes", tune + ".abc")))
            .Score!;
        var player = PrintedFor.Of(score);
        return PlayerReading.Of(score, player, new Player(player));
    }

    [Theory]
    [InlineData("bramble-lane", "A B", "1–8, 1–8")]
    [InlineData("cellar-stairs", "A B", "1–8")]
    [InlineData("chromatic-caterpillar", "A B C", "1–12")]
    [InlineData("clockmakers-daughter", "A B", "1–9, 1–9")]
    [InlineData("harbour-lanterns", "A B", "1–8, 1–7, 9")]
    [InlineData("moth-and-candle", "A B C", "1–12")]
    [InlineData("night-train-cello", "A B", "1–8")]
    [InlineData("old-mill-reel", "A B", "1–4, 1–8, 5–8")]
    [InlineData("snow-on-the-sill", "A B", "1–8")]
    [InlineData("the-ash-grove", "A B C D A B′", "1–8, 1–7, 9–25, 10–24, 26")]
    [InlineData("the-tin-ferry", "A A′", "1–8")]
    [InlineData("three-grey-geese", "A B C B", "1–8, 1–16")]
    [InlineData("walking-to-weir", "A B C", "1–12")]
    public void Lines_and_play_order(string tune, string letters, string plays)
    {
        var music = Read(tune).Tune;
        Assert.Equal(letters, string.Join(' ', music.Form.Lines.Select(FormWords.Letter)));
        Assert.Equal(plays, FormWords.Plays(music.Score, music.Order));
    }

    [Theory] // d and u begin a stroke, a dash goes on in it, a dot is plucked.
    [InlineData("bramble-lane", "u | dududu | dududu | dudu | dud | ududud | ududu | d-u-du | d")]
    [InlineData("cellar-stairs", "dudu | dudu | dudu | du | dudu | dudu | dudu | d")]
    [InlineData(
        "chromatic-caterpillar",
        "dudu | dudu | dudu | dud | u-d- | u-du | dudu | dud | udud | udud | udud | u"
    )]
    [InlineData("clockmakers-daughter", "u | dud | u-du | d-ud | ud | udu | d-ud | ududu | dud | u")]
    [InlineData("harbour-lanterns", "u | dudu | dud | udud | ud | udud | udu | d-ud | ud | d")]
    [InlineData("moth-and-candle", "u | dud | ud | ud-u | du | dud | ud-u | dud | ud | udu | dud | u-d-u | d")]
    [InlineData("night-train-cello", "dudud | udud | ududud | udu | dud-u- | dud | ..du | d")]
    [InlineData("old-mill-reel", "dududud | udududud | udududud | ududud | dududud | udududu | dudududu | dudu")]
    [InlineData("snow-on-the-sill", "dudu | du | dudu | d | udud | udu | d-u- | d")]
    [InlineData(
        "the-ash-grove",
        "u | dud | udu | dudud | udu | dudu | dud | udu | du | du | dud | ududu | dud | ududu | dud | udu | dud | ud | "
            + "udu | dud | ududu | dud | udud | udu | dud | ud | d"
    )]
    [InlineData("the-tin-ferry", "u | dudu | dudu | dudu | dud | udud | udud | ududud | u")]
    [InlineData(
        "three-grey-geese",
        "dud | ud | udud | ud | udu | dudu | d-u- | d | dud | ud | u-d- | ud | udu | dudu | d-u- | d"
    )]
    [InlineData("walking-to-weir", "dudu | dudu | d-u- | du | dudu | dud | u-du | d | udu | dud | u-du | d")]
    public void Bows_the_first_time(string tune, string bows)
    {
        var reading = Read(tune);
        var bars = reading
            .Notes.GroupBy(n => n.Note.Bar.Id)
            .Select(bar =>
                string.Concat(
                    bar.Select(n =>
                        n.Note.Slurred ? '-'
                        : reading.Tune.Bowing.Plucked[n.Note.Index] ? '.'
                        : n.Bow == BowDirection.Down ? 'd'
                        : 'u'
                    )
                )
            );
        Assert.Equal(bows, string.Join(" | ", bars));
    }

    [Fact] // A stroke begins where the last one ended, unless the bow was lifted.
    public void The_bow_never_jumps()
    {
        foreach (var file in Lines.DemoFiles())
        {
            var travels = Read(Path.GetFileNameWithoutExtension(file)).Tune.Travels;
            Assert.All(travels, t => Assert.InRange(t.From, 0, 1));
            Assert.All(
                travels.Zip(travels.Skip(1)).Where(p => !p.Second.Stroke.Lifted),
                p => Assert.Equal(p.First.To, p.Second.From, 6)
            );
            Assert.All(
                travels,
                t => Assert.True(t.Stroke.Direction == BowDirection.Down ? t.To >= t.From : t.To <= t.From)
            );
        }
    }

    [Fact]
    public void Every_line_is_one_run_of_bars_and_together_they_are_the_tune()
    {
        foreach (var file in Lines.DemoFiles())
        {
            var reading = Read(Path.GetFileNameWithoutExtension(file));
            Assert.Equal(0, reading.Tune.Form.Lines[0].FirstBar);
            Assert.Equal(reading.Score.Bars.Count, reading.Tune.Form.Lines[^1].EndBar);
            Assert.All(
                reading.Tune.Form.Lines.Zip(reading.Tune.Form.Lines.Skip(1)),
                p => Assert.Equal(p.First.EndBar, p.Second.FirstBar)
            );
        }
    }

    [Fact] // Craft 11: only the worst few are marked; a pencil marks a bar in two at most, and no hard step twice.
    public void Trouble_spots_are_few()
    {
        foreach (var file in Lines.DemoFiles())
        {
            var reading = Read(Path.GetFileNameWithoutExtension(file));
            Assert.InRange(reading.Trouble.Count, 1, reading.Score.Bars.Count / 2);
            var pairs = reading.Labelled().ToArray();
            var steps = reading.Trouble.Where(t => !t.IsSlip).Select(t => (pairs[t.From], pairs[t.To])).ToArray();
            Assert.Equal(steps.Distinct(), steps);
        }
    }
}
