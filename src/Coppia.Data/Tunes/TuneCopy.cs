using Coppia.Data.Stand;

namespace Coppia.Data.Tunes;

/// <summary>A pin with its instrument.</summary>
public sealed record PinCopy(string Instrument, PinRecord Pin);

/// <summary>A tune with all that its teacher put on it.</summary>
/// <param name="PrintedFingers">Instruments for which the printed fingers count.</param>
/// <param name="Octaves">Chosen octaves by instrument.</param>
public sealed record TuneCopy(
    TuneRecord Tune,
    IReadOnlyList<PinCopy> Pins,
    IReadOnlyList<string> PrintedFingers,
    IReadOnlyDictionary<string, int> Octaves,
    IReadOnlyList<BowRecord> Bows
)
{
    /// <summary>A tune that nothing is on yet.</summary>
    public TuneCopy(TuneRecord tune)
        : this(tune, [], [], new Dictionary<string, int>(), []) { }
}
