using Coppia.Core.Music;

namespace Coppia.Core.Composition;

/// <summary>
/// What a friendly teacher hears in a composition: there is no wrong tune, only something to notice (craft 13).
/// </summary>
public static class Heard
{
    /// <summary>Lines and spaces of a big leap: a fifth and more (common practice).</summary>
    private const int BigLeap = 4;

    /// <summary>A pattern has so many notes at least (common practice).</summary>
    private const int Pattern = 3;

    /// <summary>In fewer bars nothing needs to come again.</summary>
    private const int BarsWithoutPattern = 4;

    /// <summary>Advice in the order of the bars; none for fewer than two notes.</summary>
    public static IReadOnlyList<Advice> In(Piece piece, WritingTask task)
    {
        var notes = piece.Notes.Select(n => (n.Bar, n.Note)).ToArray();
        if (notes.Length < 2)
            return [];
        // Where most is silence there is no line that could end, or stay on one note.
        if (IsMostlyRests(piece))
            return [];
        var oneNote = notes.All(n => n.Note.Pitch == notes[0].Note.Pitch);
        IEnumerable<Advice> heard = oneNote
            ? [new Advice(AdviceKind.OneNote, notes[0].Bar, IsGood: false, notes[0].Note.Pitch)]
            : Leaps(notes, task).Concat(Patterns(piece, task));
        return [.. heard.Concat(Ending(piece, task)).OrderBy(a => a.Bar).ThenBy(a => a.Kind)];
    }

    /// <summary>Rests take more than half of its time, or are more than its notes.</summary>
    private static bool IsMostlyRests(Piece piece)
    {
        var all = piece.Bars.SelectMany(b => b).ToArray();
        var rests = all.Where(n => n.IsRest).ToArray();
        return 2 * rests.Length > all.Length || Piece.LengthOf(rests) * new Fraction(2, 1) > Piece.LengthOf(all);
    }

    /// <summary>
    /// Big leaps with what follows. The one into the last note is an ending, and where the palette has no step back
    /// none is asked for.
    /// </summary>
    private static IEnumerable<Advice> Leaps((int Bar, PieceNote Note)[] notes, WritingTask task)
    {
        var steps = task.Allowed.Select(p => p.Step).ToHashSet();
        var told = new HashSet<(int, bool)>();
        for (var i = 1; i < notes.Length; i++)
        {
            var (from, to) = (notes[i - 1].Note.Pitch!.Value, notes[i].Note.Pitch!.Value);
            var leap = to.Step - from.Step;
            if (Math.Abs(leap) < BigLeap || After(notes, i) is not { } after)
                continue;
            var back = -Math.Sign(leap);
            var balanced = after.Step - to.Step == back;
            if ((balanced || steps.Contains(to.Step + back)) && told.Add((notes[i].Bar, balanced)))
                yield return new Advice(
                    balanced ? AdviceKind.Balance : AdviceKind.Leap,
                    notes[i].Bar,
                    balanced,
                    to,
                    from
                );
        }
    }

    /// <summary>The next note on another line or space.</summary>
    private static Pitch? After((int Bar, PieceNote Note)[] notes, int i) =>
        notes.Skip(i + 1).Select(n => n.Note.Pitch).FirstOrDefault(p => p?.Step != notes[i].Note.Pitch?.Step);

