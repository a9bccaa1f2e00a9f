using System.Text.Json.Nodes;
using Coppia.Core.Exercises;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;
using Coppia.Formats.Records;

namespace Coppia.Formats.Exercises;

/// <summary>Questions of a sheet as JSON.</summary>
public static class SheetQuestions
{
    /// <summary>The fields of a question, without its kind.</summary>
    public static JsonObject Write(Question question, Player player)
    {
        var (instrument, clef) = (player.Instrument, player.Instrument.FirstClef);
        return question switch
        {
            NoteQuestion q => OfNote(q, instrument),
            SignatureQuestion { Written: true } q => new JsonObject
            {
                ["key"] = KeyText.Of(new ScaleKey(q.Fifths, ScaleForm.Major)),
                ["write"] = true,
                ["clef"] = clef.Name,
            },
            SignatureQuestion q => new JsonObject { ["fifths"] = q.Fifths, ["clef"] = clef.Name },
            ShapeQuestion q => new JsonObject
            {
                ["key"] = KeyText.Of(q.Key),
                ["string"] = instrument.StringName(q.String),
                ["position"] = q.Position,
                ["draw"] = q.Drawn,
            },
            PenQuestion q => OfSign(q, clef),
            BeatQuestion q => OfRow(q),
            BarsQuestion q => OfMusic(q.Music, instrument, null),
            ScaleQuestion q => new JsonObject
            {
                ["first"] = q.First.ToString(),
                ["key"] = KeyText.Of(q.Key),
                ["octaves"] = q.Octaves,
            },
            PlayQuestion q => OfMusic(q.Music, instrument, q.Pins),
            _ => throw new ArgumentOutOfRangeException(nameof(question), question, null),
        };
    }

    private static JsonObject OfNote(NoteQuestion q, Instrument instrument)
    {
        JsonObject json;
        if (q is { Kind: QuestionKind.Write, Place: { } pair })
        {
            json = q.ByPair
                ? SheetNotes.Pair(pair, instrument)
                : new JsonObject { ["name"] = SheetNotes.Name(q.Note), ["octave"] = q.Note.Octave };
            json["string"] = instrument.StringName(pair.String);
        }
        else
        {
            json = new JsonObject { ["note"] = q.Note.ToString() };
            if (q.Place is { } on)
                json["string"] = instrument.StringName(on.String);
        }

        json["fifths"] = q.Key.Fifths;
        json["clef"] = instrument.FirstClef.Name;
        return json;
    }

    private static JsonObject OfSign(PenQuestion q, Clef clef)
    {
        var json = new JsonObject { ["sign"] = Signs[(int)q.Sign], ["clef"] = clef.Name };
        if (q.Note is { } note)
            json["note"] = note.ToString();
        if (q.Sign == PenSign.TimeSignature)
            json["meter"] = q.Time.ToString();
        return json;
    }

    /// <summary>Names of the signs, in the order of <see cref="PenSign"/>.</summary>
    internal static readonly string[] Signs =
    [
        "clef",
        "time-signature",
        "quarter-note",
        "half-note",
        "quarter-rest",
        "sharp",
        "flat",
    ];

    /// <summary>Names of the sums, in the order of <see cref="BeatSum"/>.</summary>
    internal static readonly string[] Sums = ["gap", "barlines", "is-it-right"];

    private static JsonObject OfRow(BeatQuestion q)
    {
        var bar = q.Row.Bars[0];
        return new JsonObject
        {
            ["task"] = Sums[(int)q.Sum],
            ["meter"] = bar.Time?.ToString(),
            ["values"] = new JsonArray([
                .. bar.Events.Select(
                    (e, i) => (JsonNode?)(i == q.Gap ? "?" : (e.IsRest ? "z" : "") + ValueText.Of(e.Value))
                ),
            ]),
        };
    }

    private static JsonObject OfMusic(
        Score music,
        Instrument instrument,
        IReadOnlyDictionary<string, Core.Fingering.Pin>? pins
    )
    {
        var json = new JsonObject
        {
            ["meter"] = music.Time?.ToString(),
            ["fifths"] = music.Key.Fifths,
            ["clef"] = music.Clef.Name,
            ["bars"] = SheetNotes.Bars(music, instrument, pins),
        };
        // Bars of a tune may each have their own.
        if (music.Bars.Any(b => b.Time != music.Time))
            json["meters"] = new JsonArray([.. music.Bars.Select(b => (JsonNode?)b.Time?.ToString())]);
        if (music.Bars.Any(b => b.Key.Fifths != music.Key.Fifths))
            json["keys"] = new JsonArray([.. music.Bars.Select(b => (JsonNode?)b.Key.Fifths)]);
        return json;
    }
}
