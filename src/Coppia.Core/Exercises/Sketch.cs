using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>A note of music that is the same for all players: which note of the ground it is, or a rest.</summary>
/// <param name="Note">Order in the ground; null for a rest.</param>
internal sealed record SketchNote(int? Note, NoteValue Value)
{
    public Marks Marks { get; init; }

    public bool SlurStarts { get; init; }

    public bool SlurStops { get; init; }

    public bool TiedOn { get; init; }

    public string? Words { get; init; }

    /// <summary>Another alteration than the ground's note has, −2 to 2; null for its own.</summary>
    public int? Alter { get; init; }
}

/// <summary>Turns bars of sketched notes into each player's score.</summary>
internal static class Sketch
{
    public static Score For(
        int player,
        NoteStock ground,
        KeySignature key,
        TimeSignature? meter,
        IEnumerable<IReadOnlyList<SketchNote>> bars,
        bool pickUp = false
    )
    {
        var clef = ground.Players[player].Instrument.FirstClef;
        return Of(clef, key, meter, bars.Select(bar => bar.Select(n => Event(n, PitchOf(n)))), pickUp);

        Pitch? PitchOf(SketchNote n)
        {
            if (n.Note is not { } note)
                return null;
            var pitch = ground.Notes[note][player].Pitch;
            return n.Alter is { } alter ? new Pitch(pitch.Letter, alter, pitch.Octave) : pitch;
        }
    }

    /// <summary>A score of bars whose events have no onsets yet.</summary>
    public static Score Of(
        Clef clef,
        KeySignature key,
        TimeSignature? meter,
        IEnumerable<IEnumerable<ScoreEvent>> bars,
        bool pickUp = false
    )
    {
        Bar[] all =
        [
            .. bars.Select(events => new Bar
            {
                Clef = clef,
                Key = key,
                Time = meter,
                Events = [.. events],
            }),
        ];
        all[^1] = all[^1] with { Barline = Barline.Final };
        return ScoreAssembly
            .Finish(
                new Score
                {
                    Clef = clef,
                    Key = key,
                    Time = meter,
                    Bars = all,
                },
                pickUp
            )
            .Score;
    }

    public static ScoreEvent Event(SketchNote note, Pitch? pitch) =>
        new()
        {
            Pitch = pitch,
            Value = note.Value,
            Marks = note.Marks,
            SlurStarts = note.SlurStarts ? 1 : 0,
            SlurStops = note.SlurStops ? 1 : 0,
            TiedOn = note.TiedOn,
            Words = note.Words,
        };

    /// <summary>Rhythm on one note of the ground.</summary>
    public static IReadOnlyList<SketchNote> On(int note, IEnumerable<Beat> rhythm) =>
        [.. rhythm.Select(b => new SketchNote(b.IsRest ? null : note, b.Value))];

    /// <summary>
    /// Notes poured into bars; one that crosses a barline is tied. The last one sounds to the end of its bar, or where
    /// that value may not be written comes again until the bar is full, or rests follow.
    /// </summary>
    public static IReadOnlyList<IReadOnlyList<SketchNote>> Poured(
        IEnumerable<SketchNote> notes,
        TimeSignature meter,
        Func<NoteValue, bool> mayWrite,
        Func<NoteValue, bool> mayRest
    )
    {
        var bars = new PouredBars(meter);
        foreach (var note in notes)
            bars.Pour(note);
        return bars.Filled(mayWrite, mayRest);
    }

    /// <summary>Bars of a meter, the last of which has room.</summary>
    private sealed class PouredBars(TimeSignature meter)
    {
        private readonly List<List<SketchNote>> _bars =
        [
            [],
        ];
        private Fraction _room = meter.BarLength;

        public void Pour(SketchNote note)
        {
            var length = note.Value.Length;
            while (length > _room && !note.Value.InTuplet)
            {
                Add(note, _room, tied: true);
                length -= _room;
                Next();
            }

            Add(note, length, note.TiedOn);
            _room -= length;
            if (_room <= Fraction.Zero)
                Next();
        }

        /// <summary>The bars, the last one filled.</summary>
        public IReadOnlyList<IReadOnlyList<SketchNote>> Filled(
            Func<NoteValue, bool> mayWrite,
            Func<NoteValue, bool> mayRest
        )
        {
            if (_bars[^1].Count == 0)
                _bars.RemoveAt(_bars.Count - 1);
            else
                Fill(_bars[^1], mayWrite, mayRest);
            return _bars;
        }

        private void Fill(List<SketchNote> bar, Func<NoteValue, bool> mayWrite, Func<NoteValue, bool> mayRest)
        {
            var last = bar[^1];
            if (
                last is { Value.InTuplet: false }
                && NoteValue.Exactly(last.Value.Length + _room) is { } filling
                && mayWrite(filling)
            )
            {
                bar[^1] = last with { Value = filling };
                return;
            }

            NoteValue[] rests = [.. (NoteValue.Split(_room) ?? []).Reverse()];
            var again = _room / last.Value.Length;
            var alone = last with { SlurStarts = false, SlurStops = false, Words = null };
            if (again.Denominator == 1 && last.Note is not null)
                bar.AddRange(Enumerable.Repeat(alone, (int)again.Numerator));
            else if (rests.All(mayRest) || !rests.All(mayWrite))
                bar.AddRange(rests.Select(v => new SketchNote(null, v)));
            else
                bar.AddRange(rests.Select(v => new SketchNote(last.Note, v)));
        }

        private void Next()
        {
            _bars.Add([]);
            _room = meter.BarLength;
        }

        private void Add(SketchNote note, Fraction length, bool tied)
        {
            if (length == note.Value.Length)
            {
                _bars[^1].Add(note);
                return;
            }

            NoteValue[] parts = [.. NoteValue.Split(length) ?? []];
            foreach (var (i, value) in parts.Index())
            {
                var isTied = note.Note is not null && (tied || i < parts.Length - 1);
                _bars[^1].Add(note with { Value = value, TiedOn = isTied });
            }
        }
    }
}
