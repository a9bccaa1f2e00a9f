namespace Coppia.Core.Music;

/// <summary>
/// Which notes of a bar stand under one tuplet sign. A source may mark the groups, or only give each note its ratio.
/// </summary>
internal static class Tuplets
{
    /// <summary>
    /// The events with the start and stop of every group marked: a marked group as the source has it, another until its
    /// notes make it whole.
    /// </summary>
    public static void Mark(List<ScoreEvent> events)
    {
        var first = -1;
        var marked = false;
        var sum = Fraction.Zero;
        for (var i = 0; i < events.Count; i++)
        {
            var e = events[i];
            if (!e.Value.InTuplet)
            {
                if (e.TupletStart || e.TupletStop)
                    events[i] = e with { TupletStart = false, TupletStop = false };
                continue;
            }

            if (first < 0)
                (first, marked, sum) = (i, e.TupletStart, Fraction.Zero);
            sum += e.Value.WrittenLength;
            var next = i + 1 < events.Count ? events[i + 1] : null;
            var ends =
                next is null
                || next.TupletStart
                || !SameRatio(e.Value, next.Value)
                || (marked ? e.TupletStop : IsWhole(sum, e.Value.TupletActual));
            events[i] = e with { TupletStart = i == first, TupletStop = ends };
            if (ends)
                first = -1;
        }
    }

    private static bool SameRatio(NoteValue a, NoteValue b) =>
        a.TupletActual == b.TupletActual && a.TupletNormal == b.TupletNormal;

    /// <summary>
    /// Three eighths make an eighth triplet whole, and so do a quarter and an eighth: what they last together is a
    /// plain value times the number of the tuplet.
    /// </summary>
    private static bool IsWhole(Fraction sum, int actual) =>
        NoteValue.Exactly(sum * new Fraction(1, actual)) is { Dots: 0 };
}
