using Coppia.Core.Music;

namespace Coppia.Core.Writing;

/// <summary>Pitches moved, and signs on notes and at barlines.</summary>
public sealed partial record WritingStaff
{
    private static readonly Marks[][] Excluding =
    [
        [Marks.UpBow, Marks.DownBow],
        [Marks.Staccato, Marks.Tenuto, Marks.Wedge],
        [Marks.Accent, Marks.StrongAccent],
    ];

    /// <summary>Up or down by lines and spaces, in the key.</summary>
    public WritingStaff Step(int by) => Repitch((p, key) => key.Apply(Pitch.FromStep(p.Step + by)));

    public WritingStaff Octave(int by) => Repitch((p, _) => p.AddOctaves(by));

    /// <summary>Sharp (1), flat (−1) or natural (0).</summary>
    public WritingStaff Alter(int alter) => Repitch((p, _) => new Pitch(p.Letter, alter, p.Octave));

    /// <summary>Gives the event at a place, with all that are tied to it, another pitch.</summary>
    public WritingStaff Repitch(Caret place, Pitch pitch)
    {
        if (place.Bar >= Score.Bars.Count || place.At >= Score.Bars[place.Bar].Events.Count)
            return this;
        return MoveTo(place).MoveTo(place with { At = place.At + 1 }, select: true).Repitch((_, _) => pitch) with
        {
            Caret = place with { At = place.At + 1 },
            Anchor = null,
        };
    }

    private WritingStaff Repitch(Func<Pitch, KeySignature, Pitch> change)
    {
        // A tied note moves as one.
        var flat = Score
            .Bars.SelectMany((b, bar) => b.Events.Select((e, at) => (Place: new Caret(bar, at), Event: e)))
            .ToArray();
        var order = flat.Index().ToDictionary(f => f.Item.Place, f => f.Index);
        var moved = new HashSet<int>();
        foreach (var place in Targets().Where(order.ContainsKey))
        {
            var i = order[place];
            moved.Add(i);
            for (var k = i; k > 0 && flat[k - 1].Event.TiedOn; k--)
                moved.Add(k - 1);
            for (var k = i; flat[k].Event.TiedOn && k + 1 < flat.Length; k++)
                moved.Add(k + 1);
        }

        var places = moved.Select(i => flat[i].Place).ToHashSet();
        return Changed(
            places.Contains,
            (e, bar) =>
                e.Pitch is { } p && change(p, bar.Key) is { Octave: >= 0 and <= 8 } to
                    ? e with
                    {
                        Pitch = to,
                        Chord = [.. e.Chord.Select(c => change(c, bar.Key))],
                    }
                    : e
        );
    }

    /// <summary>A sign on the notes, or off them where all have it.</summary>
    public WritingStaff Mark(Marks mark)
    {
        var places = Targets().Where(p => p.At < Score.Bars[p.Bar].Events.Count).ToHashSet();
        var notes = places
            .Select(p => Score.Bars[p.Bar].Events[p.At])
            .Where(e => !e.IsRest || mark == Marks.Fermata)
            .ToArray();
        var off = notes.Length > 0 && notes.All(e => e.Has(mark));
        var others =
            Excluding.FirstOrDefault(group => group.Contains(mark))?.Aggregate(Marks.None, (all, m) => all | m)
            ?? Marks.None;
        return Changed(
            places.Contains,
            (e, _) =>
                e.IsRest && mark != Marks.Fermata
                    ? e
                    : e with
                    {
                        Marks = off ? e.Marks & ~mark : e.Marks & ~others | mark,
                    }
        );
    }

    /// <summary>
    /// Ties the note to the same note after it, or takes the tie away; where nothing follows, the same note is written
    /// again and tied.
    /// </summary>
    public WritingStaff Tie()
    {
        var place = Targets()[^1];
        if (
            place.At >= Score.Bars[place.Bar].Events.Count
            || Score.Bars[place.Bar].Events[place.At] is not { Pitch: { } pitch } e
        )
            return this;
        var at = MoveTo(place with { At = place.At + 1 });
        if (at.EventAfter is null && !e.TiedOn)
        {
            var again = at.Note(pitch);
            return again.Changed(p => p == place, (x, _) => x with { TiedOn = true });
        }

        return Changed(p => p == place, (x, _) => x with { TiedOn = !x.TiedOn });
    }

