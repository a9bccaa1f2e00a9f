using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Reading;

/// <summary>One thing that a tune contains, as one player reads it.</summary>
/// <param name="Thing">What it is.</param>
/// <param name="Bar">The bar in which it first comes.</param>
/// <param name="NoteIds">Every note or rest that has it, in order; for a signature, a meter or a bar's sign, none.</param>
/// <param name="Times">How often it comes.</param>
/// <param name="Place">For a note: how it is played the first time.</param>
public sealed record MetThing(KnownThing Thing, Bar Bar, IReadOnlyList<string> NoteIds, int Times, Placement? Place);
