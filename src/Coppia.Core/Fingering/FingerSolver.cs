namespace Coppia.Core;

/// <summary>
/// The cheapest way through a whole line, exactly: dynamic programming over pairs of neighbouring choices, because some costs show only over three notes.
/// Time and memory grow linearly with the notes. Ties go to the choice that stands first, so the answer is always the same.
/// </summary>
public static class FingerSolver
{
    private const int Unreached = int.MaxValue / 4;

    /// <summary>The cheapest way, its cost, and for every choice of every step what the cheapest whole way through it costs.</summary>
    /// <param name="Way">Index of the choice taken at each step.</param>
    /// <param name="Cost">Total cost of that way.</param>
    /// <param name="Through">For each step and choice: cost of the best way that takes this choice.</param>
    public sealed record Solution(IReadOnlyList<int> Way, int Cost, IReadOnlyList<int[]> Through);

    public static Solution Solve(FingerLattice lattice, FingerCost cost)
    {
        var steps = lattice.Steps;
        if (steps.Count == 0) return new Solution([], 0, []);
        if (steps.Count == 1) return SolveOne(steps[0], cost);

        var moves = AllMoves(steps, cost);
        var forward = Forward(steps, moves, cost, out var came);
        var backward = Backward(steps, moves, cost);
        return new Solution(Trace(steps, forward, came, out var total), total, Through(steps, forward, backward));
    }

    private static Solution SolveOne(LatticeStep step, FingerCost cost)
    {
        var through = step.Choices.Select(c => cost.Note(step, c) + cost.FirstFourth(step, c)).ToArray();
        var best = Array.IndexOf(through, through.Min());
        return new Solution([best], through[best], [through]);
    }

    /// <summary>Moves between equal choices in equal circumstances are worked out once.</summary>
    private static int[][] AllMoves(IReadOnlyList<LatticeStep> steps, FingerCost cost)
    {
        var known = new Dictionary<(Placement[] From, Placement[] To, int Circumstances), int[]>();
        var moves = new int[steps.Count - 1][];
        for (var i = 1; i < steps.Count; i++)
        {
            var step = steps[i];
            var circumstances = (i == 1 ? 1 : 0) | (step.Slurred ? 2 : 0) | (step.AfterRest ? 4 : 0) | (step.InSlur ? 8 : 0) | (step.IsLast ? 16 : 0) | (steps[i - 1].InSlur ? 32 : 0) | (step.Apart ? 64 : 0);
            var key = (steps[i - 1].Choices, step.Choices, circumstances);
            if (!known.TryGetValue(key, out var move)) known[key] = move = Moves(steps, i, cost);
            moves[i - 1] = move;
        }

        return moves;
    }

    /// <summary>Costs of going into step i, its own note included; the first note's own cost rides on the first move.</summary>
    private static int[] Moves(IReadOnlyList<LatticeStep> steps, int i, FingerCost cost)
    {
        Placement[] from = steps[i - 1].Choices, to = steps[i].Choices;
        var moves = new int[from.Length * to.Length];
        for (var a = 0; a < from.Length; a++)
        {
            var first = i == 1 ? cost.Note(steps[0], from[a]) + cost.FirstFourth(steps[0], from[a]) : 0;
            for (var b = 0; b < to.Length; b++) moves[a * to.Length + b] = first + cost.Step(steps[i], from[a], to[b]);
        }

        for (var b = 0; b < to.Length; b++)
        {
            var own = cost.Note(steps[i], to[b]);
            for (var a = 0; a < from.Length; a++) moves[a * to.Length + b] += own;
        }

        return moves;
    }

    // forward[i][a·B + b]: cheapest start up to step i + 1 with choices a then b at its end.
    private static int[][] Forward(IReadOnlyList<LatticeStep> steps, int[][] moves, FingerCost cost, out short[][] came)
    {
        var forward = new int[moves.Length][];
        came = new short[moves.Length][];
        forward[0] = moves[0];
        came[0] = [];
        for (var i = 1; i < moves.Length; i++)
        {
            Placement[] z = steps[i - 1].Choices, a = steps[i].Choices, b = steps[i + 1].Choices;
            var best = new int[a.Length * b.Length];
            var from = new short[best.Length];
            for (var k = 0; k < a.Length; k++)
            {
                for (var m = 0; m < b.Length; m++)
                {
                    var least = Unreached;
                    for (var y = 0; y < z.Length; y++)
                    {
                        var sofar = forward[i - 1][y * a.Length + k];
                        if (sofar >= least) continue;
                        sofar += cost.Three(z[y], a[k], b[m]);
                        if (sofar >= least) continue;
                        least = sofar;
                        from[k * b.Length + m] = (short)y;
                    }

                    best[k * b.Length + m] = least + moves[i][k * b.Length + m];
                }
            }

            forward[i] = best;
            came[i] = from;
        }

        return forward;
    }

    // backward[i][a·B + b]: cheapest completion after step i + 1, given choices a then b there.
    private static int[][] Backward(IReadOnlyList<LatticeStep> steps, int[][] moves, FingerCost cost)
    {
        var backward = new int[moves.Length][];
        backward[^1] = new int[moves[^1].Length];
        for (var i = moves.Length - 2; i >= 0; i--)
        {
            Placement[] a = steps[i].Choices, b = steps[i + 1].Choices, c = steps[i + 2].Choices;
            var best = new int[a.Length * b.Length];
            for (var k = 0; k < a.Length; k++)
            {
                for (var m = 0; m < b.Length; m++)
                {
                    var least = Unreached;
                    for (var n = 0; n < c.Length; n++)
                    {
                        var rest = moves[i + 1][m * c.Length + n] + backward[i + 1][m * c.Length + n];
                        if (rest < least) least = Math.Min(least, rest + cost.Three(a[k], b[m], c[n]));
                    }

                    best[k * b.Length + m] = least;
                }
            }

            backward[i] = best;
        }

        return backward;
    }

    private static int[] Trace(IReadOnlyList<LatticeStep> steps, int[][] forward, short[][] came, out int total)
    {
        var way = new int[steps.Count];
        var last = forward[^1];
        var at = 0;
        for (var k = 1; k < last.Length; k++)
        {
            if (last[k] < last[at]) at = k;
        }

        total = last[at];
        var width = steps[^1].Choices.Length;
        way[^1] = at % width;
        way[^2] = at / width;
        for (var i = forward.Length - 1; i >= 1; i--)
            way[i - 1] = came[i][way[i] * steps[i + 1].Choices.Length + way[i + 1]];
        return way;
    }

    private static int[][] Through(IReadOnlyList<LatticeStep> steps, int[][] forward, int[][] backward)
    {
        var through = steps.Select(s => Enumerable.Repeat(Unreached, s.Choices.Length).ToArray()).ToArray();
        for (var i = 0; i < forward.Length; i++)
        {
            var width = steps[i + 1].Choices.Length;
            for (var k = 0; k < forward[i].Length; k++)
            {
                var whole = forward[i][k] + backward[i][k];
                through[i][k / width] = Math.Min(through[i][k / width], whole);
                through[i + 1][k % width] = Math.Min(through[i + 1][k % width], whole);
            }
        }

        return through;
    }
}
