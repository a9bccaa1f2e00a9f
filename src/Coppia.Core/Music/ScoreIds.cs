using System.Security.Cryptography;
using System.Text;

namespace Coppia.Core.Music;

/// <summary>
/// Names of notes and bars that outlive an edit: pins, bowing changes and marks hang on them. A note keeps its id when
/// a bar before it is inserted or a neighbour changes; only what is new gets a new one.
/// </summary>
public static class ScoreIds
{
    /// <summary>
    /// Most places at which two versions may differ; where there are more, what lies between the first and the last is
    /// new.
    /// </summary>
    private const int MostDifferences = 1_000;

    /// <summary>The edited score with the ids of the bars and notes that were there before.</summary>
    /// <param name="before">The score as it was.</param>
    /// <param name="after">The edited score, freshly read.</param>
    /// <param name="reserved">Ids that no new note may take: marks hang on them that wait for their own note.</param>
    public static Score Carry(Score before, Score after, IEnumerable<string>? reserved = null)
    {
        var barIds = new string[after.Bars.Count];
        var noteIds = after.Bars.Select(b => new string[b.Events.Count]).ToArray();
        int[] oldKeys = [.. Kinds(before, after, out var newKeys)];
        foreach (var gap in Gaps(oldKeys.Length, newKeys.Length, (a, b) => oldKeys[a] == newKeys[b]))
        {
            if (gap.IsSame)
                TakeBars(gap);
            else
                TakeNotes(before, after, gap, barIds, noteIds);
        }

        return Finished(after, barIds, noteIds, reserved ?? []);

        // Bars that are as they were.
        void TakeBars(Gap gap)
        {
            for (var k = 0; k < gap.Count; k++)
            {
                var (then, now) = (before.Bars[gap.Old + k], gap.New + k);
                barIds[now] = then.Id;
                for (var n = 0; n < noteIds[now].Length; n++)
                    noteIds[now][n] = then.Events[n].Id;
            }
        }
    }

    /// <summary>
    /// Of bars that were changed those whose number is the same stay themselves, and so do the notes between which
    /// nothing was put.
    /// </summary>
    private static void TakeNotes(Score before, Score after, Gap gap, string[] barIds, string[][] noteIds)
    {
        if (gap.OldCount == gap.NewCount)
        {
            for (var k = 0; k < gap.NewCount; k++)
                barIds[gap.New + k] = before.Bars[gap.Old + k].Id;
        }

        ScoreEvent[] then = [.. before.Bars.Skip(gap.Old).Take(gap.OldCount).SelectMany(b => b.Events)];
        var now = Enumerable
            .Range(gap.New, gap.NewCount)
            .SelectMany(b => after.Bars[b].Events.Select((e, n) => (e, b, n)))
            .ToArray();
        foreach (var notes in Gaps(then.Length, now.Length, (a, b) => IsSame(then[a], now[b].e)))
        {
            for (var k = 0; k < notes.NewCount && notes.OldCount == notes.NewCount; k++)
                noteIds[now[notes.New + k].b][now[notes.New + k].n] = then[notes.Old + k].Id;
        }
    }

    /// <summary>
    /// All ids of a score, in the order of printing: each bar's own, then those of its notes and rests.
    /// </summary>
    public static IReadOnlyList<string> Of(Score score) =>
        [.. score.Bars.SelectMany(b => b.Events.Select(e => e.Id).Prepend(b.Id))];

    /// <summary>
    /// A score with ids that were kept for it; as it is where they are not as many as it has bars and notes.
    /// </summary>
    public static Score With(Score score, IReadOnlyList<string> ids)
    {
        if (ids.Count != score.Bars.Sum(b => b.Events.Count + 1))
            return score;
        var next = 0;
        var barIds = new string[score.Bars.Count];
        var noteIds = new string[score.Bars.Count][];
        for (var b = 0; b < barIds.Length; b++)
        {
            barIds[b] = ids[next++];
            noteIds[b] = new string[score.Bars[b].Events.Count];
            for (var n = 0; n < noteIds[b].Length; n++)
                noteIds[b][n] = ids[next++];
        }

        return Finished(score, barIds, noteIds);
    }

    /// <summary>
    /// The same score with all its ids behind a prefix, graces too, so that two lines of one piece share none.
    /// </summary>
    public static Score Prefixed(Score score, string prefix) => With(score, [.. Of(score).Select(id => prefix + id)]);

    /// <summary>The same score with its bars and notes named by their places, as one that is freshly read.</summary>
    public static Score ByPlace(Score score) =>
        Finished(score, new string?[score.Bars.Count], [.. score.Bars.Select(b => new string?[b.Events.Count])]);

    /// <summary>
    /// The score with some ids given; what has none gets its place as a name, or the next free name like it.
    /// </summary>
    internal static Score Finished(
        Score score,
        string?[] barIds,
        string?[][] noteIds,
        IEnumerable<string>? reserved = null
    )
    {
        var given = noteIds.SelectMany(ids => ids).Concat(barIds).Where(id => !string.IsNullOrEmpty(id));
        var taken = given.Concat(reserved ?? []).ToHashSet();
        return score with
        {
            Bars =
            [
                .. score.Bars.Select(
                    (bar, b) =>
                        bar with
                        {
                            Id = NameOf(barIds[b], $"bar{b + 1}"),
                            Events =
                            [
                                .. bar.Events.Select((e, n) => Named(e, NameOf(noteIds[b][n], $"b{b + 1}n{n + 1}"))),
                            ],
                        }
                ),
            ],
        };

        string NameOf(string? id, string place)
        {
            if (!string.IsNullOrEmpty(id))
                return id;
            var name = place;
            for (var like = 2; !taken.Add(name); like++)
                name = $"{place}v{like}";
            return name;
        }
    }

