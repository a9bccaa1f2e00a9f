using Coppia.Core.Instruments;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Exercises;

/// <summary>Why a sheet cannot be made as it was asked for.</summary>
public enum SheetFault
{
    /// <summary>Fewer than two notes, or fewer different questions than a sheet needs.</summary>
    TooFewNotes,
    NoSuchString,
    NoStretch,
    NoFourthForOpen,
    NoHomeSlide,

    /// <summary>No open string above another belongs to the key.</summary>
    NoOpenInKey,
    NoLowHigh,
    NoTwoPlaces,
    NoTwoHeights,

    /// <summary>A key that the instruments cannot show the kind in, or that has too few signs for it.</summary>
    KeyTooPlain,
    OutOfReach,
    NoTune,
    NothingInTune,

    /// <summary>The values asked for do not fill a bar of the meter.</summary>
    NoValues,
    NotInCommon,
    WrongCount,
}

/// <summary>A sheet that cannot be made, with what would be possible instead.</summary>
/// <param name="fault">What is in the way.</param>
/// <param name="kind">What was asked for.</param>
/// <param name="instrument">Whose hand it concerns.</param>
public sealed class SheetImpossibleException(SheetFault fault, ExerciseKind kind, Instrument instrument)
    : Exception($"{fault}: {kind.Id}")
{
    public SheetFault Fault { get; } = fault;

    public ExerciseKind Kind { get; } = kind;

    public Instrument Instrument { get; } = instrument;

    /// <summary>The key that was asked for, where there was one.</summary>
    public ScaleKey? Key { get; init; }

    /// <summary>Keys in which it would be possible.</summary>
    public IReadOnlyList<ScaleKey> PossibleKeys { get; init; } = [];

    /// <summary>Instruments for which it would be possible.</summary>
    public IReadOnlyList<Instrument> PossibleFor { get; init; } = [];

    /// <summary>The whole range from which notes could be asked.</summary>
    public (Pitch Lowest, Pitch Highest)? PossibleRange { get; init; }

    /// <summary>The letters of a string that is not there.</summary>
    public Letter? String { get; init; }

    /// <summary>The most or the least that could be asked for.</summary>
    public int Possible { get; init; }
}

/// <summary>Whether something can be made, asked by making it.</summary>
internal static class Possible
{
    /// <param name="made">Makes it, and says whether that is enough.</param>
    public static bool Is(Func<bool> made)
    {
        try
        {
            return made();
        }
        catch (SheetImpossibleException)
        {
            return false;
        }
    }
}
