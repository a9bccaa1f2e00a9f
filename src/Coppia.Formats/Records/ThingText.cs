using System.Globalization;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Records;

/// <summary>
/// Known things as text, one line each, as records and files keep them: <c>note violin G3 A3</c> (string, then note),
/// <c>finger violin low 2</c>, <c>position cello half</c>, <c>key 2</c>, <c>meter 3/4</c>, <c>value 1/4.</c> (dotted),
/// <c>value 1/8 3:2</c> (triplet), <c>rest 1/2</c>, <c>rhythm 1/2 1/4 1/4</c>, <c>slur 2</c>, <c>dynamic mf</c>,
/// <c>sign tie</c>.
/// </summary>
public static class ThingText
{
    private const int LongestDynamic = 12;

    /// <summary>The text of a thing; different things have different texts.</summary>
    public static string Of(KnownThing thing) =>
        thing switch
        {
            KnownNote n => $"note {n.Instrument} {n.Open} {n.Pitch}",
            KnownFinger f => $"finger {f.Instrument} {(f.Place.Reach ? "reach" : Name(f.Place.Word))} "
                + Figure(f.Place.Finger),
            KnownPosition p => $"position {p.Instrument} {p.Position}",
            KnownKey k => $"key {Figure(k.Fifths)}",
            KnownMeter m => $"meter {Figure(m.Beats)}/{Figure(m.Unit)}",
            KnownValue v => $"value {Of(v.Value)}",
            KnownRest r => $"rest {Of(r.Value)}",
            KnownRhythm r => $"rhythm {r.Pattern}",
            KnownSlur s => $"slur {Figure(s.Notes)}",
            KnownDynamic d => $"dynamic {d.Sign}",
            KnownSign s => $"sign {Name(s.Sign)}",
            _ => throw new ArgumentOutOfRangeException(
                nameof(thing),
                thing.GetType(),
                "This kind of thing has no text."
            ),
        };

    /// <summary>Reads the text of a thing.</summary>
    /// <exception cref="FormatException">It is none; the message says what was expected.</exception>
    public static KnownThing Parse(string text)
    {
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        KnownThing? thing = words switch
        {
            ["note", var id, var open, var pitch] => Note(text, id, Pitch.Parse(open), Pitch.Parse(pitch)),
            ["finger", var id, var word, var finger] when Place(word, finger) is { } place => new KnownFinger(
                Instrument(id).Id,
                place
            ),
            ["position", var id, var name] => Position(Instrument(id), name),
            ["key", var fifths] when Number(fifths, -7, 7) is { } n => new KnownKey(n),
            ["meter", var meter] when ValueText.Meter(meter) is { } m => new KnownMeter(m.Beats, m.Unit),
            ["value", .. var value] when Value(value) is { } v => new KnownValue(v),
            ["rest", .. var value] when Value(value) is { } v => new KnownRest(v),
            ["rhythm", .. var parts] when parts.Length is > 1 and <= 32 && parts.All(IsPart) => new KnownRhythm(
                string.Join(' ', parts)
            ),
            ["slur", var notes] when Number(notes, 2, KnownSlur.Most) is { } n => new KnownSlur(n),
            ["dynamic", var sign] when sign.Length <= LongestDynamic => new KnownDynamic(sign),
            ["sign", var name] when Named<LearnedSign>(name) is { } sign => new KnownSign(sign),
            _ => null,
        };
        return thing
            ?? throw new FormatException(
                Say(
                    "records.thing-text.is-nothing-that-a-class-learns",
                    ("text", text),
                    ("enum", string.Join(", ", Enum.GetValues<LearnedSign>().Select(Name)))
                )
            );
    }

    private static KnownNote Note(string text, string id, Pitch open, Pitch pitch)
    {
        var instrument = Instrument(id);
        var string_ = instrument.Strings.Index().Where(s => s.Item == open).Select(s => (int?)s.Index).FirstOrDefault();
        var reaches =
            string_ is { } s
            && (
                pitch == open
                || Placements.Fingered(instrument, pitch).Any(p => p.String == s)
                || instrument.SemitonesAbove(s, pitch) == 0
            );
        return reaches
            ? new KnownNote(instrument.Id, open, pitch)
            : throw new FormatException(
                Say(
                    "records.thing-text.is-no-note-of-the-expected-one",
                    ("text", text),
                    ("id", instrument.Id),
                    ("strings", string.Join(", ", instrument.Strings))
                )
            );
    }

    private static KnownPosition Position(Instrument instrument, string name) =>
        instrument.Frames.Any(f => f.Position == name)
            ? new KnownPosition(instrument.Id, name)
            : throw new FormatException(
                Say(
                    "records.thing-text.is-not-a-position-of-the-expected",
                    ("name", name),
                    ("id", instrument.Id),
                    ("frames", string.Join(", ", instrument.Frames.Select(f => f.Position).Distinct()))
                )
            );

    private static Instrument Instrument(string id) =>
        StringSection.Named(id)
        ?? throw new FormatException(
            Say(
                "records.thing-text.is-not-an-instrument-expected-one-of",
                ("id", id),
                ("all", string.Join(", ", StringSection.All.Select(i => i.Id)))
            )
        );

    private static FingerPlace? Place(string word, string finger)
    {
        if (Number(finger, 1, 4) is not { } f)
            return null;
        if (word == "reach")
            return new FingerPlace(f, PlaceWord.Forward, Reach: true);
        return Named<PlaceWord>(word) is { } w and not PlaceWord.Open ? new FingerPlace(f, w) : null;
    }

    private static string Of(NoteValue value)
    {
        var plain = value.Log < 0 ? "2/1" : $"1/{Figure(1 << value.Log)}";
        var tuplet = value.InTuplet ? $" {Figure(value.TupletActual)}:{Figure(value.TupletNormal)}" : "";
        return plain + new string('.', value.Dots) + tuplet;
    }

    private static NoteValue? Value(string[] words)
    {
        if (words.Length is < 1 or > 2)
            return null;
        var plain = words[0].TrimEnd('.');
        var dots = words[0].Length - plain.Length;
        if (ValueText.Read(plain) is not { } value || dots > 3 || dots > 0 && value != new NoteValue(value.Log))
            return null;
        value = value with { Dots = Math.Max(value.Dots, dots) };
        if (words.Length == 1)
            return value;
        return
            words[1].Split(':') is [var actual, var normal]
            && Number(actual, 2, 64) is { } a
            && Number(normal, 1, 64) is { } n
            && a != n
            ? value with
            {
                TupletActual = a,
                TupletNormal = n,
            }
            : null;
    }

    private static bool IsPart(string part) =>
        part.Split('/') switch
        {
            [var whole] => Number(whole, 1, 64) is not null,
            [var above, var below] => Number(above, 1, 384) is not null && Number(below, 2, 384) is not null,
            _ => false,
        };

    private static T? Named<T>(string name)
        where T : struct, Enum => Enum.GetValues<T>().Where(v => Name(v) == name).Select(v => (T?)v).FirstOrDefault();

    private static string Name<T>(T value)
        where T : struct, Enum => value.ToString() is var name ? char.ToLowerInvariant(name[0]) + name[1..] : "";

    private static int? Number(string text, int least, int most) =>
        int.TryParse(text, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var n)
        && n >= least
        && n <= most
            ? n
            : null;

    private static string Figure(int n) => n.ToString(CultureInfo.InvariantCulture);
}
