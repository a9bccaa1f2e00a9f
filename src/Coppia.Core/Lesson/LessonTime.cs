namespace Coppia.Core.Lesson;

/// <summary>A way to make a lesson shorter (craft 21).</summary>
public enum LessonOfferKind
{
    /// <summary>Lines that the class knows are gone through once each way.</summary>
    FewerRepeats,

    /// <summary>Tunes that the class has learned are left out.</summary>
    ReviewOut,

    /// <summary>The last tune waits for next week.</summary>
    LastTuneOut,
}

/// <summary>An offer to save time; what it touches is named, and nothing is left out before it is taken.</summary>
/// <param name="Steps">Ids of the steps that it changes.</param>
/// <param name="Seconds">What it saves.</param>
/// <param name="TuneId">The tune that waits.</param>
public sealed record LessonOffer(LessonOfferKind Kind, IReadOnlyList<string> Steps, double Seconds, long? TuneId);

/// <summary>How long a lesson takes, and what can be done where it is too long.</summary>
/// <param name="Seconds">All steps together.</param>
/// <param name="Over">How much longer it is than the lesson; 0 where it fits.</param>
/// <param name="Offers">In the order in which teachers save time; as many as are needed, or all there are.</param>
/// <param name="PlayedOn">The longest stretch without rest for the hands, in seconds.</param>
public sealed record LessonTime(double Seconds, double Over, IReadOnlyList<LessonOffer> Offers, double PlayedOn)
{
    /// <summary>
    /// So long hands play on before a rest is due; breaks beat one long stint (craft 18; the figure from memory).
    /// </summary>
    public const double LongestPlaying = 20 * 60;

    /// <summary>What lasts so long without playing is a rest.</summary>
    private const double Rest = 60;

    public bool NeedsBreak => PlayedOn > LongestPlaying;

    /// <param name="steps">In the order of the lesson.</param>
    /// <param name="talkSeconds">For each thing said.</param>
    /// <param name="lessonMinutes">How long the lesson is.</param>
    public static LessonTime Of(IReadOnlyList<LessonStep> steps, int talkSeconds, int lessonMinutes)
    {
        var total = steps.Sum(s => s.Seconds(talkSeconds));
        var over = Math.Max(0, total - lessonMinutes * 60);
        return new LessonTime(total, over, [.. Needed(steps, talkSeconds, over)], PlayedOnIn(steps, talkSeconds));
    }

    private static IEnumerable<LessonOffer> Needed(IReadOnlyList<LessonStep> steps, int talkSeconds, double over)
    {
        foreach (var offer in All(steps, talkSeconds))
        {
            if (over <= 0)
                yield break;
            over -= offer.Seconds;
            yield return offer;
        }
    }

    /// <summary>Each offer is reckoned on what those before it leave.</summary>
    private static IEnumerable<LessonOffer> All(IReadOnlyList<LessonStep> steps, int talkSeconds)
    {
        LessonStep[] known =
        [
            .. steps.Where(s =>
                s is { Part: LessonPart.Line, IsKnown: true, Repeats: > 1, IsPinned: false, Minutes: null }
            ),
        ];
        if (known.Length > 0)
            yield return Offer(
                LessonOfferKind.FewerRepeats,
                known,
                s => s.Seconds(talkSeconds) - Fewer(s).Seconds(talkSeconds)
            );
        LessonStep[] review = [.. steps.Where(s => s is { Part: LessonPart.Review, IsPinned: false })];
        if (review.Length > 0)
            yield return Offer(LessonOfferKind.ReviewOut, review, s => s.Seconds(talkSeconds));
        var learned = steps
            .Where(s => s is { Part: LessonPart.Look, TuneId: not null })
            .Select(s => s.TuneId)
            .Distinct()
            .ToArray();
        // A lesson of one tune keeps it.
        if (learned.Length < 2)
            yield break;
        LessonStep[] last = [.. steps.Where(s => s.TuneId == learned[^1] && !s.IsPinned)];
        if (last.Length > 0)
            yield return Offer(
                LessonOfferKind.LastTuneOut,
                last,
                s => (s.Part == LessonPart.Line && known.Contains(s) ? Fewer(s) : s).Seconds(talkSeconds)
            ) with
            {
                TuneId = learned[^1],
            };
    }

    private static LessonStep Fewer(LessonStep step) => step with { Repeats = 1 };

    private static LessonOffer Offer(LessonOfferKind kind, LessonStep[] steps, Func<LessonStep, double> saves) =>
        new(kind, [.. steps.Select(s => s.Id)], steps.Sum(saves), null);

    /// <summary>The steps as they are once an offer is taken; what is left out is told beside them.</summary>
    public static (IReadOnlyList<LessonStep> Steps, IReadOnlyList<LessonStep> Left) Take(
        IReadOnlyList<LessonStep> steps,
        LessonOffer offer
    )
    {
        var touched = offer.Steps.ToHashSet();
        if (offer.Kind == LessonOfferKind.FewerRepeats)
            return ([.. steps.Select(s => touched.Contains(s.Id) ? Fewer(s) : s)], []);
        return ([.. steps.Where(s => !touched.Contains(s.Id))], [.. steps.Where(s => touched.Contains(s.Id))]);
    }

    private static double PlayedOnIn(IReadOnlyList<LessonStep> steps, int talkSeconds)
    {
        var (longest, now) = (0.0, 0.0);
        foreach (var step in steps)
        {
            var seconds = step.Seconds(talkSeconds);
            if (step.IsPlaying)
                now += seconds;
            else if (seconds >= Rest)
                now = 0;
            longest = Math.Max(longest, now);
        }

        return longest;
    }
}
