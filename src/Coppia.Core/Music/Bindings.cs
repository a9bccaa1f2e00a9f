namespace Coppia.Core.Music;

/// <summary>What binds a note to others and leads nowhere.</summary>
public enum LooseEnd
{
    Tie,
    SlurWithoutBeginning,
    SlurWithoutEnd,
    HairpinWithoutBeginning,
    HairpinWithoutEnd,
}

/// <summary>Ties, slurs and hairpins: each must lead from one note to another.</summary>
public static class Bindings
{
    /// <summary>The bars without ties, slurs and hairpins that lead nowhere.</summary>
    /// <param name="bars">The bars of one line.</param>
    /// <param name="drop">Is told each that is dropped and the note that it was on.</param>
    public static IReadOnlyList<Bar> Mended(IReadOnlyList<Bar> bars, Action<LooseEnd, ScoreEvent>? drop = null)
    {
        var flat = bars.SelectMany((b, bi) => b.Events.Select((e, ei) => (Bar: bi, Event: ei, Value: e))).ToArray();
        var mended = bars.Select(b => b.Events.ToArray()).ToArray();
        var open = new Stack<(int Bar, int Event)>();
        (int Bar, int Event)? hairpin = null;
        for (var i = 0; i < flat.Length; i++)
        {
            var (bar, at, e) = flat[i];
            if (e.TiedOn && !(e.Pitch is not null && i + 1 < flat.Length && flat[i + 1].Value.Pitch == e.Pitch))
                Drop(bar, at, x => x with { TiedOn = false }, LooseEnd.Tie);
            for (var k = 0; k < e.SlurStops; k++)
            {
                if (!open.TryPop(out _))
                    Drop(bar, at, x => x with { SlurStops = x.SlurStops - 1 }, LooseEnd.SlurWithoutBeginning);
            }

            for (var k = 0; k < e.SlurStarts; k++)
                open.Push((bar, at));
            if (e.HairpinStop && hairpin is null)
                Drop(bar, at, x => x with { HairpinStop = false }, LooseEnd.HairpinWithoutBeginning);
            // One that begins ends the one before it.
            if (e.Hairpin != Hairpin.None && hairpin is not null && !e.HairpinStop)
                mended[bar][at] = mended[bar][at] with { HairpinStop = true };
            if (e.HairpinStop || e.Hairpin != Hairpin.None)
                hairpin = e.Hairpin == Hairpin.None ? null : (bar, at);
        }

        if (hairpin is { } begun)
            Drop(begun.Bar, begun.Event, x => x with { Hairpin = Hairpin.None }, LooseEnd.HairpinWithoutEnd);
        foreach (var (bar, at) in open.Reverse())
            Drop(bar, at, x => x with { SlurStarts = x.SlurStarts - 1 }, LooseEnd.SlurWithoutEnd);
        return [.. bars.Select((b, i) => b with { Events = mended[i] })];

        void Drop(int bar, int at, Func<ScoreEvent, ScoreEvent> change, LooseEnd end)
        {
            drop?.Invoke(end, mended[bar][at]);
            mended[bar][at] = change(mended[bar][at]);
        }
    }
}
