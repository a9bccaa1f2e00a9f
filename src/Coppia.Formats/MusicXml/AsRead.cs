using Coppia.Core.Music;

namespace Coppia.Formats.MusicXml;

/// <summary>What a score is after it was written as MusicXML and read again, without doing either.</summary>
public static class AsRead
{
    /// <summary>
    /// Names are those of places, and a bar's number is the source's own where counting would not give it, or where it
    /// stands at a part of a bar.
    /// </summary>
    public static Score Of(Score score)
    {
        var expected = 1;
        var bars = new List<Bar>(score.Bars.Count);
        foreach (var bar in ScoreIds.ByPlace(score).Bars)
        {
            var isCounted = !bar.IsPickUp && !bar.IsUncounted;
            var isPart = bar.Time is { } time && bar.Length < time.BarLength;
            var isOwn = isCounted && (bar.Number > expected || isPart && bars.Count > 0);
            bars.Add(bar with { SourceNumber = isOwn ? bar.Number : null });
            if (isCounted)
                expected = bar.Number + 1;
        }

        return score with
        {
            Bars = bars,
        };
    }
}
