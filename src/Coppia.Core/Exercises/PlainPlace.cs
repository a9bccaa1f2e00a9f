using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Exercises;

/// <summary>
/// Where a class learns a single note first (craft 6): the open string that sounds it, else the highest string below
/// it, in the lowest positions; higher only where these do not hold it.
/// </summary>
internal static class PlainPlace
{
    /// <summary>The height of every key that was asked for, as long as the instrument's table lives.</summary>
    private static readonly ConditionalWeakTable<Instrument, ConcurrentDictionary<ScaleKey, int>> Heights = [];

    /// <summary>The plain place of a note, or null where no finger that the class may use reaches it.</summary>
    /// <param name="height">The position that is preferred among the lowest: that of the key's shapes.</param>
    public static Placement? Of(Player player, Pitch pitch, int height)
    {
        var ways = Ways(player, pitch);
        return ways.OrderBy(w => w.IsOpen ? 0 : 1)
            .ThenBy(w => player.FrameOf(w).IsHome ? 0 : 1)
            .ThenByDescending(w => w.String)
            .ThenBy(w => player.FrameOf(w).Height == height ? 0 : 1)
            .ThenBy(w => player.FrameOf(w).IsHome ? 0 : player.FrameOf(w).Reluctance)
            .ThenBy(w => player.FrameOf(w).IsHome ? 0 : player.FrameOf(w).Height)
            .ThenBy(w => w.OwnLetter ? 0 : 1)
            .ThenBy(w => player.FrameOf(w).Stretch)
            .ThenBy(w => player.FrameOf(w).Reluctance)
            .Select(w => (Placement?)w)
            .FirstOrDefault();
    }

    /// <summary>
    /// All pairs by which the class may play a note in the positions where its hand lives, the plain one first: each of
    /// them is a right answer.
    /// </summary>
    public static IReadOnlyList<Placement> All(Player player, Pitch pitch, int height) =>
        Of(player, pitch, height) is not { } plain
            ? []
            :
            [
                .. Ways(player, pitch)
                    .Where(w => w.IsOpen || player.FrameOf(w).IsHome)
                    .Prepend(plain)
                    .DistinctBy(w => (w.String, w.Finger)),
            ];

    /// <summary>Height of the position in which the shapes of a key are taught.</summary>
    public static int HeightOf(Instrument instrument, ScaleKey key) =>
        Heights
            .GetOrCreateValue(instrument)
            .GetOrAdd(
                key,
                k =>
                {
                    var best = HandShape.BestPosition(instrument, k);
                    return instrument.Frames.First(f => f.Position == best).Height;
                }
            );

    private static IEnumerable<Placement> Ways(Player player, Pitch pitch) =>
        Placements
            .Of(player.Instrument, pitch, player.Instrument.FirstFrame)
            .Where(p => player.Allows(p) && player.PlaysOn(p.String))
            .Where(p =>
                player.Known.Knows(new KnownNote(player.Instrument.Id, player.Instrument.Strings[p.String], pitch))
            );
}
