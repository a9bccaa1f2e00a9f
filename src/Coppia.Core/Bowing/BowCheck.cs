using Coppia.Core.Fingering;
using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>
/// Sound checks on a bowing (craft 8): bar beginnings down, pick-ups up, crossings inside a slur, strokes in a bar.
/// </summary>
/// <param name="BeginsBars">Some bar begins with a stroke of its own.</param>
/// <param name="BeginUp">Printed numbers of the bars that begin up.</param>
/// <param name="PickUp">Direction of the first stroke of a tune with a pick-up; null without one.</param>
/// <param name="SlurCrosses">Printed numbers of the bars in which a slur crosses strings.</param>
/// <param name="FewestStrokes">Fewest strokes in a bar; null where no bar has any.</param>
/// <param name="MostStrokes">Most strokes in a bar.</param>
public sealed record BowCheck(
    bool BeginsBars,
    IReadOnlyList<int> BeginUp,
    BowDirection? PickUp,
    IReadOnlyList<int> SlurCrosses,
    int? FewestStrokes,
    int? MostStrokes
)
{
    public static BowCheck Of(Fingers fingers, Bows bows)
    {
        var bowed = fingers.Notes.Where(n => !bows.Plucked[n.Note.Index]).ToArray();
        var notes = bowed.Select(n => n.Note).ToArray();
        var begins = notes
            .Where(n => n is { Onset.IsZero: true, IsGrace: false, Slurred: false, Bar.IsPickUp: false })
            .ToArray();
        var strokes = notes
            .Where(n => n is { IsGrace: false, Slurred: false, Bar.IsPickUp: false })
            .CountBy(n => n.Bar.Number)
            .Select(c => (int?)c.Value)
            .ToArray();
        return new BowCheck(
            BeginsBars: begins.Length > 0,
            BeginUp: Bars(begins.Where(n => bows.Directions[n.Index] == BowDirection.Up)),
            PickUp: notes is [{ Bar.IsPickUp: true } first, ..] ? bows.Directions[first.Index] : null,
            SlurCrosses: Bars(
                bowed.Zip(bowed.Skip(1)).Where(p => Crosses(p.First, p.Second)).Select(p => p.Second.Note)
            ),
            FewestStrokes: strokes.Min(),
            MostStrokes: strokes.Max()
        );
    }

    private static bool Crosses(FingeredNote from, FingeredNote to) =>
        to.Note.Slurred && from.Placement is { } a && to.Placement is { } b && a.String != b.String;

    private static int[] Bars(IEnumerable<SoundingNote> notes) => [.. notes.Select(n => n.Bar.Number).Distinct()];
}
