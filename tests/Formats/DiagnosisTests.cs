using Coppia.Cli;
using Coppia.Core.Drills;
using Coppia.Formats.Exercises;
using Coppia.Formats.Records;

namespace Coppia.Tests;

/// <summary>
/// Wrong answers and what happened in each: signed by hand, with the reason beside it (craft 14; the order in which
/// kinds are looked for decides where several fit).
/// </summary>
public class DiagnosisTests
{
    /// <summary>instrument | key | shown | answer | kind | why.</summary>
    private const string Signed = """
        violin|D|F#4|F#|right|
        violin|D|G4|G|right|
        violin|D|F#4|F|forgot-signature|D major makes F sharp
        violin|D|C#5|C|forgot-signature|D major makes C sharp
        violin|D|F#5|F|forgot-signature|in every octave
        violin|D|C#4|C|forgot-signature|under the staff too
        violin|D|G4|F|one-step|line 2 for the space below it
        violin|D|G4|A|one-step|line 2 for the space above it
        violin|D|E4|D|one-step|line 1 for the space below the staff
        violin|D|E4|F#|one-step|line 1 for space 1
        violin|D|E4|F|one-step|a step, and the signature besides; the step is what was misread
        violin|D|F#4|Gb|one-step|the same sound under the next letter
        violin|D|F#4|E|one-step|space 1 counted from the top is E too, but a step comes first
        violin|D|E5|F|one-step|space 4 and space 1, and a step; a step comes first
        violin|D|D5|G|wrong-end|line 4 is the second from the top, and line 2 is G
        violin|D|G4|D|wrong-end|line 2 counted from the top is D
        violin|D|A4|C|wrong-end|space 2 from the top is C
        violin|D|A4|C#|wrong-end|the same with the signature
        violin|C|A3|C|other-clef|\
          two ledger lines below in bass clef; under the staff nothing is counted from the other end
        violin|C|C4|A|unclear|two steps off, and no clef has it there
        violin|D|A5|C|other-clef|the ledger line above in bass clef
        violin|D|B4|D|other-clef|the middle line of bass clef
        violin|D|G4|B|other-clef|line 2 of bass clef
        violin|D|D5|F|other-clef|line 4 of bass clef
        violin|D|E4|G|other-clef|line 1 of bass clef
        violin|D|G4|C|unclear|three letters off, and no clef has it there
        violin|D|E4|B|unclear|three letters off
        violin|C|G3|E|unclear|no clef has it there
        violin|D|F#4|F#5|wrong-octave|named an octave higher
        violin|C|C5|C4|wrong-octave|named an octave lower; the violin has no C string, so it is a name
        violin|C|F4|F|right|
        violin|C|F4|F#|low-high|a sharp that nothing asks for
        violin|G|C5|C#|low-high|as in D major, but this is G
        violin|C|F#4|F|forgot-accidental|nothing in the key makes it sharp: a sign does
        violin|D|G#4|G|forgot-accidental|a sharp that the key does not have
        violin|D|C5|C#|forgot-accidental|a natural takes the key's sharp away
        violin|D|C5|C|right|
        violin|F|B4|B|right|a natural, read rightly
        violin|F|B4|Bb|forgot-accidental|the natural takes the flat away
        violin|F|Bb4|B|forgot-signature|F major makes B flat
        violin|Bb|Eb5|E|forgot-signature|B flat major makes E flat
        violin|Bb|Eb5|D|one-step|space 4 for line 4
        violin|Bb|Eb4|Eb|right|
        violin|A|G#5|G|forgot-signature|the third sharp
        violin|A|G#5|F#|one-step|above the staff for line 5
        violin|C|B3|C|one-step|under the ledger line for on it
        violin|D|F#4|D2|right|
        violin|D|F#4|DL2|low-high|the right finger, low for regular
        violin|D|F#4|D3|other-instrument|3 is what a cello plays there
        violin|D|F#4|D1|one-step|1 on D is E
        violin|D|F#4|A2|neighbour-string|2, but on A
        violin|D|A4|A0|right|
        violin|D|A4|D4|right|the fourth finger sounds the open string
        violin|D|B4|D1|neighbour-string|1, but on D
        violin|D|B4|E1|neighbour-string|1, but on E
        violin|D|A3|D1|neighbour-string|1, but on D
        violin|C|F4|DL2|right|
        violin|C|F4|D2|other-instrument|2 is what a cello plays there
        violin|C|C5|A2|other-instrument|2 is what a cello plays there
        violin|D|D5|D0|wrong-octave|the open D is an octave lower
        violin|D|D4|A3|wrong-octave|3 on A is an octave higher
        violin|D|E5|D1|wrong-octave|1 on D is an octave lower
        violin|D|A4|G1|wrong-octave|1 on G is an octave lower
        violin|D|E5|A4|right|
        violin|D|E5|E0|right|
        violin|D|G4|A3|neighbour-string|3, but on A
        violin|D|G4|G3|neighbour-string|3, but on G
        violin|D|G4|E3|unclear|two strings off
        violin|D|G4|E0|unclear|open E has nothing to do with it
        violin|Bb|Eb4|DL1|right|
        violin|Bb|Eb4|D1|low-high|regular for low
        violin|Bb|Eb4|Dx1|other-instrument|the stretch back is what a cello plays there
        violin|F|Bb3|GL2|right|
        violin|F|Bb3|G2|other-instrument|2 is what a cello plays there
        violin|A|G#4|DH3|right|
        violin|A|G#4|D3|low-high|regular for high
        violin|A|G#4|DL3|low-high|low for high
        violin|D|G3|G0|right|
        viola|D|C#4|B|one-step|as in treble clef, which looks just like a step too low
        viola|D|D4|C|one-step|the same
        viola|D|F#4|F|forgot-signature|
        viola|D|G3|E|other-clef|space 1 of tenor clef
        viola|D|A4|F|other-clef|above the staff in tenor clef
        viola|D|E4|A|wrong-end|line 4 counted from the top is A
        viola|D|F#4|D2|right|
        viola|D|F#3|CH3|right|
        viola|D|F#3|C3|low-high|regular for high
        viola|D|D4|G4|right|the fourth finger on G
        cello|D|F#3|F|forgot-signature|
        cello|D|F#3|D3|right|
        cello|D|F#3|D2|other-instrument|2 is what a violin plays there
        cello|C|E2|C2|other-instrument|2 is what a viola plays there
        cello|A|G#3|D4|low-high|regular for forward
        cello|E|D#3|D0|forgot-signature|open D is D natural
        cello|D|D3|A0|neighbour-string|an open string, but the next one
        cello|D|F#3|A0|unclear|open A has nothing to do with it
        cello|D|F#3|D|other-clef|line 4 of treble clef
        cello|D|G3|D4|right|
        cello|D|G3|D|other-clef|space 4 of tenor clef
        cello|D|A3|F|other-clef|line 5 of treble clef
        cello|D|A3|G|one-step|line 5 for space 4
        cello|D|C#3|A|other-clef|space 2 of treble clef
        cello|D|E3|C|wrong-end|space 3 from the top is C; treble clef gives C too, but comes later
        cello|D|E3|G1|neighbour-string|1, but on G
        cello|D|E3|A1|neighbour-string|1, but on A
        cello|D|D4|D0|wrong-octave|the open D is an octave lower
        cello|D|C#3|GH3|other-instrument|high 3 is what a violin plays there
        cello|G|F#2|CH3|other-instrument|high 3 is what a viola plays there
        cello|F|Bb2|G2|right|
        cello|F|Bb2|G3|right|in half position
        cello|F|Bb2|G4|one-step|4 on G is C
        cello|G|F#2|C4|low-high|regular for forward
        cello|Bb|Eb3|Dx1|right|
        cello|Bb|Eb3|D1|low-high|regular for back
        bass|D|F#3|D4|right|
        bass|D|F#3|D2|other-instrument|2 is what a violin plays there
        bass|D|C#3|A2|other-instrument|2 is what a violin plays there
        bass|A|G#3|G0|forgot-signature|open G is G natural
        bass|D|F#3|D3|other-instrument|3 is what a cello plays there
        bass|D|B3|G3|other-instrument|3 is what a cello plays there
        bass|D|C#3|A3|other-instrument|3 is what a cello plays there
        bass|D|B3|G4|right|
        bass|D|B3|G2|other-instrument|2 is what a violin plays there
        bass|D|B3|G1|one-step|1 on G is A
        bass|F|F3|D4|right|in half position
        bass|F|F3|D2|right|in first position
        bass|D|E3|D1|right|
        bass|C|F#3|F|forgot-accidental|
        bass|D|C#3|C|forgot-signature|
        """;

