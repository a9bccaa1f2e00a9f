using Coppia.Core.Instruments;

namespace Coppia.Core.Fingering;

/// <summary>Where a line begins: the hand comes from the lowest positions, as freely as after an open string.</summary>
/// <param name="Percent">What is felt of that way.</param>
internal sealed record BeginsUpTheNeck(int Percent) : CostRule(CostKind.Start)
{
    public override int Cost(in Situation s) => s.Frame.Reluctance + s.Hand.FromHome(s.At) * Percent / 100;
}

/// <summary>A line begins in a stretched hand.</summary>
internal sealed record BeginsStretched(int Price) : CostRule(CostKind.OpenStretch)
{
    public override int Cost(in Situation s) => s.Frame.Stretch != Stretch.None ? Price : 0;
}

/// <summary>The hand opens into a stretched frame, where it stands or as it arrives from elsewhere.</summary>
/// <param name="OffUpperFinger">Added while an upper finger holds the string, so that nothing anchors the hand.</param>
internal sealed record OpenStretch(int Price, int OffUpperFinger) : CostRule(CostKind.OpenStretch)
{
    public override int Cost(in Situation s) =>
        s.Frame.Stretch == Stretch.None || s.From.Frame == s.At.Frame ? 0
        : s.ChangesHeight || !CloseStretch.NothingAnchors(s) ? Price
        : Price + OffUpperFinger;
}

/// <summary>The hand closes again where it stands.</summary>
/// <param name="OffUpperFinger">Added while an upper finger holds the string.</param>
internal sealed record CloseStretch(int Price, int OffUpperFinger) : CostRule(CostKind.CloseStretch)
{
    public override int Cost(in Situation s) =>
        s.Frame.Stretch != Stretch.None || s.From.Frame == s.At.Frame || s.ChangesHeight ? 0
        : NothingAnchors(s) ? Price + OffUpperFinger
        : Price;

    /// <summary>The hand opens or closes forwards with upper fingers down before and after.</summary>
    public static bool NothingAnchors(in Situation s) =>
        s.From.Finger > 1
        && s.At.Finger > 1
        && (s.Before.Stretch == Stretch.Forward || s.Frame.Stretch == Stretch.Forward);
}

/// <summary>
/// A small slide of the whole hand between two of the lowest positions, where the instrument has that.
/// </summary>
/// <param name="FreePercent">What is felt of it after an open string or a rest.</param>
internal sealed record HandSlide(int FreePercent) : CostRule(CostKind.HandSlide)
{
    public override int Cost(in Situation s)
    {
        if (!s.ChangesHeight || s.Hand.Shifts(s.From, s.At))
            return 0;
        var felt = s.From.IsOpen || s.Step.AfterRest ? FreePercent : 100;
        return s.Hand.Player.Instrument.Moves.Cost(s.Before, s.Frame) * felt / 100 + (s.IsOneFingerOnAString ? 1 : 0);
    }
}

/// <summary>The hand moves to another position; the moment decides how much of that is felt.</summary>
internal sealed record Shift(FingerWeights Weights) : CostRule(CostKind.Shift)
{
    public override int Cost(in Situation s)
    {
        if (!s.Hand.Shifts(s.From, s.At))
            return 0;
        var felt = s.Hand.Player.Instrument.Moves.Cost(s.Before, s.Frame) * MomentPercent(s) / 100;
        var heard =
            (s.Step.Slurred ? Weights.ShiftInSlur : 0)
            + (s.IsOneFingerOnAString && s.At.Finger > 2 ? Weights.ShiftOnUpperFinger : 0);
        return felt + heard;
    }

    /// <summary>
    /// Least after an open string, then a rest, a low finger that guides the hand, the start of a bar.
    /// </summary>
    private int MomentPercent(in Situation s) =>
        s.From.IsOpen ? Weights.ShiftFromOpen
        : s.Step.AfterRest ? Weights.ShiftAfterRest
        : s.IsOneFingerOnAString && s.At.Finger <= 2 ? Weights.ShiftOnLowFinger
        : s.Step.StartsBar && !s.Step.Slurred ? Weights.ShiftAtBar
        : 100;
}

/// <summary>A shift to a frame that stands back when others would do as well.</summary>
internal sealed record ReluctantFrame() : CostRule(CostKind.Start)
{
    public override int Cost(in Situation s) => s.Hand.Shifts(s.From, s.At) ? s.Frame.Reluctance : 0;
}
