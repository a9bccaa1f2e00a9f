using Coppia.Core.Bowing;
using Coppia.Core.Counting;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording;
using Coppia.Data;
using Coppia.Formats;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>A named house style. Id 0 is the built-in one, in force until a style is kept.</summary>
public sealed record StyleView(long Id, string Name, bool Current, HouseStyle Style);

public sealed record StyleRequest(string Name, HouseStyle Style);

/// <summary>One live example: a few notes that show what one setting does.</summary>
/// <param name="Setting">The setting's name in a style, such as fourthFinger.</param>
/// <param name="Instrument">Who plays.</param>
/// <param name="MusicXml">The notes with what is printed under them as lyrics.</param>
/// <param name="Printed">The same printed words, in order.</param>
/// <param name="Words">A sentence where words show the setting better than notes; null elsewhere.</param>
public sealed record StyleExample(string Setting, string Instrument, string MusicXml, IReadOnlyList<string> Printed, string? Words);

/// <summary>A rhythm of one beat, as parts of it, and the word that is shipped for it.</summary>
public sealed record WordRhythmView(string Pattern, string Word);

internal sealed class StyleRules : AbstractValidator<StyleRequest>
{
    public StyleRules()
    {
        RuleFor(r => r.Name)
            .NotEmpty()
            .WithMessage("The style needs a name.")
            .MaximumLength(80)
            .WithMessage("The name is longer than 80 characters.");
        RuleFor(r => r.Style.FirstKeyFifths).InclusiveBetween(-7, 7).WithMessage("The first key has at most seven sharps or flats.");
        RuleForEach(r => r.Style.Tapes)
            .Must(t => StringSection.All.Any(i => i.Id == t.Key))
            .WithMessage("Tapes are kept for violin, viola, cello and bass.")
            .Must(t => t.Value.All(x => x.Semitones is >= 1 and <= 12 && x.Name is { Length: >= 1 and <= 30 }))
            .WithMessage("A tape lies 1 to 12 half steps above the open string and has a name of 1 to 30 characters.")
            .Must(t => t.Value.Select(x => x.Semitones).Distinct().Count() == t.Value.Count)
            .WithMessage("Two tapes lie at the same place.");
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
            .MapGet("/words", () => WordRhythms.Shipped.Select(w => new WordRhythmView(w.Pattern, w.Word)).ToArray())
            .WithName("listWordRhythms");
        styles.MapPost("/example", (HouseStyle style) => Examples(style)).WithName("showStyle");
    }

    private static IReadOnlyList<StyleView> List(StyleRepository repository)
    {
        var kept = repository.List();
        return kept.Count == 0
            ? [new StyleView(0, "Coppia’s defaults", true, HouseStyle.Default)]
            : [.. kept.Select(s => new StyleView(s.Id, s.Name, s.Current, StyleFile.Read(s.Json)))];
    }

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

    private sealed record Show(
        string Setting,
        string Instrument,
        string Key,
        string Notes,
        Func<ReadingNote, string>? Row = null,
        string Meter = "4/4",
        Func<PlayerReading, string>? Words = null
    );

    private static readonly Show[] Shown =
    [
        new("fourthFinger", "violin", "D", "F/G/A/G/ (G A) | B A G2"),
        new("lowHigh", "violin", "C", "D F ^F A | c ^G A2"),
        new("extendedFourth", "violin", "C", "a b c' b | a2 g2"),
        new("celloBack", "cello", "Bb clef=bass", "D, E, F, D, | A, B, A,2"),
        new("bassFingers", "bass", "F clef=bass", "F,, G,, A,, C, | D, E, F,2"),
        new("noteNames", "violin", "C", "G A B c | _B A G2", n => n.Name),
        new("octaveNames", "violin", "D", "D F A d | c A D2", n => n.Name),
        new("counting", "violin", "D", "D/E/ F F/4G/4A/4G/4 F", n => n.Count),
        new("compound", "violin", "D", "D/E/F/ G/F/E/", n => n.Count, "6/8"),
        new("valueNames", "violin", "D", "D2 E F/z/"),
        new(
            "loudBow",
            "violin",
            "D",
            "!f!D2 E2",
            n => n.Name,
            Words: r => BowUse.Of([.. r.Notes.Select(n => n.Note)], [], r.Style)[0].Text
        ),
        new("afterLongRest", "violin", "D", "D2 z2 | z4 | z4 | E2 F2", n => n.Bow == BowDirection.Down ? "down" : "up"),
        new("tapes", "violin", "C", "F", Words: r => Why.Of(r.Fingering, 0, signedEarlier: false, r.Style).Place),
    ];

    /// <summary>For every setting a few notes that it changes.</summary>
    private static IReadOnlyList<StyleExample> Examples(HouseStyle style) =>
        [
            .. Shown.Select(s =>
            {
                var player = StringSection.Named(s.Instrument, style)!;
                var score = TuneReader.Read($"X:1\nM:{s.Meter}\nL:1/4\nK:{s.Key}\n{s.Notes} |]").Score!;
                var reading = PlayerReading.Of(score, player, player, style);
                var row = s.Setting == "valueNames" ? n => n.Note.Event.Value.Words(style.ValueNames) : s.Row ?? (n => n.Label);
                var printed = reading.Notes.Select(row).ToArray();
                var lines = reading.Notes.Zip(printed).ToDictionary(p => p.First.Note.Id, p => (IReadOnlyList<string>)[p.Second]);
                return new StyleExample(
                    s.Setting,
                    player.Name,
                    MusicXmlWriter.Write(reading.Score, new MusicXmlExtras(lines)),
                    printed,
                    s.Words?.Invoke(reading)
                );
            }),
        ];

    private static Results<NoContent, ProblemHttpResult> Done(bool done) => done ? TypedResults.NoContent() : Missing();

    private static ProblemHttpResult Missing() =>
        TypedResults.Problem(statusCode: 404, title: "There is no such style, or it is the current one, which stays.");
}
