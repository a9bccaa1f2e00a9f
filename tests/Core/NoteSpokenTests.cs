namespace Coppia.Tests;

/// <summary>What is said of the note that one stands on, and the way that one gets who asks for another.</summary>
public class NoteSpokenTests
{
    private static NoteSpoken At(string instrument, string key, string music, int index)
    {
        var reading = Lines.Reading(instrument, key, music);
        return new ReadingWords(reading).Spoken(reading.Notes[index]);
    }

    [Theory] // How much bow a note takes is told after it, and tested with the bow.
    [InlineData("violin", "D", "F A", 0, "D string, finger 2", "Bar 1, beat 1, quarter, first position, down bow")]
    [InlineData("violin", "D", "F A", 1, "A string, open", "Bar 1, beat 2, quarter, up bow")]
    [InlineData("violin", "C", "F (E/F/)", 1, "D string, finger 1", "Bar 1, beat 2, eighth, first position, up bow")]
    [InlineData("violin", "C", "F (E/F/)", 2, "D string, finger L2", "Bar 1, beat 2½, eighth, first position, up bow")]
    [InlineData(
        "cello",
        "Bb clef=bass",
        "E,",
        0,
        "D string, finger x1",
        "Bar 1, beat 1, quarter, first position, down bow"
    )]
    [InlineData(
        "violin",
        "C",
        "\"^pizz.\"F",
        0,
        "D string, finger L2",
        "Bar 1, beat 1, quarter, first position, plucked"
    )]
    [InlineData("violin", "C", "C,,", 0, "out of reach", "Bar 1, beat 1, quarter, down bow")]
    public void A_note_is_told_with_its_way_and_place(
        string instrument,
        string key,
        string music,
        int index,
        string way,
        string where
    )
    {
        var here = At(instrument, key, music, index);
        Assert.Equal(way, here.Way);
        Assert.StartsWith(where, here.Where, StringComparison.Ordinal);
    }

    [Theory] // Craft 18: shown where the hand is opened wide, and only there.
    [InlineData(
        "violin",
        "C",
        "c'",
        "The fourth finger reaches: open the hand from below, check the instrument’s size first, and stop if it hurts."
    )]
    [InlineData("violin", "E", "^A", "")]
    [InlineData(
        "cello",
        "Bb clef=bass",
        "E,",
        "A stretched hand: let the thumb follow, shake it out afterwards, and stop if it hurts."
    )]
    [InlineData("cello", "D clef=bass", "E,", "")]
    [InlineData("violin", "D", "A", "")]
    public void Care_is_asked_for_where_the_hand_opens_wide(string instrument, string key, string music, string care) =>
        Assert.Equal(care, At(instrument, key, music, 0).Care);

    private static NextWay? Next(string key, string music, int index, (int String, int Finger)? pin = null)
    {
        var violin = Lines.Instrument("violin");
        var score = Lines.Score(key, music);
        var player = new Player(violin);
        var id = SoundingNote.Of(score)[index].Id;
        var pins = pin is { } p ? new Dictionary<string, Pin> { [id] = new Pin(p.String, p.Finger) } : [];
        var note = Fingers.Choose(score, player, pins).Notes[index];
        return NextWay.After(note, note.Others, player);
    }

    [Fact] // A is open on A, or 4 on D: from the one to the other and round again.
    public void Another_way_is_asked_for_round_and_round()
    {
        Assert.Equal(new NextWay(1, 4, IsFree: false), Next("D", "G A B", 1));
        Assert.Equal(new NextWay(2, 0, IsFree: true), Next("D", "G A B", 1, pin: (1, 4)));
    }

    [Fact] // 4 stays where slurs and quick notes hold it on D: there the open string is the teacher's wish.
    public void The_way_that_would_be_chosen_anyway_is_free() =>
        Assert.Equal(new NextWay(1, 4, IsFree: true), Next("D", "(G A) G", 1, pin: (2, 0)));

    [Fact] // F sharp on D is 2 there, and in the class's positions nothing else.
    public void A_note_with_one_way_has_no_next() => Assert.Null(Next("D", "E F G", 1));

    [Fact]
    public void A_note_out_of_reach_has_no_next() => Assert.Null(Next("C", "C,,", 0));

    [Theory] // American and British names; arithmetic of note values (craft 9).
    [InlineData("D", "american", "This quarter is four sixteenths.")]
    [InlineData("D", "british", "This crotchet is four semiquavers.")]
    [InlineData("D/", "american", "This eighth is two sixteenths.")]
    [InlineData("D3", "american", "This dotted half is twelve sixteenths.")]
    [InlineData("D4", "american", "This whole is 16 sixteenths.")]
    [InlineData("D//", "american", "This is a sixteenth.")]
    [InlineData("(3D/E/F/", "american", "This is a triplet eighth.")]
    [InlineData("(3D/E/F/", "british", "This is a triplet quaver.")]
    [InlineData("zD", "american", "This quarter rest is four sixteenths.")]
    public void A_value_is_told_by_its_parts(string music, string names, string words) =>
        Assert.Equal(
            words,
            Lines.Score("D", music).Events.First().Parts(Enum.Parse<ValueNames>(names, ignoreCase: true))
        );

    [Fact]
    public void A_bar_is_halved_down_to_sixteenths() =>
        Assert.Equal(
            "semibreve 1, minim 1/2, crotchet 1/4, quaver 1/8, semiquaver 1/16",
            string.Join(", ", ValueWords.Levels(ValueNames.British).Select(v => $"{v.Name} {v.Length}"))
        );
}
