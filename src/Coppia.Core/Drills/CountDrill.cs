using Coppia.Core.Counting;
using Coppia.Core.Exercises;

namespace Coppia.Core.Drills;

/// <summary>Syllables under notes and rests (craft 9 and 12).</summary>
internal static class CountDrill
{
    /// <exception cref="WrongReplyException">Not every moment has been answered.</exception>
    public static CountJudgement Judge(CountAnswer answer, SyllablesReply reply)
    {
        if (reply.Fits.Count != answer.Marks.Count)
            throw new WrongReplyException(QuestionKind.Count);
        foreach (var (fits, mark) in reply.Fits.Zip(answer.Marks))
        {
            if (!fits)
                return new CountJudgement(
                    mark.Kind switch
                    {
                        CountKind.Rest => MistakeKind.RestCount,
                        CountKind.Held => MistakeKind.HeldCount,
                        _ => MistakeKind.BeatCount,
                    },
                    mark
                );
        }

        return new CountJudgement(MistakeKind.Right, answer.Marks[0]);
    }
}
