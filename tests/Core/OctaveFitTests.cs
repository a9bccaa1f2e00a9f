namespace Coppia.Tests;

/// <summary>Tunes read on other instruments. Source: handbook 6, common practice.</summary>
public class OctaveFitTests
{
    [Theory]
    [InlineData("D", "D E F G A B c d", "viola", 0)] // every note lies in first position: it stays
    [InlineData("D", "D E F G A B c d", "cello", -1)]
    [InlineData("D", "D E F G A B c d", "bass", -1)]
    [InlineData("D clef=bass", "D, E, F, G,", "violin", 1)]
    [InlineData("G", "d e f g", "cello", -2)]
    public void A_tune_moves_by_whole_octaves_only_when_it_must(string key, string music, string instrument, int octaves) =>
        Assert.Equal(octaves, OctaveFit.OctavesFor(Lines.Score(key, music), Lines.Instrument(instrument)));

    [Fact]
    public void The_reader_gets_a_clef_of_its_own()
    {
        var reading = Reading.Of(Lines.Score("D", "D E F G"), Instruments.Violin, Instruments.Viola, HouseStyle.Default);
        Assert.Equal(Clef.Alto, reading.Score.Clef);
        Assert.True(reading.ClefChanged);
    }

    [Fact]
    public void A_note_beyond_the_tables_is_said_and_never_guessed()
    {
        var reading = Lines.Reading("violin", "C", "C c'' D");
        Assert.Equal("G3 - D0", string.Join(' ', reading.Notes.Select(n => n.Label)));
        Assert.Equal("Bar 1: no finger on the violin reaches C7.", Assert.Single(reading.Warnings()));
    }

    [Fact]
    public void A_note_beyond_the_class_is_solved_with_a_shift_and_marked()
    {
        var note = Lines.Reading("violin", "D", "a b d' b").Notes[2];
        Assert.Equal("III", Instruments.Violin.Frames[note.Placement!.Value.Frame].Position);
        Assert.True(note.Fingered.Beyond);
    }
}
