using System.Text.Json;
using Coppia.Core.Exercises;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;
using static Coppia.Formats.Exercises.SheetFields;

namespace Coppia.Formats.Exercises;

/// <summary>
/// Reads questions of a sheet from JSON, as <see cref="SheetQuestions"/> writes them. Answers are worked out anew.
/// </summary>
public static class SheetReader
{
    /// <exception cref="FormatException">The question is broken; the message says what is wrong and what would be
    /// right.</exception>
    public static SheetItem Item(ExerciseKind kind, JsonElement question, Player player)
    {
        try
        {
            return SheetItem.Of(Question(kind, question, player), player);
        }
        catch (InvalidQuestionException e)
        {
            throw new FormatException(
                Say(
                    "exercises.sheet-reader.the-question-has-no-answer-on-the",
                    ("id", player.Instrument.Id),
                    ("why", Why(e.Fault))
                ),
                e
            );
        }
    }

    private static string Why(QuestionFault fault) =>
        fault switch
        {
            QuestionFault.OutOfReach => Say("exercises.sheet-reader.no-finger-reaches-the-note-expected"),
            QuestionFault.NoSuchString => Say("exercises.sheet-reader.there-is-no-such-string"),
            QuestionFault.NoSuchPosition => Say("exercises.sheet-reader.the-hand-has-no-shape-there-expected"),
            QuestionFault.NoMeter => Say("exercises.sheet-music-reader.the-meter-is-missing-expected-one"),
            QuestionFault.NoGap => Say("exercises.sheet-reader.nothing-is-missing-expected-one-among"),
            QuestionFault.NoSuchValue => Say("exercises.sheet-reader.no-single-note-fills-the-gap"),
            QuestionFault.NoBarline => Say("exercises.sheet-reader.the-values-do-not-fill-two-bars"),
            QuestionFault.NotOneDifference => Say("exercises.sheet-reader.the-two-bars-must-differ-in-one"),
            _ => Say("exercises.sheet-reader.the-first-note-is-not-the-keys"),
        };

    private static Question Question(ExerciseKind kind, JsonElement q, Player player)
    {
        var instrument = player.Instrument;
        if (q.ValueKind != JsonValueKind.Object)
            throw new FormatException(Say("exercises.sheet-reader.the-question-is-not-an-object"));
        if (kind.IsPlayed)
        {
            var (music, pins) = SheetMusicReader.Music(q, instrument);
            return new PlayQuestion(music, pins);
        }

        return kind.Asks switch
        {
            QuestionKind.Signature when Is(q, "write") => new SignatureQuestion(Key(q).Fifths, Written: true),
            QuestionKind.Signature => new SignatureQuestion(Fifths(q), Written: false),
            QuestionKind.HandShape => new ShapeQuestion(
                Key(q),
                String(q, instrument),
                Text(q, "position"),
                Is(q, "draw")
            ),
            QuestionKind.PenWork => PenWork(q),
            QuestionKind.Beats => SheetMusicReader.Row(q, instrument),
            QuestionKind.Count or QuestionKind.Bow or QuestionKind.Difference => new BarsQuestion(
                kind.Asks,
                SheetMusicReader.Music(q, instrument).Score
            ),
            QuestionKind.Scale => new ScaleQuestion(Note(q, "first"), Key(q), Number(q, "octaves", 1, 3)),
            QuestionKind.Write => Written(q, player),
            QuestionKind.Find => Found(q, instrument),
            _ => new NoteQuestion(kind.Asks, Note(q, "note"), Signature(q)),
        };
    }

    private static bool Is(JsonElement q, string name) =>
        q.TryGetProperty(name, out var said) && said.ValueKind == JsonValueKind.True;

    private static PenQuestion PenWork(JsonElement q) =>
        new(
            (PenSign)One(SheetQuestions.Signs, Text(q, "sign"), "a sign"),
            q.TryGetProperty("note", out _) ? Note(q, "note") : null,
            Meter(q) ?? new TimeSignature(4, 4)
        );

    private static NoteQuestion Found(JsonElement q, Instrument instrument)
    {
        var note = Note(q, "note");
        return new NoteQuestion(QuestionKind.Find, note, Signature(q), PairOn(String(q, instrument), note, instrument));
    }

    private static NoteQuestion Written(JsonElement q, Player player)
    {
        var instrument = player.Instrument;
        var s = String(q, instrument);
        if (q.TryGetProperty("name", out _))
        {
            var named = Pitch(Text(q, "name") + Number(q, "octave", 0, 9));
            return new NoteQuestion(QuestionKind.Write, named, Signature(q), PairOn(s, named, instrument));
        }

        var word = Enum.TryParse<PlaceWord>(Text(q, "place"), ignoreCase: true, out var w)
            ? w
            : throw new FormatException(
                Say("exercises.sheet-reader.is-not-a-place-expected-open-low", ("text", Text(q, "place")))
            );
        var finger = Number(q, "finger", 0, 4);
        var pair = new Pair(s, finger, word);
        var note =
            PairNote.Of(player, pair, Signature(q))
            ?? throw new FormatException(
                Say(
                    "exercises.sheet-reader.no-finger-is-on-the-string",
                    ("finger", finger),
                    ("text", Text(q, "place")),
                    ("stringName", instrument.StringName(s))
                )
            );
        return new NoteQuestion(QuestionKind.Write, note, Signature(q), pair, ByPair: true);
    }

    private static Pair PairOn(int s, Pitch note, Instrument instrument)
    {
        var ways = Placements.Of(instrument, note, instrument.FirstFrame).Where(p => p.String == s).ToArray();
        return ways.Length > 0
            ? ways[0].Pair
            : throw new FormatException(
                Say(
                    "exercises.sheet-reader.is-not-on-the-string-of-the",
                    ("note", note),
                    ("stringName", instrument.StringName(s)),
                    ("id", instrument.Id)
                )
            );
    }
}