    /// <summary>
    /// One bow for what is selected, or for the note before the caret and the one before that; taken away where it is
    /// there.
    /// </summary>
    public WritingStaff Slur()
    {
        var notes = Score
            .Bars.SelectMany((b, bar) => b.Events.Select((e, at) => (Place: new Caret(bar, at), Event: e)))
            .Where(n => !n.Event.IsRest)
            .ToArray();
        var targets = Targets().ToHashSet();
        int[] meant = [.. notes.Index().Where(n => targets.Contains(n.Item.Place)).Select(n => n.Index)];
        if (meant.Length == 1)
            meant = [meant[0] - 1, meant[0]];
        if (meant.Length < 2 || meant[0] < 0)
            return this;
        // Between each note and the one before it: is it under the same slur?
        var joined = new bool[notes.Length];
        var open = 0;
        for (var i = 0; i < notes.Length; i++)
        {
            joined[i] = open > 0;
            open = notes[i].Event.OpenSlurs(open);
        }

        var on = !meant.Skip(1).All(i => joined[i]);
        foreach (var i in meant.Skip(1))
            joined[i] = on;
        var slurs = notes
            .Index()
            .ToDictionary(
                n => n.Item.Place,
                n =>
                {
                    var (before, after) = (joined[n.Index], n.Index + 1 < notes.Length && joined[n.Index + 1]);
                    return (Starts: after && !before ? 1 : 0, Stops: before && !after ? 1 : 0);
                }
            );
        return Changed(
            slurs.ContainsKey,
            (e, _, place) => e with { SlurStarts = slurs[place].Starts, SlurStops = slurs[place].Stops }
        );
    }

    /// <summary>The repeat begins at the caret's bar, or no longer.</summary>
    public WritingStaff RepeatStart() => InBar(b => b with { RepeatStart = !b.RepeatStart });

    /// <summary>The repeat ends with the caret's bar, or no longer.</summary>
    public WritingStaff RepeatEnd() =>
        InBar(b => b with { RepeatEnd = !b.RepeatEnd, RepeatTimes = 2, Barline = Barline.Plain });

    /// <summary>A double barline behind the caret's bar, or a plain one.</summary>
    public WritingStaff DoubleBarline() =>
        InBar(b => b with { Barline = b.Barline == Barline.Double ? Barline.Plain : Barline.Double });

    /// <summary>
    /// A bracket with this number over the bars that are selected, or the caret's; taken away where it is there.
    /// </summary>
    public WritingStaff Ending(int number)
    {
        var (first, last) = Selection is { } s
            ? (s.First.Bar, s.End.At == 0 && s.End.Bar > s.First.Bar ? s.End.Bar - 1 : s.End.Bar)
            : (Caret.Bar, Caret.Bar);
        var text = number.ToString(System.Globalization.CultureInfo.InvariantCulture);
        var off = Score.Bars[first].EndingStart == text;
        List<Bar> bars = [.. Score.Bars];
        for (var i = first; i <= last; i++)
            bars[i] = bars[i] with { EndingStart = i == first && !off ? text : null, EndingStop = i == last && !off };
        return With(bars, Caret);
    }

    private WritingStaff InBar(Func<Bar, Bar> change) =>
        With([.. Score.Bars.Select((b, i) => i == Caret.Bar ? change(b) : b)], Caret);

    private WritingStaff Changed(Func<Caret, bool> where, Func<ScoreEvent, Bar, ScoreEvent> change) =>
        Changed(where, (e, bar, _) => change(e, bar));

    /// <summary>The same with some events otherwise, the selection as it was.</summary>
    private WritingStaff Changed(Func<Caret, bool> where, Func<ScoreEvent, Bar, Caret, ScoreEvent> change)
    {
        var bars = Score.Bars.Select(
            (b, bar) =>
                b with
                {
                    Events =
                    [
                        .. b.Events.Select((e, at) => where(new Caret(bar, at)) ? change(e, b, new Caret(bar, at)) : e),
                    ],
                }
        );
        return With([.. bars], Caret) with { Anchor = Anchor };
    }
}
