using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>On the middle line and above down on the left, below it up on the right (craft 12).</summary>
internal static class StemDrill
{
    public static StemJudgement Judge(SheetItem item, Player player, StemAnswer answer, StemReply reply)
    {
        var kind =
            reply.IsUp != answer.IsUp ? MistakeKind.StemDirection
            : reply.OnRight != reply.IsUp ? MistakeKind.StemSide
            : MistakeKind.Right;
        return new StemJudgement(kind, StaffPlace.Of(((NoteQuestion)item.Question).Note, player.Instrument.FirstClef));
    }
}
