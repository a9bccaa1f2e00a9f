using System.Globalization;
using Coppia.Core.Drills;
using Coppia.Core.Logbook;
using Coppia.Core.Practice;
using Coppia.Core.Wording.Learn;
using Coppia.Core.Wording.Logbook;

namespace Coppia.Tests;

/// <summary>
/// The logbook against records worked out by hand. Source: craft 14 (three mistakes of a kind are a habit), 15 and 22
/// (who needs help with what, rest days are good days); weeks begin on Monday by ISO 8601. That a quiet week, or half
/// of the usual, is worth a question is from memory.
/// </summary>
public class LogbookTests
{
    /// <summary>A Friday.</summary>
    private static readonly DateOnly Today = Day("2026-11-27");

    private static readonly LearnerCard Card = new(
        CardKind.NoteToPair,
        new KnownNote("violin", Pitch.Parse("D4"), Pitch.Parse("F#4"))
    );

    private static DateOnly Day(string day) => DateOnly.Parse(day, CultureInfo.InvariantCulture);

    /// <summary>"2026-11-23 10, 2026-11-25 5": days with their minutes.</summary>
    private static Practised[] Minutes(string days) =>
        [
            .. days.Split(", ", StringSplitOptions.RemoveEmptyEntries)
                .Select(d => d.Split(' '))
                .Select(d => new Practised(Day(d[0]), int.Parse(d[1], CultureInfo.InvariantCulture))),
        ];

    private static LearnerLog Log(
        string minutes = "",
        CardSlip[]? slips = null,
        Noted[]? notes = null,
        SetTask[]? tasks = null
    ) => new(Minutes(minutes), slips ?? [], notes ?? [], tasks ?? []);

    private static CardSlip[] Slips(MistakeKind kind, params string[] days) =>
        [.. days.Select(d => new CardSlip(Day(d), Card, kind))];

    [Theory]
    [InlineData("2026-11-23 10, 2026-11-25 5, 2026-11-27 5", "2026-11-27", "11-09 0, 11-16 0, 11-23 20")]
    // A Sunday is the last day of its week, the Monday after it the first of the next.
    [InlineData("2026-11-15 7, 2026-11-16 8, 2026-11-22 9", "2026-11-23", "11-09 7, 11-16 17, 11-23 0")]
    // Over the turn of the year, and over the change of the clock (25 October 2026 in Europe).
    [InlineData("2026-12-28 3, 2027-01-01 4, 2027-01-03 5", "2027-01-04", "12-21 0, 12-28 12, 01-04 0")]
    [InlineData("2026-10-24 6, 2026-10-25 6, 2026-10-26 1", "2026-10-26", "10-12 0, 10-19 12, 10-26 1")]
    public void Minutes_are_added_up_from_Monday_to_Sunday(string minutes, string today, string weeks) =>
        Assert.Equal(
            weeks,
            string.Join(", ", Log(minutes).Weeks(Day(today), 3).Select(w => $"{w.Begin:MM-dd} {w.Minutes}"))
        );

    // Where people begin the week on another day (Unicode CLDR: Sunday in the United States, Saturday in Egypt).
    [Theory]
    [InlineData(DayOfWeek.Sunday, "11-15 24, 11-22 4")]
    [InlineData(DayOfWeek.Saturday, "11-14 15, 11-21 13")]
    public void A_week_begins_on_the_day_that_is_asked_for(DayOfWeek first, string weeks) =>
        Assert.Equal(
            weeks,
            string.Join(
                ", ",
                Log("2026-11-15 7, 2026-11-20 8, 2026-11-21 9, 2026-11-23 4")
                    .Weeks(Day("2026-11-24"), 2, first)
                    .Select(w => $"{w.Begin:MM-dd} {w.Minutes}")
            )
        );

    [Theory]
    [InlineData(MistakeKind.LowHigh, "2026-11-27 2026-11-26", "")] // two are slips
    [InlineData(MistakeKind.LowHigh, "2026-11-27 2026-11-27 2026-11-27", "LowHigh 3")]
    [InlineData(MistakeKind.OneStep, "2026-10-31 2026-11-01 2026-11-02", "OneStep 3")] // the 28th day back
    [InlineData(MistakeKind.OneStep, "2026-10-30 2026-10-31 2026-11-02", "")] // the 29th is too long ago
    [InlineData(MistakeKind.Unclear, "2026-11-27 2026-11-27 2026-11-27", "")] // nothing is known of them
    public void Three_mistakes_of_a_kind_in_four_weeks_are_a_habit(MistakeKind kind, string days, string habits) =>
        Assert.Equal(
            habits,
            string.Join(", ", Log(slips: Slips(kind, days.Split(' '))).Habits(Today).Select(h => $"{h.Kind} {h.Times}"))
        );

    [Fact]
    public void A_tempo_is_the_fastest_that_was_told_of_a_tune()
    {
        var log = Log() with
        {
            Practised =
            [
                new(Day("2026-11-20"), 0, Tune: 7, Tempo: 60),
                new(Day("2026-11-18"), 5, Tune: 7, Tempo: 50),
                new(Day("2026-11-20"), 0, Tune: 7, Tempo: 66),
                new(Day("2026-11-21"), 9, Tune: 7, Tempo: 60),
                new(Day("2026-11-21"), 9, Tune: 8),
                new(Day("2026-11-21"), 9),
            ],
        };
        var tune = Assert.Single(log.Tempos());
        Assert.Equal((7L, 66), (tune.Tune, tune.Best));
        Assert.Equal(
            "11-18 50, 11-20 66, 11-21 60",
            string.Join(", ", tune.Steps.Select(s => $"{s.Day:MM-dd} {s.Tempo}"))
        );
        Assert.Null(log.Best(8));
    }

