using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Reading;

public enum RemarkKind
{
    Strings,
    Shape,
    LowHigh,
    TwoPlaces,
    TwoHeights,
    Touching,
    KeepDown,
    Prepare,
    SetHand,
    Shift,
    Signs,
    New,
}

/// <summary>One thing a teacher says before a line.</summary>
/// <param name="Fact">What is so.</param>
/// <param name="NoteIds">The notes it points at.</param>
public sealed record Remark(RemarkFact Fact, IReadOnlyList<string> NoteIds)
{
    public RemarkKind Kind => Fact.Kind;
}

/// <summary>What a remark is about; facts that say the same are equal.</summary>
public abstract record RemarkFact(RemarkKind Kind);

/// <summary>The strings that a line uses, lowest first.</summary>
public sealed record StringsUsed(IReadOnlyList<int> Strings) : RemarkFact(RemarkKind.Strings);

/// <summary>The fingers that a line uses on each string, lowest string first.</summary>
public sealed record HandOnStrings(IReadOnlyList<IReadOnlyList<Pair>> Fingers) : RemarkFact(RemarkKind.Shape);

/// <summary>A finger off its regular place.</summary>
/// <param name="Finger">The finger; on which strings, the notes tell.</param>
/// <param name="Semitones">Its place above the open string.</param>
/// <param name="Notes">The pitches it plays there, each with its string.</param>
public sealed record OffItsPlace(Pair Finger, int Semitones, IReadOnlyList<(Pitch Pitch, int String)> Notes)
    : RemarkFact(RemarkKind.LowHigh);

/// <summary>One finger at several places on a string within a few notes, lowest first.</summary>
public sealed record SeveralPlaces(int String, int Finger, IReadOnlyList<(Pair Pair, Pitch Pitch)> Places)
    : RemarkFact(RemarkKind.TwoPlaces);

/// <summary>One finger at two heights on neighbouring strings.</summary>
public sealed record OneFingerTwoHeights(Pair Lower, Pair Upper) : RemarkFact(RemarkKind.TwoHeights);

/// <summary>Two fingers that touch, and the strings on which they do.</summary>
public sealed record FingersTouch(int Lower, int Upper, IReadOnlyList<int> Strings) : RemarkFact(RemarkKind.Touching);

/// <summary>A finger that stays down while another string sounds, for its note comes back.</summary>
public sealed record FingerStays(Pair Held, int Sounding, Pitch Pitch) : RemarkFact(RemarkKind.KeepDown);

/// <summary>A finger that is put on its string while an open one sounds.</summary>
public sealed record FingerReady(int Open, Pair Next, Pitch Pitch) : RemarkFact(RemarkKind.Prepare);

/// <summary>Fingers that go down together, from the open string or from 1.</summary>
public sealed record FingersTogether(bool FromOpen, Pair To, FingerSet Fingers) : RemarkFact(RemarkKind.SetHand);

/// <summary>An open string against which a shift is checked.</summary>
/// <param name="Open">The string.</param>
/// <param name="IsOctave">It sounds an octave away, not the same note.</param>
/// <param name="WithFinger">The finger of the hand that sounds like it; null where the note itself does.</param>
public readonly record struct ShiftCheck(int Open, bool IsOctave, int? WithFinger);

/// <summary>The hand arrives in another position.</summary>
/// <param name="Bar">Where.</param>
/// <param name="At">How it plays the note it arrives on.</param>
/// <param name="Pitch">That note.</param>
public sealed record HandArrives(Bar Bar, Placement At, Pitch Pitch, ShiftCheck? Check) : RemarkFact(RemarkKind.Shift);

/// <summary>Something that is new to the class, at its first appearance.</summary>
public sealed record NewToClass(NewThing News) : RemarkFact(RemarkKind.New);

/// <summary>Signs to look for, each with the printed numbers of its bars.</summary>
public sealed record SignsInLine(IReadOnlyList<(Sign Sign, IReadOnlyList<int> Bars)> Signs)
    : RemarkFact(RemarkKind.Signs);
