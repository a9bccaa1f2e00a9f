using Coppia.Core.Fingering;
using Coppia.Core.Music;
using Coppia.Core.Reading;

namespace Coppia.Core.Exercises;

/// <summary>
/// Trouble spots of a tune as small exercises: the two notes alone, then with the note before, then the bar, then two bars (craft 11).
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
            .Trouble.OrderByDescending(t => t.Score)
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

    private static PlayQuestion Grown(PlayerReading reading, TroubleSpot spot)
    {
        var notes = reading.Notes;
        var bars = new List<Bar>();
        var pins = new List<(int Bar, int At, Pin Pin)>();
        Alone(notes[spot.From], notes[spot.To]);
        if (spot.From > 0 && !notes[spot.From - 1].Note.IsGrace)
            Alone(notes[spot.From - 1], notes[spot.From], notes[spot.To]);
        var order = reading.Score.Bars.Index().ToDictionary(b => b.Item.Id, b => b.Index);
        var (first, last) = (order[notes[spot.From].Note.Bar.Id], order[notes[spot.To].Note.Bar.Id]);
        Whole(last, last);
        if (first < last)
            Whole(first, last);
        else if (last + 1 < reading.Score.Bars.Count)
            Whole(last, last + 1);

        var music = TuneBars.Of(reading.Score, bars);
        return new PlayQuestion(ExerciseKind.Chunk, music, pins.ToDictionary(p => music.Bars[p.Bar].Events[p.At].Id, p => p.Pin));

        // The notes by themselves, with silence to the end of the bar.
        void Alone(params ReadingNote[] some)
        {
            var bar = some[^1].Note.Bar;
            ScoreEvent[] events = [.. some.SelectMany(n => Lone(n.Note))];
            var room = (bar.Time?.BarLength ?? Fraction.Zero) - events.Aggregate(Fraction.Zero, (sum, e) => sum + e.Value.Length);
            var rests = room > Fraction.Zero ? (NoteValue.Split(room) ?? []).Reverse().Select(v => new ScoreEvent { Value = v }) : [];
            Pinned(some, [.. events.Index().Where(e => !(e.Index > 0 && events[e.Index - 1].TiedOn)).Select(e => e.Index)]);
            bars.Add(bar with { Events = [.. events, .. rests], Time = room < Fraction.Zero ? null : bar.Time });
        }

        void Whole(int from, int to)
        {
            for (var b = from; b <= to; b++)
            {
                var bar = reading.Score.Bars[b];
                var here = reading.NotesIn(b, b + 1).Where(n => !n.Note.IsGrace).ToArray();
                Pinned(here, [.. here.Select(n => bar.Events.Index().First(e => e.Item.Id == n.Note.Id).Index)]);
                bars.Add(bar);
            }
        }

        void Pinned(ReadingNote[] some, int[] places)
        {
            foreach (var (note, at) in some.Zip(places))
            {
                if (note.Placement is { } way)
                    pins.Add((bars.Count, at, new Pin(way.String, way.Finger)));
            }
        }
    }

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
