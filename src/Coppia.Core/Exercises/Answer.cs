using Coppia.Core.Bowing;
using Coppia.Core.Counting;
using Coppia.Core.Form;
using Coppia.Core.Instruments;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Shapes;

namespace Coppia.Core.Exercises;

/// <summary>What is right, worked out from the question and the player alone.</summary>
public abstract record Answer;

/// <summary>The name of a note.</summary>
/// <param name="BySignature">The key signature changes its letter.</param>
public sealed record NameAnswer(Pitch Note, bool BySignature) : Answer;

/// <summary>A string and finger.</summary>
/// <param name="Place">The plain place, which a class learns first.</param>
/// <param name="All">Every pair by which the class may play the note, the plain one first.</param>
public sealed record PairAnswer(Placement Place, IReadOnlyList<Placement> All) : Answer;

/// <summary>A note on the staff.</summary>
public sealed record NoteAnswer(Pitch Note, StaffPlace Place) : Answer;

/// <summary>A line or space.</summary>
public sealed record StaffAnswer(StaffPlace Place) : Answer;

/// <summary>The direction of a stem.</summary>
public sealed record StemAnswer(bool IsUp) : Answer;

/// <summary>A key, what its signature changes, and where its signs stand in the player's clef.</summary>
public sealed record SignatureAnswer(KeySignature Key, IReadOnlyList<StaffPlace> Places) : Answer;

public sealed record ShapeAnswer(HandShape Shape) : Answer;

/// <summary>A sign as it is written.</summary>
/// <param name="Place">The line or space that it belongs to, where it has one.</param>
public sealed record PenAnswer(StaffPlace? Place) : Answer;

/// <summary>The value that is missing.</summary>
public sealed record ValueAnswer(NoteValue Value) : Answer;

/// <summary>Where barlines belong.</summary>
/// <param name="After">For each barline inside the row the number of notes and rests before it.</param>
public sealed record BarlinesAnswer(IReadOnlyList<int> After) : Answer;

/// <summary>How much a bar holds, and how much it should.</summary>
public sealed record SumAnswer(Fraction Holds, Fraction Wanted) : Answer
{
    public bool IsRight => Holds == Wanted;
}

/// <summary>What is counted under each note and rest.</summary>
public sealed record CountAnswer(IReadOnlyList<CountMark> Marks) : Answer;

/// <summary>The direction of each stroke.</summary>
/// <param name="Strokes">For each stroke the id of its first note, and the way it goes.</param>
public sealed record BowAnswer(IReadOnlyList<(string NoteId, BowDirection Way)> Strokes) : Answer;

/// <summary>What of the second bar differs from the first.</summary>
/// <param name="Kind">Its notes or its rhythm.</param>
/// <param name="Beat">The beat on which it differs, from 1, in beats of the meter's lower number.</param>
/// <param name="NoteIds">Ids of the notes of the second bar that differ.</param>
public sealed record DifferenceAnswer(DifferenceKind Kind, Fraction Beat, IReadOnlyList<string> NoteIds) : Answer;

/// <summary>A scale going up.</summary>
/// <param name="Notes">Its notes, the tonic first and last.</param>
/// <param name="HalfSteps">Degrees, from 1, from which a half step goes up.</param>
/// <param name="Reading">How it is played.</param>
public sealed record ScaleAnswer(IReadOnlyList<Pitch> Notes, IReadOnlyList<int> HalfSteps, PlayerReading Reading)
    : Answer;

/// <summary>Music as its player reads it: pairs, bow and count.</summary>
public sealed record PlayAnswer(PlayerReading Reading) : Answer;
