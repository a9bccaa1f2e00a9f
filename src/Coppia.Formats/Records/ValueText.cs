using System.Globalization;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Records;

/// <summary>
/// Note values as parts of a whole note: <c>1/4</c>, <c>3/8</c> a dotted quarter, <c>1/12</c> a triplet's eighth.
/// </summary>
public static class ValueText
{
    /// <summary>What a note value looks like, for error messages.</summary>
    public static string Expected => Say("records.value-text.a-note-value");

    public static string Of(NoteValue value) =>
        value.Length is { Denominator: 1 } whole ? $"{whole.Numerator}/1" : value.Length.ToString();

    /// <summary>The value of this length, or null.</summary>
    public static NoteValue? Read(string text)
    {
        if (
            text.Split('/') is not [var above, var below]
            || !long.TryParse(above, NumberStyles.None, CultureInfo.InvariantCulture, out var a)
            || !long.TryParse(below, NumberStyles.None, CultureInfo.InvariantCulture, out var b)
            || a is < 1 or > 16
            || b is < 1 or > 384
        )
            return null;
        var length = new Fraction(a, b);
        if (NoteValue.Exactly(length) is { } plain)
            return plain;
        // Three in the time of two.
        return NoteValue.Exactly(length * new Fraction(3, 2)) is { Dots: 0 } third
            ? third with
            {
                TupletActual = 3,
                TupletNormal = 2,
            }
            : null;
    }

    /// <summary>A meter such as 3/4; null where it is none.</summary>
    public static TimeSignature? Meter(string text) =>
        text.Split('/') is [var beats, var unit]
        && int.TryParse(unit, NumberStyles.None, CultureInfo.InvariantCulture, out var u)
            ? TimeSignature.Of(beats, u)
            : null;
}
