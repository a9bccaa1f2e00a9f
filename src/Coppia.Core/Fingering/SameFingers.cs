using Coppia.Core.Instruments;

namespace Coppia.Core.Fingering;

/// <summary>
/// Two rules that reach farther than three notes (craft 6): one note, one finger in a line; the same music, the same
/// fingers. The line is solved without them, each note that then disagrees is told what to agree with, and the line is
/// solved again at that price. Where nothing disagrees, nothing is solved twice.
/// </summary>
internal sealed class SameFingers
{
    /// <summary>
    /// Rounds in which what was told may bring up something new to tell; one settles nearly every tune.
    /// </summary>
    private const int MostRounds = 6;

    private readonly FingerCost _cost;
    private readonly EqualBars _bars;
    private readonly IReadOnlyList<(int First, int End)> _lines;
    private readonly PitchesOfTwoFingers _torn;

    /// <summary>The notes with what they have been told.</summary>
    private readonly LatticeStep[] _steps;
    private readonly SortedSet<int> _told = [];

    /// <summary>Notes whose way has changed since their line, or their bar and its like, were last looked at.</summary>
    private readonly bool[] _newToLines;
    private readonly bool[] _newToBars;

    /// <summary>The pair that each note has now.</summary>
    private readonly int[] _pairs;
    private int[] _way = [];

    private SameFingers(FingerLattice lattice, FingerCost cost, IReadOnlyList<(int First, int End)> lines)
    {
        (_cost, _bars, _lines, _steps) = (cost, lattice.Bars, lines, [.. lattice.Steps]);
        _torn = new PitchesOfTwoFingers(lattice.Steps);
        _pairs = new int[_steps.Length];
        _newToLines = new bool[_steps.Length];
        _newToBars = new bool[_steps.Length];
    }

    /// <returns>The solution, and the lattice with what its notes were told, which is what the solution is cheapest
    /// for.</returns>
    public static (FingerLattice Lattice, FingerSolver.Solution Solution) Solve(
        FingerLattice lattice,
        FingerCost cost,
        IReadOnlyList<(int First, int End)> lines,
        CancellationToken stop = default
    )
    {
        if (lattice.Steps.Count < 2 || !cost.PricesOtherFingers && !cost.PricesOtherThanBefore)
            return (lattice, FingerSolver.Solve(lattice, cost, stop));
        var rules = new SameFingers(lattice, cost, lines);
        var told = lattice with { Steps = rules._steps };
        return (told, rules.Settle(FingerPass.Forward(MoveTables.Of(told, cost, stop), stop)));
    }

    private FingerSolver.Solution Settle(FingerPass pass)
    {
        _way = pass.Way;
        for (var i = 0; i < _steps.Length; i++)
            LookAt(i);
        for (var round = 0; round < MostRounds; round++)
        {
            _told.Clear();
            if (_cost.PricesOtherFingers)
                TellLines();
            if (_cost.PricesOtherThanBefore)
                TellBars();
            if (_told.Count == 0)
                break;
            _told.RemoveWhere(note => !pass.Tables.Price(note));
            foreach (var note in pass.Again(_told))
                LookAt(note);
        }

        return FingerSolver.Finish(pass);
    }

    private void LookAt(int note)
    {
        _pairs[note] = PitchesOfTwoFingers.Pair(At(note), fingered: Fingered(note) is not null);
        _newToLines[note] = _newToBars[note] = true;
    }

    private ref readonly Placement At(int i) => ref _steps[i].Choices[_way[i]];

    /// <summary>
    /// The way of a fingered note; an open string and the fourth finger that replaces it have their own rule.
    /// </summary>
    private Placement? Fingered(int i)
    {
        ref readonly var at = ref At(i);
        return at.IsOpen || _cost.StandsForOpen(at) ? null : at;
    }

    private void Tell(int note, Habit habit)
    {
        _steps[note] = _steps[note] with { Habit = habit };
        _told.Add(note);
    }

