namespace Coppia.Core.Fingering;

/// <summary>The bow goes to another string.</summary>
internal sealed record Crossing(int Price) : CostRule(CostKind.Crossing)
{
    public override int Cost(in Situation s) => s.Crossed > 0 ? Price : 0;
}

/// <summary>It does so inside a slur.</summary>
internal sealed record CrossingInSlur(int Price) : CostRule(CostKind.CrossingInSlur)
{
    public override int Cost(in Situation s) => s.Crossed > 0 && s.Step.Slurred ? Price : 0;
}

/// <summary>It jumps over strings, each of which counts.</summary>
internal sealed record StringSkipped(int Price) : CostRule(CostKind.StringSkipped)
{
    public override int Cost(in Situation s) => Math.Max(0, s.Crossed - 1) * Price;
}
