namespace Coppia.Tests;

/// <summary>
/// Every rule of the cost alone, on the smallest music that shows it. The order of the rules is craft 6, common
/// practice; the figures are ours, written down from the table of weights before the program was asked.
/// </summary>
public class FingerCostTests
{
    /// <summary>
    /// A place such as "D4 G4 I": string and finger, pitch, position, and "back" or "forward" for a stretched hand.
    /// </summary>
    private static Placement Place(Instrument player, string place)
    {
        var parts = place.Split(' ');
        var pitch = Pitch.Parse(parts[1]);
        var stretch = parts.Length > 3 ? Enum.Parse<Stretch>(parts[3], ignoreCase: true) : Stretch.None;
        var frame = player
            .Frames.Index()
            .First(f =>
                f.Item.Position == parts[2]
                && f.Item.Stretch == stretch
                && (parts[0][1] == '0' || Placements.Fingered(player, pitch).Any(p => p.Frame == f.Index && Is(p)))
            )
            .Index;
        return Placements.Of(player, pitch, frame).First(p => p.Frame == frame && Is(p));

        bool Is(Placement p) => player.StringName(p.String) == parts[0][..1] && p.Finger == parts[0][1] - '0';
    }

    private static LatticeStep Step(string circumstances = "")
    {
        var bar = new Bar { Time = new TimeSignature(4, 4) };
        var note = new SoundingNote(
            1,
            "n",
            [],
            Pitch.Parse("A4"),
            bar,
            Fraction.Zero,
            Fraction.Zero,
            Fraction.Quarter,
            circumstances.Contains("slurred"),
            circumstances.Contains("rest") ? Fraction.Quarter : Fraction.Zero,
            new ScoreEvent(),
            false
        );
        return new LatticeStep(
            note,
            [],
            IsFirst: false,
            IsLast: circumstances.Contains("last"),
            InSlur: circumstances.Contains("slurred"),
            Apart: circumstances.Contains("apart")
        )
        {
            StartsBar = circumstances.Contains("bar"),
            Fourth =
                circumstances.Contains("quick") ? FourthReason.Quick
                : circumstances.Contains("slur") ? FourthReason.Slur
                : FourthReason.None,
        };
    }

    private static string Told(IEnumerable<CostPart> parts) =>
        string.Join(", ", parts.Select(p => $"{p.Kind} {p.Amount}").Order(StringComparer.Ordinal));

    private static FingerCost Cost(Instrument player, FourthFinger fourth = FourthFinger.Balanced) =>
        new(new Player(player, new HouseStyle { FourthFinger = fourth }), FingerWeights.Default);

