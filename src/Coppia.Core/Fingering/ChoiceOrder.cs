using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Fingering;

/// <summary>
/// Offers the ways to play each pitch in a fixed order, cheapest-looking first; the order decides ties. Equal
/// situations share one array, so that a long tune costs little memory and the solver can remember its moves.
/// </summary>
internal sealed class ChoiceOrder(Player player)
{
    private readonly Dictionary<(Pitch Pitch, ulong Hand, ulong Called), Placement[]> _known = [];
    private readonly Instrument _instrument = player.Instrument;
    private readonly int _firstFrame = player.Instrument.FirstFrame;

    /// <param name="hand">Hand frames, as a bit set, in which the hand may be when an open string comes.</param>
    /// <param name="called">Frames, as a bit set, to which neighbours call the hand. The ways of a pinned note are its
    /// own and not remembered.</param>
    public Placement[] Of(Pitch pitch, PitchWays ways, ulong hand, ulong called)
    {
        // The hand's frame matters only to open strings.
        var key = (pitch, ways.Open is null ? 0 : hand, called);
        if (ways.Pin is null && _known.TryGetValue(key, out var choices))
            return choices;
        choices = Sorted(ways.Offered(called), ways.Open, hand);
        if (ways.Pin is null)
            _known[key] = choices;
        return choices;
    }

    /// <summary>The hand frames that some placements use, as a bit set.</summary>
    public static ulong Frames(Placement[] placements)
    {
        var frames = 0UL;
        foreach (var p in placements)
            frames |= 1UL << p.Frame;
        return frames;
    }

    private Placement[] Sorted(Placement[] fingered, Placement? open, ulong hand) =>
        [
            .. (
                open is { } o
                    ? Enumerable
                        .Range(0, _instrument.Frames.Count)
                        .Where(f => (hand >> f & 1) == 1)
                        .Select(f => o with { Frame = f })
                    : []
            )
                .Concat(fingered)
                .OrderBy(p => player.Allows(p.Frame) && player.HasLearned(p) ? 0 : 1)
                .ThenBy(p => _instrument.Frames[p.Frame].Stretch == Stretch.None ? 0 : 1)
                .ThenBy(p => p.IsOpen ? 0 : 1)
                .ThenBy(p => _instrument.Frames[p.Frame].Reluctance)
                .ThenBy(p => Math.Abs(p.Frame - _firstFrame)),
        ];
}
