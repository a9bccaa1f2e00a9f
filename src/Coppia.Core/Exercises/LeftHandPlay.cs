using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Exercises;

/// <summary>
/// Drills for the hand on one string or two: shapes, open against fourth, two heights, crossings (craft 12).
/// </summary>
internal static class LeftHandPlay
{
    /// <summary>Orders of two, three, four and five notes: up, down, and mixed.</summary>
    private static readonly int[][][] Orders =
    [
        [
            [0, 1, 0, 1],
            [1, 0, 1, 0],
            [0, 0, 1, 1],
            [1, 1, 0, 0],
            [0, 1, 1, 0],
            [1, 0, 0, 1],
        ],
        [
            [0, 1, 2, 1],
            [2, 1, 0, 1],
            [0, 2, 1, 2],
            [1, 0, 2, 0],
            [2, 0, 1, 0],
            [1, 2, 0, 2],
        ],
        [
            [0, 1, 2, 3],
            [3, 2, 1, 0],
            [0, 2, 1, 3],
            [0, 3, 1, 2],
            [3, 1, 2, 0],
            [2, 0, 3, 1],
        ],
        [
            [0, 1, 2, 3],
            [4, 3, 2, 1],
            [0, 2, 1, 3],
            [4, 2, 3, 1],
            [1, 3, 2, 4],
            [3, 0, 4, 2],
        ],
    ];

    /// <summary>The shape of each string: up, down, then its notes in other orders.</summary>
    public static IReadOnlyList<PlayQuestion> Shapes(SheetRequest request, Seeded seeded)
    {
        var strings = StringTones.Of(request);
        if (strings.Count == 0)
            throw request.Impossible(SheetFault.TooFewNotes);
        var each = Math.Max(1, ((request.Count ?? 4 * strings.Count) + strings.Count - 1) / strings.Count);
        // Up and down come first on each string, then the mixed orders.
        int[][] mixed =
        [
            .. strings.Select(_ =>
                Enumerable.Range(0, 2).Concat(seeded.Shuffled(Enumerable.Range(2, 4))).Take(each).ToArray()
            ),
        ];
        return ForEach(
            request,
            (bars, p) =>
            {
                foreach (var (tones, turns) in strings.Zip(mixed))
                {
                    var orders = Orders[Math.Min(tones[p].Tones.Count, Orders.Length + 1) - 2];
                    foreach (var turn in turns)
                        bars.OnBeats(orders[turn].Select(t => tones[p].Note(t, NoteValue.Quarter)));
                }
            }
        );
    }

    /// <summary>The fourth finger against the next open string, which sounds the same (craft 6).</summary>
    public static IReadOnlyList<PlayQuestion> OpenOrFour(SheetRequest request)
    {
        foreach (var player in request.Players)
        {
            if (!player.Instrument.FourthStandsForOpen)
                throw Without(request, SheetFault.NoFourthForOpen, player.Instrument, i => i.FourthStandsForOpen);
        }

        var strings = StringTones.Of(request);
        if (
            !Enumerable
                .Range(0, request.Players.Count)
                .All(p => strings.Any(s => HasOpenAbove(s[p], request.Players[p], request.MusicKey)))
        )
        {
            throw new SheetImpossibleException(SheetFault.NoOpenInKey, request.Kind, request.First.Instrument)
            {
                Key = request.MusicKey,
                PossibleKeys = KeysWith(
                    request,
                    k => StringTones.Of(request with { Key = k }).Any(s => HasOpenAbove(s[0], request.First, k))
                ),
            };
        }

        return ForEach(
            request,
            (bars, p) =>
            {
                foreach (var tones in strings.Select(s => s[p]))
                {
                    if (HasOpenAbove(tones, request.Players[p], request.MusicKey))
                        FourthAgainstOpen(bars, tones, request.Players[p].Instrument.Strings[tones.String + 1]);
                }
            }
        );
    }

    private static void FourthAgainstOpen(DrillBars bars, StringTones tones, Pitch sound)
    {
        var open = new PairedNote(sound, NoteValue.Quarter, new Pin(tones.String + 1, 0));
        var fourth = new PairedNote(sound, NoteValue.Quarter, new Pin(tones.String, 4));
        var third = tones.Note(tones.Tones.Index().First(t => t.Item.Finger == 3).Index, NoteValue.Quarter);
        bars.Slowly(open, fourth);
        bars.OnBeats(third, fourth, third, fourth);
        bars.OnBeats(fourth, open, fourth, open);
        bars.OnBeats(third, open, third, fourth);
    }

    /// <summary>The next open string belongs to the key, and the third finger below it is there to come from.</summary>
    private static bool HasOpenAbove(StringTones tones, Player player, ScaleKey key)
    {
        var strings = player.Instrument.Strings;
        return tones.String + 1 < strings.Count
            && key.AlterOf(strings[tones.String + 1].Letter) == strings[tones.String + 1].Alter
            && tones.Tones.Any(t => t.Finger == 3);
    }

