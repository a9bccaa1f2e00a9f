using Coppia.Core.Instruments;

namespace Coppia.Core.Fingering;

/// <summary>
/// What makes a way dear, in the order of craft 6 (common practice; the figures are ours). All are costs in the same
/// unit; an ordinary string crossing is 4. A value, so that a test can vary one weight and watch the line change.
/// </summary>
public sealed record FingerWeights
{
    public static readonly FingerWeights Default = new();

    /// <summary>
    /// A way that the teacher's pin forbids: kept among the ways, so that another can be asked for, and never taken.
    /// </summary>
    public const int NotPinned = 1_000_000;

    /// <summary>
    /// A way that the class has not learned, of a note for which it has learned another: more than going around it
    /// costs.
    /// </summary>
    public int NotLearned { get; init; } = 150;

    /// <summary>
    /// A note played outside the positions the class is allowed. Small, because such ways are offered only beside a
    /// note that has no other.
    /// </summary>
    public int OutsidePositions { get; init; } = 18;

    /// <summary>
    /// What is felt of a shift after an open string, in percent of the instrument's cost (<see cref="HandMoves"/>).
    /// </summary>
    public int ShiftFromOpen { get; init; } = 40;

    /// <summary>What is felt of it after a rest, in percent.</summary>
    public int ShiftAfterRest { get; init; } = 50;

    /// <summary>
    /// What is felt of it where a low finger guides the hand along the string, 1 to 1 or 2 to 2, in percent.
    /// </summary>
    public int ShiftOnLowFinger { get; init; } = 88;

    /// <summary>What is felt of it at the start of a bar, in percent.</summary>
    public int ShiftAtBar { get; init; } = 90;

    /// <summary>
    /// What is felt of a small slide between two of the lowest positions after an open string or a rest, in percent:
    /// still more than a finger's hop.
    /// </summary>
    public int SlideOfAFreeHand { get; init; } = 65;

    /// <summary>Added to a shift inside a slur, where it is heard.</summary>
    public int ShiftInSlur { get; init; } = 14;

    /// <summary>Added to a shift on the third or fourth finger, which is heard as a slide.</summary>
    public int ShiftOnUpperFinger { get; init; } = 8;

    /// <summary>Leaving a position for one note and coming straight back.</summary>
    public int FrameThereAndBack { get; init; } = 10;

    /// <summary>A fingered note above first position, for each semitone that the hand stands above it.</summary>
    public int AboveFirst { get; init; } = 1;

    /// <summary>
    /// A finger for a note that the next open string sounds, where the hand has to go up for it (cello, bass).
    /// </summary>
    public int FingerForOpen { get; init; } = 6;

    /// <summary>Opening the hand into a stretched frame.</summary>
    public int OpenStretch { get; init; } = 8;

    /// <summary>Closing it again.</summary>
    public int CloseStretch { get; init; } = 2;

    /// <summary>Opening or closing while an upper finger holds the string, so that nothing anchors the hand.</summary>
    public int StretchOffUpperFinger { get; init; } = 8;

    /// <summary>Every note spent in a stretched hand.</summary>
    public int StretchedHand { get; init; } = 2;

    /// <summary>A note under a finger that the stretch moved.</summary>
    public int StretchedFinger { get; init; } = 4;

    /// <summary>
    /// Extended 4 on violin and viola: dearer than any other stretch, cheaper than a shift there and back for one note.
    /// </summary>
    public int ExtendedFourth { get; init; } = 38;

    /// <summary>High 4 on violin and viola, a stretch.</summary>
    public int HighFourth { get; init; } = 20;

    /// <summary>A low or high place.</summary>
    public int LowOrHigh { get; init; } = 2;

    /// <summary>A neighbour's finger for a letter that has its own.</summary>
    public int NeighboursFinger { get; init; } = 3;

    /// <summary>One finger sliding between two places on one string.</summary>
    public int FingerSlides { get; init; } = 8;

    /// <summary>One finger at two places on one string with a single note between.</summary>
    public int FingerInTwoPlaces { get; init; } = 5;

    /// <summary>Another finger for the very same sound straight after.</summary>
    public int FingerSubstituted { get; init; } = 4;

    /// <summary>The same finger hopping to the neighbouring string at the same height.</summary>
    public int FingerHops { get; init; } = 4;

    /// <summary>The same finger at two heights on neighbouring strings.</summary>
    public int TwoHeights { get; init; } = 3;

    /// <summary>Any string crossing.</summary>
    public int Crossing { get; init; } = 4;

    /// <summary>Added to a crossing inside a slur.</summary>
    public int CrossingInSlur { get; init; } = 14;

    /// <summary>Added for every string skipped.</summary>
    public int StringSkipped { get; init; } = 12;

    /// <summary>
    /// Fourth finger where an open string sounds the same and a slur or quick notes speak for it: balanced setting.
    /// Less than going to the next string and back.
    /// </summary>
    public int FourthBalanced { get; init; } = 5;

    /// <summary>
    /// The same in the open-first setting inside a slur: dearer than a crossing there and back, cheaper than one inside
    /// the slur.
    /// </summary>
    public int FourthOpenFirstInSlur { get; init; } = 9;

    /// <summary>The same without a reason, each note: never worth it.</summary>
    public int FourthWithoutReason { get; init; } = 90;

    /// <summary>The same in the fourth-first setting: only decides ties in favour of the open string.</summary>
    public int FourthFourthFirst { get; init; } = 1;

    /// <summary>
    /// Fourth-first setting: an open string when the line comes down to, or ends on, the string below.
    /// </summary>
    public int OpenFourthFirst { get; init; } = 12;

    /// <summary>
    /// Another finger than this pitch has elsewhere in the line: more than a shorter way of the hand is worth, less
    /// than going another way there and back.
    /// </summary>
    public int OtherFingerInLine { get; init; } = 16;

    /// <summary>Another finger than this pitch has in the same bar.</summary>
    public int OtherFingerInBar { get; init; } = 28;

    /// <summary>Another way than the first time the bar came.</summary>
    public int OtherThanBefore { get; init; } = 60;

    /// <summary>
    /// The same next to a seam: as dear as a crossing inside a slur, so that only what is worse may differ.
    /// </summary>
    public int OtherThanBeforeAtSeam { get; init; } = 18;
}
