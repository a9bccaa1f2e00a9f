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
        Assert.Equal(Enum.GetValues<CostKind>().Order(), rows.Append(CostKind.OpenForFourth).Order());
    }

    [Fact] // A teacher who has the fourth finger first.
    public void Coming_down_to_the_string_below_an_open_string_is_left_for_the_fourth_finger()
    {
        var fourthFirst = HouseStyle.Default with { FourthFinger = FourthFinger.FourthFirst };
        var fingers = Lines.Reading("violin", "D", "B A G", fourthFirst).Fingering;
        var choice = Choice.Of(fingers, 1)!;
        Assert.Equal("D4", Labels.Pair(choice.Note.Placement!.Value.Pair, fingers.Player));
        var open = choice.Other!.Value;
        Assert.Equal("A0", Labels.Pair(open.Pair, fingers.Player));
        Assert.Equal(
            "the line comes down to G, where 4 is on the string already",
            new DearerWords(choice, fingers.Player).Of(CostKind.OpenForFourth, open)
        );
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

    /// <summary>All choices that have another way, in tunes made up for the four instruments.</summary>
    private static IEnumerable<(Choice Choice, Fingers Fingers)> InRandomTunes()
    {
        foreach (var instrument in StringSection.All)
        {
            var (lowest, highest) = (instrument.Strings[0].Step, instrument.Strings[^1].Step + 4);
            for (var seed = 0; seed < 120; seed++)
            {
                var style = HouseStyle.Default with { FourthFinger = (FourthFinger)(seed % 3) };
                var player = new Player(instrument, style);
                var fingers = PlayerReading.Of(RandomTunes.Song(seed, lowest, highest), instrument, player).Fingering;
                foreach (var i in Enumerable.Range(0, fingers.Notes.Count))
                {
                    if (Choice.Of(fingers, i) is { Dearer: not null } choice)
                        yield return (choice, fingers);
                }
            }
        }
    }

    [Fact] // What is said of the other way is so: read off strings, fingers and half steps alone.
    public void What_another_way_costs_is_true_of_it()
    {
        var (met, wrong) = (new HashSet<CostKind>(), new List<string>());
        foreach (var (choice, fingers) in InRandomTunes())
        {
            var (kind, other, chosen) = (choice.Dearer!.Value, choice.Other!.Value, choice.Note.Placement!.Value);
            Placement[] beside =
            [
                .. new[] { choice.Before, choice.After }.Select(n => n?.Placement).OfType<Placement>(),
            ];
            met.Add(kind);
            var words = new DearerWords(choice, fingers.Player).Of(kind, other);
            if (!IsSo(kind, fingers, choice, other, chosen, beside))
            {
                wrong.Add(
                    $"{kind}: {fingers.Player.Instrument.Id}, {choice.Note.Note.Pitch} by {chosen.Pair} between "
                        + $"{string.Join(" and ", beside.Select(b => b.Pair))}, not {other.Pair}: {words}"
                );
            }
        }

        Assert.Empty(wrong);
        // Most kinds come up; the others need a pin or a class with a record.
        Assert.True(met.Count >= 20, string.Join(", ", met.Order()));
    }

    private static bool IsSo(
        CostKind kind,
        Fingers fingers,
        Choice choice,
        Placement other,
        Placement chosen,
        Placement[] beside
    )
    {
        var player = fingers.Player;
        return kind switch
        {
            CostKind.Crossing or CostKind.CrossingInSlur => beside.Any(b => b.String != other.String),
            CostKind.StringSkipped => beside.Any(b => Math.Abs(b.String - other.String) > 1),
            CostKind.HighFourth => other is { Finger: 4, Word: PlaceWord.High },
            CostKind.LowOrHigh => other.Word != PlaceWord.Regular,
            CostKind.NeighboursFinger => other.String == chosen.String && other.Finger != chosen.Finger,
            CostKind.ExtendedFourth => other.Reach,
            CostKind.FingerSlides => beside.Any(b =>
                b.String == other.String && b.Finger == other.Finger && b.Semitones != other.Semitones
            ),
            CostKind.FingerHops or CostKind.TwoHeights => beside.Any(b =>
                b.Finger == other.Finger && Math.Abs(b.String - other.String) == 1
            ),
            CostKind.FourthForOpen => chosen.IsOpen && other.Finger == 4,
            // The line comes down to the string below, or ends there.
            CostKind.OpenForFourth when other.IsOpen => chosen.Finger == 4
                && (choice.After?.Placement is not { } after || after.String < other.String),
            CostKind.OpenForFourth => beside.Any(b => b.String != other.String),
            CostKind.FingerInTwoPlaces => IsInTwoPlaces(WithNeighbours(choice, fingers, other)),
            CostKind.FingerForOpen => chosen.IsOpen && other.Finger is > 0 and < 4,
            CostKind.OpenStretch or CostKind.CloseStretch or CostKind.StretchedHand or CostKind.StretchedFinger =>
                player.FrameOf(other).Stretch != Stretch.None || player.FrameOf(chosen).Stretch != Stretch.None,
            CostKind.OtherFingerInLine or CostKind.OtherThanBefore => fingers.Notes.Any(n =>
                n != choice.Note && n.Note.Pitch == choice.Note.Note.Pitch && n.Placement?.Pair == chosen.Pair
            ),
            CostKind.FingerSubstituted => beside.Any(b =>
                b.String == other.String && b.Semitones == other.Semitones && b.Finger != other.Finger
            ),
            CostKind.NotLearned or CostKind.NotPinned => false,
            _ => player.FrameOf(other).Height != player.FrameOf(chosen).Height
                || beside.Any(b => player.FrameOf(b).Height != player.FrameOf(other).Height),
        };
    }

    /// <summary>The notes with which a note makes three, itself played the other way.</summary>
    private static Placement[] WithNeighbours(Choice choice, Fingers fingers, Placement other)
    {
        var at = fingers.Notes.ToList().IndexOf(choice.Note);
        var notes = fingers.Notes.Index().Where(n => Math.Abs(n.Index - at) <= 2);
        return [.. notes.Select(n => n.Index == at ? other : n.Item.Placement).OfType<Placement>()];
    }

    private static bool IsInTwoPlaces(Placement[] played) =>
        played
            .Zip(played.Skip(2))
            .Concat(played.Zip(played.Skip(1)))
            .Any(p =>
                (p.First.String, p.First.Finger) == (p.Second.String, p.Second.Finger)
                && p.First.Semitones != p.Second.Semitones
            );
}
