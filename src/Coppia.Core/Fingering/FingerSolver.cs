namespace Coppia.Core.Fingering;

/// <summary>
/// The cheapest way through a whole line, exactly: dynamic programming over pairs of neighbouring choices, because some
/// costs show only over three notes. Time and memory grow linearly with the notes. Ties go to the choice that stands
/// first, so the answer is always the same.
/// </summary>
public static class FingerSolver
{
    /// <summary>
    /// The cheapest way, its cost, and for every choice of every step what the cheapest whole way through it costs.
    /// </summary>
    /// <param name="Way">Index of the choice taken at each step.</param>
    /// <param name="Cost">Total cost of that way.</param>
    /// <param name="Through">For each step and choice: cost of the best way that takes this choice.</param>
    public sealed record Solution(IReadOnlyList<int> Way, int Cost, Lazy<ThroughTable> Through);

    /// <summary>Costs of the best ways through each choice, all in one array.</summary>
    public sealed class ThroughTable
    {
        private readonly int[] _costs;
        private readonly int[] _starts;

        internal ThroughTable(IReadOnlyList<LatticeStep> steps)
        {
            _starts = new int[steps.Count + 1];
            for (var i = 0; i < steps.Count; i++)
                _starts[i + 1] = _starts[i] + steps[i].Choices.Length;
            _costs = new int[_starts[^1]];
            Array.Fill(_costs, FingerPass.Unreached);
        }

        public int Count => _starts.Length - 1;

        public Span<int> this[int step] => _costs.AsSpan(_starts[step], _starts[step + 1] - _starts[step]);
    }

    public static Solution Solve(FingerLattice lattice, FingerCost cost, CancellationToken stop = default)
    {
        var steps = lattice.Steps;
        if (steps.Count == 0)
            return new Solution([], 0, new Lazy<ThroughTable>(() => new ThroughTable(steps)));
        return steps.Count == 1
            ? SolveOne(lattice, cost)
            : Finish(FingerPass.Forward(MoveTables.Of(lattice, cost, stop), stop));
    }

    private static Solution SolveOne(FingerLattice lattice, FingerCost cost)
    {
        var step = lattice.Steps[0];
        var through = new ThroughTable(lattice.Steps);
        var best = 0;
        for (var k = 0; k < step.Choices.Length; k++)
        {
            through[0][k] =
                cost.Note(step, step.Choices[k])
                + cost.Habit(step, step.Choices[k])
                + cost.First(step, step.Choices[k]);
            if (through[0][k] < through[0][best])
                best = k;
        }

        return new Solution([best], through[0][best], new Lazy<ThroughTable>(through));
    }

    /// <summary>
    /// The solution, which goes back over the line only when it is asked what another way would cost.
    /// </summary>
    internal static Solution Finish(FingerPass pass) =>
        new(pass.Way, pass.Cost, new Lazy<ThroughTable>(() => Backward(pass)));

    /// <summary>
    /// Goes back from the end with the cheapest completions, and sums up what the best way through each choice costs.
    /// </summary>
    private static ThroughTable Backward(FingerPass pass)
    {
        var through = new ThroughTable(pass.Tables.Lattice.Steps);
        var sofar = pass.Cost;

        // Only the completions after the present pair are needed: two rows that change places.
        int[] after = new int[pass.Tables.Widest],
            completion = new int[pass.Tables.Widest];
        for (var i = pass.Tables.Moves.Length - 1; i >= 0; i--)
        {
            BackOver(pass, i, sofar, after, completion, through);
            sofar -= pass.Least(i);
            (after, completion) = (completion, after);
        }

        return through;
    }

    /// <summary>Goes back over one pair of neighbours.</summary>
    /// <param name="sofar">What all before it has taken off the costs of the way there.</param>
    /// <param name="after">What the cheapest completions after it cost.</param>
    /// <param name="completion">Takes what they cost from it on.</param>
    private static void BackOver(FingerPass pass, int i, int sofar, int[] after, int[] completion, ThroughTable through)
    {
        var (steps, moves) = (pass.Tables.Lattice.Steps, pass.Tables.Moves);
        var (k, m) = (steps[i].Choices.Length, steps[i + 1].Choices.Length);
        var isLast = i == moves.Length - 1;
        var n = isLast ? 0 : steps[i + 2].Choices.Length;
        int[] next = isLast ? [] : moves[i + 1];
        var own = isLast ? null : pass.Tables.Own(i + 2);
        byte[] into = pass.Tables.Into(i),
            ends = isLast ? [] : pass.Tables.Ends(i);
        var threes = pass.Tables.Cost.Threes;
        var costs = pass.Costs[i];
        var throughA = through[i];
        var throughB = through[i + 1];
        for (var a = 0; a < k; a++)
        {
            for (var b = 0; b < m; b++)
            {
                var least = isLast ? 0 : FingerPass.Unreached;
                for (var c = 0; c < n; c++)
                    least = Math.Min(
                        least,
                        next[b * n + c] + (own?[c] ?? 0) + after[b * n + c] + threes[into[a * m + b] & ends[a * n + c]]
                    );
                completion[a * m + b] = least;
                var whole = sofar + costs[a * m + b] + least;
                throughA[a] = Math.Min(throughA[a], whole);
                throughB[b] = Math.Min(throughB[b], whole);
            }
        }
    }
}
