using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording;

namespace Coppia.Core.Form;

/// <summary>How a new bar resembles an earlier one (handbook 10).</summary>
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
/// <param name="Text">In words.</param>
/// <param name="NoteIds">Its notes.</param>
public sealed record Likeness(LikenessKind Kind, int Bar, string Text, IReadOnlyList<string> NoteIds)
{
    /// <summary>How many different bars back a likeness is looked for: farther back nobody hears it.</summary>
    private const int BarsRemembered = 16;

    /// <summary>Most sentences on rhythms, and most of all other kinds.</summary>
    private const int MostRhythms = 3;
    private const int MostOthers = 10;

    /// <summary>Most values of a rhythm that are spelled out.</summary>
    private const int LongestSpelled = 6;

    internal static IReadOnlyList<Likeness> Of(BarMusic[] music, HouseStyle style)
    {
        Likeness[] others = [.. Others(music, style).Take(MostOthers)];

        // A bar that is an earlier one moved or turned upside down has its rhythm anyway.
        var told = others
            .Where(o => o.Kind is LikenessKind.Octave or LikenessKind.Sequence or LikenessKind.UpsideDown)
            .Select(o => music[o.Bar].Key)
            .ToHashSet();
        return [.. Rhythms(music, told, style).Concat(others)];
    }

    /// <summary>"Three rhythms; that of bar 1 (quarter quarter half) fills nine of its 16 bars."; null where there is nothing to compare.</summary>
    internal static string? RhythmSummary(BarMusic[] music, HouseStyle style)
    {
        var full = music.Where(m => !m.Bar.IsPickUp && m.Sounds.Any(s => s != 0)).ToArray();
        if (full.Length < 2)
            return null;
        var groups = full.GroupBy(m => m.Rhythm).OrderByDescending(g => g.Count()).ToArray();
        var count = groups.Length == 1 ? "One rhythm" : English.Capital($"{English.Number(groups.Length)} rhythms");
        var most = groups[0].ToArray();
        if (groups.Length == 1)
            return $"{count}{Spelled(most[0], style)} in all its bars.";
        return most.Length == 1
            ? $"{count}, a new one in every bar."
            : $"{count}; that of {most[0].Bar.Named}{Spelled(most[0], style)} fills {English.Number(most.Length)} of its {English.Number(full.Length)} bars.";
    }

    /// <summary>Other notes to a rhythm that came before: the rhythms that carry most bars.</summary>
    private static IEnumerable<Likeness> Rhythms(BarMusic[] music, HashSet<int> told, HouseStyle style) =>
        (
            from alike in music.Index().Where(m => !m.Item.Bar.IsPickUp && m.Item.Sounds.Any(s => s != 0)).GroupBy(m => m.Item.Rhythm)
            let first = alike.First().Item
            let others = alike.Where(m => m.Item.Key != first.Key && !told.Contains(m.Item.Key)).ToArray()
            where others.Length > 0 && first.Sounds.Length > 1
            orderby others.Length descending
            select new Likeness(
                LikenessKind.SameRhythm,
                others[0].Index,
                English.Sentence(
                    $"{English.Bars(others.Select(o => o.Item.Bar.Number))}: the rhythm of {first.Bar.Named}{Spelled(first, style)}"
                ),
                [.. others.SelectMany(o => o.Item.Bar.Events).Where(e => !e.IsRest).Select(e => e.Id)]
            )
        ).Take(MostRhythms);

    /// <summary>For each bar that is new and not all rests, the closest likeness to one not long before.</summary>
    private static IEnumerable<Likeness> Others(BarMusic[] music, HouseStyle style)
    {
        var met = new HashSet<int>();
        var earlier = new List<int>();
        for (var i = 0; i < music.Length; i++)
        {
            var bar = music[i];
            if (bar.Bar.IsPickUp || bar.Sounds.Length < 2 || bar.Sounds.All(s => s == 0) || !met.Add(bar.Key))
                continue;
            foreach (
                var kind in new[]
                {
                    LikenessKind.Octave,
                    LikenessKind.Sequence,
                    LikenessKind.OtherRhythm,
                    LikenessKind.UpsideDown,
                    LikenessKind.RhythmTurned,
                }
            )
            {
                // The nearest bar of the closest kind.
                var found = Enumerable.Reverse(earlier).Select(k => Told(kind, bar, music[k], style)).FirstOrDefault(t => t is not null);
                if (found is null)
                    continue;
                yield return new Likeness(kind, i, found, [.. bar.Bar.Events.Where(e => !e.IsRest).Select(e => e.Id)]);
                break;
            }

            earlier.Add(i);
            if (earlier.Count > BarsRemembered)
                earlier.RemoveAt(0);
        }
    }

