using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Shapes;

/// <summary>Two neighbouring places a half step apart, in semitones above the open string.</summary>
public readonly record struct HalfStep(int Lower, int Upper);

/// <summary>The hand's shape on one string in a key and position.</summary>
/// <param name="String">0 = lowest sounding string.</param>
/// <param name="OpenInKey">The open string belongs to the key.</param>
/// <param name="Frame">The hand frame that it lies in; null where the instrument has no such position.</param>
/// <param name="Spots">The key's places under the hand, lowest first, one to a finger; the open string is not among
/// them.</param>
/// <param name="Besides">Places for which a finger leaves its spot: a raised open letter against the nut, extended 4 at
/// the top of the instrument.</param>
/// <param name="HalfSteps">Pairs of neighbouring places a half step apart, in semitones; 0 is the nut where the open
/// string is in the key.</param>
public sealed record HandShape(
    int String,
    bool OpenInKey,
    HandFrame? Frame,
    IReadOnlyList<ShapeSpot> Spots,
    IReadOnlyList<ShapeSpot> Besides,
    IReadOnlyList<HalfStep> HalfSteps
)
{
    /// <summary>The shape of each string, lowest first (craft 5).</summary>
    /// <param name="position">Printed position name; an instrument without it gives empty shapes.</param>
    public static IReadOnlyList<HandShape> InKey(Instrument instrument, ScaleKey key, string position) =>
        [.. Enumerable.Range(0, instrument.Strings.Count).Select(s => OnString(instrument, key, position, s))];

    /// <summary>The positions whose shapes are shown, from the nut upwards, by their printed names.</summary>
    public static IReadOnlyList<string> Positions(Instrument instrument) =>
        [
            .. instrument
                .Frames.Where(f => instrument.ShownHeights.Contains(f.Height))
                .Select(f => f.Position)
                .Distinct(),
        ];

    /// <summary>
    /// Of first position and those below it the one under which more of the key's notes lie; the highest on a tie
    /// (craft 5: on the bass the frame follows the key).
    /// </summary>
    public static string BestPosition(Instrument instrument, ScaleKey key) =>
        instrument
            .Frames.Where(f => f.Height <= instrument.FirstHeight && instrument.ShownHeights.Contains(f.Height))
            .OrderByDescending(f => f.Height)
            .Select(f => f.Position)
            .Distinct()
            .MaxBy(p => InKey(instrument, key, p).Sum(s => s.Spots.Count + s.Besides.Count))!;

    /// <summary>
    /// What a page of one key shows: the best position, or all in which the hand lives where those are more than one.
    /// </summary>
    public static IReadOnlyList<string> PagePositions(Instrument instrument, ScaleKey key) =>
        instrument.HomeHeights is { Count: > 1 } homes
            ? [.. instrument.Frames.Where(f => homes.Contains(f.Height)).Select(f => f.Position).Distinct()]
            : [BestPosition(instrument, key)];

    /// <summary>Neighbouring fingers that touch, each as the lower and the upper; 0 is the nut.</summary>
    public IEnumerable<(int Lower, int Upper)> Touching
    {
        get
        {
            if (OpenInKey && Spots is [{ Placement: { Semitones: 1 } lowest }, ..])
                yield return (0, lowest.Finger);
            foreach (var (lower, upper) in Spots.Zip(Spots.Skip(1)))
            {
                if (upper.Placement.Semitones - lower.Placement.Semitones == 1)
                    yield return (lower.Placement.Finger, upper.Placement.Finger);
            }
        }
    }

    private static HandShape OnString(Instrument instrument, ScaleKey key, string position, int s)
    {
        var open = instrument.Strings[s];
        var openInKey = key.AlterOf(open.Letter) == open.Alter;
        // Of the frames of a position (closed, back, forward) the one that holds the most of the key's notes, the
        // easiest first.
        var frames = instrument.Frames.Index().Where(f => f.Item.Position == position).ToArray();
        if (frames.Length == 0)
            return new HandShape(s, openInKey, Frame: null, Spots: [], Besides: [], HalfSteps: []);
        var best = frames
            .Select(f => (Frame: f, Spots: InFrame(instrument, key, s, f.Index)))
            .OrderByDescending(x => x.Spots.Stand.Count)
            .ThenBy(x => x.Frame.Item.Stretch)
            .First();
        var (spots, besides) = best.Spots;
        var heights = (openInKey ? [0] : Array.Empty<int>()).Concat(spots.Select(p => p.Placement.Semitones)).ToArray();
        var halfSteps = heights
            .Zip(heights.Skip(1), (lower, upper) => new HalfStep(lower, upper))
            .Where(h => h.Upper - h.Lower == 1)
            .ToArray();
        return new HandShape(
            s,
            openInKey,
            Frame: best.Frame.Item,
            Spots: spots,
            Besides: besides,
            HalfSteps: halfSteps
        );
    }

    private static (IReadOnlyList<ShapeSpot> Stand, IReadOnlyList<ShapeSpot> Besides) InFrame(
        Instrument instrument,
        ScaleKey key,
        int s,
        int frame
    )
    {
        var all = SpotsIn(instrument, key, s, frame);
        // A finger stands on one spot: its own letter's, else the first it is wanted for; two names of one sound are
        // one spot.
        var open = instrument.Strings[s];
        var stand = all.Where(p => !p.Placement.Reach)
            .GroupBy(p => p.Placement.Finger)
            .Select(g =>
                g.OrderByDescending(p => p.Placement.OwnLetter)
                    .ThenByDescending(p => p.Pitch.Letter != open.Letter)
                    .First()
            )
            .DistinctBy(p => p.Placement.Semitones)
            .OrderBy(p => p.Placement.Semitones)
            .ToArray();
        var besides = all.Where(p =>
                stand.All(x => x.Placement.Semitones != p.Placement.Semitones)
                && (!p.Placement.Reach || s == instrument.Strings.Count - 1)
            )
            .ToArray();
        return (stand, besides);
    }

    /// <summary>Every spot of a string where a finger of the frame has a note of the key, from the nut up.</summary>
    private static ShapeSpot[] SpotsIn(Instrument instrument, ScaleKey key, int s, int frame)
    {
        var first = instrument.Strings[s].Step - 1;
        return
        [
            .. Enumerable
                .Range(first, 12)
                .Select(key.OnStep)
                .Select(pitch => (pitch, Ways: WaysOf(pitch)))
                .Where(x => x.Ways.Length > 0)
                .Select(x => new ShapeSpot(x.pitch, x.Ways[0]))
                .OrderBy(p => p.Placement.Semitones),
        ];

        Placement[] WaysOf(Pitch pitch) =>
            [
                .. Placements
                    .Fingered(instrument, pitch)
                    .Where(p => p.String == s && p.Frame == frame && !(p is { Finger: 4, Word: PlaceWord.High }))
                    .OrderByDescending(p => p.OwnLetter),
            ];
    }
}
