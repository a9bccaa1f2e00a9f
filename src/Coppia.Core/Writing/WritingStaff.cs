using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Writing;

/// <summary>Where the caret stands: before the event of this order in its bar, or at the bar's end.</summary>
/// <param name="Bar">Order of the bar, from 0.</param>
/// <param name="At">0 to the number of its events.</param>
public readonly record struct Caret(int Bar, int At)
{
    public bool IsBefore(Caret other) => Bar < other.Bar || Bar == other.Bar && At < other.At;
}

/// <summary>
/// A line of music that is being written: the score, the caret, what is selected, and the value that the next note
/// gets. Every change gives a new one; each bar stays whole, or <see cref="LackingIn"/> says what is missing (craft
/// 20).
/// </summary>
public sealed partial record WritingStaff
{
    /// <summary>The line; it has at least one bar, and no bar without events.</summary>
    public required Score Score { get; init; }

    public Caret Caret { get; init; }

    /// <summary>The other end of the selection, or null where nothing is selected.</summary>
    public Caret? Anchor { get; init; }

    /// <summary>Value of the next note; in a triplet with its ratio.</summary>
    public NoteValue Value { get; init; } = NoteValue.Quarter;

    /// <summary>For whom it is written, or null where the clef tells.</summary>
    public Instrument? For { get; init; }

    /// <summary>Length of the pick-up, or null for none.</summary>
    public Fraction? PickUp { get; init; }

    /// <summary>An empty line.</summary>
    public static WritingStaff Empty(Clef clef, KeySignature key, TimeSignature? time, Fraction? pickUp = null) =>
        new WritingStaff
        {
            Score = new Score
            {
                Clef = clef,
                Key = key,
                Time = time,
            },
            PickUp = time is null ? null : pickUp,
        }.With(
            [
                new Bar
                {
                    Clef = clef,
                    Key = key,
                    Time = time,
                },
            ],
            default
        );

    /// <summary>A line that was there before, with the caret at its beginning.</summary>
    public static WritingStaff Of(Score score) =>
        new() { Score = score, PickUp = score.Bars is [{ IsPickUp: true } first, ..] ? first.Length : null };

    /// <summary>
    /// The selected events as carets before the first and behind the last; null where nothing is selected.
    /// </summary>
    public (Caret First, Caret End)? Selection =>
        Anchor is { } other && other != Caret ? (other.IsBefore(Caret) ? (other, Caret) : (Caret, other)) : null;

    /// <summary>How much fits into a bar; null in free meter.</summary>
    public Fraction? RoomOf(int bar) => bar == 0 && PickUp is { } pickUp ? pickUp : Score.Bars[bar].Time?.BarLength;

    /// <summary>
    /// What a bar lacks, in whole notes; negative where it holds too much, zero where it is whole or the meter is free.
    /// </summary>
    public Fraction LackingIn(int bar) => RoomOf(bar) is { } room ? room - Filled(bar) : Fraction.Zero;

    private Fraction Filled(int bar) =>
        Score.Bars[bar].Events.Aggregate(Fraction.Zero, (sum, e) => sum + LengthOf(e, bar));

    private Fraction LengthOf(ScoreEvent e, int bar) => e.IsBarRest ? RoomOf(bar) ?? Fraction.Whole : e.Value.Length;

    /// <summary>
    /// Moves the caret by events, or to a line's beginning or end; with <paramref name="select"/> what lies between is
    /// selected.
    /// </summary>
    public WritingStaff Move(int by, bool select = false)
    {
        var to = Caret;
        for (var i = 0; i < Math.Abs(by); i++)
            to = by < 0 ? Before(to) : After(to);
        return MoveTo(to, select);
    }

    /// <summary>Puts the caret somewhere; a place that there is not becomes the nearest.</summary>
    public WritingStaff MoveTo(Caret to, bool select = false)
    {
        var bar = Math.Clamp(to.Bar, 0, Score.Bars.Count - 1);
        var caret = new Caret(bar, Math.Clamp(to.At, 0, Score.Bars[bar].Events.Count));
        return this with { Caret = caret, Anchor = select ? Anchor ?? Caret : null };
    }

