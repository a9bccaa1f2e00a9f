using Coppia.Core;
using Coppia.Data;
using Coppia.Formats;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>A named house style. Id 0 is the built-in one, in force until a style is kept.</summary>
public sealed record StyleView(long Id, string Name, bool Current, HouseStyle Style);

public sealed record StyleRequest(string Name, HouseStyle Style);

/// <summary>One live example: a few notes with the pairs and names that a style gives them.</summary>
public sealed record StyleExample(string Instrument, string MusicXml, IReadOnlyList<string> Pairs, IReadOnlyList<string> Names);

internal sealed class StyleRules : AbstractValidator<StyleRequest>
{
    public StyleRules()
    {
        RuleFor(r => r.Name).NotEmpty().WithMessage("The style needs a name.").MaximumLength(80).WithMessage("The name is longer than 80 characters.");
        RuleForEach(r => r.Style.Tapes).Must(t => Instruments.All.Any(i => i.Id == t.Key)).WithMessage("Tapes are kept for violin, viola, cello and bass.")
            .Must(t => t.Value.All(x => x.Semitones is >= 1 and <= 12 && x.Name is { Length: >= 1 and <= 30 })).WithMessage("A tape lies 1 to 12 half steps above the open string and has a name of 1 to 30 characters.")
            .Must(t => t.Value.Select(x => x.Semitones).Distinct().Count() == t.Value.Count).WithMessage("Two tapes lie at the same place.");
        RuleForEach(r => r.Style.ShapeNames).Must(s => s.Value.Name is { Length: >= 1 and <= 40 } && s.Value.Mark is { Length: <= 2 })
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
        styles.MapPost("/{id:long}/current", (StyleRepository repository, long id) => Done(repository.MakeCurrent(id))).WithName("useStyle").ProducesProblem(404);
        styles.MapDelete("/{id:long}", (StyleRepository repository, long id) => Done(repository.Delete(id))).WithName("deleteStyle").ProducesProblem(404);
        styles.MapPost("/example", (HouseStyle style) => Examples(style)).WithName("showStyle");
    }

    private static IReadOnlyList<StyleView> List(StyleRepository repository)
    {
        var kept = repository.List();
        return kept.Count == 0
            ? [new StyleView(0, "Coppia’s defaults", true, HouseStyle.Default)]
            : [.. kept.Select(s => new StyleView(s.Id, s.Name, s.Current, StyleFile.Read(s.Json)))];
    }

    private static Results<Ok<StyleView>, ValidationProblem> Add(StyleRepository repository, IValidator<StyleRequest> rules, StyleRequest request)
    {
        if (rules.Validate(request) is { IsValid: false } invalid) return TypedResults.ValidationProblem(invalid.ToDictionary());
        var id = repository.Add(request.Name.Trim(), StyleFile.Write(request.Style));
        return TypedResults.Ok(List(repository).First(s => s.Id == id));
    }

    private static Results<Ok<StyleView>, ProblemHttpResult, ValidationProblem> Save(StyleRepository repository, IValidator<StyleRequest> rules, long id, StyleRequest request)
    {
        if (rules.Validate(request) is { IsValid: false } invalid) return TypedResults.ValidationProblem(invalid.ToDictionary());
        if (!repository.Save(id, request.Name.Trim(), StyleFile.Write(request.Style))) return Missing();
        return TypedResults.Ok(List(repository).First(s => s.Id == id));
    }

    /// <summary>A few notes that show every choice: low and high on violin, a back stretch on cello, fingers on bass, open string against fourth finger.</summary>
    private static IReadOnlyList<StyleExample> Examples(HouseStyle style) =>
    [
        ExampleOf(style, "violin", "Bb", "G A G B | c d e =B"), ExampleOf(style, "cello", "Bb clef=bass", "D, E, F, G, | A, B, ^G, A,"), ExampleOf(style, "bass", "F clef=bass", "F,, G,, A,, B,, | C, D, E, F,"),
    ];

    private static StyleExample ExampleOf(HouseStyle style, string id, string key, string notes)
    {
        var instrument = Instruments.Named(id, style)!;
        var score = TuneReader.Read($"X:1\nM:4/4\nL:1/4\nK:{key}\n{notes} |]").Score!;
        var reading = Reading.Of(score, instrument, instrument, style);
        var lines = reading.Notes.ToDictionary(n => n.Note.Id, n => (IReadOnlyList<string>)[n.Label, n.Name]);
        return new StyleExample(instrument.Name, MusicXmlWriter.Write(reading.Score, new MusicXmlExtras(lines)), [.. reading.Notes.Select(n => n.Label)], [.. reading.Notes.Select(n => n.Name)]);
    }

    private static Results<NoContent, ProblemHttpResult> Done(bool done) => done ? TypedResults.NoContent() : Missing();

    private static ProblemHttpResult Missing() => TypedResults.Problem(statusCode: 404, title: "There is no such style, or it is the current one, which stays.");
}
