namespace Coppia.Server.Asked;

/// <summary>The day at the school: that of the place where the server stands, whatever day it is elsewhere.</summary>
internal sealed class SchoolCalendar(TimeProvider clock)
{
    /// <summary>In UTC.</summary>
    public DateTime Now => clock.GetUtcNow().UtcDateTime;

    public DateOnly Today => DayOf(Now);

    /// <summary>The day of a moment that a record keeps.</summary>
    /// <param name="moment">Of UTC, or of this machine's own clock where it says so.</param>
    public DateOnly DayOf(DateTime moment) =>
        DateOnly.FromDateTime(TimeZoneInfo.ConvertTimeFromUtc(moment.ToUniversalTime(), clock.LocalTimeZone));
}
