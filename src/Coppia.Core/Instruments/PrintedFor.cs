using Coppia.Core.Music;

namespace Coppia.Core.Instruments;

/// <summary>Which instrument a score is printed for, where nobody has said.</summary>
public static class PrintedFor
{
    /// <summary>The instrument that the source names, else the one that usually reads its clef.</summary>
    public static Instrument Of(Score score)
    {
        if (score.InstrumentName is { } name)
        {
            var known =
                StringSection.All.FirstOrDefault(i => name.Contains(i.Name, StringComparison.OrdinalIgnoreCase))
                ?? StringSection.All.FirstOrDefault(i => name.Contains(i.Id, StringComparison.OrdinalIgnoreCase));
            if (known is not null)
                return known;
        }

        return StringSection.UsualReaderOf(score.Clef);
    }
}
