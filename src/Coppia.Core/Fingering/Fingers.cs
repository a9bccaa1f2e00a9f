using Coppia.Core.Form;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Fingering;

/// <summary>Another way to play a note.</summary>
/// <param name="Placement">The way.</param>
/// <param name="ExtraCost">What the best line that takes it costs more than the chosen one; null where the line has no
/// reason to go so far up the neck, so that it was never weighed.</param>
public readonly record struct OtherWay(Placement Placement, int? ExtraCost);

/// <summary>How a note was played the first time its bar came.</summary>
public sealed record FirstTime(Placement Placement, Bar Bar);

/// <summary>A sounding note with the way chosen for it; no placement when no finger reaches it.</summary>
/// <param name="Note">The note.</param>
/// <param name="Placement">The way chosen, or null.</param>
/// <param name="Beyond">The way lies outside the positions allowed to the class, or its finger there was not
/// learned.</param>
/// <param name="Pinned">The teacher fixed it.</param>
public sealed record FingeredNote(SoundingNote Note, Placement? Placement, bool Beyond, bool Pinned)
{
    private readonly FingerSolver.Solution? _solution;
    private readonly Player? _player;
    private readonly int _order;

    /// <summary>Its place in the lattice that was solved; null when no finger reaches it.</summary>
    internal LatticeStep? Step { get; }

    /// <summary>The bar came before and was played otherwise here; null where it is the same or new.</summary>
    public FirstTime? Otherwise { get; internal init; }

    internal FingeredNote(LatticeStep step, FingerSolver.Solution solution, int order, Player player)
        : this(
            step.Note,
            step.Choices[solution.Way[order]],
            Beyond: IsBeyond(step.Choices[solution.Way[order]], player),
            Pinned: step.Pin is not null
        ) => (Step, _solution, _order, _player) = (step, solution, order, player);

    internal static bool IsBeyond(in Placement way, Player player) => !player.Allows(way);

    /// <summary>
    /// Its other pairs of string and finger: those that were weighed, best first, then the rest of the allowed
    /// positions.
    /// </summary>
    public IReadOnlyList<OtherWay> Others
    {
        get
        {
            var others = new List<OtherWay>();
            if (Step is null || _solution is null || _player is null)
                return others;
            var through = _solution.Through.Value[_order].ToArray();
            foreach (var (k, other) in Step.Choices.Index().OrderBy(c => through[c.Index]))
                Add(other, through[k] - _solution.Cost - (Step.Allows(other) ? 0 : FingerWeights.NotPinned));
            foreach (
                var other in Placements
                    .Of(_player.Instrument, Note.Pitch, openFrame: 0)
                    .Where(p => _player.Allows(p.Frame))
            )
                Add(other, null);
            return others;

            void Add(Placement other, int? cost)
            {
                if (!other.SamePair(Placement!.Value) && !others.Any(o => o.Placement.SamePair(other)))
                    others.Add(new OtherWay(other, cost));
            }
        }
    }
}

/// <summary>String, finger and place for every note of one score on one instrument.</summary>
/// <param name="Price">The definition of cost that the choice was made by.</param>
public sealed record Fingers(Player Player, Score Score, IReadOnlyList<FingeredNote> Notes, int Cost, FingerCost Price)
{
    /// <summary>
    /// The notes that can be played with their ways and what they were told to agree with: what <see cref="Cost"/> is
    /// least for.
    /// </summary>
    public FingerLattice Lattice { get; private init; } = new([], []);

    private static readonly IReadOnlyDictionary<string, Pin> NoPins = new Dictionary<string, Pin>();

    /// <summary>
    /// Chooses the whole line's cheapest way (craft 6). The score must already be in the instrument's octave.
    /// </summary>
    /// <param name="score">Written pitches for this instrument.</param>
    /// <param name="pins">Pairs that the teacher fixed, by note id.</param>
    /// <exception cref="ImpossiblePinException">A pin cannot sound its note.</exception>
    public static Fingers Choose(
        Score score,
        Player player,
        IReadOnlyDictionary<string, Pin>? pins = null,
        FingerWeights? weights = null
    ) => Choose(score, SoundingNote.Of(score), player, pins, weights);

    /// <param name="sounding">The score's sounding notes.</param>
    /// <param name="stop">Nobody waits for it any more.</param>
    /// <inheritdoc cref="Choose(Score, Player, IReadOnlyDictionary{string, Pin}?, FingerWeights?)"/>
    public static Fingers Choose(
        Score score,
        IReadOnlyList<SoundingNote> sounding,
        Player player,
        IReadOnlyDictionary<string, Pin>? pins = null,
        FingerWeights? weights = null,
        CancellationToken stop = default
    )
    {
        var lattice = FingerLattice.Of(sounding, player, pins ?? NoPins);
        var price = new FingerCost(player, weights ?? FingerWeights.Default);
        (lattice, var solution) = SameFingers.Solve(lattice, price, LinesOf(lattice, score), stop);
        var differ = SameFingers.Differences(lattice, solution.Way);
        var notes = new List<FingeredNote>(sounding.Count);
        var step = 0;
        foreach (var note in sounding)
        {
            if (step < lattice.Steps.Count && ReferenceEquals(lattice.Steps[step].Note, note))
            {
                notes.Add(
                    new FingeredNote(lattice.Steps[step], solution, step, player)
                    {
                        Otherwise = differ.GetValueOrDefault(step),
                    }
                );
                step++;
            }
            else
            {
                notes.Add(new FingeredNote(note, null, Beyond: true, Pinned: false));
            }
        }

        return new Fingers(player, score, notes, solution.Cost, price) { Lattice = lattice };
    }

    /// <summary>
    /// The same fingers as they are to somebody whose hands have learned other things: what is beyond them differs.
    /// </summary>
    public Fingers SeenBy(Player now) =>
        this with
        {
            Player = now,
            Notes =
            [
                .. Notes.Select(n => n.Placement is { } at ? n with { Beyond = FingeredNote.IsBeyond(at, now) } : n),
            ],
        };

    /// <summary>The tune's lines as spans of the notes that can be played.</summary>
    private static List<(int First, int End)> LinesOf(FingerLattice lattice, Score score)
    {
        var lines = new List<(int, int)>();
        var note = 0;
        foreach (var (start, end) in TuneLines.In(score))
        {
            var first = note;
            for (var bar = start; bar < end; bar++)
            {
                while (note < lattice.Steps.Count && ReferenceEquals(lattice.Steps[note].Note.Bar, score.Bars[bar]))
                    note++;
            }

            if (note > first)
                lines.Add((first, note));
        }

        return lines;
    }
}
