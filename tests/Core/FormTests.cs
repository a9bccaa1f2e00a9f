namespace Coppia.Tests;

/// <summary>
/// How tunes are built, and where they are hard. Hand-marked; source: craft 10 and 11, common practice.
/// </summary>
public class FormTests
{
    private static TuneForm FormOf(string music, string key = "D", string meter = "4/4")
    {
        var score = Lines.Score(key, music, meter);
        return TuneForm.Of(score, SoundingNote.Of(score));
    }

    private static FormWords Said(string music, HouseStyle? style = null)
    {
        var score = Lines.Score("D", music, "4/4");
        var notes = SoundingNote.Of(score);
        return new FormWords(TuneForm.Of(score, notes), score, notes, style ?? HouseStyle.Default);
    }

    private const string A = "D E F G|A B c d|d c B A|G2 F2|";
    private const string B = "A A F F|G G E E|F F D D|E4|";

    [Theory]
    [InlineData(A + B, "A B", "Two lines, all of it new. 8 bars, all different.")]
    [InlineData(A + A + B + A, "A A B A", "Four lines, two to learn. 16 bars, 8 different.")]
    [InlineData(
        A + B + "D E F G|A B c d|d c B A|D4|",
        "A B A′",
        "Three lines, two to learn and one nearly the same. 12 bars, 9 different."
    )]
    [InlineData(
        A + "D E F G|A B c d|d c B A|D4|" + "D E F G|A B c d|d c B A|E4|" + "D E F G|A B c d|d c B A|D4|",
        "A A′ A″ A′",
        "Four lines, one to learn and two nearly the same. 16 bars, 6 different."
    )]
    [InlineData(
        A + B + "A A F F|G G E E|F F D D|D4|" + "D E F G|A B c d|d c B A|D4|" + "D E F G|A B c d|d c B A|A4|",
        "A B B′ A′ A″",
        "Five lines, two to learn and three nearly the same. 20 bars, 10 different."
    )]
    public void Lines_have_letters(string music, string letters, string summary)
    {
        var form = FormOf(music);
        Assert.Equal(letters, string.Join(' ', form.Lines.Select(FormWords.Letter)));
        Assert.Equal(summary, Said(music).Summary());
    }

    [Fact]
    public void Printed_lines_win_over_phrases_of_four_bars()
    {
        var score = Formats.Books.TuneReader.Read("X:1\nM:4/4\nL:1/4\nK:D\nD E F G|A4|\nG2 G2|F4|\nD4|D4|]\n").Score!;
        Assert.Equal(
            ["0–2", "2–4", "4–6"],
            TuneForm.Of(score, SoundingNote.Of(score)).Lines.Select(l => $"{l.FirstBar}–{l.EndBar}")
        );
    }

    [Fact]
    public void A_pick_up_belongs_to_the_first_line() =>
        Assert.Equal(["0–5", "5–9"], FormOf("A|" + A + B).Lines.Select(l => $"{l.FirstBar}–{l.EndBar}"));

    [Theory] // Near-equal places are traps: the bar and what differs.
    [InlineData(A + "D E F G|A B c d|d c B A|D4|", "Bars 5–7 are bars 1–3; bar 8 goes elsewhere.")]
    [InlineData(
        A + "D E F G|A B c d|d c B A|G2 D2|",
        "Line 2 is line 1, but the last note of bar 8 is D instead of F♯."
    )]
    [InlineData(
        A + "D E F G|A B c d|d c B F|G2 E2|",
        "Line 2 is nearly line 1: the last note of bar 7 is F♯ instead of A."
    )]
    [InlineData(
        A + "D E F G|A B c d|d c B F|G2 E2|",
        "Line 2 is nearly line 1: the last note of bar 8 is E instead of F♯."
    )]
    [InlineData(A + "D E F G|A B c d|d c A F|G2 F2|", "Line 2 is line 1, but bar 7 differs from bar 3 in two notes.")]
    [InlineData("D E F G|A4|D E F A|A4|", "Bar 3 is bar 1 but for its last note, A instead of G.")]
    [InlineData("D E F G|A4|F E F G|A4|", "Bar 3 is bar 1 but for its first note, F♯ instead of D.")]
    [InlineData("D E F G|A2 B2|d4|D E F G|A2 B2|F F G E|", "Bars 4–5 are bars 1–2; bar 6 goes elsewhere.")]
    [InlineData("D E F d|A4|D E F D|A4|", "Bar 3 is bar 1 but for its last note, low D instead of high D.")]
    public void Traps_name_the_bar_and_what_differs(string music, string text) =>
        Assert.Contains(text, FormOf(music).Traps.Select(Said(music).Trap));

