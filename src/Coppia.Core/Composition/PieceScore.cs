using Coppia.Core.Music;

namespace Coppia.Core.Composition;

/// <summary>A composition as a score, to be engraved, played and read on any instrument.</summary>
public static class PieceScore
{
    /// <param name="title">Printed over it; may be empty.</param>
    /// <param name="composer">First name, or null.</param>
    public static Score Of(Piece piece, WritingTask task, string title = "", string? composer = null)
    {
        Bar[] bars =
        [
            .. piece.Bars.Select(b => new Bar
            {
                Clef = task.Clef,
                Key = task.Key.Signature,
                Time = task.Meter,
                Events =
                    b.Count == 0
                        ? [new ScoreEvent { Value = new NoteValue(0), IsBarRest = true }]
                        : [.. b.Select(EventOf)],
            }),
        ];
        if (bars.Length > 0)
            bars[^1] = bars[^1] with { Barline = Barline.Final };
        var score = ScoreAssembly
            .Finish(
                new Score
                {
                    Title = title,
                    Composer = composer,
                    InstrumentName = task.Instrument.Name,
                    Clef = task.Clef,
                    Key = task.Key.Signature,
                    Time = task.Meter,
                    Bars = bars,
                }
            )
            .Score;
        // A short first bar is one that lacks something, never a pick-up.
        return score with { Bars = [.. score.Bars.Select((b, i) => b with { Number = i + 1, IsPickUp = false })] };
    }

    private static ScoreEvent EventOf(PieceNote note) => new() { Pitch = note.Pitch, Value = note.Value };
}
