using Coppia.Core.Exercises;
using Coppia.Server.Stand;

namespace Coppia.Server.Exercises;

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

    public static void MapLadders(this IEndpointRouteBuilder api) =>
        api.MapGet("/api/tunes/{id:long}/ladders", Get).WithName("getLadders").ProducesProblem(404);

    private static LaddersView Get(Readings readings, long id, string instrument, int most = Ladders.Usual)
    {
        var (kept, player) = readings.Kept(id, instrument);
        return Ladders.Of(kept, readings.Of(kept, player), Math.Clamp(most, 1, Most));
    }
}
