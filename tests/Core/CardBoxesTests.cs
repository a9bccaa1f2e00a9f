using Coppia.Core.Drills;

namespace Coppia.Tests;

/// <summary>
/// Five boxes against calendars worked out by hand. Source: Leitner, So lernt man lernen (1972), with the days of craft
/// 14; that a right answer over eight seconds stays is common practice.
/// </summary>
public class CardBoxesTests
{
    private static DateOnly Day(string day) => DateOnly.Parse(day, System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>r = right, s = right but slow, w = wrong; each on the day on which the card came back.</summary>
    [Theory]
    // Always right: 2 next day, 3 two days on, 4 four days on, 5 eight days on, and 5 again.
    [InlineData("2026-09-01", "rrrrr", "2/09-02 3/09-04 4/09-08 5/09-16 5/09-24")]
    // Wrong at the fourth box: back to the first, the same day, and up again.
    [InlineData("2026-09-01", "rrrwr", "2/09-02 3/09-04 4/09-08 1/09-08 2/09-09")]
    // Slow: it stays, and comes back after its own box's days.
    [InlineData("2026-09-01", "srsr", "1/09-01 2/09-02 2/09-03 3/09-05")]
    // Over the end of February of a leap year.
    [InlineData("2028-02-27", "rrr", "2/02-28 3/03-01 4/03-05")]
    // Over both changes of the clock (last Sundays of March and October 2027 in Europe; EU Directive 2000/84/EC): days
    // are days.
    [InlineData("2027-03-27", "rrr", "2/03-28 3/03-30 4/04-03")]
    [InlineData("2027-10-30", "rrr", "2/10-31 3/11-02 4/11-06")]
    public void A_card_comes_back_on_its_day(string first, string answers, string days)
    {
        var (day, card, told) = (Day(first), (BoxedCard?)null, new List<string>());
        foreach (var answer in answers)
        {
            card = CardBoxes.After(card, answer != 'w', answer == 's' ? 8.5 : 3, day);
            day = card.Value.Due;
            told.Add($"{card.Value.Box}/{day:MM-dd}");
        }

        Assert.Equal(days, string.Join(' ', told));
    }

    /// <summary>
    /// The learner's day is that of their own clock: an answer at half past eleven in the evening and one an hour later
    /// are of two days, also in the night that has 23 hours.
    /// </summary>
    [Theory]
    [InlineData("2027-03-27T23:30:00+01:00", "2027-03-28T00:30:00+01:00", "2027-03-28", "2027-03-30")]
    [InlineData("2027-03-28T01:59:00+01:00", "2027-03-28T23:30:00+02:00", "2027-03-29", "2027-03-30")]
    [InlineData("2027-10-31T00:10:00+02:00", "2027-10-31T23:50:00+01:00", "2027-11-01", "2027-11-02")]
    public void The_day_is_that_of_the_learners_clock(string first, string second, string due, string next)
    {
        static DateOnly LocalDay(string moment) =>
            DateOnly.FromDateTime(
                DateTimeOffset.Parse(moment, System.Globalization.CultureInfo.InvariantCulture).DateTime
            );
        var one = CardBoxes.After(null, right: true, 2, LocalDay(first));
        Assert.Equal(Day(due), one.Due);
        Assert.Equal(Day(next), CardBoxes.After(one, right: true, 2, LocalDay(second)).Due);
    }

    [Fact]
    public void Exactly_eight_seconds_are_not_too_long()
    {
        Assert.Equal(2, CardBoxes.After(null, right: true, 8, Day("2026-09-01")).Box);
        Assert.Equal(1, CardBoxes.After(null, right: true, 8.01, Day("2026-09-01")).Box);
    }

    [Fact]
    public void A_round_takes_what_is_due_and_then_what_is_new()
    {
        var boxed = new Dictionary<string, BoxedCard>
        {
            ["D"] = new(3, Day("2026-09-05")),
            ["E"] = new(1, Day("2026-09-07")),
            ["F"] = new(3, Day("2026-09-02")),
            ["G"] = new(2, Day("2026-09-09")),
        };
        string[] all = ["D", "E", "F", "G", "A", "B"];
        Assert.Equal(["E", "F", "D", "A", "B"], CardBoxes.Round(all, boxed, Day("2026-09-08"), 12));
        Assert.Equal(["E", "F"], CardBoxes.Round(all, boxed, Day("2026-09-08"), 2));
        Assert.Empty(CardBoxes.Round<string>([], boxed, Day("2026-09-08"), 12));
    }
}
