namespace Coppia.Core;

/// <summary>Brings a tune printed for one instrument into an octave that another can play (handbook 6).</summary>
public static class OctaveFit
{
    private const int FurthestMove = 4;

    /// <summary>How many octaves to move the written notes: none when every note lies in the allowed positions, else the move that leaves the fewest outside, the smallest such, downwards on a tie.</summary>
    public static int OctavesFor(Score score, Instrument instrument)
    {
        var pitches = SoundingNote.Of(score).Select(n => n.Pitch).GroupBy(p => p).Select(g => (Pitch: g.Key, Count: g.Count())).ToArray();
        int Outside(int octaves) => pitches.Where(p => !IsAllowed(instrument, p.Pitch.AddOctaves(octaves))).Sum(p => p.Count);
        return Enumerable.Range(-FurthestMove, 2 * FurthestMove + 1)
            .OrderBy(Outside).ThenBy(Math.Abs).ThenBy(octaves => octaves)
            .First();
    }

    /// <summary>The pitch lies on an open string or under a finger in an allowed position.</summary>
    public static bool IsAllowed(Instrument instrument, Pitch pitch) =>
        Placements.Of(instrument, pitch, openFrame: 0).Any(p => p.IsOpen || instrument.Frames[p.Frame].AllowedByDefault);

    /// <summary>"an octave lower", "two octaves higher"; null when nothing moved.</summary>
    public static string? Words(int octaves) => octaves == 0 ? null
        : $"{(Math.Abs(octaves) == 1 ? "an octave" : Math.Abs(octaves) == 2 ? "two octaves" : $"{Math.Abs(octaves)} octaves")} {(octaves < 0 ? "lower" : "higher")}";
}
