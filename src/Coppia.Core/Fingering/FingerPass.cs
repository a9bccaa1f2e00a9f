namespace Coppia.Core.Fingering;

/// <summary>
/// A line solved forwards, row by row: enough to know the cheapest way, not yet what every other costs. A row holds the
/// pairs of choices of two neighbours.
/// </summary>
internal sealed class FingerPass
{
    /// <summary>More than any way costs, and still small enough to add to.</summary>
    public const int Unreached = int.MaxValue / 4;

    /// <summary>The choice before, for each pair.</summary>
    private readonly PairRows<byte> _came;

    /// <summary>By how much the cheapest of each row exceeds that of the row before.</summary>
    private readonly int[] _least;

    /// <summary>The row that is being worked out.</summary>
    private readonly int[] _fresh;

    private FingerPass(MoveTables tables)
    {
        (Tables, Costs, _came) = (tables, new PairRows<int>(tables.Moves), new PairRows<byte>(tables.Moves));
        (_least, Way, _fresh) = (
            new int[tables.Moves.Length],
            new int[tables.Moves.Length + 1],
            new int[tables.Widest]
        );
    }

    public MoveTables Tables { get; }

    /// <summary>For each pair of choices the cheapest start that ends with it, above the cheapest of its row.</summary>
    public PairRows<int> Costs { get; }

    /// <summary>Index of the choice that the cheapest way takes at each note.</summary>
    public int[] Way { get; }

    public int Cost => _least.Sum();

    /// <summary>The cheapest way through a line of two notes at least.</summary>
    /// <param name="stop">Nobody waits for it any more.</param>
    public static FingerPass Forward(MoveTables tables, CancellationToken stop = default)
    {
        var pass = new FingerPass(tables);
        for (var row = 0; row < tables.Moves.Length; row++)
        {
            stop.ThrowIfCancellationRequested();
            pass.Take(row);
        }

        pass.TakeEnd();
        for (var row = tables.Moves.Length - 1; row >= 1; row--)
            pass.Way[row - 1] = pass.Before(row);
        return pass;
    }

    /// <summary>By how much the cheapest start of a row exceeds that of the row before.</summary>
    public int Least(int row) => _least[row];

    /// <summary>
    /// Solves the line again where some notes have other prices than before: only what that changes is worked out.
    /// </summary>
    /// <param name="repriced">Notes with another price, in order.</param>
    /// <returns>Notes whose way is another now.</returns>
    public List<int> Again(IEnumerable<int> repriced)
    {
        var last = Tables.Moves.Length - 1;
        var stretches = new List<(int First, int Last)>();
        var next = 0;
        foreach (var note in repriced)
        {
            // Once a row is as it was, so is everything after it up to the next new price.
            var first = Math.Max(0, note - 1);
            if (first < next)
                continue;
            for (next = first; next <= last && Take(next); )
                next++;
            next = Math.Min(next, last) + 1;
            stretches.Add((first, next - 1));
        }

        return Retrace(stretches);
    }

    /// <summary>Works out one row.</summary>
    /// <returns>Whether it is another than before.</returns>
    private bool Take(int row)
    {
        var moves = Tables.Moves[row];
        var known = Costs[row];
        var fresh = _fresh.AsSpan(0, known.Length);
        if (row == 0)
            fresh.Clear();
        else
            Starts(row, fresh);
        AddOwn(row, fresh);
        var least = Unreached;
        for (var k = 0; k < fresh.Length; k++)
        {
            fresh[k] += moves[k];
            least = Math.Min(least, fresh[k]);
        }

        for (var k = 0; k < fresh.Length; k++)
            fresh[k] -= least;
        _least[row] = least;
        if (fresh.SequenceEqual(known))
            return false;
        fresh.CopyTo(known);
        return true;
    }

    /// <summary>
    /// What the second note of a pair ought to agree with; in the first pair also what the first ought to.
    /// </summary>
    private void AddOwn(int row, Span<int> fresh)
    {
        var (second, first) = (Tables.Own(row + 1), row == 0 ? Tables.Own(0) : null);
        if (second is null && first is null)
            return;
        var width = Choices(row + 1);
        for (var k = 0; k < fresh.Length; k++)
            fresh[k] += (second?[k % width] ?? 0) + (first?[k / width] ?? 0);
    }

    /// <summary>
    /// For each pair of neighbours the cheapest start that leads to it, without the move between them.
    /// </summary>
    private void Starts(int row, Span<int> fresh)
    {
        var (y, k, m) = (Choices(row - 1), Choices(row), Choices(row + 1));
        ReadOnlySpan<int> before = Costs[row - 1],
            threes = Tables.Cost.Threes;
        ReadOnlySpan<byte> into = Tables.Into(row - 1),
            ends = Tables.Ends(row - 1);
        var came = _came[row];
        for (var a = 0; a < k; a++)
        {
            // A start that costs more by now than another with the worst of three notes to come is out of it, whatever
            // comes; one or two are left as a rule.
            var worth = Unreached;
            for (var z = 0; z < y; z++)
                worth = Math.Min(worth, before[z * k + a] + threes[into[z * k + a]]);
            var least = fresh.Slice(a * m, m);
            var from = came.Slice(a * m, m);
            least.Fill(Unreached);
            for (var z = 0; z < y; z++)
            {
                var sofar = before[z * k + a];
                if (sofar > worth)
                    continue;
                var shown = into[z * k + a];
                var end = ends.Slice(z * m, m);
                for (var b = 0; b < least.Length; b++)
                {
                    var whole = sofar + threes[shown & end[b]];
                    if (whole < least[b])
                        (least[b], from[b]) = (whole, (byte)z);
                }
            }
        }
    }

    /// <summary>
    /// Follows the way back through the rows that were worked out again, and farther while it is another.
    /// </summary>
    private List<int> Retrace(List<(int First, int Last)> stretches)
    {
        var changed = new List<int>();
        var row = Tables.Moves.Length - 1;
        if (stretches.Count > 0 && stretches[^1].Last == row)
        {
            var (one, other) = (Way[^2], Way[^1]);
            TakeEnd();
            if (Way[^1] != other)
                changed.Add(row + 1);
            if (Way[^2] != one)
                changed.Add(row);
        }

        for (var s = stretches.Count - 1; s >= 0; s--)
        {
            for (
                row = Math.Min(row, stretches[s].Last);
                row >= 1 && (row >= stretches[s].First || changed.Count > 0 && changed[^1] <= row + 1);
                row--
            )
            {
                var before = Before(row);
                if (before == Way[row - 1])
                    continue;
                Way[row - 1] = before;
                changed.Add(row - 1);
            }
        }

        return changed;
    }

    /// <summary>The choice before a pair of neighbours that the way takes.</summary>
    private byte Before(int row) => _came[row][Way[row] * Choices(row + 1) + Way[row + 1]];

    /// <summary>The last two notes of the cheapest way.</summary>
    private void TakeEnd()
    {
        var row = Costs[Costs.Count - 1];
        var least = 0;
        for (var k = 1; k < row.Length; k++)
        {
            if (row[k] < row[least])
                least = k;
        }

        (Way[^2], Way[^1]) = Math.DivRem(least, Choices(Way.Length - 1));
    }

    private int Choices(int note) => Tables.Lattice.Steps[note].Choices.Length;
}
