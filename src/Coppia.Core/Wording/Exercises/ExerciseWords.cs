using Coppia.Core.Exercises;

namespace Coppia.Core.Wording.Exercises;

/// <summary>What the kinds of exercises are called, in a teacher's words.</summary>
public static class ExerciseWords
{
    /// <summary>"Name the notes".</summary>
    public static string Name(ExerciseKind kind) => Of(kind).Name;

    /// <summary>What it asks, in one line.</summary>
    public static string About(ExerciseKind kind) => Of(kind).About;

    /// <summary>What stands above it on the sheet.</summary>
    public static string Instruction(ExerciseKind kind) => Of(kind).Instruction;

    /// <summary>Why several instruments do not get the same notes of this kind.</summary>
    public const string Apart = "Hands and strings differ: each instrument has notes of its own here.";

    /// <summary>The usual caution where the hand is opened wide (craft 18); else null.</summary>
    public static string? Care(ExerciseKind kind) =>
        kind is ExerciseKind.Stretch or ExerciseKind.OpenOrFour
            ? "Check the instrument’s size first. A few minutes with breaks; shake out the hand, "
                + "and stop when it hurts."
            : null;

    /// <summary>What it trains: the heading under which it is found.</summary>
    public static string Name(Training training) =>
        training switch
        {
            Training.Reading => "Reading the staff",
            Training.NoteWriting => "Writing notes by hand",
            Training.Fingerboard => "Knowing the fingerboard",
            Training.Counting => "Counting",
            Training.BowSigns => "Reading bow signs",
            Training.LeftHand => "The left hand, played",
            Training.Keys => "Keys, played",
            Training.BowArm => "The bow arm, played",
            _ => "Rhythm, played",
        };

