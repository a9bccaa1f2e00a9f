using Coppia.Core.Bowing;
using Coppia.Core.Counting;
using Coppia.Core.Fingering;
using Coppia.Core.Form;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Wording;

namespace Coppia.Server;

/// <summary>Why a note is played so, one sentence a field; an empty field has nothing to say.</summary>
public sealed record WhyView(string Reading, string Finger, string Place, string Choice);

/// <summary>A note's pair as the teacher fixed it.</summary>
public sealed record PinView(string NoteId, int String, int Finger);

/// <summary>Another pair for a note.</summary>
public sealed record OtherWayView(int String, int Finger, string Label, int? ExtraCost, bool Beyond);

/// <summary>One sounding note as the stand shows it.</summary>
/// <param name="Start">Quarters from the start of the tune, in written order.</param>
/// <param name="BowAgain">The direction the second time through a repeat, where it differs.</param>
/// <param name="Midi">Sounding MIDI key number.</param>
/// <param name="NewPosition">The position's name where the hand arrives in it; null where it stays.</param>
/// <param name="Reach">An extended fourth finger on violin or viola.</param>
/// <param name="Sign">Finger with its place sign, without the string: L2, x4, 3.</param>
public sealed record ReadingNoteView(
    string Id,
    IReadOnlyList<string> TiedIds,
    int Bar,
    double Beat,
    double Start,
    string Pitch,
    string Name,
    string Label,
    int? String,
    int? Finger,
    int? Semitones,
    string? Sign,
    string? Place,
    string? Position,
    string? PositionSpoken,
    string? NewPosition,
    string Bow,
    string? BowAgain,
    bool BowStarts,
    string Count,
    int Midi,
    bool Beyond,
    bool Pinned,
    bool IsGrace,
    bool Plucked,
    bool Reach,
    WhyView Why,
    IReadOnlyList<OtherWayView> Others
);

/// <summary>One counting syllable; the offset is in parts of its note's length, 0 to 1.</summary>
public sealed record CountView(string EventId, double Offset, string Text, CountKind Kind);

public sealed record ShapeSpotView(int Semitones, int Finger, string Sign, string Name);

public sealed record BarView(string Id, int Number, IReadOnlyList<string> EventIds);

/// <summary>A printed note or rest: where it begins in its full bar and how long it is, in quarters, and its value in words.</summary>
public sealed record EventView(string Id, string BarId, double Onset, double Length, string Words, bool IsRest);

/// <summary>Where a stroke goes along the bow the first time: 0 = frog, 1 = tip.</summary>
public sealed record TravelView(string NoteId, string LastId, bool Down, double From, double To, bool RunsOut, string Amount);

public sealed record LineView(int FirstBar, int EndBar, string Letter, int? Like);

public sealed record TrapView(int Bar, string Text, IReadOnlyList<string> NoteIds);

public sealed record PassageView(PassageKind Kind, int Bar, string Text, IReadOnlyList<string> NoteIds);

/// <summary>How the tune is built; bars are told by their order from 0.</summary>
public sealed record FormView(
    IReadOnlyList<LineView> Lines,
    IReadOnlyList<TrapView> Traps,
    IReadOnlyList<PassageView> Passages,
    IReadOnlyList<LikenessView> Likenesses,
    string Summary,
    string? Rhythms,
    string Plays
)
{
    internal static FormView Of(TuneForm form) =>
        new(
            [.. form.Lines.Select(l => new LineView(l.FirstBar, l.EndBar, l.Letter, l.Like))],
            [.. form.Traps.Select(t => new TrapView(t.Bar, t.Text, t.NoteIds))],
            [.. form.Passages.Select(p => new PassageView(p.Kind, p.Bar, p.Text, p.NoteIds))],
            [.. form.Likenesses.Select(l => new LikenessView(l.Kind, l.Bar, l.Text, l.NoteIds))],
            form.Summary,
            form.Rhythms,
            form.Plays
        );
}

/// <summary>Bars that resemble an earlier one.</summary>
public sealed record LikenessView(LikenessKind Kind, int Bar, string Text, IReadOnlyList<string> NoteIds);

/// <summary>One of the hardest steps, on the note that it reaches.</summary>
public sealed record TroubleView(string FromId, string NoteId, int Bar, int Score, string Where, string Text, bool IsSlip);

/// <summary>An octave that a tune may be read in.</summary>
public sealed record OctaveChoiceView(int Octaves, string Words, int OutOfReach, int Beyond);

