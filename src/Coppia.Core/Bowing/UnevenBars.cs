using System.Globalization;
using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>A bar in which the bow drifts: much longer one way than the other.</summary>
/// <param name="Bar">The printed bar.</param>
/// <param name="Text">What happens and what helps.</param>
/// <param name="NoteIds">Its notes.</param>
public sealed record UnevenBar(Bar Bar, string Text, IReadOnlyList<string> NoteIds);

/// <summary>Names bars that are bowed unevenly, such as a dotted half down and a quarter up (handbook 8, common practice).</summary>
public static class UnevenBars
{
    /// <summary>How many times longer one way must be to be named.</summary>
    private const double WorthSaying = 2;

    public static IReadOnlyList<UnevenBar> Of(IReadOnlyList<SoundingNote> notes, Bows bowing)
    {
        var uneven = new List<UnevenBar>();
        foreach (var bar in notes.Where(n => !n.IsGrace && !bowing.Plucked[n.Index]).GroupBy(n => n.Bar.Id))
        {
            var inBar = bar.ToArray();
            if (inBar[0].Bar.Time is not { } time)
                continue;
            Fraction Beats(BowDirection way) =>
                inBar.Where(n => bowing.Directions[n.Index] == way).Aggregate(Fraction.Zero, (sum, n) => sum + n.Length) / time.Beat;
            var (down, up) = (Beats(BowDirection.Down), Beats(BowDirection.Up));
            if (down.IsZero || up.IsZero)
                continue;
            var (more, less, fast) = down > up ? (down, up, "up") : (up, down, "down");
            var ratio = (more / less).ToDouble();
            // A quick note or two that takes next to no bow is no drift; nor is a bar all of whose strokes are quick.
            if (ratio < WorthSaying || (more - less) * time.Beat < new Fraction(1, 2))
                continue;
            uneven.Add(
                new UnevenBar(
                    inBar[0].Bar,
                    $"{inBar[0].Bar.Spoken}: {Number(down)} {(down == Fraction.Whole ? "beat" : "beats")} down, {Number(up)} up. The {fast} bow must travel {Times(ratio)} as fast, or hook it, or lift.",
                    [.. inBar.Select(n => n.Id)]
                )
            );
        }

        return uneven;
    }

    private static string Number(Fraction beats) => beats.ToDouble().ToString("0.##", CultureInfo.InvariantCulture);

    private static string Times(double ratio) =>
        ratio switch
        {
            2 => "twice",
            3 => "three times",
            4 => "four times",
            _ => $"{ratio.ToString("0.#", CultureInfo.InvariantCulture)} times",
        };
}
