using Coppia.Core.Music;

namespace Coppia.Core.Instruments;

/// <summary>A tape or dot on a beginner's fingerboard.</summary>
/// <param name="Semitones">Place above the open string, 1–12.</param>
/// <param name="Name">What the teacher calls it: "tape 1".</param>
public readonly record struct Tape(int Semitones, string Name);

/// <summary>An instrument size and its vibrating string length in millimetres (from memory; a measured length may replace it).</summary>
public readonly record struct InstrumentSize(string Name, int StringLengthMm);

/// <summary>Everything that differs between the instruments, as data. A fifth instrument is one more value of this type.</summary>
public sealed record Instrument
{
    /// <summary>Everyday name in lower case, also the name used on the command line: violin, viola, cello, bass.</summary>
    public required string Id { get; init; }

    public required string Name { get; init; }

    /// <summary>Written pitches of the open strings, lowest sounding first.</summary>
    public required IReadOnlyList<Pitch> Strings { get; init; }

    /// <summary>Octaves from the written to the sounding pitch: −1 for the double bass.</summary>
    public int SoundingOctave { get; init; }

    /// <summary>The clef a beginner reads.</summary>
    public required Clef FirstClef { get; init; }

    public required IReadOnlyList<HandFrame> Frames { get; init; }

    /// <summary>What moving the hand costs.</summary>
    public HandMoves Moves { get; init; } = HandMoves.Usual;

    /// <summary>The lowest string on which a note that the lowest positions hold may be taken higher, together with a neighbour that needs it; 0 = any (handbook 6).</summary>
    public int LowestStringPlayedHigh { get; init; }

    public required IReadOnlyList<Tape> DefaultTapes { get; init; }

    public required IReadOnlyList<InstrumentSize> Sizes { get; init; }

    /// <summary>The size whose length is used where nothing else is said.</summary>
    public InstrumentSize FullSize => Sizes[0];

    /// <summary>Fingers stay down while the next string plays (not asked of bass beginners, handbook 7).</summary>
    public bool KeepsFingersDown { get; init; } = true;

    /// <summary>The drawn relative thickness of each string, lowest first.</summary>
    public required IReadOnlyList<double> StringThickness { get; init; }

    /// <summary>Highest place that any finger reaches, in semitones.</summary>
    public int HighestPlace => Frames.Max(f => f.Spots.Max(s => s.Semitones)) + (FingersByLetter ? 1 : 0);

    /// <summary>Violin and viola number fingers by letter, cello and bass by semitone.</summary>
    public bool FingersByLetter => Frames[0].Spots[0].LetterSteps is not null;

    public string StringName(int index) => Strings[index].Letter.ToString();

    /// <summary>Semitones of a written pitch above an open string; negative when below it.</summary>
    public int SemitonesAbove(int stringIndex, Pitch pitch) => pitch.Midi - Strings[stringIndex].Midi;

    public override string ToString() => Id;
}
