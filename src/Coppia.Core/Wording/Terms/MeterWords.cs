using Coppia.Core.Music;

namespace Coppia.Core.Wording.Terms;

/// <summary>Meters in words, and what is said of a bar that does not hold its beats.</summary>
public static class MeterWords
{
    public static string Words(this MeterFault fault) =>
        fault.Bar.Time is { } time
            ? $"{fault.Bar.Spoken()} is too {(fault.Kind == MeterFaultKind.ShortBar ? "short" : "long")}: "
                + $"it holds {English.Mixed(fault.Bar.Length / time.Beat)} of {time.Beats} beats in {time}."
            : "Free meter: the beats are not checked, and counting starts again at every barline.";

    /// <summary>A meter as lists show it: "3/4", "C (4/4)", "free".</summary>
    public static string Listed(TimeSignature? time) =>
        time switch
        {
            null => "free",
            { Symbol: TimeSymbol.Common } => "C (4/4)",
            { Symbol: TimeSymbol.Cut } => "cut C (2/2)",
            { } t => t.ToString(),
        };
}
