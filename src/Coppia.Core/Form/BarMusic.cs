using Coppia.Core.Music;

namespace Coppia.Core.Form;

/// <summary>What sets a bar apart from one that it resembles.</summary>
public enum DifferenceKind
{
    Nothing,

    /// <summary>The same notes in another rhythm.</summary>
    Rhythm,

    /// <summary>Some notes of one rhythm.</summary>
    Notes,

    /// <summary>Neither rhythm nor notes are shared.</summary>
    Everything,
}

/// <summary>What sets a bar apart from another.</summary>
/// <param name="Kind">In what they differ.</param>
/// <param name="At">Orders in the bar of the notes that differ, where only notes do.</param>
public readonly record struct BarDifference(DifferenceKind Kind, IReadOnlyList<int> At);

/// <summary>
/// What a bar plays, as numbers that compare quickly: pitches, lengths, ties and grace notes; bowing and dynamics do
/// not count.
/// </summary>
/// <param name="Bar">The bar.</param>
/// <param name="Key">Equal for equal music.</param>
/// <param name="Rhythm">Equal for equal lengths, rests and ties.</param>
/// <param name="Sounds">One number for the pitch or pitches of each note; 0 for a rest.</param>
internal sealed record BarMusic(Bar Bar, int Key, int Rhythm, int[] Sounds)
{
    /// <summary>The bar is not all rests.</summary>
    public bool HasNotes => Sounds.Any(s => s != 0);

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

            return new BarMusic(
                bar,
                Name(keys, new string(letters)),
                Name(rhythms, new string(letters, 0, sounds.Length)),
                sounds
            );
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

    /// <summary>What sets this bar apart from another.</summary>
    public BarDifference Against(BarMusic other)
    {
        if (Rhythm != other.Rhythm)
            return new BarDifference(Resembles(other) ? DifferenceKind.Rhythm : DifferenceKind.Everything, []);

        var differ = Differences(other);
        return new BarDifference(differ.Length == 0 ? DifferenceKind.Nothing : DifferenceKind.Notes, differ);
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
            - Name(
                stacks,
                string.Concat(e.Graces.Select(g => $"{{{g.Pitch}}}"))
                    + pitch
                    + string.Concat(e.Chord.Select(p => $"+{p}"))
            );
    }
}
