namespace Coppia.Core.Practice;

/// <summary>Where one stands on a tempo ladder.</summary>
/// <param name="Rung">Order of the rung, from 0.</param>
/// <param name="Clean">Clean repeats on it, one after another; 0 to <see cref="TempoLadder.CleanToClimb"/>.</param>
/// <param name="Failed">Failures on it, one after another; below <see cref="TempoLadder.FailsToFall"/>.</param>
public readonly record struct Climb(int Rung, int Clean, int Failed);

/// <summary>A place on the ladder, and where a try leads from it.</summary>
/// <param name="At">The place.</param>
/// <param name="IfClean">After a clean try.</param>
/// <param name="IfNot">After one that was not.</param>
/// <param name="Reached">The tempo that a clean try masters; null where more are wanted, or it is mastered.</param>
public sealed record ClimbStep(Climb At, Climb IfClean, Climb IfNot, int? Reached);

/// <summary>
/// How a ladder is climbed (craft 22): enough clean tries climb a rung, enough failures fall one, and on a rung each
/// begins to count anew.
/// </summary>
public static class Climbing
{
    /// <summary>Every place that a learner can come to, the start first.</summary>
    public static IReadOnlyList<ClimbStep> Places(this TempoLadder ladder)
    {
        var places = new List<ClimbStep>();
        var open = new Queue<Climb>([new Climb(ladder.Start, 0, 0)]);
        var seen = new HashSet<Climb>(open);
        while (open.TryDequeue(out var at))
        {
            var step = new ClimbStep(at, ladder.Clean(at), Failed(at), ladder.Mastered(at));
            places.Add(step);
            foreach (var next in new[] { step.IfClean, step.IfNot }.Where(seen.Add))
                open.Enqueue(next);
        }

        return places;
    }

    /// <summary>On the highest rung, and it has been played clean often enough.</summary>
    public static bool IsAtTheTop(this TempoLadder ladder, Climb at) =>
        at.Rung == ladder.Rungs.Count - 1 && at.Clean >= TempoLadder.CleanToClimb;

    private static Climb Clean(this TempoLadder ladder, Climb at)
    {
        var clean = Math.Min(TempoLadder.CleanToClimb, at.Clean + 1);
        return clean < TempoLadder.CleanToClimb || at.Rung == ladder.Rungs.Count - 1
            ? new Climb(at.Rung, clean, 0)
            : new Climb(at.Rung + 1, 0, 0);
    }

    private static Climb Failed(Climb at) =>
        at.Failed + 1 < TempoLadder.FailsToFall
            ? new Climb(at.Rung, 0, at.Failed + 1)
            : new Climb(Math.Max(0, at.Rung - 1), 0, 0);

    /// <summary>A rung that is left upwards, or the last clean try that the top one wants.</summary>
    private static int? Mastered(this TempoLadder ladder, Climb at) =>
        at.Clean + 1 == TempoLadder.CleanToClimb ? ladder.Rungs[at.Rung] : null;
}
