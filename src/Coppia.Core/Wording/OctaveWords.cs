namespace Coppia.Core.Wording;

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
}
