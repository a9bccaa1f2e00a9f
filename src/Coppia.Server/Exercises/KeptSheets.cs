using System.Text.Json;
using Coppia.Core.Exercises;
using Coppia.Core.School;
using Coppia.Core.Wording.Exercises;
using Coppia.Data.Exercises;
using Coppia.Data.Store;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Exercises;

/// <summary>The sheets of a library, as they are shown.</summary>
internal sealed class KeptSheets(SheetRepository repository, SheetParts parts, IOptions<JsonOptions> json)
{
    private JsonSerializerOptions Json => json.Value.SerializerOptions;

    public static RefusedException NoSheet(long id) =>
        RefusedException.NotHere(Say("exercises.kept-sheets.there-is-no-sheet-it-may-have", ("id", id)));

    /// <exception cref="RefusedException">There is none of this number.</exception>
    public SheetRecord Find(long id) => repository.Find(id) ?? throw NoSheet(id);

    /// <summary>Sheets by the words of their headings, or by the names of the exercises in them.</summary>
    public SheetListView List(string words, int from, int count)
    {
        var kinds =
            words.Length == 0
                ? []
                : ExerciseKind
                    .All.Where(k => ExerciseWords.Name(k).Contains(words, StringComparison.OrdinalIgnoreCase))
                    .Select(k => k.Id);
        var page = repository.List(new SheetQuery(words, [.. kinds], from, count));
        return new SheetListView([.. page.Sheets.Select(Summary)], page.Total);
    }

    public SheetSummary[] Deleted() => [.. repository.Deleted().Select(Summary)];

    private SheetSummary Summary(SheetRecord s) =>
        new(
            s.Id,
            s.Heading,
            s.Instruments.Split(','),
            [
                .. (SheetDoc.Read(s.Document, Json)?.Parts ?? [])
                    .Select(p => ExerciseKind.Named(p.Request.Kind))
                    .OfType<ExerciseKind>()
                    .Distinct()
                    .Select(ExerciseWords.Name),
            ],
            s.ChangedAt,
            s.DeletedAt
        );

    /// <exception cref="FormatException">This version cannot read it.</exception>
    public SheetDoc DocOf(SheetRecord sheet) =>
        SheetDoc.Read(sheet.Document, Json)
        ?? throw new FormatException(
            Say("exercises.kept-sheets.this-version-of-coppia-cannot-read", ("heading", sheet.Heading))
        );

    /// <exception cref="FormatException">This version cannot read it.</exception>
    public SheetView View(SheetRecord sheet) => View(sheet, DocOf(sheet));

    private SheetView View(SheetRecord sheet, SheetDoc doc) =>
        new(sheet.Id, sheet.Version, doc.Heading, doc.NameLine, doc.Instruments, parts.Views(doc));

    /// <exception cref="FormatException">A question is broken; what is broken is not kept.</exception>
    public SheetView Add(SheetDoc doc)
    {
        parts.Views(doc);
        return View(repository.Add(Record(doc)), doc);
    }

    /// <inheritdoc cref="Add"/>
    public SaveOutcome Save(long id, SheetChange change)
    {
        parts.Views(change.Sheet);
        return repository.Save(Record(change.Sheet) with { Id = id, Version = change.Version });
    }

    /// <exception cref="RefusedException">There is none of this number.</exception>
    public SheetView Duplicate(long id)
    {
        var sheet = Find(id);
        var heading = Copies.NameOf(sheet.Heading, repository.Headings(), Limits.LongestSheetHeading);
        var doc = DocOf(sheet) with { Heading = heading };
        return View(repository.Add(Record(doc)), doc);
    }

    private SheetRecord Record(SheetDoc doc) =>
        new()
        {
            Heading = doc.Heading,
            Instruments = string.Join(',', doc.Instruments),
            Document = JsonSerializer.Serialize(doc, Json),
        };
}
