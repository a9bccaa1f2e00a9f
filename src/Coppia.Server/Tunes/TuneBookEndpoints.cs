using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Books;
using Coppia.Formats.Source;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Tunes;

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
        var record = tune.Read.Score is null ? null : NewTune.Of(new TuneRequest(tune.Source), tune.Read);
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

    public static void MapTuneBooks(this IEndpointRouteBuilder api)
    {
        api.MapPost("/api/tunes/book", OfFile)
            .WithName("readBook")
            .DisableAntiforgery()
            .ProducesProblem(422)
            .ProducesProblem(413);
        api.MapPost(
                "/api/tunes/book/text",
                (HouseStyles styles, TuneRequest request) => Listed(TuneBook.Of(request.Source), styles.Current().Style)
            )
            .WithName("readBookText");
        api.MapPost("/api/tunes/many", Keep).WithName("addTunes").ProducesProblem(422);
    }

    private static async Task<BookTuneView[]> OfFile(HouseStyles styles, IFormFile file, CancellationToken cancellation)
    {
        var bytes = await TuneUpload.BytesOf(file, cancellation);
        try
        {
            return Listed(TuneBook.OfFile(bytes), styles.Current().Style);
        }
        catch (InvalidDataException e)
        {
            throw RefusedException.Wrong(e.Message);
        }
    }

    private static BookTuneView[] Listed(IReadOnlyList<BookTune> tunes, HouseStyle style) =>
        [.. tunes.Select(t => BookTuneView.Of(t, style))];

    /// <summary>Keeps all of them, or where one cannot be read none.</summary>
    private static IReadOnlyList<long> Keep(TuneShelf shelf, ManyTunes many) =>
        many.Tunes.Count <= MostAtOnce
            ? shelf.Keep(many.Tunes)
            : throw RefusedException.Wrong(
                Say(
                    "tunes.tune-book.there-are-tunes-expected-at-most-at",
                    ("tunes", many.Tunes.Count),
                    ("mostAtOnce", MostAtOnce)
                )
            );
}
