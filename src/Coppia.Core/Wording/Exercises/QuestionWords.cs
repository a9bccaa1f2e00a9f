using Coppia.Core.Counting;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;

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
            NoteQuestion { Place: { } on } q =>
                $"{Labels.Note(q.Note, style)} on the {Labels.Note(instrument.Strings[on.String], style)} string",
            SignatureQuestion { Written: true } q => $"Write {Labels.Key(new KeySignature(q.Fifths), style)}",
            SignatureQuestion => "Which major key?",
            ShapeQuestion q =>
                $"{Labels.Note(instrument.Strings[q.String], style)} string in {Labels.Scale(q.Key, style)}",
            PenQuestion q => Sign(q, player),
            BeatQuestion q => Task(q.Task),
            ScaleQuestion q => $"{Labels.Scale(q.Key, style)}, {(q.Octaves == 1 ? "one octave" : "two octaves")}",
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
            PairAnswer a => string.Join(" or ", a.All.Select(p => Labels.Pair(p.Pair, player))),
            NoteAnswer a => $"{Labels.Note(a.Note, style)}, {a.Place.Words()}",
            StaffAnswer a => a.Place.Words(),
            StemAnswer a => a.IsUp ? "up" : "down",
            SignatureAnswer a => $"{Labels.Key(a.Key, style)}: {Labels.Signature(a.Key, style)}",
            ShapeAnswer a => ShapeWords.Name(a.Shape, player.Instrument),
            PenAnswer { Place: { } at } => at.Words(),
            ValueAnswer a => a.Value.Words(style.ValueNames),
            BarlinesAnswer a => $"after {English.List([.. a.After.Select(n => $"{n}")])}",
            SumAnswer a => Verdict(a, style),
            CountAnswer a => string.Join(' ', a.Marks.Select(m => Said(m, style)).Where(s => s.Length > 0)),
            BowAnswer a => string.Join(' ', a.Strokes.Select(s => BowWords.Way(s.Way))),
            DifferenceAnswer a => $"beat {Beat(a.Beat)}",
            ScaleAnswer a => $"half steps {English.List([.. a.HalfSteps.Select(d => $"{d}–{d + 1}")])}",
            _ => "",
        };
    }

    private static string Said(CountMark mark, HouseStyle style)
    {
        var said = CountWords.Said(mark, style);
        return mark.Kind == CountKind.Rest && said.Length > 0 ? $"({said})" : said;
    }

    private static string Beat(Fraction beat) =>
        beat.Denominator == 1 ? $"{beat.Numerator}" : $"{beat.Numerator / beat.Denominator}, between the beats";

    private static string Verdict(SumAnswer answer, HouseStyle style)
    {
        if (answer.IsRight)
            return "right";
        var off = answer.Holds > answer.Wanted ? answer.Holds - answer.Wanted : answer.Wanted - answer.Holds;
        var by = NoteValue.Split(off) is { Count: > 0 } values
            ? English.List([.. values.Select(v => v.Words(style.ValueNames))])
            : off.ToString();
        return $"{(answer.Holds > answer.Wanted ? "too long" : "too short")} by a {by}";
    }

    private static string Task(BeatTask task) =>
        task switch
        {
            BeatTask.Gap => "Which value is missing?",
            BeatTask.Barlines => "Draw the barlines",
            _ => "Right, too short, or too long?",
        };

    private static string Sign(PenQuestion q, Player player)
    {
        var names = player.Style.ValueNames;
        var clef = player.Instrument.FirstClef;
        var where = q.Note is { } note && StaffPlace.Of(note, clef).OnLine ? "on its line" : "in its space";
        return q.Sign switch
        {
            PenSign.Clef => English.Capital($"{clef.Name} clef"),
            PenSign.TimeSignature => $"Time signature {q.Time}",
            PenSign.QuarterNote => English.Capital($"{NoteValue.Quarter.Words(names)} with its stem"),
            PenSign.HalfNote => English.Capital($"{new NoteValue(1).Words(names)} with its stem"),
            PenSign.QuarterRest => English.Capital($"{NoteValue.Quarter.Words(names)} rest"),
            PenSign.Sharp => $"Sharp, {where}",
            _ => $"Flat, {where}",
        };
    }
}
