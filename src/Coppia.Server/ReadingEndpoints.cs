using Coppia.Core;
using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>All of the teacher's own pairs on a tune for one instrument.</summary>
public sealed record PinsRequest(IReadOnlyList<PinView> Pins, bool UsePrinted);

/// <summary>One thing to say before a line, and the notes it is about.</summary>
public sealed record RemarkView(RemarkKind Kind, string Text, IReadOnlyList<string> NoteIds);

/// <summary>A tune as one instrument reads it.</summary>
internal static class ReadingEndpoints
{
    public static void MapReadings(this WebApplication app)
    {
        app.MapGet("/api/tunes/{id:long}/reading", Get).WithName("getReading").Produces<ReadingView>().ProducesProblem(404);
        app.MapPut("/api/tunes/{id:long}/pins/{instrument}", PutPins).WithName("setPins").ProducesProblem(404).ProducesProblem(422);
        app.MapGet("/api/tunes/{id:long}/before", Before).WithName("getBefore").ProducesProblem(404);
    }

    private static Results<FileContentHttpResult, ProblemHttpResult> Get(Readings readings, Styles styles, long id, string instrument)
    {
        if (Instruments.Named(instrument, styles.Current().Style) is not { } known) return Problems.NoInstrument(instrument);
        return readings.Find(id) is { } kept ? TypedResults.Bytes(readings.JsonOf(kept, known), "application/json") : Problems.NoTune(id);
    }

    /// <summary>Replaces the teacher's own pairs for one instrument; an impossible one is refused and nothing is changed.</summary>
    private static Results<NoContent, ProblemHttpResult> PutPins(Readings readings, PinRepository pins, Styles styles, long id, string instrument, PinsRequest request)
    {
        if (Instruments.Named(instrument, styles.Current().Style) is not { } known) return Problems.NoInstrument(instrument);
        if (readings.Find(id) is not { } kept) return Problems.NoTune(id);
        var pitches = SoundingNote.Of(kept.Score).ToDictionary(n => n.Id, n => n.Pitch.ToString());
        if (request.Pins.FirstOrDefault(p => !pitches.ContainsKey(p.NoteId)) is { } stray)
            return TypedResults.Problem(statusCode: 422, title: $"There is no note {stray.NoteId} in this tune; expected the id of a sounding note.");
        var records = request.Pins.DistinctBy(p => p.NoteId).Select(p => new PinRecord { NoteId = p.NoteId, Pitch = pitches[p.NoteId], String = p.String, Finger = p.Finger }).ToArray();
        try
        {
            readings.Try(kept, known, records);
        }
        catch (ImpossiblePinException e)
        {
            return TypedResults.Problem(statusCode: 422, title: e.Message);
        }

        pins.Replace(id, known.Id, records, request.UsePrinted);
        return TypedResults.NoContent();
    }

    /// <summary>What to say before each line; <paramref name="starts"/> holds the order of each line's first bar, as "0,4,8".</summary>
    private static Results<Ok<IReadOnlyList<IReadOnlyList<RemarkView>>>, ProblemHttpResult> Before(Readings readings, Styles styles, long id, string instrument, string starts)
    {
        if (Instruments.Named(instrument, styles.Current().Style) is not { } known) return Problems.NoInstrument(instrument);
        if (readings.Find(id) is not { } kept) return Problems.NoTune(id);
        var reading = readings.Of(kept, known);
        var firsts = starts.Split(',').Select(s => int.TryParse(s, out var n) ? n : -1).ToArray();
        if (firsts.Any(n => n < 0 || n >= reading.Score.Bars.Count)) return TypedResults.Problem(statusCode: 400, title: $"“{starts}” names no lines of this tune; expected bar orders such as 0,4,8.");
        return TypedResults.Ok<IReadOnlyList<IReadOnlyList<RemarkView>>>(
        [
            .. firsts.Select((first, i) => (IReadOnlyList<RemarkView>)
            [
                .. BeforeLine.Of(reading, first, i + 1 < firsts.Length ? firsts[i + 1] : reading.Score.Bars.Count).Select(r => new RemarkView(r.Kind, r.Text, r.NoteIds)),
            ]),
        ]);
    }
}
