using System.Globalization;
using System.Numerics;

namespace Coppia.Core.Music;

/// <summary>An exact length or moment in music, in whole notes: a quarter is 1/4. Always in lowest terms.</summary>
public readonly record struct Fraction : IComparable<Fraction>
{
    private readonly long _denominatorMinusOne; // so that default(Fraction) is a valid zero

    public static readonly Fraction Zero = new(0, 1);
    public static readonly Fraction Whole = new(1, 1);
    public static readonly Fraction Quarter = new(1, 4);

    /// <exception cref="ArgumentOutOfRangeException">The denominator is not positive.</exception>
    public Fraction(long numerator, long denominator)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(denominator, 1);
        var divisor = CommonDivisor(Math.Abs(numerator), denominator);
        Numerator = numerator / divisor;
        _denominatorMinusOne = denominator / divisor - 1;
    }

    public long Numerator { get; }

    public long Denominator => _denominatorMinusOne + 1;

    public bool IsZero => Numerator == 0;

    public double ToDouble() => (double)Numerator / Denominator;

    public int CompareTo(Fraction other) =>
        checked(Numerator * other.Denominator).CompareTo(checked(other.Numerator * Denominator));

    public static Fraction operator +(Fraction a, Fraction b) =>
        a.Denominator == b.Denominator
            ? new(checked(a.Numerator + b.Numerator), a.Denominator)
            : new(
                checked(a.Numerator * b.Denominator + b.Numerator * a.Denominator),
                checked(a.Denominator * b.Denominator)
            );

    public static Fraction operator -(Fraction a, Fraction b) => a + new Fraction(-b.Numerator, b.Denominator);

    public static Fraction operator *(Fraction a, Fraction b) =>
        new(checked(a.Numerator * b.Numerator), checked(a.Denominator * b.Denominator));

    /// <exception cref="DivideByZeroException">The divisor is zero.</exception>
    public static Fraction operator /(Fraction a, Fraction b) =>
        b.Numerator switch
        {
            0 => throw new DivideByZeroException(),
            < 0 => new(checked(-a.Numerator * b.Denominator), checked(a.Denominator * -b.Numerator)),
            _ => new(checked(a.Numerator * b.Denominator), checked(a.Denominator * b.Numerator)),
        };

    public static bool operator <(Fraction a, Fraction b) => a.CompareTo(b) < 0;

    public static bool operator >(Fraction a, Fraction b) => a.CompareTo(b) > 0;

    public static bool operator <=(Fraction a, Fraction b) => a.CompareTo(b) <= 0;

    public static bool operator >=(Fraction a, Fraction b) => a.CompareTo(b) >= 0;

    /// <summary>
    /// How many whole times <paramref name="step"/> fits into this length. Both must not be negative.
    /// </summary>
    public long WholeTimes(Fraction step)
    {
        var times = this / step;
        return times.Numerator / times.Denominator;
    }

    private static long CommonDivisor(long a, long b)
    {
        // Most lengths are parts of a power of two.
        if ((b & (b - 1)) == 0)
            return a == 0 ? b : 1L << Math.Min(BitOperations.TrailingZeroCount(a), BitOperations.TrailingZeroCount(b));
        while (a != 0)
            (a, b) = (b % a, a);
        return b;
    }

    public override string ToString() =>
        Denominator == 1
            ? Numerator.ToString(CultureInfo.InvariantCulture)
            : string.Create(CultureInfo.InvariantCulture, $"{Numerator}/{Denominator}");
}
