using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Fingering;

/// <summary>How a tune lies on an instrument when its written notes are moved by whole octaves.</summary>
/// <param name="Octaves">Octaves that the written notes move; 0 leaves them.</param>
/// <param name="OutOfReach">Notes that no finger reaches.</param>
/// <param name="Beyond">Notes that need what a beginner class has not learned.</param>
public readonly record struct OctaveChoice(int Octaves, int OutOfReach, int Beyond);

/// <summary>Brings a tune printed for one instrument into an octave that another can play (craft 6).</summary>
public static class OctaveFit
{
    private const int FurthestMove = 4;

    private static readonly int[] SmallestFirst =
    [
        0,
        .. Enumerable.Range(1, FurthestMove).SelectMany(o => new[] { -o, o }),
    ];

    /// <summary>
    /// How many octaves to move the written notes: the move that leaves the fewest notes out of reach altogether, then
    /// the fewest that need what the class has not learned, then the smallest, downwards on a tie. A tune whose notes
    /// all lie in the allowed positions stays.
    /// </summary>
    public static int OctavesFor(IReadOnlyList<SoundingNote> notes, Player player)
    {
        if (notes.Select(n => n.Pitch).Distinct().All(p => IsInPosition(player, p)))
            return 0;
        OctaveChoice? best = null;
        // The smaller move comes first, so that only a better one takes its place.
        foreach (var move in Moves(notes, player))
        {
            if (best is not { } b || (move.OutOfReach, move.Beyond).CompareTo((b.OutOfReach, b.Beyond)) < 0)
                best = move;
            if (move is { OutOfReach: 0, Beyond: 0 })
                break;
        }

        return best!.Value.Octaves;
    }

    /// <summary>
    /// The octaves in which at least half of the notes can be played, lowest first, the print's own among them whatever
    /// it leaves out.
    /// </summary>
    public static IReadOnlyList<OctaveChoice> Choices(IReadOnlyList<SoundingNote> notes, Player player) =>
        [.. Moves(notes, player).Where(m => m.Octaves == 0 || 2 * m.OutOfReach <= notes.Count).OrderBy(m => m.Octaves)];

    /// <summary>
    /// The pitch lies on an open string or under a finger that the class has learned, in an allowed position.
    /// </summary>
    public static bool IsAllowed(Player player, Pitch pitch) =>
        Placements.Of(player.Instrument, pitch, openFrame: 0).Any(p => player.Allows(p));

    private static bool IsInPosition(Player player, Pitch pitch) =>
        Placements.Of(player.Instrument, pitch, openFrame: 0).Any(p => p.IsOpen || player.Allows(p.Frame));

    /// <summary>All moves, the smallest first, downwards before upwards.</summary>
    private static IEnumerable<OctaveChoice> Moves(IReadOnlyList<SoundingNote> notes, Player player)
    {
        var pitches = notes.GroupBy(n => n.Pitch).Select(g => (Pitch: g.Key, Count: g.Count())).ToArray();
        foreach (var octaves in SmallestFirst)
        {
            var (outOfReach, beyond) = (0, 0);
            foreach (var (pitch, count) in pitches)
            {
                var moved = pitch.AddOctaves(octaves);
                if (!Placements.Of(player.Instrument, moved, openFrame: 0).Any())
                    outOfReach += count;
                else if (!IsAllowed(player, moved))
                    beyond += count;
            }

            yield return new OctaveChoice(octaves, outOfReach, beyond);
        }
    }
}
