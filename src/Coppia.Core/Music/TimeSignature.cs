namespace Coppia.Core.Music;

/// <summary>How a time signature is printed. C and cut C are time signatures, never keys (craft 1).</summary>
public enum TimeSymbol
{
    Numbers,
    Common,
    Cut,
}

/// <summary>A time signature.</summary>
/// <param name="Beats">Upper number, 1–32.</param>
/// <param name="Unit">Lower number: 1, 2, 4, 8, 16 or 32.</param>
/// <param name="Symbol">Printed as numbers, 𝄴 or 𝄵.</param>
public readonly record struct TimeSignature(int Beats, int Unit, TimeSymbol Symbol = TimeSymbol.Numbers)
{
    public static readonly TimeSignature CommonTime = new(4, 4, TimeSymbol.Common);
    public static readonly TimeSignature CutTime = new(2, 2, TimeSymbol.Cut);

    public int Beats { get; } =
        Beats is >= 1 and <= 32 ? Beats : throw new ArgumentOutOfRangeException(nameof(Beats), Beats, "The upper number is 1 to 32.");

    public int Unit { get; } =
        Unit is 1 or 2 or 4 or 8 or 16 or 32
            ? Unit
            : throw new ArgumentOutOfRangeException(nameof(Unit), Unit, "The lower number is 1, 2, 4, 8, 16 or 32.");

    public Fraction BarLength => new(Beats, Unit);

    /// <summary>One beat of the lower number.</summary>
    public Fraction Beat => new(1, Unit);

    /// <summary>6/8, 9/8, 12/8 and the like, felt in dotted beats.</summary>
    public bool IsCompound => Unit >= 8 && Beats > 3 && Beats % 3 == 0;

    /// <summary>The beat that is felt: dotted in compound time, else the lower number's note.</summary>
    public Fraction FeltBeat => IsCompound ? new(3, Unit) : Beat;

    public override string ToString() => $"{Beats}/{Unit}";
}
