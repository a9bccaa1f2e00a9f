namespace Coppia.Tests;

/// <summary>
/// Each thing that is said before a line, from its bare facts (craft 7; the wording is ours). The violin's strings are
/// 0 G, 1 D, 2 A, 3 E.
/// </summary>
public class RemarkWordsTests
{
    private static readonly Instrument Violin = Lines.Instrument("violin");

    private static Pair Finger(int @string, int finger, PlaceWord word = PlaceWord.Regular) =>
        new(@string, finger, word);

    private static Pitch Note(string name) => Pitch.Parse(name);

    private static Placement InThirdPosition(int @string, int semitones, int finger) =>
        new(
            @string,
            semitones,
            finger,
            Violin.Frames.Index().First(f => f.Item.Position == "III").Index,
            PlaceWord.Regular
        );

    private static string Said(RemarkFact fact, HouseStyle? style = null) =>
        new RemarkWords(new Player(Violin, style), Waymarks.Fine).Of(new Remark(fact, []));

    public static TheoryData<string, RemarkFact> Remarks =>
        new()
        {
            { "Only the D string.", new StringsUsed([1]) },
            { "Strings G, D and A.", new StringsUsed([0, 1, 2]) },
            {
                "Hand shape 1–L2 on D and 1–2–3 on A.",
                new HandOnStrings([
                    [Finger(1, 1), Finger(1, 2, PlaceWord.Low)],
                    [Finger(2, 1), Finger(2, 2), Finger(2, 3)],
                ])
            },
            {
                "L2, between tape 1 and tape 2, touching tape 1: F on D and C on A.",
                new OffItsPlace(Finger(1, 2, PlaceWord.Low), 3, [(Note("F4"), 1), (Note("F4"), 1), (Note("C5"), 2)])
            },
            {
                "2 on A in two places, low for C and regular for C♯: slide it.",
                new SeveralPlaces(2, 2, [(Finger(2, 2, PlaceWord.Low), Note("C5")), (Finger(2, 2), Note("C#5"))])
            },
            {
                "2 at two heights, low on D and regular on A.",
                new OneFingerTwoHeights(Finger(1, 2, PlaceWord.Low), Finger(2, 2))
            },
            { "2 and 3 touch on D and A.", new FingersTouch(2, 3, [1, 2]) },
            {
                "Keep 3 down on D while the A string sounds; G comes back.",
                new FingerStays(Finger(1, 3), 2, Note("G4"))
            },
            { "During open A, put L2 on D for F.", new FingerReady(2, Finger(1, 2, PlaceWord.Low), Note("F4")) },
            {
                "From open D to 3: put 1, 2 and 3 down together.",
                new FingersTogether(true, Finger(1, 3), new FingerSet([1, 2, 3]))
            },
            {
                "From 1 on D to 3: put 2 and 3 down together.",
                new FingersTogether(false, Finger(1, 3), new FingerSet([2, 3]))
            },
            {
                "Bar 5: to third position, 1 on A for D. Check it against open D (an octave).",
                new HandArrives(
                    new Bar { Number = 5 },
                    InThirdPosition(2, 5, 1),
                    Note("D5"),
                    new ShiftCheck(1, IsOctave: true, WithFinger: null)
                )
            },
            {
                "Pick-up: to third position, 2 on A for E. Check the hand with 2 against open E (the same note).",
                new HandArrives(
                    new Bar { Number = 0 },
                    InThirdPosition(2, 7, 2),
                    Note("E5"),
                    new ShiftCheck(3, IsOctave: false, WithFinger: 2)
                )
            },
            {
                "A note you have not met: A, third finger on E, first in bar 7, twice.",
                new NewToClass(new NewThing(HighA, []))
            },
            {
                "Bar 2: to third position, 1 on A for D.",
                new HandArrives(new Bar { Number = 2 }, InThirdPosition(2, 5, 1), Note("D5"), null)
            },
        };

    private static readonly MetThing HighA = new(
        new KnownNote("violin", Pitch.Parse("E5"), Pitch.Parse("A5")),
        "b7",
        7,
        ["b7n1"],
        2
    )
    {
        Place = new Placement(3, 5, 3, 1, PlaceWord.Regular),
    };

    [Theory]
    [MemberData(nameof(Remarks))]
    public void A_remark_is_a_short_sentence(string words, RemarkFact fact) => Assert.Equal(words, Said(fact));

    [Theory] // What a child should look for, read off the music itself; the bars are those that are printed.
    [InlineData("\"^Gently\"D E F G|D4|]", "“Gently” (1)")]
    [InlineData("D E F G|!mf!D4|]", "mf (2)")]
    [InlineData("|:D E F G:|D4|]", "repeat (1)")]
    [InlineData("D E F G|D4!fine!|]", "Fine (2)")]
    [InlineData("D E F G|D2 z2|]", "rest (2)")]
    [InlineData("D E F G|(D2 E2)|]", "slur (2)")]
    [InlineData("D E F G|.D2 .E2|]", "dots (2)")]
    [InlineData("D E F G|!accent!D4|]", "accent (2)")]
    [InlineData("D E F G|!fermata!D4|]", "fermata (2)")]
    [InlineData("!mf!D E F G|(D2 E2)|z4|!accent!D4|]", "mf (1)", "slur (2)", "rest (3)", "accent (4)")]
    public void Signs_are_looked_for_where_they_stand(string music, params string[] signs)
    {
        var reading = Lines.Reading("violin", "D", music);
        var words = new ReadingWords(reading);
        var said = reading
            .BeforeLines()
            .SelectMany(line => line)
            .Where(r => r.Fact is SignsInLine)
            .Select(words.Remarks.Of);
        Assert.Equal($"Look for: {string.Join(", ", signs)}.", Assert.Single(said));
    }

