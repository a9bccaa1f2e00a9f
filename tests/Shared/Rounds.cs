namespace Coppia.Tests;

/// <summary>How often a test by chance is repeated: in full in the whole run, a part of it while one works.</summary>
internal static class Rounds
{
    /// <summary>Set for quick answers, by <c>./coppia test NAME</c>.</summary>
    private static readonly bool Quick = Environment.GetEnvironmentVariable("COPPIA_QUICK") is "1";

    /// <summary>So many in the whole run; a fiftieth of them, but so many at least, for quick answers.</summary>
    public static int Of(int all, int least = 10) => Quick ? Math.Min(all, Math.Max(least, all / 50)) : all;
}
