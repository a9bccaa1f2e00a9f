namespace Coppia.Core;

/// <summary>
/// Two rules that reach farther than three notes (handbook 6): one note, one finger in a line; the same music, the same fingers. The line is solved without them,
/// each note that then disagrees is told what to agree with, and the line is solved again at that price. Where nothing disagrees, nothing is solved twice.
/// </summary>
internal sealed class SameFingers
{
    /// <summary>Rounds in which what was told may bring up something new to tell; one settles nearly every tune.</summary>
    private const int MostRounds = 6;

    /// <summary>Eight numbers for each staff step up to where no instrument reaches: a pitch and what is done to it.</summary>
    private const int MostSounds = 8 * 80;

    private readonly FingerCost _cost;
    private readonly EqualBars _bars;
    private readonly IReadOnlyList<(int First, int End)> _lines;

    /// <summary>The notes with what they have been told.</summary>
    private readonly LatticeStep[] _steps;
    private readonly HashSet<int> _told = [];

    /// <summary>Notes whose way has changed since their line, or their bar and its like, were last looked at.</summary>
    private readonly bool[] _newToLines;
    private readonly bool[] _newToBars;
    private readonly (int Stretch, Placement At)[] _met = new (int, Placement)[MostSounds];
    private int _stretch;
    private IReadOnlyList<int> _way = [];

    private SameFingers(FingerLattice lattice, FingerCost cost, IReadOnlyList<(int First, int End)> lines)
    {
        (_cost, _bars, _lines, _steps) = (cost, lattice.Bars, lines, [.. lattice.Steps]);
        _newToLines = new bool[_steps.Length];
        Array.Fill(_newToLines, true);
        _newToBars = [.. _newToLines];
    }

    /// <returns>The solution, and the lattice with what its notes were told, which is what the solution is cheapest for.</returns>
    public static (FingerLattice Lattice, FingerSolver.Solution Solution) Solve(FingerLattice lattice, FingerCost cost, IReadOnlyList<(int First, int End)> lines)
    {
        if (lattice.Steps.Count < 2 || !cost.PricesHabits) return (lattice, FingerSolver.Solve(lattice, cost));
        var rules = new SameFingers(lattice, cost, lines);
        var told = lattice with { Steps = rules._steps };
        return (told, rules.Settle(FingerSolver.Forward(MoveTables.Of(told, cost))));
    }

    private FingerSolver.Solution Settle(FingerSolver.Pass pass)
    {
        for (var round = 0; round < MostRounds; round++)
        {
            _way = pass.Way;
            _told.Clear();
            TellLines();
            TellBars();
            if (_told.Count == 0) break;
            pass = FingerSolver.Again(pass, pass.Tables.Reprice(_told));
            for (var i = 0; i < _steps.Length; i++)
            {
                if (_way[i] != pass.Way[i]) _newToLines[i] = _newToBars[i] = true;
            }
        }

        return FingerSolver.Finish(pass);
    }

    private Placement At(int i) => _steps[i].Choices[_way[i]];

    /// <summary>The way of a fingered note; an open string and the fourth finger that replaces it have their own rule.</summary>
    private Placement? Fingered(int i)
    {
        var at = At(i);
        return at.IsOpen || _cost.StandsForOpen(at) ? null : at;
    }

    private (int, int) Pair(int i) => (At(i).String, At(i).Finger);

    private void Tell(int note, Habit habit)
    {
        _steps[note] = _steps[note] with { Habit = habit };
        _told.Add(note);
    }

    /// <summary>
    /// Each pitch that has two fingers in a line is to take the one it has most often there, and within one bar the one of the hand that holds most of the bar;
    /// the first on a tie.
    /// </summary>
    private void TellLines()
    {
        var bar = 0;
        foreach (var (first, end) in _lines)
        {
            if (!TakeNew(_newToLines, first, end)) continue;
            var torn = Torn(first, end);
            foreach (var notes in torn.Where(t => t.Any(i => _steps[i].Habit?.InLine is null)))
            {
                var usual = Fingered(MostOften(notes));
                foreach (var i in notes) Tell(i, (_steps[i].Habit ?? new Habit()) with { InLine = _steps[i].Habit?.AsBefore ?? usual });
            }

            if (torn.Count == 0) continue;
            while (bar < _bars.Bars.Count && _bars.Bars[bar].End <= first) bar++;
            for (; bar < _bars.Bars.Count && _bars.Bars[bar].First < end; bar++) TellBar(_bars.Bars[bar].First, _bars.Bars[bar].End);
        }
    }

