namespace Coppia.Core.Lesson;

/// <summary>What a lesson is made of, in the order that teachers keep (craft 21, common practice).</summary>
public enum LessonPart
{
    /// <summary>The strings are tuned.</summary>
    Tuning,

    /// <summary>The hand shapes of a key, string by string.</summary>
    Shapes,

    /// <summary>Its scale in half notes over a drone.</summary>
    ScaleHalves,
    ScaleQuarters,
    ScaleEighths,

    /// <summary>Its scale once more, faster.</summary>
    ScaleFaster,

    /// <summary>What a tune brings that is new, shown before it is met.</summary>
    News,

    /// <summary>The beat of a meter by body.</summary>
    Beat,

    /// <summary>A tune that is known, once through.</summary>
    Review,

    /// <summary>A tune is looked over: lines, likenesses, traps, signs.</summary>
    Look,

    /// <summary>A line that differs from those before it: said, fingered, plucked, bowed in the air, bowed.</summary>
    Line,

    /// <summary>A trouble spot, grown from its two notes.</summary>
    Chunk,

    /// <summary>The lines joined, their numbers called ahead.</summary>
    Join,

    /// <summary>The whole tune, slow.</summary>
    Slow,

    /// <summary>The whole tune at its tempo.</summary>
    AtTempo,

    /// <summary>What to practise, how long, by when.</summary>
    Home,

    /// <summary>The hands rest.</summary>
    Break,

    /// <summary>A step of the teacher's own.</summary>
    Own,
}

/// <summary>One step of a lesson and what its time is reckoned from.</summary>
public sealed record LessonStep
{
    /// <summary>Names it within its lesson.</summary>
    public string Id { get; init; } = "";

    public required LessonPart Part { get; init; }

    /// <summary>The tune it belongs to; null for none.</summary>
    public long? TuneId { get; init; }

    /// <summary>Sharps of the key it is about, flats negative, with its mode.</summary>
    public Music.KeySignature? Key { get; init; }

    /// <summary>The meter it is about, as it is printed: 3/4.</summary>
    public string? Meter { get; init; }

    /// <summary>Order of the line it is about, from 0.</summary>
    public int? Line { get; init; }

    /// <summary>
    /// Order of its first bar, from 0, and of the bar after its last; both 0 where it is about no bars.
    /// </summary>
    public int FirstBar { get; init; }

    public int EndBar { get; init; }

    /// <summary>The note that a trouble spot reaches.</summary>
    public string? NoteId { get; init; }

    /// <summary>The teacher's words for a step of their own.</summary>
    public string? Words { get; init; }

    /// <summary>The class has reached it in an earlier lesson.</summary>
    public bool IsKnown { get; init; }

    /// <summary>It stays, whatever is left out to save time.</summary>
    public bool IsPinned { get; init; }

    /// <summary>In how many ways it is gone through: a line in five.</summary>
    public int Ways { get; init; } = 1;

    /// <summary>How often each way, 0 to 50.</summary>
    public int Repeats { get; init; } = 1;

    /// <summary>How long it is once, in quarters.</summary>
    public double Beats { get; init; }

    /// <summary>Quarters that are counted in before each time.</summary>
    public double CountIn { get; init; }

    /// <summary>Quarters a minute, 20 to 300.</summary>
    public int Tempo { get; init; } = LessonPace.UsualTempo;

    /// <summary>How many things are said.</summary>
    public int Said { get; init; }

    /// <summary>Minutes that the teacher gives it, in place of what is reckoned.</summary>
    public double? Minutes { get; init; }

    /// <summary>Whether the class reached it in this lesson; null before it is known.</summary>
    public bool? Reached { get; init; }

    /// <summary>
    /// Seconds it takes: repeats × beats × 60 ÷ tempo, with the count-in each time, and so many seconds of talk for
    /// each thing said (craft 21).
    /// </summary>
    /// <param name="talkSeconds">For each thing said.</param>
    public double Seconds(int talkSeconds) =>
        Minutes is { } given ? given * 60 : Ways * Repeats * (Beats + CountIn) * 60 / Tempo + Said * talkSeconds;

    /// <summary>The hands play, and do not rest.</summary>
    public bool IsPlaying =>
        Part
            is LessonPart.Shapes
                or LessonPart.ScaleHalves
                or LessonPart.ScaleQuarters
                or LessonPart.ScaleEighths
                or LessonPart.ScaleFaster
                or LessonPart.Review
                or LessonPart.Line
                or LessonPart.Chunk
                or LessonPart.Join
                or LessonPart.Slow
                or LessonPart.AtTempo
                or LessonPart.Own;
}

/// <summary>
/// How a teacher goes through a lesson; every figure is a default that the teacher changes (from memory).
/// </summary>
public sealed record LessonPace
{
    /// <summary>The tempo of first steps: a metronome's 60.</summary>
    public const int UsualTempo = 60;

    /// <summary>Seconds of talk for each thing said, 0 to 120 (craft 21, from memory).</summary>
    public int TalkSeconds { get; init; } = 15;

    /// <summary>Quarters a minute of what is learned, 40 to 120.</summary>
    public int Tempo { get; init; } = UsualTempo;

    /// <summary>
    /// How often each way of a line is gone through, 1 to 10: bar by bar, by two bars, the line (craft 21).
    /// </summary>
    public int LineRepeats { get; init; } = 3;

    /// <summary>How often each stage of a trouble spot, 1 to 10.</summary>
    public int ChunkRepeats { get; init; } = 3;
}
