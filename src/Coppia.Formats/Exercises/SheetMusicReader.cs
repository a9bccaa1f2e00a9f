using System.Text.Json;
using Coppia.Core.Exercises;
using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Music;
using Coppia.Formats.Records;
using static Coppia.Core.Wording.Messages.Catalogue;
using static Coppia.Formats.Exercises.SheetFields;

namespace Coppia.Formats.Exercises;

/// <summary>Reads bars and rows of a sheet from JSON.</summary>
internal static class SheetMusicReader
{
    /// <summary>A row of values, on an open string.</summary>
    public static BeatQuestion Row(JsonElement q, Instrument instrument)
    {
        var task = (BeatSum)One(SheetQuestions.Sums, Text(q, "task"), "a task");
        var meter =
            Meter(q)
            ?? throw new FormatException(Say("exercises.sheet-music-reader.the-meter-is-missing-expected-one"));
        var values = Array(q, "values").Select(v => v.GetString() ?? "").ToArray();
        var open = instrument.Strings.FirstOrDefault(s => s.Letter == Letter.D, instrument.Strings[1]);
        int? gap = System.Array.IndexOf(values, "?") is >= 0 and var at ? at : null;
        var known = values
            .Where(v => v != "?")
            .Aggregate(Fraction.Zero, (sum, v) => sum + Value(v.TrimStart('z')).Length);
        ScoreEvent[] events =
        [
            .. values.Select(v => new ScoreEvent
            {
                Pitch = v.StartsWith('z') ? null : open,
                Value =
                    v != "?"
                        ? Value(v.TrimStart('z'))
                        : NoteValue.Exactly(meter.BarLength - known) ?? NoteValue.Quarter,
            }),
        ];
        return new BeatQuestion(
            task,
            Score(instrument.FirstClef, [new Bar { Time = meter, Events = events }]),
            task == BeatSum.Gap ? gap : null
        );
    }

    /// <summary>Bars of notes, with the pairs that belong to them.</summary>
    public static (Score Score, IReadOnlyDictionary<string, Pin> Pins) Music(JsonElement q, Instrument instrument)
    {
        JsonElement[][] bars =
        [
            .. Array(q, "bars")
                .Select(b => b.ValueKind == JsonValueKind.Array ? b.EnumerateArray().ToArray() : throw NoBars()),
        ];
        if (bars.Length == 0 || bars.Any(b => b.Length == 0))
            throw NoBars();
        var (key, meter) = (Signature(q), Meter(q));
        var keys = Each(q, "keys", k => k.TryGetInt32(out var f) && KeySignature.IsOne(f) ? new KeySignature(f) : key);
        var meters = Each(
            q,
            "meters",
            m => m.ValueKind == JsonValueKind.String ? ValueText.Meter(m.GetString()!) : null
        );
        var score = Score(instrument.FirstClef, [.. bars.Select(BarOf)]);
        var pins = score
            .Bars.Zip(bars)
            .SelectMany(b => b.First.Events.Zip(b.Second))
            .Where(e => e.Second.TryGetProperty("pair", out _))
            .ToDictionary(e => e.First.Id, e => PinOf(e.Second.GetProperty("pair")));
        return (score, pins);

        Bar BarOf(JsonElement[] events, int i) =>
            new()
            {
                Key = keys is null ? key : keys.ElementAtOrDefault(i),
                Time = meters is null ? meter : meters.ElementAtOrDefault(i),
                Events = [.. events.Select(Event)],
            };

        Pin PinOf(JsonElement pair) => new(String(pair, instrument), Number(pair, "finger", 0, 4));

        static FormatException NoBars() => new(Say("exercises.sheet-music-reader.there-are-no-bars-expected-bars-a"));
    }

    /// <summary>What each bar has of its own, where the bars differ.</summary>
    private static T[]? Each<T>(JsonElement q, string name, Func<JsonElement, T> of) =>
        q.TryGetProperty(name, out _) ? [.. Array(q, name).Select(of)] : null;

    private static ScoreEvent Event(JsonElement e)
    {
        if (e.ValueKind != JsonValueKind.Object)
            throw new FormatException(Say("exercises.sheet-music-reader.a-note-is-not-an-object-expected"));
        var slur = e.TryGetProperty("slur", out var s) ? s.GetString() : null;
        var marks = Marks.None;
        foreach (
            var (name, mark) in new[]
            {
                ("dot", Marks.Staccato),
                ("lift", Marks.LiftAfter),
                ("up", Marks.UpBow),
                ("down", Marks.DownBow),
            }
        )
            marks |= e.TryGetProperty(name, out _) ? mark : Marks.None;
        return new ScoreEvent
        {
            Pitch = e.TryGetProperty("rest", out _) ? null : Note(e, "note"),
            Value = Value(Text(e, "value")),
            IsBarRest = e.TryGetProperty("bar", out _),
            TiedOn = e.TryGetProperty("tie", out _),
            SlurStarts = slur is "start" or "through" ? 1 : 0,
            SlurStops = slur is "stop" or "through" ? 1 : 0,
            Marks = marks,
            Words = e.TryGetProperty("words", out var words) ? words.GetString() : null,
        };
    }

    private static Score Score(Clef clef, IReadOnlyList<Bar> bars)
    {
        var all = bars.Select(b => b with { Clef = clef }).ToList();
        all[^1] = all[^1] with { Barline = Barline.Final };
        var draft = new Score
        {
            Clef = clef,
            Key = all[0].Key,
            Time = all[0].Time,
            Bars = Bindings.Mended(all),
        };
        var isShort =
            all[0].Time is { } time
            && all[0].Events.Aggregate(Fraction.Zero, (sum, e) => sum + e.Value.Length) < time.BarLength;
        return ScoreAssembly.Finish(draft, pickUpMarked: isShort && all.Count > 1).Score;
    }
}
