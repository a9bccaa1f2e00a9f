using Coppia.Core.Reading;
using Coppia.Core.Wording;

namespace Coppia.Core.Bowing;

/// <summary>Sound checks on a bowing (handbook 8): bar beginnings down, pick-ups up, crossings inside a slur, strokes in a bar.</summary>
public static class BowCheck
{
    public static IEnumerable<string> Of(PlayerReading reading)
    {
        var bowed = reading.Notes.Where(n => !reading.Bowing.Plucked[n.Note.Index]).ToArray();
        var begins = bowed.Where(n => n.Note is { Onset.IsZero: true, IsGrace: false, Slurred: false } && !n.Note.Bar.IsPickUp).ToArray();
        var up = begins.Where(n => n.Bow == BowDirection.Up).Select(n => n.Note.Bar.Number).Distinct().ToArray();
        if (begins.Length > 0)
            yield return up.Length == 0 ? "Every bar begins down."
            : up.Length > 8 ? $"{up.Length} bars begin up."
            : English.Sentence($"{English.Bars(up)} {(up.Length == 1 ? "begins" : "begin")} up");
        if (bowed is [{ Note.Bar.IsPickUp: true } first, ..])
            yield return first.Bow == BowDirection.Up ? "The pick-up is up." : "The pick-up begins down.";
        var crossings = bowed
            .Zip(bowed.Skip(1))
            .Where(p => p.Second.Note.Slurred && p.First.Placement is { } a && p.Second.Placement is { } b && a.String != b.String)
            .Select(p => p.Second.Note.Bar.Number)
            .Distinct()
            .ToArray();
        if (crossings.Length > 0)
            yield return $"A slur crosses strings in {English.Bars(crossings)}.";
        var strokes = bowed
            .Where(n => !n.Note.IsGrace && !n.Note.Slurred && !n.Note.Bar.IsPickUp)
            .GroupBy(n => n.Note.Bar.Number)
            .Select(g => g.Count())
            .ToArray();
        if (strokes.Length > 0)
            yield return strokes.Min() == strokes.Max()
                ? $"{strokes[0]} {(strokes[0] == 1 ? "stroke" : "strokes")} to a bar."
                : $"{strokes.Min()} to {strokes.Max()} strokes to a bar.";
    }
}
