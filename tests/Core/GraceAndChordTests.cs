namespace Coppia.Tests;

/// <summary>Grace notes, double stops and notes out of reach are reported, never guessed.</summary>
public class GraceAndChordTests
{
    [Fact]
    public void A_grace_note_has_a_finger_and_shares_the_stroke_of_its_note()
    {
        var reading = Lines.Reading("violin", "D", "D {FG}A F E");
        Assert.Equal("D0 D2 D3 D4 D2 D1", string.Join(' ', reading.Labelled()));
        Assert.Equal("duuudu", string.Concat(reading.Notes.Select(n => n.Bow == BowDirection.Down ? 'd' : 'u')));
        Assert.Equal(["", ""], reading.Notes.Where(n => n.Note.IsGrace).Select(new ReadingWords(reading).Count));
    }

    [Fact]
    public void A_double_stop_is_said_and_its_first_note_is_fingered()
    {
        var reading = Lines.Reading("violin", "D", "[DA] E");
        Assert.Equal("D0 D1", string.Join(' ', reading.Labelled()));
        Assert.Equal(
            "Bar 1: double stop; only its first note is given a string and finger.",
            Assert.Single(reading.Warned())
        );
    }

    // The last note of each table, and the first beyond it (craft 6: upper strings fifth position, cello fourth, bass
    // IV).
    [Theory]
    [InlineData("violin", "C", "f'", "g'")]
    [InlineData("cello", "C clef=bass", "E", "c")]
    [InlineData("bass", "C clef=bass", "E", "F")]
    public void Beyond_the_tables_there_is_no_finger(string instrument, string key, string last, string beyond)
    {
        Assert.NotEqual("-", Lines.Pairs(instrument, key, last));
        Assert.Equal("-", Lines.Pairs(instrument, key, beyond));
    }

    [Theory] // Below the lowest string there is nothing.
    [InlineData("violin", "C", "F,", "F3")]
    [InlineData("cello", "C clef=bass", "B,,,", "B1")]
    [InlineData("bass", "C clef=bass", "D,,", "D2")]
    public void Below_the_lowest_string_there_is_no_finger(string instrument, string key, string music, string pitch) =>
        Assert.Equal(
            $"Bar 1: no finger on the {Lines.Instrument(instrument).Name.ToLowerInvariant()} reaches {pitch}.",
            Assert.Single(Lines.Reading(instrument, key, music).Warned())
        );

    [Fact] // Craft 3: in a forward stretch the cello plays 1–2–4.
    public void A_B_C_sharp_on_the_cellos_G_string() =>
        Assert.Equal("G1 G-x2 G-x4 D0", Lines.Pairs("cello", "A clef=bass", "A,, B,, C, D,"));
}
