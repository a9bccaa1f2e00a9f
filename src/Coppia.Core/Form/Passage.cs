using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording;

namespace Coppia.Core.Form;

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
/// <param name="Text">In words.</param>
/// <param name="NoteIds">Its notes.</param>
public sealed record Passage(PassageKind Kind, int Bar, string Text, IReadOnlyList<string> NoteIds)
{
    private const int ShortestRun = 5;
    private const int ShortestArpeggio = 4;
    private const int ShortestThirds = 6;

    internal static IReadOnlyList<Passage> Of(BarMusic[] music, IReadOnlyList<SoundingNote> notes, HouseStyle style)
    {
        var melody = new Melody(music, [.. notes.Where(n => !n.IsGrace)], style);
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

    /// <summary>Bars that come more than once; neighbours that come together are told together: "Bars 1–4 and 9–12 are the same."</summary>
    private static IEnumerable<Passage> Repeated(BarMusic[] music)
    {
        var runs = new List<(int[] Starts, int Length)>();
        foreach (
            var group in music
                .Index()
                .Where(m => !m.Item.Bar.IsPickUp && m.Item.Sounds.Any(s => s != 0))
                .GroupBy(m => m.Item.Key)
                .Where(g => g.Count() > 1)
        )
        {
            int[] bars = [.. group.Select(m => m.Index)];
            var joins = runs.FindIndex(r => r.Starts.Length == bars.Length && r.Starts.Zip(bars).All(p => p.First + r.Length == p.Second));
            if (joins >= 0)
                runs[joins] = (runs[joins].Starts, runs[joins].Length + 1);
            else
                runs.Add((bars, 1));
        }

        foreach (var (starts, length) in runs)
        {
            string Name(int start) => length == 1 ? Number(start) : $"{Number(start)}–{Number(start + length - 1)}";
            yield return new Passage(
                PassageKind.RepeatedBars,
                starts[0],
                $"Bars {English.List([.. starts.Select(Name)])} are the same.",
                [.. starts.SelectMany(s => music[s..(s + length)]).SelectMany(m => m.Bar.Events).Where(e => !e.IsRest).Select(e => e.Id)]
            );
        }

        string Number(int bar) => music[bar].Bar.Number.ToString(System.Globalization.CultureInfo.InvariantCulture);
    }

    private sealed class Melody(BarMusic[] music, SoundingNote[] notes, HouseStyle style)
    {
        private readonly Dictionary<string, int> _barOrder = music.Index().ToDictionary(m => m.Item.Bar.Id, m => m.Index);
        private readonly Dictionary<Letter, IReadOnlyList<int>> _octaves = notes
            .GroupBy(n => n.Pitch.Letter)
            .ToDictionary(g => g.Key, g => (IReadOnlyList<int>)[.. g.Select(n => n.Pitch.Octave).Distinct().Order()]);

        /// <summary>Staff steps from each note to the next; over a rest far more than any pattern has.</summary>
        private readonly int[] _steps = [.. notes.Zip(notes.Skip(1), (a, b) => b.RestBefore.IsZero ? b.Pitch.Step - a.Pitch.Step : 99)];
        private readonly bool[] _inKey = [.. notes.Select(n => n.Bar.Key.AlterOf(n.Pitch.Letter) == n.Pitch.Alter)];

        private int Step(int i) => _steps[i];

        private bool InKey(int i) => _inKey[i];

        private Passage From(PassageKind kind, int first, int count, string text) =>
            new(
                kind,
                _barOrder[notes[first].Bar.Id],
                $"{notes[first].Bar.Spoken}: {text}.",
                [.. notes.Skip(first).Take(count).Select(n => n.Id)]
            );

        private string Called(int i) => Labels.NoteInOctave(notes[i].Pitch, _octaves[notes[i].Pitch.Letter], style);

        /// <summary>"down the D major scale from the high D" for an octave and more; else by its number of notes.</summary>
        public IEnumerable<Passage> Runs()
        {
            foreach (
                var (first, count) in Stretches(
                    ShortestRun,
                    (i, k) => Math.Abs(Step(k)) == 1 && Step(k) == Step(i) && InKey(k) && InKey(k + 1)
                )
            )
            {
                var way = Step(first) > 0 ? "up" : "down";
                var length = count >= 8 ? "" : $"{English.Number(count)} notes ";
                yield return From(
                    PassageKind.ScaleRun,
                    first,
                    count,
                    $"{length}{way} the {Labels.Key(notes[first].Bar.Key, style)} scale from {Called(first)}"
                );
            }
        }

        public IEnumerable<Passage> Arpeggios()
        {
            foreach (
                var (first, count) in Stretches(
                    ShortestArpeggio,
                    (i, k) => Math.Abs(Step(k)) is 2 or 3 && Math.Sign(Step(k)) == Math.Sign(Step(i)) && RootOf(i, k + 1) is not null
                )
            )
            {
                var root = RootOf(first, first + count - 1)!.Value;
                yield return From(
                    PassageKind.Arpeggio,
                    first,
                    count,
                    $"{(Step(first) > 0 ? "up" : "down")} the {Labels.Note(root.Root, style)} {(root.Minor ? "minor" : "major")} chord from {Called(first)}"
                );
            }
        }

        /// <summary>A third one way and a step back, over and over.</summary>
        public IEnumerable<Passage> Thirds()
        {
            foreach (
                var (first, count) in Stretches(
                    ShortestThirds,
                    (i, k) => Math.Abs(Step(i)) == 2 && Step(k) == ((k - i) % 2 == 0 ? Step(i) : -Step(i) / 2)
                )
            )
                yield return From(
                    PassageKind.Thirds,
                    first,
                    count,
                    $"thirds, {(Step(first) > 0 ? "up two steps and back one" : "down two steps and back one")}, from {Called(first)}"
                );
        }

        /// <summary>Longest stretches of notes in which every step k fits one that began at i; each at least so many notes long.</summary>
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

        /// <summary>The root of the major or minor chord that a stretch of notes belongs to, or null.</summary>
        private (Pitch Root, bool Minor)? RootOf(int first, int last)
        {
            for (var i = first; i <= Math.Min(last, first + 2); i++)
            {
                var root = notes[i].Pitch;
                if (AllIn(root.Midi, 4))
                    return (root, false);
                if (AllIn(root.Midi, 3))
                    return (root, true);
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
