namespace Coppia.Core.Music;

/// <summary>Turns bars as a reader found them into a finished score: ids, onsets, bar numbers, pick-up, and a check of every bar's length.</summary>
public static class ScoreAssembly
{
    /// <param name="draft">Score whose bars hold events without ids and onsets.</param>
    /// <param name="pickUpMarked">True when the source itself marks its first bar as a pick-up.</param>
    public static (Score Score, IReadOnlyList<Notice> Notices) Finish(Score draft, bool pickUpMarked = false)
    {
        var notices = new List<Notice>();
        var bars = new List<Bar>(draft.Bars.Count);
        var number = 1;
        foreach (var (index, raw) in draft.Bars.Index())
        {
            var bar = WithOnsets(raw, index);
            var isShort = bar.Time is { } time && bar.Length < time.BarLength;
            if (index == 0 && isShort && (pickUpMarked || draft.Bars.Count > 1))
            {
                bars.Add(bar with { Number = 0, IsPickUp = true });
                continue;
            }

            bars.Add(bar with { Number = number++ });
        }

        for (var i = 0; i < bars.Count; i++)
            CheckLength(bars, i, notices);
        if (bars.Count > 0 && bars[^1].Time is null && bars.All(b => b.Time is null))
            notices.Insert(
                0,
                new Notice(bars[0].At, null, "Free meter: the beats are not checked, and counting starts again at every barline.")
            );
        // A key or meter changed before the first note is the one that the tune begins in.
        return (bars.Count == 0 ? draft : draft with { Bars = bars, Key = bars[0].Key, Time = bars[0].Time }, notices);
    }

    private static Bar WithOnsets(Bar bar, int index)
    {
        var onset = Fraction.Zero;
        var events = new List<ScoreEvent>(bar.Events.Count);
        foreach (var (order, e) in bar.Events.Index())
        {
            var id = $"b{index + 1}n{order + 1}";
            var length = e.IsBarRest && bar.Time is { } time ? time.BarLength : e.Value.Length;
            events.Add(
                e with
                {
                    Id = id,
                    Onset = onset,
                    Length = length,
                    Graces = [.. e.Graces.Select((g, k) => g with { Id = $"{id}g{k + 1}" })],
                }
            );
            onset += length;
        }

        Tuplets.Mark(events);
        return bar with { Id = $"bar{index + 1}", Events = events };
    }

    private static void CheckLength(List<Bar> bars, int index, List<Notice> notices)
    {
        var bar = bars[index];
        if (bar.Time is not { } time || bar.IsPickUp || bar.Length == time.BarLength)
            return;

        if (bar.Length < time.BarLength)
        {
            // A bar cut by a repeat, an ending, or the end of the tune is completed by the pick-up or by the bar that follows.
            var completes = bar.Length + bars[0].Length == time.BarLength && bars[0].IsPickUp;
            var cutByRepeat =
                index + 1 < bars.Count && bar.Length + bars[index + 1].Length == time.BarLength
                || index > 0 && bar.Length + bars[index - 1].Length == time.BarLength;
            if (completes && (index == bars.Count - 1 || bar.RepeatEnd || bar.EndingStop || bar.Barline != Barline.Plain))
                return;
            if (cutByRepeat)
                return;
        }

        var has = bar.Length / time.Beat;
        var word = bar.Length < time.BarLength ? "short" : "long";
        notices.Add(new Notice(bar.At, bar.Number, $"{bar.Spoken} is too {word}: it holds {Beats(has)} of {time.Beats} beats in {time}."));
    }

    private static string Beats(Fraction beats) =>
        beats.Denominator == 1
            ? beats.Numerator.ToString(System.Globalization.CultureInfo.InvariantCulture)
            : beats.ToDouble().ToString("0.##", System.Globalization.CultureInfo.InvariantCulture);
}
