using Coppia.Core;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>A tune as one instrument reads it.</summary>
internal static class ReadingEndpoints
{
    public static void MapReadings(this WebApplication app) =>
        app.MapGet("/api/tunes/{id:long}/reading", Get).WithName("getReading").Produces<ReadingView>().ProducesProblem(404);

    private static Results<FileContentHttpResult, ProblemHttpResult> Get(Readings readings, long id, string instrument)
    {
        if (Instruments.Named(instrument, HouseStyle.Default) is not { } known) return Problems.NoInstrument(instrument);
        return readings.Find(id) is { } kept ? TypedResults.Bytes(readings.JsonOf(kept, known), "application/json") : Problems.NoTune(id);
    }
}
