using Coppia.Core.Composition;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording;
using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Coppia.Server;

/// <summary>The writing desk on a learner's page: their own pieces, kept at every note, and the booklet of their class.</summary>
internal static class LearnDeskEndpoints
{
    public static void MapLearnDesk(this RouteGroupBuilder learn)
    {
        learn.MapGet("/desk/{work:long}", Get).WithName("getLearnDesk").ProducesProblem(404).ProducesProblem(422);
        learn.MapPut("/desk/{work:long}", Keep).WithName("keepPiece").ProducesProblem(404).ProducesProblem(409).ProducesProblem(422);
        learn
            .MapPost("/desk/{work:long}/hand-in", HandIn)
            .WithName("handIn")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        learn.MapGet("/desk/{work:long}/versions", Versions).WithName("listVersions").ProducesProblem(404).ProducesProblem(422);
        learn.MapPost("/desk/{work:long}/take", Take).WithName("takePiece").ProducesProblem(404).ProducesProblem(422);
        learn.MapGet("/pieces", Booklet).WithName("listBookletPieces");
        learn.MapGet("/pieces/{piece:long}", Piece).WithName("getLearnPiece").Produces<ReadingView>().ProducesProblem(404);
    }

    /// <summary>What is set to a learner, with its plan on a level.</summary>
    private sealed record Desk(LearnerRecord Who, Player Player, WorkRecord Work, TaskRecord Kept, TaskDoc Doc, TaskPlan Plan, int Level)
    {
        public WritingTask Task => Plan.For(Player.Instrument);
    }

    /// <summary>The desk of something that is set, or why there is none.</summary>
    /// <param name="level">Null for the task's own; above it the level that the learner goes on to.</param>
    private static ProblemHttpResult? Missing(HttpContext context, long work, int? level, out Desk desk)
    {
        desk = null!;
        var services = context.RequestServices;
        var who = LearnEndpoints.Who(context);
        var since = WorkEndpoints.Since(services.GetRequiredService<TimeProvider>());
        var set = services.GetRequiredService<WorkRepository>().Of(who, since).FirstOrDefault(w => w.Id == work);
        if (set?.TaskId is not { } id || services.GetRequiredService<TaskRepository>().Find(id) is not { } kept)
            return TypedResults.Problem(statusCode: 404, title: "This is not set to you any more. What you wrote is with your teacher.");
        try
        {
            var doc = DeskEndpoints.DocOf(kept.Title, kept.Document, services.GetRequiredService<IOptions<JsonOptions>>());
            var asked = level ?? doc.Level;
            TaskPlan? plan = doc.Plan();
            for (var at = doc.Level; at < asked && plan is not null; at++)
                plan = TaskLevel.After(at, plan);
            if (plan is null || asked < doc.Level)
                return ClassEndpoints.Refused("There is no such level of this task.");
            var player = LearnEndpoints.PlayerOf(who, services.GetRequiredService<ForWhom>());
            desk = new Desk(who, player, set, kept, doc, plan, asked);
            return null;
        }
        catch (FormatException e)
        {
            return ClassEndpoints.Refused(e.Message);
        }
    }

    private static HandInRecord? Begun(HandInRepository handIns, Desk desk, int level) =>
        handIns
            .Of(desk.Who.Id)
            .Where(h => h.Level == level && (h.WorkId == desk.Work.Id || h.WorkId is null && h.TaskId == desk.Kept.Id))
            .OrderBy(h => h.WorkId is null)
            .FirstOrDefault();

    private static Results<Ok<LearnDesk>, ProblemHttpResult> Get(
        HttpContext context,
        HandInRepository handIns,
        Pieces pieces,
        string link,
        long work,
        int? level
    )
    {
        if (Missing(context, work, level, out var desk) is { } missing)
            return missing;
        return DeskEndpoints.Made(() =>
        {
            var begun = Begun(handIns, desk, desk.Level);
            // What was begun goes on under the rules under which it was begun.
            var open = begun is null ? null : pieces.Read(begun, desk.Player);
            var plan = open?.Plan ?? desk.Plan;
            var task = plan.For(desk.Player.Instrument);
            var written = open?.Written ?? PieceDoc.Begun(task);
            int[] levels = [.. Levels(handIns, desk)];
            return new LearnDesk(
                Work: desk.Work.Id,
                Title: desk.Kept.Title,
                Due: desk.Work.Due,
                Level: desk.Level,
                LevelWords: TaskWords.Level(desk.Level),
                Levels: levels,
                Next: levels[^1] is > 0 and < TaskLevel.Last and var last ? last + 1 : null,
                Task: DeskTask.Of(plan, desk.Player, desk.Doc.Letters),
                Piece: written,
                Version: begun?.Version ?? 0,
                State: begun?.State ?? HandInState.Writing,
                Check: CheckView.Of(written.Piece(task), task, desk.Player.Style),
                Remarks: begun is null ? [] : [.. handIns.Remarks([begun.Id])[begun.Id].Select(PieceRemark.Of)]
            );
        });
    }

    private static IEnumerable<int> Levels(HandInRepository handIns, Desk desk) =>
        handIns
            .Of(desk.Who.Id)
            .Where(h => h.WorkId == desk.Work.Id)
            .Select(h => h.Level)
            .Append(desk.Doc.Level)
            .Append(desk.Level)
            .Distinct()
            .Order();

