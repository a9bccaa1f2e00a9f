using Coppia.Data.Exercises;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Exercises;

/// <summary>A sheet to be saved over an earlier version of itself.</summary>
public sealed record SheetChange(SheetDoc Sheet, int Version);

/// <summary>Kept sheets of exercises.</summary>
internal static class SheetEndpoints
{
    public static void MapSheets(this IEndpointRouteBuilder api)
    {
        var sheets = api.MapGroup("/api/sheets");
        sheets.MapGet("", List).WithName("listSheets").ProducesProblem(400);
        sheets.MapGet("/deleted", (KeptSheets kept) => kept.Deleted()).WithName("listDeletedSheets");
        sheets.MapPost("", (KeptSheets kept, SheetDoc doc) => kept.Add(doc)).WithName("addSheet").ProducesProblem(422);
        sheets.MapGet("/{id:long}", Get).WithName("getSheet").ProducesProblem(404).ProducesProblem(422);
        sheets
            .MapPut("/{id:long}", Save)
            .WithName("saveSheet")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        sheets
            .MapPost("/{id:long}/duplicate", (KeptSheets kept, long id) => kept.Duplicate(id))
            .WithName("duplicateSheet")
            .ProducesProblem(404);
        sheets
            .MapDelete("/{id:long}", (SheetRepository repository, long id) => Done(repository.Delete(id), id))
            .WithName("deleteSheet")
            .ProducesProblem(404);
        sheets
            .MapPost("/{id:long}/restore", (SheetRepository repository, long id) => Done(repository.Restore(id), id))
            .WithName("restoreSheet")
            .ProducesProblem(404);
    }

    private static SheetListView List(KeptSheets sheets, string? search, int from = 0, int count = 50)
    {
        Problems.CheckPage(from, count, "sheets");
        return sheets.List(search?.Trim() ?? "", from, count);
    }

    private static SheetView Get(KeptSheets sheets, long id) => sheets.View(sheets.Find(id));

    private static SheetView Save(KeptSheets sheets, long id, SheetChange change)
    {
        sheets.Find(id);
        sheets
            .Save(id, change)
            .OrRefuse(Say("exercises.sheet.this-sheet-was-saved-from-another"), KeptSheets.NoSheet(id));
        return sheets.View(sheets.Find(id));
    }

    private static NoContent Done(bool done, long id) => done ? TypedResults.NoContent() : throw KeptSheets.NoSheet(id);
}
