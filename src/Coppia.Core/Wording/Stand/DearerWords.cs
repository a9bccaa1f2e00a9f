using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Stand;

/// <summary>What another way of playing a note would cost most (craft 6), its neighbours staying as they are.</summary>
public sealed class DearerWords(Choice choice, Player player)
{
    private readonly Placement _chosen = choice.Note.Placement!.Value;

    public string Of(CostKind kind, Placement other) =>
        kind switch
        {
            CostKind.NotLearned when !player.PlaysOn(other.String) => "the class does not play on the "
                + $"{Labels.Note(player.Instrument.Strings[other.String], player.Style)} string yet",
            CostKind.NotLearned =>
                $"the class has not learned {English.LowerFirst(Labels.PlaceName(other.Pair, player))} yet",
            CostKind.CrossingInSlur => "you would cross strings inside the slur",
            CostKind.Crossing => Crossing(other),
            CostKind.StringSkipped => $"the bow would jump over a string{Jump(other)}",
            CostKind.Shift
            or CostKind.OutsidePositions
            or CostKind.FrameThereAndBack
            or CostKind.AboveFirst
            or CostKind.Start => $"the hand would have to be in {Spoken(other)}",
            CostKind.HandSlide =>
                $"the hand would have to slide to {(SameHeight(other) ? "it and back" : Spoken(other))}",
            CostKind.OpenStretch or CostKind.CloseStretch or CostKind.StretchedHand or CostKind.StretchedFinger =>
                ClosesFirst(other)
                    ? "the hand would have to close and stretch again"
                    : "the hand would have to stretch",
            CostKind.ExtendedFourth => "the fourth finger would have to reach",
            CostKind.HighFourth => "high 4 is a stretch",
            CostKind.LowOrHigh => $"{other.Finger} would stand off its regular place",
            CostKind.NeighboursFinger => $"{other.Finger} has a letter of its own",
            CostKind.FingerSlides =>
                $"finger {other.Finger} would have to slide{FromOrTo(n => IsOneFingerTwice(n, other))}",
            CostKind.FingerInTwoPlaces => "one finger would need two places within three notes",
            CostKind.FingerSubstituted => "another finger would have to take over the same sound",
            CostKind.FingerHops or CostKind.TwoHeights =>
                $"finger {other.Finger} would have to hop across{FromOrTo(n => IsSameFingerAcross(n, other))}",
            CostKind.FourthForOpen => FourthForOpen(other),
            CostKind.OpenForFourth => choice.After is { } after
                ? $"the line comes down to {Called(after)}, where 4 is on the string already"
                : "the line ends on the lower string",
            CostKind.OtherFingerInLine => $"elsewhere in the line {Called(choice.Note)} is {Chosen()}",
            CostKind.OtherThanBefore => $"the same bar had {Chosen()} before",
            CostKind.NotPinned => "you chose this one",
            _ => "it needs a finger high up where the open string rings by itself",
        };

    /// <summary>The hand is stretched already, and only the other way asks it to close.</summary>
    private bool ClosesFirst(in Placement other) =>
        player.FrameOf(_chosen).Stretch != Stretch.None && player.FrameOf(other).Stretch == Stretch.None;

    /// <summary>The other way crosses where the chosen one does not.</summary>
    private bool CrossesFrom(FingeredNote? neighbour, Placement other) =>
        Crosses(neighbour, other) && !Crosses(neighbour, _chosen);

    private static bool Crosses(FingeredNote? neighbour, Placement p) =>
        neighbour?.Placement is { } at && at.String != p.String;

    private string Crossing(Placement other) =>
        (CrossesFrom(choice.Before, other), CrossesFrom(choice.After, other)) switch
        {
            (true, true) => "you would cross to it and straight back",
            (_, true) => $"you would cross right after, for {Called(choice.After!)}",
            (true, _) => $"you would cross to it from {Called(choice.Before!)}",
            _ => "you would cross strings once more",
        };

    private string Jump(Placement other) =>
        CrossesFrom(choice.Before, other) ? $" from {Called(choice.Before!)}"
        : choice.After is { } after ? $" to {Called(after)}"
        : "";

    private string FourthForOpen(Placement other)
    {
        var strings = player.Instrument.Strings;
        return other.Finger == 4 && other.String + 1 < strings.Count && SoundsAs(other, other.String + 1)
            ? $"it needs the weakest finger where open {Labels.Note(strings[other.String + 1], player.Style)} "
                + "rings by itself"
            : "the fourth finger would have to take over the same sound";

        bool SoundsAs(Placement p, int open) => strings[p.String].Midi + p.Semitones == strings[open].Midi;
    }

    private string FromOrTo(Func<FingeredNote?, bool> concerns) =>
        concerns(choice.Before) ? $" from {Called(choice.Before!)}"
        : concerns(choice.After) ? $" to {Called(choice.After!)}"
        : "";

    private static bool IsOneFingerTwice(FingeredNote? n, Placement p) =>
        n?.Placement is { } at && at.Finger == p.Finger && at.String == p.String && at.Semitones != p.Semitones;

    private static bool IsSameFingerAcross(FingeredNote? n, Placement p) =>
        n?.Placement is { } at && at.Finger == p.Finger && Math.Abs(at.String - p.String) == 1;

    private bool SameHeight(Placement other) => player.FrameOf(_chosen).Height == player.FrameOf(other).Height;

    private string Spoken(Placement other) => player.FrameOf(other).Spoken;

    private string Called(FingeredNote note) => Labels.Note(note.Note.Pitch, player.Style);

    private string Chosen() => English.LowerFirst(Labels.PlaceName(_chosen.Pair, player));
}
