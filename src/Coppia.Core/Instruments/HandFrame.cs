namespace Coppia.Core.Instruments;

/// <summary>How a hand frame is opened beyond its closed shape (craft 3).</summary>
public enum Stretch
{
    None,
    Back,
    Forward,
}

/// <summary>One finger's spot in a hand frame.</summary>
/// <param name="Finger">1–4.</param>
/// <param name="Semitones">The finger's regular place above the open string.</param>
/// <param name="LetterSteps">Where fingers are numbered by letter: letters above the open string's letter; else
/// null.</param>
/// <param name="Moved">The stretch moved this finger from its closed place.</param>
/// <param name="Reach">The finger reaches for one letter more, at exactly this place (the extended 4 of craft
/// 3).</param>
public readonly record struct FingerSpot(
    int Finger,
    int Semitones,
    int? LetterSteps = null,
    bool Moved = false,
    bool Reach = false
);

/// <summary>A hand frame: which finger stands where without moving the hand.</summary>
/// <param name="Position">Printed name: half, I, II, II½, III …</param>
/// <param name="Spoken">As a teacher says it: "half position", "lower second position".</param>
/// <param name="Height">Order along the string in semitones of finger 1; differences measure a shift.</param>
/// <param name="Stretch">Closed, back or forward.</param>
/// <param name="Spots">Fingers and their places, lowest first.</param>
public sealed record HandFrame(
    string Position,
    string Spoken,
    int Height,
    Stretch Stretch,
    IReadOnlyList<FingerSpot> Spots
)
{
    /// <summary>
    /// One of the lowest positions, where a beginner's hand lives: what they hold is not played above them (craft 6).
    /// </summary>
    public bool IsHome { get; init; }

    /// <summary>Low, high and stretched fingers are told apart in print: in first position (craft 3).</summary>
    public bool PrintsLowAndHigh { get; init; }

    /// <summary>Cost of starting in or moving to this frame when others would do as well.</summary>
    public int Reluctance { get; init; }

    /// <summary>Two frames of one position, however the hand is opened: no shift by name lies between them.</summary>
    public bool SharesPosition(HandFrame other) => Position == other.Position;
}
