using Coppia.Core.Form;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>What helps where a repeat brings the bow back the wrong way round: a slur, a hook or a retake just before it.</summary>
public static class WrongWayMends
{
    /// <summary>The changes that really turn the bow back, easiest first.</summary>
    /// <param name="score">The tune as it is bowed now.</param>
    /// <param name="notes">Its sounding notes.</param>
    /// <param name="wrong">The place.</param>
    public static IReadOnlyList<BowEdit> For(Score score, IReadOnlyList<SoundingNote> notes, WrongWayRound wrong, HouseStyle style)
    {
        var last = notes[wrong.Leaving];
        BowEdit[] tries =
        [
            new(last.Event.Id, BowEditKind.Slur),
            new(last.Event.Id, BowEditKind.Hook),
            new(last.TiedIds is [.., var tied] ? tied : last.Event.Id, BowEditKind.Lift),
        ];
        return [.. tries.Where(Helps)];

        bool Helps(BowEdit edit)
        {
            // One pitch twice under a slur would read as a tie.
            if (edit.Kind == BowEditKind.Slur && wrong.Leaving > 0 && notes[wrong.Leaving - 1].Pitch == last.Pitch)
                return false;
            if (BowEdits.Fitting(score, [edit]) is [])
                return false;
            var mended = BowEdits.Apply(score, [edit]);
            var bowing = Bows.Follow(SoundingNote.Of(mended), mended.Bars, PlayOrder.Of(mended), style.AfterLongRest);
            return bowing.ComesBackWrong.All(w => w.Returning != wrong.Returning);
        }
    }
}