    /// <summary>
    /// Each pitch that has two fingers in a bar is to take the one of the hand that holds most of the bar. Each that
    /// has two in a line is to take the one of the hand that plays most of such notes there, so that they agree on one
    /// hand and not each on its own; the commonest, then the first, on a tie.
    /// </summary>
    private void TellLines()
    {
        var bar = 0;
        foreach (var (first, end) in _lines)
        {
            if (!TakeNew(_newToLines, first, end))
                continue;
            var torn = _torn.In(_pairs, first, end);
            if (torn.Count == 0)
                continue;
            while (bar < _bars.Bars.Count && _bars.Bars[bar].End <= first)
                bar++;
            for (; bar < _bars.Bars.Count && _bars.Bars[bar].First < end; bar++)
                TellBar(_bars.Bars[bar].First, _bars.Bars[bar].End);

            var hands = torn.SelectMany(notes => notes)
                .CountBy(i => (_steps[i].Habit?.InLine ?? At(i)).Frame)
                .ToDictionary();
            foreach (var notes in torn)
            {
                if (notes.TrueForAll(i => _steps[i].Habit?.InLine is not null))
                    continue;
                var often = notes.CountBy(i => _pairs[i]).ToDictionary();
                var usual = Fingered(notes.MaxBy(i => (hands.GetValueOrDefault(At(i).Frame), often[_pairs[i]])));
                foreach (var i in notes)
                {
                    if (_steps[i].Habit is not { InBar: true })
                        Tell(i, (_steps[i].Habit ?? new Habit()) with { InLine = _steps[i].Habit?.AsBefore ?? usual });
                }
            }
        }
    }

    private void TellBar(int first, int end)
    {
        foreach (var notes in _torn.In(_pairs, first, end))
        {
            if (notes.TrueForAll(i => _steps[i].Habit is { InBar: true }))
                continue;
            var usual = notes.DistinctBy(i => _pairs[i]).MaxBy(i => Held(first, end, At(i).Frame));
            var like =
                notes.Select(i => _steps[i].Habit?.AsBefore).FirstOrDefault(b => b is { IsOpen: false })
                ?? Fingered(usual);
            foreach (var i in notes)
                Tell(i, (_steps[i].Habit ?? new Habit()) with { InLine = like, InBar = true });
        }
    }

    /// <summary>How many fingered notes of a stretch a hand frame holds.</summary>
    private int Held(int first, int end, int frame)
    {
        var held = 0;
        for (var k = first; k < end; k++)
            held +=
                PitchesOfTwoFingers.IsFingered(_pairs[k]) && Array.Exists(_steps[k].Choices, c => c.Frame == frame)
                    ? 1
                    : 0;
        return held;
    }

    /// <summary>Each note of a bar that came before is to be played as it was then.</summary>
    private void TellBars()
    {
        foreach (var group in _bars.Groups)
        {
            var (first, end) = _bars.Bars[group[0]];
            var isNew = false;
            foreach (var b in group)
                isNew |= TakeNew(_newToBars, _bars.Bars[b].First, _bars.Bars[b].End);
            if (!isNew)
                continue;
            for (var k = 0; k < end - first; k++)
            {
                var same = true;
                foreach (var b in group)
                    same &= _pairs[_bars.Bars[b].First + k] == _pairs[first + k];
                if (same)
                    continue;
                var before = At(first + k);
                foreach (var b in group)
                {
                    var note = _bars.Bars[b].First + k;
                    if (_steps[note].Habit?.AsBefore is { } already && already.SamePair(before))
                        continue;
                    var seam =
                        k == 0 && _bars.KindAt(b - 1) != _bars.KindAt(group[0] - 1)
                        || k == end - first - 1 && _bars.KindAt(b + 1) != _bars.KindAt(group[0] + 1);
                    Tell(note, new Habit(AsBefore: before, AtSeam: seam));
                }
            }
        }
    }

    private static bool TakeNew(bool[] isNew, int first, int end)
    {
        var stretch = isNew.AsSpan(first, end - first);
        if (!stretch.Contains(true))
            return false;
        stretch.Clear();
        return true;
    }

    /// <summary>
    /// Where a note is played otherwise than the first time its bar came, by the note's place in the lattice.
    /// </summary>
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
                    if (!lattice.Steps[note].Choices[way[note]].SamePair(then))
                        differ[note] = new FirstTime(then, lattice.Steps[first + k].Note.Bar);
                }
            }
        }

        return differ;
    }
}
