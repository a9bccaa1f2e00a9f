using Coppia.Core.Music;

namespace Coppia.Core.Reading;

/// <summary>
/// What a teacher says before a line is played, the shortest list that matters (craft 7, common practice).
/// </summary>
public static class BeforeLine
{
    /// <param name="reading">The tune as the instrument reads it.</param>
    /// <param name="firstBar">Order of the line's first bar, from 0.</param>
    /// <param name="endBar">Order of the bar after the line; past the last bar it is the end.</param>
    /// <param name="news">What is new to the class in the whole tune; null where no record is kept.</param>
    public static IReadOnlyList<Remark> Of(PlayerReading reading, int firstBar, int endBar, News? news = null)
    {
        var score = reading.Score;
        Bar[] bars = [.. score.Bars.Skip(firstBar).Take(endBar - firstBar)];
        var own = bars.Select(b => b.Id).ToHashSet();
        var line = new LineOfNotes(reading, [.. reading.NotesIn(firstBar, endBar).Where(n => n.Placement is not null)]);
        return
        [
            .. line.Strings(),
            .. line.Shapes(),
            .. line.LowAndHigh(),
            .. line.OneFingerSeveralPlaces(),
            .. line.TwoHeights(),
            .. line.Touching(),
            .. line.KeepDown(),
            .. line.Prepare(),
            .. line.SetTheHand(),
            .. line.Shifts(),
            .. (news ?? News.None)
                .Of.Where(n => own.Contains(n.Met.BarId))
                .Select(n => new Remark(new NewToClass(n), [.. n.Met.NoteIds.Take(1)])),
            .. SignsToNotice.Of(bars, firstBar == 0 ? score.TempoWords : null),
        ];
    }
}
