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
        Waiting waiting,
        IFormFile file,
        CancellationToken cancellation
    )
    {
        var (bytes, refused) = await BytesOf(file, cancellation);
        if (refused is not null)
            return refused;
        string text;
        try
        {
            text = TuneBytes.Text(bytes);
        }
        catch (InvalidDataException e)
        {
            return TypedResults.Problem(statusCode: 422, title: e.Message);
        }

        var kept = TuneEndpoints.Keep(repository, rules, waiting, new TuneRequest(text));
        if (kept.Result is ProblemHttpResult { StatusCode: 422 } problem)
        {
            // The text goes back with the errors, so that it can be mended on the screen and nothing is lost.
            problem.ProblemDetails.Extensions["source"] = text;
        }

        return kept;
    }

    /// <summary>The bytes of an uploaded file, or the answer that it is too large.</summary>
    internal static async Task<(byte[] Bytes, ProblemHttpResult? Refused)> BytesOf(IFormFile file, CancellationToken cancellation)
    {
        if (file.Length > MostUploadBytes)
            return ([], TypedResults.Problem(statusCode: 413, title: "The file is larger than 5 MB."));
        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, cancellation);
        return (bytes.ToArray(), null);
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
        if (!Choices.Read<SourceFormat>(format, out var wanted) || wanted is SourceFormat.Letters or SourceFormat.Fingers)
            return TypedResults.Problem(statusCode: 400, title: $"“{format}” is not a format; expected abc or musicXml.");
        if (Rows(rows ?? "pair") is not { } shown)
            return TypedResults.Problem(statusCode: 400, title: $"“{rows}” are not rows; expected some of {Choices.Expected<Row>()}.");
        if (readings.Missing(id, out var kept) is { } missing)
            return missing;
        MusicXmlExtras? extras = null;
        IReadOnlyList<ScoreLine> lines =
        [
            .. kept
                .Lines.Select(l => kept with { Line = l })
                .Select(k => k.Line with { Score = BowEdits.Apply(k.Score, readings.BowsOf(k)) }),
        ];
        if (instrument is not null)
        {
            if (styles.Missing(instrument, out var player) is { } problem)
                return problem;
            kept = kept.For(instrument);
            var reading = readings.Of(kept, player);
            lines = [new ScoreLine("1", player.Instrument.Name, reading.Score)];
            extras = ReadingMusic.Extras(reading, shown);
        }

        lines = [.. lines.Select(l => l with { Score = l.Score with { Title = kept.Tune.Title, Composer = kept.Tune.Composer } })];
        var text = wanted == SourceFormat.Abc ? AbcWriter.Write(lines) : MusicXmlWriter.Write(lines, extras);
        var name =
            string.Concat(kept.Tune.Title.Select(c => char.IsLetterOrDigit(c) ? c : '-')).Trim('-')
            + (instrument is null ? "" : "-" + instrument);
        return TypedResults.File(
            Encoding.UTF8.GetBytes(text),
            wanted == SourceFormat.Abc ? "text/vnd.abc" : "application/vnd.recordare.musicxml+xml",
            $"{name}.{(wanted == SourceFormat.Abc ? "abc" : "musicxml")}"
        );
    }

    /// <summary>The rows that are named, parted by commas; null where one is not known.</summary>
    private static List<Row>? Rows(string names)
    {
        var rows = new List<Row>();
        foreach (var name in names.Split(',', StringSplitOptions.RemoveEmptyEntries))
        {
            if (!Choices.Read<Row>(name, out var row))
                return null;
            rows.Add(row);
        }

        return rows;
    }
}
