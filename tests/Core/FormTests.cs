namespace Coppia.Tests;

/// <summary>How tunes are built, and where they are hard. Hand-marked; source: handbook 10 and 11, common practice.</summary>
public class FormTests
{
    private static Form FormOf(string music, string key = "D", string meter = "4/4")
    {
        var score = Lines.Score(key, music, meter);
        return Form.Of(score, SoundingNote.Of(score), PlayOrder.Of(score), HouseStyle.Default);
    }

    private const string A = "D E F G|A B c d|d c B A|G2 F2|";
    private const string B = "A A F F|G G E E|F F D D|E4|";

    [Theory]
    [InlineData(A + B, "A B", "Two lines, all of it new.")]
    [InlineData(A + A + B + A, "A A B A", "Four lines, two to learn.")]
    [InlineData(A + B + "D E F G|A B c d|d c B A|D4|", "A B A′", "Three lines, two to learn and one nearly the same.")]
    public void Lines_have_letters(string music, string letters, string summary)
    {
        var form = FormOf(music);
        Assert.Equal(letters, string.Join(' ', form.Lines.Select(l => l.Letter)));
        Assert.Equal(summary, form.Summary);
    }

    [Fact]
    public void Printed_lines_win_over_phrases_of_four_bars()
    {
        var score = Formats.TuneReader.Read("X:1\nM:4/4\nL:1/4\nK:D\nD E F G|A4|\nG2 G2|F4|\nD4|D4|]\n").Score!;
        Assert.Equal(["0–2", "2–4", "4–6"], Form.Of(score, SoundingNote.Of(score), PlayOrder.Of(score), HouseStyle.Default).Lines.Select(l => $"{l.FirstBar}–{l.EndBar}"));
    }

    [Fact]
    public void A_pick_up_belongs_to_the_first_line() =>
        Assert.Equal(["0–5", "5–9"], FormOf("A|" + A + B).Lines.Select(l => $"{l.FirstBar}–{l.EndBar}"));

    [Theory] // Near-equal places are traps: the bar and what differs.
    [InlineData(A + "D E F G|A B c d|d c B A|D4|", "Line 2 is line 1, but bar 8 differs from bar 4.")]
    [InlineData(A + "D E F G|A B c d|d c B A|G2 D2|", "Line 2 is line 1, but bar 8 is bar 4 but for its last note, D instead of F♯.")]
    [InlineData("D E F G|A4|D E F A|A4|", "Bar 3 is bar 1 but for its last note, A instead of G.")]
    [InlineData("D E F G|A4|F E F G|A4|", "Bar 3 is bar 1 but for its first note, F♯ instead of D.")]
    [InlineData("D E F d|A4|D E F D|A4|", "Bar 3 is bar 1 but for its last note, low D instead of high D.")]
    public void Traps_name_the_bar_and_what_differs(string music, string text) => Assert.Contains(text, FormOf(music).Traps.Select(t => t.Text));

    [Theory]
    [InlineData("d c B A|G F E D|", "Bar 1: down the D major scale from high D.")]
    [InlineData("D E F G|A4|", "Bar 1: five notes up the D major scale from D.")]
    [InlineData("D F A d|A4|", "Bar 1: up the D major chord from D.")]
    [InlineData("D F E G|F A G2|", "Bar 1: thirds, up two steps and back one, from D.")]
    [InlineData("D E F2|E F G2|", "Bar 2: bar 1 again, a step higher.")]
    [InlineData("D E F2|A4|D E F2|", "Bars 1 and 3 are the same.")]
    [InlineData("D E F2|A4|G4|D E F2|A4|", "Bars 1–2 and 4–5 are the same.")]
    [InlineData("D4|D4|D4|", "Bars 1, 2 and 3 are the same.")]
    public void Patterns_are_learned_as_one_thing(string music, string text) => Assert.Contains(text, FormOf(music).Passages.Select(p => p.Text));

    [Fact] // A raised note is not the key's scale.
    public void A_run_with_an_accidental_is_no_scale() => Assert.DoesNotContain(FormOf("D E F ^G|A4|").Passages, p => p.Kind == PassageKind.ScaleRun);

    [Theory]
    [InlineData("D4|E4|F4|G4|", "1–4")]
    [InlineData("|:D4|E4:|F4|", "1–2, 1–3")]
    [InlineData("|:D4|E4|1F4:|2G4|]", "1–3, 1–2, 4")]
    [InlineData("|:D4|1F4:|2G4:|3A4|B4|]", "1–2, 1, 3, 1, 4–5")]
    [InlineData("D4|:E4:|F4|:G4:|", "1–2, 2–4, 4")]
    [InlineData("D4|E4:|F4|", "1–2, 1–3")]
    public void Repeats_unfold(string music, string plays) => Assert.Equal(plays, FormOf(music).Plays);

    private static IReadOnlyList<TroubleSpot> Trouble(string instrument, string key, string music) => Lines.Reading(instrument, key, music).Trouble;

    [Fact]
    public void A_shift_over_a_leap_is_a_trouble_spot_with_its_reasons()
    {
        var spot = Assert.Single(Trouble("bass", "D clef=bass", "D, E, F, A, B, D C B,"), s => s.Text.Contains("shift", StringComparison.Ordinal) && s.From == 4);
        Assert.Contains("a shift to third position", spot.Text, StringComparison.Ordinal);
        Assert.Equal(spot.Score, spot.Parts.Sum(p => p.Points));
    }

    [Fact] // Handbook 11: each part has its own name.
    public void The_parts_of_a_step_are_named()
    {
        var reading = Lines.Reading("violin", "C", "(D c)");
        Assert.Equal([TroublePart.Crossing, TroublePart.SlurOverCrossing, TroublePart.Leap], TroubleSpot.PartsOf(reading.Fingering, 1).Select(p => p.Part));
        var slide = Lines.Reading("violin", "C", "F/ ^F/ G");
        Assert.Contains(TroublePart.FingerMoves, TroubleSpot.PartsOf(slide.Fingering, 1).Select(p => p.Part));
        Assert.Contains(TroublePart.QuickNote, TroubleSpot.PartsOf(slide.Fingering, 1).Select(p => p.Part));
    }

    [Fact]
    public void An_easy_tune_has_no_trouble() => Assert.Empty(Trouble("violin", "D", "D E F G A B c d"));
}
