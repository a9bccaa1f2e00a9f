namespace Coppia.Core.Instruments;

/// <summary>What kind of place a finger takes, in the words of the row.</summary>
public enum PlaceWord
{
    Open,
    Low,
    Regular,
    High,
    Back,
    Forward,
}

/// <summary>A finger and its kind of place, on whatever string: what a hand learns.</summary>
/// <param name="Finger">1 to 4; 0 is the open string.</param>
/// <param name="Reach">The finger reaches for one letter more.</param>
public readonly record struct FingerPlace(int Finger, PlaceWord Word, bool Reach = false)
{
    /// <summary>
    /// The place as it is learned: the hand that opens forward takes its fingers along together, so that they are
    /// learned as one.
    /// </summary>
    public FingerPlace AsLearned() =>
        this is { Word: PlaceWord.Forward, Reach: false } ? this with { Finger = 4 } : this;

    /// <summary>
    /// The hand is opened wide: a stretched frame, a high fourth finger, or one that reaches for one letter more.
    /// </summary>
    public bool IsStretch => Word is PlaceWord.Back or PlaceWord.Forward || this is { Word: PlaceWord.High, Finger: 4 };
}

/// <summary>A string with a finger and its kind of place: what a label prints.</summary>
/// <param name="String">0 = lowest sounding string.</param>
/// <param name="Finger">0 (open) to 4.</param>
/// <param name="Reach">The finger reaches for one letter more.</param>
public readonly record struct Pair(int String, int Finger, PlaceWord Word, bool Reach = false)
{
    public bool IsOpen => Finger == 0;

    public FingerPlace Place => new(Finger, Word, Reach);
}

/// <summary>One way to play one note: string, height, finger, and the hand frame the hand is in meanwhile.</summary>
/// <param name="String">0 = lowest sounding string.</param>
/// <param name="Semitones">Height above the open string.</param>
/// <param name="Finger">0 (open) to 4.</param>
/// <param name="Frame">Index into <see cref="Instrument.Frames"/>.</param>
/// <param name="Word">Open, regular, low or high, or moved by a stretch.</param>
/// <param name="OwnLetter">False where a neighbour's finger stands in for the letter's own (craft 3).</param>
/// <param name="Reach">The finger reaches out of a closed hand for one letter more.</param>
public readonly record struct Placement(
    int String,
    int Semitones,
    int Finger,
    int Frame,
    PlaceWord Word,
    bool OwnLetter = true,
    bool Reach = false
)
{
    public bool IsOpen => Finger == 0;

    public Pair Pair => new(String, Finger, Word, Reach);

    public FingerPlace Place => new(Finger, Word, Reach);

    /// <summary>Same string and finger, whatever the hand frame: what a teacher pins.</summary>
    public bool SamePair(Placement other) =>
        String == other.String && Finger == other.Finger && Semitones == other.Semitones;
}
