using System.Globalization;

namespace Coppia.Data;

/// <summary>Moments as the database keeps them: UTC to the millisecond, in an order that is that of their letters (ISO 8601).</summary>
internal static class Moment
{
    public static string ToText(this DateTime utc) => utc.ToString("yyyy-MM-ddTHH:mm:ss.fffZ", CultureInfo.InvariantCulture);
}
