using System.Text.Json;
using Coppia.Core.Exercises;
using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Formats;

/// <summary>Reads questions of a sheet from JSON, as <see cref="SheetQuestions"/> writes them. Answers are worked out anew.</summary>
public static class SheetReader
{
    /// <exception cref="FormatException">The question is broken; the message says what is wrong and what would be right.</exception>
    public static SheetItem Item(ExerciseKind kind, JsonElement question, Player player)
    {
        try
        {
            return SheetItem.Of(Question(kind, question, player), player);
        }
        catch (InvalidQuestionException e)
        {
            throw new FormatException($"the question has no answer on the {player.Instrument.Id} ({Why(e.Fault)})", e);
        }
    }

    private static string Why(QuestionFault fault) =>
        fault switch
        {
            QuestionFault.OutOfReach => "no finger reaches the note; expected one that the hand can play",
            QuestionFault.NoSuchString => "there is no such string",
            QuestionFault.NoSuchPosition => "the hand has no shape there; expected a position such as I",
            QuestionFault.NoMeter => "the meter is missing; expected one such as 4/4",
            QuestionFault.NoGap => "nothing is missing; expected one “?” among the values",
            QuestionFault.NoSuchValue => "no single note fills the gap",
            QuestionFault.NoBarline => "the values do not fill two bars and more exactly",
            QuestionFault.NotOneDifference => "the two bars must differ in one place",
            _ => "the first note is not the key’s tonic",
        };

    private static Question Question(ExerciseKind kind, JsonElement q, Player player)
    {
        var instrument = player.Instrument;
        if (q.ValueKind != JsonValueKind.Object)
            throw new FormatException("the question is not an object; expected fields such as \"note\"");
        if (kind.IsPlayed())
        {
            var (music, pins) = Music(q, instrument);
            return new PlayQuestion(kind, music, pins);
        }

        switch (kind)
        {
            case ExerciseKind.Signature when q.TryGetProperty("write", out var write) && write.ValueKind == JsonValueKind.True:
                return new SignatureQuestion(Key(q).Fifths, Written: true);
            case ExerciseKind.Signature:
                return new SignatureQuestion(Fifths(q), Written: false);
            case ExerciseKind.HandShape:
                return new ShapeQuestion(
                    Key(q),
                    String(q, instrument),
                    Text(q, "position"),
                    q.TryGetProperty("draw", out var draw) && draw.ValueKind == JsonValueKind.True
                );
            case ExerciseKind.PenWork:
                var sign = One(SheetQuestions.Signs, Text(q, "sign"), "a sign");
                return new PenQuestion(
                    (PenSign)sign,
                    q.TryGetProperty("note", out _) ? Note(q, "note") : null,
                    Meter(q) ?? new TimeSignature(4, 4)
                );
            case ExerciseKind.BeatSums:
                return Row(q, instrument);
            case ExerciseKind.CountIt or ExerciseKind.BowIt or ExerciseKind.SpotDifference:
                return new BarsQuestion(kind, Music(q, instrument).Score);
            case ExerciseKind.ScaleBuilder:
                return new ScaleQuestion(Note(q, "first"), Key(q), Number(q, "octaves", 1, 3));
            case ExerciseKind.WriteIt:
                return Written(q, player);
            case ExerciseKind.FindIt:
                var note = Note(q, "note");
                return new NoteQuestion(kind, note, Signature(q), PairOn(String(q, instrument), note, instrument));
            default:
                return new NoteQuestion(kind, Note(q, "note"), Signature(q));
        }
    }

