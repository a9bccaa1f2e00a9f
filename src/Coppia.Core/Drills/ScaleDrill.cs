using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;

namespace Coppia.Core.Drills;

/// <summary>Scales from their first note, pressed on the fingerboard, with their half steps (craft 5 and 12).</summary>
internal static class ScaleDrill
{
    /// <exception cref="WrongReplyException">There are more or fewer notes than the scale has.</exception>
    public static ScaleJudgement Judge(ScaleAnswer answer, ScaleReply reply, Player player)
    {
        if (reply.Spots.Count != answer.Notes.Count)
            throw new WrongReplyException(QuestionKind.Scale);
        int[] heard = [.. reply.Spots.Select(s => player.Instrument.Strings[s.String].Midi + s.Semitones)];
        if (heard[0] != answer.Notes[0].Midi)
            return new ScaleJudgement(MistakeKind.Unclear, answer, 0, IsHalf: false);
        for (var d = 1; d < heard.Length; d++)
        {
            var (step, wanted) = (heard[d] - heard[d - 1], answer.Notes[d].Midi - answer.Notes[d - 1].Midi);
            if (step != wanted)
                return new ScaleJudgement(
                    step < wanted ? MistakeKind.StepTooSmall : MistakeKind.StepTooLarge,
                    answer,
                    d,
                    wanted == 1
                );
        }

        var wrong = Enumerable
            .Range(1, heard.Length - 1)
            .FirstOrDefault(d => reply.HalfSteps.Contains(d) != answer.HalfSteps.Contains(d));
        return new ScaleJudgement(
            wrong == 0 ? MistakeKind.Right : MistakeKind.HalfSteps,
            answer,
            wrong,
            answer.HalfSteps.Contains(wrong)
        );
    }
}
