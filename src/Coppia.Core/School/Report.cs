namespace Coppia.Core.School;

/// <summary>What a learner's page may report at once of what happened at home.</summary>
public static class Report
{
    /// <summary>Most entries of one report.</summary>
    public const int MostEntries = 500;

    /// <summary>Longest name of an entry, by which one that comes twice counts once; in characters.</summary>
    public const int LongestKey = 60;

    /// <summary>An answer that took longer took so long.</summary>
    public const double MostSeconds = 3600;

    /// <summary>A phone's clock may be wrong, but not by more than that.</summary>
    public static readonly TimeSpan Ahead = TimeSpan.FromDays(2);

    /// <summary>False for what is said to have happened when it cannot have yet.</summary>
    public static bool CanHaveHappened(DateTimeOffset at, DateTimeOffset now) => at <= now + Ahead;

    /// <summary>A day is the learner's own: that of the clock by which they practised.</summary>
    public static DateOnly DayOf(DateTimeOffset at) => DateOnly.FromDateTime(at.DateTime);
}
