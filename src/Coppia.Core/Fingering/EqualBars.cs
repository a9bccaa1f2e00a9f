namespace Coppia.Core;

/// <summary>
/// Which bars of a line of notes are the same music to the fingers: equal pitches, lengths, places in the bar, slurs and rests inside it, grace notes and pins.
/// A slur into the first note belongs to the bar before.
/// </summary>
internal sealed class EqualBars
{
    private readonly List<(int First, int End)> _bars = [];
    private readonly List<int> _kinds = [];
    private readonly List<List<int>> _ofKind = [];

    public static EqualBars In(IReadOnlyList<SoundingNote> notes, IReadOnlyDictionary<string, Pin> pins)
    {
        var found = new EqualBars();
        var letters = new Dictionary<(Pitch, Fraction Onset, Fraction Length, bool Slurred, bool Rested, bool Grace, Pin?), int>();
        var kinds = new Dictionary<string, int>();
        var spelt = new List<char>();
        for (var first = 0; first < notes.Count;)
        {
            spelt.Clear();
            var end = first;
            for (; end < notes.Count && ReferenceEquals(notes[end].Bar, notes[first].Bar); end++)
            {
                var note = notes[end];
                Pin? pin = pins.Count > 0 && pins.TryGetValue(note.Id, out var p) ? p : null;
                var name = Name(letters, (note.Pitch, note.Onset, note.Length, note.Slurred && end > first, end > first && !note.RestBefore.IsZero, note.IsGrace, pin));
                spelt.Add((char)(name & 0x7FFF));
                spelt.Add((char)(name >> 15));
            }

            var kind = Name(kinds, new string(System.Runtime.InteropServices.CollectionsMarshal.AsSpan(spelt)));
            if (kind == found._ofKind.Count) found._ofKind.Add([]);
            found._ofKind[kind].Add(found._bars.Count);
            found._bars.Add((first, end));
            found._kinds.Add(kind);
            first = end;
        }

        return found;
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
        if (!names.TryGetValue(thing, out var name)) names[thing] = name = names.Count;
        return name;
    }
}
