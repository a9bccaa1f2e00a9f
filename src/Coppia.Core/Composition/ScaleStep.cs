using System.Globalization;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Composition;

/// <summary>A note of a palette as a step above the tonic, so that it is the same for every instrument.</summary>
/// <param name="Number">1 = tonic, 5 = fifth, 8 = octave; 0 is the step below the tonic. −6 to 15.</param>
/// <param name="Alter">Semitones against the key, −1 to 1.</param>
public readonly record struct ScaleStep(int Number, int Alter = 0)
{
    public const int Lowest = -6;
    public const int Highest = 15;

    public Pitch Above(Pitch tonic, ScaleKey key)
    {
        var inKey = key.OnStep(tonic.Step + Number - 1);
        return new Pitch(inKey.Letter, inKey.Alter + Alter, inKey.Octave);
    }

    /// <summary>The step of a pitch above a tonic; null where it lies too far off.</summary>
    public static ScaleStep? Of(Pitch pitch, Pitch tonic, ScaleKey key)
    {
        var number = pitch.Step - tonic.Step + 1;
        var alter = pitch.Alter - key.OnStep(pitch.Step).Alter;
        return number is >= Lowest and <= Highest && alter is >= -1 and <= 1 ? new ScaleStep(number, alter) : null;
    }

    /// <summary>As text: <c>5</c>, <c>#4</c>, <c>b3</c>.</summary>
    public override string ToString() =>
        (
            Alter switch
            {
                1 => "#",
                -1 => "b",
                _ => "",
            }
        ) + Number.ToString(CultureInfo.InvariantCulture);

    /// <summary>Reads a text such as <c>5</c> or <c>#4</c>; null where it is none.</summary>
    public static ScaleStep? Read(string text)
    {
        var alter = text switch
        {
            ['#', ..] => 1,
            ['b', ..] => -1,
            _ => 0,
        };
        return
            int.TryParse(
                text.AsSpan(alter == 0 ? 0 : 1),
                NumberStyles.AllowLeadingSign,
                CultureInfo.InvariantCulture,
                out var n
            ) && n is >= Lowest and <= Highest
            ? new ScaleStep(n, alter)
            : null;
    }
}