    [Theory]
    [InlineData("d c B A|G F E D|", "Bars 1–2: down the D major scale from high D.")]
    [InlineData("D E F G|A4|", "Bars 1–2: five notes up the D major scale from D.")]
    [InlineData("D|E F G A|B4|", "Pick-up to bar 2: six notes up the D major scale from D.")]
    [InlineData("D|E F G A|F4|", "Pick-up and bar 1: five notes up the D major scale from D.")]
    [InlineData("D F A d|A4|", "Bar 1: up the D major chord from D.")]
    [InlineData("D F E G|F A G2|", "Bars 1–2: thirds, up two steps and back one, from D.")]
    [InlineData("D E F2|A4|D E F2|", "Bars 1 and 3 are the same.")]
    [InlineData("D E F2|A4|G4|D E F2|A4|", "Bars 4–5 are bars 1–2 again.")]
    [InlineData("D4|D4|D4|", "Bars 1, 2 and 3 are the same.")]
    public void Patterns_are_learned_as_one_thing(string music, string text) =>
        Assert.Contains(text, FormOf(music).Passages.Select(Said(music).Passage));

    [Theory] // Likeness has kinds, each said in its own words.
    [InlineData("D E F2|G B A2|A4|", "Bar 2: the rhythm of bar 1 (quarter quarter half).")]
    [InlineData("D E F2|A4|G B A2|D4|F F F2|", "Bars 3 and 5: the rhythm of bar 1 (quarter quarter half).")]
    [InlineData("D D/D/ E E|D2 E2|", "Bar 2 is bar 1 without its eighths.")]
    [InlineData("D2 E2|D D/D/ E E|", "Bar 2 is bar 1 with eighths.")]
    [InlineData("A A/A/ A A/A/|A2 A2|", "Bar 2 is bar 1 without its eighths.")]
    [InlineData("D E F2|d e f2|", "Bar 2: bar 1 again, an octave higher.")]
    [InlineData("D E F2|E F G2|", "Bar 2: bar 1 again, a step higher.")]
    [InlineData("D E F2|A4|F G A2|", "Bar 3: bar 1 again, two steps higher.")]
    [InlineData("D E F2|d c B2|", "Bar 2: bar 1 turned upside down, what went up goes down.")]
    [InlineData("D D E2|F2 G A|", "Bar 2: the rhythm of bar 1 turned round (half quarter quarter).")]
    [InlineData("D D E2|E E D2|", "Bar 2: bar 1 turned upside down, what went up goes down.")]
    [InlineData("D E F2|E F G2|F G A2|", "Bar 3: bar 2 again, a step higher.")] // the nearest of two that it resembles
    public void Bars_resemble_earlier_ones(string music, string text) =>
        Assert.Contains(text, FormOf(music).Likenesses.Select(Said(music).Likeness));

