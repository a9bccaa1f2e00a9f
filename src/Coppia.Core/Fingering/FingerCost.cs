using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;

namespace Coppia.Core.Fingering;

/// <summary>
/// The cost of a way through a line, as lists of named rules: over single notes, neighbours, and three notes in a row
/// (craft 6). The solver and every explanation use this one definition.
/// </summary>
public sealed class FingerCost
{
    private readonly Hand _hand;
    private readonly FingerWeights _weights;

    /// <summary>What each note costs by itself, however long it is held.</summary>
    private readonly CostRule[] _alone;

    /// <summary>What a place asks of the hand. A repeated note pays once: whatever repeats stays as it is.</summary>
    private readonly CostRule[] _arriving;

    /// <summary>Where a line begins.</summary>
    private readonly CostRule[] _beginning;

    /// <summary>How the hand gets from one note to the next printed one, played straight after or not.</summary>
    private readonly CostRule[] _moving;

    /// <summary>How bow and fingers get from one note to the next that is played.</summary>
    private readonly CostRule[] _going;

    /// <summary>What a note ought to agree with elsewhere.</summary>
    private readonly CostRule[] _agreeing;

    /// <summary>The fourth finger in place of an open string, as it arrives.</summary>
    private readonly CostRule _fourth;

    private readonly ThreeRule[] _overThree;

    public FingerCost(Player player, FingerWeights weights)
    {
        (_hand, _weights) = (new Hand(player), weights);
        var school = player.Style.FourthFinger;
        _alone =
        [
            new NotLearned(weights.NotLearned),
            new OutsidePositions(weights.OutsidePositions),
            new AboveFirst(weights.AboveFirst),
            new FourthWithoutReason(school, weights.FourthWithoutReason),
        ];
        _arriving = Arriving(weights);
        _fourth = new FourthForOpen(school, weights);
        _beginning =
        [
            new BeginsUpTheNeck(weights.ShiftFromOpen),
            new BeginsStretched(weights.OpenStretch),
            .. _arriving,
            _fourth,
        ];
        _moving = Moving(weights);
        _going = Going(weights, school);
        _agreeing =
        [
            new NotPinned(FingerWeights.NotPinned),
            new OtherFingerInLine(weights.OtherFingerInLine, weights.OtherFingerInBar),
            new OtherThanBefore(weights.OtherThanBefore, weights.OtherThanBeforeAtSeam),
        ];
        _overThree =
        [
            new FingerInTwoPlaces(weights.FingerInTwoPlaces),
            new FrameThereAndBack(weights.FrameThereAndBack),
        ];
        var shown = Enumerable.Range(0, 1 << _overThree.Length);
        Threes = [.. shown.Select(bits => _overThree.Index().Sum(r => (bits >> r.Index & 1) * r.Item.Price))];
    }

    private static CostRule[] Arriving(FingerWeights weights) =>
        [
            new FingerForOpen(weights.FingerForOpen),
            new StretchedHand(weights.StretchedHand),
            new StretchedFinger(weights.StretchedFinger),
            new ExtendedFourth(weights.ExtendedFourth),
            new HighFourth(weights.HighFourth),
            new LowOrHigh(weights.LowOrHigh),
            new NeighboursFinger(weights.NeighboursFinger),
        ];

    private static CostRule[] Moving(FingerWeights weights) =>
        [
            new OpenStretch(weights.OpenStretch, weights.StretchOffUpperFinger),
            new CloseStretch(weights.CloseStretch, weights.StretchOffUpperFinger),
            new HandSlide(weights.SlideOfAFreeHand),
            new Shift(weights),
            new ReluctantFrame(),
        ];

    private static CostRule[] Going(FingerWeights weights, FourthFinger school) =>
        [
            new Crossing(weights.Crossing),
            new CrossingInSlur(weights.CrossingInSlur),
            new StringSkipped(weights.StringSkipped),
            new FingerSlides(weights.FingerSlides),
            new FingerHops(weights.FingerHops),
            new TwoHeights(weights.TwoHeights),
            new FingerSubstituted(weights.FingerSubstituted),
            new OpenForFourth(school, weights.OpenFourthFirst),
        ];

    public Player Player => _hand.Player;

    /// <summary>
    /// Another finger for a note of the line costs something, so that a line may have to be solved again for it.
    /// </summary>
    internal bool PricesOtherFingers => _weights is not { OtherFingerInLine: 0, OtherFingerInBar: 0 };

    /// <summary>Playing a bar otherwise than the first time costs something.</summary>
    internal bool PricesOtherThanBefore => _weights is not { OtherThanBefore: 0, OtherThanBeforeAtSeam: 0 };

    /// <summary>
    /// What three notes cost, by what both their ends and their first step allow: bits of <see cref="Ends"/> and
    /// <see cref="Into"/>.
    /// </summary>
    internal int[] Threes { get; }

    /// <summary>Cost of one note by itself.</summary>
    public int Note(LatticeStep step, in Placement at) => Sum(_alone, new Situation(_hand, step, at));

