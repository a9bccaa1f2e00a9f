using System.Text.Json;
using Coppia.Core.Bowing;
using Coppia.Core.Counting;
using Coppia.Core.Drills;
using Coppia.Core.Exercises;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Records;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Exercises;

/// <summary>
/// What a learner answers, as JSON: the fields of a sheet's key. A name <c>{"name":"F#"}</c>, a pair
/// <c>{"string":"D","finger":2,"place":"low"}</c>, a spot <c>{"string":"D","semitones":3}</c>, a line or space
/// <c>{"height":3}</c> in half-spaces above the bottom line, and so on.
/// </summary>
public static class ReplyJson
{
    private const int LongestList = 200;

    /// <exception cref="FormatException">It is not an answer to the question; the message says what would
    /// be.</exception>
    public static Reply Read(SheetItem item, JsonElement json, Player player)
    {
        if (json.ValueKind != JsonValueKind.Object)
            throw new FormatException(Say("exercises.reply-json.the-answer-is-not-an-object"));
        var read = new Fields(json, player.Instrument);
        return item.Question switch
        {
            NoteQuestion note => ToNote(note, json, read),
            SignatureQuestion { Written: true } => new SignsReply(
                read.One("sign", "flat", "none", "sharp") - 1,
                [.. read.Numbers("heights", -12, 20).Select(h => new StaffPlace(h))]
            ),
            SignatureQuestion => Key(read),
            ShapeQuestion => new ShapeReply(read.Numbers("semitones", 0, 24)),
            ScaleQuestion => new ScaleReply(
                [.. read.List("spots").Select(read.Spot)],
                read.Numbers("halfSteps", 1, 30)
            ),
            BeatQuestion beats => ToSum(beats, read),
            BarsQuestion { Kind: QuestionKind.Count } => Syllables(read, (CountAnswer)item.Answer, player.Style),
            BarsQuestion { Kind: QuestionKind.Bow } => new StrokesReply([.. read.List("bows").Select(Way)]),
            BarsQuestion => new RingReply(read.Number("event", 0, LongestList)),
            PenQuestion when json.TryGetProperty("onPaper", out var paper) && paper.ValueKind == JsonValueKind.True =>
                new PenReply(0, 0) { OnPaper = true },
            PenQuestion => new PenReply(read.Number("covered", 0, 100), read.Number("astray", 0, 100)),
            _ => throw new FormatException(Say("exercises.reply-json.music-to-play-is-not-answered")),
        };
    }

    private static Reply ToNote(NoteQuestion question, JsonElement json, Fields read) =>
        question.Kind switch
        {
            QuestionKind.Name => Name(read),
            QuestionKind.Finger => new PairReply(read.String(json), read.Number("finger", 0, 4), read.Place()),
            QuestionKind.Find => read.Spot(json),
            QuestionKind.Stem => new StemReply(
                read.One("stem", "down", "up") == 1,
                read.One("side", "left", "right") == 1
            ),
            _ => new StaffReply(new StaffPlace(read.Number("height", -12, 20))),
        };

    private static Reply ToSum(BeatQuestion question, Fields read) =>
        question.Sum switch
        {
            BeatSum.Gap => new ValueReply(
                ValueText.Read(read.Text("value"))
                    ?? throw new FormatException(
                        Say("exercises.reply-json.read-expected", ("expected", ValueText.Expected))
                    )
            ),
            BeatSum.Barlines => new BarlinesReply(read.Numbers("after", 0, LongestList)),
            _ => new SumReply(read.One("sum", "short", "right", "long") - 1),
        };

    private static NameReply Name(Fields read) =>
        NameOf(read.Text("name")) is { } pitch
            ? new NameReply(pitch.Letter, pitch.Alter)
            : throw new FormatException(
                Say("exercises.reply-json.is-not-a-name-expected-one-such", ("text", read.Text("name")))
            );

