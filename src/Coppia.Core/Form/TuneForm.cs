using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording;

namespace Coppia.Core.Form;

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
/// <param name="Likenesses">Bars that resemble earlier ones in rhythm, notes or shape.</param>
/// <param name="Summary">How little is new, in lines and bars: "Six lines, two to learn. 24 bars, 9 different."</param>
/// <param name="Rhythms">How many rhythms there are and which fills most bars; null for a single bar.</param>
/// <param name="Plays">Bars in the order of playing: "1–8, 1–7, 9".</param>
public sealed record TuneForm(
    IReadOnlyList<TuneLine> Lines,
    IReadOnlyList<Trap> Traps,
    IReadOnlyList<Passage> Passages,
    IReadOnlyList<Likeness> Likenesses,
    string Summary,
    string? Rhythms,
    string Plays
)
{
    /// <summary>Bars that differ by one note, beyond those told with their lines.</summary>
    private const int MostBarTraps = 6;

    /// <summary>Runs of equal bars that part ways, beyond those told with their lines.</summary>
    private const int MostPartings = 4;

    /// <summary>How many lines and bars back a likeness is looked for: farther back a player's ear does not mix them up.</summary>
    private const int LinesRemembered = 16;
    private const int BarsRemembered = 24;

    /// <param name="order">Bars in the order of playing.</param>
    public static TuneForm Of(Score score, IReadOnlyList<SoundingNote> notes, IReadOnlyList<PlayedBar> order, HouseStyle style)
    {
        var music = BarMusic.Of(score);
        var lines = Lettered(music, [.. TuneLines.In(score)]);
        return new TuneForm(
            lines,
            [.. TrapsIn(music, lines, style)],
            Passage.Of(music, notes, style),
            Likeness.Of(music, style),
            $"{Summarise(lines)} {BarsIn(music)}".Trim(),
            Likeness.RhythmSummary(music, style),
            PlayOrder.Words(score, order)
        );
    }

    private static TuneLine[] Lettered(BarMusic[] music, (int First, int End)[] spans)
    {
        var lines = new List<TuneLine>();
        var wholes = new Dictionary<string, int>();
        var full = spans.Select(s => Full(music, s.First, s.End)).ToArray();
        var letters = 0;
        foreach (var (n, (first, end)) in spans.Index())
        {
            var whole = string.Join(' ', full[n].Select(i => music[i].Key));
            int? like = wholes.TryGetValue(whole, out var equal) ? equal : NearestBefore(n);
            var letter =
                like is not { } l ? Letter(letters++)
                : wholes.ContainsKey(whole) ? lines[l].Letter
                : lines[l].Letter.TrimEnd('′') + "′";
            wholes.TryAdd(whole, n);
            lines.Add(new TuneLine(first, end, letter, like));
        }

        return [.. lines];

        // Of the lines not too long ago the first of which at least half the bars are the same.
        int? NearestBefore(int n)
        {
            for (var k = Math.Max(0, n - LinesRemembered); k < n; k++)
            {
                var (a, b) = (full[k], full[n]);
                if (a.Length != b.Length || a.Length < 2)
                    continue;
                var same = 0;
                for (var i = 0; i < a.Length; i++)
                    same += music[a[i]].Key == music[b[i]].Key ? 1 : 0;
                if (2 * same >= a.Length)
                    return k;
            }

            return null;
        }
    }

    /// <summary>The full bars of a line; a pick-up before it does not make it another line.</summary>
    private static int[] Full(BarMusic[] music, int first, int end) =>
        [.. Enumerable.Range(first, end - first).Where(i => !music[i].Bar.IsPickUp)];

    private static string Letter(int n) => n < 26 ? ((char)('A' + n)).ToString() : Letter(n / 26 - 1) + (char)('A' + n % 26);

    private static IEnumerable<Trap> TrapsIn(BarMusic[] music, TuneLine[] lines, HouseStyle style)
    {
        var told = new HashSet<int>();
        var parts = RunsThatPart(music).ToDictionary(r => r.Parts);
        foreach (var (n, line) in lines.Index().Where(l => l.Item.Like is not null))
        {
            var other = lines[line.Like!.Value];
            foreach (var (earlier, later) in Full(music, other.FirstBar, other.EndBar).Zip(Full(music, line.FirstBar, line.EndBar)))
            {
                if (music[earlier].Key == music[later].Key || !told.Add(later))
                    continue;

                // Where the bars have nothing in common, where the ways part is worth more than that they differ.
                var text =
                    !music[later].Resembles(music[earlier]) && parts.TryGetValue(later, out var run)
                        ? Parting(music, run)
                        : $"Line {n + 1} is line {line.Like + 1}, but {music[later].Against(music[earlier], style)}.";
                yield return new Trap(later, text, Notes(music[later], music[earlier]));
            }
        }

        // Runs that part in the middle of a line; at the end of a line everyone looks up.
        var starts = lines.Select(l => l.FirstBar).ToHashSet();
        foreach (var run in parts.Values.Where(r => !starts.Contains(r.Parts)).Take(MostPartings))
        {
            if (told.Add(run.Parts))
                yield return new Trap(run.Parts, Parting(music, run), Notes(music[run.Parts], music[run.Earlier + run.Length]));
        }

        var met = new HashSet<int>();
        var byRhythm = new Dictionary<int, List<int>>();
        var found = 0;
        for (var i = 0; i < music.Length && found < MostBarTraps; i++)
        {
            var bar = music[i];
            if (!met.Add(bar.Key) || bar.Sounds.Length < 3 || bar.Bar.IsPickUp)
                continue;
            if (!byRhythm.TryGetValue(bar.Rhythm, out var alike))
                byRhythm[bar.Rhythm] = alike = [];
            var twin = alike.FindIndex(k => bar.DiffersByOne(music[k]));
            if (twin >= 0 && told.Add(i))
            {
                var words = bar.Against(music[alike[twin]], style);
                found++;
                yield return new Trap(i, English.Sentence(words), Notes(bar, music[alike[twin]]));
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
                if (run.Earlier + run.Length < i && music[run.Earlier + run.Length].Key == music[i].Key)
                {
                    now = run with { Length = run.Length + 1 };
                    continue;
                }

                if (run.Length > 1 && run.Earlier + run.Length < run.First)
                    runs.Add(run);
            }

            now = isNew || music[i].Bar.IsPickUp ? null : new Run(i, 1, firsts[music[i].Key]);
        }

        return runs;
    }

    /// <summary>"Bars 5–7 are bars 1–3; bar 8 goes elsewhere."</summary>
    private static string Parting(BarMusic[] music, Run run)
    {
        string Named(int first) => $"{music[first].Bar.Number}–{music[first + run.Length - 1].Bar.Number}";
        return $"Bars {Named(run.First)} are bars {Named(run.Earlier)}; {music[run.Parts].Bar.Named} goes elsewhere.";
    }

    private static string[] Notes(BarMusic later, BarMusic earlier)
    {
        var differ = later.Rhythm == earlier.Rhythm ? later.Differences(earlier).Select(i => later.Bar.Events[i]) : later.Bar.Events;
        return [.. differ.Where(e => !e.IsRest).Select(e => e.Id)];
    }

    /// <summary>"20 bars, 12 different."; nothing for a tune of one bar.</summary>
    private static string BarsIn(BarMusic[] music)
    {
        var full = music.Where(m => !m.Bar.IsPickUp).ToArray();
        var different = full.Select(m => m.Key).Distinct().Count();
        return full.Length < 2 ? "" : $"{full.Length} bars, {(different == full.Length ? "all" : different)} different.";
    }

    private static string Summarise(IReadOnlyList<TuneLine> lines)
    {
        if (lines.Count == 0)
            return "";
        var fresh = lines.Where(l => !l.Letter.EndsWith('′')).Select(l => l.Letter).Distinct().Count();
        var nearly = lines.Where(l => l.Letter.EndsWith('′')).Select(l => l.Letter).Distinct().Count();
        var all = $"{English.Number(lines.Count)} {(lines.Count == 1 ? "line" : "lines")}";
        var text =
            fresh == lines.Count
                ? $"{all}, all of it new"
                : $"{all}, {English.Number(fresh)} to learn{(nearly == 0 ? "" : $" and {English.Number(nearly)} nearly the same")}";
        return English.Sentence(text);
    }
}
