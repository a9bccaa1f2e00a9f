using Coppia.Core.Music;

namespace Coppia.Core.Form;

/// <summary>
/// Parts by their letters played in an order that the source names: AABA, A2B, (AB)3C (ABC standard 2.1, section
/// 3.1.9).
/// </summary>
internal static class PartOrder
{
    /// <summary>Most parts in a row that are played, whatever the source asks for.</summary>
    private const int MostParts = 100;

    /// <param name="bars">The bars, some with the label of the part that begins with them.</param>
    /// <param name="order">The labels in the order of playing.</param>
    /// <param name="written">The order that the repeat signs ask for.</param>
    /// <returns>Null where the order names a part that the tune does not have, or only says what its repeat signs
    /// say.</returns>
    public static IReadOnlyList<PlayedBar>? Of(IReadOnlyList<Bar> bars, string order, IReadOnlyList<PlayedBar> written)
    {
        var at = 0;
        var asked = Unfolded(order, ref at);
        var starts = bars.Index()
            .Where(b => b.Item.Label is not null)
            .Select(b => (b.Item.Label, Bar: b.Index))
            .ToArray();
        if (
            asked.Count == 0
            || starts.Length == 0
            || asked.Any(l => starts.All(s => s.Label != l))
            || asked.SequenceEqual(Heard())
        )
            return null;

        var played = new List<PlayedBar>();
        var times = new int[bars.Count];
        foreach (var label in asked)
        {
            var part = Array.FindIndex(starts, s => s.Label == label);
            var first = starts[part].Bar;
            var end = part + 1 < starts.Length ? starts[part + 1].Bar : bars.Count;
            foreach (var (bar, _) in PlayOrder.AsWritten([.. bars.Skip(first).Take(end - first)]))
                played.Add(new PlayedBar(first + bar, ++times[first + bar]));
        }

        return played;

        IEnumerable<string> Heard() =>
            written.Where(p => bars[p.Bar].Label is not null).Select(p => bars[p.Bar].Label!);
    }

    /// <summary>
    /// Letters one by one, groups in brackets and counts after them unfolded; dots and blanks only part them.
    /// </summary>
    private static List<string> Unfolded(string order, ref int at)
    {
        var parts = new List<string>();
        while (at < order.Length && order[at] != ')')
        {
            var c = order[at++];
            List<string> group;
            if (c == '(')
            {
                group = Unfolded(order, ref at);
                at++;
            }
            else if (char.IsLetter(c))
            {
                group = [c.ToString()];
            }
            else
            {
                continue;
            }

            var from = at;
            while (at < order.Length && char.IsAsciiDigit(order[at]) && at - from < 2)
                at++;
            var times =
                at > from
                    ? int.Parse(order.AsSpan(from, at - from), System.Globalization.CultureInfo.InvariantCulture)
                    : 1;
            for (var i = 0; i < times && parts.Count + group.Count <= MostParts; i++)
                parts.AddRange(group);
        }

        return parts;
    }
}
