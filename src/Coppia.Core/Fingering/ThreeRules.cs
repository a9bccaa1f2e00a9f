using Coppia.Core.Instruments;

namespace Coppia.Core.Fingering;

/// <summary>
/// A rule that shows only over three notes in a row. It holds where both halves hold, which are looked up apart: what
/// the first and the last note make of the right one between them, and what the first step makes of the right last one.
/// </summary>
internal abstract record ThreeRule(CostKind Kind, int Price)
{
    public abstract bool Ends(Hand hand, in Placement first, in Placement last);

    public abstract bool Into(Hand hand, in Placement first, in Placement middle);
}

/// <summary>One finger at two places on one string with a single note of another finger between.</summary>
internal sealed record FingerInTwoPlaces(int Price) : ThreeRule(CostKind.FingerInTwoPlaces, Price)
{
    public override bool Ends(Hand hand, in Placement first, in Placement last) =>
        first.Finger == last.Finger
        && !first.IsOpen
        && first.String == last.String
        && first.Semitones != last.Semitones
        && hand.Frame(first).Height == hand.Frame(last).Height;

    public override bool Into(Hand hand, in Placement first, in Placement middle) => middle.Finger != first.Finger;
}

/// <summary>Leaving a position for one note and coming straight back.</summary>
internal sealed record FrameThereAndBack(int Price) : ThreeRule(CostKind.FrameThereAndBack, Price)
{
    public override bool Ends(Hand hand, in Placement first, in Placement last) =>
        hand.Frame(first).Height == hand.Frame(last).Height;

    public override bool Into(Hand hand, in Placement first, in Placement middle) => hand.Shifts(first, middle);
}
