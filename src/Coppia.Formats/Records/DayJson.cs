using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Coppia.Formats.Records;

/// <summary>Days of the calendar in JSON (ISO 8601): 2026-09-14.</summary>
internal sealed class DayJson : JsonConverter<DateOnly>
{
    private const string Form = "yyyy-MM-dd";

    public override DateOnly Read(ref Utf8JsonReader reader, Type type, JsonSerializerOptions options)
    {
        var text = reader.TokenType == JsonTokenType.String ? reader.GetString() : null;
        return DateOnly.TryParseExact(text, Form, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            ? day
            : throw new WrongPartException($"“{text}” is not a day; expected one such as 2026-09-14");
    }

    public override void Write(Utf8JsonWriter writer, DateOnly value, JsonSerializerOptions options) =>
        writer.WriteStringValue(value.ToString(Form, CultureInfo.InvariantCulture));
}
