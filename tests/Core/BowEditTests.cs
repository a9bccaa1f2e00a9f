namespace Coppia.Tests;

/// <summary>
/// What a taken change of the bowing writes. Source of the signs: common practice (a hook is dots under a slur, a lift
/// a comma).
/// </summary>
public class BowEditTests
{
    /// <summary>Slurs as brackets, dots before their note, a lift as a comma: "(D .E) F,".</summary>
    private static string Written(Score score) =>
        string.Join(
            ' ',
            score.Events.Select(e =>
                $"{new string('(', e.SlurStarts)}{(e.Has(Marks.Staccato) ? "." : "")}"
                + $"{e.Pitch?.Letter.ToString() ?? "z"}{new string(')', e.SlurStops)}"
                + $"{(e.Has(Marks.LiftAfter) ? "," : "")}"
            )
        );

    private static string Applied(string music, params (string Note, BowEditKind Kind)[] edits) =>
        Written(BowEdits.Apply(Lines.Score("C", music), [.. edits.Select(e => new BowEdit(e.Note, e.Kind))]));

    [Theory]
    [InlineData("C D E F", "b1n2", BowEditKind.Slur, "(C D) E F")]
    [InlineData("C D E F", "b1n4", BowEditKind.Slur, "C D (E F)")]
    [InlineData("C D E F", "b1n2", BowEditKind.Hook, "(.C .D) E F")]
    [InlineData("C D E F", "b1n2", BowEditKind.Lift, "C D, E F")]
    [InlineData("(C D) E F", "b1n3", BowEditKind.Slur, "(C D E) F")] // the slur before it grows
    [InlineData("C (D E) F", "b1n2", BowEditKind.Slur, "(C D E) F")] // so does the slur that it begins
    [InlineData("(C D) (E F)", "b1n3", BowEditKind.Slur, "(C D E F)")] // two slurs become one
    public void One_change(string music, string note, BowEditKind kind, string written) =>
        Assert.Equal(written, Applied(music, (note, kind)));

    [Fact]
    public void Several_changes_in_any_order()
    {
        Assert.Equal(
            "(C D E) F,",
            Applied("C D E F", ("b1n4", BowEditKind.Lift), ("b1n3", BowEditKind.Slur), ("b1n2", BowEditKind.Slur))
        );
        Assert.Equal("(C D) (.E .F)", Applied("C D E F", ("b1n4", BowEditKind.Hook), ("b1n2", BowEditKind.Slur)));
    }

    [Fact] // A lift after a tied note stands on its last part and is heard there.
    public void A_lift_after_a_tie()
    {
        var score = BowEdits.Apply(Lines.Score("C", "C4-|C2 D2", "4/4"), [new BowEdit("b2n1", BowEditKind.Lift)]);
        var bowing = Bows.Follow(SoundingNote.Of(score), score.Bars, PlayOrder.Of(score), AfterLongRest.RetakeDown);
        Assert.Equal([BowDirection.Down, BowDirection.Down], bowing.Directions);
    }

    [Fact] // The fingers follow: what is slurred is not crossed without need.
    public void A_taken_slur_changes_the_fingers_that_it_should()
    {
        var printed = Lines.Score("D", "G A B A");
        string Pairs(params BowEdit[] edits) =>
            string.Join(
                ' ',
                PlayerReading
                    .Of(printed, StringSection.Violin, new Player(StringSection.Violin), bows: edits)
                    .Labelled()
            );
        Assert.Equal("D3 A0 A1 A0", Pairs());
        Assert.Equal("D3 D4 A1 A0", Pairs(new BowEdit("b1n2", BowEditKind.Slur)));
    }

    [Theory]
    [InlineData("Bar 1: slur C to D", BowEditKind.Slur)]
    [InlineData("Bar 1: hook C and D, same direction, stopped between", BowEditKind.Hook)]
    [InlineData("Bar 1: lift after D, next stroke down", BowEditKind.Lift)]
    public void A_change_is_told_in_words(string words, BowEditKind kind) =>
        Assert.Equal(
            words,
            BowWords.Change(
                Assert.Single(BowChange.In(Lines.Score("C", "C D E F"), [new BowEdit("b1n2", kind)])),
                HouseStyle.Default
            )
        );

    [Theory] // Craft 8, sound checks: bar beginnings down, pick-ups up, crossings inside a slur, strokes in a bar.
    [InlineData("D E F G|A B c d", "Every bar begins down. 4 strokes to a bar.")]
    [InlineData("D E F2|G A B c", "Bar 2 begins up. 3 to 4 strokes to a bar.")]
    [InlineData("A|d e f g|a3", "Every bar begins down. The pick-up is up. 1 to 4 strokes to a bar.")]
    [InlineData("(D c) F2|G2 A2", "Every bar begins down. A slur crosses strings in bar 1. 2 strokes to a bar.")]
    public void A_bowing_is_checked_in_words(string music, string words)
    {
        var reading = PlayerReading.Of(
            Lines.Score("D", music, "4/4"),
            StringSection.Violin,
            new Player(StringSection.Violin)
        );
        Assert.Equal(words, string.Join(' ', BowWords.Check(reading.BowCheck)));
    }

    [Theory] // A slur sign on a rest: what is proposed can be taken, whatever is aimed at.
    [InlineData("E2 E F|G F E D|(E G) (zF A)|G4")]
    [InlineData("(z D E F)|G (A z) B|c d e f|g4")]
    [InlineData("D E (z2 F)|(G z A B)|(c z) (z d)|e4")]
    public void What_is_proposed_can_be_taken_where_slurs_stand_on_rests(string music)
    {
        var score = Lines.Score("Em", music, "2/4");
        foreach (var aim in Enum.GetValues<BowAim>())
        {
            var edits = BowProposal.Of(score, aim, HouseStyle.Default).Edits;
            Assert.Equal(score.Bars.Count, BowEdits.Apply(score, edits).Bars.Count);
        }
    }
}
