using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;

namespace Coppia.Core.Fingering;

/// <summary>A note outside the positions that the class is allowed.</summary>
internal sealed record OutsidePositions(int Price) : CostRule(CostKind.OutsidePositions)
{
    public override int Cost(in Situation s) => s.Hand.Player.Allows(s.At.Frame) ? 0 : Price;
}

/// <summary>
/// What the class has not learned, where it has learned another way: a string, a finger's place, one of the lowest
/// positions. Higher ones have their own price: a group goes up there together, with those of its notes that need not.
/// </summary>
internal sealed record NotLearned(int Price) : CostRule(CostKind.NotLearned)
{
    public override int Cost(in Situation s)
    {
        var player = s.Hand.Player;
        if (!s.Step.IsLearned || player.Knows(s.At))
            return 0;
        return s.Frame.IsHome || !player.PlaysOn(s.At.String) || !player.HasLearned(s.At) ? Price : 0;
    }
}

/// <summary>A fingered note above first position, for each semitone that the hand stands above it.</summary>
internal sealed record AboveFirst(int Price) : CostRule(CostKind.AboveFirst)
{
    public override int Cost(in Situation s) => s.At.IsOpen ? 0 : Price * s.Hand.AboveFirst(s.At);
}

/// <summary>The fourth finger for an open string where nothing speaks for it: every note pays.</summary>
internal sealed record FourthWithoutReason(FourthFinger School, int Price) : CostRule(CostKind.FourthForOpen)
{
    public override int Cost(in Situation s) =>
        School != FourthFinger.FourthFirst && s.Step.Fourth == FourthReason.None && s.Hand.StandsForOpen(s.At)
            ? Price
            : 0;
}

/// <summary>
/// A finger high up for a note that the next open string sounds, where the fourth finger is no substitute for it.
/// </summary>
internal sealed record FingerForOpen(int Price) : CostRule(CostKind.FingerForOpen)
{
    public override int Cost(in Situation s) =>
        !s.Hand.Player.Instrument.FourthStandsForOpen && s.Hand.SoundsAsNextOpen(s.At) ? Price : 0;
}

/// <summary>A note in a stretched hand.</summary>
internal sealed record StretchedHand(int Price) : CostRule(CostKind.StretchedHand)
{
    public override int Cost(in Situation s) => s.Frame.Stretch != Stretch.None ? Price : 0;
}

/// <summary>A note under a finger that the stretch moved.</summary>
internal sealed record StretchedFinger(int Price) : CostRule(CostKind.StretchedFinger)
{
    public override int Cost(in Situation s) => s.Hand.IsMoved(s.At) ? Price : 0;
}

/// <summary>A finger that reaches for one letter more.</summary>
internal sealed record ExtendedFourth(int Price) : CostRule(CostKind.ExtendedFourth)
{
    public override int Cost(in Situation s) => s.At.Reach ? Price : 0;
}

/// <summary>High 4, a stretch.</summary>
internal sealed record HighFourth(int Price) : CostRule(CostKind.HighFourth)
{
    public override int Cost(in Situation s) => s.At is { Word: PlaceWord.High, Finger: 4 } ? Price : 0;
}

/// <summary>A low or high place of another finger.</summary>
internal sealed record LowOrHigh(int Price) : CostRule(CostKind.LowOrHigh)
{
    public override int Cost(in Situation s) =>
        s.At.Word switch
        {
            PlaceWord.Low => Price,
            PlaceWord.High when s.At.Finger != 4 => Price,
            _ => 0,
        };
}

/// <summary>A neighbour's finger for a letter that has its own.</summary>
internal sealed record NeighboursFinger(int Price) : CostRule(CostKind.NeighboursFinger)
{
    public override int Cost(in Situation s) => s.At.OwnLetter ? 0 : Price;
}
