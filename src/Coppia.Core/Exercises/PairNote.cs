using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Exercises;

/// <summary>
/// Which note a class means by a string and finger: on the bass the key tells half position from first.
/// </summary>
public static class PairNote
{
    /// <summary>
    /// Every note of the key that this pair plays in one of the lowest positions that the player may use: half position
    /// has the same fingers a half step lower.
    /// </summary>
    public static IReadOnlyList<Pitch> All(Player player, Pair pair, KeySignature key)
    {
        var instrument = player.Instrument;
        var scale = new ScaleKey(key.Fifths, key.Mode == Mode.Minor ? ScaleForm.NaturalMinor : ScaleForm.Major);
        return
        [
            .. Enumerable
                .Range(instrument.Strings[pair.String].Step, 8)
                .Select(scale.OnStep)
                .Where(p =>
                    Placements
                        .Of(instrument, p, instrument.FirstFrame)
                        .Any(at => at.Pair == pair && (at.IsOpen || player.FrameOf(at).IsHome && player.Allows(at)))
                ),
        ];
    }

    /// <summary>
    /// The note of the key that is learned at this pair; else what it sounds in first position, or null.
    /// </summary>
    public static Pitch? Of(Player player, Pair pair, KeySignature key)
    {
        var scale = new ScaleKey(key.Fifths, key.Mode == Mode.Minor ? ScaleForm.NaturalMinor : ScaleForm.Major);
        var height = PlainPlace.HeightOf(player.Instrument, scale);
        var open = player.Instrument.Strings[pair.String];
        return Enumerable
                .Range(open.Step, 8)
                .Select(scale.OnStep)
                .Where(p =>
                    PlainPlace.Of(player, p, height) is { } at
                    && at.Pair == pair
                    && (at.IsOpen || player.FrameOf(at).IsHome)
                )
                .Select(p => (Pitch?)p)
                .FirstOrDefault()
            ?? PairSound.Of(player.Instrument, pair.String, pair.Finger, pair.Word, key);
    }
}
