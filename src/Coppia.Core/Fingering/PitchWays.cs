using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Fingering;

/// <summary>
/// All ways to play one pitch, and which of them a line offers: those of the lowest positions, and higher ones where a
/// neighbour needs them.
/// </summary>
internal sealed record PitchWays
{
    /// <summary>How many notes around one that needs a higher position may be taken up there with it.</summary>
    private const int CallOfAHighNote = 8;

    /// <summary>The open string, in no frame yet.</summary>
    public Placement? Open { get; private init; }

    /// <summary>
    /// The string of the plain place: the open string that sounds the note, or the highest below it; −1 where the
    /// lowest positions do not hold it.
    /// </summary>
    public int PlainString { get; private init; } = -1;

    public Pin? Pin { get; private init; }

    /// <summary>The class has learned one of the ways that are always offered.</summary>
    public bool IsLearned { get; private init; }

    /// <summary>
    /// Ways that are always offered: the lowest positions; where they have none, the allowed ones; where these have
    /// none either, all.
    /// </summary>
    private Placement[] Always { get; init; } = [];

    /// <summary>Higher ways, offered in the frames to which a neighbour calls the hand.</summary>
    private Placement[] Higher { get; init; } = [];

    /// <summary>
    /// Frames, as a bit set, to which this note calls the hand because the lowest positions do not hold it; 0 where
    /// they do.
    /// </summary>
    private ulong Calls { get; init; }

    /// <summary>Frames, as a bit set, in which the hand can stay while this note sounds.</summary>
    private ulong Holding => Open is null ? ChoiceOrder.Frames(Always) | ChoiceOrder.Frames(Higher) : ulong.MaxValue;

    public bool IsEmpty => Always.Length == 0 && Open is null;

    public bool IsFingered => Always.Length > 0;

    public static PitchWays Of(Player player, Pitch pitch)
    {
        var instrument = player.Instrument;
        Placement[] all = [.. Placements.Fingered(instrument, pitch)];
        var open = Placements.Open(instrument, pitch, 0).Select(p => (Placement?)p).FirstOrDefault();
        Placement[] home = [.. all.Where(p => instrument.Frames[p.Frame].IsHome)];
        Placement[] allowed = [.. all.Where(p => player.Allows(p))];
        // What the hand has not learned in the lowest positions gives way to an allowed position where it has.
        var held = open is not null || (allowed.Length > 0 ? home.Any(p => player.Allows(p)) : home.Length > 0);

        // A note that the lowest positions hold goes up only on the strings that are played there.
        var always =
            held ? home
            : allowed.Length > 0 ? allowed
            : all;
        return new PitchWays
        {
            Open = open,
            PlainString = open?.String ?? (home.Length > 0 ? home.Max(p => p.String) : -1),
            Always = always,
            IsLearned = always.Concat(open is { } o ? [o] : []).Any(player.Knows),
            Higher = [.. all.Where(p => !held || p.String >= instrument.LowestStringPlayedHigh).Except(always)],
            Calls = held ? 0 : ChoiceOrder.Frames(always),
        };
    }

    /// <summary>Fingered ways that are offered where neighbours call the hand to some frames.</summary>
    public Placement[] Offered(ulong called) =>
        called == 0 || Higher.Length == 0 ? Always : [.. Always, .. Higher.Where(p => (called >> p.Frame & 1) == 1)];

    /// <summary>
    /// The same ways with a pin: what it asks for is among them, and where it lies higher it calls its neighbours
    /// along.
    /// </summary>
    /// <exception cref="ImpossiblePinException">No way has this string and finger.</exception>
    public PitchWays With(Pin pin, SoundingNote note, Player player)
    {
        var instrument = player.Instrument;
        bool Fits(Placement p) => p.Finger == pin.Finger && (pin.String is null || p.String == pin.String);
        Placement[] every = [.. Placements.Fingered(instrument, note.Pitch)];
        var opens = Open is { } open && Fits(open);
        Placement[] fits = [.. every.Where(Fits)];
        if (!opens && fits.Length == 0)
            throw new ImpossiblePinException(note, pin, [.. every, .. Open is { } o ? [o] : Array.Empty<Placement>()]);
        Placement[] nearest = [.. fits.Where(p => instrument.Frames[p.Frame].IsHome)];
        if (nearest.Length == 0)
            nearest = [.. fits.Where(p => player.Allows(p))];
        if (nearest.Length == 0)
            nearest = fits;
        var high = !opens && nearest.All(p => !instrument.Frames[p.Frame].IsHome);
        return this with
        {
            Pin = pin,
            Always = [.. Always.Union(nearest)],
            Higher = [.. Higher.Union(fits).Except(nearest)],
            Calls = high ? ChoiceOrder.Frames(nearest) : 0,
        };
    }

    /// <summary>
    /// For each note the frames to which its neighbours call the hand, so that it goes up once for a whole group and
    /// stays where that group is. A call goes from note to note as long as the hand can stay there. A bar that comes
    /// again goes up only where each of its like does.
    /// </summary>
    public static ulong[] Called(List<PitchWays> ways, EqualBars bars)
    {
        var called = new ulong[ways.Count];
        for (var i = 0; i < ways.Count; i++)
        {
            if (ways[i].Calls == 0)
                continue;
            called[i] |= ways[i].Calls;
            foreach (var way in new[] { -1, 1 })
            {
                var frames = ways[i].Calls;
                for (
                    var k = i + way;
                    k >= 0 && k < ways.Count && Math.Abs(k - i) <= CallOfAHighNote && (frames &= ways[k].Holding) != 0;
                    k += way
                )
                    called[k] |= frames;
            }
        }

        foreach (var group in bars.Groups)
        {
            var (first, end) = bars.Bars[group[0]];
            for (var k = 0; k < end - first; k++)
            {
                var all = group.Aggregate(ulong.MaxValue, (frames, b) => frames & called[bars.Bars[b].First + k]);
                foreach (var b in group)
                    called[bars.Bars[b].First + k] = all;
            }
        }

        return called;
    }
}