    private static Results<Ok<KeptPiece>, ProblemHttpResult> Keep(
        HttpContext context,
        HandInRepository handIns,
        Pieces pieces,
        string link,
        long work,
        KeepPiece asked
    )
    {
        if (Missing(context, work, asked.Level, out var desk) is { } missing)
            return missing;
        try
        {
            var begun = Begun(handIns, desk, desk.Level);
            var task = begun is null ? desk.Task : pieces.Read(begun, desk.Player).Task;
            // What is no piece is not kept.
            var piece = asked.Piece.Piece(task);
            var open = handIns.Open(
                new HandInRecord
                {
                    LearnerId = desk.Who.Id,
                    WorkId = desk.Work.Id,
                    TaskId = desk.Kept.Id,
                    Level = desk.Level,
                    Title = desk.Kept.Title,
                    Task = pieces.Text(TaskDoc.Of(desk.Plan, desk.Level, desk.Doc.Instruments, desk.Doc.Letters)),
                    Piece = pieces.Text(PieceDoc.Begun(task)),
                }
            );
            return handIns.Keep(open.Id, pieces.Text(asked.Piece), asked.From == 0 ? open.Version : asked.From, asked.Anew) is { } kept
                ? TypedResults.Ok(new KeptPiece(kept.Version, CheckView.Of(piece, task, desk.Player.Style)))
                : Locked();
        }
        catch (FormatException e)
        {
            return ClassEndpoints.Refused(e.Message);
        }
    }

    private static ProblemHttpResult Locked() =>
        TypedResults.Problem(statusCode: 409, title: "It is handed in. Your teacher can give it back to you.");

    private static Results<NoContent, ProblemHttpResult> HandIn(
        HttpContext context,
        HandInRepository handIns,
        WorkRepository works,
        string link,
        long work,
        AtLevel asked
    )
    {
        if (Missing(context, work, asked.Level, out var desk) is { } missing)
            return missing;
        if (Begun(handIns, desk, desk.Level) is not { } begun)
            return ClassEndpoints.Refused("Nothing is written yet.");
        if (!handIns.Move(begun.Id, HandInState.HandedIn))
            return Locked();
        works.SetDone(work, desk.Who, done: true, by: "");
        return TypedResults.NoContent();
    }

    private static Results<Ok<PieceVersion[]>, ProblemHttpResult> Versions(
        HttpContext context,
        HandInRepository handIns,
        Pieces pieces,
        string link,
        long work,
        int? level
    ) =>
        Missing(context, work, level, out var desk) is { } missing ? missing
        : Begun(handIns, desk, desk.Level) is { } begun
            ? TypedResults.Ok<PieceVersion[]>([
                .. handIns.Versions(begun.Id).Select(v => new PieceVersion(v.Id, v.MadeAt, pieces.Read(v, desk.Task))),
            ])
        : TypedResults.Ok<PieceVersion[]>([]);

    /// <summary>A piece out of a file; it is kept when the desk keeps it.</summary>
    private static Results<Ok<CheckedPiece>, ProblemHttpResult> Take(
        HttpContext context,
        Waiting waiting,
        string link,
        long work,
        PieceText asked
    ) =>
        Missing(context, work, asked.Level, out var desk) is { } missing
            ? missing
            : DeskEndpoints.Made(() => DeskEndpoints.Checked(null, asked.Text, desk.Task, desk.Player.Style, waiting));

    private static BookletPiece[] Booklet(HttpContext context, Pieces pieces, ForWhom forWhom, string link) =>
        [.. Shown(context, pieces, forWhom).Select(p => p.View)];

    /// <summary>The pieces of the booklet, where it is shown.</summary>
    private static IEnumerable<(BookletPiece View, OpenPiece Piece)> Shown(HttpContext context, Pieces pieces, ForWhom forWhom)
    {
        if (forWhom.Class is not { } one || pieces.Booklet(one) is not { Shown: true } booklet)
            yield break;
        var all = pieces.OfClass(one.Id, forWhom).ToDictionary(p => p.Piece.Record.Id);
        foreach (var (i, id) in booklet.Pieces.Where(all.ContainsKey).Index())
        {
            var (who, piece, _) = all[id];
            yield return (
                new BookletPiece(
                    id,
                    Pieces.TitleOf(who, piece, booklet.Names, i + 1),
                    booklet.Names ? who.Nickname : null,
                    piece.Task.Instrument.Name
                ),
                piece
            );
        }
    }

    /// <summary>A piece of the booklet as the learner's own instrument reads it, in an octave that fits.</summary>
    private static Results<FileContentHttpResult, ProblemHttpResult> Piece(
        HttpContext context,
        Pieces pieces,
        ForWhom forWhom,
        Readings readings,
        string link,
        long piece
    )
    {
        var found = Shown(context, pieces, forWhom).FirstOrDefault(p => p.View.Id == piece);
        if (found.Piece is null)
            return TypedResults.Problem(statusCode: 404, title: "This piece is not in the booklet any more.");
        var player = LearnEndpoints.PlayerOf(LearnEndpoints.Who(context), forWhom);
        return TypedResults.Bytes(readings.JsonOf(found.Piece.AsTune(found.View.Title, found.View.By), player), "application/json");
    }
}
