using Coppia.Core.Knowledge;
using Coppia.Core.Wording;
using Coppia.Data;
using Coppia.Formats;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>One tune of a file that holds many, before it is taken.</summary>
/// <param name="Number">Its number in the file, from 1.</param>
/// <param name="File">Its file within a packed one, or null.</param>
/// <param name="Line">The line of its file on which it begins.</param>
/// <param name="Title">Its title; null where it cannot be read.</param>
/// <param name="FirstNotes">Names of its first notes.</param>
/// <param name="Source">The tune as a text of its own.</param>
/// <param name="Error">Why it cannot be read, or null.</param>
public sealed record BookTuneView(
    int Number,
    string? File,
    int Line,
    string? Title,
    string? KeyName,
    string? Meter,
    int Bars,
    IReadOnlyList<string> FirstNotes,
    string Source,
    SourceError? Error
)
{
    private const int ShownNotes = 8;

    internal static BookTuneView Of(BookTune tune, HouseStyle style)
    {
        var record = tune.Read.Score is null ? null : TuneEndpoints.Record(new TuneRequest(tune.Source), tune.Read);
        return new BookTuneView(
            Number: tune.Number,
            File: tune.File,
            Line: tune.FirstLine,
            Title: record?.Title,
            KeyName: tune.Read.Score is { } score ? Labels.Key(score.Key, style) : null,
            Meter: record?.Meter,
            Bars: record?.Bars ?? 0,
            FirstNotes:
            [
                .. (tune.Read.Score?.Events ?? [])
                    .Where(e => e.Pitch is not null)
                    .Take(ShownNotes)
                    .Select(e => Labels.Note(e.Pitch!.Value, style)),
            ],
            Source: tune.Source,
            Error: tune.Read.Errors.Count > 0 ? tune.Read.Errors[0] : null
        );
    }
}

/// <summary>Tunes to keep together.</summary>
public sealed record ManyTunes(IReadOnlyList<TuneRequest> Tunes);

/// <summary>Books: a file or a text with many tunes is listed, and as many of them as are wanted are taken.</summary>
internal static class TuneBookEndpoints
{
    /// <summary>Most tunes that are kept in one request, so that the one who waits sees how far it has come.</summary>
    private const int MostAtOnce = 100;

    public static void MapTuneBooks(this WebApplication app)
    {
        app.MapPost("/api/tunes/book", OfFile).WithName("readBook").DisableAntiforgery().ProducesProblem(422).ProducesProblem(413);
        app.MapPost(
                "/api/tunes/book/text",
                (Styles styles, TuneRequest request) => Listed(TuneBook.Of(request.Source), styles.Current().Style)
            )
            .WithName("readBookText");
        app.MapPost("/api/tunes/many", Keep).WithName("addTunes").ProducesValidationProblem().ProducesProblem(422);
    }

    private static async Task<Results<Ok<BookTuneView[]>, ProblemHttpResult>> OfFile(
        Styles styles,
        IFormFile file,
        CancellationToken cancellation
    )
    {
        var (bytes, refused) = await TuneFileEndpoints.BytesOf(file, cancellation);
        if (refused is not null)
            return refused;
        try
        {
            return TypedResults.Ok(Listed(TuneBook.OfFile(bytes), styles.Current().Style));
        }
        catch (InvalidDataException e)
        {
            return TypedResults.Problem(statusCode: 422, title: e.Message);
        }
    }

    private static BookTuneView[] Listed(IReadOnlyList<BookTune> tunes, HouseStyle style) =>
        [.. tunes.Select(t => BookTuneView.Of(t, style))];

    /// <summary>Keeps all of them, or where one cannot be read none.</summary>
    private static Results<Ok<IReadOnlyList<long>>, ProblemHttpResult, ValidationProblem> Keep(
        TuneRepository repository,
        IValidator<TuneRequest> rules,
        Waiting waiting,
        ManyTunes many
    )
    {
        if (many.Tunes.Count > MostAtOnce)
            return TypedResults.Problem(
                statusCode: 422,
                title: $"There are {many.Tunes.Count} tunes; expected at most {MostAtOnce} at once."
            );
        var tunes = new List<TuneCopy>();
        foreach (var request in many.Tunes)
        {
            if (rules.Validate(request) is { IsValid: false } invalid)
                return TypedResults.ValidationProblem(invalid.ToDictionary());
            var read = TuneReader.Read(request.Source, waiting.Stop);
            if (read.Score is null)
                return Problems.Unreadable(read.Errors);
            tunes.Add(TuneLineEndpoints.Offered(TuneEndpoints.Record(request, read), read));
        }

        return TypedResults.Ok(repository.AddAll(tunes));
    }
}
