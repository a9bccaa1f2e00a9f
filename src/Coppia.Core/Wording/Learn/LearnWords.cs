using Coppia.Core.Practice;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Learn;

/// <summary>What is said on a learner's own page.</summary>
public static class LearnWords
{
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