    /// <summary>
    /// A bar that comes again, as it was or at another height; or a few notes that do; or that nothing does.
    /// </summary>
    private static IEnumerable<Advice> Patterns(Piece piece, WritingTask task)
    {
        var bars = piece.Bars.Select(b => b.ToArray()).ToArray();
        if (Again(bars, b => b.Any(n => !n.IsRest), Exactly) is var (bar, first))
            return [new Advice(AdviceKind.Repetition, bar + 1, IsGood: true, AsBar: first + 1)];
        if (Again(bars, b => b.Count(n => !n.IsRest) >= Pattern, Moved) is var (higher, from))
            return [new Advice(AdviceKind.Repetition, higher + 1, IsGood: true, AsBar: from + 1, Moved: true)];
        var all = piece.Bars.SelectMany((b, bar) => b.Select(n => (Bar: bar + 1, Note: n))).ToArray();
        PieceNote[][] rows = [.. Enumerable.Range(0, Math.Max(0, all.Length - Pattern + 1)).Select(i => Row(i))];
        if (Again(rows, r => r.All(n => !n.IsRest) && Moves(r), Exactly, apart: Pattern) is var (row, _))
            return [new Advice(AdviceKind.Repetition, all[row].Bar, IsGood: true, all[row].Note.Pitch)];
        if (ToAndFro(all.Select(n => n.Note).ToArray()) is { } at)
            return [new Advice(AdviceKind.Repetition, all[at].Bar, IsGood: true, all[at].Note.Pitch)];
        // A bar's rhythm that is more than equal notes.
        if (Again(bars, IsRhythm, RhythmOf) is var (likewise, rhythm))
            return [new Advice(AdviceKind.Repetition, likewise + 1, IsGood: true, AsBar: rhythm + 1, Rhythm: true)];
        // A note that is repeated comes again too, though it is no pattern.
        if (rows.Any(r => r.All(n => !n.IsRest) && !Moves(r)))
            return [];
        // Equal notes in every bar are a rhythm that comes again, too.
        var onlyRhythm =
            (Again(bars, b => b.Length > 0, RhythmOf) ?? Again(rows, r => true, RhythmOf, apart: Pattern)) is not null;
        var isWhole = bars.Length >= BarsWithoutPattern && bars.All(b => Piece.LengthOf(b) == task.Meter.BarLength);
        return isWhole ? [new Advice(AdviceKind.Repetition, bars.Length, IsGood: false, Rhythm: onlyRhythm)] : [];

        PieceNote[] Row(int i) => [.. all[i..(i + Pattern)].Select(n => n.Note)];
    }

    /// <summary>Where two notes come again at once: to and fro, to and fro.</summary>
    private static int? ToAndFro(PieceNote[] all)
    {
        for (var i = 2; i + 1 < all.Length; i++)
        {
            if (
                Exactly(all[(i - 2)..i]) == Exactly(all[i..(i + 2)])
                && all[i..(i + 2)] is [{ IsRest: false }, { IsRest: false }]
                && Moves(all[i..(i + 2)])
            )
                return i;
        }

        return null;
    }

    /// <summary>The first row that is like one before it, with that one; null where none is.</summary>
    /// <param name="apart">So far at least they lie apart.</param>
    private static (int Row, int First)? Again(
        PieceNote[][] rows,
        Func<PieceNote[], bool> counts,
        Func<PieceNote[], string> sign,
        int apart = 1
    )
    {
        var met = new Dictionary<string, int>();
        foreach (var (i, row) in rows.Index().Where(r => counts(r.Item)))
        {
            if (met.TryGetValue(sign(row), out var first) && i - first >= apart)
                return (i, first);
            met.TryAdd(sign(row), i);
        }

        return null;
    }

    private static string Exactly(PieceNote[] row) => string.Join(' ', row.Select(n => $"{n.Pitch}:{n.Value.Length}"));

    /// <summary>The same for rows that differ only by their height on the staff.</summary>
    private static string Moved(PieceNote[] row)
    {
        var lowest = row.Where(n => !n.IsRest).Min(n => n.Pitch!.Value.Step);
        return string.Join(' ', row.Select(n => $"{n.Pitch?.Step - lowest}:{n.Value.Length}"));
    }

    /// <summary>Its values, rests told from notes.</summary>
    private static string RhythmOf(PieceNote[] row) =>
        string.Join(' ', row.Select(n => $"{(n.IsRest ? "z" : "")}{n.Value.Length}"));

    private static bool IsRhythm(PieceNote[] bar) =>
        bar.Count(n => !n.IsRest) > 1 && bar.Select(n => (n.IsRest, n.Value.Length)).Distinct().Count() > 1;

    private static bool Moves(PieceNote[] row) => row.Where(n => !n.IsRest).Select(n => n.Pitch).Distinct().Count() > 1;

    /// <summary>The last note of a piece whose last bar is there settles on the tonic, or stays open.</summary>
    private static IEnumerable<Advice> Ending(Piece piece, WritingTask task)
    {
        if (piece.Bars.Count < task.Bars || piece.Bars[^1].LastOrDefault(n => !n.IsRest)?.Pitch is not { } last)
            return [];
        if (Piece.LengthOf(piece.Bars[^1]) < task.Meter.BarLength)
            return [];
        var home = task.Key.Tonic;
        var settles = (last.Letter, last.Alter) == (home.Letter, home.Alter);
        return [new Advice(AdviceKind.Ending, piece.Bars.Count, settles, last, home)];
    }
}
