namespace Coppia.Tests;

/// <summary>Tunes read on other instruments. Source: craft 6, common practice.</summary>
public class OctaveFitTests
{
    [Theory]
    [InlineData("D", "D E F G A B c d", "viola", 0)] // every note lies in first position: it stays
    [InlineData("D", "D E F G A B c d", "cello", -1)]
    [InlineData("D", "D E F G A B c d", "bass", -1)]
    [InlineData("D clef=bass", "D, E, F, G,", "violin", 1)]
    [InlineData("G", "d e f g", "cello", -2)]
    [InlineData("F", "C F A c f e", "viola", 0)] // F at the top is an extended 4
    [InlineData("C", "B,, G G G", "cello", 0)] // three notes with a shift rather than one that no finger reaches
    [InlineData("C clef=bass", "C,, D,, E,,", "bass", 1)] // the fewest out of reach, then the smallest move
    public void A_tune_moves_by_whole_octaves_only_when_it_must(
        string key,
        string music,
        string instrument,
        int octaves
    ) =>
        Assert.Equal(
            octaves,
            OctaveFit.OctavesFor(SoundingNote.Of(Lines.Score(key, music)), new Player(Lines.Instrument(instrument)))
        );

    [Fact] // Craft 6: the teacher may choose another octave, also on the instrument that the tune is printed for.
    public void The_teacher_may_choose_another_octave()
    {
        var score = Lines.Score("D", "d e f g");
        Assert.Equal(
            "A3 E0 E1 E-L2",
            Labelled(PlayerReading.Of(score, StringSection.Violin, new Player(StringSection.Violin)))
        );
        Assert.Equal(
            "D0 D1 D2 D3",
            Labelled(PlayerReading.Of(score, StringSection.Violin, new Player(StringSection.Violin), chosenOctaves: -1))
        );
        Assert.Equal(
            "A4 A3 A1 A0",
            Labelled(
                PlayerReading.Of(
                    Lines.Score("D", "d c B A"),
                    StringSection.Violin,
                    new Player(StringSection.Cello),
                    chosenOctaves: -1
                )
            )
        );

        static string Labelled(PlayerReading reading) => string.Join(' ', reading.Labelled());
    }

    // The violin reaches B5 in first position: D5 to G5 fit as printed, an octave lower, and higher up in part beyond
    // the class.
    [Fact]
    public void The_octaves_to_choose_from_say_what_they_leave_out()
    {
        var choices = OctaveFit.Choices(SoundingNote.Of(Lines.Score("D", "d e f g")), new Player(StringSection.Violin));
        Assert.Contains(new OctaveChoice(0, 0, 0), choices);
        Assert.Contains(new OctaveChoice(-1, 0, 0), choices);
        Assert.DoesNotContain(choices, c => c.Octaves <= -2);
    }

    [Fact]
    public void The_reader_gets_a_clef_of_its_own()
    {
        var reading = PlayerReading.Of(
            Lines.Score("D", "D E F G"),
            StringSection.Violin,
            new Player(StringSection.Viola)
        );
        Assert.Equal(Clef.Alto, reading.Score.Clef);
        Assert.True(reading.ClefChanged);
    }

    [Fact]
    public void A_note_beyond_the_tables_is_said_and_never_guessed()
    {
        var reading = Lines.Reading("violin", "C", "C c'' D");
        Assert.Equal("G3 - D0", string.Join(' ', reading.Labelled()));
        Assert.Equal("Bar 1: no finger on the violin reaches C7.", Assert.Single(reading.Warned()));
    }

    [Fact]
    public void A_note_beyond_the_class_is_solved_with_a_shift_and_marked()
    {
        var note = Lines.Reading("violin", "D", "a b d' b").Notes[2];
        Assert.Equal("III", StringSection.Violin.Frames[note.Placement!.Value.Frame].Position);
        Assert.True(note.Fingered.Beyond);
    }
}
