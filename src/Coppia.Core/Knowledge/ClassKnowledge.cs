using Coppia.Core.Instruments;

namespace Coppia.Core.Knowledge;

/// <summary>
/// What a class has learned, as a value: here the positions that its hands may use. Two values that allow the same are equal, so that
/// what was computed for one serves the other.
/// </summary>
public sealed record ClassKnowledge
{
    /// <summary>A class in its first year, with what each instrument's table gives beginners.</summary>
    public static readonly ClassKnowledge Beginner = new();

    /// <summary>Heights of the positions by instrument id; an instrument that is not named has its beginner's positions.</summary>
    public IReadOnlyDictionary<string, IReadOnlySet<int>> Heights { get; init; } = new Dictionary<string, IReadOnlySet<int>>();

    /// <summary>A name that differs between any two values that allow different things.</summary>
    public string Key =>
        string.Join(';', Heights.OrderBy(h => h.Key, StringComparer.Ordinal).Select(h => $"{h.Key}:{string.Join(',', h.Value.Order())}"));

    /// <summary>The class may play in this hand frame.</summary>
    public bool Allows(Instrument instrument, HandFrame frame) =>
        (Heights.TryGetValue(instrument.Id, out var heights) ? heights : instrument.BeginnerHeights).Contains(frame.Height);

    /// <summary>For each hand frame of an instrument, in order, whether the class may play in it.</summary>
    public IReadOnlyList<bool> Frames(Instrument instrument) => [.. instrument.Frames.Select(f => Allows(instrument, f))];

    public bool Equals(ClassKnowledge? other) => other is not null && Key == other.Key;

    public override int GetHashCode() => Key.GetHashCode(StringComparison.Ordinal);
}
