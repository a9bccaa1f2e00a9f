namespace Coppia.Tests;

/// <summary>What a teacher says before a line. Source: craft 7, common practice.</summary>
public class BeforeLineTests
{
    private static IReadOnlyList<Remark> Before(string instrument, string key, string music) =>
        BeforeLine.Of(Lines.Reading(instrument, key, music), 0, int.MaxValue);

    [Theory]
    [InlineData("violin", "D", "D E F G A B c d", RemarkKind.Strings, "Strings D and A.")]
    [InlineData("violin", "D", "D E F G", RemarkKind.Strings, "Only the D string.")]
    [InlineData(
        "cello",
        "D clef=bass",
        "D, E, F, G, A, B, C D",
        RemarkKind.Shape,
        "Hand shape 1–3–4 on D and 1–3–4 on A."
    )]
    [InlineData("bass", "D clef=bass", "D, E, F, G, A, B,", RemarkKind.Shape, "Hand shape 1–4 on D and 1–4 on G.")]
    [InlineData(
        "violin",
        "Eb",
        "E F G A B c",
        RemarkKind.LowHigh,
        "L1, between the nut and tape 1, against the nut: E♭ on D and B♭ on A."
    )]
    [InlineData(
        "cello",
        "Bb clef=bass",
        "D, E, F, G, A, B,",
        RemarkKind.LowHigh,
        "x1, between the nut and tape 1, against the nut: E♭ on D and B♭ on A."
    )]
    [InlineData(
        "violin",
        "C",
        "F G ^F G",
        RemarkKind.TwoPlaces,
        "2 on D in two places, low for F and regular for F♯: slide it."
    )]
    [InlineData("viola", "F clef=alto", "E, G, B, A,", RemarkKind.Strings, "Strings C and G.")]
    [InlineData(
        "viola",
        "F clef=alto",
        "E, B, A, G,",
        RemarkKind.TwoHeights,
        "2 at two heights, regular on C and low on G."
    )]
    [InlineData("violin", "D", "D F G B c d", RemarkKind.Touching, "2 and 3 touch on D and A.")]
    [InlineData(
        "violin",
        "D",
        "G B A G",
        RemarkKind.KeepDown,
        "Keep 3 down on D while the A string sounds; G comes back."
    )]
    [InlineData("cello", "D clef=bass", "A, F, E, D,", RemarkKind.Prepare, "During open A, put 3 on D for F♯.")]
    [InlineData("violin", "D", "D G D E", RemarkKind.SetHand, "From open D to 3: put 1, 2 and 3 down together.")]
    [InlineData("violin", "D", "E A3/2 D/ E", RemarkKind.Strings, "Strings D and A.")]
    // 4 once, though it can reach too
    [InlineData("violin", "D", "E (A3/2 G/) F", RemarkKind.SetHand, "From 1 on D to 4: put 2, 3 and 4 down together.")]
    [InlineData(
        "cello",
        "D clef=bass",
        "E, G, E, D,",
        RemarkKind.SetHand,
        "From 1 on D to 4: put 2, 3 and 4 down together."
    )]
    [InlineData("bass", "D clef=bass", "A, B, C D", RemarkKind.Shift, "Bar 1: to third position, 2 on G for C♯.")]
    [InlineData(
        "violin",
        "D",
        "D !p!E (F G) !fermata!A z",
        RemarkKind.Signs,
        "Look for: p (1), slur (1), fermata (1), rest (1)."
    )]
    public void A_line_is_prepared_with_short_sentences(
        string instrument,
        string key,
        string music,
        RemarkKind kind,
        string text
    ) =>
        Assert.Contains(
            text,
            Before(instrument, key, music).Where(r => r.Kind == kind).Select(Lines.Reading(instrument, key, music).Text)
        );

    [Theory]
    [InlineData("bass", "D clef=bass", "F, A, G, F,", RemarkKind.KeepDown)] // fingers are not kept down on the bass
    // a stretched finger is let go: it would tire the hand
    [InlineData("cello", "A clef=bass", "^G, B, A, ^G,", RemarkKind.KeepDown)]
    [InlineData("violin", "D", "D E F G", RemarkKind.LowHigh)]
    [InlineData("violin", "D", "D E F G", RemarkKind.SetHand)]
    [InlineData("violin", "D", "D E F G", RemarkKind.Signs)]
    public void What_does_not_matter_is_not_said(string instrument, string key, string music, RemarkKind kind) =>
        Assert.DoesNotContain(kind, Before(instrument, key, music).Select(r => r.Kind));

    [Fact] // The octave of the next lower open string is the usual check of the first finger in third position.
    public void A_shift_names_the_open_string_to_check_against()
    {
        var shift = Assert.Single(Before("violin", "D", "b d' b a").Where(r => r.Kind == RemarkKind.Shift).Take(1));
        var text = Lines.Reading("violin", "D", "b d' b a").Text(shift);
        Assert.Contains("third position", text, StringComparison.Ordinal);
        Assert.Contains("Check the hand with 1 against open A (an octave).", text, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_remark_but_the_strings_points_at_its_notes()
    {
        var reading = Lines.Reading("violin", "Eb", "E F G A B c d e !f!d (c B) A");
        var ids = reading.Notes.Select(n => n.Note.Id).ToHashSet();
        Assert.All(
            BeforeLine.Of(reading, 0, 99).Where(r => r.Kind != RemarkKind.Strings),
            r =>
            {
                Assert.NotEmpty(r.NoteIds);
                Assert.Subset(ids, r.NoteIds.ToHashSet());
            }
        );
    }

    [Fact]
    public void A_line_is_told_about_its_own_bars_only()
    {
        var reading = Lines.Reading("violin", "D", "D E F G|A B c d");
        Assert.Equal("Only the D string.", reading.Text(BeforeLine.Of(reading, 0, 1)[0]));
        Assert.Equal("Only the A string.", reading.Text(BeforeLine.Of(reading, 1, 2)[0]));
    }
}
