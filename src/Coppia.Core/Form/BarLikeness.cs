namespace Coppia.Core;

/// <summary>Compares what two bars play: pitches, lengths, ties and grace notes; bowing and dynamics do not count.</summary>
internal static class BarLikeness
{
    /// <summary>Equal keys, equal music.</summary>
    public static string Key(Bar bar) => string.Join(' ', bar.Events.Select(e => $"{Sound(e)}:{e.Length}{(e.TiedOn ? "-" : "")}"));

    private static string Sound(ScoreEvent e) => $"{string.Concat(e.Graces.Select(g => $"{{{g.Pitch}}}"))}{e.Pitch?.ToString() ?? "z"}{string.Concat(e.Chord.Select(p => $"+{p}"))}";

    public static bool SameRhythm(Bar a, Bar b) =>
        a.Events.Count == b.Events.Count && a.Events.Zip(b.Events).All(p => p.First.Length == p.Second.Length && p.First.IsRest == p.Second.IsRest && p.First.TiedOn == p.Second.TiedOn);

    /// <summary>Orders of the notes at which two bars of one rhythm differ.</summary>
    public static int[] Differences(Bar a, Bar b) => [.. a.Events.Zip(b.Events).Index().Where(p => Sound(p.Item.First) != Sound(p.Item.Second)).Select(p => p.Index)];

    /// <summary>"bar 6 is bar 2 but for its last note, D instead of G".</summary>
    public static string Words(Bar later, Bar earlier, HouseStyle style)
    {
        var lead = $"bar {later.Number} is bar {earlier.Number}";
        if (!SameRhythm(later, earlier))
        {
            var samePitches = later.Events.Where(e => !e.IsRest).Select(Sound).SequenceEqual(earlier.Events.Where(e => !e.IsRest).Select(Sound));
            return samePitches ? $"{lead} in another rhythm" : $"bar {later.Number} differs from bar {earlier.Number}";
        }

        var differ = Differences(later, earlier);
        if (differ.Length == 0) return $"{lead} again";
        if (differ.Length > 1) return $"{lead} but for {differ.Length} notes";
        var at = differ[0];
        var which = at == later.Events.Count - 1 ? "its last note" : at == 0 ? "its first note" : $"its note {at + 1}";
        var (now, before) = (later.Events[at].Pitch, earlier.Events[at].Pitch);
        return now is { } n && before is { } b ? $"{lead} but for {which}, {Called(n, b, style)} instead of {Called(b, n, style)}" : $"{lead} but for {which}";
    }

    /// <summary>The octave is said only where the two notes share a name.</summary>
    private static string Called(Pitch pitch, Pitch other, HouseStyle style) =>
        Labels.Note(pitch, style) != Labels.Note(other, style) ? Labels.Note(pitch, style) : $"{(pitch.Octave > other.Octave ? "high" : "low")} {Labels.Note(pitch, style)}";
}
