using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;

namespace Coppia.Core.Reading;

/// <summary>One thing that a tune contains, as one player reads it.</summary>
/// <param name="Thing">What it is.</param>
/// <param name="BarId">The bar in which it first comes.</param>
/// <param name="BarNumber">That bar's printed number; 0 for a pick-up.</param>
/// <param name="NoteIds">Every note or rest that has it, in order; for a signature, a meter or a bar's sign,
/// none.</param>
/// <param name="Times">How often it comes.</param>
public sealed record MetThing(KnownThing Thing, string BarId, int BarNumber, IReadOnlyList<string> NoteIds, int Times)
{
    /// <summary>For a note: how it is played the first time.</summary>
    public Placement? Place { get; init; }

    /// <summary>For a note: the finger that plays it, where one plays it every time.</summary>
    public KnownThing? ByFinger { get; init; }

    /// <summary>For a note: the position in which it is played, where that is one every time.</summary>
    public KnownThing? InPosition { get; init; }
}
