using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording;
using Coppia.Data;
using Coppia.Formats;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>The library of tunes.</summary>
internal static class TuneEndpoints
{
    public static void MapTunes(this WebApplication app)
    {
        var tunes = app.MapGroup("/api/tunes");
        tunes
            .MapGet("", (TuneRepository repository, Styles styles, string? search) => Listed(repository.List(search), styles))
            .WithName("listTunes");
        tunes
            .MapGet("/deleted", (TuneRepository repository, Styles styles) => Listed(repository.Deleted(), styles))
            .WithName("listDeletedTunes");
        tunes.MapPost("", Add).WithName("addTune").ProducesValidationProblem().ProducesProblem(422);
        tunes
            .MapPost("/check", (Styles styles, TuneRequest request) => Check(request.Source, styles.Current().Style))
            .WithName("checkTune");
        tunes.MapGet("/{id:long}", Get).WithName("getTune").ProducesProblem(404);
        tunes
            .MapPut("/{id:long}", Save)
            .WithName("saveTune")
            .ProducesValidationProblem()
            .ProducesProblem(404)
            .ProducesProblem(422)
            .Produces<TuneDetail>(409);
        tunes.MapPost("/{id:long}/duplicate", Duplicate).WithName("duplicateTune").ProducesProblem(404);
        tunes
            .MapDelete("/{id:long}", (TuneRepository repository, long id) => Done(repository.Delete(id), id))
            .WithName("deleteTune")
            .ProducesProblem(404);
        tunes
            .MapPost("/{id:long}/restore", (TuneRepository repository, long id) => Done(repository.Restore(id), id))
            .WithName("restoreTune")
            .ProducesProblem(404);
    }

    private static TuneSummary[] Listed(IReadOnlyList<TuneRecord> tunes, Styles styles)
    {
        var style = styles.Current().Style;
        return [.. tunes.Select(t => TuneSummary.Of(t).Named(style))];
    }

    /// <summary>Reads and keeps a source; nothing is kept when it cannot be read.</summary>
    internal static Results<Ok<TuneDetail>, ProblemHttpResult, ValidationProblem> Keep(
        TuneRepository repository,
        IValidator<TuneRequest> rules,
        TuneRequest request
    )
    {
        if (rules.Validate(request) is { IsValid: false } invalid)
            return TypedResults.ValidationProblem(invalid.ToDictionary());
        var read = TuneReader.Read(request.Source);
        if (read.Score is not { } score)
            return Problems.Unreadable(read.Errors);
        return TypedResults.Ok(TuneDetail.Of(repository.Add(Record(request, score)), read.Notices));
    }

    internal static TuneRecord Record(TuneRequest request, Score score) =>
        new()
        {
            Title = Chosen(request.Title, score.Title, "Untitled tune"),
            Composer = Chosen(request.Composer, score.Composer, "traditional"),
            PrintedFor = Chosen(request.PrintedFor, null, PrintedFor.Of(score).Id),
            Source = request.Source,
            KeyName = score.Key.Name,
            Meter = score.Time switch
            {
                null => "free",
                { Symbol: TimeSymbol.Common } => "C (4/4)",
                { Symbol: TimeSymbol.Cut } => "cut C (2/2)",
                { } t => t.ToString(),
            },
            Clef = score.Clef.Name,
            Bars = score.Bars.Count(b => !b.IsPickUp),
        };

    private static string Chosen(string? asked, string? found, string otherwise)
    {
        var chosen =
            !string.IsNullOrWhiteSpace(asked) ? asked.Trim()
            : !string.IsNullOrWhiteSpace(found) ? found.Trim()
            : otherwise;
        return chosen.Length <= 200 ? chosen : chosen[..200];
    }

    private static Results<Ok<TuneDetail>, ProblemHttpResult, ValidationProblem> Add(
        TuneRepository repository,
        IValidator<TuneRequest> rules,
        TuneRequest request
    ) => Keep(repository, rules, request);

    private static TuneCheck Check(string source, HouseStyle style)
    {
        var read = TuneReader.Read(source);
        var score = read.Score;
        var record = score is null ? null : Record(new TuneRequest(source), score);
        return new TuneCheck(
            Title: score?.Title,
            KeyName: score is null ? null : Labels.Key(score.Key, style),
            Meter: record?.Meter,
            Clef: record?.Clef,
            Bars: record?.Bars ?? 0,
            PrintedFor: record?.PrintedFor,
            Errors: [.. read.Errors.Take(Problems.MostErrors)],
            Notices: read.Notices
        );
    }

    private static Results<Ok<TuneDetail>, ProblemHttpResult> Get(TuneRepository repository, long id) =>
        repository.Find(id) is { } tune ? TypedResults.Ok(TuneDetail.Of(tune, TuneReader.Read(tune.Source).Notices)) : Problems.NoTune(id);

    private static Results<Ok<TuneDetail>, Conflict<TuneDetail>, ProblemHttpResult, ValidationProblem> Save(
        TuneRepository repository,
        IValidator<TuneRequest> rules,
        long id,
        TuneChange change
    )
    {
        if (rules.Validate(change) is { IsValid: false } invalid)
            return TypedResults.ValidationProblem(invalid.ToDictionary());
        var read = TuneReader.Read(change.Source);
        if (read.Score is not { } score)
            return Problems.Unreadable(read.Errors);
        if (repository.Find(id) is not { } before)
            return Problems.NoTune(id);
        // Notes that were there before keep their ids, and with them their pins and bows.
        var ids = KeptTune.Of(before).IdsAfter(score);
        return repository.Save(Record(change, score) with { Id = id, Version = change.Version, NoteIds = ids }) switch
        {
            SaveOutcome.Saved => TypedResults.Ok(TuneDetail.Of(repository.Find(id)!, read.Notices)),
            SaveOutcome.ChangedMeanwhile when repository.Find(id) is { } current => TypedResults.Conflict(TuneDetail.Of(current, [])),
            _ => Problems.NoTune(id),
        };
    }

    private static Results<Ok<TuneDetail>, ProblemHttpResult> Duplicate(TuneRepository repository, long id)
    {
        if (repository.Find(id) is not { } tune)
            return Problems.NoTune(id);
        var title = Copies.NameOf(tune.Title, repository.List(null).Select(t => t.Title), TuneRequestRules.LongestTitle);
        return TypedResults.Ok(TuneDetail.Of(repository.Add(tune with { Title = title }), []));
    }

    private static Results<NoContent, ProblemHttpResult> Done(bool done, long id) => done ? TypedResults.NoContent() : Problems.NoTune(id);
}
