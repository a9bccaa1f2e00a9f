using Coppia.Core.Instruments;

namespace Coppia.Core.Fingering;

/// <summary>Why a way costs something.</summary>
public enum CostKind
{
    NotLearned,
    OutsidePositions,
    Shift,
    FrameThereAndBack,
    Start,
    OpenStretch,
    CloseStretch,
    StretchedHand,
    StretchedFinger,
    ExtendedFourth,
    HighFourth,
    LowOrHigh,
    NeighboursFinger,
    FingerSlides,
    FingerInTwoPlaces,
    FingerSubstituted,
    FingerHops,
    TwoHeights,
    Crossing,
    CrossingInSlur,
    StringSkipped,
    FourthForOpen,
    OpenForFourth,
    AboveFirst,
    FingerForOpen,
    HandSlide,
    OtherFingerInLine,
    OtherThanBefore,
    NotPinned,
}

/// <summary>One named part of a way's cost.</summary>
public readonly record struct CostPart(CostKind Kind, int Amount);

/// <summary>A note in one of its ways, and where there is one the note before in one of its own.</summary>
public readonly ref struct Situation
{
    private readonly ref readonly Placement _at;
    private readonly ref readonly Placement _from;

    public Situation(Hand hand, LatticeStep step, in Placement at)
        : this(hand, step, at, at) { }

    public Situation(Hand hand, LatticeStep step, in Placement from, in Placement at)
    {
        (Hand, Step) = (hand, step);
        _from = ref from;
        _at = ref at;
    }

    public Hand Hand { get; }

    public LatticeStep Step { get; }

    /// <summary>How the note is played.</summary>
    public ref readonly Placement At => ref _at;

    /// <summary>How the note before is played.</summary>
    public ref readonly Placement From => ref _from;

    public HandFrame Frame => Hand.Frame(_at);

    public HandFrame Before => Hand.Frame(_from);

    /// <summary>How many strings the bow crosses; 0 where it stays.</summary>
    public int Crossed => Math.Abs(_at.String - _from.String);

    /// <summary>One finger plays both notes.</summary>
    public bool IsOneFinger => _at.Finger == _from.Finger && _at.Finger > 0;

    /// <summary>One finger plays both notes on one string.</summary>
    public bool IsOneFingerOnAString => IsOneFinger && _at.String == _from.String;

    /// <summary>The hand is at another height than before.</summary>
    public bool ChangesHeight => Frame.Height != Before.Height;
}

/// <summary>One rule of what a way through a line costs.</summary>
/// <param name="Kind">What its cost is called.</param>
public abstract record CostRule(CostKind Kind)
{
    /// <summary>What it makes of a situation; 0 where it does not apply.</summary>
    public abstract int Cost(in Situation s);
}