    private static string? Told(LikenessKind kind, BarMusic bar, BarMusic earlier, HouseStyle style)
    {
        var (here, there) = (bar.Bar.Spoken, earlier.Bar.Named);
        switch (kind)
        {
            case LikenessKind.Octave or LikenessKind.Sequence:
                if (
                    Moved(bar, earlier) is not { } steps
                    || bar.Sounds.Length < 3
                    || (Math.Abs(steps) == 7) != (kind == LikenessKind.Octave)
                )
                    return null;
                var far =
                    Math.Abs(steps) == 7 ? "an octave"
                    : Math.Abs(steps) == 1 ? "a step"
                    : $"{English.Number(Math.Abs(steps))} steps";
                return $"{here}: {there} again, {far} {(steps > 0 ? "higher" : "lower")}.";
            case LikenessKind.OtherRhythm:
                return InAnotherRhythm(bar, earlier) ? $"{here} is {there} {OtherRhythm(bar, earlier, style)}." : null;
            case LikenessKind.UpsideDown:
                return IsUpsideDown(bar, earlier) ? $"{here}: {there} turned upside down, what went up goes down." : null;
            default:
                return IsTurned(bar, earlier) ? $"{here}: the rhythm of {there} turned round{Spelled(bar, style)}." : null;
        }
    }

    /// <summary>By how many steps, one to seven, every note lies off the other bar's; null where they do not move together.</summary>
    private static int? Moved(BarMusic bar, BarMusic earlier)
    {
        if (bar.Rhythm != earlier.Rhythm || bar.Sounds.Distinct().Count() < 2)
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
    private static bool InAnotherRhythm(BarMusic bar, BarMusic earlier) =>
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

    private static string OtherRhythm(BarMusic bar, BarMusic earlier, HouseStyle style)
    {
        var (now, then) = (Shortest(bar), Shortest(earlier));
        if (now.Length > then.Length && !then.InTuplet)
            return $"without its {Plural(then, style)}";
        return now.Length < then.Length && !now.InTuplet ? $"with {Plural(now, style)}" : "in another rhythm";
    }

    private static NoteValue Shortest(BarMusic bar) => bar.Bar.Events.Where(e => !e.IsRest).MinBy(e => e.Length)!.Value;

    private static string Plural(NoteValue value, HouseStyle style)
    {
        var words = value.Words(style.ValueNames);
        return words.EndsWith("half", StringComparison.Ordinal) ? words[..^4] + "halves" : words + "s";
    }

    /// <summary>Steps up become steps down, in the same rhythm; a bar of one pitch has no upside.</summary>
    private static bool IsUpsideDown(BarMusic bar, BarMusic earlier)
    {
        if (bar.Rhythm != earlier.Rhythm)
            return false;
        var (now, then) = (Steps(bar), Steps(earlier));
        return now.Length > 1 && then.Any(s => s != 0) && now.SequenceEqual(then.Select(s => -s));
    }

    private static int[] Steps(BarMusic bar)
    {
        var pitches = bar.Bar.Events.Where(e => !e.IsRest).Select(e => e.Pitch!.Value.Step).ToArray();
        return [.. pitches.Zip(pitches.Skip(1), (a, b) => b - a)];
    }

    /// <summary>The lengths and rests in reverse order; a rhythm that reads the same both ways is not turned.</summary>
    private static bool IsTurned(BarMusic bar, BarMusic earlier)
    {
        var (now, then) = (bar.Bar.Events, earlier.Bar.Events);
        if (bar.Rhythm == earlier.Rhythm || now.Count != then.Count || now.Count < 3 || now.Any(e => e.TiedOn) || then.Any(e => e.TiedOn))
            return false;
        for (var i = 0; i < now.Count; i++)
        {
            if (now[i].Length != then[^(i + 1)].Length || now[i].IsRest != then[^(i + 1)].IsRest)
                return false;
        }

        return true;
    }

    /// <summary>" (quarter quarter half)", or nothing where that would be long.</summary>
    private static string Spelled(BarMusic bar, HouseStyle style) =>
        bar.Bar.Events.Count > LongestSpelled || bar.Bar.Events.Any(e => e.TiedOn)
            ? ""
            : $" ({string.Join(' ', bar.Bar.Events.Select(e => e.IsBarRest ? "rest" : e.Value.Words(style.ValueNames) + (e.IsRest ? " rest" : "")))})";
}