    [Theory] // What is the same, or palindromic, or of one pitch, is no likeness of another kind.
    [InlineData("D E F2|D E F2|")]
    [InlineData("D2 E2|F2 D2|")]
    [InlineData("D4|E4|F4|")]
    [InlineData("D4|z z2 z|z4|z2 z z|z z z2|")] // silence resembles nothing
    [InlineData("D3 E|D E3|")] // two notes are no melody in another rhythm
    [InlineData("D2 F2|F2 D2|")] // nor has one step an upside
    [InlineData("D D D2|E E E2|")] // nor one pitch
    [InlineData("D E2 G|A B2 A|")] // a rhythm that reads the same both ways
    [InlineData("D E F2|z2 G A|")] // turned round, the rest would stand last
    [InlineData("D E G2|A2-A F|")] // a tie makes another rhythm
    [InlineData("D E-E2|A2 G F|")]
    [InlineData("D E F2|A4|D/ E/ F|")] // a short bar is not the same notes in another rhythm
    [InlineData("D E F|A4|E F G|")] // nothing resembles a pick-up
    public void Plain_sameness_is_not_told_twice(string music) =>
        Assert.DoesNotContain(FormOf(music).Likenesses, l => l.Kind != LikenessKind.SameRhythm);

    [Theory] // What moves with its rhythm is not told for the rhythm as well; nor is a rhythm of one note.
    [InlineData("D E F2|d e f2|")]
    [InlineData("D E F2|E F G2|")]
    [InlineData("D E F2|d c B2|")]
    [InlineData("D4|E4|F2 G2|")]
    public void A_rhythm_is_told_where_it_is_news(string music) =>
        Assert.DoesNotContain(FormOf(music).Likenesses, l => l.Kind == LikenessKind.SameRhythm);

    // Which value the one bar has and the other has not; a triplet is none, and equal shortest values tell nothing.
    [Theory]
    [InlineData("D D/D/ E E|D2 E2|", "1/8", false)]
    [InlineData("D2 E2|D D/D/ E E|", "1/8", true)]
    [InlineData("D E F2|D2 E F|", null, false)]
    [InlineData("D E F2|(3DEF z2|", null, true)]
    [InlineData("(3DEF z2|D E F2|", null, false)]
    public void Another_rhythm_is_told_by_its_shorter_value(string music, string? shorter, bool isQuicker)
    {
        var likeness = Assert.Single(FormOf(music).Likenesses, l => l.Kind == LikenessKind.OtherRhythm);
        Assert.Equal((shorter, isQuicker), (likeness.Shorter?.Length.ToString(), likeness.IsQuicker));
    }

    [Fact]
    public void A_likeness_points_at_notes_not_rests() =>
        Assert.Equal(["b2n1", "b2n3"], Assert.Single(FormOf("D z E2|F z A2|").Likenesses).NoteIds);

    [Theory] // Farther back than sixteen different bars nobody hears it.
    [InlineData(15, true)]
    [InlineData(16, false)]
    public void A_likeness_is_heard_over_sixteen_bars(int between, bool heard)
    {
        string[] others = [.. from a in "DEFG" from b in "ABcd" select $"{a}2 {b}2"];
        var music = string.Join('|', others.Take(between).Prepend("D E F2").Append("E F G2"));
        Assert.Equal(heard, FormOf(music + "|").Likenesses.Any(l => l.Kind == LikenessKind.Sequence));
    }

    [Theory] // One rhythm, learned once by its words, carries most beginner tunes.
    [InlineData(
        "D E F2|z4|G B A2|A4|",
        "Two rhythms; that of bar 1 (quarter quarter half) fills two of its four bars."
    )]
    [InlineData("D E F2|z4|G B A2|", "One rhythm (quarter quarter half) in all its bars with notes.")]
    [InlineData("D E F2|z4|A4|", "Two rhythms, a new one in every bar with notes.")]
    [InlineData("D E F2|G B A2|A4|", "Two rhythms; that of bar 1 (quarter quarter half) fills two of its three bars.")]
    [InlineData("D2 E2|F2 G2|", "One rhythm (half half) in all its bars.")]
    [InlineData("D4|F2 G2|", "Two rhythms, a new one in every bar.")]
    public void Rhythms_are_counted(string music, string text) => Assert.Equal(text, Said(music).Rhythms());

    [Fact] // In British value names.
    public void Likenesses_speak_the_house_style()
    {
        const string music = "D D/D/ E E|D2 E2|";
        var said = Said(music, new HouseStyle { ValueNames = ValueNames.British });
        Assert.Contains("Bar 2 is bar 1 without its quavers.", FormOf(music).Likenesses.Select(said.Likeness));
    }

