using Coppia.Core.Music;

namespace Coppia.Core.Reading;

public enum RemarkKind
{
    Strings,
    Shape,
    LowHigh,
    TwoPlaces,
    TwoHeights,
    Touching,
    KeepDown,
    Prepare,
    SetHand,
    Shift,
    Signs,
}

/// <summary>One thing a teacher says before a line.</summary>
/// <param name="Kind">What it is about.</param>
/// <param name="Text">One short sentence.</param>
/// <param name="NoteIds">The notes it points at.</param>
public sealed record Remark(RemarkKind Kind, string Text, IReadOnlyList<string> NoteIds);

/// <summary>What a teacher says before a line is played, the shortest list that matters (handbook 7, common practice).</summary>
public static class BeforeLine
{
    /// <param name="reading">The tune as the instrument reads it.</param>
    /// <param name="firstBar">Order of the line's first bar, from 0.</param>
    /// <param name="endBar">Order of the bar after the line.</param>
    public static IReadOnlyList<Remark> Of(PlayerReading reading, int firstBar, int endBar)
    {
        Bar[] bars = [.. reading.Score.Bars.Skip(firstBar).Take(endBar - firstBar)];
        var inLine = bars.ToHashSet(ReferenceEqualityComparer.Instance);
        var line = new LineOfNotes(
            reading,
            [.. reading.Notes.Index().Where(n => inLine.Contains(n.Item.Note.Bar) && n.Item.Placement is not null)]
        );
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
            .. SignsToNotice.Of(bars, reading.Score.Waymarks, firstBar == 0 ? reading.Score.TempoWords : null),
        ];
    }
}
