using Coppia.Core.Composition;

namespace Coppia.Core.Wording.Desk;

/// <summary>What the levels of composing are called, and ready words about a piece (craft 13).</summary>
public static class TaskWords
{
    /// <summary>"One string, endings given".</summary>
    public static string Level(int level) =>
        level switch
        {
            1 => "Four bars on one string, endings given",
            2 => "Four bars on one string, free",
            3 => "Four bars on two strings",
            4 => "Eight bars, endings given",
            TaskLevel.Last => "Eight bars, free",
            _ => "Own rules",
        };

    /// <summary>What a teacher says often of a bar; the first four are praise.</summary>
    public static readonly IReadOnlyList<string> Ready =
    [
        "I like this bar: sing it to someone.",
        "A good surprise here.",
        "This bar and its answer belong together.",
        "Beautifully written.",
        "Count this bar aloud once more.",
        "Play this bar: is it what you hear in your head?",
        "Try this ending one note higher, then choose.",
        "Look at the heads here: on the line, or in the space?",
    ];
}
