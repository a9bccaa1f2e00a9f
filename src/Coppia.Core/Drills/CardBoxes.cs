namespace Coppia.Core.Drills;

/// <summary>Where a learner's card lies.</summary>
/// <param name="Box">1 to 5.</param>
/// <param name="Due">The day on which it comes again.</param>
public readonly record struct BoxedCard(int Box, DateOnly Due);

/// <summary>
/// Five boxes of cards (Leitner 1972, as craft 14 has them): a right answer moves a card up, a wrong one to the first
/// box; boxes come back after 0, 1, 2, 4 and 8 days. A right answer that took long leaves the card where it is: a
/// player has less time than that.
/// </summary>
public static class CardBoxes
{
    public const int Last = 5;

    /// <summary>Longer than that is too long for a player, in seconds (common practice).</summary>
    public const double Quick = 8;

    private static readonly int[] Days = [0, 1, 2, 4, 8];

    /// <summary>Where a card lies after an answer.</summary>
    /// <param name="before">Where it lay; null for a card that was never asked, which lies in the first box.</param>
    /// <param name="seconds">How long the answer took.</param>
    /// <param name="day">The learner's own day, by the calendar where they are.</param>
    public static BoxedCard After(BoxedCard? before, bool right, double seconds, DateOnly day)
    {
        var box = before?.Box ?? 1;
        var now =
            !right ? 1
            : seconds > Quick ? box
            : Math.Min(Last, box + 1);
        return new BoxedCard(now, day.AddDays(Days[now - 1]));
    }

    /// <summary>
    /// The cards of a round: those that are due, the lowest box first and in it the longest due; then cards that were
    /// never asked, in their order.
    /// </summary>
    /// <param name="all">Every card that the learner may be asked, in the order in which they are learned.</param>
    /// <param name="boxed">Where those lie that were asked before.</param>
    public static IReadOnlyList<T> Round<T>(
        IReadOnlyList<T> all,
        IReadOnlyDictionary<T, BoxedCard> boxed,
        DateOnly day,
        int most
    )
        where T : notnull =>
        [
            .. all.Where(c => boxed.TryGetValue(c, out var at) && at.Due <= day)
                .OrderBy(c => boxed[c].Box)
                .ThenBy(c => boxed[c].Due)
                .Concat(all.Where(c => !boxed.ContainsKey(c)))
                .Take(most),
        ];
}
