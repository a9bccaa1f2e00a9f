using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording;

namespace Coppia.Core.Form;

/// <summary>What a bar plays, as numbers that compare quickly: pitches, lengths, ties and grace notes; bowing and dynamics do not count.</summary>
/// <param name="Bar">The bar.</param>
/// <param name="Key">Equal for equal music.</param>
/// <param name="Rhythm">Equal for equal lengths, rests and ties.</param>
/// <param name="Sounds">One number for the pitch or pitches of each note; 0 for a rest.</param>
internal sealed record BarMusic(Bar Bar, int Key, int Rhythm, int[] Sounds)
{
    public static BarMusic[] Of(Score score)
    {
        var keys = new Dictionary<string, int>();
        var rhythms = new Dictionary<string, int>();
        var stacks = new Dictionary<string, int>();
        var lengths = new Dictionary<Fraction, int>();
        return [.. score.Bars.Select(Print)];

        BarMusic Print(Bar bar)
        {
            var sounds = new int[bar.Events.Count];
            // One character for each length and one for each sound spell the bar.
            var letters = new char[2 * sounds.Length];
            for (var i = 0; i < sounds.Length; i++)
            {
                var e = bar.Events[i];
                sounds[i] = SoundOf(e, stacks);
                letters[i] = (char)(
                    3 * Name(lengths, e.Length)
                    + (
                        e.IsRest ? 0
                        : e.TiedOn ? 1
                        : 2
                    )
                );
                letters[sounds.Length + i] = (char)(sounds[i] & 0xFFFF);
            }

            return new BarMusic(bar, Name(keys, new string(letters)), Name(rhythms, new string(letters, 0, sounds.Length)), sounds);
        }
    }

    /// <summary>Orders of the notes at which two bars of one rhythm differ.</summary>
    public int[] Differences(BarMusic other)
    {
        var differ = new List<int>();
        for (var i = 0; i < Sounds.Length; i++)
        {
            if (Sounds[i] != other.Sounds[i])
                differ.Add(i);
        }

        return [.. differ];
    }

    /// <summary>True when two bars of one rhythm differ at exactly one note.</summary>
    public bool DiffersByOne(BarMusic other)
    {
        var count = 0;
        for (var i = 0; i < Sounds.Length && count < 2; i++)
        {
            if (Sounds[i] != other.Sounds[i])
                count++;
        }

        return count == 1;
    }

    /// <summary>The bars share their rhythm, or their notes.</summary>
    public bool Resembles(BarMusic other) =>
        Rhythm == other.Rhythm || Sounds.Where(s => s != 0).SequenceEqual(other.Sounds.Where(s => s != 0));

    /// <summary>"bar 6 is bar 2 but for its last note, D instead of G".</summary>
    public string Against(BarMusic earlier, HouseStyle style)
    {
        var lead = $"{Bar.Named} is {earlier.Bar.Named}";
        if (Rhythm != earlier.Rhythm)
            return Resembles(earlier) ? $"{lead} in another rhythm" : $"{Bar.Named} differs from {earlier.Bar.Named}";

        var differ = Differences(earlier);
        if (differ.Length == 0)
            return $"{lead} again";
        if (differ.Length > 1)
            return $"{lead} but for {differ.Length} notes";
        var at = differ[0];
        var which =
            at == Sounds.Length - 1 ? "its last note"
            : at == 0 ? "its first note"
            : $"its note {at + 1}";
        var (now, before) = (Bar.Events[at].Pitch, earlier.Bar.Events[at].Pitch);
        return now is { } n && before is { } b
            ? $"{lead} but for {which}, {Called(n, b, style)} instead of {Called(b, n, style)}"
            : $"{lead} but for {which}";
    }

    private static int Name<T>(Dictionary<T, int> names, T thing)
        where T : notnull
    {
        if (!names.TryGetValue(thing, out var name))
            names[thing] = name = names.Count;
        return name;
    }

    private static int SoundOf(ScoreEvent e, Dictionary<string, int> stacks)
    {
        if (e.Pitch is not { } pitch)
            return 0;
        if (e.Chord.Count == 0 && e.Graces.Count == 0)
            return 1 + pitch.Step * 8 + pitch.Alter + 2;
        return -1
            - Name(stacks, $"{string.Concat(e.Graces.Select(g => $"{{{g.Pitch}}}"))}{pitch}{string.Concat(e.Chord.Select(p => $"+{p}"))}");
    }

    /// <summary>The octave is said only where the two notes share a name.</summary>
    private static string Called(Pitch pitch, Pitch other, HouseStyle style) =>
        Labels.Note(pitch, style) != Labels.Note(other, style)
            ? Labels.Note(pitch, style)
            : $"{(pitch.Octave > other.Octave ? "high" : "low")} {Labels.Note(pitch, style)}";
}
