using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using Coppia.Core.Writing;
using static Coppia.Core.Wording.Messages.Catalogue;

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
            : staff.LackingIn(staff.Caret.Bar);
        return left > Fraction.Zero
            ? Say("writing.left-in", ("beats", Beats(left, time)), ("bar", bar.Named()))
            : English.Capital(Say("writing.is-full", ("bar", bar.Named())));
    }

    /// <summary>"1 beat missing", "half a beat too many"; null for a bar that is whole.</summary>
    public static string? Lacks(WritingStaff staff, int bar)
    {
        var missing = staff.LackingIn(bar);
        if (missing.IsZero || staff.Score.Bars[bar].Time is not { } time)
            return null;
        if (missing < Fraction.Zero)
            return Say("writing.too-many", ("beats", Beats(Fraction.Zero - missing, time)));
        // The last bar is still being written.
        var beats = Beats(missing, time);
        return bar == staff.Score.Bars.Count - 1
            ? Say("writing.left", ("beats", beats))
            : Say("writing.missing", ("beats", beats));
    }

    /// <summary>What a step had to leave out; null where nothing.</summary>
    public static string? LeftOut(BarlineSigns signs) =>
        signs switch
        {
            BarlineSigns.None => null,
            BarlineSigns.OrderOfPlaying => Gone(Say("writing.repeats-endings-and-part-letters")),
            BarlineSigns.DoubleBarlines => Gone(Say("writing.double-barlines")),
            _ => Gone(Say("writing.repeats-endings-part-letters-and")),
        };

    private static string Gone(string signs) => Say("writing.some-would-stand-inside-a-bar-now", ("signs", signs));

    /// <summary>What stands before the caret: "F♯, quarter, bar 3, beat 2"; at the beginning, what comes.</summary>
    public static string At(WritingStaff staff, HouseStyle style)
    {
        if (staff.Selection is { } s)
        {
            var count = staff
                .Score.Bars.SelectMany((b, i) => b.Events.Select((_, k) => new Caret(i, k)))
                .Count(c => !c.IsBefore(s.First) && c.IsBefore(s.End));
            return Say("writing.selected-to", ("count", count), ("bars", staff.Score.Bars[staff.Caret.Bar].Named()));
        }

        return staff.EventBefore is { } before ? Say("writing.at-after", ("said", EventSpoken(staff, before, style)))
            : staff.EventAfter is { } after
                ? Say("writing.at-the-beginning-before", ("said", EventSpoken(staff, after, style)))
            : Say("writing.at-the-beginning");
    }

    private static string EventSpoken(WritingStaff staff, ScoreEvent e, HouseStyle style)
    {
        var bar = staff.Score.Bars.First(b => b.Events.Contains(e));
        var beat = e.Onset / (bar.Time?.Beat ?? Fraction.Quarter) + Fraction.Whole;
        var value = e.Words(style.ValueNames);
        var what = e.Pitch is { } pitch ? $"{Labels.Note(pitch, style)}{pitch.Octave}, {value}" : value;
        return Say("writing.said-beat", ("what", what), ("bar", bar.Named()), ("beat", English.Mixed(beat)));
    }

    internal static string Beats(Fraction length, TimeSignature time)
    {
        var beats = length / time.Beat;
        if (beats.Denominator == 1)
            return beats.Numerator == 1
                ? Say("writing.1-beat")
                : Say("writing.beats-beats", ("numerator", beats.Numerator));
        if (beats == new Fraction(1, 2))
            return Say("writing.half-a-beat");
        var whole = beats.Numerator / beats.Denominator;
        var rest = new Fraction(beats.Numerator % beats.Denominator, beats.Denominator);
        return whole == 0
            ? Say("writing.of-a-beat", ("rest", rest))
            : Say(
                "writing.beats-beats-2",
                ("whole", whole),
                (
                    "what",
                    rest == new Fraction(1, 2) ? Say("writing.and-a-half") : Say("writing.beats-and", ("rest", rest))
                )
            );
    }
}
