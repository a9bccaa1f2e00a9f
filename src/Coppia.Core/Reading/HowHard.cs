using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;

namespace Coppia.Core.Reading;

/// <summary>How far a tune is from what a class can do.</summary>
public enum Reach
{
    /// <summary>Nothing in it is new.</summary>
    Known,

    /// <summary>One or two new things: what comes next (craft 15).</summary>
    Next,

    /// <summary>Three to five.</summary>
    Later,
    Far,
}

/// <summary>One part of how hard a tune is.</summary>
/// <param name="Kind">What kind of new things.</param>
/// <param name="Count">How many.</param>
/// <param name="Weight">What they weigh together.</param>
public readonly record struct HardPart(ThingKind Kind, int Count, int Weight);

/// <summary>
/// How hard a tune is for a class: its new things counted and weighed, and its hardest step (craft 15 and 11; the
/// weights are ours).
/// </summary>
/// <param name="Count">How many new things there are to teach.</param>
/// <param name="Parts">By kind, the heaviest first.</param>
/// <param name="HardestStep">Points of the step in which the hands have most to do, rounded up.</param>
public sealed record HowHard(int Count, IReadOnlyList<HardPart> Parts, int HardestStep)
{
    private const int MostNext = 2;
    private const int MostLater = 5;

    /// <summary>What a note weighs that comes with a new finger or position.</summary>
    private const int BroughtNote = 1;

    /// <summary>
    /// A new note under a known finger is the unit that the other weights are measured by, and weighs 2.
    /// </summary>
    public int Weight => Parts.Sum(p => p.Weight) + HardestStep;

    public Reach Reach =>
        Count switch
        {
            0 => Reach.Known,
            <= MostNext => Reach.Next,
            <= MostLater => Reach.Later,
            _ => Reach.Far,
        };

    /// <param name="news">What is new to the class in the tune.</param>
    /// <param name="hardestStep">Points of its hardest step (<see cref="HardestStepOf"/>).</param>
    public static HowHard Of(News news, double hardestStep) =>
        new(
            news.Of.Count,
            [
                .. news
                    .Of.GroupBy(n => n.Thing.Kind)
                    .Select(g => new HardPart(g.Key, g.Count(), g.Sum(WeightOf)))
                    .OrderByDescending(p => p.Weight)
                    .ThenBy(p => p.Kind),
            ],
            (int)Math.Ceiling(hardestStep)
        );

    /// <summary>
    /// Points of the step of a tune in which one player's hands have most to do; what is new or beyond the class is
    /// counted by itself.
    /// </summary>
    public static double HardestStepOf(PlayerReading reading) => Slips.HardestOfHands(reading.Fingering);

    /// <summary>What one new thing weighs, with the notes that come with it.</summary>
    public static int WeightOf(NewThing news) => WeightOf(news.Thing) + BroughtNote * news.With.Count;

    /// <summary>What one thing weighs by itself.</summary>
    public static int WeightOf(KnownThing thing) =>
        thing switch
        {
            KnownPosition => 8,
            KnownFinger { Place.IsStretch: true } => 6,
            KnownFinger { Place: { Finger: 4 } or { Word: PlaceWord.Low or PlaceWord.High } } => 4,
            KnownFinger => 3,
            KnownNote => 2,
            KnownKey or KnownMeter or KnownValue or KnownRhythm => 3,
            KnownRest or KnownSlur => 2,
            KnownDynamic => 1,
            KnownSign { Sign: var sign } => Signs.GetValueOrDefault(sign, 1),
            _ => throw new ArgumentOutOfRangeException(
                nameof(thing),
                thing.GetType(),
                "This kind of thing has no weight."
            ),
        };

    /// <summary>Signs that ask for more than a look.</summary>
    private static readonly Dictionary<LearnedSign, int> Signs = new()
    {
        [LearnedSign.DoubleStops] = 6,
        [LearnedSign.Syncopation] = 4,
        [LearnedSign.Harmonics] = 4,
        [LearnedSign.Hook] = 3,
        [LearnedSign.Ornaments] = 3,
        [LearnedSign.GraceNotes] = 3,
        [LearnedSign.ClefChange] = 3,
        [LearnedSign.Tie] = 2,
        [LearnedSign.Accidental] = 2,
        [LearnedSign.Lift] = 2,
    };
}
