namespace Coppia.Tests;

/// <summary>
/// One octave upwards in every major key up to four sharps and flats, checked by hand for each instrument. Source of
/// every row: common practice.
/// </summary>
public class ScaleTests
{
    [Theory]
    [InlineData("violin", -4, "Ab3", "G-L1 G-L2 G3 G-L4 D-L1 D-L2 D3 D-L4")]
    [InlineData("violin", -3, "Eb4", "D-L1 D-L2 D3 D-L4 A-L1 A-L2 A3 A-L4")]
    [InlineData("violin", -2, "Bb3", "G-L2 G3 D0 D-L1 D-L2 D3 A0 A-L1")]
    [InlineData("violin", -1, "F4", "D-L2 D3 A0 A-L1 A-L2 A3 E0 E-L1")]
    [InlineData("violin", 0, "C4", "G3 D0 D1 D-L2 D3 A0 A1 A-L2")]
    [InlineData("violin", 1, "G3", "G0 G1 G2 G3 D0 D1 D2 D3")]
    [InlineData("violin", 2, "D4", "D0 D1 D2 D3 A0 A1 A2 A3")]
    [InlineData("violin", 3, "A3", "G1 G2 G-H3 D0 D1 D2 D-H3 A0")]
    [InlineData("violin", 4, "E4", "D1 D2 D-H3 A0 A1 A2 A-H3 E0")]
    [InlineData("viola", -4, "Ab3", "G-L1 G-L2 G3 G-L4 D-L1 D-L2 D3 D-L4")]
    [InlineData("viola", -3, "Eb3", "C-L2 C3 G0 G-L1 G-L2 G3 D0 D-L1")]
    [InlineData("viola", -2, "Bb3", "G-L2 G3 D0 D-L1 D-L2 D3 A0 A-L1")]
    [InlineData("viola", -1, "F3", "C3 G0 G1 G-L2 G3 D0 D1 D-L2")]
    [InlineData("viola", 0, "C3", "C0 C1 C2 C3 G0 G1 G2 G3")]
    [InlineData("viola", 1, "G3", "G0 G1 G2 G3 D0 D1 D2 D3")]
    [InlineData("viola", 2, "D3", "C1 C2 C-H3 G0 G1 G2 G-H3 D0")]
    [InlineData("viola", 3, "A3", "G1 G2 G-H3 D0 D1 D2 D-H3 A0")]
    [InlineData("viola", 4, "E3", "C2 C-H3 G-L1 G1 G2 G-H3 D-L1 D1")]
    [InlineData("cello", -4, "Ab2", "G-x1 G2 G-x3 G-x4 D-x1 D2 D-x3 D-x4")]
    [InlineData("cello", -3, "Eb2", "C2 C4 G0 G-x1 G2 G4 D0 D-x1")]
    [InlineData("cello", -2, "Bb2", "G2 G4 D0 D-x1 D2 D4 A0 A-x1")]
    [InlineData("cello", -1, "F2", "C4 G0 G1 G2 G4 D0 D1 D2")]
    [InlineData("cello", 0, "C2", "C0 C1 C3 C4 G0 G1 G3 G4")]
    [InlineData("cello", 1, "G2", "G0 G1 G3 G4 D0 D1 D3 D4")]
    [InlineData("cello", 2, "D2", "C1 C-x2 C-x4 G0 G1 G-x2 G-x4 D0")]
    [InlineData("cello", 3, "A2", "G1 G-x2 G-x4 D0 D1 D-x2 D-x4 A0")]
    [InlineData("cello", 4, "E2", "C-x2 C-x4 G-x1 G1 G-x2 G-x4 D-x1 D1")]
    [InlineData("bass", -4, "Ab2", "E4 A1 A2 A4 D1 D4 G0 G1")]
    [InlineData("bass", -3, "Eb3", "D1 D4 G0 G1 G4 G1 G4 G2")]
    [InlineData("bass", -2, "Bb2", "A1 A4 D0 D1 D4 G0 G2 G4")]
    [InlineData("bass", -1, "F2", "E1 E4 A0 A1 A4 D0 D2 D4")]
    [InlineData("bass", 0, "C3", "A2 D0 D1 D2 G0 G1 G2 G4")]
    [InlineData("bass", 1, "G2", "E2 A0 A1 A2 D0 D1 D4 G0")]
    [InlineData("bass", 2, "D3", "D0 D1 D4 G0 G1 G4 G2 G4")]
    [InlineData("bass", 3, "A2", "A0 A1 A4 D0 D1 D4 G1 G2")]
    [InlineData("bass", 4, "E2", "E0 E1 E4 A0 A1 A4 D1 D2")]
    // Quarter notes under their own bow: where the scale turns back from an open string, it is open (balanced setting,
    // craft 6). The bass holds A flat major in half and first position, sliding between them; above B flat the hand
    // takes C and D together in third, E flat in fourth.
    public void A_scale_is_fingered_as_a_teacher_writes_it(string instrument, int fifths, string from, string pairs)
    {
        var player = Lines.Instrument(instrument);
        var scale = KeyExercises.Scale(new Player(player), new ScaleKey(fifths, ScaleForm.Major), octaves: 1);
        var reading = PlayerReading.Of(scale, player, new Player(player));
        var notes = reading.Notes;
        Assert.Equal(from, notes[0].Note.Pitch.ToString());
        Assert.Equal(pairs, string.Join(' ', reading.Labelled().Take(8)));
        Assert.Equal(notes.Take(8).Select(n => n.Note.Pitch), notes.Skip(7).Reverse().Select(n => n.Note.Pitch));
    }

