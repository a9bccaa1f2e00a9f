using Coppia.Formats.Abc;

namespace Coppia.Tests;

/// <summary>The staff and the key signatures, written out. Source: craft 1, common practice.</summary>
public class StaffAndKeyTests
{
    [Theory] // Lines and spaces from the bottom: bass G B D F A and A C E G; treble E G B D F and F A C E.
    [InlineData("treble", "B3", "under the first ledger line below")]
    [InlineData("treble", "C4", "on the first ledger line below")]
    [InlineData("treble", "D4", "just below the staff")]
    [InlineData("treble", "E4", "line 1")]
    [InlineData("treble", "F4", "space 1")]
    [InlineData("treble", "G4", "line 2")]
    [InlineData("treble", "A4", "space 2")]
    [InlineData("treble", "B4", "line 3")]
    [InlineData("treble", "C5", "space 3")]
    [InlineData("treble", "D5", "line 4")]
    [InlineData("treble", "E5", "space 4")]
    [InlineData("treble", "F5", "line 5")]
    [InlineData("treble", "G5", "just above the staff")]
    [InlineData("treble", "A5", "on the first ledger line above")]
    [InlineData("treble", "B5", "above the first ledger line above")]
    [InlineData("alto", "C3", "under the first ledger line below")]
    [InlineData("alto", "D3", "on the first ledger line below")]
    [InlineData("alto", "E3", "just below the staff")]
    [InlineData("alto", "F3", "line 1")]
    [InlineData("alto", "G3", "space 1")]
    [InlineData("alto", "A3", "line 2")]
    [InlineData("alto", "B3", "space 2")]
    [InlineData("alto", "C4", "line 3")]
    [InlineData("alto", "D4", "space 3")]
    [InlineData("alto", "E4", "line 4")]
    [InlineData("alto", "F4", "space 4")]
    [InlineData("alto", "G4", "line 5")]
    [InlineData("alto", "A4", "just above the staff")]
    [InlineData("alto", "B4", "on the first ledger line above")]
    [InlineData("alto", "C5", "above the first ledger line above")]
    [InlineData("tenor", "A2", "under the first ledger line below")]
    [InlineData("tenor", "B2", "on the first ledger line below")]
    [InlineData("tenor", "C3", "just below the staff")]
    [InlineData("tenor", "D3", "line 1")]
    [InlineData("tenor", "E3", "space 1")]
    [InlineData("tenor", "F3", "line 2")]
    [InlineData("tenor", "G3", "space 2")]
    [InlineData("tenor", "A3", "line 3")]
    [InlineData("tenor", "B3", "space 3")]
    [InlineData("tenor", "C4", "line 4")]
    [InlineData("tenor", "D4", "space 4")]
    [InlineData("tenor", "E4", "line 5")]
    [InlineData("tenor", "F4", "just above the staff")]
    [InlineData("tenor", "G4", "on the first ledger line above")]
    [InlineData("tenor", "A4", "above the first ledger line above")]
    [InlineData("bass", "D2", "under the first ledger line below")]
    [InlineData("bass", "E2", "on the first ledger line below")]
    [InlineData("bass", "F2", "just below the staff")]
    [InlineData("bass", "G2", "line 1")]
    [InlineData("bass", "A2", "space 1")]
    [InlineData("bass", "B2", "line 2")]
    [InlineData("bass", "C3", "space 2")]
    [InlineData("bass", "D3", "line 3")]
    [InlineData("bass", "E3", "space 3")]
    [InlineData("bass", "F3", "line 4")]
    [InlineData("bass", "G3", "space 4")]
    [InlineData("bass", "A3", "line 5")]
    [InlineData("bass", "B3", "just above the staff")]
    [InlineData("bass", "C4", "on the first ledger line above")]
    [InlineData("bass", "D4", "above the first ledger line above")]
    public void Every_place_of_every_clef(string clef, string pitch, string words)
    {
        Assert.Equal(words, StaffPlace.Of(Pitch.Parse(pitch), Clef.Named(clef)!).Words());
        Assert.Equal(Pitch.Parse(pitch), Clef.Named(clef)!.PitchAt(Clef.Named(clef)!.HeightOf(Pitch.Parse(pitch))));
    }

    [Theory] // The fifteen signatures with their major and minor keys.
    [InlineData(-7, "Cb", "Ab", "7 flats: B, E, A, D, G, C and F")]
    [InlineData(-6, "Gb", "Eb", "6 flats: B, E, A, D, G and C")]
    [InlineData(-5, "Db", "Bb", "5 flats: B, E, A, D and G")]
    [InlineData(-4, "Ab", "F", "4 flats: B, E, A and D")]
    [InlineData(-3, "Eb", "C", "3 flats: B, E and A")]
    [InlineData(-2, "Bb", "G", "2 flats: B and E")]
    [InlineData(-1, "F", "D", "1 flat: B")]
    [InlineData(0, "C", "A", "no sharps or flats")]
    [InlineData(1, "G", "E", "1 sharp: F")]
    [InlineData(2, "D", "B", "2 sharps: F and C")]
    [InlineData(3, "A", "F#", "3 sharps: F, C and G")]
    [InlineData(4, "E", "C#", "4 sharps: F, C, G and D")]
    [InlineData(5, "B", "G#", "5 sharps: F, C, G, D and A")]
    [InlineData(6, "F#", "D#", "6 sharps: F, C, G, D, A and E")]
    [InlineData(7, "C#", "A#", "7 sharps: F, C, G, D, A, E and B")]
    public void Every_signature_has_its_two_keys_and_its_words(int fifths, string major, string minor, string words)
    {
        string Plain(Pitch p) => p.Letter + p.AccidentalText;
        Assert.Equal(major, Plain(new KeySignature(fifths).TonicInOctave(4)));
        Assert.Equal(minor, Plain(new KeySignature(fifths, Mode.Minor).TonicInOctave(4)));
        Assert.Equal(words, Labels.Signature(new KeySignature(fifths), HouseStyle.Default));
        Assert.Equal(new KeySignature(fifths), AbcReader.Read($"X:1\nK:{major}\nC|]\n").Score!.Key);
        Assert.Equal(new KeySignature(fifths, Mode.Minor), AbcReader.Read($"X:1\nK:{minor}m\nC|]\n").Score!.Key);
    }

    // What a fingerboard place is called in a key: its own spelling first, then a natural, then the signature's kind of
    // accidental.
    [Theory]
    [InlineData(61, 2, "C#4")]
    [InlineData(61, -5, "Db4")]
    [InlineData(61, 0, "C#4")]
    [InlineData(61, -1, "Db4")]
    [InlineData(60, 7, "B#3")]
    [InlineData(65, 6, "E#4")]
    [InlineData(65, 0, "F4")]
    [InlineData(59, -6, "Cb4")]
    [InlineData(66, -1, "Gb4")]
    [InlineData(66, 1, "F#4")]
    public void A_sound_is_spelled_as_the_key_has_it(int midi, int fifths, string pitch) =>
        Assert.Equal(pitch, Spelling.InKey(midi, new KeySignature(fifths)).ToString());

    [Theory]
    [InlineData(8)]
    [InlineData(-8)]
    public void A_signature_beyond_seven_is_refused(int fifths) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => new KeySignature(fifths));

    [Theory]
    [InlineData(0, 4)]
    [InlineData(33, 4)]
    [InlineData(4, 3)]
    public void A_meter_that_cannot_be_is_refused(int beats, int unit) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => new TimeSignature(beats, unit));
}
