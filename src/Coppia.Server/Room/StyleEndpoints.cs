using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.School;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Room;
using Coppia.Formats.Records;
using Coppia.Server.Asked;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Room;

/// <summary>A named house style. Id 0 is the built-in one, in force until a style is kept.</summary>
/// <param name="Unreadable">The text of a style that this version cannot read, with what is wrong; the defaults stand
/// in for it.</param>
public sealed record StyleView(
    long Id,
    string Name,
    bool Current,
    HouseStyle Style,
    int Version = 1,
    DateTime? DeletedAt = null,
    UnreadableStyle? Unreadable = null
);

/// <param name="Text">As it is kept.</param>
/// <param name="Wrong">Where and what.</param>
public sealed record UnreadableStyle(string Text, string Wrong);

public record StyleRequest(string Name, HouseStyle Style);

/// <summary>A changed style, with the version that the editor saw.</summary>
public sealed record StyleChange(int Version, string Name, HouseStyle Style) : StyleRequest(Name, Style);

/// <summary>A rhythm of one beat, as parts of it, and the word that is shipped for it.</summary>
/// <param name="Name">What the rhythm is called: "half, two quick".</param>
public sealed record WordRhythmView(string Pattern, string Word, string Name);

internal sealed class StyleRules : AbstractValidator<StyleRequest>
{
    public StyleRules()
    {
        RuleFor(r => r.Name)
            .NotEmpty()
            .WithMessage(Say("room.style.the-style-needs-a-name"))
            .MaximumLength(Limits.LongestStyleName)
            .WithMessage(
                Say("room.style.the-name-is-longer-than-characters", ("longestName", Limits.LongestStyleName))
            );
        RuleFor(r => r.Style.FirstKeyFifths)
            .InclusiveBetween(-7, 7)
            .WithMessage(Say("room.style.the-first-key-has-at-most-seven"));
        RuleForEach(r => r.Style.Tapes)
            .Must(t => StringSection.Named(t.Key) is not null)
            .WithMessage(
                Say(
                    "room.style.tapes-are-kept-for",
                    ("instruments", English.List([.. StringSection.All.Select(i => i.Id)]))
                )
            )
            .Must(t => t.Value.All(x => x.Semitones is >= 1 and <= 12 && x.Name is { Length: >= 1 and <= 30 }))
            .WithMessage(Say("room.style.a-tape-lies-1-to-12-half"))
            .Must(t => t.Value.Select(x => x.Semitones).Distinct().Count() == t.Value.Count)
            .WithMessage(Say("room.style.two-tapes-lie-at-the-same-place"));
        RuleForEach(r => r.Style.Alternatives)
            .Must(a => StyleFile.WrongAlternative(a.Key, a.Value) is null)
            .WithMessage((_, a) => StyleFile.WrongAlternative(a.Key, a.Value)! + ".");
        RuleForEach(r => r.Style.WordRhythms)
            .Must(w => WordRhythms.Wrong(w.Key, w.Value) is null)
            .WithMessage((_, w) => WordRhythms.Wrong(w.Key, w.Value)!);
        RuleForEach(r => r.Style.ShapeNames)
            .Must(s => s.Value.Name is { Length: >= 1 and <= 40 } && s.Value.Mark is { Length: <= 2 })
            .WithMessage(Say("room.style.a-shapes-own-name-has-1-to"));
    }
}

/// <summary>House styles: a school has more than one teacher, one style is current.</summary>
internal static class StyleEndpoints
{
    public static void MapStyles(this IEndpointRouteBuilder api)
    {
        var styles = api.MapGroup("/api/styles");
        styles.MapGet("", List).WithName("listStyles");
        styles.MapPost("", Add).WithName("addStyle").ProducesValidationProblem();
        styles
            .MapPut("/{id:long}", Save)
            .WithName("saveStyle")
            .ProducesValidationProblem()
            .ProducesProblem(404)
            .ProducesProblem(409);
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
            .MapGet(
                "/words",
                () => WordRhythms.Shipped.Select(w => new WordRhythmView(w.Pattern, w.Word, w.Name)).ToArray()
            )
            .WithName("listWordRhythms");
        styles.MapGet("/settings", () => StyleSetting.All).WithName("listStyleSettings");
        styles.MapPost("/example", (HouseStyle style) => StyleExamples.Of(style)).WithName("showStyle");
    }

    private static IReadOnlyList<StyleView> List(StyleRepository repository)
    {
        var kept = repository.List();
        return kept.Count == 0
            ? [new StyleView(0, Say("room.style.coppias-defaults"), true, HouseStyle.Default)]
            : [.. kept.Select(ViewOf)];
    }

    private static StyleView ViewOf(StyleRecord s)
    {
        var style = HouseStyles.Read(s.Json, out var wrong);
        return new StyleView(
            Id: s.Id,
            Name: s.Name,
            Current: s.Current,
            Style: style,
            Version: s.Version,
            DeletedAt: s.DeletedAt,
            Unreadable: wrong is null ? null : new UnreadableStyle(s.Json, wrong)
        );
    }

    private static StyleView Add(StyleRepository repository, IValidator<StyleRequest> rules, StyleRequest request)
    {
        rules.ValidateAndThrow(request);
        var id = repository.Add(request.Name.Trim(), StyleFile.Write(request.Style));
        return List(repository).First(s => s.Id == id);
    }

    private static StyleView Save(
        StyleRepository repository,
        IValidator<StyleRequest> rules,
        long id,
        StyleChange request
    )
    {
        rules.ValidateAndThrow(request);
        repository
            .Save(id, request.Version, request.Name.Trim(), StyleFile.Write(request.Style))
            .OrRefuse(Say("room.style.this-style-was-saved-from-another"), NoStyle());
        return List(repository).FirstOrDefault(s => s.Id == id) ?? throw NoStyle();
    }

    private static StyleView Duplicate(StyleRepository repository, long id)
    {
        var kept = repository.List();
        if (kept.FirstOrDefault(s => s.Id == id) is not { } style)
            throw NoStyle();
        var copy = repository.Add(
            Copies.NameOf(style.Name, kept.Select(s => s.Name), Limits.LongestStyleName),
            style.Json
        );
        return List(repository).First(s => s.Id == copy);
    }

    private static NoContent Done(bool done) => done ? TypedResults.NoContent() : throw NoStyle();

    private static RefusedException NoStyle() =>
        new RefusedException(404, Say("room.style.there-is-no-such-style-or-it"));
}
