using System.Text.Json.Nodes;
using Coppia.Core.Counting;
using Coppia.Core.Exercises;
using Coppia.Core.Form;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Shapes;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Records;

namespace Coppia.Formats.Exercises;

/// <summary>Answers of a sheet as JSON.</summary>
public static class SheetAnswers
{
    public static JsonObject Write(SheetItem item, Player player) =>
        item.Answer switch
        {
            NameAnswer a => new JsonObject { ["name"] = SheetNotes.Name(a.Note), ["bySignature"] = a.BySignature },
            PairAnswer a => OfPair(item.Question, a, player.Instrument),
            NoteAnswer a => Placed(new JsonObject { ["note"] = a.Note.ToString() }, a.Place),
            StaffAnswer a => Placed([], a.Place),
            StemAnswer a => new JsonObject { ["stem"] = a.IsUp ? "up" : "down" },
            SignatureAnswer a => OfSignature(a),
            ShapeAnswer a => OfShape(a.Shape, player.Instrument),
            PenAnswer { Place: { } at } => Placed([], at),
            PenAnswer => [],
            ValueAnswer a => new JsonObject { ["value"] = ValueText.Of(a.Value) },
            BarlinesAnswer a => new JsonObject { ["after"] = Numbers(a.After) },
            SumAnswer a => new JsonObject
            {
                ["right"] = a.IsRight,
                ["holds"] = a.Holds.ToString(),
                ["wanted"] = a.Wanted.ToString(),
            },
            CountAnswer a => new JsonObject
            {
                ["syllables"] = Syllables(((BarsQuestion)item.Question).Music.Events, a.Marks, player.Style),
            },
            BowAnswer a => new JsonObject { ["bows"] = Texts(a.Strokes.Select(s => BowWords.Way(s.Way))) },
            DifferenceAnswer a => OfDifference(a, ((BarsQuestion)item.Question).Music.Bars[1]),
            ScaleAnswer a => new JsonObject
            {
                ["notes"] = Texts(a.Notes.Select(n => n.ToString())),
                ["halfSteps"] = Numbers(a.HalfSteps),
                ["pairs"] = Pairs(a.Reading.Notes, player.Instrument),
            },
            PlayAnswer a => OfPlay(a.Reading, a.Reading.Score.Bars),
            _ => throw new ArgumentOutOfRangeException(nameof(item), item.Answer, null),
        };

    /// <summary>What is played in some bars: pairs, bow and count.</summary>
    public static JsonObject OfPlay(PlayerReading reading, IReadOnlyList<Bar> bars)
    {
        var ids = bars.Select(b => b.Id).ToHashSet();
        ReadingNote[] notes = [.. reading.Notes.Where(n => ids.Contains(n.Note.Bar.Id))];
        return new JsonObject
        {
            ["pairs"] = Pairs(notes, reading.Instrument),
            ["bows"] = Texts(notes.Select(n => BowWords.Way(n.Bow))),
            ["counts"] = Syllables(bars.SelectMany(b => b.Events), reading.Tune.Counts, reading.Player.Style),
        };
    }

    private static JsonObject OfPair(Question question, PairAnswer answer, Instrument instrument)
    {
        var json = SheetNotes.Pair(answer.Place.Pair, instrument);
        if (question.Kind == QuestionKind.Find)
            json["semitones"] = answer.Place.Semitones;
        if (answer.All.Count > 1)
            json["also"] = new JsonArray([
                .. answer.All.Skip(1).Select(p => (JsonNode?)SheetNotes.Pair(p.Pair, instrument)),
            ]);
        return json;
    }

    private static JsonObject OfSignature(SignatureAnswer answer) =>
        new()
        {
            ["key"] = KeyText.Of(new ScaleKey(answer.Key.Fifths, ScaleForm.Major)),
            ["letters"] = Texts(answer.Key.ChangedLetters.Select(l => l.ToString())),
            ["fifths"] = answer.Key.Fifths,
            ["heights"] = Numbers(answer.Places.Select(p => p.Height)),
        };

    private static JsonObject OfShape(HandShape shape, Instrument instrument) =>
        new()
        {
            ["shape"] = ShapeWords.Name(shape, instrument),
            ["spots"] = new JsonArray([
                .. shape.Spots.Select(s =>
                    (JsonNode?)
                        new JsonObject
                        {
                            ["finger"] = s.Placement.Finger,
                            ["semitones"] = s.Placement.Semitones,
                            ["note"] = s.Pitch.ToString(),
                        }
                ),
            ]),
            ["halfSteps"] = new JsonArray([.. shape.HalfSteps.Select(h => (JsonNode?)Numbers([h.Lower, h.Upper]))]),
        };

    private static JsonObject OfDifference(DifferenceAnswer answer, Bar second) =>
        new()
        {
            ["what"] = answer.Kind == DifferenceKind.Notes ? "note" : "rhythm",
            ["beat"] = Math.Round((decimal)answer.Beat.Numerator / answer.Beat.Denominator, 3),
            ["at"] = Numbers(
                second.Events.Index().Where(e => answer.NoteIds.Contains(e.Item.Id)).Select(e => e.Index + 1)
            ),
        };

    /// <summary>For each note and rest what is counted while it lasts; rests in brackets.</summary>
    public static JsonArray Syllables(IEnumerable<ScoreEvent> events, IReadOnlyList<CountMark> marks, HouseStyle style)
    {
        var said = marks.ToLookup(m => m.EventId);
        return Texts(events.Select(e => SyllablesOf(said[e.Id], style)));
    }

    private static string SyllablesOf(IEnumerable<CountMark> marks, HouseStyle style)
    {
        CountMark[] all = [.. marks];
        var words = string.Join(' ', all.Select(m => CountWords.Syllable(m, style)).Where(s => s.Length > 0));
        return all is [{ Kind: CountKind.Rest }, ..] && words.Length > 0 ? $"({words})" : words;
    }

    private static JsonArray Pairs(IEnumerable<ReadingNote> notes, Instrument instrument) =>
        [.. notes.Select(n => n.Placement is { } at ? (JsonNode?)SheetNotes.Pair(at.Pair, instrument) : null)];

    private static JsonObject Placed(JsonObject json, StaffPlace place)
    {
        SheetNotes.AddPlace(json, place);
        return json;
    }

    private static JsonArray Texts(IEnumerable<string> texts) => [.. texts.Select(t => (JsonNode?)t)];

    private static JsonArray Numbers(IEnumerable<int> numbers) => [.. numbers.Select(n => (JsonNode?)n)];
}
