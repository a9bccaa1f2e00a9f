using Coppia.Core.Music;

namespace Coppia.Core.Form;

/// <summary>A major or minor chord.</summary>
/// <param name="Root">Its root; the octave says nothing.</param>
public readonly record struct Chord(Pitch Root, bool IsMinor);

public enum PassageKind
{
    ScaleRun,
    Arpeggio,
    Thirds,
    RepeatedBars,
}

/// <summary>A pattern that is learned as one thing.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Bar">Order of the bar in which it begins.</param>
/// <param name="NoteIds">Its notes, in order.</param>
public sealed record Passage(PassageKind Kind, int Bar, IReadOnlyList<string> NoteIds)
{
    /// <summary>A run, chord or thirds go up.</summary>
    public bool GoesUp { get; init; }

    /// <summary>The chord that an arpeggio plays.</summary>
    public Chord? Chord { get; init; }

    /// <summary>For repeated bars: orders of the first bar each time.</summary>
    public IReadOnlyList<int> Starts { get; init; } = [];

    /// <summary>For repeated bars: how many come together.</summary>
    public int BarsTogether { get; init; }

    private const int ShortestRun = 5;
    private const int ShortestArpeggio = 4;
    private const int ShortestThirds = 6;

    internal static IReadOnlyList<Passage> Of(BarMusic[] music, IReadOnlyList<SoundingNote> notes)
    {
        var melody = new Melody(music, [.. notes.Where(n => !n.IsGrace)]);
        return
        [
            .. melody
                .Runs()
                .Concat(melody.Arpeggios())
                .Concat(melody.Thirds())
                .Concat(Repeated(music))
                .OrderBy(p => p.Bar)
                .ThenBy(p => p.Kind),
        ];
    }

    /// <summary>
    /// Bars that come more than once; neighbours that come together are told together: "Bars 1–4 and 9–12 are the
    /// same."
    /// </summary>
    private static IEnumerable<Passage> Repeated(BarMusic[] music)
    {
        var runs = new List<(int[] Starts, int Length)>();
        foreach (
            var group in music
                .Index()
                .Where(m => m.Item.Bar.IsCounted && m.Item.HasNotes)
                .GroupBy(m => m.Item.Key)
                .Where(g => g.Count() > 1)
        )
        {
            int[] bars = [.. group.Select(m => m.Index)];
            var joins = runs.FindIndex(r =>
                r.Starts.Length == bars.Length && r.Starts.Zip(bars).All(p => p.First + r.Length == p.Second)
            );
            if (joins >= 0)
                runs[joins] = (runs[joins].Starts, runs[joins].Length + 1);
            else
                runs.Add((bars, 1));
        }

        foreach (var (starts, length) in runs)
        {
            yield return new Passage(
                PassageKind.RepeatedBars,
                starts[0],
                [
                    .. starts
                        .SelectMany(s => music[s..(s + length)])
                        .SelectMany(m => m.Bar.Events)
                        .Where(e => !e.IsRest)
                        .Select(e => e.Id),
                ]
            )
            {
                Starts = starts,
                BarsTogether = length,
            };
        }
    }

    private sealed class Melody(BarMusic[] music, SoundingNote[] notes)
    {
        private readonly Dictionary<string, int> _barOrder = music
            .Index()
            .ToDictionary(m => m.Item.Bar.Id, m => m.Index);

        /// <summary>Staff steps from each note to the next; over a rest far more than any pattern has.</summary>
        private readonly int[] _steps =
        [
            .. notes.Zip(notes.Skip(1), (a, b) => b.RestBefore.IsZero ? b.Pitch.Step - a.Pitch.Step : 99),
        ];
        private readonly bool[] _inKey = [.. notes.Select(n => n.Bar.Key.AlterOf(n.Pitch.Letter) == n.Pitch.Alter)];

        private int Step(int i) => _steps[i];

        private bool InKey(int i) => _inKey[i];

        private Passage From(PassageKind kind, int first, int count) =>
            new(kind, _barOrder[notes[first].Bar.Id], [.. notes.Skip(first).Take(count).Select(n => n.Id)])
            {
                GoesUp = Step(first) > 0,
            };

        public IEnumerable<Passage> Runs() =>
            Stretches(ShortestRun, (i, k) => Math.Abs(Step(k)) == 1 && Step(k) == Step(i) && InKey(k) && InKey(k + 1))
                .Select(s => From(PassageKind.ScaleRun, s.First, s.Count));

        public IEnumerable<Passage> Arpeggios() =>
            Stretches(
                    ShortestArpeggio,
                    (i, k) =>
                        Math.Abs(Step(k)) is 2 or 3
                        && Math.Sign(Step(k)) == Math.Sign(Step(i))
                        && ChordOf(i, k + 1) is not null
                )
                .Select(s =>
                    From(PassageKind.Arpeggio, s.First, s.Count) with
                    {
                        Chord = ChordOf(s.First, s.First + s.Count - 1),
                    }
                );

        /// <summary>A third one way and a step back, over and over.</summary>
        public IEnumerable<Passage> Thirds() =>
            Stretches(
                    ShortestThirds,
                    (i, k) => Math.Abs(Step(i)) == 2 && Step(k) == ((k - i) % 2 == 0 ? Step(i) : -Step(i) / 2)
                )
                .Select(s => From(PassageKind.Thirds, s.First, s.Count));

        /// <summary>
        /// Longest stretches of notes in which every step k fits one that began at i; each at least so many notes long.
        /// </summary>
        private IEnumerable<(int First, int Count)> Stretches(int shortest, Func<int, int, bool> fits)
        {
            for (var i = 0; i + 1 < notes.Length; )
            {
                var k = i;
                while (k + 1 < notes.Length && fits(i, k))
                    k++;
                if (k - i + 1 >= shortest)
                {
                    yield return (i, k - i + 1);
                    i = k;
                }
                else
                {
                    i++;
                }
            }
        }

        /// <summary>The major or minor chord that a stretch of notes belongs to, or null.</summary>
        private Chord? ChordOf(int first, int last)
        {
            for (var i = first; i <= Math.Min(last, first + 2); i++)
            {
                var root = notes[i].Pitch;
                if (AllIn(root.Midi, 4))
                    return new Chord(root, IsMinor: false);
                if (AllIn(root.Midi, 3))
                    return new Chord(root, IsMinor: true);
            }

            return null;

            bool AllIn(int root, int third)
            {
                for (var i = first; i <= last; i++)
                {
                    var above = (notes[i].Pitch.Midi - root + 120) % 12;
                    if (above != 0 && above != third && above != 7)
                        return false;
                }

                return true;
            }
        }
    }
}
