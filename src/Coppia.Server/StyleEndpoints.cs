using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording;
using Coppia.Data;
using Coppia.Formats;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>A named house style. Id 0 is the built-in one, in force until a style is kept.</summary>
public sealed record StyleView(long Id, string Name, bool Current, HouseStyle Style, DateTime? DeletedAt = null);

public sealed record StyleRequest(string Name, HouseStyle Style);

/// <summary>A rhythm of one beat, as parts of it, and the word that is shipped for it.</summary>
/// <param name="Name">What the rhythm is called: "half, two quick".</param>
public sealed record WordRhythmView(string Pattern, string Word, string Name);

internal sealed class StyleRules : AbstractValidator<StyleRequest>
{
    public const int LongestName = 80;

    public StyleRules()
    {
        RuleFor(r => r.Name)
            .NotEmpty()
            .WithMessage("The style needs a name.")
            .MaximumLength(LongestName)
            .WithMessage($"The name is longer than {LongestName} characters.");
        RuleFor(r => r.Style.FirstKeyFifths).InclusiveBetween(-7, 7).WithMessage("The first key has at most seven sharps or flats.");
        RuleForEach(r => r.Style.Tapes)
            .Must(t => StringSection.Named(t.Key) is not null)
            .WithMessage($"Tapes are kept for {Labels.Instruments("and")}.")
            .Must(t => t.Value.All(x => x.Semitones is >= 1 and <= 12 && x.Name is { Length: >= 1 and <= 30 }))
            .WithMessage("A tape lies 1 to 12 half steps above the open string and has a name of 1 to 30 characters.")
            .Must(t => t.Value.Select(x => x.Semitones).Distinct().Count() == t.Value.Count)
            .WithMessage("Two tapes lie at the same place.");
        RuleForEach(r => r.Style.Alternatives)
            .Must(a => StyleFile.WrongAlternative(a.Key, a.Value) is null)
            .WithMessage((_, a) => StyleFile.WrongAlternative(a.Key, a.Value)! + ".");
        RuleForEach(r => r.Style.WordRhythms)
            .Must(w => WordRhythms.Wrong(w.Key, w.Value) is null)
            .WithMessage((_, w) => WordRhythms.Wrong(w.Key, w.Value)!);
        RuleForEach(r => r.Style.ShapeNames)
            .Must(s => s.Value.Name is { Length: >= 1 and <= 40 } && s.Value.Mark is { Length: <= 2 })
            .WithMessage("A shape’s own name has 1 to 40 characters, its mark at most two.");
    }
}

/// <summary>House styles: a school has more than one teacher, one style is current.</summary>
internal static class StyleEndpoints
{
    public static void MapStyles(this WebApplication app)
    {
        var styles = app.MapGroup("/api/styles");
        styles.MapGet("", List).WithName("listStyles");
        styles.MapPost("", Add).WithName("addStyle").ProducesValidationProblem();
        styles.MapPut("/{id:long}", Save).WithName("saveStyle").ProducesValidationProblem().ProducesProblem(404);
        styles
            .MapPost("/{id:long}/current", (StyleRepository repository, long id) => Done(repository.MakeCurrent(id)))
            .WithName("useStyle")
            .ProducesProblem(404);
        styles
            .MapDelete("/{id:long}", (StyleRepository repository, long id) => Done(repository.Delete(id)))
            .WithName("deleteStyle")
            .ProducesProblem(404);
        styles
            .MapGet("/deleted", (StyleRepository repository) => repository.Deleted().Select(ViewOf).ToArray())
            .WithName("listDeletedStyles");
        styles
            .MapPost("/{id:long}/restore", (StyleRepository repository, long id) => Done(repository.Restore(id)))
            .WithName("restoreStyle")
            .ProducesProblem(404);
        styles.MapPost("/{id:long}/duplicate", Duplicate).WithName("duplicateStyle").ProducesProblem(404);
        styles
            .MapGet("/words", () => WordRhythms.Shipped.Select(w => new WordRhythmView(w.Pattern, w.Word, w.Name)).ToArray())
            .WithName("listWordRhythms");
        styles.MapGet("/settings", () => StyleSetting.All).WithName("listStyleSettings");
        styles.MapPost("/example", (HouseStyle style) => StyleExamples.Of(style)).WithName("showStyle");
    }

    private static IReadOnlyList<StyleView> List(StyleRepository repository)
    {
        var kept = repository.List();
        return kept.Count == 0 ? [new StyleView(0, "Coppia’s defaults", true, HouseStyle.Default)] : [.. kept.Select(ViewOf)];
    }

    private static StyleView ViewOf(StyleRecord s) => new(s.Id, s.Name, s.Current, StyleFile.Read(s.Json), s.DeletedAt);

    private static Results<Ok<StyleView>, ValidationProblem> Add(
        StyleRepository repository,
        IValidator<StyleRequest> rules,
        StyleRequest request
    )
    {
        if (rules.Validate(request) is { IsValid: false } invalid)
            return TypedResults.ValidationProblem(invalid.ToDictionary());
        var id = repository.Add(request.Name.Trim(), StyleFile.Write(request.Style));
        return TypedResults.Ok(List(repository).First(s => s.Id == id));
    }

    private static Results<Ok<StyleView>, ProblemHttpResult, ValidationProblem> Save(
        StyleRepository repository,
        IValidator<StyleRequest> rules,
        long id,
        StyleRequest request
    )
    {
        if (rules.Validate(request) is { IsValid: false } invalid)
            return TypedResults.ValidationProblem(invalid.ToDictionary());
        if (!repository.Save(id, request.Name.Trim(), StyleFile.Write(request.Style)))
            return Missing();
        return TypedResults.Ok(List(repository).First(s => s.Id == id));
    }

    private static Results<Ok<StyleView>, ProblemHttpResult> Duplicate(StyleRepository repository, long id)
    {
        var kept = repository.List();
        if (kept.FirstOrDefault(s => s.Id == id) is not { } style)
            return Missing();
        var copy = repository.Add(Copies.NameOf(style.Name, kept.Select(s => s.Name), StyleRules.LongestName), style.Json);
        return TypedResults.Ok(List(repository).First(s => s.Id == copy));
    }

    private static Results<NoContent, ProblemHttpResult> Done(bool done) => done ? TypedResults.NoContent() : Missing();

    private static ProblemHttpResult Missing() =>
        TypedResults.Problem(statusCode: 404, title: "There is no such style, or it is the current one, which stays.");
}
