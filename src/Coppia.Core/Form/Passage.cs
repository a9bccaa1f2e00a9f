namespace Coppia.Core;

public enum PassageKind { ScaleRun, Arpeggio, Thirds, Sequence, RepeatedBars }

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

    internal static IReadOnlyList<Passage> Of(Score score, IReadOnlyList<SoundingNote> notes, string[] keys, HouseStyle style)
    {
        var melody = new Melody(score, [.. notes.Where(n => !n.IsGrace)], style);
        return [.. melody.Runs().Concat(melody.Arpeggios()).Concat(melody.Thirds()).Concat(melody.Sequences()).Concat(Repeated(score, keys)).OrderBy(p => p.Bar).ThenBy(p => p.Kind)];
    }

    private static IEnumerable<Passage> Repeated(Score score, string[] keys)
    {
        foreach (var group in keys.Index().Where(k => !score.Bars[k.Index].IsPickUp && score.Bars[k.Index].Events.Any(e => !e.IsRest)).GroupBy(k => k.Item).Where(g => g.Count() > 1))
        {
            var bars = group.Select(k => k.Index).ToArray();
            var names = bars.Select(i => score.Bars[i].Number.ToString(System.Globalization.CultureInfo.InvariantCulture)).ToArray();
            yield return new Passage(PassageKind.RepeatedBars, bars[0], $"Bars {Words.List(names)} are the same.", [.. bars.SelectMany(i => score.Bars[i].Events).Where(e => !e.IsRest).Select(e => e.Id)]);
        }
    }

    private sealed class Melody(Score score, SoundingNote[] notes, HouseStyle style)
    {
        private readonly Dictionary<string, int> _barOrder = score.Bars.Index().ToDictionary(b => b.Item.Id, b => b.Index);
        private readonly Dictionary<Letter, IReadOnlyList<int>> _octaves =
            notes.GroupBy(n => n.Pitch.Letter).ToDictionary(g => g.Key, g => (IReadOnlyList<int>)[.. g.Select(n => n.Pitch.Octave).Distinct().Order()]);

        private int Step(int i) => notes[i + 1].RestBefore.IsZero ? notes[i + 1].Pitch.Step - notes[i].Pitch.Step : 99;

        private bool InKey(int i) => notes[i].Bar.Key.AlterOf(notes[i].Pitch.Letter) == notes[i].Pitch.Alter;

        private Passage From(PassageKind kind, int first, int count, string text) => new(
            kind, _barOrder[notes[first].Bar.Id], $"{(notes[first].Bar.Number == 0 ? "Pick-up" : $"Bar {notes[first].Bar.Number}")}: {text}.", [.. notes.Skip(first).Take(count).Select(n => n.Id)]);

        private string Called(int i) => Labels.NoteInOctave(notes[i].Pitch, _octaves[notes[i].Pitch.Letter], style);

        /// <summary>"down the D major scale from the high D" for an octave and more; else by its number of notes.</summary>
        public IEnumerable<Passage> Runs()
        {
            foreach (var (first, count) in Stretches(ShortestRun, (i, k) => Math.Abs(Step(k)) == 1 && Step(k) == Step(i) && InKey(k) && InKey(k + 1)))
            {
                var way = Step(first) > 0 ? "up" : "down";
                var length = count >= 8 ? "" : $"{Words.Number(count)} notes ";
                yield return From(PassageKind.ScaleRun, first, count, $"{length}{way} the {notes[first].Bar.Key.Name} scale from {Called(first)}");
            }
        }

        public IEnumerable<Passage> Arpeggios()
        {
            foreach (var (first, count) in Stretches(ShortestArpeggio, (i, k) => Math.Abs(Step(k)) is 2 or 3 && Math.Sign(Step(k)) == Math.Sign(Step(i)) && RootOf(i, k + 1) is not null))
            {
                var root = RootOf(first, first + count - 1)!.Value;
                yield return From(PassageKind.Arpeggio, first, count, $"{(Step(first) > 0 ? "up" : "down")} the {Labels.Note(root.Root, style)} {(root.Minor ? "minor" : "major")} chord from {Called(first)}");
            }
        }

        /// <summary>A third one way and a step back, over and over.</summary>
        public IEnumerable<Passage> Thirds()
        {
            foreach (var (first, count) in Stretches(ShortestThirds, (i, k) => Math.Abs(Step(i)) == 2 && Step(k) == ((k - i) % 2 == 0 ? Step(i) : -Step(i) / 2)))
                yield return From(PassageKind.Thirds, first, count, $"thirds, {(Step(first) > 0 ? "up two steps and back one" : "down two steps and back one")}, from {Called(first)}");
        }

        /// <summary>A bar whose shape is the bar's before it, some steps higher or lower.</summary>
        public IEnumerable<Passage> Sequences()
        {
            for (var i = 1; i < score.Bars.Count; i++)
            {
                var (a, b) = (score.Bars[i - 1], score.Bars[i]);
                if (a.Events.Count < 3 || a.IsPickUp || !BarLikeness.SameRhythm(a, b)) continue;
                var moved = a.Events.Zip(b.Events).Where(p => !p.First.IsRest).Select(p => p.Second.Pitch!.Value.Step - p.First.Pitch!.Value.Step).Distinct().ToArray();
                if (moved.Length != 1 || moved[0] == 0 || Math.Abs(moved[0]) > 7 || a.Events.Where(e => !e.IsRest).Select(e => e.Pitch).Distinct().Count() < 2) continue;
                var steps = Math.Abs(moved[0]);
                yield return new Passage(
                    PassageKind.Sequence, i, $"Bar {b.Number}: bar {a.Number} again, {(steps == 1 ? "a step" : steps == 7 ? "an octave" : $"{Words.Number(steps)} steps")} {(moved[0] > 0 ? "higher" : "lower")}.",
                    [.. b.Events.Where(e => !e.IsRest).Select(e => e.Id)]);
            }
        }

        /// <summary>Longest stretches of notes in which every step k fits one that began at i; each at least so many notes long.</summary>
        private IEnumerable<(int First, int Count)> Stretches(int shortest, Func<int, int, bool> fits)
        {
            for (var i = 0; i + 1 < notes.Length;)
            {
                var k = i;
                while (k + 1 < notes.Length && fits(i, k)) k++;
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
            var sounds = new HashSet<int>();
            for (var i = first; i <= last; i++) sounds.Add(notes[i].Pitch.Midi % 12);
            if (sounds.Count > 3) return null;
            for (var i = first; i <= last; i++)
            {
                var root = notes[i].Pitch;
                foreach (var third in new[] { 4, 3 })
                {
                    if (sounds.All(s => (s - root.Midi % 12 + 12) % 12 is var above && (above == 0 || above == third || above == 7))) return (root, third == 3);
                }
            }

            return null;
        }
    }
}
