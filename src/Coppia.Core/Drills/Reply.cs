using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>What a learner answers when a note is shown.</summary>
public abstract record Reply;

/// <summary>A name.</summary>
/// <param name="Alter">−2 to +2.</param>
/// <param name="Octave">The octave, where it was said.</param>
public sealed record NameReply(Letter Letter, int Alter, int? Octave = null) : Reply;

/// <summary>A string and finger.</summary>
/// <param name="String">0 = lowest sounding string.</param>
/// <param name="Finger">0 (open) to 4.</param>
/// <param name="Word">Open, regular, low, high, back or forward.</param>
public sealed record PairReply(int String, int Finger, PlaceWord Word) : Reply;
