using System.Collections.Concurrent;
using System.Text.Json;
using Coppia.Core.Bowing;
using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Wording;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Coppia.Server;

/// <summary>A kept tune with its score.</summary>
internal sealed record KeptTune(TuneRecord Tune, Score Score, IReadOnlyList<Notice> Notices);

/// <summary>Readings of kept tunes in the current house style, with the teacher's pins. Computed values are pure, so they are remembered by what they come from.</summary>
internal sealed class Readings(
    TuneRepository tunes,
    PinRepository pins,
    OctaveRepository octaves,
    BowRepository bows,
    Styles styles,
    IOptions<JsonOptions> json
)
{
    private const int MostRemembered = 64;
    private readonly ConcurrentDictionary<(long Id, int Version), KeptTune> _scores = new();
    private readonly ConcurrentDictionary<string, PlayerReading> _readings = new();
    private readonly ConcurrentDictionary<string, byte[]> _answers = new();

    public KeptTune? Find(long id)
    {
        if (tunes.Find(id) is not { } tune)
            return null;
        if (_scores.Count > MostRemembered)
            _scores.Clear();
        return _scores.GetOrAdd(
            (id, tune.Version),
            _ =>
            {
                var read = TuneReader.Read(tune.Source);
                return new KeptTune(
                    tune,
                    read.Score ?? throw new InvalidOperationException($"Tune {id} was kept but cannot be read."),
                    read.Notices
                );
            }
        );
    }

    public PlayerReading Of(KeptTune kept, Instrument instrument)
    {
        var (style, styleKey) = styles.Current();
        var fixedPairs = PinsOf(kept, instrument, style);
        return Remembered(_readings, Key(kept, instrument, styleKey, fixedPairs), () => Solve(kept, instrument, style, fixedPairs));
    }

    /// <summary>The reading as the screens get it, kept as the bytes that are sent.</summary>
    public byte[] JsonOf(KeptTune kept, Instrument instrument)
    {
        var (style, styleKey) = styles.Current();
        var fixedPairs = PinsOf(kept, instrument, style);
        var key = Key(kept, instrument, styleKey, fixedPairs);
        return Remembered(
            _answers,
            key,
            () =>
            {
                var reading = Remembered(_readings, key, () => Solve(kept, instrument, style, fixedPairs));
                return JsonSerializer.SerializeToUtf8Bytes(ReadingView.Of(kept, reading, fixedPairs), json.Value.SerializerOptions);
            }
        );
    }

    /// <summary>Tries pins out. Throws what <see cref="Fingers.Choose"/> throws for an impossible one.</summary>
    public PlayerReading Try(KeptTune kept, Instrument instrument, IEnumerable<PinRecord> asked) =>
        Solve(
            kept,
            instrument,
            styles.Current().Style,
            new FixedPairs([.. asked], [], UsesPrinted: false, SetAside: [], BowsOf(kept), octaves.Of(kept.Tune.Id, instrument.Id))
        );

    /// <summary>The changes of the bowing that were taken and still meet the note they were made on.</summary>
    public IReadOnlyList<BowEdit> BowsOf(KeptTune kept)
    {
        var good = new List<BowEdit>();
        foreach (var edit in KeptBows(kept, refused: false))
        {
            try
            {
                BowEdits.Apply(kept.Score, [.. good, edit]);
                good.Add(edit);
            }
            catch (ImpossibleBowEditException)
            {
                // The source was edited since: the print has this change, or no longer has room for it.
            }
        }

        return good;
    }

    /// <summary>Proposed changes of the bowing that the teacher does not want.</summary>
    public IReadOnlyList<BowEdit> RefusedBows(KeptTune kept) => [.. KeptBows(kept, refused: true)];

    private IEnumerable<BowEdit> KeptBows(KeptTune kept, bool refused)
    {
        var pitches = kept.Score.Events.Where(e => e.Pitch is not null).ToDictionary(e => e.Id, e => e.Pitch!.Value.ToString());
        return bows.Of(kept.Tune.Id)
            .Where(c => c.Refused == refused && pitches.GetValueOrDefault(c.NoteId) == c.Pitch)
            .Select(c => new BowEdit(c.NoteId, Enum.Parse<BowEditKind>(c.Kind, ignoreCase: true)));
    }

    private static T Remembered<T>(ConcurrentDictionary<string, T> memory, string key, Func<T> make)
    {
        if (memory.Count > 4 * MostRemembered)
            memory.Clear();
        return memory.GetOrAdd(key, _ => make());
    }

    private static string Key(KeptTune kept, Instrument instrument, string styleKey, FixedPairs pairs) =>
        $"{kept.Tune.Id} {kept.Tune.Version} {instrument.Id} {styleKey} {pairs.UsesPrinted} {pairs.Octaves} {string.Join(' ', pairs.Kept.Select(p => $"{p.NoteId}:{p.String}:{p.Finger}"))} {string.Join(' ', pairs.Bows.Select(b => $"{b.NoteId}:{b.Kind}"))}";

    private static PlayerReading Solve(KeptTune kept, Instrument instrument, HouseStyle style, FixedPairs pairs) =>
        PlayerReading.Of(kept.Score, PrintedForOf(kept, style), instrument, style, pairs.AsPins(), pairs.Bows, pairs.Octaves);

    private static Instrument PrintedForOf(KeptTune kept, HouseStyle style) =>
        StringSection.Named(kept.Tune.PrintedFor, style) ?? PrintedFor.Of(kept.Score);

    /// <summary>Kept pins that do not meet their notes at present, in the chosen octave or since the tune was edited. They are kept for when they do again.</summary>
    public IReadOnlyList<PinRecord> SetAside(KeptTune kept, Instrument instrument) =>
        [.. pins.Of(kept.Tune.Id, instrument.Id).Except(PinsOf(kept, instrument, styles.Current().Style).Kept)];

    /// <summary>The kept pins that still meet the note they were set on in the octave it is read in, and the printed fingers where they count and can be played.</summary>
    private FixedPairs PinsOf(KeptTune kept, Instrument instrument, HouseStyle style)
    {
        var chosen = octaves.Of(kept.Tune.Id, instrument.Id);
        var all = pins.Of(kept.Tune.Id, instrument.Id);
        var usesPrinted = pins.UsesPrinted(kept.Tune.Id, instrument.Id);
        if (all.Count == 0 && !usesPrinted)
            return new FixedPairs([], [], false, [], BowsOf(kept), chosen);

        var moved = chosen ?? PlayerReading.OctavesOf(kept.Score, PrintedForOf(kept, style), instrument);
        var printedPitch = kept.Score.Events.Where(e => e.Pitch is not null).ToDictionary(e => e.Id, e => e.Pitch!.Value);
        var valid = all.Where(p =>
                printedPitch.TryGetValue(p.NoteId, out var pitch)
                && pitch.ToString() == p.Pitch
                && Placements.Of(instrument, pitch.AddOctaves(moved), 0).Any(w => w.Finger == p.Finger && w.String == p.String)
            )
            .ToArray();
        var aside =
            all.Count == valid.Length
                ? []
                : new List<string> { $"{all.Count - valid.Length} of your own fingerings no longer meet their notes and are set aside." };
        if (!usesPrinted)
            return new FixedPairs(valid, [], false, aside, BowsOf(kept), chosen);

        var printed = new List<(string NoteId, int Finger)>();
        foreach (var note in SoundingNote.Of(kept.Score).Where(n => !n.IsGrace && n.Event.PrintedFinger is not null))
        {
            var finger = note.Event.PrintedFinger!.Value;
            if (Placements.Of(instrument, note.Pitch.AddOctaves(moved), 0).Any(p => p.Finger == finger))
                printed.Add((note.Id, finger));
            else
                aside.Add(
                    $"The printed finger {finger} on {Labels.NoteAndNumber(note.Pitch, style)} in {note.Bar.Named} cannot play that note and is left out."
                );
        }

        return new FixedPairs(valid, printed, true, aside, BowsOf(kept), chosen);
    }
}

/// <summary>What is fixed before the line is solved.</summary>
internal sealed record FixedPairs(
    IReadOnlyList<PinRecord> Kept,
    IReadOnlyList<(string NoteId, int Finger)> Printed,
    bool UsesPrinted,
    IReadOnlyList<string> SetAside,
    IReadOnlyList<BowEdit> Bows,
    int? Octaves
)
{
    /// <summary>The teacher's own pins win over printed fingers.</summary>
    public IReadOnlyDictionary<string, Pin> AsPins()
    {
        var pins = Printed.ToDictionary(p => p.NoteId, p => new Pin(null, p.Finger));
        foreach (var p in Kept)
            pins[p.NoteId] = new Pin(p.String, p.Finger);
        return pins;
    }
}
