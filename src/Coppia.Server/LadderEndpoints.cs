using Coppia.Core.Exercises;
using Coppia.Core.Wording;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>One rung of a chunk's ladder.</summary>
/// <param name="Music">To play; null for the line and the whole tune.</param>
public sealed record RungView(Rung Rung, string Name, int FirstBar, int EndBar, QuestionMusicView? Music);

/// <summary>A trouble spot as it is practised, from its two notes to the whole tune.</summary>
/// <param name="NoteId">The note that it reaches.</param>
/// <param name="Where">Its bar.</param>
/// <param name="Why">What makes it hard.</param>
public sealed record ChunkView(string NoteId, string Where, string Why, IReadOnlyList<RungView> Rungs);

/// <summary>The trouble spots of a tune, each with its ladder.</summary>
/// <param name="CleanToClimb">So many clean repeats before the next rung.</param>
public sealed record LaddersView(string Title, string Instrument, int CleanToClimb, IReadOnlyList<ChunkView> Chunks);

/// <summary>Trouble spots grown rung by rung.</summary>
internal static class LadderEndpoints
{
    private const int Most = 6;

    /// <summary>So many spots are practised at a time.</summary>
    internal const int Usual = 3;

    public static void MapLadders(this WebApplication app) =>
        app.MapGet("/api/tunes/{id:long}/ladders", Get).WithName("getLadders").ProducesProblem(404);

    private static Results<Ok<LaddersView>, ProblemHttpResult> Get(Readings readings, long id, string instrument, int most = Usual) =>
        readings.Missing(id, instrument, out var kept, out var player) is { } problem
            ? problem
            : TypedResults.Ok(Of(kept, readings.Of(kept, player), Math.Clamp(most, 1, Most)));

    internal static LaddersView Of(KeptTune kept, Core.Reading.PlayerReading reading, int most)
    {
        var trouble = new TroubleWords(reading.Fingering);
        return new LaddersView(
            kept.Tune.Title,
            reading.Instrument.Name,
            Core.Practice.TempoLadder.CleanToClimb,
            [
                .. ChunkLadder
                    .Of(reading, most)
                    .Select(l => new ChunkView(
                        reading.Notes[l.Spot.To].Note.Id,
                        trouble.Where(l.Spot),
                        trouble.Of(l.Spot),
                        [.. l.Rungs.Select(RungOf)]
                    )),
            ]
        );

        RungView RungOf(ChunkRung rung)
        {
            var bars = English.Bars(reading.Score.Bars.Skip(rung.FirstBar).Take(rung.EndBar - rung.FirstBar).Select(b => b.Number));
            var music = rung.Music is { } play ? SheetQuestionView.MusicOf(SheetItem.Of(play, reading.Player), reading.Player) : null;
            return new RungView(rung.Rung, RungWords.Of(rung.Rung, bars), rung.FirstBar, rung.EndBar, music);
        }
    }
}
