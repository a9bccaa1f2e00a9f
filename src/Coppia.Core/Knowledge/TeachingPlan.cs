using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Knowledge;

/// <summary>A note on a string as it is first learned there.</summary>
public sealed record PlanNote(KnownNote Note, Placement Way);

/// <summary>A place on a string, with the notes that are read for it: G♯ and A♭.</summary>
public sealed record PlanSpot(int Semitones, IReadOnlyList<PlanNote> Notes);

/// <summary>Things that all of a class learn together, by what they are for.</summary>
public enum PlanPart
{
    Keys,
    Meters,
    Values,
    Rests,
    Rhythms,
    Bow,
    Loudness,
    Signs,
}

/// <summary>
/// Everything that is offered to be learned in the first years (craft 15, common practice), as a plan to tick: what a
/// class knows beyond it is added where it belongs.
/// </summary>
public static class TeachingPlan
{
    private const int MostSigns = 4;

    private static readonly NoteValue[] Values =
    [
        new(0),
        new(1, 1),
        new(1),
        new(2, 1),
        new(2),
        new(3),
        new(3, 1),
        new(4),
        new(3, 0, TupletActual: 3, TupletNormal: 2),
    ];

    private static readonly LearnedSign[] BowSigns =
    [
        LearnedSign.Hook,
        LearnedSign.Lift,
        LearnedSign.Dots,
        LearnedSign.Tenuto,
        LearnedSign.Accent,
        LearnedSign.Pizzicato,
    ];

    private static readonly IReadOnlyList<(PlanPart Part, KnownThing[] Things)> Usual =
    [
        (PlanPart.Keys, [.. Enumerable.Range(-MostSigns, 2 * MostSigns + 1).Select(f => new KnownKey(f))]),
        (
            PlanPart.Meters,
            [
                new KnownMeter(2, 4),
                new KnownMeter(3, 4),
                new KnownMeter(4, 4),
                new KnownMeter(2, 2),
                new KnownMeter(6, 8),
            ]
        ),
        (PlanPart.Values, [.. Values.Select(v => new KnownValue(v))]),
        (PlanPart.Rests, [.. Enumerable.Range(0, 4).Select(log => new KnownRest(new NoteValue(log)))]),
        (
            PlanPart.Rhythms,
            [
                .. new[]
                {
                    "1/2 1/4 1/4",
                    "1/4 1/4 1/2",
                    "3/4 1/4",
                    "1/4 3/4",
                    "1/4 1/2 1/4",
                    "2/3 1/3",
                    "1/3 2/3",
                }.Select(p => new KnownRhythm(p)),
                new KnownSign(LearnedSign.Syncopation),
            ]
        ),
        (
            PlanPart.Bow,
            [
                .. Enumerable.Range(2, KnownSlur.Most - 1).Select(n => new KnownSlur(n)),
                .. BowSigns.Select(s => new KnownSign(s)),
            ]
        ),
        (
            PlanPart.Loudness,
            [
                .. new[] { "pp", "p", "mp", "mf", "f", "ff" }.Select(d => new KnownDynamic(d)),
                new KnownSign(LearnedSign.Hairpin),
            ]
        ),
        (
            PlanPart.Signs,
            [
                .. Enum.GetValues<LearnedSign>()
                    .Where(s => s is not (LearnedSign.Syncopation or LearnedSign.Hairpin) && !BowSigns.Contains(s))
                    .Select(s => new KnownSign(s)),
            ]
        ),
    ];

    /// <summary>
    /// What all of a class learn together, part by part; what it knows beyond the usual is at the end of its part.
    /// </summary>
    public static IReadOnlyList<(PlanPart Part, IReadOnlyList<KnownThing> Things)> Shared(ClassKnowledge known) =>
        [
            .. Usual.Select(u =>
                (
                    u.Part,
                    (IReadOnlyList<KnownThing>)
                        [
                            .. u.Things,
                            .. (known.Things ?? new HashSet<KnownThing>())
                                .Where(t => t.InstrumentId is null && PartOf(t) == u.Part && !u.Things.Contains(t))
                                .OrderBy(t => $"{t}", StringComparer.Ordinal),
                        ]
                )
            ),
        ];

    /// <summary>For each string, lowest sounding first, the places to learn from the open string up.</summary>
    public static IReadOnlyList<IReadOnlyList<PlanSpot>> Board(Instrument instrument, ClassKnowledge known)
    {
        var notes = (known.Things ?? new HashSet<KnownThing>())
            .OfType<KnownNote>()
            .Where(n => n.Instrument == instrument.Id)
            .ToHashSet();
        var highest = Math.Max(
            instrument
                .Frames.Where(f => f.IsHome || known.Things is not null && known.Allows(instrument, f))
                .Max(f => f.Spots.Max(s => s.Semitones)),
            notes.Select(n => n.Semitones).DefaultIfEmpty(0).Max()
        );
        return
        [
            .. instrument.Strings.Select(
                (open, s) =>
                    (IReadOnlyList<PlanSpot>)
                        [
                            .. Enumerable
                                .Range(0, highest + 1)
                                .Select(n => new PlanSpot(n, [.. Spelled(instrument, s, n, notes)]))
                                .Where(spot => spot.Notes.Count > 0),
                        ]
            ),
        ];
    }