    private static (string Name, string About, string Instruction) Of(ExerciseKind kind) =>
        kind switch
        {
            ExerciseKind.NameIt => (
                "Name the notes",
                "note → letter",
                "Write the letter name under each note. Look at the key signature first."
            ),
            ExerciseKind.FingerIt => (
                "String and finger",
                "note → string and finger",
                "Write the string and the finger under each note."
            ),
            ExerciseKind.WriteIt => (
                "Write the note",
                "name, or string and finger → note",
                "Write each note on its staff."
            ),
            ExerciseKind.FindIt => (
                "Find it on the fingerboard",
                "name → spot",
                "Mark where the finger goes, and write its number."
            ),
            ExerciseKind.LineOrSpace => (
                "Line or space?",
                "note → line or space, which one",
                "Line or space, and which one? Count from the bottom."
            ),
            ExerciseKind.Signature => (
                "Key signatures",
                "signature → key, and back",
                "Name the key and the letters it changes, or write its signature."
            ),
            ExerciseKind.HandShape => (
                "Hand shapes",
                "key and string → shape, and back",
                "Draw the fingers of each string, or say which fingers touch."
            ),
            ExerciseKind.PenWork => (
                "Pen work",
                "trace, then write",
                "Trace the grey ones, then write it yourself until the line is full."
            ),
            ExerciseKind.Stems => ("Stems", "heads → stems", "Give each note its stem."),
            ExerciseKind.BeatSums => ("Beat sums", "missing values, barlines, is it right?", "Work out the beats."),
            ExerciseKind.CountIt => (
                "Write the counting",
                "rhythm → syllables",
                "Write the counting under the notes. Rests go in brackets."
            ),
            ExerciseKind.BowIt => (
                "Write the bowing",
                "slurs, hooks, lifts → down and up",
                "Write the bow signs over the notes."
            ),
            ExerciseKind.SpotDifference => (
                "Spot the difference",
                "two bars nearly the same",
                "One place in the second bar is not like the first. Ring it."
            ),
            ExerciseKind.ScaleBuilder => (
                "Build the scale",
                "first note → the whole scale",
                "Write the scale, mark its half steps, and write string and finger under each note."
            ),
            ExerciseKind.ShapeDrill => (
                "Shape of each string",
                "the key’s fingers, up, down, mixed",
                "Keep the hand’s shape and let the fingers fall."
            ),
            ExerciseKind.LowHigh => (
                "Low against high",
                "one letter, two places",
                "Slide the finger, or change it, and listen: the two must sound different."
            ),
            ExerciseKind.OpenOrFour => (
                "Open or fourth finger",
                "two ways to one sound",
                "The fourth finger must sound like the open string."
            ),
            ExerciseKind.TwoPlaces => (
                "One finger, two places",
                "the finger moves while others play",
                "Remember where the finger was, and where it goes now."
            ),
            ExerciseKind.TwoHeights => (
                "Two heights",
                "one finger on two strings",
                "The same finger stands higher on one string than on the next."
            ),
            ExerciseKind.Stretch => (
                "Stretches",
                "closed hand, open hand",
                "Open the hand, let the thumb follow, and close it again. Stop if it hurts."
            ),
            ExerciseKind.BassFrames => (
                "Half and first position",
                "the small slide, and third",
                "The whole hand slides; the thumb goes with it."
            ),
            ExerciseKind.Crossing => (
                "String crossings",
                "next string, skipped string, slurred",
                "The arm moves to the string before the bow does."
            ),
            ExerciseKind.Scale => ("Scale", "one octave or two", "Say where the half steps are, then play."),
            ExerciseKind.Arpeggio => (
                "Arpeggio",
                "one octave or two",
                "The first, third and fifth note of the scale, and the octave."
            ),
            ExerciseKind.Thirds => ("Thirds", "one octave or two", "Up two, back one: every other note of the scale."),
            ExerciseKind.Hooked => (
                "Hooked bowing",
                "and its mirror",
                "Two notes in one direction, stopped between; then the other way round."
            ),
            ExerciseKind.Slurs => ("Slurs", "by two, three, four", "The bow goes on; only the fingers move."),
            ExerciseKind.QuickFigure => (
                "Quick figures",
                "plucked first, then faster",
                "Pluck it, bow it, then twice as fast. The bow gets shorter."
            ),
            ExerciseKind.Rhythm => (
                "Rhythms to play",
                "one string, the scale, turned round",
                "Count it, then play it on one note, on the scale, and turned round."
            ),
            ExerciseKind.LongBow => (
                "Long bows",
                "saved over more and more beats",
                "Slow bow: save it so that it lasts to the end."
            ),
            _ => (
                "Trouble spots",
                "two notes, three, the bar, two bars",
                "Each spot by itself, until it is comfortable; then one note more."
            ),
        };

    /// <summary>What is to be done where a question is answered on the screen.</summary>
    public static string OnScreen(Question question) =>
        question switch
        {
            NoteQuestion { Kind: ExerciseKind.NameIt } => "Which note is this?",
            NoteQuestion { Kind: ExerciseKind.FingerIt } => "Which string, which finger?",
            NoteQuestion { Kind: ExerciseKind.WriteIt } => "Put the note on the staff.",
            NoteQuestion { Kind: ExerciseKind.FindIt } => "Press it on the fingerboard.",
            NoteQuestion { Kind: ExerciseKind.LineOrSpace } => "Line or space, and which one?",
            NoteQuestion => "Draw the stem from the head.",
            SignatureQuestion { Written: true } => "Put the signs on the staff, in their order.",
            SignatureQuestion => "Choose the key, and the letters that it changes.",
            ShapeQuestion { Drawn: true } => "Press every note that the key has under the hand.",
            ShapeQuestion => "Which shape is this?",
            PenQuestion => "Trace it with a finger, a pen or the mouse.",
            BeatQuestion { Task: BeatTask.Gap } => "Choose the missing value.",
            BeatQuestion { Task: BeatTask.Barlines } => "Press between two notes to set a barline.",
            BeatQuestion => "Add up the beats.",
            BarsQuestion { Kind: ExerciseKind.CountIt } => "Tap the syllables in their order.",
            BarsQuestion { Kind: ExerciseKind.BowIt } => "Press each note that begins a stroke: once down, twice up.",
            BarsQuestion => "Press the note that is not the same in both bars.",
            ScaleQuestion => "Press the scale, note by note, then tap its half steps.",
            _ => "",
        };
}
