using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;

namespace Coppia.Core.Fingering;

/// <summary>Why a way costs something.</summary>
public enum CostKind
{
    OutsidePositions,
    Shift,
    FrameThereAndBack,
    Start,
    OpenStretch,
    CloseStretch,
    StretchedHand,
    StretchedFinger,
    ExtendedFourth,
    HighFourth,
    LowOrHigh,
    NeighboursFinger,
    FingerSlides,
    FingerInTwoPlaces,
    FingerSubstituted,
    FingerHops,
    TwoHeights,
    Crossing,
    CrossingInSlur,
    StringSkipped,
    FourthForOpen,
    OpenForFourth,
    AboveFirst,
    FingerForOpen,
    HandSlide,
    OtherFingerInLine,
    OtherThanBefore,
    NotPinned,
}

/// <summary>One named part of a way's cost.</summary>
public readonly record struct CostPart(CostKind Kind, int Amount);

/// <summary>
/// The cost of a way through a line: a sum over single notes, neighbours, and three notes in a row. The solver and every explanation use this one definition.
/// </summary>
public sealed class FingerCost
{
    private const int TwoPlaces = 1;
    private const int ThereAndBack = 2;
    private readonly Instrument _instrument;
    private readonly FingerWeights _weights;
    private readonly FourthFinger _fourth;
    private readonly HandFrame[] _frames;
    private readonly bool[][] _moved;
    private readonly bool _fourthMatchesOpen;
    private readonly int _firstHeight;

    /// <summary>For each frame what it costs to begin there: the hand comes from the lowest positions, as freely as after an open string.</summary>
    private readonly int[] _begin;

    /// <summary>For two frames: the hand leaves one height for another, other than by a small slide.</summary>
    private readonly bool[,] _shifts;

    public FingerCost(Instrument instrument, FingerWeights weights, FourthFinger fourth)
    {
        (_instrument, _weights, _fourth) = (instrument, weights, fourth);
        _frames = [.. instrument.Frames];
        _moved =
        [
            .. _frames.Select(f =>
                Enumerable
                    .Range(0, 5)
                    .Select(finger => f.Stretch != Stretch.None && f.Spots.Any(s => s.Finger == finger && s.Moved))
                    .ToArray()
            ),
        ];
        _fourthMatchesOpen = instrument.FingersByLetter;
        Threes = [0, weights.FingerInTwoPlaces, weights.FrameThereAndBack, weights.FingerInTwoPlaces + weights.FrameThereAndBack];
        _begin =
        [
            .. _frames.Select(f =>
                f.IsHome ? 0 : _frames.Where(h => h.IsHome).Min(h => instrument.Moves.Cost(h, f)) * weights.ShiftFromOpen / 100
            ),
        ];
        _firstHeight = _frames.First(f => f.Position == "I").Height;
        _shifts = new bool[_frames.Length, _frames.Length];
        for (var a = 0; a < _frames.Length; a++)
        {
            for (var b = 0; b < _frames.Length; b++)
                _shifts[a, b] = _frames[a].Height != _frames[b].Height && !instrument.Moves.IsSlide(_frames[a], _frames[b]);
        }
    }

    /// <summary>Cost of one note by itself.</summary>
    public int Note(LatticeStep step, in Placement at, List<CostPart>? parts = null)
    {
        var frame = _frames[at.Frame];
        var sum = new Sum(parts);
        if (!frame.AllowedByDefault)
            sum.Add(CostKind.OutsidePositions, _weights.OutsidePositions);
        if (!at.IsOpen && frame.Height > _firstHeight)
            sum.Add(CostKind.AboveFirst, _weights.AboveFirst * (frame.Height - _firstHeight));
        if (step.Fourth == FourthReason.None && StandsForOpen(at))
            sum.Add(CostKind.FourthForOpen, _fourth == FourthFinger.FourthFirst ? 0 : _weights.FourthWithoutReason);
        return sum.Total;
    }

    /// <summary>What a finger's place asks of the hand. A repeated note pays once: whatever repeats stays as it is.</summary>
    private void Arrive(ref Sum sum, in Placement at)
    {
        var frame = _frames[at.Frame];
        if (!_fourthMatchesOpen && SoundsAsNextOpen(at))
            sum.Add(CostKind.FingerForOpen, _weights.FingerForOpen);
        if (frame.Stretch != Stretch.None)
        {
            sum.Add(CostKind.StretchedHand, _weights.StretchedHand);
            if (_moved[at.Frame][at.Finger])
                sum.Add(CostKind.StretchedFinger, _weights.StretchedFinger);
        }
        else if (at.Reach)
        {
            sum.Add(CostKind.ExtendedFourth, _weights.ExtendedFourth);
        }

        if (at.Word is PlaceWord.High && at.Finger == 4)
            sum.Add(CostKind.HighFourth, _weights.HighFourth);
        else if (at.Word is PlaceWord.Low or PlaceWord.High)
            sum.Add(CostKind.LowOrHigh, _weights.LowOrHigh);
        if (!at.OwnLetter)
            sum.Add(CostKind.NeighboursFinger, _weights.NeighboursFinger);
    }

