using Coppia.Core.Drills;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>What happened at home, as a learner's page reports it.</summary>
internal static class LearnReports
{
    private const int MostReports = 500;
    private const int LongestKey = 60;

    /// <summary>A phone's clock may be wrong, but not by more than that.</summary>
    private static readonly TimeSpan Ahead = TimeSpan.FromDays(2);

    /// <summary>
    /// Takes what happened at home. What is kept already counts once; what cannot be taken is told and does not stop the rest.
    /// </summary>
    public static Results<Ok<ReportTaken>, ProblemHttpResult> Take(
        HttpContext context,
        ForWhom forWhom,
        WorkRepository work,
        ReportRepository reports,
        SheetParts parts,
        TimeProvider clock,
        string link,
        LearnReport report
    )
    {
        var (practice, answers) = (report.Practice ?? [], report.Answers ?? []);
        var (done, notes) = (report.Done ?? [], report.Notes ?? []);
        if (practice.Count + answers.Count + done.Count + notes.Count > MostReports)
            return ClassEndpoints.Refused($"This report is too long; at most {MostReports} entries at once.");
        var who = LearnEndpoints.Who(context);
        var (added, leftOut) = (0, new List<string>());
        foreach (var p in practice)
        {
            if (Wrong(p.Key, p.At, clock) is { } wrong)
                leftOut.Add(wrong);
            else if (p.Minutes is < 0 or > 600 || p.Tempo is < 20 or > 300)
                leftOut.Add($"{p.Key}: expected 0 to 600 minutes, and a tempo of 20 to 300.");
            else if (reports.Keep(who.Id, RecordOf(p)))
                added++;
        }

        // Cards are of what the class knows; whoever answers with more is right too.
        var (player, judge) = (LearnEndpoints.PlayerOf(who, forWhom), parts.Players([who.Instrument])[0]);
        foreach (var a in answers)
        {
            try
            {
                if (Wrong(a.Key, a.At, clock) is { } wrong)
                    leftOut.Add(wrong);
                else if (Keep(who, a, player, judge, reports))
                    added++;
            }
            catch (FormatException e)
            {
                leftOut.Add($"{a.Key}: {e.Message}");
            }
        }

        foreach (var n in notes)
        {
            if (Wrong(n.Key, n.At, clock) is { } wrong)
                leftOut.Add(wrong);
            else if (reports.Keep(who.Id, RecordOf(n)))
                added++;
        }

        foreach (var d in done)
        {
            if (work.SetDone(d.Work, who, d.Done, by: ""))
                added++;
        }

        return TypedResults.Ok(new ReportTaken(added, leftOut));
    }

    private static string? Wrong(string key, DateTimeOffset at, TimeProvider clock) =>
        key.Length is 0 or > LongestKey ? $"Expected a key of 1 to {LongestKey} characters."
        : at > clock.GetUtcNow() + Ahead ? $"{key}: it lies ahead of today."
        : null;

    private static PracticeRecord RecordOf(PracticeReport p) =>
        new()
        {
            Key = p.Key,
            Day = DayOf(p.At),
            At = p.At.UtcDateTime,
            Minutes = p.Minutes,
            TuneId = p.TuneId,
            Tempo = p.Tempo,
        };

    private static LearnerNoteRecord RecordOf(NoteReport n) =>
        new()
        {
            Key = n.Key,
            Day = DayOf(n.At),
            At = n.At.UtcDateTime,
            Note = LearnerNotes.Text(n.Note),
            TuneId = n.TuneId,
        };

    /// <summary>The learner's own day.</summary>
    private static string DayOf(DateTimeOffset at) => WorkEndpoints.Text(DateOnly.FromDateTime(at.DateTime));

    /// <summary>Judges an answer here, whatever the phone made of it, and moves its card.</summary>
    private static bool Keep(LearnerRecord who, AnswerReport a, Player player, Player judge, ReportRepository reports)
    {
        if (LearnerCards.Item(CardName.Read(a.Card), player) is not { } item)
            throw new FormatException($"There is no card “{a.Card}” for the {player.Instrument.Name.ToLowerInvariant()}.");
        var judged = DrillEndpoints.Judged(SheetItem.Of(item.Question, judge), a.Reply, judge);
        var right = judged is { IsRight: true };
        var day = DateOnly.FromDateTime(a.At.DateTime);
        return reports.Keep(
            who.Id,
            new CardAnswerRecord
            {
                Key = a.Key,
                Card = a.Card,
                Day = WorkEndpoints.Text(day),
                At = a.At.UtcDateTime,
                Right = right,
                Seconds = Math.Clamp(a.Seconds, 0, 3600),
                Mistake =
                    right ? ""
                    : judged is null ? "shown"
                    : ReplyText.Kind(judged.Kind),
            },
            before =>
            {
                BoxedCard? lay = before is null ? null : new BoxedCard(before.Box, WorkEndpoints.Day(before.Due) ?? day);
                var lies = CardBoxes.After(lay, right, a.Seconds, day);
                return new CardBoxRecord
                {
                    Card = a.Card,
                    Box = lies.Box,
                    Due = WorkEndpoints.Text(lies.Due),
                };
            }
        );
    }
}
