using System.Text.Json;
using Coppia.Core.Composition;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Coppia.Server;

/// <summary>A level of composing.</summary>
public sealed record LevelView(int Level, string Words, TaskDoc Task);

/// <summary>A kept task in a list.</summary>
public sealed record TaskSummary(
    long Id,
    string Title,
    int Level,
    IReadOnlyList<string> Instruments,
    int Bars,
    DateTime ChangedAt,
    DateTime? DeletedAt
);

/// <summary>A task with what each player sees of it.</summary>
/// <param name="Wrong">Why nobody could meet it; empty for a good one.</param>
/// <param name="Steps">Steps that the palette may have, with the notes that they are.</param>
public sealed record TaskView(
    long? Id,
    int? Version,
    string Title,
    TaskDoc Task,
    IReadOnlyList<DeskTask> For,
    IReadOnlyList<StepChoice> Steps,
    IReadOnlyList<string> Wrong
);

/// <summary>A step of the scale with its note.</summary>
public sealed record StepChoice(string Step, string Name);

/// <summary>A task to be kept.</summary>
/// <param name="Version">The version that was changed; null for a new one.</param>
public sealed record TaskRequest(string Title, TaskDoc Task, int? Version = null);

/// <summary>A piece to be looked over.</summary>
/// <param name="Text">Or a piece as ABC or MusicXML in its place.</param>
public sealed record CheckRequest(TaskDoc Task, string Instrument, PieceDoc? Piece = null, string? Text = null);

/// <summary>A piece and what is found in it.</summary>
public sealed record CheckedPiece(PieceDoc Piece, CheckView Check);

/// <summary>Writing tasks: levels, kept tasks, and pieces looked over.</summary>
internal static class DeskEndpoints
{
    public const int LongestTitle = 80;

    public static void MapDesk(this WebApplication app)
    {
        var desk = app.MapGroup("/api/desk");
        desk.MapGet("/levels", Levels).WithName("listLevels").ProducesProblem(422);
        desk.MapPost("/look", Look).WithName("lookAtTask").ProducesProblem(422);
        desk.MapPost("/check", Check).WithName("checkPiece").ProducesProblem(422);
        desk.MapGet("/tasks", (TaskRepository tasks, IOptions<JsonOptions> json) => Listed(tasks.List(), json)).WithName("listTasks");
        desk.MapGet("/tasks/deleted", (TaskRepository tasks, IOptions<JsonOptions> json) => Listed(tasks.Deleted(), json))
            .WithName("listDeletedTasks");
        desk.MapPost("/tasks", Add).WithName("addTask").ProducesProblem(422);
        desk.MapGet("/tasks/{id:long}", Get).WithName("getTask").ProducesProblem(404).ProducesProblem(422);
        desk.MapPut("/tasks/{id:long}", Save).WithName("saveTask").ProducesProblem(404).ProducesProblem(409).ProducesProblem(422);
        desk.MapDelete("/tasks/{id:long}", (TaskRepository tasks, long id) => Done(tasks.Delete(id), id))
            .WithName("deleteTask")
            .ProducesProblem(404);
        desk.MapPost("/tasks/{id:long}/restore", (TaskRepository tasks, long id) => Done(tasks.Restore(id), id))
            .WithName("restoreTask")
            .ProducesProblem(404);
    }

    private static Results<Ok<LevelView[]>, ProblemHttpResult> Levels(string? key)
    {
        if (KeyText.Read(key ?? "D") is not { } scale)
            return ClassEndpoints.Refused($"“{key}” is not a key; expected {KeyText.Expected}.");
        string[] all = [.. StringSection.All.Select(i => i.Id)];
        return TypedResults.Ok<LevelView[]>([
            .. Enumerable
                .Range(TaskLevel.First, TaskLevel.Last)
                .Select(n => new LevelView(n, TaskWords.Level(n), TaskDoc.Of(TaskLevel.Plan(n, scale), n, all))),
        ]);
    }

