using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Shapes;

/// <summary>One spot of a string's shape in a key: the pitch, and how it is played.</summary>
public readonly record struct ShapeSpot(Pitch Pitch, Placement Placement);

/// <summary>Where a key's notes lie on one string in first position or below it.</summary>
public sealed record StringShape(int String, IReadOnlyList<ShapeSpot> Spots)
{
    /// <summary>
    /// The shape of each string, lowest first. The frame the tune itself uses most is preferred where a note has
    /// several.
    /// </summary>
    /// <param name="player">Who plays.</param>
    /// <param name="key">Key signature that decides the notes.</param>
    /// <param name="usedFrame">Index of the hand frame to prefer.</param>
    public static IReadOnlyList<StringShape> InKey(Player player, KeySignature key, int usedFrame) =>
        [
            .. Enumerable
                .Range(0, player.Instrument.Strings.Count)
                .Select(s => new StringShape(s, [.. SpotsOn(player, key, s, usedFrame)])),
        ];

    private static IEnumerable<ShapeSpot> SpotsOn(Player player, KeySignature key, int s, int usedFrame)
    {
        var instrument = player.Instrument;
        for (var step = instrument.Strings[s].Step - 1; step <= instrument.Strings[s].Step + 7; step++)
        {
            var pitch = key.Apply(Pitch.FromStep(step));
            var ways = Placements
                .Of(instrument, pitch, usedFrame)
                .Where(p =>
                    p.String == s
                    && !p.Reach
                    && player.Allows(p.Frame)
                    && instrument.Frames[p.Frame].Height <= instrument.FirstHeight
                )
                .OrderBy(p => p.Frame == usedFrame ? 0 : 1)
                .ThenBy(p => p.OwnLetter ? 0 : 1)
                .ThenByDescending(p => instrument.Frames[p.Frame].Height)
                .ThenBy(p => instrument.Frames[p.Frame].Stretch)
                .ToArray();
            if (ways.Length > 0)
                yield return new ShapeSpot(pitch, ways[0]);
        }
    }
}
