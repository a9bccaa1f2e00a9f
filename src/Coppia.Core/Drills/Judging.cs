using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;

namespace Coppia.Core.Drills;

/// <summary>A reply that does not belong to its question.</summary>
public sealed class WrongReplyException(QuestionKind kind) : Exception($"not a reply to {kind}")
{
    public QuestionKind Kind { get; } = kind;
}

/// <summary>Says of every answer what happened (craft 14).</summary>
public static class Judging
{
    /// <exception cref="WrongReplyException">The reply is of another kind than the question, or incomplete.</exception>
    public static Judgement Of(SheetItem item, Player player, Reply reply)
    {
        return (item.Question, item.Answer, reply) switch
        {
            (NoteQuestion { Kind: QuestionKind.Stem }, StemAnswer answer, StemReply stem) => StemDrill.Judge(
                item,
                player,
                answer,
                stem
            ),
            (NoteQuestion { Kind: QuestionKind.Find } q, PairAnswer answer, SpotReply spot) => FoundIt(
                q,
                answer,
                spot,
                player
            ),
            (NoteQuestion { Kind: QuestionKind.Name } q, _, NameReply) => OfNote(q, reply, player),
            (NoteQuestion { Kind: QuestionKind.Finger } q, _, PairReply) => OfNote(q, reply, player),
            (NoteQuestion { Kind: QuestionKind.Write } q, _, StaffReply) => OfNote(q, reply, player),
            (NoteQuestion { Kind: QuestionKind.LineOrSpace } q, _, StaffReply) => Counted(OfNote(q, reply, player)),
            (SignatureQuestion { Written: false } q, _, KeyReply key) => KeyDrill.Judge(q, key),
            (SignatureQuestion { Written: true } q, SignatureAnswer answer, SignsReply signs) => KeyDrill.Judge(
                q,
                answer,
                signs,
                player
            ),
            (ShapeQuestion q, ShapeAnswer answer, ShapeReply shape) => ShapeDrill.Judge(q, answer.Shape, shape),
            (ScaleQuestion, ScaleAnswer answer, ScaleReply scale) => ScaleDrill.Judge(answer, scale, player),
            (BeatQuestion q, ValueAnswer answer, ValueReply value) => BeatDrill.Judge(q, answer, value),
            (BeatQuestion q, BarlinesAnswer answer, BarlinesReply barlines) => BeatDrill.Judge(q, answer, barlines),
            (BeatQuestion q, SumAnswer answer, SumReply sum) => BeatDrill.Judge(q, answer, sum),
            (BarsQuestion, CountAnswer answer, SyllablesReply said) => CountDrill.Judge(answer, said),
            (BarsQuestion q, BowAnswer answer, StrokesReply signs) => BowDrill.Judge(q, answer, signs),
            (BarsQuestion q, DifferenceAnswer answer, RingReply ring) => DifferenceDrill.Judge(q, answer, ring),
            (PenQuestion q, _, PenReply pen) => PenDrill.Judge(q, pen),
            _ => throw new WrongReplyException(item.Question.Kind),
        };
    }

    private static Diagnosis OfNote(NoteQuestion asked, Reply reply, Player player) =>
        Diagnosis.Of(player, asked.Note, asked.Key, reply) with
        {
            AskedAs = asked.Kind,
        };

    /// <summary>Lines and spaces are the same in every clef and octave.</summary>
    private static Diagnosis Counted(Diagnosis found) =>
        found.Kind is MistakeKind.OtherClef or MistakeKind.WrongOctave
            ? found with
            {
                Kind = MistakeKind.Unclear,
                Clefs = [],
            }
            : found;

    /// <summary>On the string that was asked for every place that sounds the note is right.</summary>
    private static Diagnosis FoundIt(NoteQuestion asked, PairAnswer answer, SpotReply spot, Player player) =>
        answer.All.Any(p => p.String == spot.String && p.Semitones == spot.Semitones)
            ? new Diagnosis(MistakeKind.Right, asked.Note, asked.Note) { AskedAs = asked.Kind, Place = answer.Place }
            : OfNote(asked, spot, player) with
            {
                Place = answer.Place,
            };
}
