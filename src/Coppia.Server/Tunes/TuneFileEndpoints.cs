using System.Text;
using Coppia.Core.Bowing;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Formats.Abc;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Source;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Tunes;

/// <summary>Tunes as files: upload, and export in open formats.</summary>
internal static class TuneFileEndpoints
{
    public static void MapTuneFiles(this IEndpointRouteBuilder api)
    {
        api.MapPost("/api/tunes/upload", Upload)
            .WithName("uploadTune")
            .DisableAntiforgery()
            .ProducesProblem(422)
            .ProducesProblem(413);
        api.MapGet("/api/tunes/{id:long}/export", Export)
            .WithName("exportTune")
            .Produces<string>(200, "text/plain")
            .ProducesProblem(404);
    }

    private static async Task<TuneDetail> Upload(TuneShelf shelf, IFormFile file, CancellationToken cancellation)
    {
        var text = TuneUpload.TextOf(await TuneUpload.BytesOf(file, cancellation));
        try
        {
            return shelf.Keep(new TuneRequest(text));
        }
        catch (UnreadableException e)
        {
            // The text goes back with the errors, so that it can be mended on the screen and nothing is lost.
            e.With["source"] = text;
            throw;
        }
    }

    /// <summary>
    /// The tune with its taken bowing as MusicXML or ABC; with an instrument, as that instrument reads it, with the
    /// chosen rows as lyrics and the pairs as technical marks.
    /// </summary>
    private static FileContentHttpResult Export(
        Readings readings,
        HouseStyles styles,
        long id,
        string format,
        string? instrument,
        string? rows
    )
    {
        if (
            !Choices.Read<SourceFormat>(format, out var wanted)
            || wanted is SourceFormat.Letters or SourceFormat.Fingers
        )
            throw new RefusedException(400, Say("tunes.tune-file.is-not-a-format-expected-abc-or", ("format", format)));
        if (Rows(rows ?? "pair") is not { } shown)
            throw new RefusedException(
                400,
                Say(
                    "tunes.tune-file.are-not-rows-expected-some-of",
                    ("rows", rows),
                    ("choices", Choices.Expected<Row>())
                )
            );
        var kept = readings.Kept(id);
        var (lines, extras) = instrument is null
            ? (Bowed(readings, kept), null)
            : ReadBy(readings, kept.For(instrument), styles.Player(instrument), shown);
        ScoreLine[] named = [.. lines.Select(l => l with { Score = Named(l.Score, kept) })];
        var text = wanted == SourceFormat.Abc ? AbcWriter.Write(named) : MusicXmlWriter.Write(named, extras);
        var name =
            string.Concat(kept.Tune.Title.Select(c => char.IsLetterOrDigit(c) ? c : '-')).Trim('-')
            + (instrument is null ? "" : "-" + instrument);
        return TypedResults.File(
            Encoding.UTF8.GetBytes(text),
            wanted == SourceFormat.Abc ? "text/vnd.abc" : "application/vnd.recordare.musicxml+xml",
            $"{name}.{(wanted == SourceFormat.Abc ? "abc" : "musicxml")}"
        );
    }

    private static Score Named(Score score, KeptTune kept) =>
        score with
        {
            Title = kept.Tune.Title,
            Composer = kept.Tune.Composer,
        };

    /// <summary>All lines of the tune with the bowing that was taken.</summary>
    private static IReadOnlyList<ScoreLine> Bowed(Readings readings, KeptTune kept) =>
        [
            .. kept
                .Lines.Select(l => kept with { Line = l })
                .Select(k => k.Line with { Score = BowEdits.Apply(k.Score, readings.BowsOf(k)) }),
        ];

    /// <summary>The tune as one player reads it, with rows under its notes.</summary>
    private static (IReadOnlyList<ScoreLine> Lines, MusicXmlExtras? Extras) ReadBy(
        Readings readings,
        KeptTune kept,
        Player player,
        IReadOnlyList<Row> rows
    )
    {
        var reading = readings.Of(kept, player);
        return ([new ScoreLine("1", player.Instrument.Name, reading.Score)], ReadingMusic.Extras(reading, rows));
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
