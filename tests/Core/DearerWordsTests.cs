namespace Coppia.Tests;

/// <summary>
/// What another way would cost, a sentence for each kind of cost (craft 6; the wording is ours): open A between G (D3)
/// and B (A1), where the other way is 4 on D.
/// </summary>
public class DearerWordsTests
{
    private static readonly Placement FourthOnD = new(
        String: 1,
        Semitones: 7,
        Finger: 4,
        Lines.Instrument("violin").FirstFrame,
        PlaceWord.Regular
    );

    private static string Said(string music, CostKind kind, Placement other)
    {
        var fingers = Lines.Reading("violin", "D", music).Fingering;
        var choice = Choice.Of(fingers, 1)!;
        return new DearerWords(choice, fingers.Player).Of(kind, other);
    }

    [Theory]
    [InlineData(CostKind.NotLearned, "the class has not learned 4 on D yet")]
    [InlineData(CostKind.CrossingInSlur, "you would cross strings inside the slur")]
    [InlineData(CostKind.Crossing, "you would cross right after, for B")]
    [InlineData(CostKind.StringSkipped, "the bow would jump over a string to B")]
    [InlineData(CostKind.Shift, "the hand would have to be in first position")]
    [InlineData(CostKind.OutsidePositions, "the hand would have to be in first position")]
    [InlineData(CostKind.FrameThereAndBack, "the hand would have to be in first position")]
    [InlineData(CostKind.AboveFirst, "the hand would have to be in first position")]
    [InlineData(CostKind.Start, "the hand would have to be in first position")]
    [InlineData(CostKind.HandSlide, "the hand would have to slide to it and back")]
    [InlineData(CostKind.OpenStretch, "the hand would have to stretch")]
    [InlineData(CostKind.CloseStretch, "the hand would have to stretch")]
    [InlineData(CostKind.StretchedHand, "the hand would have to stretch")]
    [InlineData(CostKind.StretchedFinger, "the hand would have to stretch")]
    [InlineData(CostKind.ExtendedFourth, "the fourth finger would have to reach")]
    [InlineData(CostKind.HighFourth, "high 4 is a stretch")]
    [InlineData(CostKind.LowOrHigh, "4 would stand off its regular place")]
    [InlineData(CostKind.NeighboursFinger, "4 has a letter of its own")]
    [InlineData(CostKind.FingerSlides, "finger 4 would have to slide")]
    [InlineData(CostKind.FingerInTwoPlaces, "one finger would need two places within three notes")]
    [InlineData(CostKind.FingerSubstituted, "another finger would have to take over the same sound")]
    [InlineData(CostKind.FingerHops, "finger 4 would have to hop across")]
    [InlineData(CostKind.TwoHeights, "finger 4 would have to hop across")]
    [InlineData(CostKind.FourthForOpen, "it needs the weakest finger where open A rings by itself")]
    [InlineData(CostKind.OpenForFourth, "the line comes down to B, where 4 is on the string already")]
    [InlineData(CostKind.FingerForOpen, "it needs a finger high up where the open string rings by itself")]
    [InlineData(CostKind.OtherFingerInLine, "elsewhere in the line A is open A")]
    [InlineData(CostKind.OtherThanBefore, "the same bar had open A before")]
    [InlineData(CostKind.NotPinned, "you chose this one")]
    public void Each_kind_of_cost_has_its_words(CostKind kind, string words) =>
        Assert.Equal(words, Said("G A B", kind, FourthOnD));

    [Fact]
    public void Every_kind_of_cost_is_in_the_table()
    {
        var rows = typeof(DearerWordsTests)
            .GetMethod(nameof(Each_kind_of_cost_has_its_words))!
            .GetCustomAttributes(typeof(InlineDataAttribute), false)
            .Select(row => (CostKind)((InlineDataAttribute)row).Data[0]!);
        Assert.Equal(Enum.GetValues<CostKind>().Order(), rows.Order());
    }

    [Theory] // The neighbours that the bow would cross from and to.
    [InlineData("B A B", "you would cross to it and straight back")]
    [InlineData("B A G", "you would cross to it from B")]
    [InlineData("G A G", "you would cross strings once more")]
    public void A_crossing_names_the_neighbour(string music, string words)
    {
        var fingers = Lines
            .Reading("violin", "D", music, HouseStyle.Default with { FourthFinger = FourthFinger.OpenFirst })
            .Fingering;
        Assert.Equal("A0", Labels.Pair(fingers.Notes[1].Placement!.Value.Pair, fingers.Player));
        Assert.Equal(words, new DearerWords(Choice.Of(fingers, 1)!, fingers.Player).Of(CostKind.Crossing, FourthOnD));
    }

    // The note from or to which the finger would slide or hop: 1 on A between the B and C of its own string, and beside
    // the E string.
    [Theory]
    [InlineData(CostKind.FingerSlides, "finger 1 would have to slide from B")]
    [InlineData(CostKind.FingerHops, "finger 1 would have to hop across to F♯")]
    public void A_sliding_or_hopping_finger_names_where_it_comes_from_or_goes_to(CostKind kind, string words)
    {
        var firstOnA = new Placement(
            String: 2,
            Semitones: 3,
            Finger: 1,
            Lines.Instrument("violin").FirstFrame,
            PlaceWord.High
        );
        Assert.Equal(words, Said("B c f", kind, firstOnA));
    }
}
