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
        var alone = new List<LessonStep>();
        var grown = new HashSet<long?>();
        foreach (var step in steps.Where(s => !Together.Contains(s.Part)))
        {
            var tune = step.TuneId is { } id ? tunes.GetValueOrDefault(id) : null;
            switch (step.Part)
            {
                case LessonPart.Tuning:
                    alone.Add(step with { Said = TuningOrder.Of([player.Instrument]).Count });
                    break;
                case LessonPart.Shapes when tune is not null:
                    alone.Add(LessonPlan.ShapesOf(step, tune));
                    break;
                // What is new to others is no news.
                case LessonPart.News when tune is { News: <= 0 }:
                    break;
                case LessonPart.News when tune is not null:
                    alone.Add(step with { Said = tune.News });
                    break;
                case LessonPart.Chunk when tune is not null:
                    // The class grew what was hard for all together; one player grows their own.
                    if (grown.Add(step.TuneId))
                        alone.AddRange(LessonPlan.ChunksOf(tune, step));
                    break;
                case LessonPart.Home:
                    alone.Add(step with { Said = Math.Max(1, set) });
                    break;
                default:
                    alone.Add(step);
                    break;
            }
        }

        return alone;
    }
}
