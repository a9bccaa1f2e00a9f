using Coppia.Core.Practice;

namespace Coppia.Core.Wording.Learn;

/// <summary>What is said on a learner's own page.</summary>
public static class LearnWords
{
    /// <summary>A ready sentence as the learner says it.</summary>
    public static string Note(LearnerNote note) =>
        note switch
        {
            LearnerNote.Help => "I would like help with this.",
            LearnerNote.Well => "This goes well. I can show it.",
            LearnerNote.NoTime => "I had no time this week.",
            LearnerNote.Hurts => "Something hurts when I play.",
            LearnerNote.Mend => "My instrument or bow needs mending.",
            _ => throw new ArgumentOutOfRangeException(nameof(note), note, null),
        };
}
