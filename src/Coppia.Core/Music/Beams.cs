namespace Coppia.Core.Music;

/// <summary>One note's share in one beam.</summary>
public enum BeamPart
{
    Begin,
    Continue,
    End,
    ForwardHook,
    BackwardHook,
}

/// <summary>
/// Groups flagged notes under beams by the felt beat; four plain eighths in a half bar of 4/4 share one beam (common
/// practice).
/// </summary>
public static class Beams
{
    /// <summary>
    /// For each event of the bar, its beams from the eighth beam inwards; an empty list keeps the flag.
    /// </summary>
    public static IReadOnlyList<IReadOnlyList<BeamPart>> Of(Bar bar)
    {
        var result = new List<BeamPart>[bar.Events.Count];
        for (var i = 0; i < result.Length; i++)
            result[i] = [];
        foreach (var group in Groups(bar).SelectMany(g => AroundTuplets(bar, g)))
        {
            for (var level = 1; level <= 5; level++)
                AddLevel(bar, group, level, result);
        }

        return result;
    }

    private static IEnumerable<List<int>> Groups(Bar bar)
    {
        var runs = Runs(bar);
        var halfBarOfFour = bar.Time is { Beats: 4, Unit: 4 } or { Beats: 2, Unit: 2 };
        for (var r = 0; r < runs.Count; r++)
        {
            var notes = runs[r].Notes;
            if (
                halfBarOfFour
                && r + 1 < runs.Count
                && runs[r].Beat % 2 == 0
                && runs[r + 1].Beat == runs[r].Beat + 1
                && notes.Count == 2
                && runs[r + 1].Notes.Count == 2
                && notes.Concat(runs[r + 1].Notes).All(i => bar.Events[i].Value is { Log: 3, Dots: 0, InTuplet: false })
            )
            {
                notes = [.. notes, .. runs[r + 1].Notes];
                r++;
            }

            if (notes.Count > 1)
                yield return notes;
        }
    }

    /// <summary>Notes with flags that follow each other within a beat; what has none parts them.</summary>
    private static List<(long Beat, List<int> Notes)> Runs(Bar bar)
    {
        var beat = bar.Time?.FeltBeat ?? Fraction.Quarter;
        if (beat > Fraction.Quarter && bar.Time is not { IsCompound: true })
            beat = Fraction.Quarter;
        var runs = new List<(long Beat, List<int> Notes)>();
        foreach (var (i, e) in bar.Events.Index())
        {
            if (e.IsRest || e.Value.Log < 3)
            {
                runs.Add((-1, []));
                continue;
            }

            var moment = bar.StartsAt + e.Onset;
            var at = bar.Time is { Sum: not null } additive ? additive.GroupAt(moment) : moment.WholeTimes(beat);
            if (runs is [.., var last] && last.Beat == at)
                last.Notes.Add(i);
            else
                runs.Add((at, [i]));
        }

        return runs;
    }

    /// <summary>A beam holds a tuplet whole, or lies within one; it never begins in one and ends outside.</summary>
    private static IEnumerable<List<int>> AroundTuplets(Bar bar, List<int> group)
    {
        var part = new List<int>();
        foreach (var i in group)
        {
            var leavesTuplet =
                part.Count > 0 && bar.Events[part[^1]].TupletStop && !part.Exists(k => bar.Events[k].TupletStart);
            var entersTuplet =
                part.Count > 0 && bar.Events[i].TupletStart && !group.Exists(k => k >= i && bar.Events[k].TupletStop);
            if (leavesTuplet || entersTuplet)
            {
                if (part.Count > 1)
                    yield return part;
                part = [];
            }

            part.Add(i);
        }

        if (part.Count > 1)
            yield return part;
    }

    private static void AddLevel(Bar bar, List<int> group, int level, List<BeamPart>[] result)
    {
        bool Flagged(int k) => k >= 0 && k < group.Count && bar.Events[group[k]].Value.Log - 2 >= level;
        for (var k = 0; k < group.Count; k++)
        {
            if (!Flagged(k))
                continue;
            result[group[k]]
                .Add(
                    (Flagged(k - 1), Flagged(k + 1)) switch
                    {
                        (false, true) => BeamPart.Begin,
                        (true, true) => BeamPart.Continue,
                        (true, false) => BeamPart.End,
                        _ => k > 0 ? BeamPart.BackwardHook : BeamPart.ForwardHook,
                    }
                );
        }
    }
}
