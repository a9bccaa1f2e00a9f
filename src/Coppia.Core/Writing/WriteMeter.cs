using Coppia.Core.Music;

namespace Coppia.Core.Writing;

/// <summary>Meter and pick-up changed afterwards: the notes are poured into bars anew.</summary>
public sealed partial record WritingStaff
{
    /// <summary>What the last step had to leave out, because it would stand inside a bar.</summary>
    public BarlineSigns LeftOut { get; init; }

    /// <summary>
    /// Another meter, or another pick-up. Keys and clefs stay with their notes; what stands at barlines stays where it
    /// falls on a barline again, and <see cref="LeftOut"/> says what does not.
    /// </summary>
    public WritingStaff WithMeter(TimeSignature? time, Fraction? pickUp)
    {
        pickUp = time is { } t && pickUp is { } p && p > Fraction.Zero && p < t.BarLength ? p : null;
        if (time == Score.Bars[0].Time && pickUp == PickUp)
            return this;
        if (time?.BarLength == Score.Bars[0].Time?.BarLength && pickUp == PickUp)
            return With([.. Score.Bars.Select(b => b with { Time = time })], Caret);
        var poured = BarFilling.Of(Untied(), time, pickUp);
        if (poured.Count == 0)
            poured =
            [
                [],
            ];
        var before = Edges(Score.Bars.Select((_, bar) => Filled(bar)));
        var after = Edges(poured.Select(events => events.Aggregate(Fraction.Zero, (sum, e) => sum + e.Value.Length)));
        List<Bar> bars = [];
        var old = 0;
        foreach (var (i, events) in poured.Index())
        {
            while (old + 1 < Score.Bars.Count && before[old + 1] <= after[i])
                old++;
            bars.Add(Poured(events, Score.Bars[old], time, isFull: after[i + 1] - after[i] == time?.BarLength));
        }

        var leftOut = new Barlines(Score.Bars, before, bars, after).Carry();
        var score = Score with
        {
            Clef = bars[0].Clef,
            PartOrder = leftOut.HasFlag(BarlineSigns.OrderOfPlaying) ? null : Score.PartOrder,
        };
        return (this with { PickUp = pickUp, Score = score }).With(bars, default) with { LeftOut = leftOut };
    }

    /// <summary>How much music lies before each of some lengths, and behind the last.</summary>
    private static Fraction[] Edges(IEnumerable<Fraction> lengths)
    {
        List<Fraction> edges = [Fraction.Zero];
        foreach (var length in lengths)
            edges.Add(edges[^1] + length);
        return [.. edges];
    }

    /// <param name="events">Each with the clef in which it is read; the tied pieces of one only at its first.</param>
    /// <param name="before">The bar in which they began.</param>
    private static Bar Poured(IReadOnlyList<ScoreEvent> events, Bar before, TimeSignature? time, bool isFull)
    {
        var first = events.Select(e => e.ClefChange).FirstOrDefault() ?? before.Clef;
        var clef = first;
        List<ScoreEvent> read = [];
        foreach (var e in events)
        {
            read.Add(e with { ClefChange = e.ClefChange == clef ? null : e.ClefChange });
            clef = e.ClefChange ?? clef;
        }

        return new Bar
        {
            Clef = first,
            Key = before.Key,
            Time = time,
            Events = isFull && events.All(e => e.IsRest) ? Silence(null) : read,
        };
    }

    /// <summary>
    /// All notes with those that barlines had cut made whole, each with the clef in which it is read; a bar's rest in
    /// its length, where notes follow it.
    /// </summary>
    private List<ScoreEvent> Untied()
    {
        var whole = new List<ScoreEvent>();
        var cut = false;
        var silent = Score.Bars.Reverse().TakeWhile(b => b.Events.All(e => e.IsBarRest)).Count();
        foreach (var (bar, b) in Score.Bars.SkipLast(silent).Index())
        {
            var clef = b.Clef;
            foreach (var (at, e) in b.Events.Index())
            {
                clef = e.ClefChange ?? clef;
                var read = e with { ClefChange = clef };
                var length = (cut ? whole[^1].Value.Length : Fraction.Zero) + e.Value.Length;
                if (e.IsBarRest)
                    whole.AddRange(BarFilling.Spread(read with { IsBarRest = false }, LengthOf(e, bar)));
                else if (
                    cut
                    && at == 0
                    && !e.Value.InTuplet
                    && !whole[^1].Value.InTuplet
                    && NoteValue.Exactly(length) is { } one
                )
                    whole[^1] = whole[^1] with { Value = one, TiedOn = e.TiedOn, SlurStops = e.SlurStops };
                else
                    whole.Add(read);
                cut = e.TiedOn && at == b.Events.Count - 1 && bar + 1 < Score.Bars.Count;
            }
        }

        return whole;
    }
}
