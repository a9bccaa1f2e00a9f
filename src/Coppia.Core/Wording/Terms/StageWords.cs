using Coppia.Core.Knowledge;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Terms;

/// <summary>The stages of the usual first-year order (craft 15).</summary>
public static class StageWords
{
    public static string Name(Stage stage) =>
        stage switch
        {
            Stage.OpenStrings => Say("terms.stage.open-strings"),
            Stage.FirstFingers => Say("terms.stage.first-fingers-up-to-the-d-major"),
            Stage.SlursByTwo => Say("terms.stage.slurs-by-two"),
            Stage.RestsAndEighths => Say("terms.stage.rests-and-eighths"),
            Stage.NextStringDown => Say("terms.stage.g-string-bass-a-string"),
            Stage.OuterString => Say("terms.stage.e-or-c-string"),
            Stage.LowSecond => Say("terms.stage.c-and-f-natural-low-2-cello"),
            Stage.DottedHalf => Say("terms.stage.dotted-half-and-3-4"),
            Stage.FourthFinger => Say("terms.stage.fourth-finger"),
            Stage.LowFirst => Say("terms.stage.b-and-e-low-1-cello-stretched"),
            Stage.LowFourthHighThird => Say("terms.stage.low-4-and-high-3-cello-stretched"),
            Stage.Sixteenths => Say("terms.stage.sixteenths"),
            Stage.Positions => Say("terms.stage.positions"),
            _ => throw new ArgumentOutOfRangeException(nameof(stage), stage, "There are no words for this stage."),
        };
}
