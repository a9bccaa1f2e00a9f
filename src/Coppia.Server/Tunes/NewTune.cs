using Coppia.Core.Instruments;
using Coppia.Core.Reading;
using Coppia.Core.School;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Tunes;
using Coppia.Formats.Source;
using Coppia.Server.Stand;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Tunes;

/// <summary>What is kept of a tune that comes in.</summary>
internal static class NewTune
{
    /// <summary>A tune out of a request; what that leaves empty is taken from the source.</summary>
    /// <param name="read">What came of reading the source; it has a score.</param>
    public static TuneRecord Of(TuneRequest request, ReadResult read)
    {
        var lines = LinesForWhom.Proposed(read);
        var main = read.Lines.FirstOrDefault(l => l.Key == lines?.Main) ?? read.Main!;
        var score = main.Score;
        return new TuneRecord
        {
            Title = Chosen(request.Title, score.Title, Say("tunes.new-tune.untitled-tune")),
            Composer = Chosen(request.Composer, score.Composer, "traditional"),
            PrintedFor = Chosen(request.PrintedFor, null, LinesForWhom.Offered(main).For.Id),
            Source = request.Source,
            Lines = lines?.ToJson(),
            KeyName = score.Key.Name,
            Meter = MeterWords.Listed(score.Time),
            Clef = score.Clef.Name,
            Bars = score.Bars.Count(b => b.IsCounted),
        };
    }

    private static string Chosen(string? asked, string? found, string otherwise)
    {
        var chosen =
            !string.IsNullOrWhiteSpace(asked) ? asked.Trim()
            : !string.IsNullOrWhiteSpace(found) ? found.Trim()
            : otherwise;
        if (chosen.Length <= Limits.LongestTuneTitle)
            return chosen;
        // Not in the middle of a character that has two halves.
        var end = Limits.LongestTuneTitle - (char.IsHighSurrogate(chosen[Limits.LongestTuneTitle - 1]) ? 1 : 0);
        return chosen[..end];
    }

    /// <summary>
    /// A double bass line that is written where it sounds is read an octave higher; the teacher may choose another
    /// octave on the stand.
    /// </summary>
    /// <param name="lineFor">Of each instrument that has one, the key of its line.</param>
    public static Dictionary<string, int> OfferedOctaves(
        IReadOnlyDictionary<string, string> lineFor,
        IReadOnlyList<ScoreLine> lines
    )
    {
        var offered = new Dictionary<string, int>();
        foreach (var (instrument, key) in lineFor)
        {
            if (
                StringSection.Named(instrument) is not { } player
                || lines.FirstOrDefault(l => l.Key == key) is not { } line
            )
                continue;
            if (WhichLine.WrittenTooLow(player, line.Score) is > 0 and var octave)
                offered[instrument] = octave;
        }

        return offered;
    }

    /// <summary>A new tune with the octaves that are offered for it.</summary>
    public static TuneCopy Offered(TuneRecord tune, ReadResult read) =>
        new(tune)
        {
            Octaves = OfferedOctaves(
                LinesForWhom.OfJson(tune.Lines)?.For
                    ?? new Dictionary<string, string> { [tune.PrintedFor] = read.Main!.Key },
                read.Lines
            ),
        };
}
