using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;

namespace Coppia.Core.Exercises;

/// <summary>A written note with the place where it is learned.</summary>
internal readonly record struct Tone(Pitch Pitch, Placement Place);

/// <summary>
/// The notes that a sheet is made of, lowest first: for each of them one tone a player, the same note of the scale,
/// each in an octave that they can play.
/// </summary>
internal sealed class NoteStock
{
    private const int FurthestOctave = 4;

    private NoteStock(IReadOnlyList<Player> players, IReadOnlyList<Tone[]> notes) =>
        (Players, Notes) = (players, notes);

    public IReadOnlyList<Player> Players { get; }

    /// <summary>For each note, lowest first, one tone a player.</summary>
    public IReadOnlyList<Tone[]> Notes { get; }

    public int Count => Notes.Count;

    /// <summary>The first player's tone of a note.</summary>
    public Tone First(int note) => Notes[note][0];

    /// <summary>Notes that are open strings for everybody.</summary>
    public IEnumerable<int> Open =>
        Enumerable.Range(0, Count).Where(n => Array.TrueForAll(Notes[n], t => t.Place.IsOpen));

    /// <summary>
    /// The open string that bow and rhythm begin on: everybody's D, else the middle one, else the lowest note.
    /// </summary>
    public int Middle
    {
        get
        {
            int[] open = [.. Open];
            var d = Array.Find(open, n => First(n).Pitch.Letter == Letter.D);
            return open.Contains(d) && First(d).Pitch.Letter == Letter.D ? d
                : open.Length > 0 ? open[(open.Length - 1) / 2]
                : 0;
        }
    }

    /// <summary>
    /// A note lies on one of the staff's ledger lines or beyond, counted in lines; the farthest of all players.
    /// </summary>
    public int LedgerLines(int note) =>
        Notes[note].Zip(Players).Max(t => Ledgers(StaffPlace.Of(t.First.Pitch, t.Second.Instrument.FirstClef).Height));

    private static int Ledgers(int height) => height < 0 ? -height / 2 : Math.Max(0, height - StaffPlace.TopLine) / 2;

    /// <summary>
    /// How hard a note is to finger: low and high places, then the fourth finger, then stretches and high positions.
    /// </summary>
    public int FingerDifficulty(int note) => Notes[note].Zip(Players).Max(t => Difficulty(t.First.Place, t.Second));

    private static int Difficulty(in Placement place, Player player) =>
        !place.IsOpen && !player.FrameOf(place).IsHome ? 3
        : place.Place.IsStretch ? 3
        : place.Word is PlaceWord.Low or PlaceWord.High ? 2
        : place.IsOpen ? 0
        : 1;

    /// <summary>The notes that a request allows.</summary>
    /// <param name="stretches">A high or reaching fourth finger is wanted too.</param>
    /// <exception cref="SheetImpossibleException">A string that is not there, or fewer than two notes.</exception>
    public static NoteStock Of(SheetRequest request, bool stretches = false)
    {
        var all = request.From.Count > 0 ? OfTune(request) : OfKey(request, stretches);
        var kept = all.Notes.Where(n => InRange(n, request)).ToArray();
        if (kept.Length < 2)
        {
            throw new SheetImpossibleException(
                all.Count < 2 && request.Players.Count > 1 ? SheetFault.NotInCommon : SheetFault.TooFewNotes,
                request.Kind,
                request.First.Instrument
            )
            {
                Key = request.MusicKey,
                PossibleRange = all.Count < 2 ? null : (all.First(0).Pitch, all.First(all.Count - 1).Pitch),
            };
        }

        return new NoteStock(request.Players, kept);
    }

    private static bool InRange(Tone[] note, SheetRequest request)
    {
        var pitch = note[0].Pitch;
        return (request.Lowest is not { } low || pitch.Midi >= low.Midi)
            && (request.Highest is not { } high || pitch.Midi <= high.Midi);
    }

