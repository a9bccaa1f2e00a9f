using System.Text.RegularExpressions;
using Coppia.Core.Music;

namespace Coppia.Core.Instruments;

/// <summary>Which instrument a score is printed for, where nobody has said.</summary>
public static partial class PrintedFor
{
    /// <summary>The instrument that the source names, else the one that usually reads its clef.</summary>
    public static Instrument Of(Score score) =>
        Named(score.InstrumentName ?? "") ?? StringSection.UsualReaderOf(score.Clef);

    /// <summary>
    /// The instrument of a part's name, alone, counted or in the plural: "Violin II", "Vlns. 1", "Double Bass"; null
    /// for other instruments, "Bassoon" and "Bass Clarinet" among them.
    /// </summary>
    public static Instrument? Named(string name)
    {
        var plain = name.Trim().ToLowerInvariant().Replace(".", "", StringComparison.Ordinal);
        for (var before = ""; before != plain; )
            (before, plain) = (plain, CountPattern().Replace(plain, "").Trim());
        return StringSection.All.FirstOrDefault(i =>
            i.CalledInScores.Append(i.Name.ToLowerInvariant())
                .Append(i.Id)
                .Any(called => plain == called || plain == called + "s" || plain == called + "es")
        );
    }

    /// <summary>"I", "2", "1st", "solo" and the like before or behind a name.</summary>
    [GeneratedRegex(
        @"^\(?[0-9]+(?:st|nd|rd|th)?\)?\s+|\s*\(?[0-9]+(?:st|nd|rd|th)?\)?$"
            + @"|\s\(?(?:i{1,3}|iv|[a-d]|solo|part|section|line)\)?$|^solo\s"
    )]
    private static partial Regex CountPattern();
}
