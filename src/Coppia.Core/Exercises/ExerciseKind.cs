namespace Coppia.Core.Exercises;

/// <summary>What an exercise asks for (craft 12).</summary>
public enum ExerciseKind
{
    NameIt,
    FingerIt,
    WriteIt,
    FindIt,
    LineOrSpace,
    Signature,
    HandShape,
    PenWork,
    Stems,
    BeatSums,
    CountIt,
    BowIt,
    SpotDifference,
    ScaleBuilder,
    ShapeDrill,
    LowHigh,
    OpenOrFour,
    TwoPlaces,
    TwoHeights,
    Stretch,
    BassFrames,
    Crossing,
    Scale,
    Arpeggio,
    Thirds,
    Hooked,
    Slurs,
    QuickFigure,
    Rhythm,
    LongBow,

    /// <summary>A trouble spot of a tune, grown note by note (craft 11).</summary>
    Chunk,
}

/// <summary>What a kind of exercise trains: how a teacher looks for it.</summary>
public enum Training
{
    Reading,
    NoteWriting,
    Fingerboard,
    Counting,
    BowSigns,
    LeftHand,
    Keys,
    BowArm,
    RhythmPlayed,
}

/// <summary>The kinds of exercises and what each trains.</summary>
public static class ExerciseKinds
{
    public static readonly IReadOnlyList<ExerciseKind> All = Enum.GetValues<ExerciseKind>();

    /// <summary>The name by which a kind is asked for: <c>name-it</c>.</summary>
    public static string Id(this ExerciseKind kind) => Ids[(int)kind];

    /// <summary>The kind of this name, or null.</summary>
    public static ExerciseKind? Named(string id) =>
        Ids.Index().Where(n => n.Item == id).Select(n => (ExerciseKind?)n.Index).FirstOrDefault();

    /// <summary>It is music to play, not a question to answer.</summary>
    public static bool IsPlayed(this ExerciseKind kind) => kind >= ExerciseKind.ShapeDrill;

    /// <summary>It can only be made from a tune.</summary>
    public static bool NeedsATune(this ExerciseKind kind) => kind == ExerciseKind.Chunk;

    public static Training Trains(this ExerciseKind kind) =>
        kind switch
        {
            ExerciseKind.NameIt or ExerciseKind.LineOrSpace or ExerciseKind.Signature or ExerciseKind.SpotDifference =>
                Training.Reading,
            ExerciseKind.WriteIt or ExerciseKind.PenWork or ExerciseKind.Stems => Training.NoteWriting,
            ExerciseKind.FingerIt or ExerciseKind.FindIt or ExerciseKind.HandShape or ExerciseKind.ScaleBuilder =>
                Training.Fingerboard,
            ExerciseKind.BeatSums or ExerciseKind.CountIt => Training.Counting,
            ExerciseKind.BowIt => Training.BowSigns,
            ExerciseKind.Scale or ExerciseKind.Arpeggio or ExerciseKind.Thirds => Training.Keys,
            ExerciseKind.Crossing or ExerciseKind.Hooked or ExerciseKind.Slurs or ExerciseKind.LongBow =>
                Training.BowArm,
            ExerciseKind.Rhythm or ExerciseKind.QuickFigure => Training.RhythmPlayed,
            _ => Training.LeftHand,
        };

    private static readonly string[] Ids = [.. Enum.GetNames<ExerciseKind>().Select(Hyphenated)];

    private static string Hyphenated(string name) =>
        string.Concat(
            name.Select((c, i) => char.IsUpper(c) ? (i > 0 ? "-" : "") + char.ToLowerInvariant(c) : c.ToString())
        );
}