    public WritingStaff ToStart(bool select = false) => MoveTo(default, select);

    public WritingStaff ToEnd(bool select = false) => MoveTo(new Caret(int.MaxValue, int.MaxValue), select);

    public WritingStaff SelectAll() => ToStart().ToEnd(select: true);

    /// <summary>The event before the caret, in its bar or the one before; null at the beginning.</summary>
    public ScoreEvent? EventBefore => Before(Caret) is var at && at == Caret ? null : Score.Bars[at.Bar].Events[at.At];

    /// <summary>The event that the caret stands before; null at the end.</summary>
    public ScoreEvent? EventAfter =>
        Caret.At < Score.Bars[Caret.Bar].Events.Count ? Score.Bars[Caret.Bar].Events[Caret.At]
        : Caret.Bar + 1 < Score.Bars.Count ? Score.Bars[Caret.Bar + 1].Events[0]
        : null;

    private Caret Before(Caret c) =>
        c.At > 0 ? c with { At = c.At - 1 }
        : c.Bar > 0 ? new Caret(c.Bar - 1, Score.Bars[c.Bar - 1].Events.Count - 1)
        : c;

    private Caret After(Caret c)
    {
        var count = Score.Bars[c.Bar].Events.Count;
        if (c.At < count)
            return c with { At = c.At + 1 };
        return c.Bar + 1 < Score.Bars.Count ? new Caret(c.Bar + 1, 1) : c;
    }

    /// <summary>
    /// The places of the selected events, or of the one before the caret (the one after it where there is none).
    /// </summary>
    private IReadOnlyList<Caret> Targets()
    {
        if (Selection is { } selected)
        {
            var places = new List<Caret>();
            for (var bar = selected.First.Bar; bar <= selected.End.Bar; bar++)
            {
                var from = bar == selected.First.Bar ? selected.First.At : 0;
                var to = bar == selected.End.Bar ? selected.End.At : Score.Bars[bar].Events.Count;
                places.AddRange(Enumerable.Range(from, Math.Max(0, to - from)).Select(at => new Caret(bar, at)));
            }

            return places;
        }

        return EventBefore is null ? [Caret] : [Before(Caret)];
    }

    /// <summary>Rests of a length, or one rest that fills its bar.</summary>
    private static IReadOnlyList<ScoreEvent> Silence(Fraction? length) =>
        length is { } l
            ? BarFilling.Spread(new ScoreEvent(), l)
            : [new ScoreEvent { Value = new NoteValue(0), IsBarRest = true }];

    /// <summary>
    /// The same staff with other bars: an emptied bar rests, empty bars at the end go, ties and slurs that lead nowhere
    /// go, and the last bar ends the tune.
    /// </summary>
    private WritingStaff With(IReadOnlyList<Bar> bars, Caret caret)
    {
        List<Bar> kept = [.. bars];
        while (kept.Count > 1 && kept[^1].Events.Count == 0)
            kept.RemoveAt(kept.Count - 1);
        for (var i = 0; i < kept.Count; i++)
        {
            var isLast = i == kept.Count - 1;
            var bar = kept[i];
            if (bar.Events.Count == 0)
                bar = bar with { Events = i == 0 && PickUp is { } pickUp ? Silence(pickUp) : Silence(null) };
            kept[i] = bar with
            {
                Barline =
                    isLast && !bar.RepeatEnd ? Barline.Final
                    : !isLast && bar.Barline is Barline.Final or Barline.None ? Barline.Plain
                    : bar.Barline,
                LineBreakAfter = !isLast && bar.LineBreakAfter,
            };
        }

        var score = ScoreAssembly
            .Finish(Score with { Bars = Bindings.Mended(kept) }, pickUpMarked: PickUp is not null)
            .Score;
        return (this with { Score = score, Anchor = null, LeftOut = BarlineSigns.None }).MoveTo(caret);
    }
}
