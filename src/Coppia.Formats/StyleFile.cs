using System.Text.Json;
using System.Text.Json.Serialization;
using Coppia.Core.Knowledge;

namespace Coppia.Formats;

/// <summary>A house style as JSON: camelCase names, choices as words, unknown names refused.</summary>
public static class StyleFile
{
    public static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        NumberHandling = JsonNumberHandling.Strict,
        WriteIndented = true,
    };

    /// <exception cref="FormatException">Not a house style; the message begins with line:column and says what was expected.</exception>
    public static HouseStyle Read(string json)
    {
        try
        {
            return JsonSerializer.Deserialize<HouseStyle>(json, Json)
                ?? throw new FormatException("1:1: the style is empty; expected a JSON object such as {\"fourthFinger\":\"openFirst\"}");
        }
        catch (JsonException e)
        {
            var where = e.Path is { Length: > 1 } path ? $" at {path[(path[1] == '.' ? 2 : 1)..]}" : "";
            throw new FormatException(
                $"{(e.LineNumber ?? 0) + 1}:{(e.BytePositionInLine ?? 0) + 1}: not a house style{where}; expected a JSON object such as {{\"fourthFinger\":\"openFirst\"}} with the settings’ own names and words",
                e
            );
        }
    }

    public static string Write(HouseStyle style) => JsonSerializer.Serialize(style, Json);
}
