namespace Coppia.Core;

/// <summary>Why a way costs something.</summary>
public enum CostKind
{
    OutsidePositions, Shift, FrameThereAndBack, Start, OpenStretch, CloseStretch, StretchedHand, StretchedFinger, HighFourth, LowOrHigh, NeighboursFinger,
    FingerSlides, FingerInTwoPlaces, FingerSubstituted, FingerHops, TwoHeights, Crossing, CrossingInSlur, StringSkipped, FourthForOpen, OpenForFourth, AboveFirst, FingerForOpen,
}

/// <summary>One named part of a way's cost.</summary>
public readonly record struct CostPart(CostKind Kind, int Amount);

/// <summary>
/// The cost of a way through a line: a sum over single notes, neighbours, and three notes in a row. The solver and every explanation use this one definition.
/// </summary>
public sealed class FingerCost(Instrument instrument, FingerWeights weights, FourthFinger fourth)
{
    private readonly bool _fourthMatchesOpen = instrument.FingersByLetter;
    private readonly HandFrame[] _frames = [.. instrument.Frames];
    private readonly bool[][] _moved = [.. instrument.Frames.Select(f => Enumerable.Range(0, 5).Select(finger => f.Spots.Any(s => s.Finger == finger && s.Moved)).ToArray())];
    private readonly int _firstHeight = instrument.Frames.First(f => f.Position == "I").Height;

    /// <summary>Cost of one note by itself.</summary>
    public int Note(LatticeStep step, in Placement at, List<CostPart>? parts = null)
    {
        var frame = _frames[at.Frame];
        var cost = 0;
        if (step.IsFirst) Add(CostKind.Start, frame.Reluctance);
        if (!frame.AllowedByDefault) Add(CostKind.OutsidePositions, weights.OutsidePositions);
        if (!at.IsOpen && frame.Height > _firstHeight) Add(CostKind.AboveFirst, weights.AboveFirst * (frame.Height - _firstHeight));
        if (!_fourthMatchesOpen && SoundsAsNextOpen(at)) Add(CostKind.FingerForOpen, weights.FingerForOpen);
        if (frame.Stretch != Stretch.None)
        {
            Add(CostKind.StretchedHand, weights.StretchedHand + (step.IsFirst ? weights.OpenStretch : 0));
            if (_moved[at.Frame][at.Finger]) Add(CostKind.StretchedFinger, weights.StretchedFinger);
        }

        if (at.Word is PlaceWord.High && at.Finger == 4) Add(CostKind.HighFourth, weights.HighFourth);
        else if (at.Word is PlaceWord.Low or PlaceWord.High) Add(CostKind.LowOrHigh, weights.LowOrHigh);
        if (!at.OwnLetter) Add(CostKind.NeighboursFinger, weights.NeighboursFinger);
        return cost;

        void Add(CostKind kind, int amount)
        {
            cost += amount;
            if (amount != 0) parts?.Add(new CostPart(kind, amount));
        }
    }

