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

    /// <summary>One way solved forwards: enough to know it, not yet what every other costs.</summary>
    internal sealed record Pass(MoveTables Tables, int[] Costs, int[] Way, int Cost);

    public static Solution Solve(FingerLattice lattice, FingerCost cost)
    {
        var steps = lattice.Steps;
        if (steps.Count == 0) return new Solution([], 0, new ThroughTable(steps));
        return steps.Count == 1 ? SolveOne(lattice, cost) : Finish(Forward(MoveTables.Of(lattice, cost)));
    }

    private static Solution SolveOne(FingerLattice lattice, FingerCost cost)
    {
        var step = lattice.Steps[0];
        var through = new ThroughTable(lattice.Steps);
        var best = 0;
        for (var k = 0; k < step.Choices.Length; k++)
        {
            through[0][k] = cost.Note(step, step.Choices[k]) + cost.Habit(step, step.Choices[k]) + cost.First(step, step.Choices[k]);
            if (through[0][k] < through[0][best]) best = k;
        }

        return new Solution([best], through[0][best], through);
    }

    /// <summary>For each pair of choices the cheapest start that ends with it, and the cheapest way of all. Two notes at least.</summary>
    internal static Pass Forward(MoveTables tables)
    {
        var (steps, moves, starts) = (tables.Lattice.Steps, tables.Moves, tables.Starts);
        var costs = new int[starts[^1]];
        var came = new byte[starts[^1]];
        moves[0].CopyTo(costs, 0);
        for (var i = 1; i < moves.Length; i++)
        {
            var three = tables.Threes[i - 1];
            var move = moves[i];
            var (y, k, m) = (steps[i - 1].Choices.Length, steps[i].Choices.Length, steps[i + 1].Choices.Length);
            var before = costs.AsSpan(starts[i - 1], y * k);
            var here = costs.AsSpan(starts[i], k * m);
            for (var a = 0; a < k; a++)
            {
                for (var b = 0; b < m; b++)
                {
                    var least = Unreached;
                    var from = 0;
                    for (var z = 0; z < y; z++)
                    {
                        var sofar = before[z * k + a] + three[(z * k + a) * m + b];
                        if (sofar >= least) continue;
                        (least, from) = (sofar, z);
                    }

                    came[starts[i] + a * m + b] = (byte)from;
                    here[a * m + b] = least + move[a * m + b];
                }
            }
        }

        var way = Trace(steps, costs, came, starts, out var total);
        return new Pass(tables, costs, way, total);
    }

    /// <summary>Goes back from the end with the cheapest completions, and sums up what the best way through each choice costs.</summary>
    internal static Solution Finish(Pass pass)
    {
        var (steps, moves, starts) = (pass.Tables.Lattice.Steps, pass.Tables.Moves, pass.Tables.Starts);
        var through = new ThroughTable(steps);

        // Only the completions after the present pair are needed: two rows that change places.
        var widest = moves.Max(m => m.Length);
        int[] after = new int[widest], completion = new int[widest];
        for (var i = moves.Length - 1; i >= 0; i--)
        {
            var (k, m) = (steps[i].Choices.Length, steps[i + 1].Choices.Length);
            var isLast = i == moves.Length - 1;
            var n = isLast ? 0 : steps[i + 2].Choices.Length;
            int[] next = isLast ? [] : moves[i + 1], three = isLast ? [] : pass.Tables.Threes[i];
            var throughA = through[i];
            var throughB = through[i + 1];
            for (var a = 0; a < k; a++)
            {
                for (var b = 0; b < m; b++)
                {
                    var least = isLast ? 0 : Unreached;
                    for (var c = 0; c < n; c++) least = Math.Min(least, next[b * n + c] + after[b * n + c] + three[(a * m + b) * n + c]);
                    completion[a * m + b] = least;
                    var whole = pass.Costs[starts[i] + a * m + b] + least;
                    throughA[a] = Math.Min(throughA[a], whole);
                    throughB[b] = Math.Min(throughB[b], whole);
                }
            }

            (after, completion) = (completion, after);
        }

        return new Solution(pass.Way, pass.Cost, through);
    }

    private static int[] Trace(IReadOnlyList<LatticeStep> steps, int[] costs, byte[] came, int[] starts, out int total)
    {
        var way = new int[steps.Count];
        var at = starts[^2];
        for (var k = at + 1; k < costs.Length; k++)
        {
            if (costs[k] < costs[at]) at = k;
        }

        total = costs[at];
        var width = steps[^1].Choices.Length;
        way[^1] = (at - starts[^2]) % width;
        way[^2] = (at - starts[^2]) / width;
        for (var i = starts.Length - 2; i >= 1; i--)
            way[i - 1] = came[starts[i] + way[i] * steps[i + 1].Choices.Length + way[i + 1]];
        return way;
    }
}
