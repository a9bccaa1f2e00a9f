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
    public sealed record Solution(IReadOnlyList<int> Way, int Cost, Lazy<ThroughTable> Through);

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

    /// <summary>One way solved forwards: enough to know it, not yet what every other costs. Solving again changes it in place.</summary>
    /// <param name="Costs">For each pair of choices the cheapest start that ends with it, above the cheapest of its row.</param>
    /// <param name="Came">The choice before, for each pair.</param>
    /// <param name="Steps">By how much the cheapest of each row exceeds that of the row before.</param>
    internal sealed record Pass(MoveTables Tables, int[] Costs, byte[] Came, int[] Steps, int[] Way)
    {
        public int Cost => Steps.Sum();
    }

    public static Solution Solve(FingerLattice lattice, FingerCost cost)
    {
        var steps = lattice.Steps;
        if (steps.Count == 0) return new Solution([], 0, new Lazy<ThroughTable>(() => new ThroughTable(steps)));
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

        return new Solution([best], through[0][best], new Lazy<ThroughTable>(through));
    }

    /// <summary>The cheapest way through a line of two notes at least.</summary>
    internal static Pass Forward(MoveTables tables)
    {
        var pairs = tables.Starts[^1];
        var pass = new Pass(tables, new int[pairs], new byte[pairs], new int[tables.Moves.Length], []);
        return Solved(pass, null);
    }

    /// <summary>The cheapest way where some notes have other prices than before: only what that changes is worked out again.</summary>
    /// <param name="repriced">For each move whether it has another price.</param>
    internal static Pass Again(Pass pass, bool[] repriced) => Solved(pass, repriced);

    private static Pass Solved(Pass pass, bool[]? repriced)
    {
        var (steps, moves, starts) = (pass.Tables.Lattice.Steps, pass.Tables.Moves, pass.Tables.Starts);
        var row = new int[pass.Tables.Widest];
        var changed = false;
        for (var i = 0; i < moves.Length; i++)
        {
            if (repriced is not null && !changed && !repriced[i]) continue;
            var here = pass.Costs.AsSpan(starts[i], moves[i].Length);
            var fresh = row.AsSpan(0, here.Length);
            if (i == 0) moves[0].CopyTo(fresh);
            else Row(pass, i, fresh);
            AddOwn(pass.Tables, i, fresh);
            var least = fresh[0];
            foreach (var cost in fresh) least = Math.Min(least, cost);
            for (var k = 0; k < fresh.Length; k++) fresh[k] -= least;
            pass.Steps[i] = least;

            // Once a row is as it was, so is everything after it up to the next new price.
            changed = repriced is null || !fresh.SequenceEqual(here);
            fresh.CopyTo(here);
        }

        return pass with { Way = Trace(steps, pass.Costs, pass.Came, starts) };
    }

    /// <summary>What the second note of a pair ought to agree with; in the first pair also what the first ought to.</summary>
    private static void AddOwn(MoveTables tables, int i, Span<int> fresh)
    {
        var (second, first) = (tables.Own(i + 1), i == 0 ? tables.Own(0) : null);
        if (second is null && first is null) return;
        var width = tables.Lattice.Steps[i + 1].Choices.Length;
        for (var k = 0; k < fresh.Length; k++) fresh[k] += (second?[k % width] ?? 0) + (first?[k / width] ?? 0);
    }

    private static void Row(Pass pass, int i, Span<int> fresh)
    {
        var (tables, steps, starts) = (pass.Tables, pass.Tables.Lattice.Steps, pass.Tables.Starts);
        var (y, k, m) = (steps[i - 1].Choices.Length, steps[i].Choices.Length, steps[i + 1].Choices.Length);
        ReadOnlySpan<int> before = pass.Costs.AsSpan(starts[i - 1], y * k), move = tables.Moves[i], threes = tables.Cost.Threes;
        ReadOnlySpan<byte> into = tables.Into(i - 1), ends = tables.Ends(i - 1);
        var came = pass.Came.AsSpan(starts[i], k * m);
        for (var a = 0; a < k; a++)
        {
            for (var b = 0; b < m; b++)
            {
                var least = Unreached;
                var from = 0;
                for (var z = 0; z < y; z++)
                {
                    var sofar = before[z * k + a];
                    if (sofar >= least) continue;
                    sofar += threes[into[z * k + a] & ends[z * m + b]];
                    if (sofar >= least) continue;
                    (least, from) = (sofar, z);
                }

                came[a * m + b] = (byte)from;
                fresh[a * m + b] = least + move[a * m + b];
            }
        }
    }

    /// <summary>The solution, which goes back over the line only when it is asked what another way would cost.</summary>
    internal static Solution Finish(Pass pass) => new(pass.Way, pass.Cost, new Lazy<ThroughTable>(() => Backward(pass)));

    /// <summary>Goes back from the end with the cheapest completions, and sums up what the best way through each choice costs.</summary>
    private static ThroughTable Backward(Pass pass)
    {
        var (steps, moves, starts) = (pass.Tables.Lattice.Steps, pass.Tables.Moves, pass.Tables.Starts);
        var through = new ThroughTable(steps);
        var threes = pass.Tables.Cost.Threes;
        var sofar = pass.Cost;

        // Only the completions after the present pair are needed: two rows that change places.
        int[] after = new int[pass.Tables.Widest], completion = new int[pass.Tables.Widest];
        for (var i = moves.Length - 1; i >= 0; i--)
        {
            var (k, m) = (steps[i].Choices.Length, steps[i + 1].Choices.Length);
            var isLast = i == moves.Length - 1;
            var n = isLast ? 0 : steps[i + 2].Choices.Length;
            int[] next = isLast ? [] : moves[i + 1];
            var own = isLast ? null : pass.Tables.Own(i + 2);
            byte[] into = pass.Tables.Into(i), ends = isLast ? [] : pass.Tables.Ends(i);
            var throughA = through[i];
            var throughB = through[i + 1];
            for (var a = 0; a < k; a++)
            {
                for (var b = 0; b < m; b++)
                {
                    var least = isLast ? 0 : Unreached;
                    for (var c = 0; c < n; c++) least = Math.Min(least, next[b * n + c] + (own?[c] ?? 0) + after[b * n + c] + threes[into[a * m + b] & ends[a * n + c]]);
                    completion[a * m + b] = least;
                    var whole = sofar + pass.Costs[starts[i] + a * m + b] + least;
                    throughA[a] = Math.Min(throughA[a], whole);
                    throughB[b] = Math.Min(throughB[b], whole);
                }
            }

            sofar -= pass.Steps[i];
            (after, completion) = (completion, after);
        }

        return through;
    }

    private static int[] Trace(IReadOnlyList<LatticeStep> steps, int[] costs, byte[] came, int[] starts)
    {
        var way = new int[steps.Count];
        var at = starts[^2];
        for (var k = at + 1; k < costs.Length; k++)
        {
            if (costs[k] < costs[at]) at = k;
        }

        var width = steps[^1].Choices.Length;
        way[^1] = (at - starts[^2]) % width;
        way[^2] = (at - starts[^2]) / width;
        for (var i = starts.Length - 2; i >= 1; i--)
            way[i - 1] = came[starts[i] + way[i] * steps[i + 1].Choices.Length + way[i + 1]];
        return way;
    }
}
