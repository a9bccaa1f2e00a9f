namespace Coppia.Tests;

/// <summary>
/// Where teachers point in easy lines (craft 11). The rows were signed before the program was run; the step is named by
/// the order of the note that it reaches, from 1, and its pitch.
/// </summary>
public class SlipTableTests
{
    /// <summary>instrument | key | meter | line | the step | what a child does wrong there.</summary>
    private const string Signed = """
        craft 11
        cello|D clef=bass|4/4|D, B,/ B,/ A, B,|D, B, A, B,|D, B,/ B,/ A, B,|F, E, D,2|15 F#3|\
          a crossing, and 2 and 3 are not put with it
        cello|D clef=bass|4/4|D,/ B,/ B, A, B,|D, B, A, B,|D,/ B,/ B, A, B,|F, E, D,2|15 F#3|\
          the same where the open D is short
        violin|D|2/4|D/ E/ F/ D/|A A|4 D4|two fingers come off at once
        viola|D|2/4|D/ E/ F/ D/|A A|4 D4|two fingers come off at once
        violin|D|4/4|G/ F/ E/ d/ d2|4 D5|from 1 on D to 3 on A, quickly
        cello|D clef=bass|4/4|D B, A,2|D4|4 D4|all four fingers at once; only some of them go down
        violin|D|4/4|A F F2|G E E2|2 F#4|the two fingers are not under the open A yet
        viola|D|4/4|A F F2|G E E2|2 F#4|the same
        cello|D clef=bass|4/4|A, F, F,2|G, E, E,2|2 F#3|the three fingers are not under the open A yet
        bass|D clef=bass|4/4|A, F, F,2|G, E, E,2|2 F#3|from 1 on G the hand goes over to 4 on D
        violin|D|3/4|D F A|2 F#4|it goes to E
        violin|C|4/4|_E =E E2|2 E4|1 does not slide far enough
        viola|F clef=alto|4/4|E, _B, B,2|2 Bb3|2 stays as high as it was on the next string
        scales
        violin|D|4/4|d c B A|G F E D|5 G4|after open A three fingers go down on D, and 3 comes alone
        viola|G clef=alto|4/4|D C B, A,|G,4|2 C4|the same, a string lower
        cello|D clef=bass|4/4|D C B, A,|G, F, E, D,|5 G3|after open A all four go down on D, and 4 comes alone
        bass|D clef=bass|4/4|G, F, E, D,|2 F#3|after open G the hand goes down on D
        cello|D clef=bass|4/4|D, E, F, G,|A, B, C D|3 F#3|2 is taken for 3: F natural
        broken chords
        violin|D|4/4|D F A d|4 D5|all three fingers at once after open A
        violin|D|4/4|d A F D|2 A4|three fingers come off at once, and one stays
        cello|C clef=bass|4/4|G,, B,, D, B,,|2 B2|three fingers at once; at the return they are still down
        bass|D clef=bass|4/4|A,, C, D, E,|2 C#3|4 comes without the fingers behind it
        violin|D|4/4|D F A F|D4|2 F#4|it goes to E; under the open A the fingers stay
        one finger, two places
        violin|C|4/4|E F E ^F|G4|4 F#4|2 was low a moment ago, and stays there
        violin|G|4/4|F A c B|A2 G2|3 C5|2 was high on D, and is low on A
        cello|C clef=bass|4/4|A, B, _B, A,|3 Bb3|1 reaches back
        cello|F clef=bass|4/4|A, B, C2|A,4|2 Bb3|the reach back is not made: B natural
        cello|A clef=bass|4/4|E, A, G,2|A,4|3 G#3|after the open A the whole hand opens, and 4 does not reach
        cello|C clef=bass|4/4|D, F, E, D,|2 F3|3 is taken for 2: F sharp
        from string to string
        viola|C clef=alto|4/4|C, D, A, G,|C,4|3 A3|1 has to hop, and lies across both strings
        bass|F clef=bass|4/4|A,, C, F, F,|3 F3|4 has to hop to the next string
        cello|C clef=bass|4/4|G,, D, G,, A,|4 A3|the bow passes over the D string
        violin|D|4/4|e f e d|4 D5|after open E three fingers go down on A
        violin|D|4/4|(D E) (F G)|(A F) (G E)|6 F#4|one bow over a crossing, and two fingers to put
        viola|C clef=alto|4/4|C, G, C, E,|4 E3|it goes to D
        the hand moves, the bow hurries, the rhythm limps
        bass|D clef=bass|4/4|A, B, C D|3 C#4|the hand has to go up, and stays
        violin|D|4/4|A/ B/ c/ d/ A2|5 A4|three fingers come off at once, quickly
        violin|D|4/4|D3/ E/ F2|F4|2 E4|the short note comes early
        violin|D|4/4|A F A F|G E G2|2 F#4|the second time it is easier
        violin|D|4/4|D D A A|D4|3 A4|nothing but open strings: where the bow crosses
        viola|D|4/4|A A A A|A2 A2|none|nothing can go wrong
        bass|D clef=bass|4/4|G, G, G, G,|D,4|5 D3|nothing but open strings
        """;

    public static TheoryData<string, string, string, string, string> Rows()
    {
        var rows = new TheoryData<string, string, string, string, string>();
        foreach (var row in Table.Rows(Signed).Split('\n').Select(r => r.Trim().Split('|')).Where(r => r.Length > 4))
            rows.Add(row[0], row[1], row[2], string.Join('|', row[3..^2]), row[^2]);
        return rows;
    }

    [Theory]
    [MemberData(nameof(Rows))]
    public void The_likeliest_slip_of_a_line_is_where_a_teacher_points(
        string who,
        string key,
        string meter,
        string line,
        string step
    )
    {
        var player = new Player(Lines.Instrument(who));
        var reading = PlayerReading.Of(Lines.Score(key, line, meter), player.Instrument, player);
        var slips = Slips.Of(reading.Fingering);
        var told = slips is [var first, ..] ? $"{first.To + 1} {reading.Notes[first.To].Note.Pitch}" : "none";
        var heard = string.Join("; ", slips.Select(s => $"{s.To + 1} {s.Points} {reading.Text(s)}"));
        Assert.True(told == step, $"{told} for {step}: {string.Join(' ', reading.Labelled())}: {heard}");
        // What is marked on the paper is the same step.
        if (step != "none")
            Assert.Equal(slips[0].To, reading.Trouble.MaxBy(t => t.Points)!.To);
    }
}
