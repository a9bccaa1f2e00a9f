using System.Text.Json;
using Coppia.Core.Exercises;
using Coppia.Core.Wording;
using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Coppia.Server;

/// <summary>A sheet to be saved over an earlier version of itself.</summary>
public sealed record SheetChange(SheetDoc Sheet, int Version);

/// <summary>Kept sheets of exercises.</summary>
internal static class SheetEndpoints
{
    public static void MapSheets(this WebApplication app)
    {
        var sheets = app.MapGroup("/api/sheets");
        sheets.MapGet("", List).WithName("listSheets").ProducesProblem(400);
        sheets
            .MapGet("/deleted", (SheetRepository repository, IOptions<JsonOptions> json) => Listed(repository.Deleted(), json))
            .WithName("listDeletedSheets");
        sheets.MapPost("", Add).WithName("addSheet").ProducesProblem(422);
        sheets.MapGet("/{id:long}", Get).WithName("getSheet").ProducesProblem(404).ProducesProblem(422);
        sheets.MapPut("/{id:long}", Save).WithName("saveSheet").ProducesProblem(404).ProducesProblem(409).ProducesProblem(422);
        sheets.MapPost("/{id:long}/duplicate", Duplicate).WithName("duplicateSheet").ProducesProblem(404);
        sheets
            .MapDelete("/{id:long}", (SheetRepository repository, long id) => Done(repository.Delete(id), id))
            .WithName("deleteSheet")
            .ProducesProblem(404);
        sheets
            .MapPost("/{id:long}/restore", (SheetRepository repository, long id) => Done(repository.Restore(id), id))
            .WithName("restoreSheet")
            .ProducesProblem(404);
    }

    private static Results<Ok<SheetListView>, ProblemHttpResult> List(
        SheetRepository repository,
        IOptions<JsonOptions> json,
        string? search,
        int from = 0,
        int count = 50
    )
    {
        if (Problems.NoPage(from, count, "sheets") is { } problem)
            return problem;
        var words = search?.Trim() ?? "";
        var kinds =
            words.Length == 0
                ? []
                : Enum.GetValues<ExerciseKind>()
                    .Where(k => ExerciseWords.Name(k).Contains(words, StringComparison.OrdinalIgnoreCase))
                    .Select(k => k.Id());
        var page = repository.List(new SheetQuery(words, [.. kinds], from, count));
        return TypedResults.Ok(new SheetListView(Listed(page.Sheets, json), page.Total));
    }

    private static SheetSummary[] Listed(IReadOnlyList<SheetRecord> sheets, IOptions<JsonOptions> json) =>
        [
            .. sheets.Select(s => new SheetSummary(
                s.Id,
                s.Heading,
                s.Instruments.Split(','),
                [
                    .. (SheetDoc.Read(s.Document, json.Value.SerializerOptions)?.Parts ?? [])
                        .Select(p => ExerciseKinds.Named(p.Request.Kind))
                        .OfType<ExerciseKind>()
                        .Distinct()
                        .Select(ExerciseWords.Name),
                ],
                s.ChangedAt,
                s.DeletedAt
            )),
        ];

    /// <exception cref="FormatException">This version cannot read it.</exception>
    internal static SheetDoc DocOf(SheetRecord sheet, IOptions<JsonOptions> json) =>
        SheetDoc.Read(sheet.Document, json.Value.SerializerOptions)
        ?? throw new FormatException(
            $"This version of Coppia cannot read the sheet “{sheet.Heading}”. It is kept; “Everything out” has its text."
        );

    private static SheetRecord Record(SheetDoc doc, IOptions<JsonOptions> json) =>
        new()
        {
            Heading = doc.Heading,
            Instruments = string.Join(',', doc.Instruments),
            Document = JsonSerializer.Serialize(doc, json.Value.SerializerOptions),
        };

    private static SheetView View(SheetRecord sheet, SheetDoc doc, SheetParts parts) =>
        new(sheet.Id, sheet.Version, doc.Heading, doc.NameLine, doc.Instruments, parts.Views(doc));

    private static Results<Ok<SheetView>, ProblemHttpResult> Add(
        SheetRepository repository,
        SheetParts parts,
        Styles styles,
        IOptions<JsonOptions> json,
        SheetDoc doc
    ) =>
        ExerciseEndpoints.Made(
            () =>
            {
                // What is broken is not kept.
                parts.Views(doc);
                return View(repository.Add(Record(doc, json)), doc, parts);
            },
            styles
        );

    private static Results<Ok<SheetView>, ProblemHttpResult> Get(
        SheetRepository repository,
        SheetParts parts,
        Styles styles,
        IOptions<JsonOptions> json,
        long id
    ) => repository.Find(id) is { } sheet ? ExerciseEndpoints.Made(() => View(sheet, DocOf(sheet, json), parts), styles) : NoSheet(id);

    private static Results<Ok<SheetView>, ProblemHttpResult> Save(
        SheetRepository repository,
        SheetParts parts,
        Styles styles,
        IOptions<JsonOptions> json,
        long id,
        SheetChange change
    )
    {
        if (repository.Find(id) is null)
            return NoSheet(id);
        var checkedParts = ExerciseEndpoints.Made(() => parts.Views(change.Sheet), styles);
        if (checkedParts.Result is ProblemHttpResult problem)
            return problem;
        return repository.Save(Record(change.Sheet, json) with { Id = id, Version = change.Version }) switch
        {
            SaveOutcome.Saved => ExerciseEndpoints.Made(() => View(repository.Find(id)!, change.Sheet, parts), styles),
            SaveOutcome.ChangedMeanwhile => TypedResults.Problem(
                statusCode: 409,
                title: "This sheet was saved from another window since you opened it. Nothing was overwritten; keep yours as a copy."
            ),
            _ => NoSheet(id),
        };
    }

    private static Results<Ok<SheetView>, ProblemHttpResult> Duplicate(
        SheetRepository repository,
        SheetParts parts,
        Styles styles,
        IOptions<JsonOptions> json,
        long id
    )
    {
        if (repository.Find(id) is not { } sheet)
            return NoSheet(id);
        var heading = Copies.NameOf(sheet.Heading, repository.Headings(), SheetParts.LongestHeading);
        return ExerciseEndpoints.Made(
            () =>
            {
                var doc = DocOf(sheet, json) with { Heading = heading };
                return View(repository.Add(Record(doc, json)), doc, parts);
            },
            styles
        );
    }

    private static ProblemHttpResult NoSheet(long id) =>
        TypedResults.Problem(statusCode: 404, title: $"There is no sheet {id}; it may have been deleted.");

    private static Results<NoContent, ProblemHttpResult> Done(bool done, long id) => done ? TypedResults.NoContent() : NoSheet(id);
}
