using CsCheck;

namespace Coppia.Tests;

public class NotationTests
{
    [Theory] // Common practice: bass clef lines G B D F A, spaces A C E G.
    [InlineData("bass", "G2", "line 1")]
    [InlineData("bass", "B2", "line 2")]
    [InlineData("bass", "D3", "line 3")]
    [InlineData("bass", "F3", "line 4")]
    [InlineData("bass", "A3", "line 5")]
    [InlineData("bass", "A2", "space 1")]
    [InlineData("bass", "C3", "space 2")]
    [InlineData("bass", "E3", "space 3")]
    [InlineData("bass", "G3", "space 4")]
    // Craft 19, common practice: cello D major on the staff.
    [InlineData("bass", "F#3", "line 4")]
    [InlineData("bass", "B3", "just above the staff")]
    [InlineData("bass", "C#4", "on the first ledger line above")]
    [InlineData("bass", "D4", "above the first ledger line above")]
    // Craft 19, common practice: violin G string, naturals.
    [InlineData("treble", "G3", "under the second ledger line below")]
    [InlineData("treble", "A3", "on the second ledger line below")]
    [InlineData("treble", "B3", "under the first ledger line below")]
    [InlineData("treble", "C4", "on the first ledger line below")]
    // Craft 1, common practice: where each clef has its sign.
    [InlineData("treble", "G4", "line 2")]
    [InlineData("alto", "C4", "line 3")]
    [InlineData("tenor", "C4", "line 4")]
    public void A_pitch_lies_where_readers_look_for_it(string clef, string pitch, string words) =>
        Assert.Equal(words, StaffPlace.Of(Pitch.Parse(pitch), Clef.Named(clef)!).Words());

    [Fact] // Craft 1, common practice.
    public void Sharps_come_in_their_order_and_flats_in_reverse()
    {
        Assert.Equal("F C G D A E B", string.Join(' ', new KeySignature(7).ChangedLetters));
        Assert.Equal("B E A D G C F", string.Join(' ', new KeySignature(-7).ChangedLetters));
        Assert.Equal("3 flats: B, E and A", Labels.Signature(new KeySignature(-3), HouseStyle.Default));
    }

    [Theory] // MIDI 1.0 specification: key 60 is middle C, 69 is A above it.
    [InlineData("C4", 60)]
    [InlineData("A4", 69)]
    [InlineData("B#3", 60)]
    [InlineData("Cb4", 59)]
    public void Midi_numbers(string pitch, int midi) => Assert.Equal(midi, Pitch.Parse(pitch).Midi);

    [Theory]
    [InlineData("")]
    [InlineData("H4")]
    [InlineData("F")]
    [InlineData("F#b4")]
    [InlineData("4")]
    public void What_is_no_pitch_is_refused(string text) => Assert.Throws<FormatException>(() => Pitch.Parse(text));

    // Craft 1, common practice: a sign holds for its line or space, in that octave, to the end of the bar; a tie
    // carries it over.
    [Fact]
    public void An_accidental_holds_through_the_bar_in_its_octave()
    {
        var pitches = Lines.Score("C", "^F F f ^G-|G G|F").Events.Select(e => e.Pitch.ToString());
        Assert.Equal("F#4 F#4 F5 G#4 G#4 G4 F4", string.Join(' ', pitches));
    }

    [Fact]
    public void A_pick_up_is_bar_0_and_counts_late()
    {
        var score = Lines.Score("D", "A|d d d d|d3", "4/4");
        Assert.Equal([0, 1, 2], score.Bars.Select(b => b.Number));
        Assert.Equal(4, SoundingNote.Of(score)[0].Beat.ToDouble());
        Assert.Equal("4", CountWords.Syllable(Counts.Of(score, HouseStyle.Default)[0], HouseStyle.Default));
    }

    [Fact] // Craft 9: four values, the last of which the tie goes on through.
    public void Tied_notes_sound_as_one()
    {
        var notes = SoundingNote.Of(Lines.Score("D", "A4-|A B3", "4/4"));
        Assert.Equal(2, notes.Count);
        Assert.Equal(new Fraction(5, 4), notes[0].Length); // a whole note tied on to a beat lasts five
        Assert.Equal(["b2n1"], notes[0].TiedIds);
    }

    [Fact]
    public void Fractions_obey_arithmetic() =>
        (
            from a in Gen.Int[-500, 500]
            from b in Gen.Int[1, 60]
            from c in Gen.Int[1, 500]
            from d in Gen.Int[1, 60]
            select (new Fraction(a, b), new Fraction(c, d))
        ).Sample(x =>
        {
            Assert.Equal(x.Item1, x.Item1 + x.Item2 - x.Item2);
            Assert.Equal(x.Item1, x.Item1 * x.Item2 / x.Item2);
            Assert.Equal(x.Item1 < x.Item2, x.Item1.ToDouble() < x.Item2.ToDouble());
        });

    [Fact]
    public void A_length_splits_into_values_that_add_up_to_it() =>
        Gen.Int[1, 400]
            .Sample(n =>
            {
                var length = new Fraction(n, 128);
                var parts = NoteValue.Split(length);
                Assert.NotNull(parts);
                Assert.Equal(length, parts.Aggregate(Fraction.Zero, (sum, v) => sum + v.Length));
            });

    [Theory] // Common practice: a beam holds a tuplet whole or lies within it.
    [InlineData("(3:2:3A2 A/ B/ c/ z/", "- - - - -")]
    [InlineData("A/ (3A/4B/4c/4 B/ z3/2", "b c c c e -")]
    public void A_beam_never_leaves_a_tuplet_in_the_middle(string music, string beams) =>
        Assert.Equal(
            beams,
            string.Join(
                ' ',
                Beams
                    .Of(Lines.Score("C", music, "6/8").Bars[0])
                    .Select(b => b.Count == 0 ? "-" : b[0].ToString()[..1].ToLowerInvariant())
            )
        );
}
