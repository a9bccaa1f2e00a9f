using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>What another way of playing a note would cost most (craft 6), its neighbours staying as they are.</summary>
public sealed class DearerWords(Choice choice, Player player)
{
    private readonly Placement _chosen = choice.Note.Placement!.Value;

    public string Of(CostKind kind, Placement other) =>
        OfTheBow(kind, other)
        ?? OfTheHand(kind, other)
        ?? OfAFinger(kind, other)
        ?? OfTheChoice(kind, other)
        ?? Say("stand.dearer.it-needs-a-finger-high-up-where");

    private string? OfTheChoice(CostKind kind, Placement other) =>
        kind switch
        {
            CostKind.NotLearned when !player.PlaysOn(other.String) => Say(
                "stand.dearer.the-class-does-not-play-on-the",
                ("strings", Labels.Note(player.Instrument.Strings[other.String], player.Style))
            ),
            CostKind.NotLearned => Say(
                "stand.dearer.the-class-has-not-learned-yet",
                ("placeName", English.LowerFirst(Labels.PlaceName(other.Pair, player)))
            ),
            CostKind.FourthForOpen => FourthForOpen(other),
            CostKind.OtherFingerInLine => Say(
                "stand.dearer.elsewhere-in-the-line-is",
                ("called", Called(choice.Note)),
                ("chosen", Chosen())
            ),
            CostKind.OtherThanBefore => Say("stand.dearer.the-same-bar-had-before", ("chosen", Chosen())),
            CostKind.NotPinned => Say("stand.dearer.you-chose-this-one"),
            _ => null,
        };

    private string? OfTheBow(CostKind kind, Placement other) =>
        kind switch
        {
            CostKind.CrossingInSlur => Say("stand.dearer.you-would-cross-strings-inside-the"),
            CostKind.Crossing => Crossing(other),
            CostKind.StringSkipped => Say("stand.dearer.the-bow-would-jump-over-a-string", ("jump", Jump(other))),
            // The open string that should be a fourth finger is the one before: it is left for the string below.
            CostKind.OpenForFourth when !other.IsOpen => Crossing(other),
            CostKind.OpenForFourth => choice.After is { } after
                ? Say("stand.dearer.the-line-comes-down-to-where-4", ("called", Called(after)))
                : Say("stand.dearer.the-line-ends-on-the-lower-string"),
            _ => null,
        };

    private string? OfTheHand(CostKind kind, Placement other) =>
        kind switch
        {
            CostKind.Shift
            or CostKind.OutsidePositions
            or CostKind.FrameThereAndBack
            or CostKind.AboveFirst
            or CostKind.Start => Say("stand.dearer.the-hand-would-have-to-be-in", ("other", Spoken(other))),
            CostKind.HandSlide => Say(
                "stand.dearer.the-hand-would-have-to-slide-to",
                ("what", SameHeight(other) ? Say("stand.dearer.it-and-back") : Spoken(other))
            ),
            CostKind.OpenStretch or CostKind.CloseStretch or CostKind.StretchedHand or CostKind.StretchedFinger =>
                ClosesFirst(other)
                    ? Say("stand.dearer.the-hand-would-have-to-close-and")
                    : Say("stand.dearer.the-hand-would-have-to-stretch"),
            _ => null,
        };

    private string? OfAFinger(CostKind kind, Placement other) =>
        kind switch
        {
            CostKind.ExtendedFourth => Say("stand.dearer.the-fourth-finger-would-have-to-reach"),
            CostKind.HighFourth => Say("stand.dearer.high-4-is-a-stretch"),
            CostKind.LowOrHigh => Say("stand.dearer.would-stand-off-its-regular-place", ("finger", other.Finger)),
            CostKind.NeighboursFinger => Say("stand.dearer.has-a-letter-of-its-own", ("finger", other.Finger)),
            CostKind.FingerSlides => Say(
                "stand.dearer.finger-would-have-to-slide",
                ("finger", other.Finger),
                ("fromOrTo", FromOrTo(n => IsOneFingerTwice(n, other)))
            ),
            CostKind.FingerInTwoPlaces => Say("stand.dearer.one-finger-would-need-two-places"),
            CostKind.FingerSubstituted => Say("stand.dearer.another-finger-would-have-to-take"),
            CostKind.FingerHops or CostKind.TwoHeights => Say(
                "stand.dearer.finger-would-have-to-hop-across",
                ("finger", other.Finger),
                ("fromOrTo", FromOrTo(n => IsSameFingerAcross(n, other)))
            ),
            _ => null,
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
            (true, true) => Say("stand.dearer.you-would-cross-to-it-and-straight"),
            (_, true) => Say("stand.dearer.you-would-cross-right-after-for", ("called", Called(choice.After!))),
            (true, _) => Say("stand.dearer.you-would-cross-to-it-from", ("called", Called(choice.Before!))),
            _ => Say("stand.dearer.you-would-cross-strings-once-more"),
        };

    private string Jump(Placement other) =>
        CrossesFrom(choice.Before, other) ? Say("stand.dearer.jump-from", ("called", Called(choice.Before!)))
        : choice.After is { } after ? Say("stand.dearer.jump-to", ("called", Called(after)))
        : "";

    private string FourthForOpen(Placement other)
    {
        var strings = player.Instrument.Strings;
        return other.Finger == 4 && other.String + 1 < strings.Count && SoundsAs(other, other.String + 1)
            ? Say(
                "stand.dearer.it-needs-the-weakest-finger-where",
                ("strings", Labels.Note(strings[other.String + 1], player.Style))
            )
            : Say("stand.dearer.the-fourth-finger-would-have-to-take");

        bool SoundsAs(Placement p, int open) => strings[p.String].Midi + p.Semitones == strings[open].Midi;
    }

    private string FromOrTo(Func<FingeredNote?, bool> concerns) =>
        concerns(choice.Before) ? Say("stand.dearer.from-or-to-from", ("called", Called(choice.Before!)))
        : concerns(choice.After) ? Say("stand.dearer.from-or-to-to", ("called", Called(choice.After!)))
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
