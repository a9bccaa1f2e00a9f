using Coppia.Core.Reading;

namespace Coppia.Core.Exercises;

/// <summary>How far a trouble spot has grown (craft 11).</summary>
public enum Rung
{
    /// <summary>The two notes alone.</summary>
    TwoNotes,

    /// <summary>With the note before.</summary>
    ThreeNotes,
    Bar,
    TwoBars,
    Line,
    Whole,
}

/// <summary>One rung of a ladder.</summary>
/// <param name="FirstBar">Order of the first bar it is about, from 0.</param>
/// <param name="EndBar">Order of the bar after the last.</param>
/// <param name="Music">To play; null for the line and the whole, which are on the tune's own page.</param>
public sealed record ChunkRung(Rung Rung, int FirstBar, int EndBar, PlayQuestion? Music);

/// <summary>
/// A trouble spot as it is practised: two notes, three, the bar, two bars, the line, the whole (craft 11).
/// </summary>
public sealed record ChunkLadder(TroubleSpot Spot, IReadOnlyList<ChunkRung> Rungs)
{
    /// <summary>
    /// The ladders of a tune's worst spots, in the order of the tune; an easy tune has those of its likeliest slips.
    /// </summary>
    /// <param name="most">How many at most.</param>
    public static IReadOnlyList<ChunkLadder> Of(PlayerReading reading, int most) =>
        [
            .. reading
                .Trouble.Where(t => !reading.Notes[t.From].Note.IsGrace && !reading.Notes[t.To].Note.IsGrace)
                .OrderByDescending(t => t.Points)
                .ThenBy(t => t.To)
                .Take(most)
                .OrderBy(t => t.To)
                .Select(t => Of(reading, t)),
        ];

    private static ChunkLadder Of(PlayerReading reading, TroubleSpot spot)
    {
        var bars = reading.Score.Bars;
        var orders = bars.Index().ToDictionary(b => b.Item.Id, b => b.Index);
        var at = orders[reading.Notes[spot.To].Note.Bar.Id];
        var before = orders[reading.Notes[spot.From].Note.Bar.Id];
        var line = reading.Tune.Form.Lines.First(l => l.FirstBar <= at && at < l.EndBar);
        return new ChunkLadder(
            spot,
            [
                .. TuneChunks
                    .Grow(reading, spot)
                    .Select(s => new ChunkRung(
                        s.Rung,
                        s.Rung is Rung.TwoBars or Rung.TwoNotes or Rung.ThreeNotes ? Math.Min(before, at) : at,
                        s.Rung == Rung.TwoBars && before == at ? at + 2 : at + 1,
                        TuneChunks.Joined(reading, [s])
                    )),
                new ChunkRung(Rung.Line, line.FirstBar, line.EndBar, null),
                new ChunkRung(Rung.Whole, 0, bars.Count, null),
            ]
        );
    }
}