    [Theory]
    // The plainest music costs nothing.
    [InlineData("violin", "A0 A4 I", "A0 A4 I", "", "")]
    [InlineData("violin", "D1 E4 I", "D1 E4 I", "", "")]
    [InlineData("violin", "D1 E4 I", "D2 F#4 I", "", "")]
    [InlineData("violin", "D0 D4 I", "D1 E4 I", "", "")]
    // Crossings.
    [InlineData("violin", "D3 G4 I", "A0 A4 I", "", "Crossing 4")]
    [InlineData("violin", "D3 G4 I", "A0 A4 I", "slurred", "Crossing 4, CrossingInSlur 14")]
    [InlineData("violin", "D0 D4 I", "E0 E5 I", "", "Crossing 4, StringSkipped 12")]
    [InlineData("violin", "G0 G3 I", "E0 E5 I", "", "Crossing 4, StringSkipped 24")]
    [InlineData("violin", "D3 G4 I", "A0 A4 I", "apart", "")]
    // One finger.
    [InlineData("violin", "D1 E4 I", "A1 B4 I", "", "Crossing 4, FingerHops 4")]
    [InlineData("violin", "D2 F4 I", "A2 C#5 I", "", "Crossing 4, TwoHeights 3")]
    [InlineData("violin", "D2 F#4 I", "D2 F4 I", "", "FingerSlides 8, LowOrHigh 2")]
    [InlineData("violin", "D2 F#4 I", "D3 Gb4 I", "", "FingerSubstituted 4, LowOrHigh 2")]
    // Low, high, a neighbour's finger, the fourth finger's reaches; what repeats pays once.
    [InlineData("violin", "D1 E4 I", "D2 F4 I", "", "LowOrHigh 2")]
    [InlineData("violin", "D2 F4 I", "D2 F4 I", "", "")]
    [InlineData("violin", "A3 D5 I", "A4 E#5 I", "", "HighFourth 20")]
    [InlineData("violin", "D1 E4 I", "D2 E#4 I", "", "LowOrHigh 2, NeighboursFinger 3")]
    [InlineData("violin", "E3 A5 I", "E4 C6 I", "", "ExtendedFourth 38")]
    [InlineData("violin", "E4 C6 I", "E4 C6 I", "", "")]
    // The cello's stretches.
    [InlineData("cello", "D1 E3 I", "D2 F#3 I forward", "", "OpenStretch 8, StretchedFinger 4, StretchedHand 2")]
    [InlineData("cello", "D2 F3 I", "D4 G#3 I forward", "", "OpenStretch 16, StretchedFinger 4, StretchedHand 2")]
    [InlineData("cello", "D2 F#3 I forward", "D4 G#3 I forward", "", "StretchedFinger 4, StretchedHand 2")]
    [InlineData("cello", "D4 G#3 I forward", "D1 E3 I", "", "CloseStretch 2")]
    [InlineData("cello", "D4 G#3 I forward", "D2 F3 I", "", "CloseStretch 10")]
    [InlineData("cello", "D0 D3 I", "D1 Eb3 I back", "", "OpenStretch 8, StretchedFinger 4, StretchedHand 2")]
    // A finger high up where the next open string rings by itself: the cello's 1 in fourth position.
    [InlineData("cello", "G1 D3 IV", "G1 D3 IV", "", "")]
    [InlineData("cello", "G4 F3 IV", "G1 D3 IV", "", "FingerForOpen 6")]
    // A shift, 34 and 6 a semitone, and its moments: open string 40 %, rest 50, low finger 88, bar 90; in a slur and on
    // an upper finger dearer.
    [InlineData("viola", "A3 D5 I", "A4 G5 III", "", "Shift 52")]
    [InlineData("viola", "A0 A4 I", "A4 G5 III", "", "Shift 20")]
    [InlineData("viola", "A3 D5 I", "A4 G5 III", "rest", "Shift 26")]
    [InlineData("viola", "A1 B4 I", "A1 D5 III", "", "Shift 45")]
    [InlineData("viola", "A3 D5 I", "A4 G5 III", "bar", "Shift 46")]
    [InlineData("viola", "A3 D5 I", "A4 G5 III", "slurred", "Shift 66")]
    [InlineData("viola", "A4 E5 I", "A4 G5 III", "slurred", "Shift 74")]
    [InlineData("viola", "A2 C#5 I", "A2 E5 III", "slurred", "Shift 59")]
    // The bass slides between half and first position, half as dear again after an open string.
    [InlineData("bass", "D2 F3 I", "D1 Eb3 half", "", "HandSlide 11")]
    [InlineData("bass", "D1 E3 I", "D1 Eb3 half", "", "HandSlide 12")]
    [InlineData("bass", "D0 D3 I", "D1 Eb3 half", "", "HandSlide 7")]
    [InlineData("bass", "G4 B3 I", "G4 D4 III", "", "Shift 60, Start 2")]
    public void A_step_costs_what_its_rule_says(
        string instrument,
        string from,
        string to,
        string circumstances,
        string parts
    )
    {
        var player = Lines.Instrument(instrument);
        Assert.Equal(parts, Told(Cost(player).StepParts(Step(circumstances), Place(player, from), Place(player, to))));
    }

    [Theory]
    [InlineData(FourthFinger.Balanced, "quick", "FourthForOpen 5")]
    [InlineData(FourthFinger.Balanced, "slur", "FourthForOpen 5")]
    [InlineData(FourthFinger.Balanced, "", "")]
    [InlineData(FourthFinger.OpenFirst, "slur", "FourthForOpen 9")]
    [InlineData(FourthFinger.OpenFirst, "quick", "FourthForOpen 90")]
    [InlineData(FourthFinger.FourthFirst, "", "FourthForOpen 1")]
    public void A_fourth_finger_for_an_open_string_costs_by_setting_and_reason(
        FourthFinger setting,
        string circumstances,
        string parts
    )
    {
        var told = Cost(StringSection.Violin, setting)
            .StepParts(
                Step(circumstances),
                Place(StringSection.Violin, "D3 G4 I"),
                Place(StringSection.Violin, "D4 A4 I")
            );
        Assert.Equal(parts, Told(told));
    }

    [Theory] // Fourth first: an open string where the line comes down to, or ends on, the string below.
    [InlineData("A0 A4 I", "D3 G4 I", "", "Crossing 4, OpenForFourth 12")]
    [InlineData("D3 G4 I", "A0 A4 I", "last", "Crossing 4, OpenForFourth 12")]
    [InlineData("D3 G4 I", "A0 A4 I", "", "Crossing 4")]
    [InlineData("A0 A4 I", "A1 B4 I", "", "")]
    [InlineData("A1 B4 I", "D3 G4 I", "", "Crossing 4")]
    public void An_open_string_costs_where_the_fourth_finger_comes_first(
        string from,
        string to,
        string circumstances,
        string parts
    )
    {
        var told = Cost(StringSection.Violin, FourthFinger.FourthFirst)
            .StepParts(Step(circumstances), Place(StringSection.Violin, from), Place(StringSection.Violin, to));
        Assert.Equal(parts, Told(told));
    }

