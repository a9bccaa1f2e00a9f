using Coppia.Core.Drills;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Coppia.Server;

/// <summary>One learner's own things, by a link that cannot be guessed. There is no account and no name beside the nickname.</summary>
internal static class LearnEndpoints
{
    private const int MostReports = 500;
    private const int LongestKey = 60;

    /// <summary>A phone's clock may be wrong, but not by more than that.</summary>
    private static readonly TimeSpan Ahead = TimeSpan.FromDays(2);

    public static void MapLearn(this WebApplication app)
    {
        var learn = app.MapGroup(LearnAddress.Root + "{link}").AllowAnonymous().AddEndpointFilter(Open);
        learn.MapGet("", Get).WithName("getLearn").ProducesProblem(404);
        learn.MapGet("/tunes/{tune:long}", Tune).WithName("getLearnTune").Produces<ReadingView>().ProducesProblem(404);
        learn.MapGet("/sheets/{sheet:long}", Sheet).WithName("getLearnSheet").ProducesProblem(404).ProducesProblem(422);
        learn.MapGet("/cards", Cards).WithName("getLearnCards").ProducesProblem(404).ProducesProblem(422);
        learn.MapPost("/answer", Judge).WithName("judgeLearnAnswer").ProducesProblem(404).ProducesProblem(422);
        learn.MapPost("/end", End).WithName("endLearnRound").ProducesProblem(404).ProducesProblem(422);
        learn.MapPost("/report", Report).WithName("sendReport").ProducesProblem(404).ProducesProblem(422);
    }

    /// <summary>Finds whose link it is; all that follows is for that learner, in their class.</summary>
    private static async ValueTask<object?> Open(EndpointFilterInvocationContext call, EndpointFilterDelegate next)
    {
        var (context, services) = (call.HttpContext, call.HttpContext.RequestServices);
        var link = context.Request.RouteValues["link"] as string ?? "";
        if (
            services.GetRequiredService<LinkRepository>().LearnerOf(link) is not { } id
            || services.GetRequiredService<LearnerRepository>().Find(id) is not { } learner
        )
            return TypedResults.Problem(statusCode: 404, title: "This link has ended. Ask your teacher for a new one.");
        context.Items[typeof(LearnerRecord)] = learner;
        ForWhom.Set(context, services.GetRequiredService<ClassRepository>().Find(learner.ClassId));
        return await next(call);
    }

    private static LearnerRecord Who(HttpContext context) => (LearnerRecord)context.Items[typeof(LearnerRecord)]!;

    private static Player PlayerOf(LearnerRecord learner, ForWhom forWhom)
    {
        forWhom.Missing(learner.Instrument, out var player);
        return player;
    }

    private static LearnView Get(
        HttpContext context,
        ForWhom forWhom,
        WorkRepository work,
        ReportRepository reports,
        TimeProvider clock,
        string link
    )
    {
        var who = Who(context);
        var since = WorkEndpoints.Since(clock);
        var done = work.Done(who.ClassId).Where(d => d.LearnerId == who.Id).Select(d => d.WorkId).ToHashSet();
        return new LearnView(
            who.Nickname,
            forWhom.Class?.Name ?? "",
            InstrumentView.Of(PlayerOf(who, forWhom)),
            [
                .. work.Of(who, since)
                    .Select(w => new LearnWork(
                        w.Id,
                        w.Kind,
                        WorkEndpoints.TitleOf(w),
                        w.TuneId,
                        w.SheetId,
                        w.Tempo,
                        w.Due,
                        done.Contains(w.Id),
                        LadderView.To(w.Tempo)
                    )),
            ],
            [.. reports.Practice(who.Id, since).GroupBy(p => p.Day).Select(g => new DayMinutes(g.Key, g.Sum(p => p.Minutes)))]
        );
    }

    /// <summary>A tune that is set to the learner; another one is not there for them.</summary>
    private static Results<FileContentHttpResult, ProblemHttpResult> Tune(
        HttpContext context,
        ForWhom forWhom,
        Readings readings,
        WorkRepository work,
        TimeProvider clock,
        string link,
        long tune
    )
    {
        var who = Who(context);
        if (work.Of(who, WorkEndpoints.Since(clock)).All(w => w.TuneId != tune))
            return TypedResults.Problem(statusCode: 404, title: "This tune is not set to you any more.");
        if (readings.Missing(tune, out var kept) is { } missing)
            return missing;
        return TypedResults.Bytes(readings.JsonOf(kept.For(who.Instrument), PlayerOf(who, forWhom)), "application/json");
    }