    /// <summary>Cost of going from one note to the next.</summary>
    public int Step(LatticeStep step, in Placement from, in Placement to, List<CostPart>? parts = null)
    {
        var cost = 0;
        if (from.Frame != to.Frame) FrameChange(from, to);
        if (step.Apart) return cost;

        var crossed = Math.Abs(to.String - from.String);
        if (crossed > 0)
        {
            Add(CostKind.Crossing, weights.Crossing);
            if (step.Slurred) Add(CostKind.CrossingInSlur, weights.CrossingInSlur);
            if (crossed > 1) Add(CostKind.StringSkipped, (crossed - 1) * weights.StringSkipped);
        }

        if (from.Finger == to.Finger && to.Finger != 0)
        {
            if (crossed == 0 && from.Semitones != to.Semitones && _frames[from.Frame].Position == _frames[to.Frame].Position) Add(CostKind.FingerSlides, weights.FingerSlides);
            else if (crossed == 1) Add(from.Semitones == to.Semitones ? CostKind.FingerHops : CostKind.TwoHeights, from.Semitones == to.Semitones ? weights.FingerHops : weights.TwoHeights);
        }
        else if (crossed == 0 && from.Semitones == to.Semitones)
        {
            Add(CostKind.FingerSubstituted, weights.FingerSubstituted);
        }

        if (_fourthMatchesOpen) FourthOrOpen(from, to);
        return cost;

        void FrameChange(in Placement from, in Placement to)
        {
            var before = _frames[from.Frame];
            var after = _frames[to.Frame];
            if (before.Height != after.Height)
            {
                var shift = weights.Shift + weights.ShiftPerSemitone * Math.Abs(after.Height - before.Height);
                Add(CostKind.Shift, from.IsOpen || step.AfterRest ? shift / 2 : shift);
                if (from.Finger == to.Finger && from.String == to.String && to.Finger > 0) Add(CostKind.Shift, weights.ShiftOnOneFinger);
                Add(CostKind.Start, after.Reluctance);
                if (after.Stretch != Stretch.None) Add(CostKind.OpenStretch, weights.OpenStretch);
                return;
            }

            var held = from.Finger > 1 && to.Finger > 1 && (before.Stretch == Stretch.Forward || after.Stretch == Stretch.Forward) ? weights.StretchOffUpperFinger : 0;
            if (after.Stretch != Stretch.None) Add(CostKind.OpenStretch, weights.OpenStretch + held);
            else Add(CostKind.CloseStretch, weights.CloseStretch + held);
        }

        void FourthOrOpen(in Placement from, in Placement to)
        {
            // A repeated note pays once, so that three quick As are still one trip to the next string.
            if (StandsForOpen(to) && !from.SamePair(to)) Add(CostKind.FourthForOpen, FourthCost(step));
            if (fourth != FourthFinger.FourthFirst) return;
            if (from.IsOpen && to.String < from.String) Add(CostKind.OpenForFourth, weights.OpenFourthFirst);
            else if (to.IsOpen && step.IsLast && from.String == to.String - 1) Add(CostKind.OpenForFourth, weights.OpenFourthFirst);
        }

        void Add(CostKind kind, int amount)
        {
            cost += amount;
            if (amount != 0) parts?.Add(new CostPart(kind, amount));
        }
    }

    /// <summary>Cost that shows only over three notes in a row.</summary>
    public int Three(in Placement first, in Placement middle, in Placement last, List<CostPart>? parts = null)
    {
        var cost = 0;
        if (first.Finger == last.Finger && first.Finger != 0 && first.String == last.String && first.Semitones != last.Semitones
            && middle.Finger != first.Finger && _frames[first.Frame].Height == _frames[last.Frame].Height)
        {
            cost += weights.FingerInTwoPlaces;
            parts?.Add(new CostPart(CostKind.FingerInTwoPlaces, weights.FingerInTwoPlaces));
        }

        var height = _frames[first.Frame].Height;
        if (height == _frames[last.Frame].Height && height != _frames[middle.Frame].Height)
        {
            cost += weights.FrameThereAndBack;
            parts?.Add(new CostPart(CostKind.FrameThereAndBack, weights.FrameThereAndBack));
        }

        return cost;
    }

    /// <summary>Cost of the first note when it is a fourth finger in place of an open string.</summary>
    public int FirstFourth(LatticeStep step, in Placement at) => _fourthMatchesOpen && StandsForOpen(at) ? FourthCost(step) : 0;

    /// <summary>Total cost of one way through a lattice: one choice a step. What the solver minimises.</summary>
    public int Of(FingerLattice lattice, IReadOnlyList<int> way)
    {
        var total = 0;
        for (var i = 0; i < lattice.Steps.Count; i++)
        {
            var at = lattice.Steps[i].Choices[way[i]];
            total += Note(lattice.Steps[i], at);
            if (i == 0) total += FirstFourth(lattice.Steps[0], at);
            else total += Step(lattice.Steps[i], lattice.Steps[i - 1].Choices[way[i - 1]], at);
            if (i > 1) total += Three(lattice.Steps[i - 2].Choices[way[i - 2]], lattice.Steps[i - 1].Choices[way[i - 1]], at);
        }

        return total;
    }

    private bool StandsForOpen(in Placement p) => p.Finger == 4 && SoundsAsNextOpen(p);

    private bool SoundsAsNextOpen(in Placement p) =>
        p.Finger > 0 && p.String + 1 < instrument.Strings.Count && p.Semitones == instrument.Strings[p.String + 1].Midi - instrument.Strings[p.String].Midi;

    private int FourthCost(LatticeStep step) => fourth switch
    {
        FourthFinger.OpenFirst => step.InSlur ? weights.FourthOpenFirstInSlur : weights.FourthOpenFirst,
        FourthFinger.FourthFirst => weights.FourthFourthFirst,
        _ => weights.FourthBalanced,
    };
}
