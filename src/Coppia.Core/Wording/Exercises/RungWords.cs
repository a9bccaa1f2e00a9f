using Coppia.Core.Exercises;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Exercises;

/// <summary>The rungs of a chunk's ladder (craft 11).</summary>
public static class RungWords
{
    /// <param name="bars">What its bars are called: "bars 5–8".</param>
    public static string Of(Rung rung, string bars) =>
        rung switch
        {
            Rung.TwoNotes => Say("exercises.rung.the-two-notes"),
            Rung.ThreeNotes => Say("exercises.rung.with-the-note-before"),
            Rung.Bar => Say("exercises.rung.the-bar", ("bars", bars)),
            Rung.TwoBars => Say("exercises.rung.two-bars", ("bars", bars)),
            Rung.Line => Say("exercises.rung.the-line", ("bars", bars)),
            _ => Say("exercises.rung.the-whole-tune"),
        };
}
