using System.Globalization;

namespace Coppia.Data.Store;

/// <summary>
/// Moments as the database keeps them: UTC to the millisecond, in an order that is that of their letters (ISO 8601).
/// </summary>
internal static class Moment
{
    /// <param name="at">Of UTC, or of this machine's own clock where it says so.</param>
    public static string ToText(this DateTime at) =>
        (at.Kind == DateTimeKind.Local ? at.ToUniversalTime() : at).ToString(
            "yyyy-MM-ddTHH:mm:ss.fffZ",
            CultureInfo.InvariantCulture
        );
}
