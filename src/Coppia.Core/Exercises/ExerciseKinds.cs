namespace Coppia.Core.Exercises;

/// <summary>The kinds that there are, a row each, in the order in which a teacher finds them.</summary>
public sealed partial class ExerciseKind
{
    private static readonly List<ExerciseKind> Rows = [];

    public static IReadOnlyList<ExerciseKind> All => Rows;
    public static readonly ExerciseKind NameIt = Row(
        new("name-it", Training.Reading, QuestionKind.Name, NoteQuestions.Pool)
    );
    public static readonly ExerciseKind FingerIt = Row(
        new("finger-it", Training.Fingerboard, QuestionKind.Finger, NoteQuestions.Pool)
    );
    public static readonly ExerciseKind WriteIt = Row(
        new("write-it", Training.NoteWriting, QuestionKind.Write, NoteQuestions.Pool)
    );
    public static readonly ExerciseKind FindIt = Row(
        new("find-it", Training.Fingerboard, QuestionKind.Find, NoteQuestions.Pool)
    );

    public static readonly ExerciseKind LineOrSpace = Row(
        new("line-or-space", Training.Reading, QuestionKind.LineOrSpace, NoteQuestions.Pool)
    );

    public static readonly ExerciseKind Signature = Row(
        new("signature", Training.Reading, QuestionKind.Signature, (r, _, _) => KeyQuestions.Signatures(r))
    );

    public static readonly ExerciseKind HandShape = Row(
        new("hand-shape", Training.Fingerboard, QuestionKind.HandShape, (r, _, _) => KeyQuestions.Shapes(r))
        {
            AsksOnce = true,
        }
    );

    public static readonly ExerciseKind PenWork = Row(
        new("pen-work", Training.NoteWriting, QuestionKind.PenWork, (r, _, s) => PenQuestions.Pool(r, s))
        {
            AsksOnce = true,
        }
    );

    public static readonly ExerciseKind Stems = Row(
        new("stems", Training.NoteWriting, QuestionKind.Stem, NoteQuestions.Pool)
    );

    public static readonly ExerciseKind BeatSums = Row(
        new("beat-sums", Training.Counting, QuestionKind.Beats, RhythmQuestions.Sums) { TakesRhythm = true }
    );

    public static readonly ExerciseKind CountIt = Row(
        new("count-it", Training.Counting, QuestionKind.Count, RhythmQuestions.Counted) { TakesRhythm = true }
    );

    public static readonly ExerciseKind BowIt = Row(
        new("bow-it", Training.BowSigns, QuestionKind.Bow, BowQuestions.Pool) { TakesRhythm = true }
    );

    public static readonly ExerciseKind SpotDifference = Row(
        new("spot-difference", Training.Reading, QuestionKind.Difference, DifferenceQuestions.Pool)
        {
            TakesRhythm = true,
        }
    );

    public static readonly ExerciseKind ScaleBuilder = Row(
        new("scale-builder", Training.Fingerboard, QuestionKind.Scale, (r, _, _) => KeyQuestions.Scales(r))
        {
            AsksOnce = true,
            TakesOctaves = true,
            OpensTheHand = true,
        }
    );

    public static readonly ExerciseKind ShapeDrill = Row(
        new("shape-drill", Training.LeftHand, (r, s) => [LeftHandPlay.Shapes(r, s)]) { IsInKey = true }
    );

    public static readonly ExerciseKind LowHigh = Row(
        new("low-high", Training.LeftHand, (r, s) => [SlidePlay.LowAndHigh(r, s)]) { IsInKey = true }
    );

    public static readonly ExerciseKind OpenOrFour = Row(
        new("open-or-four", Training.LeftHand, (r, _) => [LeftHandPlay.OpenOrFour(r)])
        {
            IsInKey = true,
            NeedsCare = true,
        }
    );

    public static readonly ExerciseKind TwoPlaces = Row(
        new("two-places", Training.LeftHand, (r, s) => [SlidePlay.OneFinger(r, s)]) { IsInKey = true }
    );

    public static readonly ExerciseKind TwoHeights = Row(
        new("two-heights", Training.LeftHand, (r, _) => [LeftHandPlay.TwoHeights(r)]) { IsInKey = true }
    );

    public static readonly ExerciseKind Stretch = Row(
        new("stretch", Training.LeftHand, (r, _) => [FramePlay.Stretches(r)])
        {
            IsInKey = true,
            OpensTheHand = true,
            NeedsCare = true,
        }
    );

    public static readonly ExerciseKind BassFrames = Row(
        new("bass-frames", Training.LeftHand, (r, _) => [FramePlay.Slides(r)]) { IsInKey = true }
    );

    public static readonly ExerciseKind Crossing = Row(
        new("crossing", Training.BowArm, (r, _) => [LeftHandPlay.Crossings(r)]) { IsInKey = true }
    );

    public static readonly ExerciseKind Scale = Row(OnAScale("scale", Training.Keys, ScalePlay.Scale));
    public static readonly ExerciseKind Arpeggio = Row(OnAScale("arpeggio", Training.Keys, ScalePlay.Arpeggio));
    public static readonly ExerciseKind Thirds = Row(OnAScale("thirds", Training.Keys, ScalePlay.Thirds));
    public static readonly ExerciseKind Hooked = Row(OnAScale("hooked", Training.BowArm, ScalePlay.Hooked));
    public static readonly ExerciseKind Slurs = Row(OnAScale("slurs", Training.BowArm, ScalePlay.Slurred));

    public static readonly ExerciseKind QuickFigure = Row(
        new("quick-figure", Training.RhythmPlayed, (r, s) => [BowArmPlay.QuickFigures(r, s)])
        {
            IsInKey = true,
            TakesRhythm = true,
        }
    );

    public static readonly ExerciseKind Rhythm = Row(
        new("rhythm", Training.RhythmPlayed, (r, s) => [BowArmPlay.Rhythms(r, s)]) { TakesRhythm = true }
    );

    public static readonly ExerciseKind LongBow = Row(
        new("long-bow", Training.BowArm, (r, _) => [BowArmPlay.LongBows(r)]) { IsInKey = true }
    );

    /// <summary>A trouble spot of a tune, grown note by note (craft 11).</summary>
    public static readonly ExerciseKind Chunk = Row(
        new("chunk", Training.LeftHand, (r, _) => TuneChunks.Of(r)) { NeedsATune = true }
    );

    private static ExerciseKind OnAScale(
        string id,
        Training trains,
        Func<SheetRequest, IReadOnlyList<PlayQuestion>> music
    ) =>
        new(id, trains, (r, _) => [music(r)])
        {
            IsInKey = true,
            TakesOctaves = true,
            OpensTheHand = true,
        };

    private static ExerciseKind Row(ExerciseKind kind)
    {
        Rows.Add(kind);
        return kind;
    }
}