    /// <summary>What each player sees of a task that is being made.</summary>
    private static Results<Ok<TaskView>, ProblemHttpResult> Look(ForWhom forWhom, TaskRequest asked) =>
        Made(() => View(null, null, asked.Title, asked.Task, forWhom));

    internal static TaskView View(long? id, int? version, string title, TaskDoc doc, ForWhom forWhom)
    {
        var plan = doc.Plan();
        var players = Players(doc, forWhom);
        var words = new CompositionWords(forWhom.Style.Style);
        var wrong = players
            .Select(p => plan.For(p.Instrument))
            .SelectMany(task => TaskFault.In(task).Select(f => English.Sentence(words.Fault(f, task))))
            .Distinct();
        return new TaskView(
            Id: id,
            Version: version,
            Title: title,
            Task: doc,
            For: [.. players.Select(p => DeskTask.Of(plan, p, doc.Letters))],
            Steps:
            [
                .. Offered
                    .Concat(plan.Steps)
                    .Concat(plan.Fixed.Select(f => f.Step))
                    .Distinct()
                    .OrderBy(s => s.Number)
                    .ThenBy(s => s.Alter)
                    .Select(s => new StepChoice(s.ToString(), Labels.Note(s.Above(plan.Key.Tonic, plan.Key), forWhom.Style.Style))),
            ],
            Wrong: [.. wrong]
        );
    }

    /// <summary>From the step below the tonic to the tenth, and what a first year raises or lowers (common practice).</summary>
    private static readonly ScaleStep[] Offered =
    [
        .. Enumerable.Range(0, 11).Select(n => new ScaleStep(n)),
        new(1, 1),
        new(3, -1),
        new(4, 1),
        new(5, 1),
        new(7, -1),
    ];

    private static Player[] Players(TaskDoc doc, ForWhom forWhom)
    {
        if (doc.Instruments.Count == 0)
            throw new FormatException("A task is for at least one instrument.");
        return
        [
            .. doc
                .Instruments.Distinct()
                .Select(i =>
                    forWhom.Missing(i, out var player) is null
                        ? player
                        : throw new FormatException($"“{i}” is not an instrument; expected {Labels.Instruments()}.")
                ),
        ];
    }

    /// <summary>The answer, or what is wrong with what was asked.</summary>
    internal static Results<Ok<T>, ProblemHttpResult> Made<T>(Func<T> make)
    {
        try
        {
            return TypedResults.Ok(make());
        }
        catch (FormatException e)
        {
            return ClassEndpoints.Refused(e.Message);
        }
    }

    private static Results<Ok<CheckedPiece>, ProblemHttpResult> Check(ForWhom forWhom, Waiting waiting, CheckRequest asked) =>
        Made(() =>
        {
            if (forWhom.Missing(asked.Instrument, out var player) is not null)
                throw new FormatException($"“{asked.Instrument}” is not an instrument; expected {Labels.Instruments()}.");
            var task = asked.Task.Plan().For(player.Instrument);
            return Checked(asked.Piece, asked.Text, task, player.Style, waiting);
        });

    /// <summary>A piece from the desk or from a file, and what is found in it.</summary>
    /// <exception cref="FormatException">It is no piece; the message names the place.</exception>
    internal static CheckedPiece Checked(PieceDoc? doc, string? text, WritingTask task, HouseStyle style, Waiting waiting)
    {
        if (text is not null)
        {
            var read = TuneReader.Read(text, waiting.Stop);
            if ((read.Score ?? read.Silent) is not { } score)
                throw new FormatException(read.Errors[0].ToString());
            var (piece, fault, bar) = Core.Composition.Piece.Of(score);
            if (piece is null)
                throw new FormatException(English.Sentence(CompositionWords.None(fault, bar)));
            var taken = PieceDoc.Of(piece);
            // What could not be read again is not taken.
            taken.Piece(task);
            return new CheckedPiece(taken, CheckView.Of(piece, task, style));
        }

        if (doc is null)
            throw new FormatException("Expected a piece, or the text of one.");
        return new CheckedPiece(doc, CheckView.Of(doc.Piece(task), task, style));
    }

