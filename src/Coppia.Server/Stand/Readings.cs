using System.Text.Json;
using Coppia.Core.Bowing;
using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;
using Coppia.Data.Stand;
using Coppia.Data.Tunes;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Stand;

/// <summary>
/// Readings of kept tunes in the current house style, with the teacher's pins. Computed values are pure, so they are
/// remembered by what they come from; what was not asked for the longest is forgotten first.
/// </summary>
internal sealed class Readings(
    TuneRepository tunes,
    PinRepository pins,
    OctaveRepository octaves,
    BowRepository bows,
    Asker asker,
    IMemoryCache memory,
    IOptions<JsonOptions> json
)
{
    /// <summary>
    /// Room for what is remembered, in printed notes: some hundred ordinary tunes for every instrument.
    /// </summary>
    public const long Room = 1_000_000;

    public KeptTune? Find(long id)
    {
        if (tunes.Find(id) is not { } tune)
            return null;
        return memory.GetOrCreate(
            (nameof(KeptTune), id, tune.Version),
            entry =>
            {
                var kept = KeptTune.Of(tune, asker.Gone);
                entry.Size = kept.Lines.Sum(l => Weight(l.Score));
                return kept;
            }
        );
    }

    /// <summary>The tune that is asked for.</summary>
    /// <exception cref="RefusedException">There is none of this number.</exception>
    /// <exception cref="UnreadableTuneException">This version cannot read it.</exception>
    public KeptTune Kept(long id) => Find(id) ?? throw NoTune(id);

    /// <summary>The tune that is asked for, on the line of who reads it.</summary>
    /// <inheritdoc cref="Kept(long)"/>
    public (KeptTune Kept, Player Player) Kept(long id, string instrument)
    {
        var player = asker.Player(instrument);
        return (Kept(id).For(player.Instrument.Id), player);
    }

    /// <summary>A tune, or null for one that is gone or that this version cannot read.</summary>
    public KeptTune? Readable(long id)
    {
        try
        {
            return Find(id);
        }
        catch (UnreadableTuneException)
        {
            return null;
        }
    }

    public static RefusedException NoTune(long id) =>
        RefusedException.NotHere(Say("stand.readings.there-is-no-tune-it-may-have", ("id", id)));

    public PlayerReading Of(KeptTune kept, Player player) => Weighed(kept, player, PinsOf(kept, player));

    /// <summary>The reading with its steps weighed for what the class knows.</summary>
    private PlayerReading Weighed(KeptTune kept, Player player, FixedPairs pairs) =>
        player.Known.Things is null
            ? Solved(kept, player, pairs)
            : Remembered(
                $"weighed {Key(kept, player, pairs)} {player.Known.Key}",
                kept,
                () => Solved(kept, player, pairs).WeighedFor(player.Known)
            );

    /// <summary>Everything that the class has to know to play the tune.</summary>
    public IReadOnlyList<MetThing> ContentsOf(KeptTune kept, Player player) =>
        ContentsOf(kept, player, PinsOf(kept, player));

    private IReadOnlyList<MetThing> ContentsOf(KeptTune kept, Player player, FixedPairs pairs) =>
        Remembered($"contents {Key(kept, player, pairs)}", kept, () => TuneContents.Of(Solved(kept, player, pairs)));

    /// <summary>What in the tune is new to the class; nothing where no record is kept.</summary>
    public News NewsOf(KeptTune kept, Player player) => NewsOf(kept, player, PinsOf(kept, player));

    private News NewsOf(KeptTune kept, Player player, FixedPairs pairs) =>
        player.Known.Things is null ? News.None : News.In(ContentsOf(kept, player, pairs), player.Known);

    /// <summary>The reading as the screens get it, kept as the bytes that are sent.</summary>
    public byte[] JsonOf(KeptTune kept, Player player)
    {
        var fixedPairs = PinsOf(kept, player);
        return Remembered(
            $"answer {Key(kept, player, fixedPairs)} {player.Known.Key}",
            kept,
            () => JsonSerializer.SerializeToUtf8Bytes(ViewOf(kept, player, fixedPairs), json.Value.SerializerOptions)
        );
    }

    private ReadingView ViewOf(KeptTune kept, Player player, FixedPairs pairs)
    {
        var reading = Weighed(kept, player, pairs);
        return ReadingView.Of(kept, reading, pairs, NewsView.Of(NewsOf(kept, player, pairs), reading, player));
    }

    /// <summary>Tries pins out. Throws what <see cref="Fingers"/> throws for an impossible one.</summary>
    public void Try(KeptTune kept, Player player, IEnumerable<PinRecord> asked) =>
        Solve(
            kept,
            player,
            new FixedPairs(
                [.. asked],
                [],
                UsesPrinted: false,
                SetAside: [],
                BowsOf(kept),
                octaves.Of(kept.Tune.Id, player.Instrument.Id)
            )
        );

    /// <summary>The changes of the bowing that were taken and still meet the note they were made on.</summary>
    public IReadOnlyList<BowEdit> BowsOf(KeptTune kept) => BowEdits.Fitting(kept.Score, KeptBows(kept, refused: false));

    /// <summary>Proposed changes of the bowing that the teacher does not want.</summary>
    public IReadOnlyList<BowEdit> RefusedBows(KeptTune kept) => KeptBows(kept, refused: true);

    private BowEdit[] KeptBows(KeptTune kept, bool refused)
    {
        var changes = bows.Of(kept.Tune.Id).Where(c => c.Refused == refused).ToArray();
        if (changes.Length == 0)
            return [];
        var pitches = kept
            .Score.Events.Where(e => e.Pitch is not null)
            .ToDictionary(e => e.Id, e => e.Pitch!.Value.ToString());
        return
        [
            .. changes
                .Where(c => pitches.GetValueOrDefault(c.NoteId) == c.Pitch)
                .Select(c => new BowEdit(c.NoteId, Enum.Parse<BowEditKind>(c.Kind, ignoreCase: true))),
        ];
    }

    private PlayerReading Solved(KeptTune kept, Player player, FixedPairs pairs) =>
        Remembered($"reading {Key(kept, player, pairs)}", kept, () => Solve(kept, player, pairs));

    private PlayerReading Solve(KeptTune kept, Player player, FixedPairs pairs)
    {
        // What can be read does not move a finger, and is not looked at here.
        var now = new Player(player.Instrument, player.Style, player.Known.Hands);
        var then = asker.HandsWhenLearned(kept.Tune.Id) is { } hands
            ? new Player(player.Instrument, player.Style, hands)
            : now;
        var reading = PlayerReading.Of(
            MusicOf(kept, player.Style, pairs.Bows),
            PrintedForOf(kept, player.Style),
            then,
            pairs.AsPins(),
            pairs.Octaves,
            asker.Gone
        );
        return then == now ? reading : reading.SeenBy(now);
    }

    /// <summary>
    /// Names the hands by which a tune is fingered for a player: those of now, and those that learned it.
    /// </summary>
    public string HandsKey(long tune, Player player) =>
        $"{player.Known.Hands.Key} {(asker.HandsWhenLearned(tune)?.Key)}";

    /// <summary>What all players of the tune share.</summary>
    private TuneMusic MusicOf(KeptTune kept, HouseStyle style, IReadOnlyList<BowEdit> taken) =>
        Remembered($"music {TuneKey(kept, taken)}", kept, () => TuneMusic.Of(kept.Score, style, taken));

    private T Remembered<T>(string key, KeptTune kept, Func<T> make)
        where T : class =>
        memory.GetOrCreate(
            key,
            entry =>
            {
                entry.Size = Weight(kept.Score);
                return make();
            }
        )!;

    /// <summary>What a tune weighs in memory, in printed notes; the shortest is not free either.</summary>
    private static long Weight(Score score) => 100 + score.Bars.Sum(b => (long)b.Events.Count);

    private string TuneKey(KeptTune kept, IReadOnlyList<BowEdit> taken) =>
        string.Join(
            ' ',
            taken
                .Select(b => $"{b.NoteId}:{b.Kind}")
                .Prepend($"{kept.Tune.Id} {kept.Tune.Version} {kept.Line.Key} {asker.StyleKey}")
        );

    private string Key(KeptTune kept, Player player, FixedPairs pairs)
    {
        var fixedByTeacher = string.Join(' ', pairs.Kept.Select(p => $"{p.NoteId}:{p.String}:{p.Finger}"));
        return $"{player.Instrument.Id} {HandsKey(kept.Tune.Id, player)} {pairs.UsesPrinted} {pairs.Octaves} "
            + $"{fixedByTeacher} {TuneKey(kept, pairs.Bows)}";
    }

    internal static Instrument PrintedForOf(KeptTune kept, HouseStyle style) =>
        style.Instrument(kept.PrintedFor) ?? PrintedFor.Of(kept.Score);

    /// <summary>
    /// The kept pins that meet their notes at present. Those that do not, in the chosen octave or since the tune was
    /// edited, are kept for when they do again.
    /// </summary>
    public IReadOnlyList<PinRecord> PinsInForce(KeptTune kept, Player player) => PinsOf(kept, player).Kept;

    /// <summary>
    /// The kept pins that still meet the note they were set on in the octave it is read in, and the printed fingers
    /// where they count and can be played.
    /// </summary>
    private FixedPairs PinsOf(KeptTune kept, Player player)
    {
        var (instrument, style) = (player.Instrument, player.Style);
        var chosen = octaves.Of(kept.Tune.Id, instrument.Id);
        var all = pins.Of(kept.Tune.Id, instrument.Id);
        var usesPrinted = pins.UsesPrinted(kept.Tune.Id, instrument.Id);
        if (all.Count == 0 && !usesPrinted)
            return new FixedPairs([], [], UsesPrinted: false, SetAside: [], BowsOf(kept), chosen);

        var sounding = SoundingNote.Of(kept.Score);
        var moved = chosen ?? PlayerReading.OctavesOf(sounding, PrintedForOf(kept, style), player);
        var printedPitch = kept
            .Score.Events.Where(e => e.Pitch is not null)
            .ToDictionary(e => e.Id, e => e.Pitch!.Value);
        var valid = all.Where(p =>
                printedPitch.TryGetValue(p.NoteId, out var pitch)
                && pitch.ToString() == p.Pitch
                && Placements
                    .Of(instrument, pitch.AddOctaves(moved), 0)
                    .Any(w => w.Finger == p.Finger && w.String == p.String)
            )
            .ToArray();
        var aside = all.Count == valid.Length ? [] : new List<string> { PinWords.SetAside(all.Count - valid.Length) };
        if (!usesPrinted)
            return new FixedPairs(valid, [], UsesPrinted: false, aside, BowsOf(kept), chosen);

        var printed = new List<(string NoteId, int Finger)>();
        foreach (var note in sounding.Where(n => !n.IsGrace && n.Event.PrintedFinger is not null))
        {
            var finger = note.Event.PrintedFinger!.Value;
            if (Placements.Of(instrument, note.Pitch.AddOctaves(moved), 0).Any(p => p.Finger == finger))
                printed.Add((note.Id, finger));
            else
                aside.Add(PinWords.PrintedLeftOut(note, finger, style));
        }

        return new FixedPairs(valid, printed, UsesPrinted: true, aside, BowsOf(kept), chosen);
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
