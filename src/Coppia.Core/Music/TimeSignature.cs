using System.Globalization;

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
/// <param name="Sum">The upper number as a sum that tells how the bar is grouped (3+2+3), or null.</param>
public readonly record struct TimeSignature(
    int Beats,
    int Unit,
    TimeSymbol Symbol = TimeSymbol.Numbers,
    string? Sum = null
)
{
    public static readonly TimeSignature CommonTime = new(4, 4, TimeSymbol.Common);
    public static readonly TimeSignature CutTime = new(2, 2, TimeSymbol.Cut);

    public int Beats { get; } =
        Beats is >= 1 and <= 32
            ? Beats
            : throw new ArgumentOutOfRangeException(nameof(Beats), Beats, "The upper number is 1 to 32.");

    public int Unit { get; } =
        Unit is 1 or 2 or 4 or 8 or 16 or 32
            ? Unit
            : throw new ArgumentOutOfRangeException(nameof(Unit), Unit, "The lower number is 1, 2, 4, 8, 16 or 32.");

    public Fraction BarLength => new(Beats, Unit);

    /// <summary>One beat of the lower number.</summary>
    public Fraction Beat => new(1, Unit);

    /// <summary>6/8, 9/8, 12/8 and the like, felt in dotted beats.</summary>
    public bool IsCompound => Sum is null && Unit >= 8 && Beats > 3 && Beats % 3 == 0;

    /// <summary>
    /// The group of an additive meter in which a moment lies, from 0; of another meter the felt beat.
    /// </summary>
    /// <param name="moment">In whole notes from the barline.</param>
    public long GroupAt(Fraction moment)
    {
        if (Sum is null)
            return moment.WholeTimes(FeltBeat);
        var beat = moment.WholeTimes(Beat);
        var group = 0;
        foreach (var beats in Sum.Split('+').Select(int.Parse))
        {
            if (beat < beats)
                break;
            beat -= beats;
            group++;
        }

        return group;
    }

    /// <summary>The beat that is felt: dotted in compound time, else the lower number's note.</summary>
    public Fraction FeltBeat => IsCompound ? new(3, Unit) : Beat;

    /// <summary>
    /// The beat that a class counts: dotted in compound time, in cut time still the quarter, in free meter the quarter.
    /// </summary>
    public static Fraction BeatOf(TimeSignature? time) =>
        time is not { } t ? Fraction.Quarter
        : t.IsCompound ? t.FeltBeat
        : t.Beat > Fraction.Quarter ? Fraction.Quarter
        : t.Beat;

    public override string ToString() => $"{Sum ?? Beats.ToString(CultureInfo.InvariantCulture)}/{Unit}";

    /// <summary>A meter whose upper number may be a sum such as 3+2+3.</summary>
    /// <returns>Null where the numbers are no meter.</returns>
    public static TimeSignature? Of(string upper, int unit, TimeSymbol symbol = TimeSymbol.Numbers)
    {
        var beats = upper
            .Split('+')
            .Select(b =>
                int.TryParse(
                    b,
                    NumberStyles.AllowLeadingWhite | NumberStyles.AllowTrailingWhite,
                    CultureInfo.InvariantCulture,
                    out var n
                )
                && n > 0
                    ? n
                    : 100
            )
            .ToArray();
        return beats.Sum() is >= 1 and <= 32 && unit is 1 or 2 or 4 or 8 or 16 or 32
            ? new TimeSignature(beats.Sum(), unit, symbol, beats.Length > 1 ? string.Join('+', beats) : null)
            : null;
    }
}
