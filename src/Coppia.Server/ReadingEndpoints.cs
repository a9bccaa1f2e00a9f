using Coppia.Core.Fingering;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Wording;
using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>All of the teacher's own pairs on a tune for one instrument.</summary>
public sealed record PinsRequest(IReadOnlyList<PinView> Pins, bool UsePrinted);

/// <summary>The octave to read a tune in.</summary>
/// <param name="Octaves">How far the written notes move; null lets the tune find its own octave.</param>
public sealed record OctaveRequest(int? Octaves);

/// <summary>Lines to speak of.</summary>
/// <param name="Starts">The order of each line's first bar, from 0, ascending.</param>
public sealed record BeforeRequest(string Instrument, IReadOnlyList<int> Starts);

/// <summary>One thing to say before a line, and the notes it is about.</summary>
public sealed record RemarkView(RemarkKind Kind, string Text, IReadOnlyList<string> NoteIds);

/// <summary>A tune as one instrument reads it.</summary>
internal static class ReadingEndpoints
{
    public static void MapReadings(this WebApplication app)
    {
        app.MapGet("/api/tunes/{id:long}/reading", Get).WithName("getReading").Produces<ReadingView>().ProducesProblem(404);
        app.MapPut("/api/tunes/{id:long}/pins/{instrument}", PutPins).WithName("setPins").ProducesProblem(404).ProducesProblem(422);
        app.MapPut("/api/tunes/{id:long}/octave/{instrument}", PutOctave)
            .WithName("chooseOctave")
            .ProducesProblem(404)
            .ProducesProblem(422);
        // Asked with a body: the lines of a long tune are too many for an address.
        app.MapPost("/api/tunes/{id:long}/before", Before).WithName("sayBefore").ProducesProblem(400).ProducesProblem(404);
    }

    private static Results<FileContentHttpResult, ProblemHttpResult> Get(Readings readings, long id, string instrument)
    {
        if (readings.Missing(id, instrument, out var kept, out var player) is { } problem)
            return problem;
        return TypedResults.Bytes(readings.JsonOf(kept, player), "application/json");
    }

    /// <summary>Replaces the teacher's own pairs for one instrument; an impossible one is refused and nothing is changed.</summary>
    private static Results<NoContent, ProblemHttpResult> PutPins(
        Readings readings,
        PinRepository pins,
        long id,
        string instrument,
        PinsRequest request
    )
    {
        if (readings.Missing(id, instrument, out var kept, out var player) is { } problem)
            return problem;
        var pitches = SoundingNote.Of(kept.Score).ToDictionary(n => n.Id, n => n.Pitch.ToString());
        if (request.Pins.FirstOrDefault(p => !pitches.ContainsKey(p.NoteId)) is { } stray)
            return TypedResults.Problem(
                statusCode: 422,
                title: $"There is no note {stray.NoteId} in this tune; expected the id of a sounding note."
            );
        var records = request
            .Pins.DistinctBy(p => p.NoteId)
            .Select(p => new PinRecord
            {
                NoteId = p.NoteId,
                Pitch = pitches[p.NoteId],
                String = p.String,
                Finger = p.Finger,
            })
            .ToArray();
        try
        {
            readings.Try(kept, player, records);
        }
        catch (ImpossiblePinException e)
        {
            return TypedResults.Problem(statusCode: 422, title: PinWords.Impossible(e, player));
        }

        var aside = readings.SetAside(kept, player).Where(p => records.All(r => r.NoteId != p.NoteId));
        pins.Replace(id, player.Instrument.Id, records.Concat(aside), request.UsePrinted);
        return TypedResults.NoContent();
    }

    /// <summary>Keeps the octave that the teacher chose for one instrument.</summary>
    private static Results<NoContent, ProblemHttpResult> PutOctave(
        Readings readings,
        OctaveRepository octaves,
        long id,
        string instrument,
        OctaveRequest request
    )
    {
        if (readings.Missing(id, instrument, out var kept, out var player) is { } problem)
            return problem;
        var choices = OctaveFit.Choices(SoundingNote.Of(kept.Score), player);
        if (request.Octaves is { } asked && choices.All(c => c.Octaves != asked))
            return TypedResults.Problem(
                statusCode: 422,
                title: $"Moved by {asked} octaves, most of the tune lies out of the {player.Instrument.Name.ToLowerInvariant()}’s reach; "
                    + $"expected {string.Join(", ", choices.Select(c => c.Octaves))}."
            );
        octaves.Choose(id, player.Instrument.Id, request.Octaves);
        return TypedResults.NoContent();
    }

    /// <summary>What to say before each line.</summary>
    private static Results<Ok<IReadOnlyList<IReadOnlyList<RemarkView>>>, ProblemHttpResult> Before(
        Readings readings,
        long id,
        BeforeRequest request
    )
    {
        if (readings.Missing(id, request.Instrument, out var kept, out var player) is { } problem)
            return problem;
        var reading = readings.Of(kept, player);
        var remarks = new RemarkWords(player, reading.Score.Waymarks);
        var (firsts, bars) = (request.Starts, reading.Score.Bars.Count);
        for (var i = 0; i < firsts.Count; i++)
        {
            if (firsts[i] < 0 || firsts[i] >= bars || i > 0 && firsts[i] <= firsts[i - 1])
                return TypedResults.Problem(
                    statusCode: 400,
                    title: $"Line {i + 1} cannot begin at bar order {firsts[i]}; expected ascending orders from 0 to {bars - 1}."
                );
        }

        return TypedResults.Ok<IReadOnlyList<IReadOnlyList<RemarkView>>>([
            .. firsts.Select(
                (first, i) =>
                    (IReadOnlyList<RemarkView>)
                        [
                            .. BeforeLine
                                .Of(reading, first, i + 1 < firsts.Count ? firsts[i + 1] : bars)
                                .Select(r => new RemarkView(r.Kind, remarks.Of(r), r.NoteIds)),
                        ]
            ),
        ]);
    }
}