    /// <summary>Cost of beginning a line with a note in this way.</summary>
    public int First(LatticeStep step, in Placement at) => Sum(_beginning, new Situation(_hand, step, at));

    /// <summary>Cost of going from one note to the next.</summary>
    public int Step(LatticeStep step, in Placement from, in Placement to)
    {
        var s = new Situation(_hand, step, from, to);
        var arrives = from.Frame != to.Frame || !from.SamePair(to);
        var cost = (from.Frame != to.Frame ? Sum(_moving, s) : 0) + (arrives ? Sum(_arriving, s) : 0);
        return step.Apart ? cost : cost + Sum(_going, s) + (from.SamePair(to) ? 0 : _fourth.Cost(s));
    }

    /// <summary>
    /// Cost of leaving what the same note has elsewhere, or what the teacher fixed. Zero at almost every note.
    /// </summary>
    public int Habit(LatticeStep step, in Placement at) => Sum(_agreeing, new Situation(_hand, step, at));

    /// <summary>Cost that shows only over three notes in a row.</summary>
    public int Three(in Placement first, in Placement middle, in Placement last) =>
        Threes[Ends(first, last) & Into(first, middle)];

    /// <summary>The parts of <see cref="Note"/>.</summary>
    public IEnumerable<CostPart> NoteParts(LatticeStep step, Placement at) => Parts(_alone, step, at, at);

    /// <summary>The parts of <see cref="First"/>.</summary>
    public IEnumerable<CostPart> FirstParts(LatticeStep step, Placement at) => Parts(_beginning, step, at, at);

    /// <summary>The parts of <see cref="Step"/>.</summary>
    public IEnumerable<CostPart> StepParts(LatticeStep step, Placement from, Placement to)
    {
        var (changes, stays) = (from.Frame != to.Frame, from.SamePair(to));
        return
        [
            .. changes ? Parts(_moving, step, from, to) : [],
            .. changes || !stays ? Parts(_arriving, step, from, to) : [],
            .. step.Apart ? [] : Parts(_going, step, from, to),
            .. step.Apart || stays ? [] : Parts([_fourth], step, from, to),
        ];
    }

    /// <summary>The parts of <see cref="Habit"/>.</summary>
    public IEnumerable<CostPart> HabitParts(LatticeStep step, Placement at) => Parts(_agreeing, step, at, at);

    /// <summary>The parts of <see cref="Three"/>.</summary>
    public IEnumerable<CostPart> ThreeParts(Placement first, Placement middle, Placement last) =>
        _overThree
            .Where(r => r.Ends(_hand, first, last) && r.Into(_hand, first, middle))
            .Select(r => new CostPart(r.Kind, r.Price));

    /// <summary>
    /// What the first and the last of three notes would make of the right one between them, a bit for each rule over
    /// three.
    /// </summary>
    internal byte Ends(in Placement first, in Placement last)
    {
        var shown = 0;
        for (var r = 0; r < _overThree.Length; r++)
            shown |= _overThree[r].Ends(_hand, first, last) ? 1 << r : 0;
        return (byte)shown;
    }

    /// <summary>
    /// What the step from the first to the middle of three notes would make of the right last one, a bit for each rule
    /// over three.
    /// </summary>
    internal byte Into(in Placement first, in Placement middle)
    {
        var shown = 0;
        for (var r = 0; r < _overThree.Length; r++)
            shown |= _overThree[r].Into(_hand, first, middle) ? 1 << r : 0;
        return (byte)shown;
    }

    /// <summary>Total cost of one way through a lattice: one choice a step. What the solver minimises.</summary>
    public int Of(FingerLattice lattice, IReadOnlyList<int> way)
    {
        var total = 0;
        for (var i = 0; i < lattice.Steps.Count; i++)
        {
            var step = lattice.Steps[i];
            var at = step.Choices[way[i]];
            total += Note(step, at) + Habit(step, at);
            total += i == 0 ? First(step, at) : Step(step, Way(i - 1), at);
            if (i > 1)
                total += Three(Way(i - 2), Way(i - 1), at);
        }

        return total;

        Placement Way(int i) => lattice.Steps[i].Choices[way[i]];
    }

    /// <summary>A fourth finger where the next open string sounds the same.</summary>
    internal bool StandsForOpen(in Placement p) => _hand.StandsForOpen(p);

    private static int Sum(CostRule[] rules, in Situation s)
    {
        var sum = 0;
        foreach (var rule in rules)
            sum += rule.Cost(s);
        return sum;
    }

    private IEnumerable<CostPart> Parts(CostRule[] rules, LatticeStep step, Placement from, Placement to)
    {
        var parts = new List<CostPart>();
        foreach (var rule in rules)
        {
            var amount = rule.Cost(new Situation(_hand, step, from, to));
            if (amount != 0)
                parts.Add(new CostPart(rule.Kind, amount));
        }

        return parts;
    }
}
