namespace Coppia.Core.Lesson;

/// <summary>How far a lesson is.</summary>
public enum LessonState
{
    /// <summary>It may still be changed in everything; nothing of it counts as reached.</summary>
    Planned,

    /// <summary>It was taught as it stands: what was reached in it is known to the lessons that follow.</summary>
    Taught,
}

/// <summary>What a taught lesson tells the next (common practice).</summary>
public static class TaughtLesson
{
    /// <summary>So many of a class's last lessons tell what it has reached.</summary>
    public const int Remembered = 20;

    /// <summary>What is set within so many days of a lesson is its homework.</summary>
    private const int DaysOfHomework = 7;

    public static LessonState StateOf(DateTime? taughtAt) =>
        taughtAt is null ? LessonState.Planned : LessonState.Taught;

    /// <summary>
    /// The moment at which a lesson was kept as taught: the first one stays, and one that is a plan again has none.
    /// </summary>
    /// <param name="before">As it was kept before.</param>
    public static DateTime? At(LessonState state, DateTime? before, DateTime now) =>
        state == LessonState.Planned ? null : before ?? now;

    /// <summary>The lines that were reached in it, by their orders in their tunes.</summary>
    public static IEnumerable<(long Tune, int Line)> LinesReached(IEnumerable<LessonStep> steps) =>
        steps
            .Where(s => s is { Part: LessonPart.Line, Reached: true, TuneId: not null, Line: not null })
            .Select(s => (s.TuneId!.Value, s.Line!.Value));

    /// <summary>
    /// Tunes that come again in the next lesson: those which were left out, or did not come to their tempo.
    /// </summary>
    /// <param name="tunes">The lesson's, in its order.</param>
    public static IEnumerable<long> NotReached(IEnumerable<long> tunes, IEnumerable<LessonStep> steps)
    {
        var reached = steps
            .Where(s => s is { Part: LessonPart.AtTempo or LessonPart.Review, Reached: true })
            .Select(s => s.TuneId)
            .ToHashSet();
        return tunes.Where(t => !reached.Contains(t));
    }

    /// <summary>
    /// Whether something set is a lesson's homework: to be done after its day, and set by then or in the week after.
    /// </summary>
    public static bool HasAsHomework(DateOnly lesson, DateOnly setOn, DateOnly due) =>
        due > lesson && setOn < lesson.AddDays(DaysOfHomework);
}