    /// <summary>Another finger for a note of the line costs something, so that a line may have to be solved again for it.</summary>
    internal bool PricesOtherFingers => _weights is not { OtherFingerInLine: 0, OtherFingerInBar: 0 };

    /// <summary>Playing a bar otherwise than the first time costs something.</summary>
    internal bool PricesOtherThanBefore => _weights is not { OtherThanBefore: 0, OtherThanBeforeAtSeam: 0 };

    /// <summary>Cost of leaving what the same note has elsewhere, or what the teacher fixed. Zero at almost every note.</summary>
    public int Habit(LatticeStep step, in Placement at, List<CostPart>? parts = null)
    {
        var sum = new Sum(parts);
        if (!step.Allows(at))
            sum.Add(CostKind.NotPinned, FingerWeights.NotPinned);
        if (step.Habit is not { } habit)
            return sum.Total;
        if (habit.InLine is { } usual && !at.IsOpen && !StandsForOpen(at) && !usual.SamePair(at))
            sum.Add(CostKind.OtherFingerInLine, habit.InBar ? _weights.OtherFingerInBar : _weights.OtherFingerInLine);
        if (habit.AsBefore is { } before && !before.SamePair(at))
            sum.Add(CostKind.OtherThanBefore, habit.AtSeam ? _weights.OtherThanBeforeAtSeam : _weights.OtherThanBefore);
        return sum.Total;
    }

    /// <summary>Cost of going from one note to the next.</summary>
    public int Step(LatticeStep step, in Placement from, in Placement to, List<CostPart>? parts = null)
    {
        var sum = new Sum(parts);
        if (from.Frame != to.Frame)
            FrameChange(ref sum, step, from, to);
        if (from.Frame != to.Frame || !from.SamePair(to))
            Arrive(ref sum, to);
        if (step.Apart)
            return sum.Total;

        var crossed = Math.Abs(to.String - from.String);
        if (crossed > 0)
        {
            sum.Add(CostKind.Crossing, _weights.Crossing);
            if (step.Slurred)
                sum.Add(CostKind.CrossingInSlur, _weights.CrossingInSlur);
            if (crossed > 1)
                sum.Add(CostKind.StringSkipped, (crossed - 1) * _weights.StringSkipped);
        }

        if (from.Finger == to.Finger && to.Finger != 0)
        {
            if (crossed == 0 && from.Semitones != to.Semitones && _frames[from.Frame].Position == _frames[to.Frame].Position)
                sum.Add(CostKind.FingerSlides, _weights.FingerSlides);
            else if (crossed == 1 && from.Semitones == to.Semitones)
                sum.Add(CostKind.FingerHops, _weights.FingerHops);
            else if (crossed == 1)
                sum.Add(CostKind.TwoHeights, _weights.TwoHeights);
        }
        else if (crossed == 0 && from.Semitones == to.Semitones && from.Finger != to.Finger)
        {
            sum.Add(CostKind.FingerSubstituted, _weights.FingerSubstituted);
        }

        if (_fourthMatchesOpen)
            FourthOrOpen(ref sum, step, from, to);
        return sum.Total;
    }

    private void FrameChange(ref Sum sum, LatticeStep step, in Placement from, in Placement to)
    {
        var before = _frames[from.Frame];
        var after = _frames[to.Frame];
        if (before.Height == after.Height)
        {
            var held =
                from.Finger > 1 && to.Finger > 1 && (before.Stretch == Stretch.Forward || after.Stretch == Stretch.Forward)
                    ? _weights.StretchOffUpperFinger
                    : 0;
            if (after.Stretch != Stretch.None)
                sum.Add(CostKind.OpenStretch, _weights.OpenStretch + held);
            else
                sum.Add(CostKind.CloseStretch, _weights.CloseStretch + held);
            return;
        }

        var move = _instrument.Moves.Cost(before, after);
        var onOneFinger = from.Finger == to.Finger && from.String == to.String && to.Finger > 0;
        if (!_shifts[from.Frame, to.Frame])
        {
            sum.Add(
                CostKind.HandSlide,
                move * (from.IsOpen || step.AfterRest ? _weights.SlideOfAFreeHand : 100) / 100 + (onOneFinger ? 1 : 0)
            );
            return;
        }

        move = move * MomentPercent(step, from, to) / 100;
        if (step.Slurred)
            move += _weights.ShiftInSlur;
        if (onOneFinger && to.Finger > 2)
            move += _weights.ShiftOnUpperFinger;
        sum.Add(CostKind.Shift, move);
        sum.Add(CostKind.Start, after.Reluctance);
        if (after.Stretch != Stretch.None)
            sum.Add(CostKind.OpenStretch, _weights.OpenStretch);
    }

    /// <summary>How much of a shift's cost is felt at this moment: least after an open string, then a rest, a low finger that guides the hand, the start of a bar.</summary>
    private int MomentPercent(LatticeStep step, in Placement from, in Placement to) =>
        from.IsOpen ? _weights.ShiftFromOpen
        : step.AfterRest ? _weights.ShiftAfterRest
        : from.Finger == to.Finger && from.String == to.String && to.Finger <= 2 ? _weights.ShiftOnLowFinger
        : step.StartsBar && !step.Slurred ? _weights.ShiftAtBar
        : 100;

