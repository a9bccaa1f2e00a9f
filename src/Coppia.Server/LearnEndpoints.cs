using System.Text.Json;
using Coppia.Core.Drills;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Practice;
using Coppia.Core.Wording;
using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Coppia.Server;

/// <summary>One learner's own things, by a link that cannot be guessed. There is no account and no name beside the nickname.</summary>
internal static class LearnEndpoints
{
    public static void MapLearn(this WebApplication app)
    {
        var learn = app.MapGroup(LearnAddress.Root + "{link}").AllowAnonymous().AddEndpointFilter(Open);
        learn.MapGet("", Get).WithName("getLearn").ProducesProblem(404);
        learn.MapGet("/app.webmanifest", Manifest).WithName("getLearnManifest").ProducesProblem(404);
        learn.MapGet("/tunes/{tune:long}", Tune).WithName("getLearnTune").Produces<ReadingView>().ProducesProblem(404);
        learn.MapGet("/tunes/{tune:long}/ladders", Ladders).WithName("getLearnLadders").ProducesProblem(404);
        learn.MapGet("/sheets/{sheet:long}", Sheet).WithName("getLearnSheet").ProducesProblem(404).ProducesProblem(422);
        learn.MapGet("/cards", Cards).WithName("getLearnCards").ProducesProblem(404).ProducesProblem(422);
        learn.MapPost("/answer", Judge).WithName("judgeLearnAnswer").ProducesProblem(404).ProducesProblem(422);
        learn.MapPost("/end", End).WithName("endLearnRound").ProducesProblem(404).ProducesProblem(422);
        learn.MapLearnDesk();
        learn.MapPost("/report", LearnReports.Take).WithName("sendReport").ProducesProblem(404).ProducesProblem(422);
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

    internal static LearnerRecord Who(HttpContext context) => (LearnerRecord)context.Items[typeof(LearnerRecord)]!;

    internal static Player PlayerOf(LearnerRecord learner, ForWhom forWhom)
    {
        forWhom.Missing(learner.Instrument, out var player);
        return player;
    }

    /// <summary>What a phone needs to put the page among its programs (W3C Web Application Manifest).</summary>
    private static JsonHttpResult<AppManifest> Manifest(string link)
    {
        var page = $"/learn/{link}";
        return TypedResults.Json(
            new AppManifest("Coppia: my music", "Coppia", page, page, page, "standalone", "#FBF7EE", "#2A211D", AppIcon.All),
            new JsonSerializerOptions { PropertyNamingPolicy = JsonNamingPolicy.SnakeCaseLower },
            "application/manifest+json"
        );
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
                        w.TaskId,
                        w.Tempo,
                        w.Due,
                        done.Contains(w.Id),
                        LadderView.To(w.Tempo)
                    )),
            ],
            [
                .. reports
                    .Practice(who.Id, since)
                    .Where(p => p.Minutes > 0)
                    .GroupBy(p => p.Day)
                    .Select(g => new DayMinutes(g.Key, g.Sum(p => p.Minutes))),
            ],
            [.. Enum.GetValues<LearnerNote>().Select(n => new NoteChoice(n, LearnWords.Note(n), n is LearnerNote.Help or LearnerNote.Well))]
        );
    }

    /// <summary>A tune that is set to the learner; another one is not there for them.</summary>
    private static Results<FileContentHttpResult, ProblemHttpResult> Tune(
        HttpContext context,
        ForWhom forWhom,
        Readings readings,
        WorkRepository work,
        LearnerLineRepository lines,
        TimeProvider clock,
        string link,
        long tune
    )
    {
        if (NotSet(context, readings, work, lines, clock, tune, out var kept) is { } missing)
            return missing;
        return TypedResults.Bytes(readings.JsonOf(kept, PlayerOf(Who(context), forWhom)), "application/json");
    }

    /// <summary>The trouble spots of a tune that is set to the learner, each from its two notes to the whole.</summary>
    private static Results<Ok<LaddersView>, ProblemHttpResult> Ladders(
        HttpContext context,
        ForWhom forWhom,
        Readings readings,
        WorkRepository work,
        LearnerLineRepository lines,
        TimeProvider clock,
        string link,
        long tune
    ) =>
        NotSet(context, readings, work, lines, clock, tune, out var kept) is { } missing
            ? missing
            : TypedResults.Ok(LadderEndpoints.Of(kept, readings.Of(kept, PlayerOf(Who(context), forWhom)), LadderEndpoints.Usual));

    /// <summary>The tune on the learner's line, or the answer that it is not set to them.</summary>
    private static ProblemHttpResult? NotSet(
        HttpContext context,
        Readings readings,
        WorkRepository work,
        LearnerLineRepository lines,
        TimeProvider clock,
        long tune,
        out KeptTune kept
    )
    {
        var who = Who(context);
        kept = null!;
        if (work.Of(who, WorkEndpoints.Since(clock)).All(w => w.TuneId != tune))
            return TypedResults.Problem(statusCode: 404, title: "This tune is not set to you any more.");
        if (readings.Missing(tune, out kept) is { } missing)
            return missing;
        kept = kept.For(who.Instrument).On(lines.Of(who.Id).FirstOrDefault(l => l.TuneId == tune)?.Line);
        return null;
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
}
