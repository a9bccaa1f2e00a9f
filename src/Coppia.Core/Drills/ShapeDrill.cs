using Coppia.Core.Exercises;
using Coppia.Core.Shapes;

namespace Coppia.Core.Drills;

/// <summary>Hand shapes: drawn on their string, or named from their drawing (craft 5 and 12).</summary>
internal static class ShapeDrill
{
    public static ShapeJudgement Judge(ShapeQuestion asked, HandShape shape, ShapeReply reply)
    {
        int[] given = [.. reply.Semitones.Where(s => s > 0).Distinct().Order()];
        ShapeSpot[] missing = [.. shape.Spots.Where(s => !given.Contains(s.Placement.Semitones))];
        int[] extra = [.. given.Where(g => shape.Spots.All(s => s.Placement.Semitones != g))];
        if (missing.Length == 0 && extra.Length == 0)
            return new ShapeJudgement(MistakeKind.Right, shape);
        if (!asked.Drawn)
            return new ShapeJudgement(MistakeKind.OtherShape, shape);
        foreach (var spot in missing)
        {
            if (Array.Find(extra, e => Math.Abs(e - spot.Placement.Semitones) == 1) is > 0 and var off)
                return new ShapeJudgement(MistakeKind.LowHigh, shape, spot, off);
        }

        return missing.Length > 0
            ? new ShapeJudgement(MistakeKind.MissingFinger, shape, missing[0])
            : new ShapeJudgement(MistakeKind.ExtraFinger, shape, null, extra[0]);
    }
}
