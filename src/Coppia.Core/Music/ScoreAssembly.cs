namespace Coppia.Core.Music;

/// <summary>What is odd about the beats of a score.</summary>
public enum MeterFaultKind
{
    /// <summary>No bar has a time signature, so that nothing can be checked.</summary>
    FreeMeter,
    ShortBar,
    LongBar,
}

/// <summary>A bar that does not hold what its time signature asks for, or a tune without one.</summary>
/// <param name="Bar">The bar; in free meter the first.</param>
public readonly record struct MeterFault(MeterFaultKind Kind, Bar Bar);

/// <summary>
/// Turns bars as a reader found them into a finished score: ids, onsets, bar numbers, pick-up, and a check of every
/// bar's length.
/// </summary>
public static class ScoreAssembly
{
    /// <param name="draft">Score whose bars hold events without onsets; those with ids keep them.</param>
    /// <param name="pickUpMarked">True when the source itself marks its first bar as a pick-up.</param>
    public static (Score Score, IReadOnlyList<MeterFault> Faults) Finish(Score draft, bool pickUpMarked = false)
    {
        var faults = new List<MeterFault>();
        var bars = Numbered(draft, pickUpMarked);
        for (var i = 0; i < bars.Count; i++)
            CheckLength(bars, i, faults);
        if (bars.Count > 0 && bars[^1].Time is null && bars.All(b => b.Time is null))
            faults.Insert(0, new MeterFault(MeterFaultKind.FreeMeter, bars[0]));
        // A key or meter changed before the first note is the one that the tune begins in.
        if (bars.Count == 0)
            return (draft, faults);
        var finished = draft with { Bars = bars, Clef = bars[0].Clef, Key = bars[0].Key, Time = bars[0].Time };
        return (
            ScoreIds.Finished(
                finished,
                [.. bars.Select(b => b.Id)],
                [.. bars.Select(b => b.Events.Select(e => e.Id).ToArray())]
            ),
            faults
        );
    }

    /// <summary>The bars with the onsets of their events and with their numbers.</summary>
    private static List<Bar> Numbered(Score draft, bool pickUpMarked)
    {
        var bars = new List<Bar>(draft.Bars.Count);
        var number = 1;
        foreach (var (index, raw) in draft.Bars.Index())
        {
            var bar = WithOnsets(raw);
            var isShort = bar.Time is { } time && bar.Length < time.BarLength;
            if (index == 0 && isShort && (pickUpMarked || draft.Bars.Count > 1))
            {
                bars.Add(bar with { Number = 0, IsPickUp = true });
                continue;
            }

            // What the source prints goes on counting from there, unless bars were put in since.
            number = Math.Max(number, bar.SourceNumber ?? number);
            var isUpbeat = bars.Count > 0 && FillsUp(bars[^1], bar);
            // What was found here before is found anew; what the source says stays.
            var isUncounted =
                bars.Count > 0 && (isUpbeat ? bar.SourceNumber is null : bar is { IsUncounted: true, IsUpbeat: false });
            bars.Add(
                bar with
                {
                    Number = isUncounted ? bars[^1].Number : number++,
                    IsUncounted = isUncounted,
                    IsUpbeat = isUpbeat,
                    IsPickUp = false,
                }
            );
        }

        return bars;
    }

    /// <summary>
    /// A repeat, an ending or a double bar cuts a bar in two: what comes after it is the rest of that bar, an upbeat to
    /// the next, and has no number of its own unless one is printed (common practice).
    /// </summary>
    private static bool FillsUp(Bar before, Bar bar) =>
        before.IsCounted
        && bar.Time is { } time
        && before.Time == time
        && !bar.Length.IsZero
        && before.Length + bar.Length == time.BarLength
        && (
            before.RepeatEnd
            || before.EndingStop
            || before.Barline != Barline.Plain
            || bar.RepeatStart
            || bar.EndingStart is not null
        );

    private static Bar WithOnsets(Bar bar)
    {
        var onset = Fraction.Zero;
        var events = new List<ScoreEvent>(bar.Events.Count);
        foreach (var e in bar.Events)
        {
            var length = e.IsBarRest && bar.Time is { } time ? time.BarLength : e.Value.Length;
            events.Add(e with { Onset = onset, Length = length });
            onset += length;
        }

        Tuplets.Mark(events);
        return bar with { Events = events };
    }

    private static void CheckLength(List<Bar> bars, int index, List<MeterFault> faults)
    {
        var bar = bars[index];
        if (bar.Time is not { } time || bar.IsPickUp || bar.Length == time.BarLength)
            return;

        if (bar.Length < time.BarLength)
        {
            // A bar cut by a repeat, an ending, or the end of the tune is completed by the pick-up or by the bar that
            // follows.
            var completes = bar.Length + bars[0].Length == time.BarLength && bars[0].IsPickUp;
            var cutByRepeat =
                index + 1 < bars.Count && bar.Length + bars[index + 1].Length == time.BarLength
                || index > 0 && bar.Length + bars[index - 1].Length == time.BarLength;
            if (
                completes
                && (index == bars.Count - 1 || bar.RepeatEnd || bar.EndingStop || bar.Barline != Barline.Plain)
            )
                return;
            if (cutByRepeat)
                return;
        }

        faults.Add(new MeterFault(bar.Length < time.BarLength ? MeterFaultKind.ShortBar : MeterFaultKind.LongBar, bar));
    }
}
