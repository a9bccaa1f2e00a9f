namespace Coppia.Tests;

/// <summary>
/// The check values of the trade that concern fingers. Source of every expected row: common practice.
/// </summary>
public class CraftFingersTests
{
    [Theory]
    [InlineData("violin", "D", "D E F G A B c d", "D0 D1 D2 D3 A0 A1 A2 A3")]
    [InlineData("violin", "C", "G, A, B, C", "G0 G1 G2 G3")]
    [InlineData("violin", "C", "c B A G F E D C", "A-L2 A1 A0 D3 D-L2 D1 D0 G3")]
    [InlineData("violin", "Eb", "E F G A B c d e", "D-L1 D-L2 D3 D-L4 A-L1 A-L2 A3 A-L4")]
    [InlineData("viola", "Eb clef=alto", "E F G A B c d e", "D-L1 D-L2 D3 D-L4 A-L1 A-L2 A3 A-L4")]
    [InlineData("violin", "Bb", "A, B, C", "G1 G-L2 G3")]
    [InlineData("viola", "D clef=alto", "D E F G A B c d", "D0 D1 D2 D3 A0 A1 A2 A3")]
    [InlineData("viola", "F clef=alto", "C, E, B,", "C0 C2 G-L2")]
    [InlineData("cello", "D clef=bass", "D, E, F, G, A, B, C D", "D0 D1 D3 D4 A0 A1 A3 A4")]
    [InlineData("cello", "F clef=bass", "F,, G,, A,, B,, C, D, E, F,", "C4 G0 G1 G2 G4 D0 D1 D2")]
    [InlineData("cello", "Bb clef=bass", "A,, C, D, E, F, G, A, B,", "G1 G4 D0 D-x1 D2 D4 A0 A-x1")]
    [InlineData("cello", "A clef=bass", "D, ^G, D,", "D0 D-x4 D0")]
    [InlineData("cello", "A clef=bass", "G,, C, G,,", "G-x1 G-x4 G-x1")]
    [InlineData("cello", "D clef=bass", "D,, F,, D,,", "C1 C-x4 C1")]
    [InlineData("bass", "D clef=bass", "D, E, F, G, A, B,", "D0 D1 D4 G0 G1 G4")]
    [InlineData("bass", "D clef=bass", "A, B, C D", "G1 G4 G2 G4")]
    [InlineData("bass", "F clef=bass", "F,, G,, A,, B,, C, D, E, F,", "E1 E4 A0 A1 A4 D0 D2 D4")]
    public void A_line_is_fingered_as_a_teacher_writes_it(string instrument, string key, string music, string pairs) =>
        Assert.Equal(pairs, Lines.Pairs(instrument, key, music));

    // Craft 6: when a note forces the hand up, it goes once, for the whole group, and comes back once; by an open
    // string, a rest or a low finger.
    [Theory]
    // not on a sliding 4 for one note
    [InlineData("viola", "D", "A A (e g) A", "A0 A0 A2 A4 A0", "III III III III III")]
    [InlineData("viola", "D", "D E (e g) A F", "D0 D1 A2 A4 A0 D2", "I I III III I I")]
    [InlineData("violin", "D", "E A b c' d' c' b A E", "D1 A0 E2 E3 E4 E3 E2 A0 D1", "I I III III III III III I I")]
    [InlineData(
        "violin",
        "C",
        "c d e f g a b c' b a g f",
        "A-L2 A3 E0 E-L1 E-L2 E3 E4 E-x4 E4 E3 E-L2 E-L1",
        "I I I I I I I I I I I I"
    )] // extended 4 instead of a shift
    [InlineData("bass", "G clef=bass", "G, B, D D B, G,", "G0 G4 G4 G4 G4 G0", "I I III III I I")]
    // B is no neighbour of C
    [InlineData("bass", "G clef=bass", "G, B, D B, A, G, C D", "G0 G4 G4 G4 G1 G0 G1 G4", "I I III I I I III III")]
    // a line begins at home
    [InlineData("bass", "G clef=bass", "B, C D B, A, F,", "G4 G1 G4 G4 G1 D4", "I III III I I I")]
    [InlineData(
        "bass",
        "G clef=bass",
        "=F, E, ^D, C, =D, E, G,",
        "D4 D2 D1 A4 D0 D2 G0",
        "half half half half I half I"
    )] // half position holds it all
    public void The_hand_goes_up_once_for_a_whole_group(
        string instrument,
        string key,
        string music,
        string pairs,
        string positions
    )
    {
        var player = Lines.Instrument(instrument);
        var reading = Lines.Reading(instrument, key, music);
        var notes = reading.Notes;
        Assert.Equal(pairs, string.Join(' ', reading.Labelled()));
        string[] expected = [.. positions.Split(' ').Where((_, i) => !notes[i].Placement!.Value.IsOpen)];
        Assert.Equal(
            expected,
            notes.Where(n => !n.Placement!.Value.IsOpen).Select(n => player.Frames[n.Placement!.Value.Frame].Position)
        );
    }

