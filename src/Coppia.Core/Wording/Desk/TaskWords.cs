using Coppia.Core.Composition;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Desk;

/// <summary>What the levels of composing are called, and ready words about a piece (craft 13).</summary>
public static class TaskWords
{
    /// <summary>"One string, endings given".</summary>
    public static string Level(int level) =>
        level switch
        {
            1 => Say("desk.task.four-bars-on-one-string-endings-given"),
            2 => Say("desk.task.four-bars-on-one-string-free"),
            3 => Say("desk.task.four-bars-on-two-strings"),
            4 => Say("desk.task.eight-bars-endings-given"),
            TaskLevel.Last => Say("desk.task.eight-bars-free"),
            _ => Say("desk.task.own-rules"),
        };

    /// <summary>What a teacher says often of a bar; the first four are praise.</summary>
    public static readonly IReadOnlyList<string> Ready =
    [
        Say("desk.task.i-like-this-bar-sing-it-to"),
        Say("desk.task.a-good-surprise-here"),
        Say("desk.task.this-bar-and-its-answer-belong"),
        Say("desk.task.beautifully-written"),
        Say("desk.task.count-this-bar-aloud-once-more"),
        Say("desk.task.play-this-bar-is-it-what-you"),
        Say("desk.task.try-this-ending-one-note-higher-then"),
        Say("desk.task.look-at-the-heads-here-on-the"),
    ];
}
