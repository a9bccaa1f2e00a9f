using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Writing;

/// <summary>Notes and rests put in, taken out, and made longer and shorter.</summary>
public sealed partial record WritingStaff
{
    /// <summary>The pitch of a letter nearest to the last note before the caret, in the key (craft 20).</summary>
    public Pitch Nearest(Letter letter)
    {
        var from =
            Score
                .Bars.Take(Caret.Bar)
                .SelectMany(b => b.Events)
                .Concat(Score.Bars[Caret.Bar].Events.Take(Caret.At))
                .LastOrDefault(e => !e.IsRest)
                ?.Pitch?.Step
            ?? (For ?? StringSection.UsualReaderOf(Score.Bars[Caret.Bar].Clef)).FirstStep;
        var octave = Enumerable.Range(0, 9).MinBy(o => Math.Abs(new Pitch(letter, 0, o).Step - from));
        return KeyAtCaret.Apply(new Pitch(letter, 0, octave));
    }

    public KeySignature KeyAtCaret => Score.Bars[Caret.Bar].Key;

    /// <summary>Writes a note at the caret in the value of the next note; what is selected makes room for it.</summary>
    public WritingStaff Note(Pitch pitch) => Put(new ScoreEvent { Pitch = pitch, Value = Value });

    /// <summary>Writes a rest in the value of the next note.</summary>
    public WritingStaff Rest() => Put(new ScoreEvent { Value = Value });

    /// <summary>Writes the events of another piece one after the other, each as long as it was.</summary>
    public WritingStaff Paste(IEnumerable<ScoreEvent> events)
    {
        var staff = Selection is null ? this : Delete();
        foreach (var e in events)
            staff = staff.Put(
                e with
                {
                    Id = "",
                    Value = e.IsBarRest ? NoteValue.Exactly(e.Length) ?? e.Value : e.Value,
                    IsBarRest = false,
                    TiedOn = false,
                }
            );
        return staff;
    }

    /// <summary>
    /// Takes out what is selected, or else the event before the caret. A bar may lack something then; a bar that is
    /// emptied rests.
    /// </summary>
    public WritingStaff Delete(bool forward = false)
    {
        if (Selection is { } selected)
            return Without(Targets(), selected.First);
        if (forward)
        {
            var at = Caret.At < Score.Bars[Caret.Bar].Events.Count ? Caret : After(Caret) with { At = 0 };
            return EventAfter is null ? this : Without([at], Caret);
        }

        return EventBefore is null ? this : Without([Before(Caret)], Before(Caret));
    }

    /// <summary>Twice as long (1) or half as long (−1): what is selected, else the value of the next note.</summary>
    public WritingStaff Longer(int by) =>
        OtherValue(v => v.Log - by is >= 0 and <= 6 ? v with { Log = v.Log - by } : v);

    /// <summary>With a dot or without.</summary>
    public WritingStaff Dot() => OtherValue(v => v with { Dots = v.Dots == 0 ? 1 : 0 });

    /// <summary>In the value of this many halvings of a whole note, 0 to 6.</summary>
    public WritingStaff WithValue(int log) => OtherValue(v => v with { Log = Math.Clamp(log, 0, 6), Dots = 0 });

    /// <summary>The next notes are triplets, or no longer.</summary>
    public WritingStaff Triplet() =>
        this with
        {
            Value = Value.InTuplet
                ? Value with
                {
                    TupletActual = 1,
                    TupletNormal = 1,
                }
                : Value with
                {
                    TupletActual = 3,
                    TupletNormal = 2,
                },
        };

    private WritingStaff OtherValue(Func<NoteValue, NoteValue> change)
    {
        if (Selection is null)
            return this with { Value = change(Value) };
        // They are written anew from the first on, so that longer ones push on into the bars after them.
        var first = Selection.Value.First;
        ScoreEvent[] events = [.. Targets().Select(p => Score.Bars[p.Bar].Events[p.At]).Where(e => !e.IsBarRest)];
        var staff = Without(Targets(), first);
        foreach (var e in events)
            staff = staff.Put(e with { Id = "", Value = e.Value.InTuplet ? e.Value : change(e.Value) });
        return staff.MoveTo(first).MoveTo(staff.Caret, select: true);
    }

    private WritingStaff Put(ScoreEvent e)
    {
        var staff = Selection is { } selected ? Without(Targets(), selected.First) : this;
        var (placed, end) = staff.Placed([.. staff.Score.Bars], staff.Caret, e);
        return placed.MoveTo(end);
    }

