namespace Coppia.Core.School;

/// <summary>What a learner's page may report at once of what happened at home.</summary>
public static class Report
{
    /// <summary>An answer that took longer took so long.</summary>
    public const double MostSeconds = 3600;

    /// <summary>A phone's clock may be wrong, but not by more than that.</summary>
    public static readonly TimeSpan Ahead = TimeSpan.FromDays(2);

    /// <summary>False for what is said to have happened when it cannot have yet.</summary>
    public static bool CanHaveHappened(DateTimeOffset at, DateTimeOffset now) => at <= now + Ahead;

    /// <summary>True for a name of an entry, by which one that comes twice counts once.</summary>
    public static bool IsKey(string key) => key.Length is > 0 and <= Limits.LongestKey;

    /// <summary>Minutes of practice, and a tempo that was reached in them or null, that an entry may hold.</summary>
    public static bool CanBe(int minutes, int? tempo) =>
        minutes is >= 0 and <= Limits.MostMinutes
        && tempo is null or (>= Limits.SlowestTempo and <= Limits.FastestTempo);

    /// <summary>A day is the learner's own: that of the clock by which they practised.</summary>
    public static DateOnly DayOf(DateTimeOffset at) => DateOnly.FromDateTime(at.DateTime);
}
