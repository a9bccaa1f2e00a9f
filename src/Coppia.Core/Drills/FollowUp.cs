using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>What is asked after a mistake: the same again in a form that shows it (craft 14).</summary>
public static class FollowUp
{
    /// <summary>The next question; after a right answer null.</summary>
    /// <param name="asked">The question that was answered wrongly.</param>
    public static Question? After(Judgement judgement, Question asked, Player player)
    {
        if (judgement.IsRight)
            return null;
        return (judgement, asked) switch
        {
            (Diagnosis d, NoteQuestion q) => AfterNote(d, q, player),
            // Which way a stem goes is told by the line or space of its head.
            (StemJudgement, NoteQuestion q) when OnStaff(q.Note, player) => q with { Kind = QuestionKind.LineOrSpace },
            // Whoever names a signature wrongly writes it, and the other way round.
            (SignatureJudgement, SignatureQuestion q) when q.Fifths != 0 => q with { Written = !q.Written },
            (ShapeJudgement, ShapeQuestion q) => q with { Drawn = !q.Drawn },
            // The step that was wrong lies in the shape of its string.
            (ScaleJudgement { Degree: > 0 } s, ScaleQuestion q) => ShapeOf(s, q, player) ?? asked,
            // The bar as it was filled: does it come out?
            (BeatJudgement { Answered: { } bar }, BeatQuestion) when bar.Bars[0].Events.Count > 0 => new BeatQuestion(
                BeatSum.IsItRight,
                bar
            ),
            _ => asked,
        };
    }

    private static Question AfterNote(Diagnosis diagnosis, NoteQuestion asked, Player player)
    {
        switch (diagnosis.Kind)
        {
            case MistakeKind.ForgotSignature:
                return new SignatureQuestion(asked.Key.Fifths, Written: false);
            case MistakeKind.OneStep
            or MistakeKind.WrongEnd
            or MistakeKind.Unclear when asked.Kind != QuestionKind.Find && OnStaff(asked.Note, player):
                return new NoteQuestion(QuestionKind.LineOrSpace, asked.Note, asked.Key);
            case MistakeKind.OtherClef:
                // The note on the clef's own line: what the sign is there to tell.
                return new NoteQuestion(QuestionKind.Name, player.Instrument.FirstClef.SignPitch, default);
            case MistakeKind.WrongOctave
            or MistakeKind.LowHigh
            or MistakeKind.OtherInstrument when diagnosis.Place is { } at:
                return new NoteQuestion(QuestionKind.Find, asked.Note, asked.Key, at.Pair);
            case MistakeKind.NeighbourString when diagnosis.Place is { } at:
                return new NoteQuestion(QuestionKind.Name, player.Instrument.Strings[at.String], asked.Key);
            default:
                return asked;
        }
    }

    private static ShapeQuestion? ShapeOf(ScaleJudgement judgement, ScaleQuestion asked, Player player)
    {
        if (judgement.Scale.Reading.Notes[judgement.Degree].Placement is not { } at)
            return null;
        var question = new ShapeQuestion(asked.Key, at.String, player.FrameOf(at).Position, Drawn: false);
        return Shapes.HandShape.InKey(player.Instrument, asked.Key, question.Position)[at.String].Spots.Count > 1
            ? question
            : null;
    }

    private static bool OnStaff(Pitch note, Player player) => StaffPlace.Of(note, player.Instrument.FirstClef).OnStaff;
}
