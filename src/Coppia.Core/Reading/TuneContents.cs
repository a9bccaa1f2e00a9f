using Coppia.Core.Bowing;
using Coppia.Core.Counting;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Reading;

/// <summary>
/// Everything in a tune that a class has to know to play it (craft 15): its notes by string and place, fingers,
/// positions, signature and meter, values, rests, rhythms, bows and signs; each once, in the order in which it first
/// comes.
/// </summary>
public static class TuneContents
{
    public static IReadOnlyList<MetThing> Of(PlayerReading reading)
    {
        var met = new Collected(reading.Score.Bars);
        OfPage(reading.Score, met);
        OfHand(reading, met);
        OfBars(reading.Score, met);
        OfSlurs(reading.Score, met);
        OfSyncopation(reading.Notes, met);
        return met.InOrder();
    }

    /// <summary>What stands at the head of the tune.</summary>
    private static void OfPage(Score score, Collected met)
    {
        if (score.Bars is not [var first, ..])
            return;
        if (score.TempoWords is not null)
            met.Add(new KnownSign(LearnedSign.TempoWords), first);
        if (first.IsPickUp)
            met.Add(new KnownSign(LearnedSign.PickUp), first);
    }

    /// <summary>Notes, fingers and positions. What no finger reaches is not to be learned.</summary>
    private static void OfHand(PlayerReading reading, Collected met)
    {
        var (instrument, id) = (reading.Instrument, reading.Instrument.Id);
        foreach (var note in reading.Notes)
        {
            if (note.Placement is not { } at)
                continue;
            var finger = at.IsOpen ? null : new KnownFinger(id, at.Place);
            var position = at.IsOpen ? null : new KnownPosition(id, instrument.Frames[at.Frame].Position);
            met.AddNote(
                new KnownNote(id, instrument.Strings[at.String], note.Note.Pitch),
                note.Note,
                at,
                finger,
                position
            );
            if (finger is not null)
                met.Add(finger, note.Note.Bar, note.Note.Id);
            if (position is not null)
                met.Add(position, note.Note.Bar, note.Note.Id);
        }
    }

    private static void OfBars(Score score, Collected met)
    {
        var tied = false;
        Bar? before = null;
        foreach (var bar in score.Bars)
        {
            OfBar(bar, before, met);
            var signed = Accidentals.Shown(bar, before is null ? new HashSet<int>() : Accidentals.TiedOut(before));
            foreach (var id in signed.Where(s => s.Value.Contains(true)).Select(s => s.Key))
                met.Add(new KnownSign(LearnedSign.Accidental), bar, id);
            foreach (var beat in FilledBeat.In(bar, TimeSignature.BeatOf(bar.Time), tied).Where(b => b.IsUneven))
                met.Add(new KnownRhythm(beat.Pattern), bar, beat.NoteIds);
            foreach (var e in bar.Events)
            {
                OfEvent(e, bar, met);
                tied = e.TiedOn;
            }

            before = bar;
        }
    }

    private static void OfBar(Bar bar, Bar? before, Collected met)
    {
        if (before?.Key.Fifths != bar.Key.Fifths)
            met.Add(new KnownKey(bar.Key.Fifths), bar);
        if (bar.Time is { } time && before?.Time != time)
            met.Add(new KnownMeter(time.Beats, time.Unit), bar);
        if (bar.RepeatStart || bar.RepeatEnd)
            met.Add(new KnownSign(LearnedSign.Repeat), bar);
        if (bar.EndingStart is not null)
            met.Add(new KnownSign(LearnedSign.Endings), bar);
        if (bar.Waymarks != Waymarks.None)
            met.Add(new KnownSign(LearnedSign.Waymarks), bar);
    }

    private static void OfEvent(ScoreEvent e, Bar bar, Collected met)
    {
        met.Add(
            e.IsRest ? new KnownRest(e.IsBarRest ? new NoteValue(0) : e.Value) : new KnownValue(e.Value),
            bar,
            e.Id
        );
        if (DynamicOf(e) is { } dynamic)
            met.Add(new KnownDynamic(dynamic), bar, e.Id);
        foreach (var (sign, has) in Signs)
        {
            if (has(e))
                met.Add(new KnownSign(sign), bar, e.Id);
        }
    }

    /// <summary>The signs that stand at one note. Dots under a slur belong to the hook.</summary>
    private static readonly IReadOnlyList<(LearnedSign Sign, Func<ScoreEvent, bool> Has)> Signs =
    [
        (LearnedSign.Tie, e => e.TiedOn),
        (LearnedSign.Lift, e => e.Has(Marks.LiftAfter)),
        (LearnedSign.Accent, e => e.Has(Marks.Accent | Marks.StrongAccent)),
        (LearnedSign.Hairpin, e => e.Hairpin != Hairpin.None),
        (LearnedSign.Fermata, e => e.Has(Marks.Fermata)),
        (LearnedSign.TempoWords, e => e.Words is { } words && Plucking.Begins(words) is null),
        (LearnedSign.Pizzicato, e => Plucking.Begins(e.Words) == true || e.Has(Marks.LeftHandPluck | Marks.SnapPluck)),
        (LearnedSign.GraceNotes, e => e.Graces.Count > 0),
        (LearnedSign.Ornaments, e => e.Has(Ornaments)),
        (LearnedSign.DoubleStops, e => e.Chord.Count > 0),
        (LearnedSign.Harmonics, e => e.Has(Marks.Harmonic)),
        (LearnedSign.ClefChange, e => e.ClefChange is not null),
    ];

