using Coppia.Core.Music;

namespace Coppia.Core.Fingering;

/// <summary>
/// Which bars of a line of notes are the same music to the fingers: equal pitches, lengths, places in the bar, slurs
/// and rests inside it, grace notes and pins. A slur into the first note belongs to the bar before.
/// </summary>
internal sealed class EqualBars
{
    /// <summary>Lengths in 960ths of a whole note are told as they are; longer ones and others from here on.</summary>
    private const long FinestPlain = 960;
    private const int FirstOdd = 40_000;

    private readonly List<(int First, int End)> _bars = [];
    private readonly List<int> _kinds = [];
    private readonly List<List<int>> _ofKind = [];

    public static EqualBars In(IReadOnlyList<SoundingNote> notes, IReadOnlyDictionary<string, Pin> pins)
    {
        var found = new EqualBars();
        var lengths = new Dictionary<Fraction, int>();
        var kinds = new Dictionary<string, int>();
        var spelt = new List<char>();
        for (var first = 0; first < notes.Count; )
        {
            spelt.Clear();
            var end = first;
            for (; end < notes.Count && ReferenceEquals(notes[end].Bar, notes[first].Bar); end++)
            {
                var note = notes[end];
                spelt.Add((char)(note.Pitch.Step * 8 + note.Pitch.Alter + 2));
                spelt.Add(Spelt(note.Onset));
                spelt.Add(Spelt(note.Length));
                spelt.Add(Bound(note, pins, isInside: end > first));
            }

            var kind = Name(kinds, new string(System.Runtime.InteropServices.CollectionsMarshal.AsSpan(spelt)));
            if (kind == found._ofKind.Count)
                found._ofKind.Add([]);
            found._ofKind[kind].Add(found._bars.Count);
            found._bars.Add((first, end));
            found._kinds.Add(kind);
            first = end;
        }

        return found;

        // A plain length is its own number; an odd one gets a number of its own, above all of those.
        char Spelt(Fraction length) =>
            FinestPlain % length.Denominator == 0
            && length.Numerator * (FinestPlain / length.Denominator) is >= 0 and < FirstOdd and var number
                ? (char)number
                : (char)(FirstOdd + Name(lengths, length));
    }

    /// <summary>What binds a note: its pin, and within its bar the slur or rest before it.</summary>
    private static char Bound(SoundingNote note, IReadOnlyDictionary<string, Pin> pins, bool isInside)
    {
        var pin =
            pins.Count > 0 && pins.TryGetValue(note.Id, out var p) ? 1 + p.Finger + 8 * ((p.String ?? -1) + 1) : 0;
        return (char)(
            pin * 8
            + (isInside && note.Slurred ? 1 : 0)
            + (isInside && !note.RestBefore.IsZero ? 2 : 0)
            + (note.IsGrace ? 4 : 0)
        );
    }

    /// <summary>Bars that hold notes, each as its first note and the note after its last.</summary>
    public IReadOnlyList<(int First, int End)> Bars => _bars;

    /// <summary>Groups of bars that are the same music, two bars and more each, in order.</summary>
    public IEnumerable<IReadOnlyList<int>> Groups => _ofKind.Where(g => g.Count > 1);

    /// <summary>The bar before or after this one, by the kind of its music; −1 at the ends.</summary>
    public int KindAt(int bar) => bar < 0 || bar >= _kinds.Count ? -1 : _kinds[bar];

    private static int Name<T>(Dictionary<T, int> names, T thing)
        where T : notnull
    {
        if (!names.TryGetValue(thing, out var name))
            names[thing] = name = names.Count;
        return name;
    }
}
