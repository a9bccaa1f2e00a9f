using System.Data;
using System.Globalization;
using Dapper;

namespace Coppia.Data.Store;

/// <summary>
/// Days as the database keeps them (ISO 8601): 2026-09-14, in an order that is that of their letters.
/// </summary>
internal sealed class DayText : SqlMapper.TypeHandler<DateOnly>
{
    private const string Form = "yyyy-MM-dd";

    /// <summary>A text that is no day, which only another program can have written, lies before all days.</summary>
    public override DateOnly Parse(object value) =>
        DateOnly.TryParseExact(value as string, Form, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            ? day
            : DateOnly.MinValue;

    public override void SetValue(IDbDataParameter parameter, DateOnly value)
    {
        parameter.DbType = DbType.String;
        parameter.Value = value.ToString(Form, CultureInfo.InvariantCulture);
    }
}