    [Fact] // A raised note is not the key's scale.
    public void A_run_with_an_accidental_is_no_scale() =>
        Assert.DoesNotContain(FormOf("D E F ^G|A4|").Passages, p => p.Kind == PassageKind.ScaleRun);

    [Theory]
    [InlineData("D4|E4|F4|G4|", "1–4")]
    [InlineData("|:D4|E4:|F4|", "1–2, 1–3")]
    [InlineData("|:D4|E4|1F4:|2G4|]", "1–3, 1–2, 4")]
    [InlineData("|:D4|1F4:|2G4:|3A4|B4|]", "1–2, 1, 3, 1, 4–5")]
    [InlineData("D4|:E4:|F4|:G4:|", "1–2, 2–4, 4")]
    [InlineData("D4|E4:|F4|", "1–2, 1–3")]
    public void Repeats_unfold(string music, string plays)
    {
        var score = Lines.Score("D", music, "4/4");
        Assert.Equal(plays, FormWords.Plays(score, PlayOrder.Of(score)));
    }

    private static IReadOnlyList<TroubleSpot> Trouble(string instrument, string key, string music) =>
        Lines.Reading(instrument, key, music).Trouble;

    private static string Text(string instrument, string key, string music, TroubleSpot spot) =>
        Lines.Reading(instrument, key, music).Text(spot);

    [Fact]
    public void A_shift_over_a_leap_is_a_trouble_spot_with_its_reasons()
    {
        var spot = Assert.Single(
            Trouble("bass", "D clef=bass", "D, E, F, A, B, D C B,"),
            s => s.Parts.Any(p => p.Part == TroublePart.Shift) && s.From == 4
        );
        Assert.Contains(
            "a shift to third position",
            Text("bass", "D clef=bass", "D, E, F, A, B, D C B,", spot),
            StringComparison.Ordinal
        );
        Assert.Equal(3, spot.Points); // craft 11: a shift is three, and nothing else is hard about B to D on one string
    }

    [Fact] // Craft 11: each part has its own name.
    public void The_parts_of_a_step_are_named()
    {
        var reading = Lines.Reading("violin", "C", "(D c)");
        Assert.Equal(
            [TroublePart.Crossing, TroublePart.SlurOverCrossing, TroublePart.FingersPut, TroublePart.Leap],
            Slips.At(reading.Fingering, 1).Parts.Select(p => p.Part)
        );
        var slide = Lines.Reading("violin", "C", "F/ ^F/ G");
        Assert.Contains(TroublePart.FingerMoves, Slips.At(slide.Fingering, 1).Parts.Select(p => p.Part));
        Assert.True(Slips.At(slide.Fingering, 1).IsQuick);
    }

    [Fact]
    public void An_easy_tune_has_no_hard_place_but_a_likeliest_slip()
    {
        var slip = Assert.Single(Trouble("violin", "D", "D E F G A B c d"));
        Assert.True(slip.IsSlip);
        Assert.Equal("G (D3) to A (A0): a string crossing.", Text("violin", "D", "D E F G A B c d", slip));
    }

    [Fact] // A crossing one point, a sixth down to the open string another (craft 11).
    public void The_slip_of_a_first_year_line_is_its_crossing_with_a_leap()
    {
        var slip = Assert.Single(Trouble("violin", "D", "D D E E|F F E2|D E F F|B D2 z|"), s => s.IsSlip);
        Assert.Equal(
            "B (A1) to D (D0): a string crossing and a leap.",
            Text("violin", "D", "D D E E|F F E2|D E F F|B D2 z|", slip)
        );
    }

    // Equal lines slip at the same place; it is named once. A line on one string with neighbouring fingers has none.
    [Fact]
    public void Each_different_line_has_its_own_slip()
    {
        Assert.Single(Trouble("violin", "D", "D E F2|G A2 z|D4|E4|D E F2|G A2 z|D4|E4|"));
        Assert.Empty(Trouble("violin", "D", "D E F E|D E F2|"));
    }
}
