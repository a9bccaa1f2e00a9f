namespace Coppia.Core.Music;

/// <summary>Where a note lies on the staff; lines and spaces are counted from the bottom.</summary>
/// <param name="Height">Half-spaces above the bottom line; 0 = line 1.</param>
public readonly record struct StaffPlace(int Height)
{
    /// <summary>Height of the middle line.</summary>
    public const int MiddleLine = 4;

    /// <summary>Height of the top line.</summary>
    public const int TopLine = 8;

    public static StaffPlace Of(Pitch pitch, Clef clef) => new(clef.HeightOf(pitch));

    public bool OnLine => Height % 2 == 0;

    /// <summary>On one of the five lines or in a space between them.</summary>
    public bool OnStaff => Height is >= 0 and <= TopLine;

    /// <summary>
    /// The stem of a single note points up below the middle line; on it and above it points down (craft 12).
    /// </summary>
    public bool StemUp => Height < MiddleLine;
}
