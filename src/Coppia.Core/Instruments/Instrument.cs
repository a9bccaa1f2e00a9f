using Coppia.Core.Music;

namespace Coppia.Core.Instruments;

/// <summary>A tape or dot on a beginner's fingerboard.</summary>
/// <param name="Semitones">Place above the open string, 1–12.</param>
/// <param name="Name">What the teacher calls it: "tape 1".</param>
public sealed record Tape(int Semitones, string Name);

/// <summary>
/// An instrument size and its vibrating string length in millimetres (from memory; a measured length may replace it).
/// </summary>
public sealed record InstrumentSize(string Name, int StringLengthMm);

/// <summary>What a finger's number follows from (craft 3).</summary>
public enum Numbering
{
    /// <summary>Each letter above the open string has its finger, low or high.</summary>
    ByLetter,

    /// <summary>Each half step of the hand frame has its finger.</summary>
    BySemitone,
}

/// <summary>By what a teacher tells one shape of the hand from another (craft 5).</summary>
public enum ShapeNaming
{
    /// <summary>By the fingers that touch.</summary>
    Touching,

    /// <summary>By the fingers in use and how the hand is opened.</summary>
    Fingers,
}

/// <summary>Another way that schools finger an instrument (craft 17).</summary>
/// <param name="Name">Its name in a house style: oneThreeFour.</param>
/// <param name="Label">As it is printed to choose from: 1–3–4.</param>
/// <param name="Frames">The hand frames that it has.</param>
public sealed record Alternative(string Name, string Label, IReadOnlyList<HandFrame> Frames);

/// <summary>
/// Everything that differs between the instruments, as data. A fifth instrument is one more value of this type.
/// </summary>
public sealed record Instrument
{
    /// <summary>Everyday name in lower case, also the name used on the command line.</summary>
    public required string Id { get; init; }

    public required string Name { get; init; }

    /// <summary>What else scores call it, in lower case, without dots and the plural's s (common practice).</summary>
    public IReadOnlyList<string> CalledInScores { get; init; } = [];

    /// <summary>Written pitches of the open strings, lowest sounding first.</summary>
    public required IReadOnlyList<Pitch> Strings { get; init; }

    /// <summary>Octaves from the written to the sounding pitch: −1 where it sounds an octave lower.</summary>
    public int SoundingOctave { get; init; }

    /// <summary>The clef a beginner reads.</summary>
    public required Clef FirstClef { get; init; }

    /// <summary>Other clefs that mean this instrument in a source that names none.</summary>
    public IReadOnlyList<Clef> LaterClefs { get; init; } = [];

    public required Numbering Numbering { get; init; }

    public required ShapeNaming ShapeNaming { get; init; }

    /// <summary>Hand frames from the nut upwards, the frames of one height together.</summary>
    public required IReadOnlyList<HandFrame> Frames { get; init; }

    /// <summary>
    /// Other sets of hand frames that a house style may choose; the first, where there are any, is
    /// <see cref="Frames"/>.
    /// </summary>
    public IReadOnlyList<Alternative> Alternatives { get; init; } = [];

    /// <summary>Height of the position in which the instrument is first taught.</summary>
    public required int FirstHeight { get; init; }

    /// <summary>Heights of the positions that a beginner class has before its record says more (craft 6).</summary>
    public required IReadOnlySet<int> BeginnerHeights { get; init; }

    /// <summary>Heights of the positions whose hand shapes are shown (craft 5).</summary>
    public required IReadOnlySet<int> ShownHeights { get; init; }

    /// <summary>
    /// The heights that a beginner's hand lives in, from the nut upwards: on the bass half position too (craft 6).
    /// </summary>
    public IReadOnlyList<int> HomeHeights
    {
        get => field ?? [FirstHeight];
        init;
    }

    /// <summary>What moving the hand costs.</summary>
    public HandMoves Moves { get; init; } = HandMoves.Usual;

    /// <summary>
    /// The lowest string on which a note that the lowest positions hold may be taken higher, together with a neighbour
    /// that needs it; 0 = any (craft 6).
    /// </summary>
    public int LowestStringPlayedHigh { get; init; }

    /// <summary>
    /// The fourth finger plays what the next open string sounds, and schools choose between them (craft 6).
    /// </summary>
    public bool FourthStandsForOpen { get; init; }

    public required IReadOnlyList<Tape> DefaultTapes { get; init; }

    /// <summary>Sizes, the one that is used where nothing else is said first.</summary>
    public required IReadOnlyList<InstrumentSize> Sizes { get; init; }

    /// <summary>Fingers stay down while the next string plays (craft 7).</summary>
    public bool KeepsFingersDown { get; init; } = true;

    /// <summary>The drawn relative thickness of each string, lowest first.</summary>
    public required IReadOnlyList<double> StringThickness { get; init; }

    public InstrumentSize FullSize => Sizes[0];

    /// <summary>
    /// The staff step near which a first letter is sought where no note is before it: the third letter above the D
    /// string, in the middle of a beginner's first octave, or above the second string of an instrument that has none.
    /// </summary>
    public int FirstStep =>
        (Strings.Any(s => s.Letter == Letter.D) ? Strings.Last(s => s.Letter == Letter.D) : Strings[1]).Step + 3;

    /// <summary>Index of the frame in which the instrument is first taught, the hand closed.</summary>
    public int FirstFrame =>
        Frames.Index().First(f => f.Item.Height == FirstHeight && f.Item.Stretch == Stretch.None).Index;

    /// <summary>
    /// Highest place that any finger reaches, in semitones; a finger numbered by letter may stand a half step high.
    /// </summary>
    public int HighestPlace =>
        Frames.Max(f => f.Spots.Max(s => s.Semitones)) + (Numbering == Numbering.ByLetter ? 1 : 0);

    public string StringName(int index) => Strings[index].Letter.ToString();

    /// <summary>Semitones of a written pitch above an open string; negative when below it.</summary>
    public int SemitonesAbove(int stringIndex, Pitch pitch) => pitch.Midi - Strings[stringIndex].Midi;

    public override string ToString() => Id;
}
