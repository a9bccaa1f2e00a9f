using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>What of the answer's music a question leaves away.</summary>
[Flags]
public enum LeftAway
{
    Nothing = 0,
    Stems = 1,
    Signature = 2,

    /// <summary>The events named by their ids.</summary>
    Events = 4,
}

/// <summary>
/// The music of a question: engraved whole it is the answer, without what is left away it is the question.
/// </summary>
/// <param name="Score">One bar or several.</param>
/// <param name="EventIds">Ids of events that the question leaves away.</param>
/// <param name="Unseen">Ids of events that are never drawn: rests that only hold a bar open.</param>
public sealed record QuestionMusic(
    Score Score,
    LeftAway Away,
    IReadOnlyList<string> EventIds,
    IReadOnlyList<string> Unseen
)
{
    private static readonly NoteValue Whole = new(0);

    /// <summary>Null for a question that is asked without notes.</summary>
    public static QuestionMusic? Of(SheetItem item, Player player)
    {
        var clef = player.Instrument.FirstClef;
        switch (item.Question)
        {
            case NoteQuestion { Kind: QuestionKind.Find }:
            case ShapeQuestion:
                return null;
            case NoteQuestion { Kind: QuestionKind.Write } q:
                return Without(One(clef, q.Key, q.Note, Whole), LeftAway.Events);
            case NoteQuestion { Kind: QuestionKind.Stem } q:
                return Without(One(clef, q.Key, q.Note, NoteValue.Quarter), LeftAway.Stems);
            case NoteQuestion q:
                return Without(One(clef, q.Key, q.Note, Whole), LeftAway.Nothing);
            case SignatureQuestion q:
                return Empty(clef, new KeySignature(q.Fifths), null, q.Written ? LeftAway.Signature : LeftAway.Nothing);
            case PenQuestion q:
                return ToWrite(q, clef);
            case BeatQuestion { Gap: { } gap } q:
                return new QuestionMusic(q.Row, LeftAway.Events, [q.Row.Bars[0].Events[gap].Id], []);
            case BeatQuestion q:
                return Without(q.Row, LeftAway.Nothing);
            case BarsQuestion q:
                return Without(q.Music, LeftAway.Nothing);
            case PlayQuestion q:
                return Without(q.Music, LeftAway.Nothing);
            default:
                var scale = ((ScaleAnswer)item.Answer).Reading.Score;
                return new QuestionMusic(scale, LeftAway.Events, [.. scale.Events.Skip(1).Select(e => e.Id)], []);
        }
    }

    private static QuestionMusic ToWrite(PenQuestion q, Clef clef)
    {
        if (q.Note is { } note)
            return Without(
                One(clef, default, note, q.Sign == PenSign.HalfNote ? new NoteValue(1) : NoteValue.Quarter),
                LeftAway.Nothing
            );
        IReadOnlyList<ScoreEvent> rest = [new ScoreEvent()];
        return q.Sign == PenSign.QuarterRest
            ? Without(Sketch.Of(clef, default, null, [rest]), LeftAway.Nothing)
            : Empty(clef, default, q.Sign == PenSign.TimeSignature ? q.Time : null, LeftAway.Nothing);
    }

    private static Score One(Clef clef, KeySignature key, Pitch note, NoteValue value) =>
        Unended(
            Sketch.Of(
                clef,
                key,
                null,
                [
                    [new ScoreEvent { Pitch = note, Value = value }],
                ]
            )
        );

    /// <summary>A staff that goes on: no barline ends a single note or sign.</summary>
    private static Score Unended(Score score) =>
        score with
        {
            Bars = [.. score.Bars.Select(b => b with { Barline = Barline.None })],
        };

    private static QuestionMusic Without(Score score, LeftAway away) =>
        new(score, away, away == LeftAway.Events ? [.. score.Events.Select(e => e.Id)] : [], []);

    /// <summary>A staff without notes, held open by a rest that is not drawn.</summary>
    private static QuestionMusic Empty(Clef clef, KeySignature key, TimeSignature? time, LeftAway away)
    {
        var score = Sketch.Of(
            clef,
            key,
            time,
            [
                [new ScoreEvent { Value = Whole, IsBarRest = true }],
            ]
        );
        return new QuestionMusic(score, away, [], [.. score.Events.Select(e => e.Id)]);
    }
}
