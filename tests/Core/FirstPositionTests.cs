namespace Coppia.Tests;

/// <summary>
/// Which finger plays a note on a string in first position. Source of the rules: craft 3, common practice; the rows are
/// worked out from them by hand.
/// </summary>
public class FirstPositionTests
{
    private static string Signs(string instrument, string stringName, string pitch, string position = "I")
    {
        var player = Lines.Instrument(instrument);
        var s = player.Strings.Index().First(x => x.Item.Letter.ToString() == stringName).Index;
        var frame = player.Frames.Index().First(f => f.Item.Position == position).Index;
        return string.Join(
            ' ',
            Placements
                .Of(player, Pitch.Parse(pitch), frame)
                .Where(p => p.String == s && player.Frames[p.Frame].Position == position)
                .Select(p => Labels.FingerSign(p.Pair, HouseStyle.Default))
                .Distinct()
                .Order()
        );
    }

    [Theory] // By letter: finger f plays the f-th letter above the open string, whatever its accidental.
    [InlineData("violin", "G", "G3", "0")]
    [InlineData("violin", "G", "G#3", "L1")]
    [InlineData("violin", "G", "Ab3", "L1")]
    [InlineData("violin", "G", "A3", "1")]
    [InlineData("violin", "G", "A#3", "H1")]
    [InlineData("violin", "G", "Bb3", "L2")]
    [InlineData("violin", "G", "B3", "2")]
    [InlineData("violin", "G", "C4", "3")]
    [InlineData("violin", "G", "C#4", "H3")]
    [InlineData("violin", "G", "Db4", "L4")]
    [InlineData("violin", "G", "D4", "4")]
    [InlineData("violin", "G", "D#4", "H4")]
    [InlineData("violin", "D", "D4", "0")]
    [InlineData("violin", "D", "D#4", "L1")]
    [InlineData("violin", "D", "Eb4", "L1")]
    [InlineData("violin", "D", "E4", "1")]
    [InlineData("violin", "D", "F4", "L2")]
    [InlineData("violin", "D", "F#4", "2")]
    [InlineData("violin", "D", "Gb4", "L3")]
    [InlineData("violin", "D", "G4", "3")]
    [InlineData("violin", "D", "G#4", "H3")]
    [InlineData("violin", "D", "Ab4", "L4")]
    [InlineData("violin", "D", "A4", "4")]
    [InlineData("violin", "D", "A#4", "H4")]
    [InlineData("violin", "A", "A4", "0")]
    [InlineData("violin", "A", "A#4", "L1")]
    [InlineData("violin", "A", "Bb4", "L1")]
    [InlineData("violin", "A", "B4", "1")]
    [InlineData("violin", "A", "C5", "L2")]
    [InlineData("violin", "A", "C#5", "2")]
    [InlineData("violin", "A", "Db5", "L3")]
    [InlineData("violin", "A", "D5", "3")]
    [InlineData("violin", "A", "D#5", "H3")]
    [InlineData("violin", "A", "Eb5", "L4")]
    [InlineData("violin", "A", "E5", "4")]
    [InlineData("violin", "E", "E5", "0")]
    [InlineData("violin", "E", "F5", "L1")]
    [InlineData("violin", "E", "F#5", "1")]
    [InlineData("violin", "E", "G5", "L2")]
    [InlineData("violin", "E", "G#5", "2")]
    [InlineData("violin", "E", "Ab5", "L3")]
    [InlineData("violin", "E", "A5", "3")]
    [InlineData("violin", "E", "A#5", "H3")]
    [InlineData("violin", "E", "Bb5", "L4")]
    [InlineData("violin", "E", "B5", "4")]
    [InlineData("viola", "C", "C3", "0")]
    [InlineData("viola", "C", "C#3", "L1")]
    [InlineData("viola", "C", "Db3", "L1")]
    [InlineData("viola", "C", "D3", "1")]
    [InlineData("viola", "C", "D#3", "H1")]
    [InlineData("viola", "C", "Eb3", "L2")]
    [InlineData("viola", "C", "E3", "2")]
    [InlineData("viola", "C", "F3", "3")]
    [InlineData("viola", "C", "F#3", "H3")]
    [InlineData("viola", "C", "Gb3", "L4")]
    [InlineData("viola", "C", "G3", "4")]
    [InlineData("viola", "C", "G#3", "H4")]
    [InlineData("viola", "G", "G3", "0")]
    [InlineData("viola", "G", "G#3", "L1")]
    [InlineData("viola", "G", "Ab3", "L1")]
    [InlineData("viola", "G", "A3", "1")]
    [InlineData("viola", "G", "A#3", "H1")]
    [InlineData("viola", "G", "Bb3", "L2")]
    [InlineData("viola", "G", "B3", "2")]
    [InlineData("viola", "G", "C4", "3")]
    [InlineData("viola", "G", "C#4", "H3")]
    [InlineData("viola", "G", "Db4", "L4")]
    [InlineData("viola", "G", "D4", "4")]
    [InlineData("viola", "G", "D#4", "H4")]
    [InlineData("viola", "D", "D4", "0")]
    [InlineData("viola", "D", "D#4", "L1")]
    [InlineData("viola", "D", "Eb4", "L1")]
    [InlineData("viola", "D", "E4", "1")]
    [InlineData("viola", "D", "F4", "L2")]
    [InlineData("viola", "D", "F#4", "2")]
    [InlineData("viola", "D", "Gb4", "L3")]
    [InlineData("viola", "D", "G4", "3")]
    [InlineData("viola", "D", "G#4", "H3")]
    [InlineData("viola", "D", "Ab4", "L4")]
    [InlineData("viola", "D", "A4", "4")]
    [InlineData("viola", "D", "A#4", "H4")]
    [InlineData("viola", "A", "A4", "0")]
    [InlineData("viola", "A", "A#4", "L1")]
    [InlineData("viola", "A", "Bb4", "L1")]
    [InlineData("viola", "A", "B4", "1")]
    [InlineData("viola", "A", "C5", "L2")]
    [InlineData("viola", "A", "C#5", "2")]
    [InlineData("viola", "A", "Db5", "L3")]
    [InlineData("viola", "A", "D5", "3")]
    [InlineData("viola", "A", "D#5", "H3")]
    [InlineData("viola", "A", "Eb5", "L4")]
    [InlineData("viola", "A", "E5", "4")]
    public void Violin_and_viola_by_letter(string instrument, string stringName, string pitch, string sign) =>
        Assert.Equal(sign, Signs(instrument, stringName, pitch));

