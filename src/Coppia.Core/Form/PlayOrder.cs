using Coppia.Core.Music;

namespace Coppia.Core.Form;

/// <summary>A bar as it comes in playing.</summary>
/// <param name="Bar">Order of the printed bar, from 0.</param>
/// <param name="Pass">1 the first time through its repeat, 2 the second.</param>
public readonly record struct PlayedBar(int Bar, int Pass);

/// <summary>
/// The order in which bars are played: repeats taken, each ending in its turn, then da capo or dal segno (craft 10,
/// common practice).
/// </summary>
public static class PlayOrder
{
    /// <summary>Most times that a section is played, whatever its endings say.</summary>
    private const int MostPasses = 8;

    public static IReadOnlyList<PlayedBar> Of(Score score)
    {
        var written = AsWritten(score.Bars);
        return score.PartOrder is { } parts ? PartOrder.Of(score.Bars, parts, written) ?? written : written;
    }

    /// <summary>The order that repeats, endings and waymarks ask for.</summary>
    internal static IReadOnlyList<PlayedBar> AsWritten(IReadOnlyList<Bar> bars)
    {
        var order = new List<PlayedBar>(bars.Count);
        int start = 0,
            pass = 1;
        for (var i = 0; i < bars.Count; )
        {
            var bar = bars[i];
            if (bar.RepeatStart && i != start)
                (start, pass) = (i, 1);
            if (bar.EndingStart is { } ending && !Numbers(ending).Contains(pass))
            {
                i = EndOfEnding(bars, i) + 1;
                continue;
            }

            order.Add(new PlayedBar(i, pass));
            if (bar.RepeatEnd && pass < Passes(bars, start, i))
            {
                pass++;
                i = start;
                continue;
            }

            // A section closes at its last repeat sign or with its last ending.
            if (bar.RepeatEnd || bar.EndingStop)
                (start, pass) = (i + 1, 1);
            if ((bar.Waymarks & (Waymarks.DaCapo | Waymarks.DalSegno)) != 0)
            {
                order.AddRange(Again(bars, i, order));
                break;
            }

            i++;
        }

        return order;
    }

    /// <summary>
    /// What is played after a da capo or dal segno: each section once, with its last ending, as far as fine, or to the
    /// sign that leads to the coda, or on to the end.
    /// </summary>
    private static IEnumerable<PlayedBar> Again(IReadOnlyList<Bar> bars, int from, IReadOnlyList<PlayedBar> played)
    {
        var before = played.GroupBy(p => p.Bar).ToDictionary(g => g.Key, g => g.Max(p => p.Pass));
        var first = bars[from].Waymarks.HasFlag(Waymarks.DalSegno) ? Math.Max(0, Find(Waymarks.Segno)) : 0;
        var coda = Find(Waymarks.Coda);
        var again = new List<PlayedBar>();
        for (var i = first; i < bars.Count; )
        {
            if (LaterEnding(bars, i) is { } next)
            {
                i = next;
                continue;
            }

            again.Add(Played(i));
            if (bars[i].Waymarks.HasFlag(Waymarks.Fine))
                break;
            if (bars[i].Waymarks.HasFlag(Waymarks.ToCoda) && coda > i)
            {
                again.AddRange(Enumerable.Range(coda, bars.Count - coda).Select(Played));
                break;
            }

            i++;
        }

        return again;

        PlayedBar Played(int bar) => new(bar, before.GetValueOrDefault(bar) + 1);

        int Find(Waymarks mark) => FirstWith(mark, bars);
    }

    /// <summary>−1 where no bar has it.</summary>
    private static int FirstWith(Waymarks mark, IReadOnlyList<Bar> bars)
    {
        for (var i = 0; i < bars.Count; i++)
        {
            if (bars[i].Waymarks.HasFlag(mark))
                return i;
        }

        return -1;
    }

    /// <summary>The ending that follows the one that begins in a bar, or null.</summary>
    private static int? LaterEnding(IReadOnlyList<Bar> bars, int bar)
    {
        if (bars[bar].EndingStart is null)
            return null;
        var next = EndOfEnding(bars, bar) + 1;
        return next < bars.Count && bars[next].EndingStart is not null ? next : null;
    }

    /// <summary>
    /// Stretches of bars that are played one after the other, each as the orders of its first and last bar.
    /// </summary>
    public static IReadOnlyList<(int First, int Last)> Runs(IReadOnlyList<PlayedBar> order)
    {
        var runs = new List<(int First, int Last)>();
        foreach (var (bar, _) in order)
        {
            if (runs is [.., var last] && bar == last.Last + 1)
                runs[^1] = (last.First, bar);
            else
                runs.Add((bar, bar));
        }

        return runs;
    }

    /// <summary>As often as the repeat sign says, or as the endings that follow have numbers.</summary>
    private static int Passes(IReadOnlyList<Bar> bars, int start, int end)
    {
        var most = bars[end].RepeatTimes;
        // Endings of one bar each follow one another, and no section has more of them than it is played.
        for (
            var i = start;
            i < bars.Count && (i <= end + 1 || i <= end + MostPasses && bars[i].EndingStart is not null);
            i++
        )
        {
            if (bars[i].EndingStart is { } ending)
                most = Math.Max(most, Numbers(ending).Max());
            if (i > end && bars[i].RepeatStart)
                break;
        }

        return Math.Min(most, MostPasses);
    }

    private static int EndOfEnding(IReadOnlyList<Bar> bars, int from)
    {
        var i = from;
        while (i < bars.Count - 1 && !bars[i].EndingStop && bars[i + 1].EndingStart is null && !bars[i].RepeatEnd)
            i++;
        return i;
    }

    private static int[] Numbers(string ending)
    {
        int[] numbers =
        [
            .. ending.Split(',', '.', ' ').Select(n => int.TryParse(n, out var k) ? k : 0).Where(k => k > 0),
        ];
        return numbers.Length == 0 ? [1] : numbers;
    }
}
