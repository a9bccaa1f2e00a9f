using Coppia.Core.Instruments;

namespace Coppia.Core.Lesson;

/// <summary>
/// Where one section does what no other does, so that it needs a word of its own before the line: mostly the bass,
/// whose strings lie a fourth apart (craft 16).
/// </summary>
internal static class SectionsApart
{
    /// <summary>
    /// Of two sections each differs from "all others"; only from three on one stands out by fingering.
    /// </summary>
    private const int EnoughToStandOut = 3;

    public static IReadOnlyList<OwnWay> In(int sections, IReadOnlyList<CallMoment> moments)
    {
        if (sections < 2)
            return [];
        var found = moments.SelectMany(m => At(m).Select(own => (own.Kind, own.Section, own.At, m.Bar.Number)));
        return
        [
            .. found
                // Of a shift the position matters, of the rest the pair.
                .GroupBy(f =>
                    (f.Section, f.Kind, f.Kind == OwnWayKind.Shifts ? new Pair(f.At.Frame, 0, default) : f.At.Pair)
                )
                .OrderBy(g => g.Key.Section)
                .ThenBy(g => g.Key.Kind)
                .ThenBy(g => g.First().Number)
                .Select(g => new OwnWay(
                    g.Key.Kind,
                    g.Key.Section,
                    g.First().At,
                    [.. g.Select(f => f.Number).Distinct()]
                )),
        ];
    }

    private static IEnumerable<(OwnWayKind Kind, int Section, Placement At)> At(CallMoment moment)
    {
        // Compared only where all of them begin a note that they can play.
        if (moment.IsGrace || moment.Sections.Any(s => s.Note?.Placement is null))
            yield break;
        Placement[] ways = [.. moment.Sections.Select(s => s.Note!.Placement!.Value)];
        bool[] moves = [.. moment.Sections.Select(s => s.Note!.Arrives)];
        for (var s = 0; s < ways.Length; s++)
        {
            var others = Enumerable.Range(0, ways.Length).Where(o => o != s).ToArray();
            if (ways[s].IsOpen && others.All(o => !ways[o].IsOpen))
                yield return (OwnWayKind.Open, s, ways[s]);
            if (!ways[s].IsOpen && ways.Length >= EnoughToStandOut && others.All(o => ways[o].IsOpen))
                yield return (OwnWayKind.Fingers, s, ways[s]);
            if (moves[s] && others.All(o => !moves[o]))
                yield return (OwnWayKind.Shifts, s, ways[s]);
        }
    }
}