    [Theory] // Minor scales: natural, harmonic, and melodic as it goes up.
    [InlineData("violin", 0, ScaleForm.NaturalMinor, "A3", "G1 G2 G3 D0 D1 D-L2 D3 A0")]
    [InlineData("violin", 0, ScaleForm.HarmonicMinor, "A3", "G1 G2 G3 D0 D1 D-L2 D-H3 A0")]
    [InlineData("violin", -1, ScaleForm.NaturalMinor, "D4", "D0 D1 D-L2 D3 A0 A-L1 A-L2 A3")]
    [InlineData("violin", -1, ScaleForm.HarmonicMinor, "D4", "D0 D1 D-L2 D3 A0 A-L1 A2 A3")]
    [InlineData("violin", 1, ScaleForm.NaturalMinor, "E4", "D1 D2 D3 A0 A1 A-L2 A3 E0")]
    [InlineData("violin", 1, ScaleForm.MelodicMinor, "E4", "D1 D2 D3 A0 A1 A2 A-H3 E0")]
    [InlineData("violin", -2, ScaleForm.NaturalMinor, "G3", "G0 G1 G-L2 G3 D0 D-L1 D-L2 D3")]
    [InlineData("violin", -2, ScaleForm.HarmonicMinor, "G3", "G0 G1 G-L2 G3 D0 D-L1 D2 D3")]
    [InlineData("violin", 2, ScaleForm.NaturalMinor, "B3", "G2 G-H3 D0 D1 D2 D3 A0 A1")]
    [InlineData("viola", 0, ScaleForm.NaturalMinor, "A3", "G1 G2 G3 D0 D1 D-L2 D3 A0")]
    [InlineData("viola", 0, ScaleForm.HarmonicMinor, "A3", "G1 G2 G3 D0 D1 D-L2 D-H3 A0")]
    [InlineData("viola", -1, ScaleForm.NaturalMinor, "D3", "C1 C2 C3 G0 G1 G-L2 G3 D0")]
    [InlineData("viola", -1, ScaleForm.HarmonicMinor, "D3", "C1 C2 C3 G0 G1 G-L2 G-H3 D0")]
    [InlineData("viola", 1, ScaleForm.NaturalMinor, "E3", "C2 C-H3 G0 G1 G2 G3 D0 D1")]
    [InlineData("viola", 1, ScaleForm.MelodicMinor, "E3", "C2 C-H3 G0 G1 G2 G-H3 D-L1 D1")]
    [InlineData("viola", -2, ScaleForm.NaturalMinor, "G3", "G0 G1 G-L2 G3 D0 D-L1 D-L2 D3")]
    [InlineData("viola", -2, ScaleForm.HarmonicMinor, "G3", "G0 G1 G-L2 G3 D0 D-L1 D2 D3")]
    [InlineData("viola", 2, ScaleForm.NaturalMinor, "B3", "G2 G-H3 D0 D1 D2 D3 A0 A1")]
    [InlineData("cello", 0, ScaleForm.NaturalMinor, "A2", "G1 G3 G4 D0 D1 D2 D4 A0")]
    [InlineData("cello", 0, ScaleForm.HarmonicMinor, "A2", "G1 G3 G4 D0 D1 D2 D-x4 A0")]
    [InlineData("cello", -1, ScaleForm.NaturalMinor, "D2", "C1 C3 C4 G0 G1 G2 G4 D0")]
    [InlineData("cello", -1, ScaleForm.HarmonicMinor, "D2", "C1 C3 C4 G0 G1 G2 G-x4 D0")]
    [InlineData("cello", 1, ScaleForm.NaturalMinor, "E2", "C-x2 C-x4 G0 G1 G3 G4 D0 D1")]
    [InlineData("cello", 1, ScaleForm.MelodicMinor, "E2", "C-x2 C-x4 G0 G1 G-x2 G-x4 D-x1 D1")]
    [InlineData("cello", -2, ScaleForm.NaturalMinor, "G2", "G0 G1 G2 G4 D0 D-x1 D2 D4")]
    [InlineData("cello", -2, ScaleForm.HarmonicMinor, "G2", "G0 G1 G2 G4 D0 D-x1 D3 D4")]
    [InlineData("cello", 2, ScaleForm.NaturalMinor, "B2", "G-x2 G-x4 D0 D1 D3 D4 A0 A1")]
    [InlineData("bass", 0, ScaleForm.NaturalMinor, "A2", "A0 A1 A2 D0 D1 D2 G0 G1")]
    [InlineData("bass", 0, ScaleForm.HarmonicMinor, "A2", "A0 A2 A4 D0 D2 D4 G1 G2")]
    [InlineData("bass", -1, ScaleForm.NaturalMinor, "D3", "D0 D1 D2 G0 G1 G2 G1 G4")]
    [InlineData("bass", -1, ScaleForm.HarmonicMinor, "D3", "D0 D1 D2 G0 G1 G2 G2 G4")]
    [InlineData("bass", 1, ScaleForm.NaturalMinor, "E2", "E0 E1 E2 A0 A1 A2 D0 D1")]
    [InlineData("bass", 1, ScaleForm.MelodicMinor, "E2", "E0 E1 E2 A0 A1 A4 D1 D2")]
    [InlineData("bass", -2, ScaleForm.NaturalMinor, "G2", "E4 A0 A1 A4 D0 D1 D4 G0")]
    [InlineData("bass", -2, ScaleForm.HarmonicMinor, "G2", "E4 A0 A1 A4 D0 D1 D4 G0")]
    [InlineData("bass", 2, ScaleForm.NaturalMinor, "B2", "A1 A4 D0 D1 D4 G0 G1 G4")]
    public void A_minor_scale_is_fingered_as_a_teacher_writes_it(
        string instrument,
        int fifths,
        ScaleForm form,
        string from,
        string pairs
    )
    {
        var player = Lines.Instrument(instrument);
        var reading = PlayerReading.Of(
            KeyExercises.Scale(new Player(player), new ScaleKey(fifths, form), octaves: 1),
            player,
            new Player(player)
        );
        var notes = reading.Notes;
        Assert.Equal(from, notes[0].Note.Pitch.ToString());
        Assert.Equal(pairs, string.Join(' ', reading.Labelled().Take(8)));
    }

    [Theory] // An arpeggio is root, third, fifth and octave, up and down.
    [InlineData("violin", 1, "G3 B3 D4 G4 D4 B3 G3", "G0 G2 D0 D3 D0 G2 G0")]
    [InlineData("cello", 0, "C2 E2 G2 C3 G2 E2 C2", "C0 C3 G0 G4 G0 C3 C0")]
    [InlineData("bass", 1, "G2 B2 D3 G3 D3 B2 G2", "E2 A1 D0 G0 D0 A1 E2")]
    [InlineData("viola", 0, "C3 E3 G3 C4 G3 E3 C3", "C0 C2 G0 G3 G0 C2 C0")]
    public void An_arpeggio(string instrument, int fifths, string pitches, string pairs)
    {
        var player = Lines.Instrument(instrument);
        var reading = PlayerReading.Of(
            KeyExercises.ArpeggioLine(new Player(player), new ScaleKey(fifths, ScaleForm.Major), octaves: 1),
            player,
            new Player(player)
        );
        var notes = reading.Notes;
        Assert.Equal(pitches, string.Join(' ', notes.Select(n => n.Note.Pitch)));
        Assert.Equal(pairs, string.Join(' ', reading.Labelled()));
    }
}
