using Coppia.Core.Bowing;
using Coppia.Core.Counting;
using Coppia.Core.Exercises;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Drills;

/// <summary>
/// What happened in an answer. Of a note the first that fits, in the order in which it is looked for (craft 14); of
/// other questions the first place that is wrong.
/// </summary>
public enum MistakeKind
{
    Right,
    ForgotSignature,
    ForgotAccidental,
    OneStep,
    WrongEnd,
    OtherClef,
    WrongOctave,
    LowHigh,
    OtherInstrument,
    NeighbourString,
    Unclear,

    /// <summary>The stem goes the other way, or stands on the other side of its head.</summary>
    StemDirection,
    StemSide,

    /// <summary>Sharps for flats or the other way round.</summary>
    OtherSigns,

    /// <summary>The last sharp or flat was taken for the key.</summary>
    LastSign,

    /// <summary>The minor key of the same signature.</summary>
    RelativeMinor,
    SignCount,
    SignLetter,
    SignOrder,
    SignPlace,
    MissingFinger,
    ExtraFinger,
    OtherShape,

    /// <summary>A half step for a whole one, a whole one for a half step, or another.</summary>
    StepTooSmall,
    StepTooLarge,
    HalfSteps,
    TooShort,
    TooLong,
    ForgotDot,
    RestCount,
    HeldCount,
    BeatCount,
    FirstStroke,
    PickUpStroke,
    SlurStroke,
    AfterLift,
    TurnStroke,
    SameThere,
    PenMissing,
    PenAstray,
}

/// <summary>What happened when a question was answered.</summary>
public abstract record Judgement(MistakeKind Kind)
{
    public bool IsRight => Kind == MistakeKind.Right;
}

/// <summary>Of a stem.</summary>
public sealed record StemJudgement(MistakeKind Kind, StaffPlace Place) : Judgement(Kind);

/// <summary>Of a key signature.</summary>
/// <param name="Letter">The letter of the sign that is wrong or missing, where there is one.</param>
/// <param name="Place">Where that sign belongs.</param>
public sealed record SignatureJudgement(
    MistakeKind Kind,
    KeySignature Key,
    Letter? Letter = null,
    StaffPlace? Place = null
) : Judgement(Kind);

/// <summary>Of a hand shape.</summary>
/// <param name="Spot">The finger that is missing or stands elsewhere.</param>
/// <param name="Semitones">Where one was put that does not belong there.</param>
public sealed record ShapeJudgement(MistakeKind Kind, HandShape Shape, ShapeSpot? Spot = null, int? Semitones = null)
    : Judgement(Kind);

/// <summary>Of a scale.</summary>
/// <param name="Degree">From 1: the step from this degree to the next is wrong; 0 for the first note itself.</param>
/// <param name="IsHalf">It is a half step.</param>
public sealed record ScaleJudgement(MistakeKind Kind, ScaleAnswer Scale, int Degree, bool IsHalf) : Judgement(Kind);

/// <summary>Of a sum of beats.</summary>
/// <param name="Holds">What the bar holds as it was answered, in whole notes.</param>
/// <param name="Wanted">What it should hold.</param>
/// <param name="Bar">Order of the bar, from 0.</param>
public sealed record BeatJudgement(MistakeKind Kind, Fraction Holds, Fraction Wanted, Fraction Beat, int Bar = 0)
    : Judgement(Kind)
{
    /// <summary>The bar as it was answered, to be looked at once more; null where it has no notes.</summary>
    public Score? Answered { get; init; }
}

/// <summary>Of syllables.</summary>
/// <param name="Mark">The first moment at which another syllable belongs.</param>
public sealed record CountJudgement(MistakeKind Kind, CountMark Mark) : Judgement(Kind);

/// <summary>Of bow signs.</summary>
/// <param name="Note">Order of the first note, from 0, whose sign is wrong or missing.</param>
/// <param name="Way">The way its stroke goes.</param>
public sealed record BowJudgement(MistakeKind Kind, int Note, BowDirection Way) : Judgement(Kind);

/// <summary>Of two nearly equal bars.</summary>
public sealed record DifferenceJudgement(MistakeKind Kind, DifferenceAnswer Answer) : Judgement(Kind);

/// <summary>Of a sign written by hand.</summary>
/// <param name="OnPaper">Nothing was measured.</param>
public sealed record PenJudgement(MistakeKind Kind, PenSign Sign, bool OnPaper) : Judgement(Kind);
