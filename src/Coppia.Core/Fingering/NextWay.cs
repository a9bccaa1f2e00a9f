using Coppia.Core.Knowledge;

namespace Coppia.Core.Fingering;

/// <summary>The way that a teacher gets who asks for another one of a note.</summary>
/// <param name="String">Its string, 0 = lowest.</param>
/// <param name="Finger">Its finger, 0 = open.</param>
/// <param name="IsFree">It is the one that is chosen where nothing is fixed.</param>
public readonly record struct NextWay(int String, int Finger, bool IsFree)
{
    /// <summary>
    /// The way after the present one, round and round: highest string first, then by finger. Ways beyond the class come
    /// up only for a note that is beyond it anyway. Null for a note with one way.
    /// </summary>
    /// <param name="others">Its other ways (<see cref="FingeredNote.Others"/>), which take some work to find.</param>
    public static NextWay? After(FingeredNote note, IReadOnlyList<OtherWay> others, Player player)
    {
        if (note.Placement is not { } at)
            return null;
        var ways = others
            .Where(o => note.Beyond || player.Allows(o.Placement))
            .Select(o => (o.Placement.String, o.Placement.Finger, Cost: o.ExtraCost ?? int.MaxValue))
            .Append((at.String, at.Finger, Cost: 0))
            .OrderByDescending(w => w.String)
            .ThenBy(w => w.Finger)
            .ToArray();
        if (ways.Length < 2)
            return null;
        var now = Array.FindIndex(ways, w => (w.String, w.Finger) == (at.String, at.Finger));
        var next = ways[(now + 1) % ways.Length];
        // Where nothing is fixed the present way is the chosen one; else the cheapest of all would be.
        var isFree = note.Pinned && next == ways.MinBy(w => w.Cost);
        return new NextWay(next.String, next.Finger, isFree);
    }
}
