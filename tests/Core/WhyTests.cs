namespace Coppia.Tests;

/// <summary>Reasons as a teacher says them; they name the note's own neighbours.</summary>
public class WhyTests
{
    private static Why At(string instrument, string key, string music, int index)
    {
        var reading = Lines.Reading(instrument, key, music);
        return Why.Of(reading.Fingering, index, reading.Notes[index].SignedEarlier, HouseStyle.Default);
    }

    [Fact]
    public void Open_A_because_the_next_note_is_on_the_A_string() =>
        Assert.Equal(
            "Open A: the next note, B, is on the A string anyway. 4 on D also works, but you would cross right after, for B.",
            At("violin", "D", "G A B c", 1).Choice);

    [Fact]
    public void Fourth_finger_because_the_bow_stays() =>
        Assert.StartsWith("4 on D: G before and G after are on the D string, so the bow stays.", At("violin", "D", "F G A G", 2).Choice, StringComparison.Ordinal);

    [Theory] // Handbook 1: line or space, letter, key signature, accidental earlier in the bar.
    [InlineData("D", "F", 0, "Space 1 is F; the key signature makes it F♯.")]
    [InlineData("D", "G", 0, "Line 2 is G.")]
    [InlineData("C", "^F F", 1, "Space 1 is F; the sign earlier in this bar still holds, so it is F♯.")]
    [InlineData("D", "=F", 0, "Space 1 is F; the natural sign takes away the key signature’s sharp.")]
    [InlineData("C", "C", 0, "The note on the first ledger line below is C.")]
    public void A_note_is_read_in_a_teachers_order(string key, string music, int index, string words) =>
        Assert.Equal(words, At("violin", key, music, index).Reading);

    [Fact]
    public void The_place_is_told_by_the_tapes() =>
        Assert.Equal("Low 2: between tape 1 and tape 2, touching tape 1.", At("violin", "C", "F", 0).Place);

    [Fact]
    public void A_cello_stretch_is_named() =>
        Assert.Equal("One half step above open D: first finger in first position, first finger reaching back.", At("cello", "Bb clef=bass", "D, E, F,", 1).Finger);
}
