using Coppia.Core.Exercises;
using static Coppia.Core.Wording.Messages.Catalogue;

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
    public static string Apart => Say("exercises.exercise.apart");

    /// <summary>The usual caution where the hand is opened wide (craft 18); else null.</summary>
    public static string? Care(ExerciseKind kind) =>
        kind is ExerciseKind.Stretch or ExerciseKind.OpenOrFour
            ? Say("exercises.exercise.check-the-instruments-size-first-a")
            : null;

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

    private static (string Name, string About, string Instruction) Of(ExerciseKind kind) =>
        kind switch
        {
            ExerciseKind.NameIt => (
                Say("exercises.exercise.name-the-notes"),
                Say("exercises.exercise.note-letter"),
                Say("exercises.exercise.write-the-letter-name-under-each-note")
            ),
            ExerciseKind.FingerIt => (
                Say("exercises.exercise.string-and-finger"),
                Say("exercises.exercise.note-string-and-finger"),
                Say("exercises.exercise.write-the-string-and-the-finger-under")
            ),
            ExerciseKind.WriteIt => (
                Say("exercises.exercise.write-the-note"),
                Say("exercises.exercise.name-or-string-and-finger-note"),
                Say("exercises.exercise.write-each-note-on-its-staff")
            ),
            ExerciseKind.FindIt => (
                Say("exercises.exercise.find-it-on-the-fingerboard"),
                Say("exercises.exercise.name-spot"),
                Say("exercises.exercise.mark-where-the-finger-goes-and-write")
            ),
            ExerciseKind.LineOrSpace => (
                Say("exercises.exercise.line-or-space"),
                Say("exercises.exercise.note-line-or-space-which-one"),
                Say("exercises.exercise.line-or-space-and-which-one-count")
            ),
            ExerciseKind.Signature => (
                Say("exercises.exercise.key-signatures"),
                Say("exercises.exercise.signature-key-and-back"),
                Say("exercises.exercise.name-the-key-and-the-letters-it")
            ),
            ExerciseKind.HandShape => (
                Say("exercises.exercise.hand-shapes"),
                Say("exercises.exercise.key-and-string-shape-and-back"),
                Say("exercises.exercise.draw-the-fingers-of-each-string-or")
            ),
            ExerciseKind.PenWork => (
                Say("exercises.exercise.pen-work"),
                Say("exercises.exercise.trace-then-write"),
                Say("exercises.exercise.trace-the-grey-ones-then-write-it")
            ),
            ExerciseKind.Stems => (
                Say("exercises.exercise.stems"),
                Say("exercises.exercise.heads-stems"),
                Say("exercises.exercise.give-each-note-its-stem")
            ),
            ExerciseKind.BeatSums => (
                Say("exercises.exercise.beat-sums"),
                Say("exercises.exercise.missing-values-barlines-is-it-right"),
                Say("exercises.exercise.work-out-the-beats")
            ),
            ExerciseKind.CountIt => (
                Say("exercises.exercise.write-the-counting"),
                Say("exercises.exercise.rhythm-syllables"),
                Say("exercises.exercise.write-the-counting-under-the-notes")
            ),
            ExerciseKind.BowIt => (
                Say("exercises.exercise.write-the-bowing"),
                Say("exercises.exercise.slurs-hooks-lifts-down-and-up"),
                Say("exercises.exercise.write-the-bow-signs-over-the-notes")
            ),
            ExerciseKind.SpotDifference => (
                Say("exercises.exercise.spot-the-difference"),
                Say("exercises.exercise.two-bars-nearly-the-same"),
                Say("exercises.exercise.one-place-in-the-second-bar-is")
            ),
            ExerciseKind.ScaleBuilder => (
                Say("exercises.exercise.build-the-scale"),
                Say("exercises.exercise.first-note-the-whole-scale"),
                Say("exercises.exercise.write-the-scale-mark-its-half-steps")
            ),
            ExerciseKind.ShapeDrill => (
                Say("exercises.exercise.shape-of-each-string"),
                Say("exercises.exercise.the-keys-fingers-up-down-mixed"),
                Say("exercises.exercise.keep-the-hands-shape-and-let-the")
            ),
            ExerciseKind.LowHigh => (
                Say("exercises.exercise.low-against-high"),
                Say("exercises.exercise.one-letter-two-places"),
                Say("exercises.exercise.slide-the-finger-or-change-it-and")
            ),
            ExerciseKind.OpenOrFour => (
                Say("exercises.exercise.open-or-fourth-finger"),
                Say("exercises.exercise.two-ways-to-one-sound"),
                Say("exercises.exercise.the-fourth-finger-must-sound-like-the")
            ),
            ExerciseKind.TwoPlaces => (
                Say("exercises.exercise.one-finger-two-places"),
                Say("exercises.exercise.the-finger-moves-while-others-play"),
                Say("exercises.exercise.remember-where-the-finger-was-and")
            ),
            ExerciseKind.TwoHeights => (
                Say("exercises.exercise.two-heights"),
                Say("exercises.exercise.one-finger-on-two-strings"),
                Say("exercises.exercise.the-same-finger-stands-higher-on-one")
            ),
            ExerciseKind.Stretch => (
                Say("exercises.exercise.stretches"),
                Say("exercises.exercise.closed-hand-open-hand"),
                Say("exercises.exercise.open-the-hand-let-the-thumb-follow")
            ),
            ExerciseKind.BassFrames => (
                Say("exercises.exercise.half-and-first-position"),
                Say("exercises.exercise.the-small-slide-and-third"),
                Say("exercises.exercise.the-whole-hand-slides-the-thumb-goes")
            ),
            ExerciseKind.Crossing => (
                Say("exercises.exercise.string-crossings"),
                Say("exercises.exercise.next-string-skipped-string-slurred"),
                Say("exercises.exercise.the-arm-moves-to-the-string-before")
            ),
            ExerciseKind.Scale => (
                Say("exercises.exercise.scale"),
                Say("exercises.exercise.one-octave-or-two"),
                Say("exercises.exercise.say-where-the-half-steps-are-then")
            ),
            ExerciseKind.Arpeggio => (
                Say("exercises.exercise.arpeggio"),
                Say("exercises.exercise.one-octave-or-two"),
                Say("exercises.exercise.the-first-third-and-fifth-note-of")
            ),
            ExerciseKind.Thirds => (
                Say("exercises.exercise.thirds"),
                Say("exercises.exercise.one-octave-or-two"),
                Say("exercises.exercise.up-two-back-one-every-other-note")
            ),
            ExerciseKind.Hooked => (
                Say("exercises.exercise.hooked-bowing"),
                Say("exercises.exercise.and-its-mirror"),
                Say("exercises.exercise.two-notes-in-one-direction-stopped")
            ),
            ExerciseKind.Slurs => (
                Say("exercises.exercise.slurs"),
                Say("exercises.exercise.by-two-three-four"),
                Say("exercises.exercise.the-bow-goes-on-only-the-fingers")
            ),
            ExerciseKind.QuickFigure => (
                Say("exercises.exercise.quick-figures"),
                Say("exercises.exercise.plucked-first-then-faster"),
                Say("exercises.exercise.pluck-it-bow-it-then-twice-as")
            ),
            ExerciseKind.Rhythm => (
                Say("exercises.exercise.rhythms-to-play"),
                Say("exercises.exercise.one-string-the-scale-turned-round"),
                Say("exercises.exercise.count-it-then-play-it-on-one")
            ),
            ExerciseKind.LongBow => (
                Say("exercises.exercise.long-bows"),
                Say("exercises.exercise.saved-over-more-and-more-beats"),
                Say("exercises.exercise.slow-bow-save-it-so-that-it")
            ),
            _ => (
                Say("exercises.exercise.trouble-spots"),
                Say("exercises.exercise.two-notes-three-the-bar-two-bars"),
                Say("exercises.exercise.each-spot-by-itself-until-it-is")
            ),
        };

    /// <summary>What is to be done where a question is answered on the screen.</summary>
    public static string OnScreen(Question question) =>
        question switch
        {
            NoteQuestion { Kind: ExerciseKind.NameIt } => Say("exercises.exercise.which-note-is-this"),
            NoteQuestion { Kind: ExerciseKind.FingerIt } => Say("exercises.exercise.which-string-which-finger"),
            NoteQuestion { Kind: ExerciseKind.WriteIt } => Say("exercises.exercise.put-the-note-on-the-staff"),
            NoteQuestion { Kind: ExerciseKind.FindIt } => Say("exercises.exercise.press-it-on-the-fingerboard"),
            NoteQuestion { Kind: ExerciseKind.LineOrSpace } => Say("exercises.exercise.line-or-space-and-which-one"),
            NoteQuestion => Say("exercises.exercise.draw-the-stem-from-the-head"),
            SignatureQuestion { Written: true } => Say("exercises.exercise.put-the-signs-on-the-staff-in"),
            SignatureQuestion => Say("exercises.exercise.choose-the-key-and-the-letters-that"),
            ShapeQuestion { Drawn: true } => Say("exercises.exercise.press-every-note-that-the-key-has"),
            ShapeQuestion => Say("exercises.exercise.which-shape-is-this"),
            PenQuestion => Say("exercises.exercise.trace-it-with-a-finger-a-pen"),
            BeatQuestion { Task: BeatTask.Gap } => Say("exercises.exercise.choose-the-missing-value"),
            BeatQuestion { Task: BeatTask.Barlines } => Say("exercises.exercise.press-between-two-notes-to-set-a"),
            BeatQuestion => Say("exercises.exercise.add-up-the-beats"),
            BarsQuestion { Kind: ExerciseKind.CountIt } => Say("exercises.exercise.tap-the-syllables-in-their-order"),
            BarsQuestion { Kind: ExerciseKind.BowIt } => Say("exercises.exercise.press-each-note-that-begins-a-stroke"),
            BarsQuestion => Say("exercises.exercise.press-the-note-that-is-not-the"),
            ScaleQuestion => Say("exercises.exercise.press-the-scale-note-by-note-then"),
            _ => "",
        };
}
