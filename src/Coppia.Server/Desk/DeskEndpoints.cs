using Coppia.Core.Composition;
using Coppia.Core.Instruments;
using Coppia.Core.Wording.Desk;
using Coppia.Data.Desk;
using Coppia.Formats.Records;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Desk;

/// <summary>Writing tasks: levels, kept tasks, and pieces looked over.</summary>
internal static class DeskEndpoints
{
    public static void MapDesk(this IEndpointRouteBuilder api)
    {
        var desk = api.MapGroup("/api/desk");
        desk.MapGet("/levels", Levels).WithName("listLevels").ProducesProblem(422);
        desk.MapPost("/look", (KeptTasks tasks, TaskRequest asked) => tasks.Look(asked))
            .WithName("lookAtTask")
            .ProducesProblem(422);
        desk.MapPost("/check", Check).WithName("checkPiece").ProducesProblem(422);
        desk.MapGet("/tasks", (KeptTasks tasks) => tasks.List()).WithName("listTasks");
        desk.MapGet("/tasks/deleted", (KeptTasks tasks) => tasks.Deleted()).WithName("listDeletedTasks");
        desk.MapPost("/tasks", (KeptTasks tasks, TaskRequest asked) => tasks.Add(asked))
            .WithName("addTask")
            .ProducesProblem(422);
        desk.MapGet("/tasks/{id:long}", (KeptTasks tasks, long id) => tasks.Show(id))
            .WithName("getTask")
            .ProducesProblem(404)
            .ProducesProblem(422);
        desk.MapPut("/tasks/{id:long}", (KeptTasks tasks, long id, TaskRequest asked) => tasks.Save(id, asked))
            .WithName("saveTask")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        desk.MapDelete("/tasks/{id:long}", (TaskRepository tasks, long id) => Done(tasks.Delete(id), id))
            .WithName("deleteTask")
            .ProducesProblem(404);
        desk.MapPost("/tasks/{id:long}/restore", (TaskRepository tasks, long id) => Done(tasks.Restore(id), id))
            .WithName("restoreTask")
            .ProducesProblem(404);
    }

    private static LevelView[] Levels(string? key)
    {
        if (KeyText.Read(key ?? "D") is not { } scale)
            throw RefusedException.Wrong(
                Say("desk.is-not-a-key-expected", ("key", key), ("expected", KeyText.Expected))
            );
        string[] all = [.. StringSection.All.Select(i => i.Id)];
        return
        [
            .. Enumerable
                .Range(TaskLevel.First, TaskLevel.Last)
                .Select(n => new LevelView(n, TaskWords.Level(n), TaskDoc.Of(TaskLevel.Plan(n, scale), n, all))),
        ];
    }

    private static CheckedPiece Check(Asker asker, CheckRequest asked)
    {
        var player = asker.PlayerNamed(asked.Instrument);
        var task = asked.Task.Plan().For(player.Instrument);
        return PieceCheck.Of(asked.Piece, asked.Text, task, player.Style, asker.Gone);
    }

    private static NoContent Done(bool done, long id) => done ? TypedResults.NoContent() : throw KeptTasks.NoTask(id);
}
