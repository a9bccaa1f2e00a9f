using System.ComponentModel.DataAnnotations;
using Coppia.Core.Knowledge;
using Coppia.Core.School;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Room;
using Coppia.Formats.Records;
using Coppia.Server.Asked;
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

public record StyleRequest(
    [property: AtMost(Limits.LongestStyleName, "room.style.the-name-is-longer-than-characters")] string Name,
    HouseStyle Style
) : IValidatableObject
{
    public IEnumerable<ValidationResult> Validate(ValidationContext validationContext)
    {
        if (string.IsNullOrWhiteSpace(Name))
            yield return new ValidationResult(Say("room.style.the-style-needs-a-name"), ["name"]);
        if (StyleRules.FirstWrong(Style) is var (setting, wrong))
            yield return new ValidationResult(wrong, [setting]);
    }
}

/// <summary>A changed style, with the version that the editor saw.</summary>
public sealed record StyleChange(int Version, string Name, HouseStyle Style) : StyleRequest(Name, Style);

/// <summary>A rhythm of one beat, as parts of it, and the word that is shipped for it.</summary>
/// <param name="Name">What the rhythm is called: "half, two quick".</param>
public sealed record WordRhythmView(string Pattern, string Word, string Name);

/// <summary>House styles: a school has more than one teacher, one style is current.</summary>
internal static class StyleEndpoints
{
    public static void MapStyles(this IEndpointRouteBuilder api)
    {
        var styles = api.MapGroup("/api/styles");
        styles.MapGet("", List).WithName("listStyles");
        styles.MapPost("", Add).WithName("addStyle").ProducesProblem(422);
        styles
            .MapPut("/{id:long}", Save)
            .WithName("saveStyle")
            .ProducesProblem(422)
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

    private static StyleView Add(StyleRepository repository, StyleRequest request)
    {
        var id = repository.Add(request.Name.Trim(), StyleFile.Write(request.Style));
        return List(repository).First(s => s.Id == id);
    }

    private static StyleView Save(StyleRepository repository, long id, StyleChange request)
    {
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
