using System.Globalization;
using System.Xml.Linq;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.MusicXml;

/// <summary>Pitches, values, clefs and meters as MusicXML 4.0 spells them.</summary>
internal static class MusicXmlPitch
{
    /// <summary>Names of the values from the breve on.</summary>
    public static readonly string[] TypeNames =
    [
        "breve",
        "whole",
        "half",
        "quarter",
        "eighth",
        "16th",
        "32nd",
        "64th",
        "128th",
    ];

    /// <summary>Null where it is no pitch; one between the half steps becomes the nearest of the twelve.</summary>
    public static Pitch? Of(XElement element)
    {
        var step = element.Element("step")?.Value.Trim();
        var alter = Alter(element);
        return
            step is ['A' or 'B' or 'C' or 'D' or 'E' or 'F' or 'G']
            && alter is >= -2 and <= 2
            && MusicXmlReader.Int(element.Element("octave")) is >= 0 and <= 9 and var octave
            ? new Pitch(Enum.Parse<Letter>(step!), (int)Math.Round(alter, MidpointRounding.ToZero), octave)
            : null;
    }

    /// <summary>True for a quarter tone and the like.</summary>
    public static bool IsBetweenHalfSteps(XElement element) => Math.Abs(Alter(element) % 1) > 0;

    /// <summary>Half steps up; NaN where it is no number.</summary>
    private static double Alter(XElement element) =>
        element.Element("alter") is not { } alter ? 0
        : double.TryParse(alter.Value, CultureInfo.InvariantCulture, out var n) ? n
        : double.NaN;

    public static NoteValue? Value(string? type, int dots)
    {
        var at = Array.IndexOf(TypeNames, type);
        return at < 0 || dots > 3 ? null : new NoteValue(at - 1, dots);
    }

    /// <summary>What is printed: its type and dots, else the one value of its duration; or what is wrong.</summary>
    public static (NoteValue? Value, (string Wrong, string Expected)? Wrong) ValueOf(XElement note, Fraction duration)
    {
        var modification = note.Element("time-modification");
        var actual = MusicXmlReader.Int(modification?.Element("actual-notes")) ?? 1;
        var normal = MusicXmlReader.Int(modification?.Element("normal-notes")) ?? 1;
        if (actual is < 1 or > 64 || normal is < 1 or > 64)
            return (
                null,
                (
                    Say("musicxml.pitch.a-tuplet-of-in-the-time-of", ("actual", actual), ("normal", normal)),
                    Say("musicxml.pitch.numbers-from-1-to-64")
                )
            );
        var type = note.Element("type");
        if (type is not null && Value(type.Value.Trim(), note.Elements("dot").Count()) is { } value)
            return (value with { TupletActual = actual, TupletNormal = normal }, null);
        if (!duration.IsZero && NoteValue.Exactly(duration * new Fraction(actual, normal)) is { } exact)
            return (exact with { TupletActual = actual, TupletNormal = normal }, null);
        return type is null
            ? (
                null,
                (
                    Say("musicxml.pitch.a-note-with-neither-a-type-nor"),
                    Say("musicxml.pitch.a-type-or-a-duration-that-is")
                )
            )
            : (
                null,
                (
                    Say("musicxml.pitch.is-not-a-note-value-that-coppia", ("type", type.Value)),
                    Say("musicxml.pitch.types")
                )
            );
    }

    /// <summary>
    /// One of Coppia's clefs, and a sentence where the source has another; both null for drums and tablature.
    /// </summary>
    public static (Clef? Clef, string? LeftOut) ClefOf(XElement element)
    {
        var sign = element.Element("sign")?.Value.Trim() ?? "";
        var line =
            MusicXmlReader.Int(element.Element("line"))
            ?? sign switch
            {
                "G" => 2,
                "C" => 3,
                _ => 4,
            };
        if (Clef.All.FirstOrDefault(c => c.Sign == sign && c.Line == line) is { } clef)
            return (clef, null);
        var nearest = Clef.All.FirstOrDefault(c => c.Sign == sign);
        return (
            nearest,
            nearest is null
                ? null
                : Say(
                    "musicxml.pitch.a-clef-on-line-is-left-out",
                    ("sign", sign),
                    ("line", line),
                    ("nearest", nearest.Name)
                )
        );
    }

    /// <summary>A meter; sums and several fractions in a row are one additive meter of the smallest unit.</summary>
    public static TimeSignature? TimeOf(XElement time)
    {
        var upper = time.Elements("beats").Select(b => b.Value).ToArray();
        var lower = time.Elements("beat-type").Select(b => MusicXmlReader.Int(b) ?? 0).ToArray();
        if (upper.Length == 0 || upper.Length != lower.Length || lower.Any(l => l is < 1 or > 32 || 32 % l != 0))
            return null;
        var unit = lower.Max();
        var sum = string.Join(
            '+',
            upper.Zip(
                lower,
                (beats, type) =>
                    string.Join(
                        '+',
                        beats.Split('+').Select(b => int.TryParse(b, out var n) ? $"{n * (unit / type)}" : "?")
                    )
            )
        );
        var symbol = (string?)time.Attribute("symbol") switch
        {
            "common" => TimeSymbol.Common,
            "cut" => TimeSymbol.Cut,
            _ => TimeSymbol.Numbers,
        };
        return TimeSignature.Of(sum, unit, symbol);
    }
}
