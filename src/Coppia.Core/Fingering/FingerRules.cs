using Coppia.Core.Knowledge;

namespace Coppia.Core.Fingering;

/// <summary>One finger slides between two places on one string while the hand stays.</summary>
internal sealed record FingerSlides(int Price) : CostRule(CostKind.FingerSlides)
{
    public override int Cost(in Situation s) =>
        s.IsOneFingerOnAString && s.At.Semitones != s.From.Semitones && s.Frame.SharesPosition(s.Before) ? Price : 0;
}

/// <summary>One finger hops to the neighbouring string at the same height.</summary>
internal sealed record FingerHops(int Price) : CostRule(CostKind.FingerHops)
{
    public override int Cost(in Situation s) =>
        s.IsOneFinger && s.Crossed == 1 && s.At.Semitones == s.From.Semitones ? Price : 0;
}

/// <summary>One finger at two heights on neighbouring strings.</summary>
internal sealed record TwoHeights(int Price) : CostRule(CostKind.TwoHeights)
{
    public override int Cost(in Situation s) =>
        s.IsOneFinger && s.Crossed == 1 && s.At.Semitones != s.From.Semitones ? Price : 0;
}

/// <summary>Another finger for the very same sound straight after.</summary>
internal sealed record FingerSubstituted(int Price) : CostRule(CostKind.FingerSubstituted)
{
    public override int Cost(in Situation s) =>
        s.Crossed == 0 && s.At.Semitones == s.From.Semitones && s.At.Finger != s.From.Finger ? Price : 0;
}

/// <summary>
/// The fourth finger for an open string, where something speaks for it. A repeated note pays once, so that three quick
/// notes on an open string are still one trip to it.
/// </summary>
internal sealed record FourthForOpen(FourthFinger School, FingerWeights Weights) : CostRule(CostKind.FourthForOpen)
{
    public override int Cost(in Situation s) => s.Hand.StandsForOpen(s.At) ? Price(s.Step.Fourth) : 0;

    private int Price(FourthReason reason) =>
        (School, reason) switch
        {
            (FourthFinger.FourthFirst, _) => Weights.FourthFourthFirst,
            (_, FourthReason.None) => 0,
            (FourthFinger.OpenFirst, FourthReason.Quick) => Weights.FourthWithoutReason,
            (FourthFinger.OpenFirst, _) => Weights.FourthOpenFirstInSlur,
            _ => Weights.FourthBalanced,
        };
}

/// <summary>
/// Where the fourth finger comes first: an open string when the line comes down to, or ends on, the string below.
/// </summary>
internal sealed record OpenForFourth(FourthFinger School, int Price) : CostRule(CostKind.OpenForFourth)
{
    public override int Cost(in Situation s)
    {
        if (School != FourthFinger.FourthFirst || !s.Hand.Player.Instrument.FourthStandsForOpen)
            return 0;
        var comesDown = s.From.IsOpen && s.At.String < s.From.String;
        var endsAbove = s.At.IsOpen && s.Step.IsLast && s.From.String == s.At.String - 1;
        return comesDown || endsAbove ? Price : 0;
    }
}
