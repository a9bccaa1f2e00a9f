namespace Coppia.Core;

/// <summary>All costs that a line's ways are made of, worked out once for equal situations: the moves between neighbouring choices, and what shows only over three.</summary>
internal sealed class MoveTables
{
    private readonly FingerCost _cost;
    private readonly int[] _names;
    private readonly Dictionary<long, int[]> _known = [];

    private MoveTables(FingerLattice lattice, FingerCost cost, int[] names, int[][] moves, int[][] threes, int[] starts) =>
        (Lattice, _cost, _names, Moves, Threes, Starts) = (lattice, cost, names, moves, threes, starts);

    public FingerLattice Lattice { get; }

    /// <summary>For each note but the first the cost of going into it, own cost included, the choice gone to running fastest; the first note's own cost rides on the first move.</summary>
    public int[][] Moves { get; }

    /// <summary>For each note from the third on what shows over it and the two before, the last choice running fastest.</summary>
    public int[][] Threes { get; }

    /// <summary>Pairs of choices of notes i and i + 1 lie from here on in arrays that hold all pairs.</summary>
    public int[] Starts { get; }

    public static MoveTables Of(FingerLattice lattice, FingerCost cost)
    {
        var steps = lattice.Steps;
        var names = Names(steps);
        var tables = new MoveTables(lattice, cost, names, new int[steps.Count - 1][], ThreesOf(steps, names, cost), new int[steps.Count]);
        for (var i = 1; i < steps.Count; i++)
        {
            tables.Moves[i - 1] = tables.MoveInto(i);
            tables.Starts[i] = tables.Starts[i - 1] + tables.Moves[i - 1].Length;
        }

        return tables;
    }

    /// <summary>The same tables for a lattice that differs only in what some notes ought to agree with.</summary>
    public MoveTables For(FingerLattice lattice)
    {
        var tables = new MoveTables(lattice, _cost, _names, [.. Moves], Threes, Starts);
        foreach (var (key, move) in _known) tables._known[key] = move;
        for (var i = 1; i < lattice.Steps.Count; i++)
        {
            if (!ReferenceEquals(lattice.Steps[i], Lattice.Steps[i]) || i == 1 && !ReferenceEquals(lattice.Steps[0], Lattice.Steps[0])) tables.Moves[i - 1] = tables.MoveInto(i);
        }

        return tables;
    }

    private int[] MoveInto(int i)
    {
        var (before, step) = (Lattice.Steps[i - 1], Lattice.Steps[i]);
        var circumstances = (i == 1 ? 1 : 0) | (step.Slurred ? 2 : 0) | (step.AfterRest ? 4 : 0) | (step.IsLast ? 8 : 0) | (step.Apart ? 16 : 0) | (step.StartsBar ? 32 : 0) | (int)step.Fourth << 6;
        var key = (long)_names[i - 1] << 36 | (long)_names[i] << 8 | (long)circumstances;
        if (!_known.TryGetValue(key, out var move) || i == 1) _known[key] = move = Move(before, step, i == 1);
        return HasHabits(step) || i == 1 && HasHabits(before) ? WithHabits(move, before, step, i == 1) : move;
    }

    private int[] Move(LatticeStep before, LatticeStep step, bool isFirst)
    {
        Placement[] from = before.Choices, to = step.Choices;
        var moves = new int[from.Length * to.Length];
        for (var a = 0; a < from.Length; a++)
        {
            var first = isFirst ? _cost.Note(before, from[a]) + _cost.First(before, from[a]) : 0;
            for (var b = 0; b < to.Length; b++) moves[a * to.Length + b] = first + _cost.Step(step, from[a], to[b]);
        }

        for (var b = 0; b < to.Length; b++)
        {
            var own = _cost.Note(step, to[b]);
            for (var a = 0; a < from.Length; a++) moves[a * to.Length + b] += own;
        }

        return moves;
    }

    private static bool HasHabits(LatticeStep step) => step.Pin is not null || step.InLine is not null || step.AsBefore is not null;

    private int[] WithHabits(int[] move, LatticeStep before, LatticeStep step, bool isFirst)
    {
        int[] priced = [.. move];
        for (var b = 0; b < step.Choices.Length; b++)
        {
            var more = _cost.Habit(step, step.Choices[b]);
            for (var a = 0; a < before.Choices.Length; a++) priced[a * step.Choices.Length + b] += more + (isFirst ? _cost.Habit(before, before.Choices[a]) : 0);
        }

        return priced;
    }

    /// <summary>Equal arrays of choices get one number.</summary>
    private static int[] Names(IReadOnlyList<LatticeStep> steps)
    {
        var known = new Dictionary<Placement[], int>(ReferenceEqualityComparer.Instance);
        var names = new int[steps.Count];
        for (var i = 0; i < names.Length; i++)
        {
            if (!known.TryGetValue(steps[i].Choices, out names[i])) known[steps[i].Choices] = names[i] = known.Count;
        }

        return names;
    }

    private static int[][] ThreesOf(IReadOnlyList<LatticeStep> steps, int[] names, FingerCost cost)
    {
        var known = new Dictionary<(int, int, int), int[]>();
        var threes = new int[Math.Max(0, steps.Count - 2)][];
        for (var i = 0; i < threes.Length; i++)
        {
            var key = (names[i], names[i + 1], names[i + 2]);
            if (!known.TryGetValue(key, out var three)) known[key] = three = Three(steps[i].Choices, steps[i + 1].Choices, steps[i + 2].Choices, cost);
            threes[i] = three;
        }

        return threes;
    }

    private static int[] Three(Placement[] a, Placement[] b, Placement[] c, FingerCost cost)
    {
        var three = new int[a.Length * b.Length * c.Length];
        var at = 0;
        foreach (ref readonly var x in a.AsSpan())
        {
            foreach (ref readonly var y in b.AsSpan())
            {
                foreach (ref readonly var z in c.AsSpan()) three[at++] = cost.Three(x, y, z);
            }
        }

        return three;
    }
}
