namespace Coppia.Core;

/// <summary>One note of a line with all ways to play it.</summary>
/// <param name="Note">The sounding note.</param>
/// <param name="Choices">Its ways, cheapest-looking first; the order decides ties.</param>
/// <param name="IsFirst">First reachable note of the line.</param>
/// <param name="IsLast">Last reachable note of the line.</param>
/// <param name="InSlur">Bound by a slur to the note before or after.</param>
/// <param name="Apart">Never played straight after the note printed before it: it opens a later ending.</param>
public sealed record LatticeStep(SoundingNote Note, Placement[] Choices, bool IsFirst, bool IsLast, bool InSlur, bool Apart = false)
{
    public bool Slurred => Note.Slurred;

    public bool AfterRest => !Note.RestBefore.IsZero;
}

/// <summary>A pin that cannot be honoured: which note, and why.</summary>
public sealed class ImpossiblePinException(string noteId, string message) : Exception(message)
{
    public string NoteId { get; } = noteId;
}

/// <summary>What the teacher fixed on a note: its finger, and its string unless any string will do (a printed finger).</summary>
public readonly record struct Pin(int? String, int Finger);

/// <summary>All ways through a line: the steps that can be played and the notes that no finger reaches.</summary>
public sealed record FingerLattice(IReadOnlyList<LatticeStep> Steps, IReadOnlyList<SoundingNote> OutOfReach)
{
    /// <summary>How many notes around one beyond the allowed positions may follow it there.</summary>
    private const int PullOfABeyondNote = 8;

    /// <exception cref="ImpossiblePinException">A pinned string and finger cannot sound its note.</exception>
    public static FingerLattice Of(IReadOnlyList<SoundingNote> notes, Instrument instrument, IReadOnlyDictionary<string, Pin> pins)
    {
        var outOfReach = new List<SoundingNote>();
        var reachable = new List<(SoundingNote Note, Placement[] Fingered, Placement[] Open)>();
        var memory = new Dictionary<Pitch, (Placement[] Fingered, Placement[] Open)>();
        foreach (var note in notes)
        {
            if (!memory.TryGetValue(note.Pitch, out var ways))
            {
                ways = ([.. Placements.Fingered(instrument, note.Pitch)], [.. Placements.Open(instrument, note.Pitch, 0)]);
                memory[note.Pitch] = ways;
            }

            if (pins.TryGetValue(note.Id, out var pin)) ways = Pinned(instrument, note, ways, pin);
            if (ways.Fingered.Length + ways.Open.Length == 0) outOfReach.Add(note);
            else reachable.Add((note, ways.Fingered, ways.Open));
        }

        var pulled = PulledBeyond(reachable, instrument);
        var order = new ChoiceOrder(instrument);
        var steps = new List<LatticeStep>(reachable.Count);
        var hand = StartingHands(instrument, order, reachable, pulled);
        for (var i = 0; i < reachable.Count; i++)
        {
            var (note, fingered, open) = reachable[i];
            var choices = order.Of(note.Pitch, fingered, open, hand, pulled[i], mayRemember: !pins.ContainsKey(note.Id));
            var inSlur = note.Slurred || i + 1 < reachable.Count && reachable[i + 1].Note.Slurred;
            var apart = i > 0 && note.Bar.EndingStart is not null && reachable[i - 1].Note.Bar is { RepeatEnd: true } before && !ReferenceEquals(before, note.Bar);
            steps.Add(new LatticeStep(note, choices, i == 0, i == reachable.Count - 1, inSlur, apart));
            hand = ChoiceOrder.Frames(choices);
        }

        return new FingerLattice(steps, outOfReach);
    }

    /// <summary>Where the hand may wait while a line begins with open strings: any allowed frame, or that of the first fingered note.</summary>
    private static ulong StartingHands(
        Instrument instrument, ChoiceOrder order, List<(SoundingNote Note, Placement[] Fingered, Placement[] Open)> reachable, bool[] pulled)
    {
        var allowed = instrument.Frames.Index().Where(f => f.Item is { AllowedByDefault: true, Stretch: Stretch.None }).Aggregate(0UL, (hands, f) => hands | 1UL << f.Index);
        var first = reachable.FindIndex(r => r.Fingered.Length > 0);
        return first < 0 ? allowed : allowed | ChoiceOrder.Frames(order.Offered(reachable[first].Fingered, pulled[first]));
    }

    /// <summary>Notes near one that no allowed position reaches may use the positions beyond, so that the hand need not jump for each.</summary>
    private static bool[] PulledBeyond(List<(SoundingNote Note, Placement[] Fingered, Placement[] Open)> reachable, Instrument instrument)
    {
        var pulled = new bool[reachable.Count];
        for (var i = 0; i < reachable.Count; i++)
        {
            var (_, fingered, open) = reachable[i];
            if (open.Length > 0 || fingered.Any(p => instrument.Frames[p.Frame].AllowedByDefault)) continue;
            for (var k = Math.Max(0, i - PullOfABeyondNote); k <= Math.Min(reachable.Count - 1, i + PullOfABeyondNote); k++) pulled[k] = true;
        }

        return pulled;
    }

    private static (Placement[] Fingered, Placement[] Open) Pinned(Instrument instrument, SoundingNote note, (Placement[] Fingered, Placement[] Open) ways, Pin pin)
    {
        bool Fits(Placement p) => p.Finger == pin.Finger && (pin.String is null || p.String == pin.String);
        Placement[] fingered = [.. ways.Fingered.Where(Fits)], open = [.. ways.Open.Where(Fits)];
        if (fingered.Length + open.Length > 0) return (fingered, open);

        var possible = ways.Fingered.Concat(ways.Open).Select(p => $"{p.Finger} on {instrument.StringName(p.String)}").Distinct().ToArray();
        var instead = possible.Length == 0 ? "no finger reaches this note" : "possible here: " + string.Join(", ", possible);
        var asked = pin.String is not { } s ? $"finger {pin.Finger}" : s >= 0 && s < instrument.Strings.Count ? $"{pin.Finger} on the {instrument.StringName(s)} string" : $"finger {pin.Finger} on string {s + 1}";
        throw new ImpossiblePinException(note.Id, $"{note.Pitch} in bar {note.Bar.Number} cannot be played with {asked}; {instead}.");
    }
}