    private static TaskSummary[] Listed(IEnumerable<TaskRecord> tasks, IOptions<JsonOptions> json) =>
        [
            .. tasks
                .Select(t => (Kept: t, Doc: TaskDoc.Read(t.Document, json.Value.SerializerOptions)))
                .Where(t => t.Doc is not null)
                .Select(t => new TaskSummary(
                    t.Kept.Id,
                    t.Kept.Title,
                    t.Doc!.Level,
                    t.Doc.Instruments,
                    t.Doc.Bars,
                    t.Kept.ChangedAt,
                    t.Kept.DeletedAt
                )),
        ];

    private static Results<Ok<TaskView>, ProblemHttpResult> Add(
        TaskRepository tasks,
        ForWhom forWhom,
        IOptions<JsonOptions> json,
        TaskRequest asked
    ) =>
        Made(() =>
        {
            var (title, document) = Sound(asked, forWhom, json);
            var kept = tasks.Add(title, document);
            return View(kept.Id, kept.Version, title, asked.Task, forWhom);
        });

    /// <summary>Title and document of a task that can be met.</summary>
    private static (string Title, string Document) Sound(TaskRequest asked, ForWhom forWhom, IOptions<JsonOptions> json)
    {
        var title = asked.Title.Trim();
        if (title.Length is 0 or > LongestTitle)
            throw new FormatException($"Expected a title of 1 to {LongestTitle} characters.");
        if (View(null, null, title, asked.Task, forWhom).Wrong is [var wrong, ..])
            throw new FormatException(wrong);
        return (title, JsonSerializer.Serialize(asked.Task, json.Value.SerializerOptions));
    }

    private static Results<Ok<TaskView>, ProblemHttpResult> Get(
        TaskRepository tasks,
        ForWhom forWhom,
        IOptions<JsonOptions> json,
        long id
    ) =>
        tasks.Find(id) is { } kept
            ? Made(() => View(kept.Id, kept.Version, kept.Title, DocOf(kept.Title, kept.Document, json), forWhom))
            : NoTask(id);

    /// <exception cref="FormatException">This version cannot read it.</exception>
    internal static TaskDoc DocOf(string title, string document, IOptions<JsonOptions> json) =>
        TaskDoc.Read(document, json.Value.SerializerOptions)
        ?? throw new FormatException($"This version of Coppia cannot read the task “{title}”. It is kept.");

    private static Results<Ok<TaskView>, ProblemHttpResult> Save(
        TaskRepository tasks,
        ForWhom forWhom,
        IOptions<JsonOptions> json,
        long id,
        TaskRequest asked
    )
    {
        try
        {
            var (title, document) = Sound(asked, forWhom, json);
            var change = new TaskRecord
            {
                Id = id,
                Title = title,
                Document = document,
                Version = asked.Version ?? 0,
            };
            return tasks.Save(change) switch
            {
                SaveOutcome.Gone => NoTask(id),
                SaveOutcome.ChangedMeanwhile => TypedResults.Problem(
                    statusCode: 409,
                    title: "The task was changed elsewhere since it was opened here. Nothing was overwritten."
                ),
                _ => TypedResults.Ok(View(id, change.Version + 1, title, asked.Task, forWhom)),
            };
        }
        catch (FormatException e)
        {
            return ClassEndpoints.Refused(e.Message);
        }
    }

    private static Results<NoContent, ProblemHttpResult> Done(bool done, long id) => done ? TypedResults.NoContent() : NoTask(id);

    internal static ProblemHttpResult NoTask(long id) =>
        TypedResults.Problem(statusCode: 404, title: $"There is no writing task {id} here.");
}