    /// <summary>
    /// The fingers' places that the notes of the board need, and those that are known, from the first finger up.
    /// </summary>
    public static IReadOnlyList<KnownFinger> Fingers(Instrument instrument, ClassKnowledge known) =>
        [
            .. Board(instrument, known)
                .SelectMany(s => s)
                .SelectMany(spot => spot.Notes)
                .Where(n => !n.Way.IsOpen)
                .Select(n => new KnownFinger(instrument.Id, n.Way.Place))
                .Concat(
                    (known.Things ?? new HashSet<KnownThing>())
                        .OfType<KnownFinger>()
                        .Where(f => f.Instrument == instrument.Id)
                )
                .Distinct()
                .OrderBy(f => f.Place.Finger)
                .ThenBy(f => f.Place.Reach)
                .ThenBy(f => f.Place.Word),
        ];

    public static IReadOnlyList<KnownPosition> Positions(Instrument instrument) =>
        [.. instrument.Frames.Select(f => f.Position).Distinct().Select(p => new KnownPosition(instrument.Id, p))];

    /// <summary>
    /// How a note is first played on its string: open, in first position, in another of the lowest, or in the lowest
    /// above.
    /// </summary>
    public static Placement? FirstWay(Instrument instrument, int s, Pitch pitch) =>
        Placements
            .Of(instrument, pitch, instrument.FirstFrame)
            .Where(w => w.String == s)
            .OrderBy(w => w.IsOpen ? 0 : 1)
            .ThenBy(w => instrument.Frames[w.Frame].IsHome ? 0 : 1)
            .ThenBy(w => instrument.Frames[w.Frame].Height == instrument.FirstHeight ? 0 : 1)
            .ThenBy(w => w.OwnLetter ? 0 : 1)
            .ThenBy(w => instrument.Frames[w.Frame].Stretch)
            .ThenBy(w => instrument.Frames[w.Frame].Reluctance)
            .ThenBy(w => instrument.Frames[w.Frame].Height)
            .Select(w => (Placement?)w)
            .FirstOrDefault();

    /// <summary>A note with what its first way needs: its finger's place and the position.</summary>
    public static IEnumerable<KnownThing> WithItsWay(KnownNote note)
    {
        yield return note;
        if (WayOf(note) is not ({ } instrument, { IsOpen: false } way))
            yield break;
        yield return new KnownFinger(note.Instrument, way.Place);
        yield return new KnownPosition(note.Instrument, instrument.Frames[way.Frame].Position);
    }

    /// <summary>A thing, and of a finger's place or a position the known notes that are first played by it.</summary>
    public static IEnumerable<KnownThing> WithItsNotes(KnownThing thing, IEnumerable<KnownThing> known) =>
        thing is not (KnownFinger or KnownPosition)
            ? [thing]
            : [thing, .. known.OfType<KnownNote>().Where(n => WithItsWay(n).Contains(thing))];

    private static (Instrument?, Placement?) WayOf(KnownNote note)
    {
        var instrument = StringSection.Named(note.Instrument);
        var s = instrument?.Strings.Index().Where(x => x.Item == note.Open).Select(x => (int?)x.Index).FirstOrDefault();
        return (instrument, s is { } at ? FirstWay(instrument!, at, note.Pitch) : null);
    }

    /// <summary>
    /// The spellings of a place that a beginner reads: at most one sign; others where they are known.
    /// </summary>
    private static IEnumerable<PlanNote> Spelled(Instrument instrument, int s, int semitones, HashSet<KnownNote> known)
    {
        var open = instrument.Strings[s];
        return Pitches(open, semitones)
            .Where(p => IsBeginners(p) || known.Contains(Note(p)))
            .Select(p => (Pitch: p, Way: FirstWay(instrument, s, p)))
            .Where(x => x.Way is { } way && (way.OwnLetter || known.Contains(Note(x.Pitch))))
            .Select(x => new PlanNote(Note(x.Pitch), x.Way!.Value));

        KnownNote Note(Pitch pitch) => new(instrument.Id, open, pitch);
    }

    private static IEnumerable<Pitch> Pitches(Pitch open, int semitones) =>
        semitones == 0
            ? [open]
            : Enumerable
                .Range(open.Step, 9)
                .SelectMany(step => new[] { 0, 1, -1 }.Select(alter => Pitch.FromStep(step, alter)))
                .Where(p => p.Midi == open.Midi + semitones);

    /// <summary>Naturals, and the sharps and flats of keys with up to four signs.</summary>
    private static bool IsBeginners(Pitch pitch) =>
        pitch.Alter == 0
        || (pitch.Alter == 1 ? KeySignature.OrderOfSharps : [.. KeySignature.OrderOfSharps.Reverse()])
            .Take(MostSigns)
            .Contains(pitch.Letter);

    private static PlanPart? PartOf(KnownThing thing) =>
        thing switch
        {
            KnownKey => PlanPart.Keys,
            KnownMeter => PlanPart.Meters,
            KnownValue => PlanPart.Values,
            KnownRest => PlanPart.Rests,
            KnownRhythm => PlanPart.Rhythms,
            KnownSlur => PlanPart.Bow,
            KnownDynamic => PlanPart.Loudness,
            _ => null,
        };
}