    private static NoteQuestion Written(JsonElement q, Player player)
    {
        var instrument = player.Instrument;
        var s = String(q, instrument);
        if (q.TryGetProperty("name", out _))
        {
            var named = Pitch(Text(q, "name") + Number(q, "octave", 0, 9));
            return new NoteQuestion(ExerciseKind.WriteIt, named, Signature(q), PairOn(s, named, instrument));
        }

        var word = Enum.TryParse<PlaceWord>(Text(q, "place"), ignoreCase: true, out var w)
            ? w
            : throw new FormatException($"“{Text(q, "place")}” is not a place; expected open, low, regular, high, back or forward");
        var finger = Number(q, "finger", 0, 4);
        var pair = new Pair(s, finger, word);
        var note =
            PairNote.Of(player, pair, Signature(q))
            ?? throw new FormatException($"no finger {finger} is {Text(q, "place")} on the {instrument.StringName(s)} string");
        return new NoteQuestion(ExerciseKind.WriteIt, note, Signature(q), pair, ByPair: true);
    }

    private static Pair PairOn(int s, Pitch note, Instrument instrument)
    {
        var ways = Placements.Of(instrument, note, instrument.FirstFrame).Where(p => p.String == s).ToArray();
        return ways.Length > 0
            ? ways[0].Pair
            : throw new FormatException($"{note} is not on the {instrument.StringName(s)} string of the {instrument.Id}");
    }

    private static BeatQuestion Row(JsonElement q, Instrument instrument)
    {
        var task = (BeatTask)One(SheetQuestions.Tasks, Text(q, "task"), "a task");
        var meter = Meter(q) ?? throw new FormatException("the meter is missing; expected one such as 4/4");
        var values = Array(q, "values").Select(v => v.GetString() ?? "").ToArray();
        var open = instrument.Strings.FirstOrDefault(s => s.Letter == Letter.D, instrument.Strings[1]);
        int? gap = System.Array.IndexOf(values, "?") is >= 0 and var at ? at : null;
        var known = values.Where(v => v != "?").Aggregate(Fraction.Zero, (sum, v) => sum + Value(v.TrimStart('z')).Length);
        ScoreEvent[] events =
        [
            .. values.Select(v => new ScoreEvent
            {
                Pitch = v.StartsWith('z') ? null : open,
                Value = v != "?" ? Value(v.TrimStart('z')) : NoteValue.Exactly(meter.BarLength - known) ?? NoteValue.Quarter,
            }),
        ];
        return new BeatQuestion(
            task,
            Score(instrument.FirstClef, [new Bar { Time = meter, Events = events }]),
            task == BeatTask.Gap ? gap : null
        );
    }

    /// <summary>Bars of notes, with the pairs that belong to them.</summary>
    private static (Score Score, IReadOnlyDictionary<string, Pin> Pins) Music(JsonElement q, Instrument instrument)
    {
        JsonElement[][] bars =
        [
            .. Array(q, "bars").Select(b => b.ValueKind == JsonValueKind.Array ? b.EnumerateArray().ToArray() : throw NoBars()),
        ];
        if (bars.Length == 0 || bars.Any(b => b.Length == 0))
            throw NoBars();
        var (key, meter) = (Signature(q), Meter(q));
        var keys = Each(q, "keys", k => k.TryGetInt32(out var f) && f is >= -7 and <= 7 ? new KeySignature(f) : key);
        var meters = Each(q, "meters", m => m.ValueKind == JsonValueKind.String ? ValueText.Meter(m.GetString()!) : null);
        var score = Score(
            instrument.FirstClef,
            [
                .. bars.Select(
                    (b, i) =>
                        new Bar
                        {
                            Key = keys is null ? key : keys.ElementAtOrDefault(i),
                            Time = meters is null ? meter : meters.ElementAtOrDefault(i),
                            Events = [.. b.Select(Event)],
                        }
                ),
            ]
        );
        var pins = score
            .Bars.Zip(bars)
            .SelectMany(b => b.First.Events.Zip(b.Second))
            .Where(e => e.Second.TryGetProperty("pair", out _))
            .ToDictionary(
                e => e.First.Id,
                e =>
                {
                    var pair = e.Second.GetProperty("pair");
                    return new Pin(String(pair, instrument), Number(pair, "finger", 0, 4));
                }
            );
        return (score, pins);

        static FormatException NoBars() => new("there are no bars; expected \"bars\", a list of lists of notes");
    }

