using Coppia.Core.Knowledge;

namespace Coppia.Core.Wording.Terms;

/// <summary>The stages of the usual first-year order (craft 15).</summary>
public static class StageWords
{
    public static string Name(Stage stage) =>
        stage switch
        {
            Stage.OpenStrings => "Open strings",
            Stage.FirstFingers => "First fingers, up to the D-major scale",
            Stage.SlursByTwo => "Slurs by two",
            Stage.RestsAndEighths => "Rests and eighths",
            Stage.NextStringDown => "G string (bass: A string)",
            Stage.OuterString => "E or C string",
            Stage.LowSecond => "C and F natural: low 2, cello and bass 2",
            Stage.DottedHalf => "Dotted half and 3/4",
            Stage.FourthFinger => "Fourth finger",
            Stage.LowFirst => "B♭ and E♭: low 1, cello stretched back, bass half position",
            Stage.LowFourthHighThird => "Low 4 and high 3, cello stretched forward",
            Stage.Sixteenths => "Sixteenths",
            Stage.Positions => "Positions",
            _ => throw new ArgumentOutOfRangeException(nameof(stage), stage, "There are no words for this stage."),
        };
}
