namespace Coppia.Core;

/// <summary>
/// Offers the ways to play each pitch in a fixed order, cheapest-looking first; the order decides ties. Equal situations share one array,
/// so that a long tune costs little memory and the solver can remember its moves.
/// </summary>
internal sealed class ChoiceOrder(Instrument instrument)
{
    private readonly Dictionary<(Pitch Pitch, ulong Hand, bool Pulled), Placement[]> _known = [];
    private readonly int _firstPosition = instrument.Frames.Index().First(f => f.Item.Position == "I").Index;

    /// <param name="hand">Hand frames, as a bit set, in which the hand may be when an open string comes.</param>
    /// <param name="pulled">Frames beyond the allowed ones are offered as well.</param>
    /// <param name="mayRemember">False for a pinned note, whose ways are its own.</param>
    public Placement[] Of(Pitch pitch, Placement[] fingered, Placement[] open, ulong hand, bool pulled, bool mayRemember)
    {
        // The hand's frame matters only to open strings.
        var key = (pitch, open.Length > 0 ? hand : 0, pulled);
        if (mayRemember && _known.TryGetValue(key, out var choices)) return choices;
        choices = Sorted(Offered(fingered, pulled), open, hand);
        if (mayRemember) _known[key] = choices;
        return choices;
    }

    public Placement[] Offered(Placement[] fingered, bool pulled) =>
        pulled ? fingered : [.. fingered.Where(p => instrument.Frames[p.Frame].AllowedByDefault)];

    /// <summary>The hand frames that some placements use, as a bit set.</summary>
    public static ulong Frames(Placement[] placements)
    {
        var frames = 0UL;
        foreach (var p in placements) frames |= 1UL << p.Frame;
        return frames;
    }

    private Placement[] Sorted(Placement[] fingered, Placement[] open, ulong hand) =>
    [
        .. open.SelectMany(o => Enumerable.Range(0, instrument.Frames.Count).Where(f => (hand >> f & 1) == 1).Select(f => o with { Frame = f })).Concat(fingered)
            .OrderBy(p => instrument.Frames[p.Frame].AllowedByDefault ? 0 : 1)
            .ThenBy(p => instrument.Frames[p.Frame].Stretch == Stretch.None ? 0 : 1)
            .ThenBy(p => p.IsOpen ? 0 : 1)
            .ThenBy(p => instrument.Frames[p.Frame].Reluctance)
            .ThenBy(p => Math.Abs(p.Frame - _firstPosition)),
    ];
}
