using Coppia.Core.Fingering;
using Coppia.Core.Form;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;

namespace Coppia.Core.Reading;

/// <summary>What makes a step from note to note hard (craft 11).</summary>
public enum TroublePart
{
    Crossing,
    SkippedString,
    SlurOverCrossing,

    /// <summary>More fingers than one are put down at once.</summary>
    FingersPut,

    /// <summary>More fingers than one are lifted at once.</summary>
    FingersLifted,

    /// <summary>A third or more on one string.</summary>
    Skip,
    Leap,

    /// <summary>The same finger goes to the neighbouring string.</summary>
    FingerHops,

    /// <summary>A finger at another place of its string than a moment ago.</summary>
    FingerMoves,
    TwoHeights,
    Stretch,

    /// <summary>The small slide of the hand between two of the lowest positions.</summary>
    Slide,
    Shift,
    Beyond,
    New,
    OddRhythm,
}

/// <summary>One of the hardest steps of a tune, or of a line in which nothing is hard.</summary>
/// <param name="From">Order of the note that it leaves.</param>
/// <param name="To">Order of the note that it reaches.</param>
/// <param name="Parts">What makes it hard, with its points.</param>
/// <param name="IsSlip">Where a hand is likeliest to slip in its line, and not one of the tune's hardest
/// places.</param>
public sealed record TroubleSpot(
    int From,
    int To,
    IReadOnlyList<(TroublePart Part, double Points)> Parts,
    bool IsSlip = false
)
{
    /// <summary>Points from which a step is worth a mark.</summary>
    public const int WorthMarking = 4;

    private const int NotesToOneSpot = 12;
    private const int FewestSpots = 3;
    private const int MostSpots = 24;
    private const double WhenQuick = 1.5;

    /// <summary>There is less than a beat for it.</summary>
    public bool IsQuick { get; init; }

    /// <summary>The fingers that are put down, the playing one and those below it that do not lie there yet.</summary>
    public FingerSet Put { get; init; }

    /// <summary>The fingers that are lifted at once.</summary>
    public FingerSet Lifted { get; init; }

    /// <summary>All points together; half as much again where there is less than a beat for it.</summary>
    public double Points => Parts.Sum(p => p.Points) * (IsQuick ? WhenQuick : 1);

    /// <summary>
    /// The worst steps of a tune in the order of the notes: about one in twelve, and only those that are really hard.
    /// Besides, for each different line that has none of them, its likeliest slip: an easy tune has a hardest place
    /// too.
    /// </summary>
    /// <param name="known">What the class knows; where no record is kept, nothing is new to it.</param>
    public static IReadOnlyList<TroubleSpot> Of(
        Fingers fingering,
        IReadOnlyList<TuneLine> lines,
        ClassKnowledge? known = null
    )
    {
        var steps = Slips.In(fingering, known);
        var most = Math.Clamp(fingering.Notes.Count / NotesToOneSpot, FewestSpots, MostSpots);
        // The same step is hard wherever it comes; it is marked once.
        var hard = steps
            .Where(s => s.Parts.Eighths >= Worth)
            .OrderByDescending(s => s.Rank)
            .DistinctBy(s => Slips.SameStep.At(fingering, s.To))
            .Take(most)
            .Select(s => s.Spot(isSlip: false))
            .ToDictionary(s => s.To);
        return [.. hard.Values.Concat(InLines(fingering, lines, steps, hard.ContainsKey)).OrderBy(s => s.To)];
    }

    /// <summary>The likeliest slip of each different line that has no worse step.</summary>
    private static IEnumerable<TroubleSpot> InLines(
        Fingers fingering,
        IReadOnlyList<TuneLine> lines,
        IReadOnlyList<Slips.Step> steps,
        Func<int, bool> isHard
    )
    {
        // Steps are in the order of the notes, and those in the order of the bars.
        var (at, bar) = (0, 0);
        var met = new HashSet<Slips.SameStep>(steps.Count);
        var slips = 0;
        foreach (var line in lines)
        {
            (int Eighths, int Placing, Slips.Step Step)? worst = null;
            var marked = false;
            for (; at < steps.Count && BarOf(steps[at]) < line.EndBar; at++)
            {
                var step = steps[at];
                if (bar < line.FirstBar)
                    continue;
                marked |= isHard(step.To);
                // What came before is easier.
                var eighths = step.Parts.Eighths / (met.Add(Slips.SameStep.At(fingering, step.To)) ? 1 : 2);
                var placing = step.Parts.Placing;
                if (eighths > 0 && (worst is not { } w || (eighths, placing).CompareTo((w.Eighths, w.Placing)) > 0))
                    worst = (eighths, placing, step);
            }

            if (marked || worst is not { } slip || line.IsAgain || ++slips > MostSpots)
                continue;
            yield return slip.Step.Spot(isSlip: true);
        }

        int BarOf(in Slips.Step step)
        {
            while (fingering.Score.Bars[bar].Id != fingering.Notes[step.To].Note.Bar.Id)
                bar++;
            return bar;
        }
    }

    /// <summary>In eighths of a point.</summary>
    private const int Worth = WorthMarking * 8;
}