    /// <summary>The first note that is played as most of some notes are.</summary>
    private int MostOften(int[] notes)
    {
        var often = new Dictionary<(int, int), int>();
        foreach (var i in notes) often[Pair(i)] = often.GetValueOrDefault(Pair(i)) + 1;
        return notes.MaxBy(i => often[Pair(i)]);
    }

    private void TellBar(int first, int end)
    {
        foreach (var notes in Torn(first, end).Where(t => t.Any(i => _steps[i].Habit is not { InBar: true })))
        {
            var usual = notes.DistinctBy(Pair).MaxBy(i => Held(first, end, At(i).Frame));
            var like = notes.Select(i => _steps[i].Habit?.AsBefore).FirstOrDefault(b => b is { IsOpen: false }) ?? Fingered(usual);
            foreach (var i in notes) Tell(i, (_steps[i].Habit ?? new Habit()) with { InLine = like, InBar = true });
        }
    }

    /// <summary>How many fingered notes of a stretch a hand frame holds.</summary>
    private int Held(int first, int end, int frame)
    {
        var held = 0;
        for (var k = first; k < end; k++) held += Fingered(k) is not null && Array.Exists(_steps[k].Choices, c => c.Frame == frame) ? 1 : 0;
        return held;
    }

    /// <summary>The notes of each pitch that has more than one finger in a stretch. Almost every stretch is in order: one look finds that out.</summary>
    private List<int[]> Torn(int first, int end)
    {
        _stretch++;
        HashSet<Pitch>? torn = null;
        for (var i = first; i < end; i++)
        {
            if (Fingered(i) is not { } at) continue;
            var pitch = _steps[i].Note.Pitch;
            ref var met = ref _met[pitch.Step * 8 + pitch.Alter + 2];
            if (met.Stretch != _stretch) met = (_stretch, at);
            else if (!met.At.SamePair(at)) (torn ??= []).Add(pitch);
        }

        var notes = new List<int[]>();
        foreach (var pitch in torn ?? []) notes.Add([.. Enumerable.Range(first, end - first).Where(i => _steps[i].Note.Pitch == pitch && Fingered(i) is not null)]);
        return notes;
    }

    /// <summary>Each note of a bar that came before is to be played as it was then.</summary>
    private void TellBars()
    {
        foreach (var group in _bars.Groups)
        {
            var (first, end) = _bars.Bars[group[0]];
            var isNew = false;
            foreach (var b in group) isNew |= TakeNew(_newToBars, _bars.Bars[b].First, _bars.Bars[b].End);
            if (!isNew) continue;
            for (var k = 0; k < end - first; k++)
            {
                var before = At(first + k);
                var same = true;
                foreach (var b in group) same &= At(_bars.Bars[b].First + k).SamePair(before);
                if (same) continue;
                foreach (var b in group)
                {
                    var note = _bars.Bars[b].First + k;
                    if (_steps[note].Habit?.AsBefore is { } already && already.SamePair(before)) continue;
                    var seam = k == 0 && _bars.KindAt(b - 1) != _bars.KindAt(group[0] - 1) || k == end - first - 1 && _bars.KindAt(b + 1) != _bars.KindAt(group[0] + 1);
                    Tell(note, new Habit(AsBefore: before, AtSeam: seam));
                }
            }
        }
    }

    private static bool TakeNew(bool[] isNew, int first, int end)
    {
        var stretch = isNew.AsSpan(first, end - first);
        if (!stretch.Contains(true)) return false;
        stretch.Clear();
        return true;
    }

    /// <summary>Where a note is played otherwise than the first time its bar came, by the note's place in the lattice.</summary>
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