    /// <summary>What each bar has of its own, where the bars differ.</summary>
    private static T[]? Each<T>(JsonElement q, string name, Func<JsonElement, T> of) =>
        q.TryGetProperty(name, out _) ? [.. Array(q, name).Select(of)] : null;

    private static ScoreEvent Event(JsonElement e)
    {
        if (e.ValueKind != JsonValueKind.Object)
            throw new FormatException("a note is not an object; expected {\"note\":\"D4\",\"value\":\"1/4\"}");
        var slur = e.TryGetProperty("slur", out var s) ? s.GetString() : null;
        var marks = Marks.None;
        foreach (
            var (name, mark) in new[] { ("dot", Marks.Staccato), ("lift", Marks.LiftAfter), ("up", Marks.UpBow), ("down", Marks.DownBow) }
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
        var isShort = all[0].Time is { } time && all[0].Events.Aggregate(Fraction.Zero, (sum, e) => sum + e.Value.Length) < time.BarLength;
        return ScoreAssembly.Finish(draft, pickUpMarked: isShort && all.Count > 1).Score;
    }

    private static string Text(JsonElement e, string name) =>
        e.TryGetProperty(name, out var text) && text.ValueKind == JsonValueKind.String
            ? text.GetString()!
            : throw new FormatException($"“{name}” is missing; expected it as text");

    private static int Number(JsonElement e, string name, int least, int most) =>
        e.TryGetProperty(name, out var number)
        && number.ValueKind == JsonValueKind.Number
        && number.TryGetInt32(out var n)
        && n >= least
        && n <= most
            ? n
            : throw new FormatException($"“{name}” is missing or out of range; expected {least} to {most}");

    private static IEnumerable<JsonElement> Array(JsonElement e, string name) =>
        e.TryGetProperty(name, out var list) && list.ValueKind == JsonValueKind.Array
            ? list.EnumerateArray()
            : throw new FormatException($"“{name}” is missing; expected a list");

    private static int Fifths(JsonElement q) => Number(q, "fifths", -7, 7);

    private static KeySignature Signature(JsonElement q) => q.TryGetProperty("fifths", out _) ? new KeySignature(Fifths(q)) : default;

    private static ScaleKey Key(JsonElement q) =>
        KeyText.Read(Text(q, "key")) ?? throw new FormatException($"“{Text(q, "key")}” is not a key; expected {KeyText.Expected}");

    private static TimeSignature? Meter(JsonElement q) =>
        !q.TryGetProperty("meter", out var meter) || meter.ValueKind == JsonValueKind.Null
            ? null
            : ValueText.Meter(Text(q, "meter"))
                ?? throw new FormatException($"“{Text(q, "meter")}” is not a meter; expected one such as 3/4");

    private static Pitch Note(JsonElement e, string name) => Pitch(Text(e, name));

    private static Pitch Pitch(string text)
    {
        var pitch = Core.Music.Pitch.Parse(text);
        return pitch.Octave is >= 0 and <= 8
            ? pitch
            : throw new FormatException($"“{text}” lies beyond every staff; expected octave 0 to 8");
    }

    private static NoteValue Value(string text) =>
        ValueText.Read(text) ?? throw new FormatException($"“{text}” is not a note value; expected {ValueText.Expected}");

    private static int String(JsonElement q, Instrument instrument)
    {
        var name = Text(q, "string");
        return instrument.Strings.Index().Where(s => s.Item.Letter.ToString() == name).Select(s => (int?)s.Index).FirstOrDefault()
            ?? throw new FormatException(
                $"“{name}” is not a string of the {instrument.Id}; expected one of "
                    + string.Join(", ", instrument.Strings.Select(s => s.Letter))
            );
    }

    private static int One(string[] names, string name, string what) =>
        System.Array.IndexOf(names, name) is >= 0 and var at
            ? at
            : throw new FormatException($"“{name}” is not {what}; expected one of {string.Join(", ", names)}");
}
