using Coppia.Core.Exercises;

namespace Coppia.Core.Wording.Exercises;

/// <summary>The rungs of a chunk's ladder (craft 11).</summary>
public static class RungWords
{
    /// <param name="bars">What its bars are called: "bars 5–8".</param>
    public static string Of(Rung rung, string bars) =>
        rung switch
        {
            Rung.TwoNotes => "The two notes",
            Rung.ThreeNotes => "With the note before",
            Rung.Bar => $"The bar, {bars}",
            Rung.TwoBars => $"Two bars, {bars}",
            Rung.Line => $"The line, {bars}",
            _ => "The whole tune",
        };
}
