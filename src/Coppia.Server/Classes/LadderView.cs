using Coppia.Core.Practice;

namespace Coppia.Server.Classes;

/// <summary>A tempo ladder.</summary>
/// <param name="Rungs">Quarters a minute, the slowest first, the goal last.</param>
/// <param name="Start">Order of the rung to begin on.</param>
/// <param name="CleanToClimb">So many clean repeats before the next rung.</param>
/// <param name="FailsToFall">Failing so often goes one rung down.</param>
public sealed record LadderView(IReadOnlyList<int> Rungs, int Start, int CleanToClimb, int FailsToFall)
{
    /// <param name="goal">The tempo to reach; without one there is no ladder.</param>
    internal static LadderView? To(int? goal)
    {
        if (goal is not { } tempo)
            return null;
        var ladder = TempoLadder.To(tempo);
        return new(ladder.Rungs, ladder.Start, TempoLadder.CleanToClimb, TempoLadder.FailsToFall);
    }
}