    private static KeyReply Key(Fields read) =>
        NameOf(read.Text("key")) is { } tonic
            ? new KeyReply(
                tonic.Letter,
                tonic.Alter,
                [.. read.List("letters").Select(l => NameOf(l.GetString() ?? "")?.Letter).OfType<Letter>()]
            )
            : throw new FormatException(
                Say("exercises.reply-json.is-not-a-key-expected-one-such", ("text", read.Text("key")))
            );

    private static Pitch? NameOf(string text)
    {
        try
        {
            return text.Length is > 0 and < 4 ? Pitch.Parse(text + "4") : null;
        }
        catch (FormatException)
        {
            return null;
        }
    }

    /// <summary>Moments at which the school says nothing are left out of the answer.</summary>
    private static SyllablesReply Syllables(Fields read, CountAnswer answer, HouseStyle style)
    {
        var given = new Queue<string>(read.List("syllables").Select(s => s.GetString() ?? ""));
        bool[] fits =
        [
            .. answer.Marks.Select(m =>
                CountWords.Syllable(m, style) is not { Length: > 0 } said
                || given.TryDequeue(out var g) && g == (m.Kind == CountKind.Rest ? $"({said})" : said)
            ),
        ];
        return new SyllablesReply(fits);
    }

    private static BowDirection? Way(JsonElement sign) =>
        sign.ValueKind == JsonValueKind.Null ? null
        : sign.ValueKind == JsonValueKind.String
        && Enum.TryParse<BowDirection>(sign.GetString(), ignoreCase: true, out var way)
            ? way
        : throw new FormatException(Say("exercises.reply-json.expected-down-up-or-null-for-each"));

    private sealed class Fields(JsonElement json, Instrument instrument)
    {
        public string Text(string name) =>
            json.TryGetProperty(name, out var value) && value.ValueKind == JsonValueKind.String
                ? value.GetString()!
                : throw Expecting(name, "a text");

        public int Number(string name, int least, int most) =>
            json.TryGetProperty(name, out var value)
                ? Number(value, name, least, most)
                : throw Expecting(name, Say("exercises.reply-json.number-to", ("least", least), ("most", most)));

        public IReadOnlyList<JsonElement> List(string name) =>
            json.TryGetProperty(name, out var value)
            && value.ValueKind == JsonValueKind.Array
            && value.GetArrayLength() <= LongestList
                ? [.. value.EnumerateArray()]
                : throw Expecting(name, "a list");

        public int[] Numbers(string name, int least, int most) =>
            [.. List(name).Select(v => Number(v, name, least, most))];

        public int One(string name, params string[] choices) =>
            Array.IndexOf(choices, Text(name)) is >= 0 and var at
                ? at
                : throw Expecting(name, string.Join(" or ", choices));

        public int String(JsonElement of)
        {
            var letter =
                of.TryGetProperty("string", out var value) && value.ValueKind == JsonValueKind.String
                    ? value.GetString()
                    : null;
            return instrument
                    .Strings.Index()
                    .Where(s => $"{s.Item.Letter}" == letter)
                    .Select(s => (int?)s.Index)
                    .FirstOrDefault()
                ?? throw Expecting("string", string.Join(", ", instrument.Strings.Select(s => s.Letter)));
        }

        public SpotReply Spot(JsonElement of) =>
            of.ValueKind == JsonValueKind.Object && of.TryGetProperty("semitones", out var height)
                ? new SpotReply(String(of), Number(height, "semitones", 0, 24))
                : throw Expecting("semitones", Say("exercises.reply-json.0-to-24"));

        public PlaceWord Place() =>
            Enum.TryParse<PlaceWord>(Text("place"), ignoreCase: true, out var word)
                ? word
                : throw Expecting("place", Say("exercises.reply-json.places"));

        private static int Number(JsonElement value, string name, int least, int most) =>
            value.ValueKind == JsonValueKind.Number && value.TryGetInt32(out var n) && n >= least && n <= most
                ? n
                : throw Expecting(name, Say("exercises.reply-json.number-to", ("least", least), ("most", most)));

        private static FormatException Expecting(string name, string expected) =>
            new(Say("exercises.reply-json.the-answers-is-not-one-expected", ("name", name), ("expected", expected)));
    }
}
