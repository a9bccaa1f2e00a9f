using Coppia.Core.Music;

namespace Coppia.Core.Form;

/// <summary>How a new bar resembles an earlier one (craft 10).</summary>
public enum LikenessKind
{
    Octave,
    Sequence,
    OtherRhythm,
    UpsideDown,
    RhythmTurned,
    SameRhythm,
}

/// <summary>A likeness between bars, learned as one thing.</summary>
/// <param name="Kind">In what they are alike.</param>
/// <param name="Bar">Order of the bar, or first of the bars, that resembles an earlier one.</param>
/// <param name="Of">Order of the earlier bar.</param>
/// <param name="NoteIds">Its notes.</param>
public sealed record Likeness(LikenessKind Kind, int Bar, int Of, IReadOnlyList<string> NoteIds)
{
    /// <summary>For an octave or a sequence: how many steps higher it lies, −7 to 7.</summary>
    public int Steps { get; init; }

    /// <summary>
    /// For another rhythm: the value that the bar has instead of longer ones, or the earlier bar had; null where they
    /// share their shortest.
    /// </summary>
    public NoteValue? Shorter { get; init; }

    /// <summary>The bar itself has the shorter value, not the earlier one.</summary>
    public bool IsQuicker { get; init; }

    /// <summary>For one rhythm: orders of all the bars that have it.</summary>
    public IReadOnlyList<int> Bars { get; init; } = [];

    /// <summary>How many different bars back a likeness is looked for: farther back nobody hears it.</summary>
    private const int BarsRemembered = 16;

    /// <summary>Most sentences on rhythms, and most of all other kinds.</summary>
    private const int MostRhythms = 3;
    private const int MostOthers = 10;

    internal static IReadOnlyList<Likeness> In(BarMusic[] music)
    {
        Likeness[] others = [.. Others(music).Take(MostOthers)];

        // A bar that is an earlier one moved or turned upside down has its rhythm anyway.
        var told = others
            .Where(o => o.Kind is LikenessKind.Octave or LikenessKind.Sequence or LikenessKind.UpsideDown)
            .Select(o => music[o.Bar].Key)
            .ToHashSet();
        return [.. Rhythms(music, told).Concat(others)];
    }

    /// <summary>Other notes to a rhythm that came before: the rhythms that carry most bars.</summary>
    private static IEnumerable<Likeness> Rhythms(BarMusic[] music, HashSet<int> told) =>
        (
            from alike in music.Index().Where(m => !m.Item.Bar.IsPickUp && m.Item.HasNotes).GroupBy(m => m.Item.Rhythm)
            let first = alike.First()
            let others = alike.Where(m => m.Item.Key != first.Item.Key && !told.Contains(m.Item.Key)).ToArray()
            where others.Length > 0 && first.Item.Sounds.Length > 1
            orderby others.Length descending
            select new Likeness(
                LikenessKind.SameRhythm,
                others[0].Index,
                first.Index,
                [.. others.SelectMany(o => NoteIdsOf(o.Item))]
            )
            {
                Bars = [.. others.Select(o => o.Index)],
            }
        ).Take(MostRhythms);

    private static IEnumerable<string> NoteIdsOf(BarMusic bar) =>
        bar.Bar.Events.Where(e => !e.IsRest).Select(e => e.Id);

    /// <summary>The kinds other than one rhythm, the closest first.</summary>
    private static readonly Func<BarMusic, BarMusic, Likeness?>[] Kinds =
    [
        (bar, earlier) =>
            Moved(bar, earlier) is { } steps && Math.Abs(steps) == 7
                ? Like(LikenessKind.Octave) with
                {
                    Steps = steps,
                }
                : null,
        (bar, earlier) =>
            Moved(bar, earlier) is { } steps && Math.Abs(steps) < 7
                ? Like(LikenessKind.Sequence) with
                {
                    Steps = steps,
                }
                : null,
        (bar, earlier) => IsInAnotherRhythm(bar, earlier) ? InAnotherRhythm(bar, earlier) : null,
        (bar, earlier) => IsUpsideDown(bar, earlier) ? Like(LikenessKind.UpsideDown) : null,
        (bar, earlier) => IsTurned(bar, earlier) ? Like(LikenessKind.RhythmTurned) : null,
    ];

    private static Likeness Like(LikenessKind kind) => new(kind, Bar: 0, Of: 0, NoteIds: []);

