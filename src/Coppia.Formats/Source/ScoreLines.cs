using Coppia.Core.Music;

namespace Coppia.Formats.Source;

/// <summary>What the lines of one score have in common.</summary>
public static class ScoreLines
{
    private const Waymarks AllMarks =
        Waymarks.Segno | Waymarks.Coda | Waymarks.ToCoda | Waymarks.Fine | Waymarks.DaCapo | Waymarks.DalSegno;

    /// <summary>
    /// A score prints its repeats, endings, labels and signs such as D.C. often over its top line only; every line of
    /// as many bars goes the same way.
    /// </summary>
    public static IReadOnlyList<ScoreLine> WithSharedWays(IReadOnlyList<ScoreLine> lines)
    {
        if (lines.Count < 2)
            return lines;
        var top = lines.OrderByDescending(l => Ways(l.Score)).First().Score;
        if (Ways(top) == 0)
            return lines;
        return
        [
            .. lines.Select(l =>
                ReferenceEquals(l.Score, top)
                || Ways(l.Score) > 0 && l.Score.Waymarks == top.Waymarks
                || l.Score.Bars.Count != top.Bars.Count
                    ? l
                    : l with
                    {
                        Score = l.Score with { Bars = [.. l.Score.Bars.Zip(top.Bars, Like)] },
                    }
            ),
        ];
    }

    /// <summary>The lines with ids that no two of them share: those of the second begin with <c>l2</c>.</summary>
    public static IReadOnlyList<ScoreLine> WithOwnIds(IReadOnlyList<ScoreLine> lines) =>
        [
            .. lines.Select(
                (l, i) =>
                    i == 0 || l.Score.Bars[0].Id.StartsWith('l')
                        ? l
                        : l with
                        {
                            Score = ScoreIds.Prefixed(l.Score, $"l{i + 1}"),
                        }
            ),
        ];

    private static int Ways(Score score) =>
        score.Bars.Count(b =>
            b.RepeatStart
            || b.RepeatEnd
            || b.EndingStart is not null
            || (b.Waymarks & AllMarks) != 0
            || b.Label is not null
        );

    private static Bar Like(Bar own, Bar top) =>
        own with
        {
            RepeatStart = own.RepeatStart || top.RepeatStart,
            RepeatEnd = own.RepeatEnd || top.RepeatEnd,
            RepeatTimes = Math.Max(own.RepeatTimes, top.RepeatTimes),
            EndingStart = own.EndingStart ?? top.EndingStart,
            EndingStop = own.EndingStop || top.EndingStop,
            Waymarks = own.Waymarks | top.Waymarks,
            Label = own.Label ?? top.Label,
        };
}
