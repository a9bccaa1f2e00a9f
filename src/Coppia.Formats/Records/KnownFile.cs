using System.Text.Json;
using System.Text.Json.Serialization;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Records;

/// <summary>
/// What a class knows as JSON. Either its record, a line for each thing (<see cref="ThingText"/>):
/// <c>{"known":["note violin D4 E4","finger violin regular 1","key 2"]}</c>; or what its hands may do and what it does
/// not read yet:
/// <c>{"positions":{"cello":["I"]},"strings":{"violin":["D","A"]},"values":["1/2","1/4"],"not":["slurs"]}</c>, where
/// whatever is not named is as for a class in its first year, and nothing is called new.
/// </summary>
public static class KnownFile
{
    private sealed record Known(
        Dictionary<string, string[]>? Positions = null,
        Dictionary<string, string[]>? Strings = null,
        string[]? Values = null,
        string[]? Not = null,
        [property: JsonPropertyName("known")] string[]? Things = null
    );

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
    };

    private static readonly JsonSerializerOptions Indented = new()
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <exception cref="FormatException">Not what a class knows; the message begins with line:column.</exception>
    public static ClassKnowledge Read(string json)
    {
        try
        {
            var known = JsonSerializer.Deserialize<Known>(json, Json) ?? new Known();
            if (known.Things is { } things)
                return OfRecord(known, things);
            return new ClassKnowledge
            {
                Heights = ByInstrument(known.Positions, Heights),
                Strings = ByInstrument(known.Strings, Letters),
                Values = known.Values is { } values ? values.Select(Value).ToHashSet() : ClassKnowledge.Beginner.Values,
                Skills = (known.Not ?? []).Aggregate(Skills.All, (skills, not) => skills & ~Skill(not)),
            };
        }
        catch (JsonException e)
        {
            throw new FormatException(
                Say(
                    "records.known-file.not-what-a-class-knows-expected-a",
                    ("lineNumber", (e.LineNumber ?? 0) + 1),
                    ("bytePositionInLine", (e.BytePositionInLine ?? 0) + 1)
                ),
                e
            );
        }
    }

    /// <summary>What a class knows as the JSON that <see cref="Read"/> reads again.</summary>
    public static string Write(IEnumerable<KnownThing> things) =>
        JsonSerializer.Serialize(
            new { known = things.Select(ThingText.Of).Order(StringComparer.Ordinal).ToArray() },
            Indented
        );

    private static ClassKnowledge OfRecord(Known known, string[] things)
    {
        if (known is not { Positions: null, Strings: null, Values: null, Not: null })
            throw new FormatException(Say("records.known-file.1-1-known-stands-alone-expected-no"));
        return ClassKnowledge.Of(things.Select(Thing));
    }

    private static KnownThing Thing(string? text)
    {
        try
        {
            return ThingText.Parse(text ?? "");
        }
        catch (FormatException e)
        {
            throw new FormatException($"1:1: {e.Message}", e);
        }
    }

    private static Dictionary<string, IReadOnlySet<T>> ByInstrument<T>(
        Dictionary<string, string[]>? named,
        Func<Instrument, string[], IReadOnlySet<T>> of
    ) =>
        (named ?? []).ToDictionary(
            n => n.Key,
            n =>
                of(
                    StringSection.Named(n.Key)
                        ?? throw Wrong(
                            n.Key,
                            Say("records.known-file.an-instrument"),
                            StringSection.All.Select(i => i.Id)
                        ),
                    n.Value
                )
        );

    private static IReadOnlySet<int> Heights(Instrument instrument, string[] positions) =>
        positions
            .SelectMany(p =>
                instrument.Frames.Where(f => f.Position == p).Select(f => f.Height) is var heights && heights.Any()
                    ? heights
                    : throw Wrong(
                        p,
                        Say("records.known-file.a-position-of-the", ("id", instrument.Id)),
                        instrument.Frames.Select(f => f.Position).Distinct()
                    )
            )
            .ToHashSet();

    private static IReadOnlySet<Letter> Letters(Instrument instrument, string[] strings) =>
        strings
            .Select(s =>
                instrument.Strings.Where(x => x.Letter.ToString() == s).Select(x => (Letter?)x.Letter).FirstOrDefault()
                ?? throw Wrong(
                    s,
                    Say("records.known-file.a-string-of-the", ("id", instrument.Id)),
                    instrument.Strings.Select(x => x.Letter.ToString())
                )
            )
            .ToHashSet();

    private static NoteValue Value(string text) =>
        ValueText.Read(text)
        ?? throw new FormatException(
            Say("records.known-file.1-1-is-not-a-note-value", ("text", text), ("expected", ValueText.Expected))
        );

    private static Skills Skill(string text)
    {
        var all = Enum.GetValues<Skills>().Where(s => s is not (Skills.None or Skills.All)).ToDictionary(Name);
        return all.TryGetValue(text, out var skill)
            ? skill
            : throw Wrong(text, Say("records.known-file.something-to-be-learned"), all.Keys);
    }

    private static string Name(Skills skill) => JsonNamingPolicy.CamelCase.ConvertName(skill.ToString());

    private static FormatException Wrong(string text, string what, IEnumerable<string> expected) =>
        new(
            Say(
                "records.known-file.1-1-is-not-expected-one-of",
                ("text", text),
                ("what", what),
                ("expected", string.Join(", ", expected))
            )
        );
}
