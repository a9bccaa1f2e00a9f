using Coppia.Core.Bowing;
using Coppia.Core.Fingering;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Shapes;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.MusicXml;
using Coppia.Server.Room;

namespace Coppia.Server.Stand;

/// <summary>Everything the stand shows for one tune and one instrument.</summary>
public sealed record ReadingView(
    long TuneId,
    int Version,
    string Title,
    string Composer,
    string? TempoWords,
    InstrumentView Instrument,
    string PrintedFor,
    string? Line,
    string Clef,
    bool ClefChanged,
    int Fifths,
    string KeyName,
    string KeyWords,
    string Meter,
    string? MeterWords,
    IReadOnlyList<string> GoodToKnow,
    string? Moved,
    int Octaves,
    bool OctaveChosen,
    IReadOnlyList<OctaveChoiceView> OctaveChoices,
    bool HasPrintedFingers,
    bool UsesPrintedFingers,
    IReadOnlyList<PinView> Pins,
    IReadOnlyList<string> Warnings,
    string MusicXml,
    MusicXmlSlots Slots,
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
    IReadOnlyList<ValueLevelView> Values,
    IReadOnlyList<DroneView> Drones,
    NewsView? News
)
{
    internal static ReadingView Of(KeptTune kept, PlayerReading reading, FixedPairs pairs, NewsView? news)
    {
        var (player, score) = (reading.Player, reading.Score);
        var style = player.Style;
        var words = new ReadingWords(reading);
        var (musicXml, slots) = ReadingMusic.ForEngraving(reading);
        return new ReadingView(
            TuneId: kept.Tune.Id,
            Version: kept.Tune.Version,
            Title: kept.Tune.Title,
            Composer: kept.Tune.Composer,
            TempoWords: score.TempoWords,
            Instrument: InstrumentView.Of(player),
            PrintedFor: kept.PrintedFor,
            Line: kept.Lines.Count > 1 ? kept.Line.Name : null,
            Clef: score.Clef.Name,
            ClefChanged: reading.ClefChanged,
            Fifths: score.Key.Fifths,
            KeyName: Labels.Key(score.Key, style),
            KeyWords: Labels.Signature(score.Key, style),
            Meter: Core.Wording.Terms.MeterWords.Listed(score.Time),
            MeterWords: words.Meter(),
            GoodToKnow: GoodToKnowOf(kept, words, pairs),
            Moved: OctaveWords.Moved(reading.OctavesMoved),
            Octaves: reading.OctavesMoved,
            OctaveChosen: pairs.Octaves is not null,
            OctaveChoices: OctaveChoicesOf(reading),
            HasPrintedFingers: kept.PrintedFor == player.Instrument.Id
                && score.Events.Any(e => e.PrintedFinger is not null),
            UsesPrintedFingers: pairs.UsesPrinted,
            Pins: [.. pairs.Kept.Select(p => new PinView(p.NoteId, p.String, p.Finger))],
            Warnings: [.. words.Warnings, .. pairs.SetAside],
            MusicXml: musicXml,
            Slots: slots,
            Bars: BarsOf(reading),
            Notes: NotesOf(reading, words),
            Counts: CountsOf(reading, words),
            Shapes: ShapesOf(reading),
            Events: EventsOf(reading),
            Travels: TravelsOf(reading),
            Form: FormView.Of(reading, words.Form),
            Trouble: TroubleOf(reading, words.Trouble),
            Order: [.. reading.Tune.Order.Select(p => p.Bar)],
            TempoQuarters: TempoOf(score),
            Values: ValuesOf(style),
            Drones: DronesOf(score, style),
            News: news
        );
    }

    private static IReadOnlyList<string> GoodToKnowOf(KeptTune kept, ReadingWords words, FixedPairs pairs) =>
        [
            .. words.BeforeTheFirstNote(pairs.Octaves is not null),
            .. pairs.SetAside,
            .. kept.Notices.Select(n => n.Message),
        ];

    private static IReadOnlyList<OctaveChoiceView> OctaveChoicesOf(PlayerReading reading) =>
        [
            .. OctaveFit
                .Choices(reading.Tune.Notes, reading.Player)
                .Select(c => new OctaveChoiceView(c.Octaves, OctaveWords.Chosen(c.Octaves), OctaveWords.Leaves(c))),
        ];

    private static IReadOnlyList<IReadOnlyList<ShapeSpotView>> ShapesOf(PlayerReading reading) =>
        [.. reading.Shapes.Select(s => SpotsOf(s, reading.Player.Style))];

    private static IReadOnlyList<ShapeSpotView> SpotsOf(StringShape shape, HouseStyle style) =>
        [
            .. shape.Spots.Select(p => new ShapeSpotView(
                p.Placement.Semitones,
                p.Placement.Finger,
                Labels.FingerSign(p.Placement.Pair, style),
                Labels.Note(p.Pitch, style)
            )),
        ];

    private static IReadOnlyList<ValueLevelView> ValuesOf(HouseStyle style) =>
        [.. ValueWords.Levels(style.ValueNames).Select(v => new ValueLevelView(Quarters(v.Length), v.Name))];

    private static IReadOnlyList<DroneView> DronesOf(Score score, HouseStyle style) =>
        [
            .. Enumerable
                .Range(LowestDrone, 12)
                .Select(midi => new DroneView(Labels.Note(Spelling.InKey(midi, score.Key), style), midi)),
        ];

    /// <summary>
    /// C3: drones lie in the octave below the middle one, where all four instruments hear them under their own notes.
    /// </summary>
    private const int LowestDrone = 48;

    internal static double Quarters(Fraction length) => (length * new Fraction(4, 1)).ToDouble();

    /// <summary>The printed tempo in quarters a minute, or 80.</summary>
    internal static int TempoOf(Score score) =>
        score.Tempo is { } t
            ? Math.Clamp((int)Math.Round((t.Beat * new Fraction(4 * t.PerMinute, 1)).ToDouble()), 20, 300)
            : 80;

    internal static IReadOnlyList<EventView> EventsOf(PlayerReading reading) =>
        [
            .. reading.Score.Bars.SelectMany(b =>
                b.Events.Select(e => new EventView(
                    Id: e.Id,
                    BarId: b.Id,
                    Onset: Quarters(b.StartsAt + e.Onset),
                    Length: Quarters(e.Length),
                    Words: e.Words(reading.Player.Style.ValueNames),
                    Parts: e.Parts(reading.Player.Style.ValueNames),
                    IsRest: e.IsRest
                ))
            ),
        ];

    private static IReadOnlyList<TroubleView> TroubleOf(PlayerReading reading, TroubleWords words)
    {
        var barOrder = reading.Score.Bars.Index().ToDictionary(b => b.Item.Id, b => b.Index);
        return
        [
            .. reading.Trouble.Select(t => new TroubleView(
                FromId: reading.Notes[t.From].Note.Id,
                NoteId: reading.Notes[t.To].Note.Id,
                Bar: barOrder[reading.Notes[t.To].Note.Bar.Id],
                Points: t.Points,
                Title: TroubleWords.Title(t),
                Where: words.Where(t),
                Text: words.Of(t),
                IsSlip: t.IsSlip
            )),
        ];
    }

    private static IReadOnlyList<TravelView> TravelsOf(PlayerReading reading) =>
        [
            .. reading
                .Tune.Travels.DistinctBy(t => t.Stroke.First)
                .OrderBy(t => t.Stroke.First)
                .Select(t => new TravelView(
                    NoteId: reading.Notes[t.Stroke.First].Note.Id,
                    LastId: reading.Notes[t.Stroke.Last].Note.Id,
                    Down: t.Stroke.Direction == BowDirection.Down,
                    From: Math.Round(t.From, 3),
                    To: Math.Round(t.To, 3),
                    RunsOut: t.RunsOut,
                    Amount: BowWords.Amount(t.Amount)
                )),
        ];

    internal static IReadOnlyList<BarView> BarsOf(PlayerReading reading) =>
        [
            .. reading.Score.Bars.Select(b => new BarView(
                Id: b.Id,
                Number: b.Number,
                Name: b.Spoken(),
                EventIds: [.. b.Events.Select(e => e.Id)],
                StartsAt: Quarters(b.StartsAt),
                FullLength: Quarters(b.Time?.BarLength ?? b.Length),
                CountedBeat: Quarters(Core.Counting.Counts.BeatOf(b.Time, reading.Player.Style))
            )),
        ];

    internal static IReadOnlyList<ReadingNoteView> NotesOf(PlayerReading reading, ReadingWords words) =>
        [.. reading.Notes.Select(n => NoteOf(reading, n, words))];

    internal static IReadOnlyList<CountView> CountsOf(PlayerReading reading, ReadingWords words)
    {
        var lengths = reading.Score.Events.ToDictionary(e => e.Id, e => e.Length);
        return
        [
            .. words.Counts.Select(c => new CountView(
                c.Mark.EventId,
                (c.Mark.Offset / lengths[c.Mark.EventId]).ToDouble(),
                c.Said,
                c.Mark.Kind
            )),
        ];
    }

    private static ReadingNoteView NoteOf(PlayerReading reading, ReadingNote row, ReadingWords words)
    {
        var (note, player, plucked) = (row.Note, reading.Player, reading.Tune.Bowing.Plucked[row.Note.Index]);
        var others = row.Fingered.Others;
        return new ReadingNoteView(
            Id: note.Id,
            TiedIds: note.TiedIds,
            Bar: note.Bar.Number,
            Beat: Math.Round(note.Beat.ToDouble(), 3),
            Start: Quarters(note.Start),
            Pitch: note.Pitch.ToString(),
            Name: words.Name(row),
            Label: words.Label(row),
            String: row.Placement?.String,
            Finger: row.Placement?.Finger,
            Semitones: row.Placement?.Semitones,
            Sign: row.Placement is { } at ? Labels.FingerSign(at.Pair, player.Style) : null,
            Place: row.Placement?.Word,
            Position: row.Placement is { } p ? player.FrameOf(p).Position : null,
            NewPosition: words.NewPosition(row),
            Bow: row.Bow,
            BowAgain: row.BowAgain,
            BowStarts: !note.Slurred && !plucked,
            Count: words.Count(row),
            Words: note.IsGrace || note.Event.Lyrics.Count == 0 ? "" : note.Event.Lyrics[0],
            Midi: note.Pitch.Midi + 12 * player.Instrument.SoundingOctave,
            Beyond: row.Fingered.Beyond,
            Pinned: row.Fingered.Pinned,
            IsGrace: note.IsGrace,
            Plucked: plucked,
            Here: words.Spoken(row),
            Why: words.Why(row),
            Others: [.. others.Select(o => OtherWayOf(o, player))],
            Next: NextWay.After(row.Fingered, others, player)
        );
    }

    private static OtherWayView OtherWayOf(OtherWay way, Player player) =>
        new(
            way.Placement.String,
            way.Placement.Finger,
            Labels.Pair(way.Placement.Pair, player),
            way.ExtraCost,
            !player.Allows(way.Placement)
        );
}
