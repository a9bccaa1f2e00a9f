using Coppia.Core.Exercises;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>Two nearly equal bars: the place where they differ may be ringed in either (craft 10 and 12).</summary>
internal static class DifferenceDrill
{
    /// <exception cref="WrongReplyException">There is no such note.</exception>
    public static DifferenceJudgement Judge(BarsQuestion asked, DifferenceAnswer answer, RingReply reply)
    {
        ScoreEvent[] all = [.. asked.Music.Events];
        if (reply.Event < 0 || reply.Event >= all.Length)
            throw new WrongReplyException(QuestionKind.Difference);
        var second = asked.Music.Bars[1].Events.Where(e => answer.NoteIds.Contains(e.Id)).ToArray();
        var (from, to) = (second[0].Onset, second[^1].Onset + second[^1].Length);
        var ringed = all[reply.Event];
        return new DifferenceJudgement(
            ringed.Onset < to && ringed.Onset + ringed.Length > from ? MistakeKind.Right : MistakeKind.SameThere,
            answer
        );
    }
}
