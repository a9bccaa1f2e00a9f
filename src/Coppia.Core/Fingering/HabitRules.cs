namespace Coppia.Core.Fingering;

/// <summary>A way that the teacher's pin forbids.</summary>
internal sealed record NotPinned(int Price) : CostRule(CostKind.NotPinned)
{
    public override int Cost(in Situation s) => s.Step.Allows(s.At) ? 0 : Price;
}

/// <summary>
/// Another finger than this pitch has in its line, or in its bar; open strings and the fourth finger for them have
/// their own rule.
/// </summary>
internal sealed record OtherFingerInLine(int InLine, int InBar) : CostRule(CostKind.OtherFingerInLine)
{
    public override int Cost(in Situation s)
    {
        if (
            s.Step.Habit is not { InLine: { } usual } habit
            || s.At.IsOpen
            || s.Hand.StandsForOpen(s.At)
            || usual.SamePair(s.At)
        )
            return 0;
        return habit.InBar ? InBar : InLine;
    }
}

/// <summary>Another way than the first time the bar came.</summary>
/// <param name="AtSeam">The same next to music that is other than it was then.</param>
internal sealed record OtherThanBefore(int Price, int AtSeam) : CostRule(CostKind.OtherThanBefore)
{
    public override int Cost(in Situation s)
    {
        if (s.Step.Habit is not { AsBefore: { } before } habit || before.SamePair(s.At))
            return 0;
        return habit.AtSeam ? AtSeam : Price;
    }
}
