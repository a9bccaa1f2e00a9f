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
    public sealed record Solution(IReadOnlyList<int> Way, int Cost, ThroughTable Through);

    /// <summary>Costs of the best ways through each choice, all in one array.</summary>
    public sealed class ThroughTable
    {
        private readonly int[] _costs;
        private readonly int[] _starts;

        internal ThroughTable(IReadOnlyList<LatticeStep> steps)
        {
            _starts = new int[steps.Count + 1];
            for (var i = 0; i < steps.Count; i++) _starts[i + 1] = _starts[i] + steps[i].Choices.Length;
            _costs = new int[_starts[^1]];
            Array.Fill(_costs, Unreached);
        }

        public int Count => _starts.Length - 1;

        public Span<int> this[int step] => _costs.AsSpan(_starts[step], _starts[step + 1] - _starts[step]);
    }

    public static Solution Solve(FingerLattice lattice, FingerCost cost)
    {
        var steps = lattice.Steps;
        var through = new ThroughTable(steps);
        if (steps.Count == 0) return new Solution([], 0, through);
        if (steps.Count == 1) return SolveOne(steps[0], cost, through);

        var moves = AllMoves(steps, cost);
        // Pairs of choices of steps i and i + 1 lie from starts[i] on, the second choice running fastest.
        var starts = new int[moves.Length + 1];
        for (var i = 0; i < moves.Length; i++) starts[i + 1] = starts[i] + moves[i].Length;
        var came = new byte[starts[^1]];
        var forward = Forward(steps, moves, starts, cost, came);
        Backward(steps, moves, starts, cost, forward, through);
        return new Solution(Trace(steps, forward, came, starts, out var total), total, through);
    }

    private static Solution SolveOne(LatticeStep step, FingerCost cost, ThroughTable through)
    {
        var best = 0;
        for (var k = 0; k < step.Choices.Length; k++)
        {
            through[0][k] = cost.Note(step, step.Choices[k]) + cost.FirstFourth(step, step.Choices[k]);
            if (through[0][k] < through[0][best]) best = k;
        }

        return new Solution([best], through[0][best], through);
    }

    /// <summary>Moves between equal choices in equal circumstances are worked out once.</summary>
    private static int[][] AllMoves(IReadOnlyList<LatticeStep> steps, FingerCost cost)
    {
        var names = new Dictionary<Placement[], int>(ReferenceEqualityComparer.Instance);
        var known = new Dictionary<long, int[]>();
        var moves = new int[steps.Count - 1][];
        var from = NameOf(steps[0].Choices);
        for (var i = 1; i < steps.Count; i++)
        {
            var step = steps[i];
            var to = NameOf(step.Choices);
            var circumstances = (i == 1 ? 1 : 0) | (step.Slurred ? 2 : 0) | (step.AfterRest ? 4 : 0) | (step.InSlur ? 8 : 0) | (step.IsLast ? 16 : 0) | (steps[i - 1].InSlur ? 32 : 0) | (step.Apart ? 64 : 0);
            var key = (long)from << 35 | (long)to << 7 | (long)circumstances;
            if (!known.TryGetValue(key, out var move)) known[key] = move = Moves(steps, i, cost);
            moves[i - 1] = move;
            from = to;
        }

        return moves;

        int NameOf(Placement[] choices)
        {
            if (!names.TryGetValue(choices, out var name)) names[choices] = name = names.Count;
            return name;
        }
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

    /// <summary>For each pair of choices the cheapest start that ends with it; <paramref name="came"/> keeps the choice before.</summary>
    private static int[] Forward(IReadOnlyList<LatticeStep> steps, int[][] moves, int[] starts, FingerCost cost, byte[] came)
    {
        var forward = new int[starts[^1]];
        moves[0].CopyTo(forward, 0);
        for (var i = 1; i < moves.Length; i++)
        {
            Placement[] z = steps[i - 1].Choices, a = steps[i].Choices, b = steps[i + 1].Choices;
            int before = starts[i - 1], here = starts[i];
            for (var k = 0; k < a.Length; k++)
            {
                for (var m = 0; m < b.Length; m++)
                {
                    var least = Unreached;
                    for (var y = 0; y < z.Length; y++)
                    {
                        var sofar = forward[before + y * a.Length + k];
                        if (sofar >= least) continue;
                        sofar += cost.Three(z[y], a[k], b[m]);
                        if (sofar >= least) continue;
                        least = sofar;
                        came[here + k * b.Length + m] = (byte)y;
                    }

                    forward[here + k * b.Length + m] = least + moves[i][k * b.Length + m];
                }
            }
        }

        return forward;
    }

    /// <summary>Goes back from the end with the cheapest completions, and sums up what the best way through each choice costs.</summary>
    private static void Backward(IReadOnlyList<LatticeStep> steps, int[][] moves, int[] starts, FingerCost cost, int[] forward, ThroughTable through)
    {
        // Only the completions after the present pair are needed: two rows that change places.
        var widest = moves.Max(m => m.Length);
        int[] after = new int[widest], completion = new int[widest];
        for (var i = moves.Length - 1; i >= 0; i--)
        {
            Placement[] a = steps[i].Choices, b = steps[i + 1].Choices;
            var isLast = i == moves.Length - 1;
            Placement[] c = isLast ? [] : steps[i + 2].Choices;
            var throughA = through[i];
            var throughB = through[i + 1];
            for (var k = 0; k < a.Length; k++)
            {
                for (var m = 0; m < b.Length; m++)
                {
                    var least = isLast ? 0 : Unreached;
                    for (var n = 0; n < c.Length; n++)
                    {
                        var rest = moves[i + 1][m * c.Length + n] + after[m * c.Length + n];
                        if (rest < least) least = Math.Min(least, rest + cost.Three(a[k], b[m], c[n]));
                    }

                    completion[k * b.Length + m] = least;
                    var whole = forward[starts[i] + k * b.Length + m] + least;
                    throughA[k] = Math.Min(throughA[k], whole);
                    throughB[m] = Math.Min(throughB[m], whole);
                }
            }

            (after, completion) = (completion, after);
        }
    }

    private static int[] Trace(IReadOnlyList<LatticeStep> steps, int[] forward, byte[] came, int[] starts, out int total)
    {
        var way = new int[steps.Count];
        var at = starts[^2];
        for (var k = at + 1; k < forward.Length; k++)
        {
            if (forward[k] < forward[at]) at = k;
        }

        total = forward[at];
        var width = steps[^1].Choices.Length;
        way[^1] = (at - starts[^2]) % width;
        way[^2] = (at - starts[^2]) / width;
        for (var i = starts.Length - 2; i >= 1; i--)
            way[i - 1] = came[starts[i] + way[i] * steps[i + 1].Choices.Length + way[i + 1]];
        return way;
    }
}
