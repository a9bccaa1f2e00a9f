using Coppia.Core.Drills;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Logbook;
using Coppia.Formats.Exercises;
using Coppia.Server.Asked;
using Coppia.Server.Drills;
using Coppia.Server.Exercises;
using Coppia.Server.Logbook;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Learn;

/// <summary>What happened at home, as a learner's page reports it.</summary>
internal sealed class LearnReports(Own own, ReportRepository reports, SheetParts parts, TimeProvider clock)
{
    /// <summary>
    /// Takes what happened at home, in one step. What is kept already counts once; what cannot be taken is told and
    /// does not stop the rest.
    /// </summary>
    /// <exception cref="RefusedException">It is too long.</exception>
    public ReportTaken Take(LearnReport report)
    {
        var (practice, answers) = (report.Practice ?? [], report.Answers ?? []);
        var (done, notes) = (report.Done ?? [], report.Notes ?? []);
        if (practice.Count + answers.Count + done.Count + notes.Count > Limits.MostReported)
            throw RefusedException.Wrong(
                Say("learn.reports.this-report-is-too-long-at-most", ("mostEntries", Limits.MostReported))
            );
        var leftOut = new List<LeftOutEntry>();
        // Cards are of what the class knows; whoever answers with more is right too.
        var (player, judge) = (own.Player, parts.Players([own.Who.Instrument])[0]);
        var records = new ReportRecords(
            [.. practice.Where(p => Fits(p.Key, Wrong(p.Key, p.At) ?? Wrong(p))).Select(RecordOf)],
            [.. answers.Where(a => Fits(a.Key, Wrong(a.Key, a.At))).Select(JudgedIfAny).OfType<AnsweredCard>()],
            [.. notes.Where(n => Fits(n.Key, Wrong(n.Key, n.At))).Select(RecordOf)],
            [.. done.Select(d => new DoneSaid(d.Work, d.Done))]
        );
        return new ReportTaken(reports.Keep(own.Who, records), leftOut);

        bool Fits(string key, string? wrong)
        {
            if (wrong is not null)
                leftOut.Add(new(key, wrong));
            return wrong is null;
        }

        AnsweredCard? JudgedIfAny(AnswerReport a)
        {
            try
            {
                return Judged(a, player, judge);
            }
            catch (FormatException e)
            {
                leftOut.Add(new(a.Key, e.Message));
                return null;
            }
        }
    }

    private string? Wrong(string key, DateTimeOffset at) =>
        !Report.IsKey(key) ? Say("learn.reports.expected-a-key-of-1-to-characters", ("longestKey", Limits.LongestKey))
        : !Report.CanHaveHappened(at, clock.GetUtcNow()) ? Say("learn.reports.it-lies-ahead-of-today")
        : null;

    private static string? Wrong(PracticeReport p) =>
        Report.CanBe(p.Minutes, p.Tempo)
            ? null
            : Say(
                "learn.reports.expected-minutes-and-a-tempo",
                ("mostMinutes", Limits.MostMinutes),
                ("slowest", Limits.SlowestTempo),
                ("fastest", Limits.FastestTempo)
            );

    private static PracticeRecord RecordOf(PracticeReport p) =>
        new()
        {
            Key = p.Key,
            Day = Report.DayOf(p.At),
            At = p.At.UtcDateTime,
            Minutes = p.Minutes,
            TuneId = p.TuneId,
            Tempo = p.Tempo,
        };

    private static LearnerNoteRecord RecordOf(NoteReport n) =>
        new()
        {
            Key = n.Key,
            Day = Report.DayOf(n.At),
            At = n.At.UtcDateTime,
            Note = LearnerNotes.Text(n.Note),
            TuneId = n.TuneId,
        };

    /// <summary>Judges an answer here, whatever the phone made of it, and moves its card.</summary>
    private static AnsweredCard Judged(AnswerReport a, Player player, Player judge)
    {
        if (LearnerCards.Item(CardName.Read(a.Card), player) is not { } item)
            throw new FormatException(
                Say(
                    "learn.reports.there-is-no-card-for-the",
                    ("card", a.Card),
                    ("instrument", player.Instrument.Name.ToLowerInvariant())
                )
            );
        var judged = DrillRounds.Judged(SheetItem.Of(item.Question, judge), a.Reply, judge);
        var right = judged is { IsRight: true };
        var day = Report.DayOf(a.At);
        return new AnsweredCard(
            new CardAnswerRecord
            {
                Key = a.Key,
                Card = a.Card,
                Day = day,
                At = a.At.UtcDateTime,
                Right = right,
                Seconds = Math.Clamp(a.Seconds, 0, Report.MostSeconds),
                Mistake =
                    right ? ""
                    : judged is null ? "shown"
                    : ReplyText.Kind(judged.Kind),
            },
            before =>
            {
                BoxedCard? lay = before is null ? null : new BoxedCard(before.Box, before.Due);
                var lies = CardBoxes.After(lay, right, a.Seconds, day);
                return new CardBoxRecord
                {
                    Card = a.Card,
                    Box = lies.Box,
                    Due = lies.Due,
                };
            }
        );
    }
}