/// <summary>Everything the stand shows for one tune and one instrument.</summary>
public sealed record ReadingView(
    long TuneId,
    int Version,
    string Title,
    string Composer,
    string? TempoWords,
    InstrumentView Instrument,
    string PrintedFor,
    string Clef,
    bool ClefChanged,
    int Fifths,
    string KeyName,
    string KeyWords,
    string Meter,
    string? MeterWords,
    string? Moved,
    int Octaves,
    bool OctaveChosen,
    IReadOnlyList<OctaveChoiceView> OctaveChoices,
    bool HasPrintedFingers,
    bool UsesPrintedFingers,
    IReadOnlyList<PinView> Pins,
    IReadOnlyList<string> Warnings,
    IReadOnlyList<NoticeView> Notices,
    string MusicXml,
    IReadOnlyList<BarView> Bars,
    IReadOnlyList<ReadingNoteView> Notes,
    IReadOnlyList<CountView> Counts,
    IReadOnlyList<IReadOnlyList<ShapeSpotView>> Shapes,
    IReadOnlyList<EventView> Events,
    IReadOnlyList<TravelView> Travels,
    FormView Form,
    IReadOnlyList<TroubleView> Trouble,
    IReadOnlyList<int> Order,
    int TempoQuarters,
    double CountedBeat,
    ValueNames ValueNames
)
{
    internal static ReadingView Of(KeptTune kept, PlayerReading reading, FixedPairs pairs)
    {
        var style = reading.Style;
        var score = reading.Score;
        var barOrder = score.Bars.Index().ToDictionary(b => b.Item.Id, b => b.Index);
        return new ReadingView(
            kept.Tune.Id,
            kept.Tune.Version,
            kept.Tune.Title,
            kept.Tune.Composer,
            score.TempoWords,
            InstrumentView.Of(reading.Instrument, style),
            kept.Tune.PrintedFor,
            score.Clef.Name,
            reading.ClefChanged,
            score.Key.Fifths,
            Labels.Key(score.Key, style),
            Labels.Signature(score.Key, style),
            kept.Tune.Meter,
            MeterWordsOf(score, style),
            OctaveFit.Words(reading.OctavesMoved),
            reading.OctavesMoved,
            pairs.Octaves is not null,
            [
                .. OctaveFit
                    .Choices(kept.Score, reading.Instrument)
                    .Select(c => new OctaveChoiceView(c.Octaves, OctaveFit.Words(c.Octaves) ?? "as printed", c.OutOfReach, c.Beyond)),
            ],
            kept.Tune.PrintedFor == reading.Instrument.Id && score.Events.Any(e => e.PrintedFinger is not null),
            pairs.UsesPrinted,
            [.. pairs.Kept.Select(p => new PinView(p.NoteId, p.String, p.Finger))],
            [.. reading.Warnings(), .. pairs.SetAside],
            [.. kept.Notices.Select(NoticeView.Of)],
            ReadingMusic.ForEngraving(reading),
            BarsOf(reading),
            NotesOf(reading),
            CountsOf(reading),
            [
                .. reading.Shapes.Select(s =>
                    (IReadOnlyList<ShapeSpotView>)
                        [
                            .. s.Spots.Select(p => new ShapeSpotView(
                                p.Placement.Semitones,
                                p.Placement.Finger,
                                Labels.FingerSign(p.Placement, style),
                                Labels.Note(p.Pitch, style)
                            )),
                        ]
                ),
            ],
            EventsOf(reading),
            TravelsOf(reading),
            FormView.Of(reading.Form),
            [
                .. reading.Trouble.Select(t => new TroubleView(
                    reading.Notes[t.From].Note.Id,
                    reading.Notes[t.To].Note.Id,
                    barOrder[reading.Notes[t.To].Note.Bar.Id],
                    t.Score,
                    t.Where,
                    t.Text,
                    t.IsSlip
                )),
            ],
            [.. reading.Order.Select(p => p.Bar)],
            TempoOf(score),
            Quarters(Coppia.Core.Counting.Counts.BeatOf(score.Time, style)),
            style.ValueNames
        );
    }

    private static double Quarters(Fraction length) => (length * new Fraction(4, 1)).ToDouble();

    /// <summary>The printed tempo in quarters a minute, or 80.</summary>
    private static int TempoOf(Score score) =>
        score.Tempo is { } t ? Math.Clamp((int)Math.Round((t.Beat * new Fraction(4 * t.PerMinute, 1)).ToDouble()), 20, 300) : 80;

    internal static IReadOnlyList<EventView> EventsOf(PlayerReading reading) =>
        [
            .. reading.Score.Bars.SelectMany(b =>
                b.Events.Select(e => new EventView(
                    e.Id,
                    b.Id,
                    Quarters(b.StartsAt + e.Onset),
                    Quarters(e.Length),
                    e.IsBarRest ? "rest for the bar" : e.Value.Words(reading.Style.ValueNames) + (e.IsRest ? " rest" : ""),
                    e.IsRest
                ))
            ),
        ];

    private static IReadOnlyList<TravelView> TravelsOf(PlayerReading reading) =>
        [
            .. reading
                .Travels.DistinctBy(t => t.Stroke.First)
                .OrderBy(t => t.Stroke.First)
                .Select(t => new TravelView(
                    reading.Notes[t.Stroke.First].Note.Id,
                    reading.Notes[t.Stroke.Last].Note.Id,
                    t.Stroke.Direction == BowDirection.Down,
                    Math.Round(t.From, 3),
                    Math.Round(t.To, 3),
                    t.RunsOut,
                    BowPlace.Words(t.Amount)
                )),
        ];

    internal static IReadOnlyList<BarView> BarsOf(PlayerReading reading) =>
        [.. reading.Score.Bars.Select(b => new BarView(b.Id, b.Number, [.. b.Events.Select(e => e.Id)]))];

    internal static IReadOnlyList<ReadingNoteView> NotesOf(PlayerReading reading) =>
        [.. reading.Notes.Select((n, i) => NoteOf(reading, n, i))];

    internal static IReadOnlyList<CountView> CountsOf(PlayerReading reading)
    {
        var lengths = reading.Score.Events.ToDictionary(e => e.Id, e => e.Length);
        return [.. reading.Counts.Select(c => new CountView(c.EventId, (c.Offset / lengths[c.EventId]).ToDouble(), c.Text, c.Kind))];
    }

    /// <summary>C and cut C are easily taken for a key (handbook 1).</summary>
    private static string? MeterWordsOf(Score score, HouseStyle style) =>
        score.Time?.Symbol switch
        {
            TimeSymbol.Common =>
                $"The C on the staff is a time signature, four {new NoteValue(2).Words(style.ValueNames)} beats; the key, {Labels.Key(score.Key, style)}, comes from the signature alone.",
            TimeSymbol.Cut =>
                $"The cut C on the staff is a time signature, two {new NoteValue(1).Words(style.ValueNames)}{(style.ValueNames == ValueNames.American ? "-note" : "")} beats; the key, {Labels.Key(score.Key, style)}, comes from the signature alone.",
            _ => null,
        };

    private static ReadingNoteView NoteOf(PlayerReading reading, ReadingNote row, int index)
    {
        var note = row.Note;
        var instrument = reading.Instrument;
        var frame = row.Placement is { } p ? instrument.Frames[p.Frame] : null;
        var why = Why.Of(reading.Fingering, index, row.SignedEarlier, reading.Style);
        return new ReadingNoteView(
            note.Id,
            note.TiedIds,
            note.Bar.Number,
            Math.Round(note.Beat.ToDouble(), 3),
            (note.Start * new Fraction(4, 1)).ToDouble(),
            note.Pitch.ToString(),
            row.Name,
            row.Label,
            row.Placement?.String,
            row.Placement?.Finger,
            row.Placement?.Semitones,
            row.Placement is { } at ? Labels.FingerSign(at, reading.Style) : null,
            row.Placement?.Word.ToString().ToLowerInvariant(),
            frame?.Position,
            frame?.Spoken,
            reading.ArrivesIn(index),
            row.Bow.ToString().ToLowerInvariant(),
            row.BowAgain?.ToString().ToLowerInvariant(),
            !note.Slurred && !reading.Bowing.Plucked[index],
            row.Count,
            note.Pitch.Midi + 12 * instrument.SoundingOctave,
            row.Fingered.Beyond,
            row.Fingered.Pinned,
            note.IsGrace,
            reading.Bowing.Plucked[index],
            row.Placement?.Reach ?? false,
            new WhyView(why.Reading, why.Finger, why.Place, why.Choice),
            [
                .. row.Fingered.Others.Select(o => new OtherWayView(
                    o.Placement.String,
                    o.Placement.Finger,
                    Labels.Pair(o.Placement, instrument, reading.Style),
                    o.ExtraCost,
                    !instrument.Frames[o.Placement.Frame].AllowedByDefault
                )),
            ]
        );
    }
}