    /// <summary>For each bar that is new and not all rests, the closest likeness to one not long before.</summary>
    private static IEnumerable<Likeness> Others(BarMusic[] music)
    {
        var met = new HashSet<int>();
        var earlier = new List<int>();
        for (var i = 0; i < music.Length; i++)
        {
            var bar = music[i];
            if (bar.Bar.IsPickUp || bar.Sounds.Length < 2 || !bar.HasNotes || !met.Add(bar.Key))
                continue;
            // The nearest bar of the closest kind.
            var closest = Kinds
                .SelectMany(kind => Enumerable.Reverse(earlier).Select(k => (Of: k, Found: kind(bar, music[k]))))
                .FirstOrDefault(l => l.Found is not null);
            if (closest.Found is { } found)
                yield return found with
                {
                    Bar = i,
                    Of = closest.Of,
                    NoteIds = [.. NoteIdsOf(bar)],
                };

            earlier.Add(i);
            if (earlier.Count > BarsRemembered)
                earlier.RemoveAt(0);
        }
    }

    /// <summary>
    /// By how many steps, one to seven, each of three notes and more lies off the other bar's; null where they do not
    /// move together.
    /// </summary>
    private static int? Moved(BarMusic bar, BarMusic earlier)
    {
        if (bar.Rhythm != earlier.Rhythm || bar.Sounds.Length < 3 || bar.Sounds.Distinct().Count() < 2)
            return null;
        int? moved = null;
        for (var i = 0; i < bar.Bar.Events.Count; i++)
        {
            if (bar.Bar.Events[i].Pitch is not { } to || earlier.Bar.Events[i].Pitch is not { } from)
                continue;
            if (moved is { } m && to.Step - from.Step != m)
                return null;
            moved = to.Step - from.Step;
        }

        return moved is { } steps && steps != 0 && Math.Abs(steps) <= 7 ? steps : null;
    }

    /// <summary>The same notes one after the other, a repeated note counting once, in other lengths.</summary>
    private static bool IsInAnotherRhythm(BarMusic bar, BarMusic earlier) =>
        bar.Rhythm != earlier.Rhythm
        && bar.Bar.Length == earlier.Bar.Length
        && Melody(bar).SequenceEqual(Melody(earlier))
        && Math.Max(bar.Sounds.Length, earlier.Sounds.Length) > 2;

    private static IEnumerable<int> Melody(BarMusic bar)
    {
        var before = 0;
        foreach (var sound in bar.Sounds.Where(s => s != 0))
        {
            if (sound != before)
                yield return sound;
            before = sound;
        }
    }

    /// <summary>A triplet is no value that one bar has instead of the other.</summary>
    private static Likeness InAnotherRhythm(BarMusic bar, BarMusic earlier)
    {
        var (now, then) = (Shortest(bar), Shortest(earlier));
        NoteValue? shorter =
            now.Length > then.Length && !then.InTuplet ? then
            : now.Length < then.Length && !now.InTuplet ? now
            : null;
        return Like(LikenessKind.OtherRhythm) with { Shorter = shorter, IsQuicker = now.Length < then.Length };
    }

    private static NoteValue Shortest(BarMusic bar) => bar.Bar.Events.Where(e => !e.IsRest).MinBy(e => e.Length)!.Value;

    /// <summary>Steps up become steps down, in the same rhythm; a bar of one pitch has no upside.</summary>
    private static bool IsUpsideDown(BarMusic bar, BarMusic earlier)
    {
        if (bar.Rhythm != earlier.Rhythm)
            return false;
        var (now, then) = (StepsOf(bar), StepsOf(earlier));
        return now.Length > 1 && then.Any(s => s != 0) && now.SequenceEqual(then.Select(s => -s));
    }

    private static int[] StepsOf(BarMusic bar)
    {
        var pitches = bar.Bar.Events.Where(e => !e.IsRest).Select(e => e.Pitch!.Value.Step).ToArray();
        return [.. pitches.Zip(pitches.Skip(1), (a, b) => b - a)];
    }

    /// <summary>The lengths and rests in reverse order; a rhythm that reads the same both ways is not turned.</summary>
    private static bool IsTurned(BarMusic bar, BarMusic earlier)
    {
        var (now, then) = (bar.Bar.Events, earlier.Bar.Events);
        if (
            bar.Rhythm == earlier.Rhythm
            || now.Count != then.Count
            || now.Count < 3
            || now.Any(e => e.TiedOn)
            || then.Any(e => e.TiedOn)
        )
            return false;
        for (var i = 0; i < now.Count; i++)
        {
            if (now[i].Length != then[^(i + 1)].Length || now[i].IsRest != then[^(i + 1)].IsRest)
                return false;
        }

        return true;
    }
}