    [Theory]
    [InlineData(SignKind.Repeat, null, 3, "repeat, three times in all")]
    [InlineData(SignKind.Ending, "1", 0, "ending 1")]
    [InlineData(SignKind.Lift, null, 0, "lift")]
    public void A_sign_that_says_more_is_named_with_it(SignKind kind, string? text, int times, string name) =>
        Assert.Equal(
            $"Look for: {name} (3).",
            Said(new SignsInLine([(new Sign(kind, text, times, Waymarks.None), [3])]))
        );

    [Fact]
    public void Signs_are_told_with_their_bars_until_these_are_too_many_to_read() =>
        Assert.Equal(
            "Look for: slur (pick-up, 1, 2, 3), rest (5 bars).",
            Said(new SignsInLine([(new Sign(SignKind.Slur), [0, 1, 2, 3]), (new Sign(SignKind.Rest), [1, 2, 3, 4, 5])]))
        );

    [Fact]
    public void A_remark_follows_the_house_style()
    {
        var style = HouseStyle.Default with { NoteNames = NoteNames.German, LowHigh = LowHighLabel.Words };
        Assert.Equal(
            "Keep 1 down on A while the D string sounds; H comes back.",
            Said(new FingerStays(Finger(2, 1), 1, Note("B4")), style)
        );
        Assert.Equal(
            "During open A, put low 2 on D for F.",
            Said(new FingerReady(2, Finger(1, 2, PlaceWord.Low), Note("F4")), style)
        );
    }

    [Fact]
    public void Every_kind_of_remark_is_in_the_table()
    {
        var told = Remarks.Select(row => row.Data.Item2.Kind).Append(new SignsInLine([]).Kind);
        Assert.Equal(Enum.GetValues<RemarkKind>(), told.Distinct().Order());
    }

    [Theory] // What makes a step hard, each part said (craft 11).
    [InlineData("violin", "D", "G A", "G (D3) to A (A0): a string crossing.")]
    [InlineData("violin", "D", "G F E2 D2 A F", "F♯ (D2): a string crossing, and fingers 1 and 2 down at once.")]
    [InlineData(
        "cello",
        "D clef=bass",
        "D, B, F,",
        "B (A1) to F♯ (D3): a string crossing, and fingers 2 and 3 to add."
    )]
    [InlineData(
        "violin",
        "D",
        "D/ E/ F/ D/",
        "F♯ (D2) to D (D0): fingers 1 and 2 off at once, and a skip, in quick notes."
    )]
    [InlineData(
        "viola",
        "F clef=alto",
        "E, _B,",
        "a string crossing, finger 2 hopping to the next string, finger 1 to take along, "
            + "finger 2 at two heights and a leap."
    )]
    [InlineData("violin", "C", "_E =E", "E♭ (D-L1) to E (D1): a slide of finger 1.")]
    [InlineData("violin", "C", "E F E ^F", "E (D1) to F♯ (D2): finger 2 in another place than a moment ago.")]
    [InlineData("violin", "D", "G, f", "a skipped string and a leap.")]
    [InlineData("violin", "D", "(F c)", "F♯ (D2) to C♯ (A2): ")]
    [InlineData("cello", "C clef=bass", "B, _B,", "B (A1) to B♭ (A-x1): a slide of finger 1 into a stretch.")]
    [InlineData("bass", "D clef=bass", "A, B, C D", "B (G4) to C♯ (G2): a shift to third position.")]
    [InlineData("violin", "D", "D3/ E/", "D (D0) to E (D1): an odd rhythm.")]
    public void Each_part_of_a_slip_has_its_words(string who, string key, string music, string words)
    {
        var reading = Lines.Reading(who, key, music);
        Assert.Contains(reading.Trouble, t => reading.Text(t).Contains(words, StringComparison.Ordinal));
    }

    [Fact] // A class whose list holds D, E and F sharp only, meets G.
    public void What_is_new_to_the_class_and_what_is_beyond_it_is_a_sentence_of_its_own()
    {
        var first = UsualOrder.UpTo(Stage.FirstFingers, [StringSection.Violin]);
        var known = ClassKnowledge.Of(first.Where(t => t is not KnownNote { Pitch: { Letter: Letter.G, Octave: 4 } }));
        var player = new Player(StringSection.Violin, known: known);
        var score = Lines.Score("D", "D G D2", "4/4");
        var reading = PlayerReading.Of(score, player.Instrument, player);
        Assert.Equal(
            "D (D0) to G (D3): fingers 1, 2 and 3 down at once, and a skip. It is new to the class.",
            reading.Text(Assert.Single(reading.Trouble))
        );
    }
}
