namespace Coppia.Core;

/// <summary>One line of a tune: printed, or a phrase of four bars.</summary>
/// <param name="FirstBar">Order of its first bar, from 0.</param>
/// <param name="EndBar">Order of the bar after it.</param>
/// <param name="Letter">A, B, …; a line nearly like an earlier one has a prime: A′.</param>
/// <param name="Like">Order of the earlier line that it equals or nearly equals; null for a new line.</param>
public sealed record TuneLine(int FirstBar, int EndBar, string Letter, int? Like);

/// <summary>A place that is nearly like an earlier one, where the hand plays the wrong one from habit.</summary>
/// <param name="Bar">Order of the bar that differs.</param>
/// <param name="Text">Which bar it resembles and what differs.</param>
/// <param name="NoteIds">The notes that differ.</param>
public sealed record Trap(int Bar, string Text, IReadOnlyList<string> NoteIds);

/// <summary>How a tune is built (handbook 10, common practice).</summary>
/// <param name="Lines">Its lines.</param>
/// <param name="Traps">Near-equal places.</param>
/// <param name="Passages">Runs, arpeggios, thirds, sequences, repeated bars.</param>
/// <param name="Summary">How little is new: "Six lines, two to learn."</param>
/// <param name="Plays">Bars in the order of playing: "1–8, 1–7, 9".</param>
public sealed record Form(IReadOnlyList<TuneLine> Lines, IReadOnlyList<Trap> Traps, IReadOnlyList<Passage> Passages, string Summary, string Plays)
{
    private const int BarsInAPhrase = 4;

    /// <summary>Bars that differ by one note, beyond those told with their lines.</summary>
    private const int MostBarTraps = 6;

    public static Form Of(Score score, IReadOnlyList<SoundingNote> notes, HouseStyle style)
    {
        var keys = score.Bars.Select(BarLikeness.Key).ToArray();
        var lines = Lettered(score, keys, [.. LinesIn(score)]);
        return new Form(lines, [.. TrapsIn(score, keys, lines, style)], Passage.Of(score, notes, keys, style), Summarise(lines), PlayOrder.Words(score, PlayOrder.Of(score)));
    }

    /// <summary>Printed lines where the source has them; else phrases of four bars after the pick-up.</summary>
    private static IEnumerable<(int First, int End)> LinesIn(Score score)
    {
        var bars = score.Bars;
        var printed = bars.Take(Math.Max(0, bars.Count - 1)).Any(b => b.LineBreakAfter);
        var first = 0;
        var inLine = 0;
        for (var i = 0; i < bars.Count; i++)
        {
            if (!bars[i].IsPickUp) inLine++;
            var ends = i == bars.Count - 1 || (printed ? bars[i].LineBreakAfter : inLine == BarsInAPhrase);
            if (!ends) continue;
            yield return (first, i + 1);
            (first, inLine) = (i + 1, 0);
        }
    }

    private static TuneLine[] Lettered(Score score, string[] keys, (int First, int End)[] spans)
    {
        var lines = new List<TuneLine>();
        var music = new List<string>();
        var letters = 0;
        foreach (var (first, end) in spans)
        {
            var own = Music(first, end);
            var equal = music.IndexOf(own);
            var near = equal >= 0 ? equal : lines.FindIndex(l => Near(l, first, end));
            var letter = equal >= 0 ? lines[equal].Letter : near >= 0 ? lines[near].Letter.TrimEnd('′') + "′" : Letter(letters++);
            music.Add(own);
            lines.Add(new TuneLine(first, end, letter, near >= 0 ? near : null));
        }

        return [.. lines];

        // A pick-up before the line does not make it another line.
        IEnumerable<int> Full(int first, int end) => Enumerable.Range(first, end - first).Where(i => !score.Bars[i].IsPickUp);
        string Music(int first, int end) => string.Join('|', Full(first, end).Select(i => keys[i]));
        bool Near(TuneLine line, int first, int end)
        {
            var (a, b) = (Full(line.FirstBar, line.EndBar).ToArray(), Full(first, end).ToArray());
            return a.Length == b.Length && a.Length > 1 && 2 * a.Zip(b).Count(p => keys[p.First] == keys[p.Second]) >= a.Length;
        }
    }

    private static string Letter(int n) => n < 26 ? ((char)('A' + n)).ToString() : Letter(n / 26 - 1) + (char)('A' + n % 26);

    private static IEnumerable<Trap> TrapsIn(Score score, string[] keys, TuneLine[] lines, HouseStyle style)
    {
        var told = new HashSet<int>();
        foreach (var (n, line) in lines.Index().Where(l => l.Item.Like is not null))
        {
            var other = lines[line.Like!.Value];
            var pairs = Pairs(score, other).Zip(Pairs(score, line)).ToArray();
            foreach (var (earlier, later) in pairs.Where(p => keys[p.First] != keys[p.Second] && told.Add(p.Second)))
                yield return new Trap(later, $"Line {n + 1} is line {line.Like + 1}, but {BarLikeness.Words(score.Bars[later], score.Bars[earlier], style)}.", Notes(score, later, earlier));
        }

        var firstWith = new Dictionary<string, int>();
        var found = 0;
        var byRhythm = new Dictionary<string, List<int>>();
        for (var i = 0; i < keys.Length && found < MostBarTraps; i++)
        {
            var bar = score.Bars[i];
            if (!firstWith.TryAdd(keys[i], i) || bar.Events.Count < 3 || bar.IsPickUp) continue;
            var rhythm = string.Join(' ', bar.Events.Select(e => $"{e.Length}{e.IsRest}{e.TiedOn}"));
            if (!byRhythm.TryGetValue(rhythm, out var alike)) byRhythm[rhythm] = alike = [];
            var twin = alike.FindIndex(k => BarLikeness.Differences(bar, score.Bars[k]).Length == 1);
            if (twin >= 0 && told.Add(i))
            {
                var words = BarLikeness.Words(bar, score.Bars[alike[twin]], style);
                found++;
                yield return new Trap(i, char.ToUpperInvariant(words[0]) + words[1..] + ".", Notes(score, i, alike[twin]));
            }

            if (alike.Count < 50) alike.Add(i);
        }
    }

    private static IEnumerable<int> Pairs(Score score, TuneLine line) =>
        Enumerable.Range(line.FirstBar, line.EndBar - line.FirstBar).Where(i => !score.Bars[i].IsPickUp);

    private static string[] Notes(Score score, int later, int earlier)
    {
        var (a, b) = (score.Bars[later], score.Bars[earlier]);
        var differ = BarLikeness.SameRhythm(a, b) ? BarLikeness.Differences(a, b).Select(i => a.Events[i]) : a.Events;
        return [.. differ.Where(e => !e.IsRest).Select(e => e.Id)];
    }

    private static string Summarise(IReadOnlyList<TuneLine> lines)
    {
        if (lines.Count == 0) return "";
        var fresh = lines.Where(l => !l.Letter.EndsWith('′')).Select(l => l.Letter).Distinct().Count();
        var nearly = lines.Where(l => l.Letter.EndsWith('′')).Select(l => l.Letter).Distinct().Count();
        var all = $"{Words.Number(lines.Count)} {(lines.Count == 1 ? "line" : "lines")}";
        var text = fresh == lines.Count ? $"{all}, all of it new" : $"{all}, {Words.Number(fresh)} to learn{(nearly == 0 ? "" : $" and {Words.Number(nearly)} nearly the same")}";
        return char.ToUpperInvariant(text[0]) + text[1..] + ".";
    }
}
