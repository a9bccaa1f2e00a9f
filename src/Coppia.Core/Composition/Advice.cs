using Coppia.Core.Music;

namespace Coppia.Core.Composition;

/// <summary>What advice is about; none of it is a rule (craft 13).</summary>
public enum AdviceKind
{
    Leap,
    Repetition,
    Ending,
    OneNote,
    Balance,
}

/// <summary>Something to notice in a composition, good or to be tried otherwise.</summary>
/// <param name="Bar">From 1.</param>
/// <param name="IsGood">It names what is good.</param>
/// <param name="Note">The note that it is about, or null.</param>
/// <param name="Other">Where the leap comes from; the tonic of the ending; or null.</param>
/// <param name="AsBar">The earlier bar that comes again, or null.</param>
/// <param name="Moved">It comes again at another height.</param>
/// <param name="Rhythm">Its rhythm comes again, with other notes.</param>
public sealed record Advice(
    AdviceKind Kind,
    int Bar,
    bool IsGood,
    Pitch? Note = null,
    Pitch? Other = null,
    int? AsBar = null,
    bool Moved = false,
    bool Rhythm = false
);
