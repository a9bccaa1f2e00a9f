using Coppia.Core.Music;

namespace Coppia.Core.Form;

/// <summary>One line of a tune: printed, or a phrase of four bars.</summary>
/// <param name="FirstBar">Order of its first bar, from 0.</param>
/// <param name="EndBar">Order of the bar after it.</param>
/// <param name="Kind">0 for the first kind of line, 1 for the next: the letter that it gets.</param>
/// <param name="Variant">0 for the first of its kind and lines equal to it; 1, 2 … for each other line nearly like
/// it.</param>
/// <param name="Like">Order of the earlier line that it equals or nearly equals; null for a new line.</param>
/// <param name="IsAgain">It equals an earlier line, and is learned with it.</param>
public readonly record struct TuneLine(int FirstBar, int EndBar, int Kind, int Variant, int? Like, bool IsAgain)
{
    /// <summary>Nearly like an earlier line of its kind, not equal to it.</summary>
    public bool IsVaried => Variant > 0;
}

/// <summary>How much of a tune is new.</summary>
/// <param name="Bars">Full bars; a pick-up does not count.</param>
/// <param name="DifferentBars">How many of them are different.</param>
/// <param name="Rhythms">Different rhythms among the bars that hold notes.</param>
/// <param name="BarsWithRhythm">Bars that hold notes.</param>
/// <param name="CommonestRhythm">Order of the first bar of the rhythm that fills most bars; null in a tune of one
/// bar.</param>
/// <param name="CommonestFills">How many bars it fills.</param>
public readonly record struct NewInForm(
    int Bars,
    int DifferentBars,
    int Rhythms,
    int BarsWithRhythm,
    int? CommonestRhythm,
    int CommonestFills
);

/// <summary>How a tune is built (craft 10, common practice).</summary>
/// <param name="Lines">Its lines.</param>
/// <param name="Traps">Near-equal places.</param>
/// <param name="Passages">Runs, arpeggios, thirds, sequences, repeated bars.</param>
/// <param name="Likenesses">Bars that resemble earlier ones in rhythm, notes or shape.</param>
/// <param name="New">How little of it is new.</param>
public sealed record TuneForm(
    IReadOnlyList<TuneLine> Lines,
    IReadOnlyList<Trap> Traps,
    IReadOnlyList<Passage> Passages,
    IReadOnlyList<Likeness> Likenesses,
    NewInForm New
)
{
    /// <summary>
    /// How many lines back a likeness is looked for: farther back a player's ear does not mix them up.
    /// </summary>
    private const int LinesRemembered = 16;

    public static TuneForm Of(Score score, IReadOnlyList<SoundingNote> notes)
    {
        var music = BarMusic.Of(score);
        var lines = LinesOf(music, [.. TuneLines.In(score)]);
        return new TuneForm(
            lines,
            [.. Trap.In(music, lines)],
            Passage.Of(music, notes),
            Likeness.In(music),
            NewIn(music)
        );
    }

    private static TuneLine[] LinesOf(BarMusic[] music, (int First, int End)[] spans)
    {
        var lines = new List<TuneLine>();
        var wholes = new Dictionary<string, int>();
        var full = spans.Select(s => Full(music, s.First, s.End)).ToArray();
        var kinds = 0;
        var variants = new Dictionary<int, int>();
        foreach (var (n, (first, end)) in spans.Index())
        {
            var whole = string.Join(' ', full[n].Select(i => music[i].Key));
            int? like = wholes.TryGetValue(whole, out var equal) ? equal : NearestBefore(n);
            lines.Add(
                like is not { } l ? new TuneLine(first, end, kinds++, Variant: 0, Like: null, IsAgain: false)
                : wholes.ContainsKey(whole) ? lines[l] with { FirstBar = first, EndBar = end, Like = l, IsAgain = true }
                : new TuneLine(first, end, lines[l].Kind, VariantOf(lines[l].Kind), Like: l, IsAgain: false)
            );
            wholes.TryAdd(whole, n);
        }

        return [.. lines];

        int VariantOf(int kind) => variants[kind] = variants.GetValueOrDefault(kind) + 1;

        // Of the lines not too long ago the first that is like it.
        int? NearestBefore(int n)
        {
            for (var k = Math.Max(0, n - LinesRemembered); k < n; k++)
            {
                if (AreLike(music, full[k], full[n]))
                    return k;
            }

            return null;
        }
    }

    /// <summary>At least half the bars are the same.</summary>
    private static bool AreLike(BarMusic[] music, int[] a, int[] b)
    {
        if (a.Length != b.Length || a.Length < 2)
            return false;
        var same = 0;
        for (var i = 0; i < a.Length; i++)
            same += music[a[i]].Key == music[b[i]].Key ? 1 : 0;
        return 2 * same >= a.Length;
    }

    /// <summary>The full bars of a line; a pick-up or upbeat before it does not make it another line.</summary>
    internal static int[] Full(BarMusic[] music, int first, int end) =>
        [.. Enumerable.Range(first, end - first).Where(i => music[i].Bar.IsCounted)];

    private static NewInForm NewIn(BarMusic[] music)
    {
        var full = music.Index().Where(m => m.Item.Bar.IsCounted).ToArray();
        var rhythms = full.Where(m => m.Item.HasNotes)
            .GroupBy(m => m.Item.Rhythm)
            .OrderByDescending(g => g.Count())
            .ToArray();
        var bars = rhythms.Sum(g => g.Count());
        return new NewInForm(
            Bars: full.Length,
            DifferentBars: full.Select(m => m.Item.Key).Distinct().Count(),
            Rhythms: rhythms.Length,
            BarsWithRhythm: bars,
            CommonestRhythm: bars < 2 ? null : rhythms[0].First().Index,
            CommonestFills: bars < 2 ? 0 : rhythms[0].Count()
        );
    }
}
