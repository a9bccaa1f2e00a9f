using System.Text.Json;
using Coppia.Core.Instruments;
using Coppia.Core.Music;
using Coppia.Core.Shapes;
using Coppia.Formats.Records;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Exercises;

/// <summary>The fields of a question as they are read from JSON; each error says what was expected.</summary>
internal static class SheetFields
{
    public static string Text(JsonElement e, string name) =>
        e.TryGetProperty(name, out var text) && text.ValueKind == JsonValueKind.String
            ? text.GetString()!
            : throw new FormatException(Say("exercises.sheet-fields.is-missing-expected-it-as-text", ("name", name)));

    public static int Number(JsonElement e, string name, int least, int most) =>
        e.TryGetProperty(name, out var number)
        && number.ValueKind == JsonValueKind.Number
        && number.TryGetInt32(out var n)
        && n >= least
        && n <= most
            ? n
            : throw new FormatException(
                Say(
                    "exercises.sheet-fields.is-missing-or-out-of-range-expected",
                    ("name", name),
                    ("least", least),
                    ("most", most)
                )
            );

    public static IEnumerable<JsonElement> Array(JsonElement e, string name) =>
        e.TryGetProperty(name, out var list) && list.ValueKind == JsonValueKind.Array
            ? list.EnumerateArray()
            : throw new FormatException(Say("exercises.sheet-fields.is-missing-expected-a-list", ("name", name)));

    public static int Fifths(JsonElement q) => Number(q, "fifths", -7, 7);

    public static KeySignature Signature(JsonElement q) =>
        q.TryGetProperty("fifths", out _) ? new KeySignature(Fifths(q)) : default;

    public static ScaleKey Key(JsonElement q) =>
        KeyText.Read(Text(q, "key"))
        ?? throw new FormatException(
            Say(
                "exercises.sheet-fields.is-not-a-key-expected",
                ("text", Text(q, "key")),
                ("expected", KeyText.Expected)
            )
        );

    public static TimeSignature? Meter(JsonElement q) =>
        !q.TryGetProperty("meter", out var meter) || meter.ValueKind == JsonValueKind.Null
            ? null
            : ValueText.Meter(Text(q, "meter"))
                ?? throw new FormatException(
                    Say("exercises.sheet-fields.is-not-a-meter-expected-one-such", ("text", Text(q, "meter")))
                );

    public static Pitch Note(JsonElement e, string name) => Pitch(Text(e, name));

    public static Pitch Pitch(string text)
    {
        var pitch = Core.Music.Pitch.Parse(text);
        return pitch.Octave is >= 0 and <= 8
            ? pitch
            : throw new FormatException(Say("exercises.sheet-fields.lies-beyond-every-staff-expected", ("text", text)));
    }

    public static NoteValue Value(string text) =>
        ValueText.Read(text)
        ?? throw new FormatException(
            Say("exercises.sheet-fields.is-not-a-note-value-expected", ("text", text), ("expected", ValueText.Expected))
        );

    public static int String(JsonElement q, Instrument instrument)
    {
        var name = Text(q, "string");
        return instrument
                .Strings.Index()
                .Where(s => s.Item.Letter.ToString() == name)
                .Select(s => (int?)s.Index)
                .FirstOrDefault()
            ?? throw new FormatException(
                Say(
                    "exercises.sheet-fields.is-not-a-string-of-the-expected",
                    ("name", name),
                    ("id", instrument.Id),
                    ("strings", string.Join(", ", instrument.Strings.Select(s => s.Letter)))
                )
            );
    }

    public static int One(string[] names, string name, string what) =>
        System.Array.IndexOf(names, name) is >= 0 and var at
            ? at
            : throw new FormatException(
                Say(
                    "exercises.sheet-fields.is-not-expected-one-of",
                    ("name", name),
                    ("what", what),
                    ("names", string.Join(", ", names))
                )
            );
}
