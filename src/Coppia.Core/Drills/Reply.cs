using Coppia.Core.Bowing;
using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>What a learner answers.</summary>
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

/// <summary>A spot pressed on the fingerboard.</summary>
/// <param name="String">0 = lowest sounding string.</param>
/// <param name="Semitones">Above the open string, 0 = open.</param>
public sealed record SpotReply(int String, int Semitones) : Reply;

/// <summary>A line or space, told or written on.</summary>
public sealed record StaffReply(StaffPlace Place) : Reply;

/// <summary>A stem drawn at a head.</summary>
/// <param name="OnRight">On the right side of the head.</param>
public sealed record StemReply(bool IsUp, bool OnRight) : Reply;

/// <summary>A major key, and the letters that its signature changes.</summary>
/// <param name="Changed">In any order.</param>
public sealed record KeyReply(Letter Tonic, int Alter, IReadOnlyList<Letter> Changed) : Reply;

/// <summary>A key signature as it was written.</summary>
/// <param name="Alter">+1 sharps, −1 flats.</param>
/// <param name="Places">Where its signs stand, in the order in which they were written.</param>
public sealed record SignsReply(int Alter, IReadOnlyList<StaffPlace> Places) : Reply;

/// <summary>Places of the fingers on a string, drawn or chosen by the name of their shape.</summary>
/// <param name="Semitones">Above the open string, in any order.</param>
public sealed record ShapeReply(IReadOnlyList<int> Semitones) : Reply;

/// <summary>A scale pressed on the fingerboard, its first note too, and where its half steps are.</summary>
/// <param name="HalfSteps">Degrees, from 1, from which a half step goes up.</param>
public sealed record ScaleReply(IReadOnlyList<SpotReply> Spots, IReadOnlyList<int> HalfSteps) : Reply;

/// <summary>The value that is missing.</summary>
public sealed record ValueReply(NoteValue Value) : Reply;

/// <summary>Barlines.</summary>
/// <param name="After">For each the number of notes and rests before it, in any order.</param>
public sealed record BarlinesReply(IReadOnlyList<int> After) : Reply;

/// <summary>Is the bar right?</summary>
/// <param name="Off">−1 too short, 0 right, +1 too long.</param>
public sealed record SumReply(int Off) : Reply;

/// <summary>Syllables under the counted moments.</summary>
/// <param name="Fits">For each moment, in order, whether what was said is what the school says there.</param>
public sealed record SyllablesReply(IReadOnlyList<bool> Fits) : Reply;

/// <summary>Bow signs over the notes.</summary>
/// <param name="Signs">For each printed note, in order, its sign or none.</param>
public sealed record StrokesReply(IReadOnlyList<BowDirection?> Signs) : Reply;

/// <summary>A note that was ringed.</summary>
/// <param name="Event">Its order among all notes and rests of both bars, from 0.</param>
public sealed record RingReply(int Event) : Reply;

/// <summary>A sign written over its model.</summary>
/// <param name="Covered">How much of the model lies under the ink, in hundredths.</param>
/// <param name="Astray">How much of the ink lies away from the model, in hundredths.</param>
public sealed record PenReply(int Covered, int Astray) : Reply
{
    /// <summary>It was written on paper, where nobody but the learner and the teacher sees it.</summary>
    public bool OnPaper { get; init; }
}
