using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>
/// One step of the bow: which way a stroke goes after the one before, and where it ends (craft 8). Following a tune,
/// its place along the bow and the search for other bowings all take this step.
/// </summary>
internal static class BowStep
{
    public static BowDirection Turned(BowDirection direction) =>
        direction == BowDirection.Down ? BowDirection.Up : BowDirection.Down;

    /// <summary>A printed sign wins; a bow set anew goes down; else it turns.</summary>
    /// <param name="before">Direction of the stroke before; null where there is none.</param>
    /// <param name="lifted">The bow was lifted, or rested, and is set anew.</param>
    /// <param name="opening">Direction of the tune's first stroke.</param>
    public static BowDirection Direction(SoundingNote note, BowDirection? before, bool lifted, BowDirection opening)
    {
        if (note.Event.Has(Marks.DownBow))
            return BowDirection.Down;
        if (note.Event.Has(Marks.UpBow))
            return BowDirection.Up;
        if (before is not { } last)
            return note.Index == 0 ? opening : BowDirection.Down;
        return lifted ? BowDirection.Down : Turned(last);
    }

    /// <summary>Where a stroke set anew begins, 0 = frog, 1 = tip: where it has room.</summary>
    public static double FreshStart(BowDirection direction, double travel) =>
        direction == BowDirection.Down ? 0 : Math.Min(1, travel);

    /// <summary>Where a stroke ends, held within the bow, and by how much of a bow it would run off.</summary>
    public static (double To, double Overrun) Along(BowDirection direction, double from, double travel)
    {
        var to = direction == BowDirection.Down ? from + travel : from - travel;
        var within = Math.Clamp(to, 0, 1);
        return (within, Math.Abs(to - within));
    }
}
