using Coppia.Core.Music;

namespace Coppia.Core.Writing;

/// <summary>
/// Pours a row of notes into bars: a bar that is full goes on to the next, and a note that crosses the barline is tied.
/// </summary>
public static class BarFilling
{
    /// <param name="events">Notes and rests in order.</param>
    /// <param name="time">The meter; null leaves them in one bar.</param>
    /// <param name="pickUp">Length of a pick-up before the first full bar, or null.</param>
    /// <returns>The events of each bar; a tuplet note is never cut, and may make its bar too long.</returns>
    public static IReadOnlyList<IReadOnlyList<ScoreEvent>> Of(
        IEnumerable<ScoreEvent> events,
        TimeSignature? time,
        Fraction? pickUp = null
    )
    {
        var bars = new List<IReadOnlyList<ScoreEvent>>();
        var bar = new List<ScoreEvent>();
        var room = pickUp ?? time?.BarLength ?? Fraction.Zero;
        var waiting = new Stack<ScoreEvent>();
        foreach (var e in events)
        {
            waiting.Push(e);
            while (waiting.TryPop(out var next))
            {
                if (
                    time is not null
                    && next.Value.Length > room
                    && !next.Value.InTuplet
                    && Cut(next, room) is { Count: > 0 } pieces
                )
                {
                    foreach (var piece in pieces.Reverse())
                        waiting.Push(piece);
                    continue;
                }

                bar.Add(next);
                room -= next.Value.Length;
                if (time is null || room > Fraction.Zero)
                    continue;
                bars.Add(bar);
                (bar, room) = ([], time.Value.BarLength);
            }
        }

        if (bar.Count > 0)
            bars.Add(bar);
        return bars;
    }

    /// <summary>
    /// A note or rest of any length as the fewest values, tied to each other; what begins with it stays on the first,
    /// what ends with it on the last.
    /// </summary>
    /// <returns>Empty where no values make up the length.</returns>
    public static IReadOnlyList<ScoreEvent> Spread(ScoreEvent e, Fraction length) =>
        Tied(e, NoteValue.Split(length) ?? []);

    /// <summary>A note in tied pieces, one of which ends at the moment.</summary>
    /// <returns>Empty where no values make up the pieces.</returns>
    private static IReadOnlyList<ScoreEvent> Cut(ScoreEvent e, Fraction at)
    {
        var here = NoteValue.Split(at) ?? [];
        var after = NoteValue.Split(e.Value.Length - at) ?? [];
        return here.Count == 0 || after.Count == 0 ? [] : Tied(e, [.. here, .. after]);
    }

    private static IReadOnlyList<ScoreEvent> Tied(ScoreEvent e, IReadOnlyList<NoteValue> values) =>
        [.. values.Select((v, i) => Piece(e, v, isFirst: i == 0, isLast: i == values.Count - 1))];

    private static ScoreEvent Piece(ScoreEvent e, NoteValue value, bool isFirst, bool isLast)
    {
        var piece = isFirst
            ? e
            : new ScoreEvent
            {
                Pitch = e.Pitch,
                Chord = e.Chord,
                At = e.At,
            };
        return piece with
        {
            Value = value,
            TiedOn = !e.IsRest && (!isLast || e.TiedOn),
            SlurStops = isLast ? e.SlurStops : 0,
            HairpinStop = isFirst && e.HairpinStop,
            Marks = isLast ? piece.Marks | (e.Marks & Marks.LiftAfter) : piece.Marks & ~Marks.LiftAfter,
        };
    }
}
