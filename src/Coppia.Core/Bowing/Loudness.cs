using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>
/// Loudness in steps from the middle: mf and where nothing is printed 0, f 1, p −1. A dynamic holds until the next sign
/// (craft 8).
/// </summary>
public static class Loudness
{
    private static readonly Dictionary<string, double> Steps = new()
    {
        ["pppp"] = -4,
        ["ppp"] = -3,
        ["pp"] = -2,
        ["p"] = -1,
        ["mp"] = -0.5,
        ["mf"] = 0,
        ["f"] = 1,
        ["ff"] = 2,
        ["fff"] = 3,
        ["ffff"] = 4,
    };

    /// <summary>One step for each sounding note, in written order.</summary>
    public static IReadOnlyList<double> Of(IReadOnlyList<SoundingNote> notes)
    {
        var now = 0.0;
        return
        [
            .. notes.Select(n =>
                now = n.Event.Dynamic is { } sign && Steps.TryGetValue(sign, out var step) ? step : now
            ),
        ];
    }
}
