using Coppia.Core.Practice;
using Coppia.Core.Wording.Learn;

namespace Coppia.Server.Classes;

/// <summary>A place on a ladder, and where a try leads: all of them, so that a page without a network knows.</summary>
/// <param name="Rung">Order of its rung, from 0.</param>
/// <param name="Clean">Clean tries on it so far.</param>
/// <param name="Failed">Failures on it so far.</param>
/// <param name="IfClean">Order of the place after a clean try.</param>
/// <param name="IfNot">Order of the place after one that was not.</param>
/// <param name="Reached">The tempo that a clean try masters; null where it masters none.</param>
/// <param name="Words">What comes next, said.</param>
public sealed record ClimbView(int Rung, int Clean, int Failed, int IfClean, int IfNot, int? Reached, string Words);

/// <summary>A tempo ladder.</summary>
/// <param name="Rungs">Quarters a minute, the slowest first, the goal last.</param>
/// <param name="Start">Order of the rung to begin on.</param>
/// <param name="CleanToClimb">So many clean repeats before the next rung.</param>
/// <param name="Places">Where one can stand on it; the first is the beginning.</param>
public sealed record LadderView(IReadOnlyList<int> Rungs, int Start, int CleanToClimb, IReadOnlyList<ClimbView> Places)
{
    /// <param name="goal">The tempo to reach; without one there is no ladder.</param>
    internal static LadderView? To(int? goal)
    {
        if (goal is not { } tempo)
            return null;
        var ladder = TempoLadder.To(tempo);
        var places = ladder.Places();
        var order = places.Index().ToDictionary(p => p.Item.At, p => p.Index);
        return new(
            ladder.Rungs,
            ladder.Start,
            TempoLadder.CleanToClimb,
            [
                .. places.Select(p => new ClimbView(
                    Rung: p.At.Rung,
                    Clean: p.At.Clean,
                    Failed: p.At.Failed,
                    IfClean: order[p.IfClean],
                    IfNot: order[p.IfNot],
                    Reached: p.Reached,
                    Words: LearnWords.Climb(ladder, p.At)
                )),
            ]
        );
    }
}
