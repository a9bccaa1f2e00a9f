using Coppia.Core.Instruments;

namespace Coppia.Core.Fingering;

/// <summary>
/// All costs that a line's ways are made of, worked out once for equal situations: the moves between neighbouring
/// choices, and what shows only over three.
/// </summary>
internal sealed class MoveTables
{
    private readonly int[] _names;
    private readonly Dictionary<long, int[]> _known = [];
    private readonly Dictionary<int, int[]> _own = [];

    /// <summary>Bits for pairs of equal arrays of choices, worked out when first asked for.</summary>
    private readonly PairBits _into;
    private readonly PairBits _ends;

    private MoveTables(FingerLattice lattice, FingerCost cost)
    {
        (Lattice, Cost) = (lattice, cost);
        _names = Names(lattice.Steps, out var kinds);
        (_into, _ends) = (new PairBits(kinds, cost.Into), new PairBits(kinds, cost.Ends));
        Moves = new int[lattice.Steps.Count - 1][];
    }

    public FingerLattice Lattice { get; }

    public FingerCost Cost { get; }

    /// <summary>
    /// For each note but the first the cost of going into it, its own included, the choice gone to running fastest; the
    /// first note's own cost rides on the first move.
    /// </summary>
    public int[][] Moves { get; }

    /// <summary>
    /// What a note's step to the next makes of three (<see cref="FingerCost.Into"/>), the next note's choice running
    /// fastest.
    /// </summary>
    public byte[] Into(int i) => Between(_into, i, i + 1);

    /// <summary>
    /// What a note makes of three with the note after next (<see cref="FingerCost.Ends"/>), the latter's choice running
    /// fastest.
    /// </summary>
    public byte[] Ends(int i) => Between(_ends, i, i + 2);

    /// <param name="stop">Nobody waits for it any more.</param>
    public static MoveTables Of(FingerLattice lattice, FingerCost cost, CancellationToken stop = default)
    {
        var steps = lattice.Steps;
        var tables = new MoveTables(lattice, cost);
        for (var i = 1; i < steps.Count; i++)
        {
            stop.ThrowIfCancellationRequested();
            tables.Moves[i - 1] = tables.MoveInto(i);
            tables.Widest = Math.Max(tables.Widest, tables.Moves[i - 1].Length);
        }

        for (var i = 0; i < steps.Count; i++)
            tables.Price(i);

        return tables;
    }

    /// <summary>Most pairs of choices that two neighbours have.</summary>
    public int Widest { get; private set; }

    /// <summary>
    /// For each note what its ways cost more because of what it ought to agree with; null at almost every note.
    /// </summary>
    public int[]? Own(int i) => _own.Count > 0 && _own.TryGetValue(i, out var own) ? own : null;

    /// <summary>Takes the price of what a note of the lattice has been told to agree with.</summary>
    /// <returns>Whether that is another price than before.</returns>
    public bool Price(int note)
    {
        var step = Lattice.Steps[note];
        if (step.Pin is null && step.Habit is null)
            return false;
        var own = new int[step.Choices.Length];
        for (var k = 0; k < own.Length; k++)
            own[k] = Cost.Habit(step, step.Choices[k]);
        if (Own(note) is { } already ? own.AsSpan().SequenceEqual(already) : !own.AsSpan().ContainsAnyExcept(0))
            return false;
        _own[note] = own;
        return true;
    }

    private int[] MoveInto(int i)
    {
        var (before, step) = (Lattice.Steps[i - 1], Lattice.Steps[i]);
        var circumstances =
            (i == 1 ? 1 : 0)
            | (step.Slurred ? 2 : 0)
            | (step.AfterRest ? 4 : 0)
            | (step.IsLast ? 8 : 0)
            | (step.Apart ? 16 : 0)
            | (step.StartsBar ? 32 : 0)
            | (int)step.Fourth << 6;
        var key = (long)_names[i - 1] << 36 | (long)_names[i] << 8 | (long)circumstances;
        if (!_known.TryGetValue(key, out var move) || i == 1)
            _known[key] = move = Move(before, step, i == 1);
        return move;
    }

    private int[] Move(LatticeStep before, LatticeStep step, bool isFirst)
    {
        Placement[] from = before.Choices,
            to = step.Choices;
        var moves = new int[from.Length * to.Length];
        for (var a = 0; a < from.Length; a++)
        {
            var first = isFirst ? Cost.Note(before, from[a]) + Cost.First(before, from[a]) : 0;
            for (var b = 0; b < to.Length; b++)
                moves[a * to.Length + b] = first + Cost.Step(step, from[a], to[b]);
        }

        for (var b = 0; b < to.Length; b++)
        {
            var own = Cost.Note(step, to[b]);
            for (var a = 0; a < from.Length; a++)
                moves[a * to.Length + b] += own;
        }

        return moves;
    }

    /// <summary>Equal arrays of choices get one number.</summary>
    private static int[] Names(IReadOnlyList<LatticeStep> steps, out int kinds)
    {
        var known = new Dictionary<Placement[], int>(ReferenceEqualityComparer.Instance);
        var names = new int[steps.Count];
        for (var i = 0; i < names.Length; i++)
        {
            if (!known.TryGetValue(steps[i].Choices, out names[i]))
                known[steps[i].Choices] = names[i] = known.Count;
        }

        kinds = known.Count;
        return names;
    }

    private byte[] Between(PairBits bits, int first, int second) =>
        bits.Of(_names[first], _names[second], Lattice.Steps[first].Choices, Lattice.Steps[second].Choices);

    /// <summary>
    /// Bits for two arrays of choices, worked out once. A tune of many pins has many arrays that come once each; those
    /// are not laid out in a square.
    /// </summary>
    private delegate byte Bits(in Placement from, in Placement to);

    private sealed class PairBits(int kinds, Bits bits)
    {
        private const int MostInSquare = 512;
        private readonly byte[]?[][] _square =
            kinds <= MostInSquare ? [.. Enumerable.Range(0, kinds).Select(_ => new byte[]?[kinds])] : [];
        private readonly Dictionary<long, byte[]> _sparse = [];

        public byte[] Of(int from, int to, Placement[] first, Placement[] second)
        {
            if (kinds <= MostInSquare)
                return _square[from][to] ??= Pairs(first, second);
            var key = (long)from << 32 | (uint)to;
            if (!_sparse.TryGetValue(key, out var pairs))
                _sparse[key] = pairs = Pairs(first, second);
            return pairs;
        }

        private byte[] Pairs(Placement[] from, Placement[] to)
        {
            var pairs = new byte[from.Length * to.Length];
            for (var a = 0; a < from.Length; a++)
            {
                for (var b = 0; b < to.Length; b++)
                    pairs[a * to.Length + b] = bits(from[a], to[b]);
            }

            return pairs;
        }
    }
}