    /// <summary>The same finger at different heights on neighbouring strings (craft 7).</summary>
    public static IReadOnlyList<PlayQuestion> TwoHeights(SheetRequest request)
    {
        foreach (var (p, player) in request.Players.Index())
        {
            if (HeightPairs(request, p).Length == 0)
            {
                throw new SheetImpossibleException(SheetFault.NoTwoHeights, request.Kind, player.Instrument)
                {
                    Key = request.MusicKey,
                    PossibleKeys = KeysWith(request, k => HeightPairs(request with { Key = k }, p).Length > 0),
                };
            }
        }

        return ForEach(
            request,
            (bars, p) =>
            {
                foreach (var (lower, upper, finger) in HeightPairs(request, p))
                {
                    var (a, b) = (OfFinger(lower, finger), OfFinger(upper, finger));
                    var (openA, openB) = (lower.Note(0, NoteValue.Quarter), upper.Note(0, NoteValue.Quarter));
                    bars.Slowly(a, b);
                    bars.OnBeats(a, b, a, b);
                    bars.OnBeats(openA, a, openB, b);
                    bars.OnBeats(b, openB, a, openA);
                }
            }
        );
    }

    private static PairedNote OfFinger(StringTones tones, int finger) =>
        tones.Note(tones.Tones.Index().First(t => t.Item.Finger == finger).Index, NoteValue.Quarter);

    private static (StringTones Lower, StringTones Upper, int Finger)[] HeightPairs(SheetRequest request, int player)
    {
        StringTones[] strings = [.. StringTones.Of(request).Select(s => s[player]).OrderBy(s => s.String)];
        return
        [
            .. from pair in strings.Zip(strings.Skip(1))
            where pair.Second.String == pair.First.String + 1
            from a in pair.First.Tones
            from b in pair.Second.Tones
            where a.Finger > 0 && a.Finger == b.Finger && a.Semitones != b.Semitones
            select (pair.First, pair.Second, a.Finger),
        ];
    }

    /// <summary>Neighbouring strings, then with a finger on each, a string skipped, and inside slurs.</summary>
    public static IReadOnlyList<PlayQuestion> Crossings(SheetRequest request)
    {
        var strings = StringTones.Of(request);
        if (strings.Count < 2)
            throw request.Impossible(SheetFault.TooFewNotes);
        var maySlur = request.Players.All(p => p.Known.Has(Skills.Slurs));
        // The same strings for all: those that lie side by side on every instrument, by the first one's order.
        StringTones[][] inOrder = [.. strings.OrderBy(s => s[0].String)];
        return ForEach(
            request,
            (bars, p) =>
            {
                (StringTones Lower, StringTones Upper)[] near = [.. Apart(1, p)];
                foreach (var (lower, upper) in near)
                {
                    bars.OnBeats(Tone(lower, 0), Tone(upper, 0), Tone(lower, 0), Tone(upper, 0));
                    bars.OnBeats(Tone(lower, 0), Tone(lower, 1), Tone(upper, 0), Tone(upper, 1));
                    bars.OnBeats(Tone(upper, 1), Tone(lower, 1), Tone(upper, 0), Tone(lower, 0));
                }

                foreach (var (lower, upper) in Apart(2, p))
                    bars.OnBeats(Tone(lower, 0), Tone(upper, 0), Tone(lower, 0), Tone(upper, 0));
                foreach (var (lower, upper) in near.Where(_ => maySlur))
                {
                    PairedNote[] notes = [Tone(lower, 0), Tone(upper, 0), Tone(lower, 1), Tone(upper, 1)];
                    bars.OnBeats(notes.Select((n, i) => n with { SlurStarts = i % 2 == 0, SlurStops = i % 2 == 1 }));
                }
            }
        );

        static PairedNote Tone(StringTones tones, int at) => tones.Note(at, NoteValue.Quarter);

        IEnumerable<(StringTones Lower, StringTones Upper)> Apart(int far, int player) =>
            from a in inOrder.Index()
            from b in inOrder.Index()
            where a.Index < b.Index && a.Item.Zip(b.Item).All(s => Math.Abs(s.Second.String - s.First.String) == far)
            select (a.Item[player], b.Item[player]);
    }

    /// <summary>Each player's own bars.</summary>
    /// <param name="fill">Adds the bars of a player.</param>
    /// <param name="most">How many there are where no number is asked for.</param>
    internal static IReadOnlyList<PlayQuestion> ForEach(
        SheetRequest request,
        Action<DrillBars, int> fill,
        int? most = null
    )
    {
        var music = new List<PlayQuestion>();
        foreach (var (p, player) in request.Players.Index())
        {
            var bars = new DrillBars(request);
            fill(bars, p);
            if (bars.All.Count == 0)
                throw request.Impossible(SheetFault.TooFewNotes, player.Instrument);
            music.Add(Exercise.Of(request, p, bars.All.Take(request.Count ?? most ?? bars.All.Count)));
        }

        return music;
    }

    /// <summary>A fault of an instrument's build, with those that have what it lacks.</summary>
    internal static SheetImpossibleException Without(
        SheetRequest request,
        SheetFault fault,
        Instrument instrument,
        Func<Instrument, bool> has
    ) => new(fault, request.Kind, instrument) { PossibleFor = [.. StringSection.All.Where(has)] };

    /// <summary>The usual keys in which something is possible, the plainest first.</summary>
    internal static IReadOnlyList<ScaleKey> KeysWith(SheetRequest request, Func<ScaleKey, bool> isPossible) =>
        [
            .. Enumerable
                .Range(-4, 9)
                .OrderBy(Math.Abs)
                .ThenByDescending(f => f)
                .Select(f => new ScaleKey(f, request.MusicKey.Form))
                .Where(isPossible),
        ];
}
