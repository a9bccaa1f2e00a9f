namespace Coppia.Tests;

/// <summary>
/// Each thing that is said before a line, from its bare facts (craft 7; the wording is ours). The violin's strings are 0 G, 1 D, 2 A, 3 E.
/// </summary>
public class RemarkWordsTests
{
    private static readonly Instrument Violin = Lines.Instrument("violin");

    private static Pair Finger(int @string, int finger, PlaceWord word = PlaceWord.Regular) => new(@string, finger, word);

    private static Pitch Note(string name) => Pitch.Parse(name);

    private static Placement InThirdPosition(int @string, int semitones, int finger) =>
        new(@string, semitones, finger, Violin.Frames.Index().First(f => f.Item.Position == "III").Index, PlaceWord.Regular);

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
            { "2 at two heights, low on D and regular on A.", new OneFingerTwoHeights(Finger(1, 2, PlaceWord.Low), Finger(2, 2)) },
            { "2 and 3 touch on D and A.", new FingersTouch(2, 3, [1, 2]) },
            { "Keep 3 down on D while A sounds; G comes back.", new FingerStays(Finger(1, 3), 2, Note("G4")) },
            { "During open A, put L2 on D for F.", new FingerReady(2, Finger(1, 2, PlaceWord.Low), Note("F4")) },
            { "From open D to 3: put 1, 2 and 3 down together.", new FingersTogether(true, Finger(1, 3), new FingerSet([1, 2, 3])) },
            { "From 1 on D to 3: put 2 and 3 down together.", new FingersTogether(false, Finger(1, 3), new FingerSet([2, 3])) },
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
            { "A note you have not met: A, third finger on E, first in bar 7, twice.", new NewToClass(new NewThing(HighA, [])) },
            {
                "Bar 2: to third position, 1 on A for D.",
                new HandArrives(new Bar { Number = 2 }, InThirdPosition(2, 5, 1), Note("D5"), null)
            },
        };

    private static readonly MetThing HighA = new(new KnownNote("violin", Pitch.Parse("E5"), Pitch.Parse("A5")), "b7", 7, ["b7n1"], 2)
    {
        Place = new Placement(3, 5, 3, 1, PlaceWord.Regular),
    };

    [Theory]
    [MemberData(nameof(Remarks))]
    public void A_remark_is_a_short_sentence(string words, RemarkFact fact) => Assert.Equal(words, Said(fact));

    [Theory]
    [InlineData(SignKind.Words, "Gently", 0, Waymarks.None, "“Gently”")]
    [InlineData(SignKind.Dynamic, "mf", 0, Waymarks.None, "mf")]
    [InlineData(SignKind.Repeat, null, 2, Waymarks.None, "repeat")]
    [InlineData(SignKind.Repeat, null, 3, Waymarks.None, "repeat, three times in all")]
    [InlineData(SignKind.Ending, "1", 0, Waymarks.None, "ending 1")]
    [InlineData(SignKind.Waymark, null, 0, Waymarks.Fine, "Fine")]
    [InlineData(SignKind.Rest, null, 0, Waymarks.None, "rest")]
    [InlineData(SignKind.Slur, null, 0, Waymarks.None, "slur")]
    [InlineData(SignKind.Dots, null, 0, Waymarks.None, "dots")]
    [InlineData(SignKind.Accent, null, 0, Waymarks.None, "accent")]
    [InlineData(SignKind.Fermata, null, 0, Waymarks.None, "fermata")]
    [InlineData(SignKind.Lift, null, 0, Waymarks.None, "lift")]
    public void A_sign_has_its_name(SignKind kind, string? text, int times, Waymarks mark, string name) =>
        Assert.Equal($"Look for: {name} (3).", Said(new SignsInLine([(new Sign(kind, text, times, mark), [3])])));

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
        Assert.Equal("Keep 1 down on A while D sounds; H comes back.", Said(new FingerStays(Finger(2, 1), 1, Note("B4")), style));
        Assert.Equal("During open A, put low 2 on D for F.", Said(new FingerReady(2, Finger(1, 2, PlaceWord.Low), Note("F4")), style));
    }

    [Fact]
    public void Every_kind_of_remark_is_in_the_table()
    {
        var told = Remarks.Select(row => row.Data.Item2.Kind).Append(new SignsInLine([]).Kind);
        Assert.Equal(Enum.GetValues<RemarkKind>(), told.Distinct().Order());
    }

    [Theory] // What makes a step hard (craft 11).
    [InlineData(TroublePart.Crossing, "a string crossing")]
    [InlineData(TroublePart.CrossingWithFinger, "a string crossing with another finger")]
    [InlineData(TroublePart.SkippedString, "a skipped string")]
    [InlineData(TroublePart.Leap, "a leap")]
    [InlineData(TroublePart.FingerMoves, "finger 1 slides")]
    [InlineData(TroublePart.TwoHeights, "finger 1 at two heights")]
    [InlineData(TroublePart.Stretch, "a stretch")]
    [InlineData(TroublePart.Shift, "a shift to first position")]
    [InlineData(TroublePart.QuickNote, "quick notes")]
    [InlineData(TroublePart.SlurOverCrossing, "slurred over the crossing")]
    [InlineData(TroublePart.Beyond, "beyond what the class has learned")]
    [InlineData(TroublePart.OddRhythm, "an odd rhythm")]
    public void Each_part_of_a_trouble_spot_has_its_words(TroublePart part, string words) =>
        Assert.Equal($"G (D3) to B (A1), {words}.", Trouble((part, 1)));

    [Fact]
    public void The_worst_part_comes_first_and_a_crossing_is_told_once() =>
        Assert.Equal(
            "G (D3) to B (A1), quick notes, a leap and a string crossing with another finger.",
            Trouble((TroublePart.Crossing, 1), (TroublePart.Leap, 2), (TroublePart.CrossingWithFinger, 1), (TroublePart.QuickNote, 3))
        );

    private static string Trouble(params (TroublePart Part, int Points)[] parts) =>
        new TroubleWords(Lines.Reading("violin", "D", "G B").Fingering).Of(new TroubleSpot(0, 1, parts));
}
