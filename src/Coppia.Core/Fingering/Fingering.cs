namespace Coppia.Core;

/// <summary>Another way to play a note and what the best line that takes it costs more than the chosen one.</summary>
public readonly record struct OtherWay(Placement Placement, int ExtraCost);

/// <summary>A sounding note with the way chosen for it; no placement when no finger reaches it.</summary>
/// <param name="Note">The note.</param>
/// <param name="Placement">The way chosen, or null.</param>
/// <param name="Beyond">The way lies outside the positions allowed to the class.</param>
/// <param name="Pinned">The teacher fixed it.</param>
public sealed record FingeredNote(SoundingNote Note, Placement? Placement, bool Beyond, bool Pinned)
{
    private readonly FingerSolver.Solution? _solution;
    private readonly int _order;

    /// <summary>Its place in the lattice that was solved; null when no finger reaches it.</summary>
    internal LatticeStep? Step { get; }

    internal FingeredNote(LatticeStep step, FingerSolver.Solution solution, int order, bool beyond, bool pinned)
        : this(step.Note, step.Choices[solution.Way[order]], beyond, pinned) => (Step, _solution, _order) = (step, solution, order);

    /// <summary>Its other pairs of string and finger, best first.</summary>
    public IReadOnlyList<OtherWay> Others
    {
        get
        {
            var others = new List<OtherWay>();
            if (Step is null || _solution is null) return others;
            var through = _solution.Through[_order].ToArray();
            foreach (var (k, other) in Step.Choices.Index().OrderBy(c => through[c.Index]))
            {
                if (!other.SamePair(Placement!.Value) && !others.Any(o => o.Placement.SamePair(other))) others.Add(new OtherWay(other, through[k] - _solution.Cost));
            }

            return others;
        }
    }
}

/// <summary>String, finger and place for every note of one score on one instrument.</summary>
/// <param name="Price">The definition of cost that the choice was made by.</param>
public sealed record Fingering(Instrument Instrument, Score Score, IReadOnlyList<FingeredNote> Notes, int Cost, FingerCost Price)
{
    private static readonly IReadOnlyDictionary<string, Pin> NoPins = new Dictionary<string, Pin>();

    /// <summary>Chooses the whole line's cheapest way (handbook 6). The score must already be in the instrument's octave.</summary>
    /// <param name="score">Written pitches for this instrument.</param>
    /// <param name="pins">Pairs that the teacher fixed, by note id.</param>
    /// <exception cref="ImpossiblePinException">A pin cannot sound its note.</exception>
    public static Fingering Choose(
        Score score, Instrument instrument, HouseStyle style, IReadOnlyDictionary<string, Pin>? pins = null, FingerWeights? weights = null)
    {
        pins ??= NoPins;
        var sounding = SoundingNote.Of(score);
        var lattice = FingerLattice.Of(sounding, instrument, pins);
        var price = new FingerCost(instrument, weights ?? FingerWeights.Default, style.FourthFinger);
        var solution = FingerSolver.Solve(lattice, price);
        var notes = new List<FingeredNote>(sounding.Count);
        var step = 0;
        foreach (var note in sounding)
        {
            if (step < lattice.Steps.Count && ReferenceEquals(lattice.Steps[step].Note, note))
            {
                var at = lattice.Steps[step].Choices[solution.Way[step]];
                notes.Add(new FingeredNote(
                    lattice.Steps[step], solution, step, beyond: !instrument.Frames[at.Frame].AllowedByDefault, pinned: pins.ContainsKey(note.Id)));
                step++;
            }
            else
            {
                notes.Add(new FingeredNote(note, null, Beyond: true, Pinned: false));
            }
        }

        return new Fingering(instrument, score, notes, solution.Cost, price);
    }
}
