using Coppia.Core.Exercises;
using Coppia.Core.Music;

namespace Coppia.Formats.Exercises;

/// <summary>
/// A sheet as one score, for other programs to engrave: each question a bar or two with its number above.
/// </summary>
public static class SheetMusic
{
    /// <summary>The music of all questions that have any, one after another; music to play as it is.</summary>
    public static Score Of(Sheet sheet)
    {
        var bars = new List<Bar>();
        foreach (var (n, item) in sheet.Items.Index())
        {
            if (QuestionMusic.Of(item, sheet.Player) is not { } music)
                continue;
            var number = sheet.Kind.IsPlayed && sheet.Items.Count == 1 ? null : $"{n + 1}.";
            bars.AddRange(BarsOf(music, FingersOf(item), number));
        }

        if (bars.Count == 0)
            return new Score { Clef = sheet.Player.Instrument.FirstClef };
        bars[^1] = bars[^1] with { Barline = Barline.Final };
        var clef = sheet.Player.Instrument.FirstClef;
        return ScoreAssembly
            .Finish(
                new Score
                {
                    Clef = clef,
                    InstrumentName = sheet.Player.Instrument.Name,
                    Bars = bars,
                }
            )
            .Score;
    }

    /// <summary>A question's bars: its number above the first note, a double bar after the last.</summary>
    private static IEnumerable<Bar> BarsOf(QuestionMusic music, Dictionary<string, int?> fingers, string? number)
    {
        var away = music.EventIds.ToHashSet();
        var last = music.Score.Bars.Count - 1;
        return music.Score.Bars.Select(
            (bar, b) =>
                new Bar
                {
                    Clef = bar.Clef,
                    Key = music.Away == LeftAway.Signature ? default : bar.Key,
                    Time = bar.Time,
                    Events = [.. bar.Events.Select((e, i) => Asked(e, b == 0 && i == 0 ? number : null))],
                    Barline = b == last && number is not null ? Barline.Double : Barline.Plain,
                }
        );

        ScoreEvent Asked(ScoreEvent e, string? words) =>
            SheetMusic.Asked(e, away, fingers.GetValueOrDefault(e.Id), words);
    }

    /// <summary>Music to play carries its fingers; of a question they would be the answer.</summary>
    private static Dictionary<string, int?> FingersOf(SheetItem item) =>
        item.Answer is PlayAnswer play
            ? play.Reading.Notes.Where(n => !n.Note.IsGrace).ToDictionary(n => n.Note.Id, n => n.Placement?.Finger)
            : [];

    /// <summary>What a question leaves away is a rest, so that nothing tells the answer.</summary>
    private static ScoreEvent Asked(ScoreEvent e, HashSet<string> away, int? finger, string? number) =>
        (away.Contains(e.Id) ? e with { Pitch = null, TiedOn = false } : e) with
        {
            Id = "",
            PrintedFinger = finger ?? e.PrintedFinger,
            Words = number ?? e.Words,
        };
}
