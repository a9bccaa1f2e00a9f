using Coppia.Core.Exercises;

namespace Coppia.Core.Drills;

/// <summary>Signs written by hand over their model, or where it was seen (craft 12).</summary>
internal static class PenDrill
{
    /// <summary>
    /// So much of the model must lie under the ink, and no more of the ink may lie away from it, in hundredths (from
    /// memory).
    /// </summary>
    private const int EnoughCovered = 70;
    private const int MostAstray = 35;

    public static PenJudgement Judge(PenQuestion asked, PenReply reply) =>
        new(
            reply.OnPaper ? MistakeKind.Right
                : reply.Astray > MostAstray ? MistakeKind.PenAstray
                : reply.Covered < EnoughCovered ? MistakeKind.PenMissing
                : MistakeKind.Right,
            asked.Sign,
            reply.OnPaper
        );
}
