using Coppia.Core.Knowledge;

namespace Coppia.Core.Lesson;

/// <summary>
/// A lesson as one player goes through it alone, who missed it: what their own instrument tunes, plays and finds hard
/// (craft 21).
/// </summary>
public static class LessonAlone
{
    /// <summary>What only a class does together.</summary>
    private static readonly LessonPart[] Together = [LessonPart.Join, LessonPart.Own];

    /// <param name="steps">Of the class's lesson, in their order.</param>
    /// <param name="tunes">Its tunes, each as the one section that is alone.</param>
    /// <param name="set">How many things are set for that section at home.</param>
    public static IReadOnlyList<LessonStep> Of(
        IReadOnlyList<LessonStep> steps,
        Player player,
        IReadOnlyDictionary<long, LessonTune> tunes,
        int set
    )
    {
        // The class grew what was hard for all together; one player grows their own.
        var grown = new HashSet<long?>();
        return
        [
            .. steps
                .Where(s => !Together.Contains(s.Part))
                .SelectMany(s => Alone(s, s.TuneId is { } id ? tunes.GetValueOrDefault(id) : null)),
        ];

        IEnumerable<LessonStep> Alone(LessonStep step, LessonTune? tune) =>
            (step.Part, tune) switch
            {
                (LessonPart.Tuning, _) => [step with { Said = TuningOrder.Of([player.Instrument]).Count }],
                (LessonPart.Shapes, { } known) => [LessonPlan.ShapesOf(step, known)],
                // What is new to others is no news.
                (LessonPart.News, { News: <= 0 }) => [],
                (LessonPart.News, { } known) => [step with { Said = known.News }],
                (LessonPart.Chunk, { } known) => grown.Add(step.TuneId) ? LessonPlan.ChunksOf(known, step) : [],
                (LessonPart.Home, _) => [step with { Said = Math.Max(1, set) }],
                _ => [step],
            };
    }
}