    [Fact] // B flat major on the violin: where each string's notes of the key lie; common practice.
    public void B_flat_major_shapes_on_the_violin_strings()
    {
        var shapes = StringShape.InKey(new Player(StringSection.Violin), new KeySignature(-2), usedFrame: 1);
        string Signs(int s) =>
            string.Join(
                ' ',
                shapes[s]
                    .Spots.Where(p => !p.Placement.IsOpen)
                    .Select(p => Labels.FingerSign(p.Placement.Pair, HouseStyle.Default))
            );
        Assert.Equal("1 L2 3 4", Signs(0));
        Assert.Equal("L1 L2 3 4", Signs(1));
        Assert.Equal("L1 L2 3 L4", Signs(2));
    }

    [Theory]
    [InlineData("bass", "D clef=bass", "A, B, C D", "I I III III")]
    [InlineData("bass", "F clef=bass", "F,, G,, A,, B,, C, D, E, F,", "half half half half half half half half")]
    [InlineData("cello", "D clef=bass", "D, E, F, G, A, B, C D", "I I I I I I I I")]
    public void The_hand_stays_or_shifts_where_it_should(string instrument, string key, string music, string positions)
    {
        var player = Lines.Instrument(instrument);
        var notes = Lines.Reading(instrument, key, music).Notes;
        Assert.Equal(positions, string.Join(' ', notes.Select(n => player.Frames[n.Placement!.Value.Frame].Position)));
    }

    [Theory] // Craft 3, common practice: E sharp takes low 2 or high 1, whichever the next notes make easier.
    [InlineData("E F ^E F", "D1 D2 D-H1 D2")] // 2 stays for F sharp, 1 moves up once
    [InlineData("F ^E ^D =E", "D2 D-H1 D-L1 D1")] // all of it under 1, which slides
    [InlineData("E ^E G", "D1 D-L2 D3")] // 1 has just played E; 2 is free
    public void E_sharp_on_the_D_string_is_low_2_or_high_1(string music, string pairs) =>
        Assert.Equal(pairs, Lines.Pairs("violin", "D", music));

    [Theory] // Craft 3, common practice.
    [InlineData("violin", "C", "_D", "G-L4")]
    [InlineData("violin", "C", "_E", "D-L1")]
    [InlineData("violin", "C", "_d", "A-L3")]
    [InlineData("violin", "C", "^G,", "G-L1")]
    [InlineData("viola", "C clef=alto", "^C,", "C-L1")]
    [InlineData("violin", "C", "_c", "A1")]
    public void Special_places_have_their_own_finger(string instrument, string key, string music, string pair) =>
        Assert.Equal(pair, Lines.Pairs(instrument, key, music));

    [Fact] // Craft 3: another school fingers the bass 1–3–4 in the same places.
    public void Bass_fingers_1_3_4_are_the_same_places()
    {
        var style = new HouseStyle { Alternatives = new Dictionary<string, string> { ["bass"] = "oneThreeFour" } };
        Assert.Equal(
            "E1 E4 A0 A1 A4 D0 D3 D4",
            Lines.Pairs("bass", "F clef=bass", "F,, G,, A,, B,, C, D, E, F,", style)
        );
    }
}
