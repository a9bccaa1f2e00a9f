using Coppia.Core.Fingering;

namespace Coppia.Core.Wording.Stand;

/// <summary>How far written notes were moved.</summary>
public static class OctaveWords
{
    /// <summary>"an octave lower", "two octaves higher"; null when nothing moved.</summary>
    public static string? Moved(int octaves)
    {
        if (octaves == 0)
            return null;
        var far = Math.Abs(octaves) switch
        {
            1 => "an octave",
            2 => "two octaves",
            var many => $"{many} octaves",
        };
        return $"{far} {(octaves < 0 ? "lower" : "higher")}";
    }

    /// <summary>An octave to choose: "as printed", "an octave lower".</summary>
    public static string Chosen(int octaves) => Moved(octaves) ?? "as printed";

    /// <summary>
    /// What an octave leaves out: "3 notes out of reach", "one note beyond the class", "every note in reach".
    /// </summary>
    public static string Leaves(OctaveChoice choice) =>
        choice switch
        {
            { OutOfReach: > 0 } => $"{Notes(choice.OutOfReach)} out of reach",
            { Beyond: > 0 } => $"{Notes(choice.Beyond)} beyond the class",
            _ => "every note in reach",
        };

    /// <summary>"one note", "3 notes".</summary>
    internal static string Notes(int count) => count == 1 ? "one note" : $"{count} notes";
}