    private static readonly string[][] Rows = [.. Table.Rows(Signed).Split('\n').Select(r => r.Trim().Split('|'))];

    private static (int Exit, string Out, string Error) Run(params string[] args)
    {
        using StringWriter output = new() { NewLine = "\n" },
            error = new() { NewLine = "\n" };
        return (DiagnoseCommand.Run(args, output, error), output.ToString(), error.ToString());
    }

    [Fact]
    public void A_hundred_answers_are_told_for_what_they_are()
    {
        Assert.True(Rows.Length >= 100);
        string[] wrong =
        [
            .. from row in Rows
            let told = Run("--for", row[0], "--key", row[1], "--shown", row[2], "--answer", row[3])
            where told.Exit != 0 || told.Out.Split('\t')[0] != row[4]
            select $"{string.Join('|', row)}: {told.Out}{told.Error}",
        ];
        Assert.Empty(wrong);
    }

    [Fact]
    public void Every_kind_of_mistake_is_among_them() =>
        Assert.Equal(
            Enum.GetValues<MistakeKind>().Where(k => k <= MistakeKind.Unclear).Select(ReplyText.Kind).Order(),
            Rows.Select(r => r[4]).Distinct().Order()
        );

    [Theory] // The words are ours; the facts in them are those of the rows above.
    [InlineData(
        "violin|D|F#4|F",
        "The letter is right. Look at the key signature: it makes every F sharp, so this is F♯."
    )]
    [InlineData(
        "violin|D|C5|C#",
        "The letter is right. A sign in this bar holds for it to the barline, so this is C, not C♯."
    )]
    [InlineData("violin|D|G4|A", "One step off: the next space up is A. Line 2 is G.")]
    [InlineData(
        "violin|D|G4|D",
        "That is D counted from the top. Lines and spaces are counted from the bottom: line 2 is G."
    )]
    [InlineData("violin|D|B4|D", "In bass clef it would be D. This is treble clef: line 3 is B.")]
    [InlineData("violin|D|D5|D0", "That is another D. This one is 3 on A.")]
    [InlineData("violin|A|G#4|D3", "The right finger in another place: G♯ is high 3 on D.")]
    [InlineData("violin|C|F4|F#", "The right letter, a little too high: F is low 2 on D.")]
    [InlineData("violin|Eb|Ab4|G#", "One step off: the next line down is G. Space 2 is A.")]
    [InlineData("violin|C|C4|A", "Not this one. Begin at the staff: the note on the first ledger line below is C.")]
    [InlineData("violin|D|D4|A0", "An open string, but the next one: this note is on the D string.")]
    [InlineData("violin|D|A4|G1", "That is another A. This one is the open A string.")]
    [InlineData(
        "cello|E|D#3|D0",
        "That is the plain letter. Look at the key signature: it makes every D sharp, so this is D♯."
    )]
    [InlineData("bass|D|B3|G1", "One step off: the next line down is A. The note just above the staff is B.")]
    [InlineData("bass|D|F#3|D3", "That is the cello’s finger. On the double bass it is 4 on D.")]
    [InlineData("violin|D|F#4|A2", "The finger is right, but on the next string. F♯ is 2 on D.")]
    [InlineData("violin|D|G4|C", "Not this one. Begin at the staff: line 2 is G.")]
    public void Each_mistake_has_its_own_sentence(string row, string words)
    {
        var asked = row.Split('|');
        var (_, line, _) = Run("--for", asked[0], "--key", asked[1], "--shown", asked[2], "--answer", asked[3]);
        Assert.Equal(words, line.TrimEnd('\n').Split('\t')[1]);
    }