    /// <summary>
    /// Puts an event at a place. It first takes what its bar lacks, then the time of what follows; what does not fit
    /// goes on in the next bar, a note tied (craft 20).
    /// </summary>
    private (WritingStaff Staff, Caret End) Placed(List<Bar> bars, Caret at, ScoreEvent e)
    {
        var (bar, i) = at;
        var left = e.Value.Length;
        while (left > Fraction.Zero)
        {
            if (bar == bars.Count)
                bars.Add(Next(bars[^1]));
            List<ScoreEvent> events = [.. bars[bar].Events];
            if (events is [{ IsBarRest: true }])
                (events, i) = ([], 0);
            var room = RoomIn(bars, bar);
            var before = TimeOf(events.Take(i));
            var here = room is { } r && r - before < left ? r - before : left;
            // A note of a triplet is never cut.
            var isCut = e.Value.InTuplet && here < left;
            if (here <= Fraction.Zero || isCut && !before.IsZero)
            {
                (bar, i) = (bar + 1, 0);
                continue;
            }

            if (isCut)
                break;
            if (room is { } whole)
                Free(events, i, here, whole);
            var part = left == e.Value.Length ? e : Continued(e);
            var pieces = PiecesOf(part, here, tiedOn: !e.IsRest && (here < left || e.TiedOn));
            if (pieces.Count == 0)
                break;
            events.InsertRange(i, pieces);
            bars[bar] = bars[bar] with { Events = events };
            i += pieces.Count;
            left -= here;
            if (left > Fraction.Zero)
                (bar, i) = (bar + 1, 0);
        }

        return (With(bars, new Caret(bar, i)), new Caret(bar, i));
    }

    private static Fraction TimeOf(IEnumerable<ScoreEvent> events) =>
        events.Aggregate(Fraction.Zero, (sum, e) => sum + e.Value.Length);

    /// <summary>Makes free in a bar what is needed at a place, as far as the bar does not lack it anyway.</summary>
    private static void Free(List<ScoreEvent> events, int i, Fraction needed, Fraction room)
    {
        var total = TimeOf(events);
        var free = room > total ? room - total : Fraction.Zero;
        if (needed > free)
            MakeRoom(events, i, needed - free);
    }

    /// <summary>An event, or the part of it that has this length, in the values it is written with.</summary>
    private static IReadOnlyList<ScoreEvent> PiecesOf(ScoreEvent part, Fraction length, bool tiedOn) =>
        part.Value.InTuplet ? [part] : BarFilling.Spread(part with { TiedOn = tiedOn }, length);

    private static ScoreEvent Continued(ScoreEvent e) => new() { Pitch = e.Pitch, Chord = e.Chord };

    private Fraction? RoomIn(List<Bar> bars, int bar) =>
        bar == 0 && PickUp is { } pickUp ? pickUp : bars[bar].Time?.BarLength;

    /// <summary>The bar that follows the last one, as yet without anything in it.</summary>
    private static Bar Next(Bar last) =>
        new()
        {
            Clef = last.ClefAtEnd,
            Key = last.Key,
            Time = last.Time,
        };

    /// <summary>
    /// Takes so much time from the events at a place on; the one that is cut keeps the rest of its length.
    /// </summary>
    private static void MakeRoom(List<ScoreEvent> events, int at, Fraction length)
    {
        while (length > Fraction.Zero && at < events.Count)
        {
            var e = events[at];
            events.RemoveAt(at);
            if (e.Value.Length > length && !e.Value.InTuplet)
                events.InsertRange(at, BarFilling.Spread(e, e.Value.Length - length));
            length -= e.Value.Length;
        }
    }

    private WritingStaff Without(IReadOnlyList<Caret> places, Caret caret) => With(Taken(places), caret);

    private List<Bar> Taken(IReadOnlyList<Caret> places)
    {
        List<Bar> bars = [.. Score.Bars];
        foreach (var ofBar in places.GroupBy(p => p.Bar))
        {
            var gone = ofBar.Select(p => p.At).ToHashSet();
            bars[ofBar.Key] = bars[ofBar.Key] with
            {
                Events = [.. bars[ofBar.Key].Events.Where((_, i) => !gone.Contains(i))],
            };
        }

        // A bar that only rested and is taken out goes altogether.
        var rested = places
            .Where(p => Score.Bars[p.Bar].Events is [{ IsBarRest: true }])
            .Select(p => p.Bar)
            .ToHashSet();
        return rested.Count == 0 || rested.Count == bars.Count ? bars : [.. bars.Where((_, i) => !rested.Contains(i))];
    }
}
