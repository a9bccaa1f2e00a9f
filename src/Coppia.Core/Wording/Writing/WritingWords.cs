using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using Coppia.Core.Writing;

namespace Coppia.Core.Wording.Writing;

/// <summary>What the writing staff says: where the caret is, what stands there, and what a bar lacks.</summary>
public static class WritingWords
{
    /// <summary>"2 beats left in bar 3", "bar 3 is full"; in free meter nothing.</summary>
    public static string Left(WritingStaff staff)
    {
        var bar = staff.Score.Bars[staff.Caret.Bar];
        if (bar.Time is not { } time)
            return "";
        var left = bar.Events is [{ IsBarRest: true }]
            ? staff.RoomOf(staff.Caret.Bar)!.Value
            : staff.Missing(staff.Caret.Bar);
        return left > Fraction.Zero
            ? $"{Beats(left, time)} left in {bar.Named()}"
            : English.Capital($"{bar.Named()} is full");
    }

    /// <summary>"1 beat missing", "half a beat too many"; null for a bar that is whole.</summary>
    public static string? Lacks(WritingStaff staff, int bar)
    {
        var missing = staff.Missing(bar);
        if (missing.IsZero || staff.Score.Bars[bar].Time is not { } time)
            return null;
        if (missing < Fraction.Zero)
            return $"{Beats(Fraction.Zero - missing, time)} too many";
        // The last bar is still being written.
        return $"{Beats(missing, time)} {(bar == staff.Score.Bars.Count - 1 ? "left" : "missing")}";
    }

    /// <summary>What a step had to leave out; null where nothing.</summary>
    public static string? LeftOut(BarlineSigns signs) =>
        signs switch
        {
            BarlineSigns.None => null,
            BarlineSigns.OrderOfPlaying => Gone("repeats, endings and part letters"),
            BarlineSigns.DoubleBarlines => Gone("double barlines"),
            _ => Gone("repeats, endings, part letters and double barlines"),
        };

    private static string Gone(string signs) =>
        $"Some {signs} would stand inside a bar now. They are left out; undo brings back the bars as they were.";

    /// <summary>What stands before the caret: "F♯, quarter, bar 3, beat 2"; at the beginning, what comes.</summary>
    public static string At(WritingStaff staff, HouseStyle style)
    {
        if (staff.Selection is { } s)
        {
            var count = staff
                .Score.Bars.SelectMany((b, i) => b.Events.Select((_, k) => new Caret(i, k)))
                .Count(c => !c.IsBefore(s.First) && c.IsBefore(s.End));
            return $"{count} selected, to {staff.Score.Bars[staff.Caret.Bar].Named()}.";
        }

        return staff.EventBefore is { } before ? $"After {Said(staff, before, style)}."
            : staff.EventAfter is { } after ? $"At the beginning, before {Said(staff, after, style)}."
            : "At the beginning.";
    }

    private static string Said(WritingStaff staff, ScoreEvent e, HouseStyle style)
    {
        var bar = staff.Score.Bars.First(b => b.Events.Contains(e));
        var beat = e.Onset / (bar.Time?.Beat ?? Fraction.Quarter) + Fraction.Whole;
        var value = e.Words(style.ValueNames);
        var what = e.Pitch is { } pitch ? $"{Labels.Note(pitch, style)}{pitch.Octave}, {value}" : value;
        return $"{what}, {bar.Named()}, beat {English.Mixed(beat)}";
    }

    internal static string Beats(Fraction length, TimeSignature time)
    {
        var beats = length / time.Beat;
        if (beats.Denominator == 1)
            return beats.Numerator == 1 ? "1 beat" : $"{beats.Numerator} beats";
        if (beats == new Fraction(1, 2))
            return "half a beat";
        var whole = beats.Numerator / beats.Denominator;
        var rest = new Fraction(beats.Numerator % beats.Denominator, beats.Denominator);
        return whole == 0
            ? $"{rest} of a beat"
            : $"{whole} {(rest == new Fraction(1, 2) ? "and a half" : $"and {rest}")} beats";
    }
}
