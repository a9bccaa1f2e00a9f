namespace Coppia.Core.Exercises;

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

/// <summary>Questions that a sheet may ask.</summary>
/// <param name="count">How many the sheet takes.</param>
public delegate IReadOnlyList<Candidate> QuestionPool(SheetRequest request, int count, Seeded seeded);

/// <summary>Music to play: the exercises in their order, each one a player.</summary>
public delegate IEnumerable<IReadOnlyList<PlayQuestion>> PlayedMusic(SheetRequest request, Seeded seeded);

/// <summary>
/// A kind of exercise (craft 12): one row says all that sets it apart. How it is answered, judged, shown and written to
/// a file follows from what its questions ask; its words stand in the catalogue under its name.
/// </summary>
public sealed partial class ExerciseKind
{
    /// <summary>A kind whose questions are answered.</summary>
    /// <param name="id">Its name in files and addresses, which stays: <c>name-it</c>.</param>
    /// <param name="asks">What every question of it asks.</param>
    public ExerciseKind(string id, Training trains, QuestionKind asks, QuestionPool pool)
    {
        (Id, Trains, Asks, Pool, Words) = (id, trains, asks, pool, id);
        Music = (_, _) => [];
    }

    /// <summary>A kind that is played.</summary>
    /// <param name="id">Its name in files and addresses, which stays: <c>long-bow</c>.</param>
    public ExerciseKind(string id, Training trains, PlayedMusic music)
    {
        (Id, Trains, Asks, Music, Words) = (id, trains, QuestionKind.Play, music, id);
        Pool = (_, _, _) => [];
    }

    /// <summary>Its name in files and addresses, which stays: <c>name-it</c>.</summary>
    public string Id { get; }

    public Training Trains { get; }

    /// <summary>What its questions ask.</summary>
    public QuestionKind Asks { get; }

    /// <summary>Under which name its words stand in the catalogue: its own, or that of a kind like it.</summary>
    public string Words { get; init; }

    /// <summary>It is music to play, not a question to answer.</summary>
    public bool IsPlayed => Asks == QuestionKind.Play;

    /// <summary>It can only be made from a tune.</summary>
    public bool NeedsATune { get; init; }

    /// <summary>It is in a key, which is printed above it.</summary>
    public bool IsInKey { get; init; }

    /// <summary>A meter and note values can be chosen for it.</summary>
    public bool TakesRhythm { get; init; }

    /// <summary>One octave or two can be chosen for it.</summary>
    public bool TakesOctaves { get; init; }

    /// <summary>It has to be whole, or is about just that: the hand may open for it where nobody wished so.</summary>
    public bool OpensTheHand { get; init; }

    /// <summary>The hand is opened as wide as it goes: the usual caution is printed with it (craft 18).</summary>
    public bool NeedsCare { get; init; }

    /// <summary>Where no number is asked for nothing comes twice.</summary>
    public bool AsksOnce { get; init; }

    /// <summary>Its place among the kinds, from 0; −1 for one that is not among them.</summary>
    public int Order => Rows.IndexOf(this);

    internal QuestionPool Pool { get; }

    internal PlayedMusic Music { get; }

    /// <summary>The kind of this name, or null.</summary>
    public static ExerciseKind? Named(string id) => All.FirstOrDefault(k => k.Id == id);

    /// <summary>The plainest kind that asks this.</summary>
    public static ExerciseKind Of(QuestionKind asks) => All.First(k => k.Asks == asks);

    public override string ToString() => Id;
}
