using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Records;

/// <summary>A house style as JSON: camelCase names, choices as words, unknown names refused.</summary>
public static class StyleFile
{
    public static readonly JsonSerializerOptions Json = Strict();

    private static JsonSerializerOptions Strict()
    {
        var json = new JsonSerializerOptions(JsonSerializerDefaults.Web)
        {
            UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
            WriteIndented = true,
        };
        JsonParts.MakeStrict(json);
        return json;
    }

    /// <exception cref="FormatException">Not a house style; the message begins with line:column and says what was
    /// expected.</exception>
    public static HouseStyle Read(string json)
    {
        try
        {
            var style =
                JsonSerializer.Deserialize<HouseStyle>(WithAlternatives(json), Json)
                ?? throw new FormatException(Say("records.style-file.1-1-the-style-is-empty-expected"));
            return
                style.Alternatives.Select(a => WrongAlternative(a.Key, a.Value)).FirstOrDefault(w => w is not null)
                    is { } wrong
                ? throw new FormatException($"1:1: {wrong}")
                : style;
        }
        catch (JsonException e)
        {
            throw new FormatException(
                Say(
                    "records.style-file.not-a-house-style-expected-a-json",
                    ("lineNumber", (e.LineNumber ?? 0) + 1),
                    ("bytePositionInLine", (e.BytePositionInLine ?? 0) + 1),
                    ("said", JsonParts.MessageOf(e))
                ),
                e
            );
        }
    }

    /// <summary>Null for a way that an instrument can be fingered, else what would be right.</summary>
    public static string? WrongAlternative(string instrument, string name)
    {
        var ways = StringSection.Named(instrument)?.Alternatives.Select(a => a.Name).ToArray() ?? [];
        if (ways.Contains(name))
            return null;
        var right =
            ways.Length == 0
                ? Say("records.style-file.it-has-one-way-only")
                : Say("records.style-file.wrong-alternative-expected", ("ways", English.Either(ways)));
        return Say(
            "records.style-file.is-not-a-way-to-finger",
            ("name", name),
            ("instrument", instrument),
            ("right", right)
        );
    }

    /// <summary>Styles kept before instruments had alternatives name the bass's in a setting of its own.</summary>
    private static string WithAlternatives(string json)
    {
        const string former = "bassFingers";
        if (
            !json.Contains(former, StringComparison.Ordinal)
            || JsonNode.Parse(json) is not JsonObject style
            || style[former] is not { } chosen
        )
            return json;
        style.Remove(former);
        style["alternatives"] = new JsonObject { ["bass"] = chosen.DeepClone() };
        return style.ToJsonString();
    }

    public static string Write(HouseStyle style) => JsonSerializer.Serialize(style, Json);
}