    public static TheoryData<LearnerLog, string> Reasons =>
        new()
        {
            // The plainest records: nothing at all, a few minutes every day, a day of rest or six, everything right.
            { Log(), "" },
            { Log("2026-11-26 5, 2026-11-25 5, 2026-11-24 5"), "" },
            { Log("2026-11-21 10"), "" },
            // Seven days without minutes, today among them.
            { Log("2026-11-20 10"), "No minutes have come since Fri, Nov 20." },
            // Half of the usual is still enough: 80 in four weeks is 20 a week.
            { Log("2026-11-19 80, 2026-11-27 10"), "" },
            { Log("2026-11-19 80, 2026-11-27 9"), "11 minutes fewer in the last seven days than usual." },
            // Who is used to little is not asked for it.
            { Log("2026-11-19 76, 2026-11-27 1"), "" },
            {
                Log(slips: Slips(MistakeKind.LowHigh, "2026-11-20", "2026-11-21", "2026-11-22")),
                "Low, regular or high finger, three times in four weeks."
            },
            { Log(tasks: [new SetTask(Day("2026-11-27"), IsDone: false, Tune: 7)]), "" },
            { Log(tasks: [new SetTask(Day("2026-11-26"), IsDone: true, Tune: 7)]), "" },
            {
                Log(tasks: [new SetTask(Day("2026-11-26"), IsDone: false, Tune: 7)]),
                "“Two Buckets” was due on Thu, Nov 26."
            },
            { Log(tasks: [new SetTask(Day("2026-11-25"), IsDone: false)]), "One thing was due on Wed, Nov 25." },
            // What was said a fortnight ago is over; that it goes well is no reason.
            { Log(notes: [new Noted(Day("2026-11-13"), LearnerNote.Help)]), "" },
            {
                Log(notes: [new Noted(Day("2026-11-14"), LearnerNote.Help, Tune: 7)]),
                "Asked for help with “Two Buckets” on Sat, Nov 14."
            },
            { Log(notes: [new Noted(Day("2026-11-27"), LearnerNote.Well, Tune: 7)]), "" },
            {
                Log(
                    "2026-11-01 10",
                    notes:
                    [
                        new Noted(Day("2026-11-26"), LearnerNote.NoTime),
                        new Noted(Day("2026-11-25"), LearnerNote.Mend),
                    ]
                ),
                "No minutes have come since Sun, Nov 1. The instrument or bow needs mending. "
                    + "Had no time in the last weeks."
            },
            // Craft 18: what hurts comes first.
            {
                Log(
                    notes:
                    [
                        new Noted(Day("2026-11-27"), LearnerNote.Help),
                        new Noted(Day("2026-11-20"), LearnerNote.Hurts),
                    ]
                ),
                "On Fri, Nov 20: “Something hurts when I play.” Stop and rest first; lasting pain is for a doctor. "
                    + "Asked for help on Fri, Nov 27."
            },
        };

    [Theory]
    [MemberData(nameof(Reasons))]
    public void A_learner_is_asked_for_a_reason_that_is_told(LearnerLog log, string why) =>
        Assert.Equal(
            why,
            string.Join(
                ' ',
                AskFirst.Why(log, Today).Select(w => LogWords.Why(w, w.Tune is null ? null : "Two Buckets"))
            )
        );

    [Fact]
    public void Two_are_asked_the_one_who_hurts_first_and_of_the_quiet_the_quietest()
    {
        (string, LearnerLog)[] all =
        [
            ("fine", Log("2026-11-26 10")),
            ("late", Log(tasks: [new SetTask(Day("2026-11-20"), IsDone: false)])),
            ("quiet", Log("2026-11-18 10")),
            ("quieter", Log("2026-11-08 10")),
            ("hurts", Log("2026-11-26 10", notes: [new Noted(Day("2026-11-26"), LearnerNote.Hurts)])),
        ];
        Assert.Equal("hurts, quieter", string.Join(", ", AskFirst.Of(all, Today).Select(a => a.Learner)));
        Assert.Equal("quieter, quiet", string.Join(", ", AskFirst.Of(all[..4], Today).Select(a => a.Learner)));
        Assert.Empty(AskFirst.Of(all[..1], Today));
    }

    /// <summary>Nothing that is told blames (craft 22), and every kind has its words.</summary>
    [Fact]
    public void Whatever_is_told_is_told_of_the_work()
    {
        foreach (var kind in Enum.GetValues<MistakeKind>().Where(k => k != MistakeKind.Right))
            Assert.DoesNotMatch(
                "(?i)lazy|fail|bad|never|should|must not",
                $"{LogWords.Habit(kind)} {LogWords.Helps(kind)}"
            );
        Assert.Equal(
            Enum.GetValues<CardKind>().Length,
            Enum.GetValues<CardKind>().Select(LogWords.Kind).Distinct().Count()
        );
        Assert.Equal(
            Enum.GetValues<LearnerNote>().Length,
            Enum.GetValues<LearnerNote>().Select(LearnWords.Note).Distinct().Count()
        );
    }
}