    private const Marks Ornaments =
        Marks.Trill
        | Marks.Roll
        | Marks.LowerMordent
        | Marks.UpperMordent
        | Marks.Turn
        | Marks.InvertedTurn
        | Marks.Slide
        | Marks.Arpeggio;

    /// <summary>A dynamic sign is made of its letters alone; other words are none.</summary>
    private static string? DynamicOf(ScoreEvent e) =>
        e.Dynamic is { Length: > 0 and <= 6 } sign && sign.All("pmfszrn".Contains) ? sign : null;

    /// <summary>Slurs by the number of their notes, and hooks: slurs with dots or dashes (craft 8).</summary>
    private static void OfSlurs(Score score, Collected met)
    {
        var (depth, hooked, tied) = (0, false, false);
        var under = new List<(string Id, Bar Bar)>();
        foreach (var bar in score.Bars)
        {
            foreach (var e in bar.Events)
            {
                var stroke = e.Has(Marks.Staccato | Marks.Tenuto | Marks.Wedge);
                depth += e.SlurStarts;
                if (depth > 0 && !e.IsRest && !tied)
                {
                    under.Add((e.Id, bar));
                    hooked |= stroke;
                }
                else if (stroke)
                {
                    met.Add(new KnownSign(e.Has(Marks.Tenuto) ? LearnedSign.Tenuto : LearnedSign.Dots), bar, e.Id);
                }

                tied = e.TiedOn;
                depth = Math.Max(0, depth - e.SlurStops);
                if (depth > 0 || under.Count == 0)
                    continue;
                if (under.Count > 1)
                {
                    met.Add(
                        hooked ? new KnownSign(LearnedSign.Hook) : new KnownSlur(Math.Min(under.Count, KnownSlur.Most)),
                        under[0].Bar,
                        [.. under.Select(u => u.Id)]
                    );
                }

                (hooked, under) = (false, []);
            }
        }
    }

    private static void OfSyncopation(IReadOnlyList<ReadingNote> notes, Collected met)
    {
        foreach (var note in notes.Select(n => n.Note).Where(n => !n.IsGrace))
        {
            var beat = TimeSignature.BeatOf(note.Bar.Time);
            var started = note.Onset.WholeTimes(beat);
            if (
                note.Onset != new Fraction(started, 1) * beat
                && note.Onset + note.Length > new Fraction(started + 1, 1) * beat
            )
                met.Add(new KnownSign(LearnedSign.Syncopation), note.Bar, note.Id);
        }
    }

    /// <summary>Things as they are met.</summary>
    private sealed class Collected(IReadOnlyList<Bar> bars)
    {
        private sealed record Found(MetThing First, List<string> NoteIds)
        {
            public int Times { get; set; }

            public bool OneFinger { get; set; } = true;

            public bool OnePosition { get; set; } = true;
        }

        private readonly Dictionary<KnownThing, Found> _found = [];

        public void Add(KnownThing thing, Bar bar, string? note = null) => Add(thing, bar, note is null ? [] : [note]);

        public void Add(KnownThing thing, Bar bar, IReadOnlyList<string> notes)
        {
            var found = Find(thing, bar);
            found.Times++;
            found.NoteIds.AddRange(notes);
        }

        public void AddNote(KnownNote thing, SoundingNote note, Placement at, KnownThing? finger, KnownThing? position)
        {
            if (!_found.TryGetValue(thing, out var found))
            {
                var first = new MetThing(thing, note.Bar.Id, note.Bar.Number, [], 0)
                {
                    Place = at,
                    ByFinger = finger,
                    InPosition = position,
                };
                _found.Add(thing, found = new Found(first, []));
            }

            found.OneFinger &= found.First.ByFinger == finger;
            found.OnePosition &= found.First.InPosition == position;
            Add(thing, note.Bar, note.Id);
        }

        public IReadOnlyList<MetThing> InOrder()
        {
            var orders = bars.Index().ToDictionary(b => b.Item.Id, b => b.Index);
            return
            [
                .. _found
                    .Values.Select(f =>
                        f.First with
                        {
                            NoteIds = f.NoteIds,
                            Times = f.Times,
                            ByFinger = f.OneFinger ? f.First.ByFinger : null,
                            InPosition = f.OnePosition ? f.First.InPosition : null,
                        }
                    )
                    .OrderBy(m => orders[m.BarId])
                    .ThenBy(m => m.Thing.Kind),
            ];
        }

        private Found Find(KnownThing thing, Bar bar)
        {
            if (!_found.TryGetValue(thing, out var found))
                _found.Add(thing, found = new Found(new MetThing(thing, bar.Id, bar.Number, [], 0), []));
            return found;
        }
    }
}
