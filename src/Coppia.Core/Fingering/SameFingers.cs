namespace Coppia.Core;

/// <summary>
/// Two rules that reach farther than three notes (handbook 6): one note, one finger in a line; the same music, the same fingers. The line is solved without them,
/// each note that then disagrees is told what to agree with, and the line is solved again at that price. Where nothing disagrees, nothing is solved twice.
/// </summary>
internal static class SameFingers
{
    /// <summary>Rounds in which what was told may bring up something new to tell; one settles nearly every tune.</summary>
    private const int MostRounds = 6;

    /// <returns>The solution, and the lattice with what its notes were told, which is what the solution is cheapest for.</returns>
    public static (FingerLattice Lattice, FingerSolver.Solution Solution) Solve(FingerLattice lattice, FingerCost cost, IReadOnlyList<(int First, int End)> lines)
    {
        if (lattice.Steps.Count < 2) return (lattice, FingerSolver.Solve(lattice, cost));
        var pass = FingerSolver.Forward(MoveTables.Of(lattice, cost));
        for (var round = 0; round < MostRounds; round++)
        {
            if ((InLines(pass, cost, lines) ?? AsBefore(pass)) is not { } told) break;
            pass = FingerSolver.Forward(pass.Tables.For(told));
        }

        return (pass.Tables.Lattice, FingerSolver.Finish(pass));
    }

    /// <summary>
    /// Each pitch that has two fingers in a line is to take the one it has most often there, and within one bar the one of the hand that holds most of the bar;
    /// the first on a tie. Null where no pitch has two.
    /// </summary>
    private static FingerLattice? InLines(FingerSolver.Pass pass, FingerCost cost, IReadOnlyList<(int First, int End)> lines)
    {
        var (lattice, way) = (pass.Tables.Lattice, pass.Way);
        LatticeStep[]? told = null;
        foreach (var (first, end) in lines)
        {
            foreach (var notes in Torn(first, end))
            {
                if (notes.All(i => lattice.Steps[i].InLine is not null)) continue;
                var usual = notes.GroupBy(Pair).MaxBy(g => g.Count())!.First();
                told ??= [.. lattice.Steps];
                foreach (var i in notes) told[i] = told[i] with { InLine = told[i].AsBefore ?? Fingered(usual) };
            }
        }

        foreach (var (first, end) in lattice.Bars.Bars)
        {
            foreach (var notes in Torn(first, end))
            {
                if (notes.All(i => lattice.Steps[i].InBar)) continue;
                told ??= [.. lattice.Steps];
                var usual = notes.DistinctBy(Pair).MaxBy(i => Held(first, end, Fingered(i)!.Value.Frame));
                var like = notes.Select(i => told[i].AsBefore).FirstOrDefault(b => b is { IsOpen: false }) ?? Fingered(usual);
                foreach (var i in notes) told[i] = told[i] with { InLine = like, InBar = true };
            }
        }

        return told is null ? null : lattice with { Steps = told };

        // An open string and the fourth finger that replaces it have their own rule.
        Placement? Fingered(int i)
        {
            var at = lattice.Steps[i].Choices[way[i]];
            return at.IsOpen || cost.StandsForOpen(at) ? null : at;
        }

        int Held(int first, int end, int frame) => Enumerable.Range(first, end - first).Count(k => Fingered(k) is not null && lattice.Steps[k].Choices.Any(c => c.Frame == frame));

        (int, int) Pair(int i) => (Fingered(i)!.Value.String, Fingered(i)!.Value.Finger);

        // Almost every stretch is in order: one look finds that out.
        IEnumerable<int[]> Torn(int first, int end)
        {
            var met = new Dictionary<Pitch, Placement>();
            HashSet<Pitch>? torn = null;
            for (var i = first; i < end; i++)
            {
                if (Fingered(i) is not { } at) continue;
                if (!met.TryGetValue(lattice.Steps[i].Note.Pitch, out var usual)) met[lattice.Steps[i].Note.Pitch] = at;
                else if (!usual.SamePair(at)) (torn ??= []).Add(lattice.Steps[i].Note.Pitch);
            }

            foreach (var pitch in torn ?? []) yield return [.. Enumerable.Range(first, end - first).Where(i => lattice.Steps[i].Note.Pitch == pitch && Fingered(i) is not null)];
        }
    }

    /// <summary>Each note of a bar that came before is to be played as it was then; null where all are.</summary>
    private static FingerLattice? AsBefore(FingerSolver.Pass pass)
    {
        var lattice = pass.Tables.Lattice;
        var bars = lattice.Bars;
        LatticeStep[]? told = null;
        foreach (var group in bars.Groups)
        {
            var (first, end) = bars.Bars[group[0]];
            for (var k = 0; k < end - first; k++)
            {
                var before = At(first + k);
                if (group.All(b => At(bars.Bars[b].First + k).SamePair(before))) continue;
                foreach (var b in group)
                {
                    var note = bars.Bars[b].First + k;
                    if (lattice.Steps[note].AsBefore is { } already && already.SamePair(before)) continue;
                    told ??= [.. lattice.Steps];
                    var seam = k == 0 && bars.KindAt(b - 1) != bars.KindAt(group[0] - 1) || k == end - first - 1 && bars.KindAt(b + 1) != bars.KindAt(group[0] + 1);
                    told[note] = told[note] with { AsBefore = before, AtSeam = seam, InLine = null, InBar = false };
                }
            }
        }

        return told is null ? null : lattice with { Steps = told };

        Placement At(int i) => lattice.Steps[i].Choices[pass.Way[i]];
    }

    /// <summary>Where a note is played otherwise than the first time its bar came: how it was then, and in which bar; null elsewhere.</summary>
    public static IReadOnlyDictionary<int, FirstTime> Differences(FingerLattice lattice, IReadOnlyList<int> way)
    {
        var differ = new Dictionary<int, FirstTime>();
        foreach (var group in lattice.Bars.Groups)
        {
            var (first, end) = lattice.Bars.Bars[group[0]];
            for (var k = 0; k < end - first; k++)
            {
                var then = lattice.Steps[first + k].Choices[way[first + k]];
                foreach (var b in group.Skip(1))
                {
                    var note = lattice.Bars.Bars[b].First + k;
                    if (!lattice.Steps[note].Choices[way[note]].SamePair(then)) differ[note] = new FirstTime(then, lattice.Steps[first + k].Note.Bar);
                }
            }
        }

        return differ;
    }
}