    private void FourthOrOpen(ref Sum sum, LatticeStep step, in Placement from, in Placement to)
    {
        // A repeated note pays once, so that three quick As are still one trip to the next string.
        if (StandsForOpen(to) && !from.SamePair(to))
            sum.Add(CostKind.FourthForOpen, FourthCost(step));
        if (_fourth != FourthFinger.FourthFirst)
            return;
        if (from.IsOpen && to.String < from.String)
            sum.Add(CostKind.OpenForFourth, _weights.OpenFourthFirst);
        else if (to.IsOpen && step.IsLast && from.String == to.String - 1)
            sum.Add(CostKind.OpenForFourth, _weights.OpenFourthFirst);
    }

    /// <summary>Cost that shows only over three notes in a row.</summary>
    public int Three(in Placement first, in Placement middle, in Placement last, List<CostPart>? parts = null)
    {
        var shown = Ends(first, last) & Into(first, middle);
        if ((shown & TwoPlaces) != 0)
            parts?.Add(new CostPart(CostKind.FingerInTwoPlaces, _weights.FingerInTwoPlaces));
        if ((shown & ThereAndBack) != 0)
            parts?.Add(new CostPart(CostKind.FrameThereAndBack, _weights.FrameThereAndBack));
        return Threes[shown];
    }

    /// <summary>What three notes cost, by what both their ends and their first step allow: bits of <see cref="Ends"/> and <see cref="Into"/>.</summary>
    internal int[] Threes { get; }

    /// <summary>What the first and the last of three notes would make of the right one between them: one finger at two places; one height again.</summary>
    internal byte Ends(in Placement first, in Placement last) =>
        (byte)(
            (
                first.Finger == last.Finger
                && first.Finger != 0
                && first.String == last.String
                && first.Semitones != last.Semitones
                && _frames[first.Frame].Height == _frames[last.Frame].Height
                    ? TwoPlaces
                    : 0
            ) | (_frames[first.Frame].Height == _frames[last.Frame].Height ? ThereAndBack : 0)
        );

    /// <summary>What the step from the first to the middle of three notes would make of the right last one: another finger between; a shift away.</summary>
    internal byte Into(in Placement first, in Placement middle) =>
        (byte)((middle.Finger != first.Finger ? TwoPlaces : 0) | (_shifts[first.Frame, middle.Frame] ? ThereAndBack : 0));

    /// <summary>Cost of beginning a line with a note in this way.</summary>
    public int First(LatticeStep step, in Placement at, List<CostPart>? parts = null)
    {
        var sum = new Sum(parts);
        sum.Add(CostKind.Start, _frames[at.Frame].Reluctance + _begin[at.Frame]);
        if (_frames[at.Frame].Stretch != Stretch.None)
            sum.Add(CostKind.OpenStretch, _weights.OpenStretch);
        Arrive(ref sum, at);
        if (StandsForOpen(at))
            sum.Add(CostKind.FourthForOpen, FourthCost(step));
        return sum.Total;
    }

    /// <summary>Total cost of one way through a lattice: one choice a step. What the solver minimises.</summary>
    public int Of(FingerLattice lattice, IReadOnlyList<int> way)
    {
        var total = 0;
        for (var i = 0; i < lattice.Steps.Count; i++)
        {
            var at = lattice.Steps[i].Choices[way[i]];
            total += Note(lattice.Steps[i], at) + Habit(lattice.Steps[i], at);
            if (i == 0)
                total += First(lattice.Steps[0], at);
            else
                total += Step(lattice.Steps[i], lattice.Steps[i - 1].Choices[way[i - 1]], at);
            if (i > 1)
                total += Three(lattice.Steps[i - 2].Choices[way[i - 2]], lattice.Steps[i - 1].Choices[way[i - 1]], at);
        }

        return total;
    }

    /// <summary>A fourth finger where the next open string sounds the same.</summary>
    internal bool StandsForOpen(in Placement p) => p.Finger == 4 && _fourthMatchesOpen && SoundsAsNextOpen(p);

    private bool SoundsAsNextOpen(in Placement p) =>
        p.Finger > 0
        && p.String + 1 < _instrument.Strings.Count
        && p.Semitones == _instrument.Strings[p.String + 1].Midi - _instrument.Strings[p.String].Midi;

    private int FourthCost(LatticeStep step) =>
        (_fourth, step.Fourth) switch
        {
            (FourthFinger.FourthFirst, _) => _weights.FourthFourthFirst,
            (_, FourthReason.None) => 0,
            (FourthFinger.OpenFirst, FourthReason.Quick) => _weights.FourthWithoutReason,
            (FourthFinger.OpenFirst, _) => _weights.FourthOpenFirstInSlur,
            _ => _weights.FourthBalanced,
        };

    private struct Sum(List<CostPart>? parts)
    {
        public int Total { get; private set; }

        public void Add(CostKind kind, int amount)
        {
            Total += amount;
            if (amount != 0)
                parts?.Add(new CostPart(kind, amount));
        }
    }
}