    [Theory]
    [InlineData("violin", "D4 A4 I", "", "FourthForOpen 90")] // without a reason, each time
    [InlineData("violin", "D4 A4 I", "quick", "")]
    [InlineData("violin", "A0 A4 I", "", "")]
    [InlineData("viola", "A4 G5 III", "", "AboveFirst 3, OutsidePositions 18")]
    [InlineData("viola", "A0 A4 III", "", "OutsidePositions 18")]
    [InlineData("bass", "G4 D4 III", "", "AboveFirst 3")]
    [InlineData("cello", "D4 G#3 I forward", "", "")]
    public void A_note_costs_by_itself_where_its_hand_is(
        string instrument,
        string place,
        string circumstances,
        string parts
    )
    {
        var player = Lines.Instrument(instrument);
        Assert.Equal(parts, Told(Cost(player).NoteParts(Step(circumstances), Place(player, place))));
    }

    [Theory]
    [InlineData("violin", "D2 F#4 I", "D1 E4 I", "D2 F4 I", "FingerInTwoPlaces 5")]
    [InlineData("violin", "D2 F#4 I", "D1 E4 I", "D2 F#4 I", "")]
    [InlineData("violin", "D2 F#4 I", "D1 E4 I", "A2 C5 I", "")]
    [InlineData("violin", "D0 D4 I", "D1 E4 I", "D0 D4 I", "")]
    [InlineData("viola", "A1 B4 I", "A4 G5 III", "A1 B4 I", "FrameThereAndBack 10")]
    [InlineData("bass", "D2 F3 I", "D1 Eb3 half", "D2 F3 I", "")] // a slide is no leaving of the hand
    public void Three_notes_show_what_two_do_not(
        string instrument,
        string first,
        string middle,
        string last,
        string parts
    )
    {
        var player = Lines.Instrument(instrument);
        Assert.Equal(
            parts,
            Told(Cost(player).ThreeParts(Place(player, first), Place(player, middle), Place(player, last)))
        );
    }

    [Theory]
    [InlineData("cello", "D1 Eb3 I back", "OpenStretch 8, StretchedFinger 4, StretchedHand 2")]
    [InlineData("cello", "D1 Eb3 half", "Start 30")]
    [InlineData("bass", "D1 Eb3 half", "Start 2")]
    [InlineData("violin", "A0 A4 I", "")]
    // from first position, as after an open string: 40 % of 34 and three semitones at 6
    [InlineData("violin", "E1 A5 III", "Start 20")]
    [InlineData("bass", "G4 D4 III", "Start 22")] // the same, and 2 for the position
    public void A_line_begins_at_a_price(string instrument, string place, string parts)
    {
        var player = Lines.Instrument(instrument);
        Assert.Equal(parts, Told(Cost(player).FirstParts(Step(), Place(player, place))));
    }

    [Theory] // The same pitch elsewhere in the line, in the bar, and where the bar came before.
    [InlineData("cello", "D3 F#3 I", "D2 F#3 I forward", "line", "OtherFingerInLine 16")]
    [InlineData("cello", "D4 F#3 half", "D2 F#3 I forward", "line", "OtherFingerInLine 16")]
    [InlineData("cello", "D3 F#3 I", "D2 F#3 I forward", "bar", "OtherFingerInLine 28")]
    [InlineData("cello", "D2 F#3 I forward", "D2 F#3 I forward", "line", "")]
    [InlineData("violin", "D4 A4 I", "A0 A4 I", "before", "OtherThanBefore 60")]
    [InlineData("violin", "D4 A4 I", "A0 A4 I", "seam", "OtherThanBefore 18")]
    [InlineData("violin", "D4 A4 I", "A0 A4 I", "line", "")] // an open string and its fourth finger have their own rule
    public void A_habit_is_dear_to_leave(string instrument, string elsewhere, string here, string where, string parts)
    {
        var player = Lines.Instrument(instrument);
        var usual = Place(player, elsewhere);
        var step = where switch
        {
            "before" => Step() with { Habit = new Habit(AsBefore: usual) },
            "seam" => Step() with { Habit = new Habit(AsBefore: usual, AtSeam: true) },
            _ => Step() with { Habit = new Habit(InLine: usual, InBar: where == "bar") },
        };
        Assert.Equal(parts, Told(Cost(player).HabitParts(step, Place(player, here))));
    }

    // Craft 6 puts them in this order: what the class has not learned or allowed, a shift, a stretch, high 4, other low
    // and high places …
    [Fact]
    public void The_weights_keep_the_order_of_the_craft()
    {
        var w = FingerWeights.Default;
        var shift = HandMoves.Usual.Cost(StringSection.Violin.Frames[1], StringSection.Violin.Frames[2]);
        Assert.True(
            shift >= w.ExtendedFourth && w.ExtendedFourth > w.HighFourth && w.HighFourth > w.LowOrHigh,
            "shift, stretch, high 4, low"
        );
        Assert.True(
            w.CrossingInSlur + w.Crossing > w.Crossing
                && w.StringSkipped > w.Crossing
                && w.FingerInTwoPlaces > w.FingerHops - 1,
            "crossings"
        );
        Assert.True(
            w.OtherThanBeforeAtSeam == w.CrossingInSlur + w.Crossing,
            "only what is worse than a crossing inside a slur may differ at a seam"
        );
    }
}
