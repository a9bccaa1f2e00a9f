using Coppia.Core.Exercises;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Exercises;

/// <summary>What the kinds of exercises are called, in a teacher's words.</summary>
public static class ExerciseWords
{
    /// <summary>"Name the notes".</summary>
    public static string Name(ExerciseKind kind) => Say($"exercises.kind.{kind.Words}.name");

    /// <summary>What it asks, in one line.</summary>
    public static string About(ExerciseKind kind) => Say($"exercises.kind.{kind.Words}.about");

    /// <summary>What stands above it on the sheet.</summary>
    public static string Instruction(ExerciseKind kind) => Say($"exercises.kind.{kind.Words}.instruction");

    /// <summary>Why several instruments do not get the same notes of this kind.</summary>
    public static string Apart => Say("exercises.exercise.apart");

    /// <summary>The usual caution where the hand is opened wide (craft 18); else null.</summary>
    public static string? Care(ExerciseKind kind) =>
        kind.NeedsCare ? Say("exercises.exercise.check-the-instruments-size-first-a") : null;

    /// <summary>What it trains: the heading under which it is found.</summary>
    public static string Name(Training training) =>
        training switch
        {
            Training.Reading => Say("exercises.exercise.reading-the-staff"),
            Training.NoteWriting => Say("exercises.exercise.writing-notes-by-hand"),
            Training.Fingerboard => Say("exercises.exercise.knowing-the-fingerboard"),
            Training.Counting => Say("exercises.exercise.counting"),
            Training.BowSigns => Say("exercises.exercise.reading-bow-signs"),
            Training.LeftHand => Say("exercises.exercise.the-left-hand-played"),
            Training.Keys => Say("exercises.exercise.keys-played"),
            Training.BowArm => Say("exercises.exercise.the-bow-arm-played"),
            _ => Say("exercises.exercise.rhythm-played"),
        };

    /// <summary>What is to be done where a question is answered on the screen.</summary>
    public static string OnScreen(Question question) =>
        question switch
        {
            NoteQuestion { Kind: QuestionKind.Name } => Say("exercises.exercise.which-note-is-this"),
            NoteQuestion { Kind: QuestionKind.Finger } => Say("exercises.exercise.which-string-which-finger"),
            NoteQuestion { Kind: QuestionKind.Write } => Say("exercises.exercise.put-the-note-on-the-staff"),
            NoteQuestion { Kind: QuestionKind.Find } => Say("exercises.exercise.press-it-on-the-fingerboard"),
            NoteQuestion { Kind: QuestionKind.LineOrSpace } => Say("exercises.exercise.line-or-space-and-which-one"),
            NoteQuestion => Say("exercises.exercise.draw-the-stem-from-the-head"),
            SignatureQuestion { Written: true } => Say("exercises.exercise.put-the-signs-on-the-staff-in"),
            SignatureQuestion => Say("exercises.exercise.choose-the-key-and-the-letters-that"),
            ShapeQuestion { Drawn: true } => Say("exercises.exercise.press-every-note-that-the-key-has"),
            ShapeQuestion => Say("exercises.exercise.which-shape-is-this"),
            PenQuestion => Say("exercises.exercise.trace-it-with-a-finger-a-pen"),
            BeatQuestion { Sum: BeatSum.Gap } => Say("exercises.exercise.choose-the-missing-value"),
            BeatQuestion { Sum: BeatSum.Barlines } => Say("exercises.exercise.press-between-two-notes-to-set-a"),
            BeatQuestion => Say("exercises.exercise.add-up-the-beats"),
            BarsQuestion { Kind: QuestionKind.Count } => Say("exercises.exercise.tap-the-syllables-in-their-order"),
            BarsQuestion { Kind: QuestionKind.Bow } => Say("exercises.exercise.press-each-note-that-begins-a-stroke"),
            BarsQuestion => Say("exercises.exercise.press-the-note-that-is-not-the"),
            ScaleQuestion => Say("exercises.exercise.press-the-scale-note-by-note-then"),
            _ => "",
        };
}
