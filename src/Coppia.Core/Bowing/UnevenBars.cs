using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>A bar in which the bow drifts: much longer one way than the other.</summary>
/// <param name="Bar">The printed bar.</param>
/// <param name="Down">Beats down.</param>
/// <param name="Up">Beats up.</param>
/// <param name="NoteIds">Its notes.</param>
public sealed record UnevenBar(Bar Bar, Fraction Down, Fraction Up, IReadOnlyList<string> NoteIds)
{
    /// <summary>Strokes of the way that has less time.</summary>
    public int FasterStrokes { get; init; }

    /// <summary>Their notes: more than strokes where a slur joins some.</summary>
    public int FasterNotes { get; init; }

    /// <summary>The way that has less time and must travel faster.</summary>
    public BowDirection Faster => Down > Up ? BowDirection.Up : BowDirection.Down;

    /// <summary>How many times as fast.</summary>
    public double Ratio => (Down > Up ? Down / Up : Up / Down).ToDouble();
}

/// <summary>
/// Names bars that are bowed unevenly, such as a dotted half down and a quarter up (craft 8, common practice).
/// </summary>
public static class UnevenBars
{
    /// <summary>How many times longer one way must be to be named.</summary>
    private const double WorthSaying = 2;

    public static IReadOnlyList<UnevenBar> Of(IReadOnlyList<SoundingNote> notes, Bows bows)
    {
        var uneven = new List<UnevenBar>();
        foreach (var bar in notes.Where(n => !n.IsGrace && !bows.Plucked[n.Index]).GroupBy(n => n.Bar.Id))
        {
            var inBar = bar.ToArray();
            if (inBar[0].Bar.Time is not { } time)
                continue;
            Fraction Beats(BowDirection way) =>
                inBar.Where(n => bows.Directions[n.Index] == way).Aggregate(Fraction.Zero, (sum, n) => sum + n.Length)
                / time.Beat;
            var (down, up) = (Beats(BowDirection.Down), Beats(BowDirection.Up));
            if (down.IsZero || up.IsZero)
                continue;
            // A quick note or two that takes next to no bow is no drift; nor is a bar all of whose strokes are quick.
            var drift = (down > up ? down - up : up - down) * time.Beat;
            var faster = down > up ? BowDirection.Up : BowDirection.Down;
            SoundingNote[] quick = [.. inBar.Where(n => bows.Directions[n.Index] == faster)];
            var found = new UnevenBar(inBar[0].Bar, down, up, [.. inBar.Select(n => n.Id)])
            {
                FasterStrokes = quick.Count(n => !n.Slurred || n == inBar[0]),
                FasterNotes = quick.Length,
            };
            if (found.Ratio >= WorthSaying && drift >= new Fraction(1, 2))
                uneven.Add(found);
        }

        return uneven;
    }
}
