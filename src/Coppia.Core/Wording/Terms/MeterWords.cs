using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Terms;

/// <summary>Meters in words, and what is said of a bar that does not hold its beats.</summary>
public static class MeterWords
{
    public static string Words(this MeterFault fault) =>
        fault.Bar.Time is { } time
            ? Say(
                "terms.meter.is-too-it-holds-of-beats-in",
                ("bar", fault.Bar.Spoken()),
                ("what", fault.Kind == MeterFaultKind.ShortBar ? Say("terms.meter.short") : Say("terms.meter.long")),
                ("bar2", English.Mixed(fault.Bar.Length / time.Beat)),
                ("beats", time.Beats),
                ("time", time)
            )
            : Say("terms.meter.free-meter-the-beats-are-not-checked");

    /// <summary>A meter as lists show it: "3/4", "C (4/4)", "free".</summary>
    public static string Listed(TimeSignature? time) =>
        time switch
        {
            null => Say("terms.meter.free"),
            { Symbol: TimeSymbol.Common } => "C (4/4)",
            { Symbol: TimeSymbol.Cut } => Say("terms.meter.cut-c-2-2"),
            { } t => t.ToString(),
        };
}
