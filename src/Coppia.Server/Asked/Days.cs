using System.Globalization;

namespace Coppia.Server.Asked;

/// <summary>Days of the calendar as addresses, records and files write them (ISO 8601): 2026-09-14.</summary>
internal static class Days
{
    private const string Form = "yyyy-MM-dd";

    /// <summary>Null for a text that is no day.</summary>
    public static DateOnly? Read(string text) =>
        DateOnly.TryParseExact(text, Form, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) ? day : null;

    public static string Text(DateOnly day) => day.ToString(Form, CultureInfo.InvariantCulture);
}
