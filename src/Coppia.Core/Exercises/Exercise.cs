using Coppia.Core.Fingering;
using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>Bars of music as an exercise for each player.</summary>
internal static class Exercise
{
    private static readonly IReadOnlyDictionary<string, Pin> NoPins = new Dictionary<string, Pin>();

    /// <summary>The same bars for all players, as many as are asked for.</summary>
    /// <exception cref="SheetImpossibleException">There are no bars.</exception>
    public static IReadOnlyList<PlayQuestion> Of(
        SheetRequest request,
        NoteStock ground,
        TimeSignature meter,
        IReadOnlyList<IReadOnlyList<SketchNote>> bars
    )
    {
        // A bar too short for the shortest of them leaves none.
        if (bars.Count == 0)
            throw request.Impossible(SheetFault.NoValues);
        return
        [
            .. request.Players.Select(
                (_, p) =>
                    new PlayQuestion(
                        Sketch.For(
                            p,
                            ground,
                            request.MusicKey.Signature,
                            meter,
                            bars.Take(request.Count ?? bars.Count)
                        ),
                        NoPins
                    )
            ),
        ];
    }

    /// <summary>One player's own bars, each note with its pair where that belongs to the exercise.</summary>
    public static PlayQuestion Of(SheetRequest request, int player, IEnumerable<IReadOnlyList<PairedNote>> bars)
    {
        PairedNote[][] all = [.. bars.Select(b => b.ToArray())];
        var score = Sketch.Of(
            request.Players[player].Instrument.FirstClef,
            request.MusicKey.Signature,
            request.DrillMeter,
            all.Select(bar => bar.Select(Event))
        );
        var pins = score
            .Bars.Zip(all)
            .SelectMany(b => b.First.Events.Zip(b.Second))
            .Where(n => n.Second.Pin is not null)
            .ToDictionary(n => n.First.Id, n => n.Second.Pin!.Value);
        return new PlayQuestion(score, pins);

        static ScoreEvent Event(PairedNote n) =>
            new()
            {
                Pitch = n.Pitch,
                Value = n.Value,
                SlurStarts = n.SlurStarts ? 1 : 0,
                SlurStops = n.SlurStops ? 1 : 0,
            };
    }
}

/// <summary>A note of one player's exercise, with the pair that it is played with where that is the point.</summary>
internal readonly record struct PairedNote(Pitch Pitch, NoteValue Value, Pin? Pin = null)
{
    public bool SlurStarts { get; init; }

    public bool SlurStops { get; init; }
}