    [Theory] // The mistake repeated is asked again in a form which shows it.
    [InlineData("violin|D|F#4|F", "signature")]
    [InlineData("violin|D|G4|A", "line-or-space G4")]
    [InlineData("violin|D|G4|D", "line-or-space G4")]
    [InlineData("violin|D|B4|D", "name-it G4")]
    [InlineData("viola|D|G3|E", "name-it C4")]
    [InlineData("violin|D|D5|D0", "find-it D5")]
    [InlineData("violin|C|F4|D2", "find-it F4")]
    [InlineData("violin|D|F#4|A2", "name-it D4")]
    [InlineData("violin|D|C5|C#", "name-it C5")]
    [InlineData("violin|D|F#4|F#", "")]
    public void The_next_question_shows_the_mistake(string row, string next)
    {
        var asked = row.Split('|');
        var player = new Player(Lines.Instrument(asked[0]));
        var key = KeyText.Read(asked[1])!.Value.Signature;
        var question = new NoteQuestion(QuestionKind.Name, Pitch.Parse(asked[2]), key);
        var diagnosis = Diagnosis.Of(player, question.Note, key, ReplyText.Read(asked[3], player.Instrument)!);
        var after = FollowUp.After(diagnosis, question, player);
        Assert.Equal(
            next,
            after is null ? ""
                : after is NoteQuestion n ? $"{ExerciseKind.Of(n.Kind)} {n.Note}"
                : ExerciseKind.Of(after.Kind).Id
        );
    }

    [Theory]
    [InlineData("--for violin --key D --shown F#3", "usage: coppia diagnose ")]
    [InlineData(
        "--for oboe --key D --shown F#4 --answer F",
        "“oboe” is not an instrument; expected violin, viola, cello or bass"
    )]
    [InlineData(
        "--for violin --key H --shown F#4 --answer F",
        "“H” is not a key; expected a key such as D, Bb, F# or Em"
    )]
    [InlineData(
        "--for violin --key D --shown F --answer F",
        "“F” is not a pitch; expected a letter, # or b, and an octave number"
    )]
    [InlineData(
        "--for violin --key D --shown F#4 --answer what",
        "“what” is not an answer; expected a name such as F#, or string and finger such as D2 or DL2"
    )]
    public void What_cannot_be_read_says_what_would_be_right(string args, string error)
    {
        var (exit, output, told) = Run(args.Split(' '));
        Assert.Equal((2, ""), (exit, output));
        Assert.StartsWith(error, told, StringComparison.Ordinal);
    }
}