    private static ScoreEvent Named(ScoreEvent e, string id) =>
        e.Id == id ? e : e with { Id = id, Graces = [.. e.Graces.Select((g, k) => g with { Id = $"{id}g{k + 1}" })] };

    /// <summary>Numbers that are equal for bars that hold the same.</summary>
    private static IEnumerable<int> Kinds(Score before, Score after, out int[] newKeys)
    {
        var kinds = new Dictionary<string, int>();
        newKeys = [.. after.Bars.Select(Kind)];
        return before.Bars.Select(Kind).ToArray();

        int Kind(Bar bar)
        {
            var spelt = Spelt(bar);
            kinds.TryAdd(spelt, kinds.Count);
            return kinds[spelt];
        }
    }

    private static string Spelt(Bar bar) =>
        string.Join(
            ' ',
            bar.Events.Select(e => $"{e.Pitch}{string.Concat(e.Chord)}{e.Length}{e.TiedOn}{e.Graces.Count}")
        );

    /// <summary>
    /// What tells the music of one version from that of another: equal where all notes and barlines are.
    /// </summary>
    public static string MusicOf(IEnumerable<Score> lines) =>
        Convert.ToHexString(
            SHA256.HashData(
                Encoding.UTF8.GetBytes(string.Join("||", lines.Select(l => string.Join('|', l.Bars.Select(Spelt)))))
            )
        );

    private static bool IsSame(ScoreEvent a, ScoreEvent b) => a.Pitch == b.Pitch && a.Length == b.Length;

    /// <summary>A stretch of two versions that is the same in both, or that stands between such stretches.</summary>
    private readonly record struct Gap(int Old, int OldCount, int New, int NewCount, bool IsSame)
    {
        public int Count => NewCount;
    }

    /// <summary>
    /// Two versions as stretches that are the same and stretches that differ, in order (longest common subsequence).
    /// </summary>
    private static List<Gap> Gaps(int olds, int news, Func<int, int, bool> same)
    {
        var first = 0;
        while (first < olds && first < news && same(first, first))
            first++;
        var last = 0;
        while (last < olds - first && last < news - first && same(olds - 1 - last, news - 1 - last))
            last++;

        var gaps = new List<Gap>();
        Add(0, first, 0, first, isSame: true);
        var (a, b) = (first, first);
        foreach (var (oldAt, newAt) in Common(first, olds - last, first, news - last, same))
        {
            Add(a, oldAt - a, b, newAt - b, isSame: false);
            Add(oldAt, 1, newAt, 1, isSame: true);
            (a, b) = (oldAt + 1, newAt + 1);
        }

        Add(a, olds - last - a, b, news - last - b, isSame: false);
        Add(olds - last, last, news - last, last, isSame: true);
        return gaps;

        void Add(int old, int oldCount, int @new, int newCount, bool isSame)
        {
            if (oldCount > 0 || newCount > 0)
                gaps.Add(new Gap(old, oldCount, @new, newCount, isSame));
        }
    }

    /// <summary>
    /// The longest common subsequence by the greedy method of differences (Myers, "An O(ND) Difference Algorithm and
    /// Its Variations", 1986): its cost grows with the length times the number of differences.
    /// </summary>
    private static List<(int Old, int New)> Common(
        int oldFirst,
        int oldEnd,
        int newFirst,
        int newEnd,
        Func<int, int, bool> same
    )
    {
        var (m, n) = (oldEnd - oldFirst, newEnd - newFirst);
        if (m == 0 || n == 0)
            return [];
        // On each diagonal k = old − new how far the old version is followed with so many differences; all rounds are
        // kept to find the way back.
        var most = Math.Min(m + n, MostDifferences);
        var reached = new int[2 * most + 3];
        var rounds = new List<int[]>();
        for (var differences = 0; differences <= most; differences++)
        {
            for (var k = -differences; k <= differences; k += 2)
            {
                var isNew = k == -differences || k != differences && reached[most + k] < reached[most + k + 2];
                var old = isNew ? reached[most + k + 2] : reached[most + k] + 1;
                while (old < m && old - k < n && old - k >= 0 && same(oldFirst + old, newFirst + old - k))
                    old++;
                reached[most + k + 1] = old;
                if (old >= m && old - k >= n)
                    return WayBack(rounds, most, m, n).Select(p => (oldFirst + p.Old, newFirst + p.New)).ToList();
            }

            rounds.Add(reached[(most - differences)..(most + differences + 3)]);
        }

        return [];
    }

    /// <summary>
    /// From the ends of both versions back through the rounds, the pairs that are common to both, in order.
    /// </summary>
    private static Stack<(int Old, int New)> WayBack(List<int[]> rounds, int most, int m, int n)
    {
        var common = new Stack<(int, int)>();
        var (old, @new) = (m, n);
        for (var differences = rounds.Count; differences > 0; differences--)
        {
            var k = old - @new;
            var isNew =
                k == -differences || k != differences && At(differences - 1, k - 1) < At(differences - 1, k + 1);
            var fromOld = isNew ? At(differences - 1, k + 1) : At(differences - 1, k - 1);
            var fromNew = fromOld - (isNew ? k + 1 : k - 1);
            while (old > fromOld + (isNew ? 0 : 1) && @new > fromNew + (isNew ? 1 : 0))
                common.Push((--old, --@new));
            (old, @new) = (fromOld, fromNew);
        }

        while (old > 0 && @new > 0)
            common.Push((--old, --@new));
        return common;

        // Diagonals of a round lie from −d − 1 to d + 1 around its middle.
        int At(int round, int k) => rounds[round][k + round + 1];
    }
}
