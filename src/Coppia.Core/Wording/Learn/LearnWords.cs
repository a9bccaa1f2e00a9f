using Coppia.Core.Practice;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Learn;

/// <summary>What is said on a learner's own page.</summary>
public static class LearnWords
{
    /// <summary>What comes next on a ladder: "Play it at 60. 2 more clean times and you climb."</summary>
    public static string Climb(TempoLadder ladder, Climb at)
    {
        var tempo = ladder.Rungs[at.Rung];
        if (ladder.IsAtTheTop(at))
            return Say("learn.you-have-reached", ("tempo", tempo));
        return Say(
            at.Rung == ladder.Rungs.Count - 1 ? "learn.play-it-at" : "learn.play-it-at-and-you-climb",
            ("tempo", tempo),
            ("more", TempoLadder.CleanToClimb - at.Clean)
        );
    }

    /// <summary>A ready sentence as the learner says it.</summary>
    public static string Note(LearnerNote note) =>
        note switch
        {
            LearnerNote.Help => Say("learn.i-would-like-help-with-this"),
            LearnerNote.Well => Say("learn.this-goes-well-i-can-show-it"),
            LearnerNote.NoTime => Say("learn.i-had-no-time-this-week"),
            LearnerNote.Hurts => Say("learn.something-hurts-when-i-play"),
            LearnerNote.Mend => Say("learn.my-instrument-or-bow-needs-mending"),
            _ => throw new ArgumentOutOfRangeException(nameof(note), note, null),
        };
}
