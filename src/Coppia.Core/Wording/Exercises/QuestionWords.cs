using Coppia.Core.Counting;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Exercises;

/// <summary>Questions and answers of a sheet in words; empty where the music says it all.</summary>
public static class QuestionWords
{
    /// <summary>What stands over the question.</summary>
    public static string Prompt(SheetItem item, Player player)
    {
        var (style, instrument) = (player.Style, player.Instrument);
        return item.Question switch
        {
            NoteQuestion { ByPair: true, Place: { } pair } => Labels.PlaceName(pair, player),
            NoteQuestion { Place: { } on } q => Say(
                "exercises.question.on-the-string",
                ("note", Labels.Note(q.Note, style)),
                ("strings", Labels.Note(instrument.Strings[on.String], style))
            ),
            SignatureQuestion { Written: true } q => Say(
                "exercises.question.prompt-write",
                ("what", Labels.Key(new KeySignature(q.Fifths), style))
            ),
            SignatureQuestion => Say("exercises.question.which-major-key"),
            ShapeQuestion q => Say(
                "exercises.question.string-in",
                ("strings", Labels.Note(instrument.Strings[q.String], style)),
                ("scale", Labels.Scale(q.Key, style))
            ),
            PenQuestion q => Sign(q, player),
            BeatQuestion q => Sum(q.Sum),
            ScaleQuestion q => Say(
                "exercises.question.octaves",
                ("scale", Labels.Scale(q.Key, style)),
                ("octaves", q.Octaves)
            ),
            _ => "",
        };
    }

    /// <summary>The answer in words, as it stands in the key.</summary>
    public static string Answer(SheetItem item, Player player)
    {
        var style = player.Style;
        return item.Answer switch
        {
            NameAnswer a => Labels.Note(a.Note, style),
            PairAnswer a => string.Join(Say("exercises.question.or"), a.All.Select(p => Labels.Pair(p.Pair, player))),
            NoteAnswer a => $"{Labels.Note(a.Note, style)}, {a.Place.Words()}",
            StaffAnswer a => a.Place.Words(),
            StemAnswer a => a.IsUp ? Say("exercises.question.up") : Say("exercises.question.down"),
            SignatureAnswer a => $"{Labels.Key(a.Key, style)}: {Labels.Signature(a.Key, style)}",
            ShapeAnswer a => ShapeWords.Name(a.Shape, player.Instrument),
            PenAnswer { Place: { } at } => at.Words(),
            ValueAnswer a => a.Value.Words(style.ValueNames),
            BarlinesAnswer a => Say(
                "exercises.question.answer-after",
                ("after", English.List([.. a.After.Select(n => $"{n}")]))
            ),
            SumAnswer a => Verdict(a, style),
            CountAnswer a => string.Join(' ', a.Marks.Select(m => Syllable(m, style)).Where(s => s.Length > 0)),
            BowAnswer a => string.Join(' ', a.Strokes.Select(s => BowWords.Way(s.Way))),
            DifferenceAnswer a => Say("exercises.question.answer-beat", ("beat", Beat(a.Beat))),
            ScaleAnswer a => Say(
                "exercises.question.half-steps",
                ("halfSteps", English.List([.. a.HalfSteps.Select(d => $"{d}–{d + 1}")]))
            ),
            _ => "",
        };
    }

    private static string Syllable(CountMark mark, HouseStyle style)
    {
        var said = CountWords.Syllable(mark, style);
        return mark.Kind == CountKind.Rest && said.Length > 0 ? $"({said})" : said;
    }

    private static string Beat(Fraction beat) =>
        beat.Denominator == 1
            ? $"{beat.Numerator}"
            : Say("exercises.question.between-the-beats", ("numerator", beat.Numerator / beat.Denominator));

    private static string Verdict(SumAnswer answer, HouseStyle style)
    {
        if (answer.IsRight)
            return Say("exercises.question.right");
        var off = answer.Holds > answer.Wanted ? answer.Holds - answer.Wanted : answer.Wanted - answer.Holds;
        var by = NoteValue.Split(off) is { Count: > 0 } values
            ? English.List([.. values.Select(v => v.Words(style.ValueNames))])
            : off.ToString();
        return Say(
            "exercises.question.by-a",
            (
                "what",
                answer.Holds > answer.Wanted ? Say("exercises.question.too-long") : Say("exercises.question.too-short")
            ),
            ("by", by)
        );
    }

    private static string Sum(BeatSum sum) =>
        sum switch
        {
            BeatSum.Gap => Say("exercises.question.which-value-is-missing"),
            BeatSum.Barlines => Say("exercises.question.draw-the-barlines"),
            _ => Say("exercises.question.right-too-short-or-too-long"),
        };

    private static string Sign(PenQuestion q, Player player)
    {
        var names = player.Style.ValueNames;
        var clef = player.Instrument.FirstClef;
        var where =
            q.Note is { } note && StaffPlace.Of(note, clef).OnLine
                ? Say("exercises.question.on-its-line")
                : Say("exercises.question.in-its-space");
        return q.Sign switch
        {
            PenSign.Clef => English.Capital(Say("exercises.question.sign-clef", ("clef", clef.Name))),
            PenSign.TimeSignature => Say("exercises.question.time-signature", ("time", q.Time)),
            PenSign.QuarterNote => English.Capital(
                Say("exercises.question.with-its-stem", ("quarter", NoteValue.Quarter.Words(names)))
            ),
            PenSign.HalfNote => English.Capital(
                Say("exercises.question.with-its-stem-2", ("what", new NoteValue(1).Words(names)))
            ),
            PenSign.QuarterRest => English.Capital(
                Say("exercises.question.sign-rest", ("quarter", NoteValue.Quarter.Words(names)))
            ),
            PenSign.Sharp => Say("exercises.question.sign-sharp", ("where", where)),
            _ => Say("exercises.question.sign-flat", ("where", where)),
        };
    }
}