    /// <summary>The notes of a tune, each at the place where it is played first.</summary>
    private static NoteStock OfTune(SheetRequest request)
    {
        var readings = request.From;
        var notes = Enumerable
            .Range(0, readings[0].Notes.Count)
            .Where(i => readings.All(r => i < r.Notes.Count && r.Notes[i].Placement is not null))
            .Select(i => readings.Zip(request.Players, (r, p) => Learned(r.Notes[i], p, request)).ToArray())
            .Where(n => Array.TrueForAll(n, t => t is not null))
            .Select(n => Array.ConvertAll(n, t => t!.Value))
            .Where(n => n.Zip(request.Players).All(t => OnAskedString(t.First.Place, t.Second, request)))
            .DistinctBy(n => n[0].Pitch)
            .OrderBy(n => n[0].Pitch.Midi)
            .ToArray();
        return new NoteStock(request.Players, notes);
    }

    /// <summary>
    /// A note where the tune plays it, or else at its plain place; null where the class has not learned it.
    /// </summary>
    private static Tone? Learned(ReadingNote note, Player player, SheetRequest request)
    {
        var pitch = note.Note.Pitch;
        var ways = PlainPlace.All(player, pitch, PlainPlace.HeightOf(player.Instrument, request.MusicKey));
        if (ways.Count == 0)
            return null;
        var played = note.Placement!.Value;
        return new Tone(pitch, ways.Any(w => w.SamePair(played)) ? played : ways[0]);
    }

    /// <summary>The notes of a key, the octave of each player such that they share the most.</summary>
    private static NoteStock OfKey(SheetRequest request, bool stretches)
    {
        var each = request.Players.Select(p => OfPlayer(request, p, stretches)).ToArray();
        var shared = each[0].Values.Select(t => new[] { t }).ToArray();
        for (var p = 1; p < each.Length; p++)
        {
            var own = each[p];
            // The smallest move that leaves a whole octave of the key, else the one that leaves the most.
            var moves = Enumerable
                .Range(-FurthestOctave, 2 * FurthestOctave + 1)
                .OrderBy(Math.Abs)
                .Select(o =>
                    shared
                        .Where(n => own.ContainsKey(Moved(n, o)))
                        .Select(n => n.Append(own[Moved(n, o)]).ToArray())
                        .ToArray()
                )
                .ToArray();
            shared = Array.Find(moves, HasOctave) ?? moves.MaxBy(found => found.Length)!;
        }

        bool HasOctave(Tone[][] notes)
        {
            var steps = notes.Select(n => n[0].Pitch.Step).ToHashSet();
            return notes.Any(n =>
                n[0].Pitch.Letter == request.MusicKey.Tonic.Letter
                && Enumerable.Range(n[0].Pitch.Step, 8).All(steps.Contains)
            );
        }

        return new NoteStock(request.Players, [.. shared.OrderBy(n => n[0].Pitch.Midi)]);

        static Pitch Moved(Tone[] note, int octaves) => note[0].Pitch.AddOctaves(octaves);
    }

    private static Dictionary<Pitch, Tone> OfPlayer(SheetRequest request, Player player, bool stretches)
    {
        var (instrument, key) = (player.Instrument, request.MusicKey);
        RefuseUnknownStrings(request, instrument);
        var height = PlainPlace.HeightOf(instrument, key);
        var lowest = instrument.Strings[0].Step - 1;
        var highest = instrument.Strings[^1].Step + 8;
        return Enumerable
            .Range(lowest, highest - lowest + 1)
            .Select(key.OnStep)
            .Select(pitch => (Pitch: pitch, Place: PlainPlace.Of(player, pitch, height)))
            .Where(t => t.Place is { } at && OnAskedString(at, player, request) && (stretches || !NeedsAReach(at)))
            .Where(t => request.Stretches(player, t.Place!.Value, t.Pitch))
            .ToDictionary(t => t.Pitch, t => new Tone(t.Pitch, t.Place!.Value));
    }

    private static bool NeedsAReach(in Placement way) => way.Reach || way is { Word: PlaceWord.High, Finger: 4 };

    private static bool OnAskedString(in Placement way, Player player, SheetRequest request) =>
        request.Strings.Count == 0 || request.Strings.Contains(player.Instrument.Strings[way.String].Letter);

    private static void RefuseUnknownStrings(SheetRequest request, Instrument instrument)
    {
        foreach (var letter in request.Strings)
        {
            if (instrument.Strings.All(s => s.Letter != letter))
                throw new SheetImpossibleException(SheetFault.NoSuchString, request.Kind, instrument)
                {
                    String = letter,
                };
        }
    }
}
