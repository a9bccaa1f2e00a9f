using System.Collections;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Records;

/// <summary>A text that its own reader looks at, and tells the line and column of what is wrong.</summary>
[AttributeUsage(AttributeTargets.Property)]
public sealed class AnyTextAttribute : Attribute;

/// <summary>A part of a JSON text that is not what it must be.</summary>
public sealed class WrongPartException(string message) : JsonException(message);

/// <summary>
/// What holds for all parts of all JSON that comes in: choices are words, nothing is missing, lists have no empty
/// places, and text is text (RFC 8259; OWASP ASVS 4.0.3, 5.1.3 and 5.1.4).
/// </summary>
public static class JsonParts
{
    /// <summary>Deepest nesting that is read.</summary>
    private const int Deepest = 32;

    /// <summary>Makes a reader of JSON strict.</summary>
    public static void MakeStrict(JsonSerializerOptions json)
    {
        json.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
        json.NumberHandling = JsonNumberHandling.Strict;
        json.RespectNullableAnnotations = true;
        json.RespectRequiredConstructorParameters = true;
        json.AllowDuplicateProperties = false;
        json.MaxDepth = Deepest;
        json.TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { LookAtParts } };
    }

    /// <summary>Where a JSON text is wrong, and what is: "pins[2].string: …".</summary>
    public static string MessageOf(JsonException e)
    {
        var path = e.Path is { Length: > 1 } at
            ? at[(at[1] == '.' ? 2 : 1)..]
            : Say("records.json-parts.the-beginning");
        return Say(
            "records.json-parts.said-at",
            ("path", path),
            (
                "what",
                e is WrongPartException ? e.Message
                : IsDay(e) ? Say("records.json-parts.expected-a-day-such-as-2026-09")
                : Missing(e.Message) ?? Say("records.json-parts.there-is-no-value-that-fits")
            )
        );
    }

    /// <summary>The reader looked for a day of the calendar (ISO 8601).</summary>
    private static bool IsDay(JsonException e) =>
        e.InnerException is FormatException inner && inner.Message.Contains(nameof(DateOnly), StringComparison.Ordinal);

    /// <summary>The names of what is missing, out of what the reader says of it.</summary>
    private static string? Missing(string message)
    {
        const string before = "missing required properties including:";
        var at = message.IndexOf(before, StringComparison.Ordinal);
        return at < 0
            ? null
            : Say(
                "records.json-parts.is-missing",
                (
                    "replace",
                    message[(at + before.Length)..].Trim().TrimEnd('.').Replace("'", "", StringComparison.Ordinal)
                )
            );
    }

    private static void LookAtParts(JsonTypeInfo type)
    {
        if (
            type.Kind != JsonTypeInfoKind.Object
            || type.Type.Namespace?.StartsWith(nameof(Coppia), StringComparison.Ordinal) != true
        )
            return;
        JsonPropertyInfo[] parts =
        [
            .. type.Properties.Where(p =>
                p.Get is not null
                && (
                    !p.PropertyType.IsValueType
                    || p.PropertyType == typeof(JsonElement)
                    || p.PropertyType == typeof(JsonElement?)
                )
                && p.AttributeProvider?.IsDefined(typeof(AnyTextAttribute), inherit: true) != true
            ),
        ];
        if (parts.Length > 0)
            type.OnDeserialized += made => Look(made, parts);
    }

    private static void Look(object made, JsonPropertyInfo[] parts)
    {
        foreach (var part in parts)
        {
            if (part.Get!(made) is { } value && Wrong(value) is { } wrong)
                throw new WrongPartException($"“{part.Name}” {wrong}");
        }
    }

    private static string? Wrong(object? value) =>
        value switch
        {
            null => Say("records.json-parts.has-an-empty-place"),
            string text => WrongText(text),
            JsonElement json => WrongJson(json),
            IDictionary pairs => Wrong(pairs.Keys) ?? Wrong(pairs.Values),
            IEnumerable list => list.Cast<object?>().Select(Wrong).FirstOrDefault(w => w is not null),
            _ => null,
        };

    /// <summary>What a later reader takes apart: its names and texts are text at least.</summary>
    private static string? WrongJson(JsonElement json)
    {
        try
        {
            return json.ValueKind switch
            {
                JsonValueKind.String => WrongText(json.GetString()!),
                JsonValueKind.Array => json.EnumerateArray().Select(WrongJson).FirstOrDefault(w => w is not null),
                JsonValueKind.Object => json.EnumerateObject()
                    .Select(p => WrongText(p.Name) ?? WrongJson(p.Value))
                    .FirstOrDefault(w => w is not null),
                _ => null,
            };
        }
        catch (InvalidOperationException)
        {
            return Say("records.json-parts.has-bytes-or-halves-of-characters"); // as the reader of JSON tells it
        }
    }

    private static string? WrongText(string text) =>
        PlainText.FirstWrong(text) is >= 0 and var at
            ? Say(
                "records.json-parts.has-the-character-in-place-which",
                ("nameOf", PlainText.NameOf(text[at])),
                ("at", at + 1)
            )
            : null;
}
