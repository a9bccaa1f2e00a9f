namespace Coppia.Core;

/// <summary>Another way to play a note and what the best line that takes it costs more than the chosen one.</summary>
public readonly record struct OtherWay(Placement Placement, int ExtraCost);

/// <summary>A sounding note with the way chosen for it; no placement when no finger reaches it.</summary>
/// <param name="Note">The note.</param>
/// <param name="Placement">The way chosen, or null.</param>
/// <param name="Others">Its other pairs of string and finger, best first.</param>
/// <param name="Beyond">The way lies outside the positions allowed to the class.</param>
/// <param name="Pinned">The teacher fixed it.</param>
public sealed record FingeredNote(SoundingNote Note, Placement? Placement, IReadOnlyList<OtherWay> Others, bool Beyond, bool Pinned);

/// <summary>String, finger and place for every note of one score on one instrument.</summary>
public sealed record Fingering(Instrument Instrument, Score Score, IReadOnlyList<FingeredNote> Notes, int Cost)
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
        var solution = FingerSolver.Solve(lattice, new FingerCost(instrument, weights ?? FingerWeights.Default, style.FourthFinger));
        var notes = new List<FingeredNote>(sounding.Count);
        var step = 0;
        foreach (var note in sounding)
        {
            if (step < lattice.Steps.Count && ReferenceEquals(lattice.Steps[step].Note, note))
            {
                notes.Add(Chosen(lattice.Steps[step], solution.Way[step], solution.Through[step], solution.Cost, instrument, pins.ContainsKey(note.Id)));
                step++;
            }
            else
            {
                notes.Add(new FingeredNote(note, null, [], Beyond: true, Pinned: false));
            }
        }

        return new Fingering(instrument, score, notes, solution.Cost);
    }

    private static FingeredNote Chosen(LatticeStep step, int taken, int[] through, int cost, Instrument instrument, bool pinned)
    {
        var placement = step.Choices[taken];
        var others = new List<OtherWay>();
        foreach (var (k, other) in step.Choices.Index().OrderBy(c => through[c.Index]))
        {
            if (!other.SamePair(placement) && !others.Any(o => o.Placement.SamePair(other))) others.Add(new OtherWay(other, through[k] - cost));
        }

        return new FingeredNote(step.Note, placement, others, !instrument.Frames[placement.Frame].AllowedByDefault, pinned);
    }
}