    [Theory] // Names that sound a neighbour's natural place may borrow the neighbour's finger.
    [InlineData("violin", "D", "E#4", "H1 L2")]
    [InlineData("violin", "D", "Fb4", "1")]
    [InlineData("violin", "A", "B#4", "H1 L2")]
    [InlineData("violin", "A", "Cb5", "1")]
    [InlineData("viola", "G", "B#3", "3 H2")]
    [InlineData("viola", "C", "E#3", "3 H2")]
    [InlineData("viola", "C", "Fb3", "2 L3")]
    public void Neighbours_names_have_a_second_way(string instrument, string stringName, string pitch, string signs) =>
        Assert.Equal(signs, Signs(instrument, stringName, pitch));

    [Theory] // By half steps in the hand frame: closed 1 2 3 4, back x1, forward x2 x3 x4.
    [InlineData("C", "C#2", "x1")]
    [InlineData("C", "D2", "1")]
    [InlineData("C", "D#2", "2")]
    [InlineData("C", "E2", "3 x2")]
    [InlineData("C", "F2", "4 x3")]
    [InlineData("C", "F#2", "x4")]
    [InlineData("G", "G#2", "x1")]
    [InlineData("G", "A2", "1")]
    [InlineData("G", "A#2", "2")]
    [InlineData("G", "B2", "3 x2")]
    [InlineData("G", "C3", "4 x3")]
    [InlineData("G", "C#3", "x4")]
    [InlineData("D", "D#3", "x1")]
    [InlineData("D", "E3", "1")]
    [InlineData("D", "F3", "2")]
    [InlineData("D", "F#3", "3 x2")]
    [InlineData("D", "G3", "4 x3")]
    [InlineData("D", "G#3", "x4")]
    [InlineData("A", "A#3", "x1")]
    [InlineData("A", "B3", "1")]
    [InlineData("A", "C4", "2")]
    [InlineData("A", "C#4", "3 x2")]
    [InlineData("A", "D4", "4 x3")]
    [InlineData("A", "D#4", "x4")]
    public void Cello_by_half_steps(string stringName, string pitch, string signs) =>
        Assert.Equal(signs, Signs("cello", stringName, pitch));

    [Theory] // Half position: the four fingers on the first four half steps.
    [InlineData("C", "C#2 D2 D#2 E2")]
    [InlineData("G", "G#2 A2 A#2 B2")]
    [InlineData("D", "D#3 E3 F3 F#3")]
    [InlineData("A", "A#3 B3 C4 C#4")]
    public void Cello_half_position(string stringName, string pitches) =>
        Assert.Equal(["1", "2", "3", "4"], pitches.Split(' ').Select(p => Signs("cello", stringName, p, "half")));

    [Theory] // 1 2 4 on three neighbouring half steps, frame by frame (written pitches).
    [InlineData("half", "E", "F2 F#2 G2")]
    [InlineData("half", "A", "A#2 B2 C3")]
    [InlineData("half", "D", "D#3 E3 F3")]
    [InlineData("half", "G", "G#3 A3 A#3")]
    [InlineData("I", "E", "F#2 G2 G#2")]
    [InlineData("I", "A", "B2 C3 C#3")]
    [InlineData("I", "D", "E3 F3 F#3")]
    [InlineData("I", "G", "A3 A#3 B3")]
    [InlineData("II", "E", "G2 G#2 A2")]
    [InlineData("II", "A", "C3 C#3 D3")]
    [InlineData("II", "D", "F3 F#3 G3")]
    [InlineData("II", "G", "A#3 B3 C4")]
    [InlineData("II½", "E", "G#2 A2 A#2")]
    [InlineData("II½", "A", "C#3 D3 D#3")]
    [InlineData("II½", "D", "F#3 G3 G#3")]
    [InlineData("II½", "G", "B3 C4 C#4")]
    [InlineData("III", "E", "A2 A#2 B2")]
    [InlineData("III", "A", "D3 D#3 E3")]
    [InlineData("III", "D", "G3 G#3 A3")]
    [InlineData("III", "G", "C4 C#4 D4")]
    [InlineData("III½", "E", "A#2 B2 C3")]
    [InlineData("III½", "A", "D#3 E3 F3")]
    [InlineData("III½", "D", "G#3 A3 A#3")]
    [InlineData("III½", "G", "C#4 D4 D#4")]
    [InlineData("IV", "E", "B2 C3 C#3")]
    [InlineData("IV", "A", "E3 F3 F#3")]
    [InlineData("IV", "D", "A3 A#3 B3")]
    [InlineData("IV", "G", "D4 D#4 E4")]
    public void Bass_frames(string position, string stringName, string pitches) =>
        Assert.Equal(["1", "2", "4"], pitches.Split(' ').Select(p => Signs("bass", stringName, p, position)));
}