    /// <summary>
    /// The questions of a sheet that is set to the learner, to be answered on the screen; music to play is left to the paper.
    /// </summary>
    private static Results<Ok<DrillView>, ProblemHttpResult> Sheet(
        HttpContext context,
        SheetRepository sheets,
        WorkRepository work,
        Styles styles,
        SheetParts parts,
        TimeProvider clock,
        IOptions<JsonOptions> json,
        string link,
        long sheet
    )
    {
        var who = Who(context);
        if (work.Of(who, WorkEndpoints.Since(clock)).All(w => w.SheetId != sheet) || sheets.Find(sheet) is not { } kept)
            return TypedResults.Problem(statusCode: 404, title: "This sheet is not set to you any more.");
        return ExerciseEndpoints.Made(
            () =>
            {
                var (doc, player) = (SheetEndpoints.DocOf(kept, json), parts.Players([who.Instrument])[0]);
                var asked = doc
                    .Parts.Where(p => !SheetParts.KindOf(p.Request.Kind).IsPlayed())
                    .SelectMany(p => p.Items.Select(i => (p.Request.Kind, i.Questions)))
                    .Where(q => q.Questions.ContainsKey(who.Instrument));
                return DrillEndpoints.View(
                    doc.Heading,
                    player,
                    asked.Index().Select(q => DrillEndpoints.Read(q.Item.Kind, q.Item.Questions[who.Instrument], player, q.Index))
                );
            },
            styles
        );
    }

    /// <summary>The round of cards that is due.</summary>
    /// <param name="day">The learner's own day.</param>
    private static Results<Ok<LearnCards>, ProblemHttpResult> Cards(
        HttpContext context,
        ForWhom forWhom,
        ReportRepository reports,
        string link,
        string day
    )
    {
        if (WorkEndpoints.Day(day) is not { } today)
            return ClassEndpoints.Refused("Expected a day such as 2026-09-14.");
        var who = Who(context);
        var player = PlayerOf(who, forWhom);
        var boxed = reports
            .Boxes(who.Id)
            .Where(b => WorkEndpoints.Day(b.Due) is not null)
            .ToDictionary(b => b.Card, b => new BoxedCard(b.Box, WorkEndpoints.Day(b.Due)!.Value));
        var all = LearnerCards.Of(player).ToDictionary(CardName.Of);
        var round = CardBoxes
            .Round([.. all.Keys], boxed, today, CardRound.Length)
            .Select(name => (Name: name, Item: LearnerCards.Item(all[name], player)))
            .Where(c => c.Item is not null)
            .ToArray();
        return TypedResults.Ok(
            new LearnCards([.. round.Select(c => c.Name)], DrillEndpoints.View("Cards", player, round.Select(c => c.Item!)))
        );
    }

    /// <summary>Says what happened in an answer; it is kept when it is reported.</summary>
    private static Results<Ok<JudgementView>, ProblemHttpResult> Judge(
        HttpContext context,
        SheetParts parts,
        Styles styles,
        string link,
        GivenAnswer given
    ) => DrillEndpoints.Judge(parts, styles, new AnswerToJudge(Who(context).Instrument, given));

    /// <summary>How a round went.</summary>
    private static Results<Ok<RoundEndView>, ProblemHttpResult> End(
        HttpContext context,
        SheetParts parts,
        Styles styles,
        string link,
        IReadOnlyList<GivenAnswer> given
    ) => DrillEndpoints.End(parts, styles, new EndRound(Who(context).Instrument, given));

    /// <summary>
    /// Takes what happened at home. What is kept already counts once; what cannot be taken is told and does not stop the rest.
    /// </summary>
    private static Results<Ok<ReportTaken>, ProblemHttpResult> Report(
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
        var (practice, answers, done) = (report.Practice ?? [], report.Answers ?? [], report.Done ?? []);
        if (practice.Count + answers.Count + done.Count > MostReports)
            return ClassEndpoints.Refused($"This report is too long; at most {MostReports} entries at once.");
        var who = Who(context);
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
        var (player, judge) = (PlayerOf(who, forWhom), parts.Players([who.Instrument])[0]);
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
            Day = WorkEndpoints.Text(DateOnly.FromDateTime(p.At.DateTime)),
            At = p.At.UtcDateTime,
            Minutes = p.Minutes,
            TuneId = p.TuneId,
            Tempo = p.Tempo,
        };

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
