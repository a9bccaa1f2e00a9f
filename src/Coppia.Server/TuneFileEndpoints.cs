using System.Text;
using Coppia.Core.Bowing;
using Coppia.Data;
using Coppia.Formats;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>Tunes as files: upload, and export in open formats.</summary>
internal static class TuneFileEndpoints
{
    private const int MostUploadBytes = 5 * 1024 * 1024;

    public static void MapTuneFiles(this WebApplication app)
    {
        app.MapPost("/api/tunes/upload", Upload)
            .WithName("uploadTune")
            .DisableAntiforgery()
            .ProducesValidationProblem()
            .ProducesProblem(422)
            .ProducesProblem(413);
        app.MapGet("/api/tunes/{id:long}/export", Export).WithName("exportTune").Produces<string>(200, "text/plain").ProducesProblem(404);
    }

    private static async Task<Results<Ok<TuneDetail>, ProblemHttpResult, ValidationProblem>> Upload(
        TuneRepository repository,
        IValidator<TuneRequest> rules,
        IFormFile file,
        CancellationToken cancellation
    )
    {
        if (file.Length > MostUploadBytes)
            return TypedResults.Problem(statusCode: 413, title: "The file is larger than 5 MB.");
        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, cancellation);
        string text;
        try
        {
            text = TuneBytes.Text(bytes.ToArray());
        }
        catch (InvalidDataException e)
        {
            return TypedResults.Problem(statusCode: 422, title: e.Message);
        }

        var kept = TuneEndpoints.Keep(repository, rules, new TuneRequest(text));
        if (kept.Result is ProblemHttpResult { StatusCode: 422 } problem)
        {
            // The text goes back with the errors, so that it can be mended on the screen and nothing is lost.
            problem.ProblemDetails.Extensions["source"] = text;
        }

        return kept;
    }

    /// <summary>
    /// The tune with its taken bowing as MusicXML or ABC; with an instrument, as that instrument reads it, with the chosen rows as lyrics
    /// and the pairs as technical marks.
    /// </summary>
    private static Results<FileContentHttpResult, ProblemHttpResult> Export(
        Readings readings,
        Styles styles,
        long id,
        string format,
        string? instrument,
        string? rows
    )
    {
        if (format is not ("musicxml" or "abc"))
            return TypedResults.Problem(statusCode: 400, title: "Unknown format; expected musicxml or abc.");
        if (readings.Find(id) is not { } kept)
            return Problems.NoTune(id);
        var score = BowEdits.Apply(kept.Score, readings.BowsOf(kept));
        MusicXmlExtras? extras = null;
        if (instrument is not null)
        {
            if (styles.Player(instrument) is not { } player)
                return Problems.NoInstrument(instrument);
            var reading = readings.Of(kept, player);
            score = reading.Score with { InstrumentName = player.Instrument.Name };
            extras = ReadingMusic.Extras(reading, (rows ?? "pair").Split(',', StringSplitOptions.RemoveEmptyEntries));
        }

        score = score with { Title = kept.Tune.Title, Composer = kept.Tune.Composer };
        var text = format == "abc" ? AbcWriter.Write(score) : MusicXmlWriter.Write(score, extras);
        var name =
            string.Concat(kept.Tune.Title.Select(c => char.IsLetterOrDigit(c) ? c : '-')).Trim('-')
            + (instrument is null ? "" : "-" + instrument);
        return TypedResults.File(
            Encoding.UTF8.GetBytes(text),
            format == "abc" ? "text/vnd.abc" : "application/vnd.recordare.musicxml+xml",
            $"{name}.{(format == "abc" ? "abc" : "musicxml")}"
        );
    }
}
