using Coppia.Core.Music;

namespace Coppia.Core.Form;

/// <summary>
/// The lines of a tune: as printed where the source has them, else phrases of four bars after the pick-up (craft 10).
/// </summary>
public static class TuneLines
{
    private const int BarsInAPhrase = 4;

    /// <summary>First bar of each line and the bar after its last, by order from 0.</summary>
    public static IEnumerable<(int First, int End)> In(Score score)
    {
        var bars = score.Bars;
        var printed = bars.Take(Math.Max(0, bars.Count - 1)).Any(b => b.LineBreakAfter);
        var first = 0;
        var inLine = 0;
        for (var i = 0; i < bars.Count; i++)
        {
            if (bars[i].IsCounted)
                inLine++;
            var ends = i == bars.Count - 1 || (printed ? bars[i].LineBreakAfter : inLine == BarsInAPhrase);
            if (!ends)
                continue;
            yield return (first, i + 1);
            (first, inLine) = (i + 1, 0);
        }
    }
}
