namespace Coppia.Core.Form;

public enum TrapKind
{
    /// <summary>A line that is nearly an earlier one differs in this bar.</summary>
    InLine,

    /// <summary>Bars come again, and here they go on otherwise.</summary>
    Parting,

    /// <summary>A bar is an earlier one but for one note.</summary>
    OneNote,
}

/// <summary>A place that is nearly like an earlier one, where the hand plays the wrong one from habit.</summary>
/// <param name="Bar">Order of the bar that differs.</param>
/// <param name="Like">Order of the earlier bar in whose place it stands.</param>
/// <param name="Difference">What sets it apart from that bar.</param>
/// <param name="NoteIds">The notes that differ.</param>
public sealed record Trap(TrapKind Kind, int Bar, int Like, BarDifference Difference, IReadOnlyList<string> NoteIds)
{
    /// <summary>Bars that differ by one note, beyond those told with their lines.</summary>
    private const int MostBarTraps = 6;

    /// <summary>Runs of equal bars that part ways, beyond those told with their lines.</summary>
    private const int MostPartings = 4;

    /// <summary>
    /// How many different bars of one rhythm back a likeness is looked for: farther back a player's ear does not mix
    /// them up.
    /// </summary>
    private const int BarsRemembered = 24;

    /// <summary>In a line: the order of the line, and of the one that it resembles.</summary>
    public (int Here, int Earlier) Lines { get; init; }

    /// <summary>In a line: all the rest of it is the earlier one.</summary>
    public bool IsAllThatDiffers { get; init; }

    /// <summary>At a parting: how many bars before it are the same, two and more.</summary>
    public int SameBefore { get; init; }

    internal static IEnumerable<Trap> In(BarMusic[] music, TuneLine[] lines)
    {
        var told = new HashSet<int>();
        var parts = RunsThatPart(music).ToDictionary(r => r.Parts);
        return InLines(music, lines, parts, told)
            .Concat(InMidLine(music, lines, parts.Values, told))
            .Concat(InBars(music, told));
    }

    /// <summary>Where a line differs from the one that it resembles.</summary>
    /// <param name="told">Orders of bars of which a trap was told.</param>
    private static IEnumerable<Trap> InLines(
        BarMusic[] music,
        TuneLine[] lines,
        Dictionary<int, Run> parts,
        HashSet<int> told
    )
    {
        foreach (var (n, line) in lines.Index().Where(l => l.Item.Like is not null))
        {
            var other = lines[line.Like!.Value];
            var before = TuneForm.Full(music, other.FirstBar, other.EndBar);
            var here = TuneForm.Full(music, line.FirstBar, line.EndBar);
            (int Earlier, int Later)[] differing =
            [
                .. before.Zip(here).Where(pair => music[pair.First].Key != music[pair.Second].Key),
            ];
            foreach (var (earlier, later) in differing.Where(pair => told.Add(pair.Later)))
            {
                // Where the bars have nothing in common, where the ways part is worth more than that they differ.
                var trap = Between(music, TrapKind.InLine, later, earlier) with
                {
                    Lines = (n, line.Like.Value),
                    IsAllThatDiffers = differing.Length == 1 && before.Length == here.Length,
                };
                yield return !music[later].Resembles(music[earlier]) && parts.TryGetValue(later, out var run)
                    ? trap with
                    {
                        Kind = TrapKind.Parting,
                        Like = run.Goes,
                        SameBefore = run.Length,
                    }
                    : trap;
            }
        }
    }

    /// <summary>Runs that part in the middle of a line; at the end of a line everyone looks up.</summary>
    private static IEnumerable<Trap> InMidLine(
        BarMusic[] music,
        TuneLine[] lines,
        IEnumerable<Run> runs,
        HashSet<int> told
    )
    {
        var starts = lines.Select(l => l.FirstBar).ToHashSet();
        return runs.Where(r => !starts.Contains(r.Parts))
            .Take(MostPartings)
            .Where(r => told.Add(r.Parts))
            .Select(r => Between(music, TrapKind.Parting, r.Parts, r.Goes) with { SameBefore = r.Length });
    }

    /// <summary>Bars that are another one but for a note.</summary>
    private static IEnumerable<Trap> InBars(BarMusic[] music, HashSet<int> told)
    {
        var met = new HashSet<int>();
        var byRhythm = new Dictionary<int, List<int>>();
        var found = 0;
        for (var i = 0; i < music.Length && found < MostBarTraps; i++)
        {
            var bar = music[i];
            if (!met.Add(bar.Key) || bar.Sounds.Length < 3 || !bar.Bar.IsCounted)
                continue;
            if (!byRhythm.TryGetValue(bar.Rhythm, out var alike))
                byRhythm[bar.Rhythm] = alike = [];
            var twin = alike.FindIndex(k => bar.DiffersByOne(music[k]));
            if (twin >= 0 && told.Add(i))
            {
                found++;
                yield return Between(music, TrapKind.OneNote, i, alike[twin]);
            }

            if (alike.Count < BarsRemembered)
                alike.Add(i);
        }
    }

    /// <summary>A run of equal bars that ends where the earlier one goes on otherwise.</summary>
    /// <param name="First">Order of its first bar.</param>
    /// <param name="Length">Two bars and more.</param>
    /// <param name="Earlier">Order of the first bar of the earlier run.</param>
    private readonly record struct Run(int First, int Length, int Earlier)
    {
        /// <summary>The bar that goes elsewhere.</summary>
        public int Parts => First + Length;

        /// <summary>The bar in whose place it stands.</summary>
        public int Goes => Earlier + Length;
    }

    private static List<Run> RunsThatPart(BarMusic[] music)
    {
        var firsts = new Dictionary<int, int>();
        var runs = new List<Run>();
        Run? now = null;
        for (var i = 0; i < music.Length; i++)
        {
            var isNew = firsts.TryAdd(music[i].Key, i);
            if (now is { } run)
            {
                // Goes on as long as the earlier bars do.
                if (run.Goes < i && music[run.Goes].Key == music[i].Key)
                {
                    now = run with { Length = run.Length + 1 };
                    continue;
                }

                if (run.Length > 1 && run.Goes < run.First)
                    runs.Add(run);
            }

            now = isNew || !music[i].Bar.IsCounted ? null : new Run(i, 1, firsts[music[i].Key]);
        }

        return runs;
    }

    private static Trap Between(BarMusic[] music, TrapKind kind, int bar, int like) =>
        new(kind, bar, like, music[bar].Against(music[like]), Notes(music[bar], music[like]));

    private static string[] Notes(BarMusic later, BarMusic earlier)
    {
        var differ =
            later.Rhythm == earlier.Rhythm
                ? later.Differences(earlier).Select(i => later.Bar.Events[i])
                : later.Bar.Events;
        return [.. differ.Where(e => !e.IsRest).Select(e => e.Id)];
    }
}
