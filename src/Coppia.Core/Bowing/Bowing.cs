namespace Coppia.Core;

public enum BowDirection { Down, Up }

/// <summary>Bow direction for every sounding note (handbook 8): the first down unless a pick-up, each new stroke alternates, notes under one slur share a stroke, printed signs win.</summary>
public static class Bowing
{
    /// <summary>One direction for each note, in order.</summary>
    public static IReadOnlyList<BowDirection> Follow(IReadOnlyList<SoundingNote> notes)
    {
        var strokes = new List<BowDirection>(notes.Count);
        foreach (var (i, note) in notes.Index())
        {
            if (i > 0 && note.Slurred) strokes.Add(strokes[^1]);
            else if (note.Event.Has(Marks.DownBow)) strokes.Add(BowDirection.Down);
            else if (note.Event.Has(Marks.UpBow)) strokes.Add(BowDirection.Up);
            else if (i == 0) strokes.Add(First(notes));
            else if (RetakesBefore(notes, i)) strokes.Add(BowDirection.Down);
            else strokes.Add(strokes[^1] == BowDirection.Down ? BowDirection.Up : BowDirection.Down);
        }

        return strokes;
    }

    /// <summary>A pick-up is bowed so that the first full bar begins down: one stroke up, two strokes down up.</summary>
    private static BowDirection First(IReadOnlyList<SoundingNote> notes)
    {
        var pickUpStrokes = notes.TakeWhile(n => n.Bar.IsPickUp).Count(n => !n.Slurred);
        return pickUpStrokes % 2 == 1 ? BowDirection.Up : BowDirection.Down;
    }

    /// <summary>A lift sign, or a rest of at least a bar, starts down again; a shorter rest does not turn the bow.</summary>
    private static bool RetakesBefore(IReadOnlyList<SoundingNote> notes, int i) =>
        notes[i - 1].Event.Has(Marks.LiftAfter)
        || notes[i].Bar.Time is { } time && notes[i].RestBefore >= time.BarLength;
}
