using Coppia.Core.Fingering;
using Coppia.Core.Music;
using Coppia.Core.Reading;

namespace Coppia.Core.Exercises;

/// <summary>One stage of a trouble spot: its bars, and the pair of each note by bar and place.</summary>
internal sealed record GrownStage(Rung Rung, IReadOnlyList<Bar> Bars, IReadOnlyList<(int Bar, int At, Pin Pin)> Pins);

/// <summary>
/// Trouble spots of a tune as small exercises: the two notes alone, then with the note before, then the bar, then two
/// bars (craft 11).
/// </summary>
internal static class TuneChunks
{
    private const int Usual = 3;

    /// <summary>One exercise a trouble spot, the worst first; the outer list is by spot, the inner by player.</summary>
    /// <exception cref="SheetImpossibleException">There is no tune, or nothing in it is hard.</exception>
    public static IReadOnlyList<PlayQuestion[]> Of(SheetRequest request)
    {
        if (request.From.Count == 0)
            throw request.Impossible(SheetFault.NoTune);
        // What is hard for the first player; the others get the same notes.
        var spots = request
            .From[0]
            .Trouble.OrderByDescending(t => t.Points)
            .ThenBy(t => t.To)
            .Where(t => request.From.All(r => Fits(r, t)))
            .Take(request.Count ?? Usual)
            .ToArray();
        if (spots.Length == 0)
            throw request.Impossible(SheetFault.NothingInTune);
        return [.. spots.Select(s => request.From.Select(r => Grown(r, s)).ToArray())];
    }

    private static bool Fits(PlayerReading reading, TroubleSpot spot) =>
        spot.To < reading.Notes.Count && !reading.Notes[spot.From].Note.IsGrace && !reading.Notes[spot.To].Note.IsGrace;

    private static PlayQuestion Grown(PlayerReading reading, TroubleSpot spot) =>
        Joined(reading, [.. Grow(reading, spot)]);

    /// <summary>The stages one after another as one exercise.</summary>
    internal static PlayQuestion Joined(PlayerReading reading, IReadOnlyList<GrownStage> stages)
    {
        var music = TuneBars.Of(reading.Score, [.. stages.SelectMany(s => s.Bars)]);
        var pins = new Dictionary<string, Pin>();
        var bar = 0;
        foreach (var stage in stages)
        {
            foreach (var (at, note, pin) in stage.Pins)
                pins[music.Bars[bar + at].Events[note].Id] = pin;
            bar += stage.Bars.Count;
        }

        return new PlayQuestion(music, pins);
    }

    /// <summary>The stages in which a trouble spot grows, the two notes alone first.</summary>
    internal static IEnumerable<GrownStage> Grow(PlayerReading reading, TroubleSpot spot)
    {
        var notes = reading.Notes;
        yield return Alone(Rung.TwoNotes, notes[spot.From], notes[spot.To]);
        if (spot.From > 0 && !notes[spot.From - 1].Note.IsGrace)
            yield return Alone(Rung.ThreeNotes, notes[spot.From - 1], notes[spot.From], notes[spot.To]);
        var order = reading.Score.Bars.Index().ToDictionary(b => b.Item.Id, b => b.Index);
        var (first, last) = (order[notes[spot.From].Note.Bar.Id], order[notes[spot.To].Note.Bar.Id]);
        yield return Whole(reading, Rung.Bar, last, last);
        if (first < last)
            yield return Whole(reading, Rung.TwoBars, first, last);
        else if (last + 1 < reading.Score.Bars.Count)
            yield return Whole(reading, Rung.TwoBars, last, last + 1);
    }

    /// <summary>The notes by themselves, with silence to the end of the bar.</summary>
    private static GrownStage Alone(Rung rung, params ReadingNote[] some)
    {
        var bar = some[^1].Note.Bar;
        ScoreEvent[] events = [.. some.SelectMany(n => Lone(n.Note))];
        var room =
            (bar.Time?.BarLength ?? Fraction.Zero) - events.Aggregate(Fraction.Zero, (sum, e) => sum + e.Value.Length);
        var rests =
            room > Fraction.Zero
                ? (NoteValue.Split(room) ?? []).Reverse().Select(v => new ScoreEvent { Value = v })
                : [];
        int[] places =
        [
            .. events.Index().Where(e => !(e.Index > 0 && events[e.Index - 1].TiedOn)).Select(e => e.Index),
        ];
        return new GrownStage(
            rung,
            [bar with { Events = [.. events, .. rests], Time = room < Fraction.Zero ? null : bar.Time }],
            [.. Pinned(0, some, places)]
        );
    }

    private static GrownStage Whole(PlayerReading reading, Rung rung, int from, int to)
    {
        var (bars, pins) = (new List<Bar>(), new List<(int, int, Pin)>());
        for (var b = from; b <= to; b++)
        {
            var bar = reading.Score.Bars[b];
            var here = reading.NotesIn(b, b + 1).Where(n => !n.Note.IsGrace).ToArray();
            int[] places = [.. here.Select(n => bar.Events.Index().First(e => e.Item.Id == n.Note.Id).Index)];
            pins.AddRange(Pinned(bars.Count, here, places));
            bars.Add(bar);
        }

        return new GrownStage(rung, bars, pins);
    }

    private static IEnumerable<(int Bar, int At, Pin Pin)> Pinned(int bar, ReadingNote[] some, int[] places) =>
        some.Zip(places)
            .Where(n => n.First.Placement is not null)
            .Select(n => (bar, n.Second, new Pin(n.First.Placement!.Value.String, n.First.Placement.Value.Finger)));

    /// <summary>A note as long as it sounds, without what binds it to others.</summary>
    private static IEnumerable<ScoreEvent> Lone(SoundingNote note)
    {
        var plain = note.Event with
        {
            Graces = [],
            Chord = [],
            SlurStarts = 0,
            SlurStops = 0,
            TiedOn = false,
            TupletStart = false,
            TupletStop = false,
        };
        if (note.Event.Value.InTuplet)
            return [plain with { Value = NoteValue.Quarter }];
        NoteValue[] parts = [.. NoteValue.Split(note.Length) ?? [note.Event.Value]];
        return parts.Select((v, i) => plain with { Value = v, TiedOn = i < parts.Length - 1 });
    }
}
