using Coppia.Core.Instruments;

namespace Coppia.Core.Reading;

/// <summary>How the whole hand comes to a note.</summary>
internal enum HandMove
{
    Stays,

    /// <summary>Between two of the lowest positions, where that is a small slide.</summary>
    Slides,
    Shifts,
}

/// <summary>What the left hand does from one note to the next.</summary>
/// <param name="Put">Fingers newly put down, those below the playing one included.</param>
/// <param name="Lifted">Fingers that leave the string at once.</param>
/// <param name="Hops">The same finger goes to a neighbouring string.</param>
/// <param name="Changes">The finger stands at another place of its string than a moment ago.</param>
/// <param name="TwoHeights">The finger stands higher or lower than a moment ago on the neighbouring string.</param>
internal readonly record struct HandStep(
    FingerSet Put,
    FingerSet Lifted,
    bool Hops = false,
    bool Changes = false,
    bool TwoHeights = false,
    HandMove Move = HandMove.Stays
);

/// <summary>
/// Which fingers lie where while a line is played: a finger is put down with those below it, and stays for a note that
/// comes back to it from the next string, where the instrument's hands keep fingers down (craft 7 and 11). Each note is
/// looked at once.
/// </summary>
internal sealed class FingersDown
{
    /// <summary>How many notes on is still "a moment ago", and how long a finger is kept down.</summary>
    private const int AFewNotes = 4;

    private const int Fingers = 5;
    private const int Nowhere = -1;

    private readonly Placement?[] _ways;
    private readonly HandFrame[] _frames;
    private readonly Instrument _instrument;
    private readonly FingerSet[] _inFrame;

    /// <summary>For each finger the string on which it lies.</summary>
    private readonly int[] _lies = new int[Fingers];

    /// <summary>For each finger how it last played, and when.</summary>
    private readonly (Placement At, int Order)[] _played = new (Placement, int)[Fingers];

    /// <summary>The finger that waits on the string that was left; 0 for none.</summary>
    private int _kept;

    /// <summary>Where finger 1 of the hand is; null before anything was stopped.</summary>
    private HandFrame? _hand;

    public FingersDown(Coppia.Core.Fingering.Fingers fingering)
    {
        _instrument = fingering.Player.Instrument;
        _ways = [.. fingering.Notes.Select(n => n.Placement)];
        _frames = [.. _instrument.Frames];
        _inFrame = [.. _frames.Select(f => new FingerSet(f.Spots.Where(s => !s.Reach).Select(s => s.Finger)))];
        Lift();
    }

    /// <summary>The hand as it begins a line, or goes on after notes that it cannot play.</summary>
    public void Begin(int at)
    {
        Lift();
        if (_ways[at] is { } first)
            Land(first, at, First(first));
    }

    /// <summary>What the hand does to come to a note from the one before; both can be played.</summary>
    public HandStep Go(int to)
    {
        var (a, b) = (_ways[to - 1]!.Value, _ways[to]!.Value);
        var move = MoveTo(b);
        var crosses = a.String != b.String;
        if (crosses)
            Leave(a, b, to);
        if (move == HandMove.Shifts)
        {
            // What is up there is new to the whole hand; it goes as one.
            Lift();
            Land(b, to, First(b));
            return new HandStep(default, default, Hops: false, Move: move);
        }

        var lifted = Above(b);
        var put = default(FingerSet);
        var first = First(b);
        for (var finger = 1; finger <= b.Finger; finger++)
        {
            if (first.Has(finger) && _lies[finger] != b.String && !(finger == _kept && finger != b.Finger))
                put = put.And(finger);
        }

        var hops = b.Finger > 0 && a.Finger == b.Finger && Math.Abs(a.String - b.String) == 1;
        var before = _played[b.Finger];
        var moment = b.Finger > 0 && before.Order >= 0 && to - before.Order < AFewNotes && SharePosition(before.At, b);
        var other = moment && before.At.Semitones != b.Semitones;
        var step = new HandStep(
            put,
            lifted,
            hops,
            Changes: other && before.At.String == b.String,
            TwoHeights: other && Math.Abs(before.At.String - b.String) == 1,
            move
        );
        Land(b, to, put.And(b.Finger));
        return step;
    }

    private void Lift()
    {
        Array.Fill(_lies, Nowhere);
        Array.Fill(_played, (default, Nowhere));
        _kept = 0;
    }

    /// <summary>The playing finger and those that its frame has below it.</summary>
    private FingerSet First(in Placement at) => at.IsOpen ? default : _inFrame[at.Frame].UpTo(at.Finger);

    private FingerSet Above(in Placement at)
    {
        var above = default(FingerSet);
        for (var finger = at.Finger + 1; finger < Fingers; finger++)
        {
            if (_lies[finger] == at.String)
                above = above.And(finger);
        }

        return above;
    }

    private void Land(in Placement at, int order, FingerSet put)
    {
        for (var finger = 1; finger < Fingers; finger++)
        {
            if (finger > at.Finger && _lies[finger] == at.String)
                _lies[finger] = Nowhere;
            else if (put.Has(finger))
                _lies[finger] = at.String;
        }

        if (at.IsOpen)
            return;
        _lies[at.Finger] = at.String;
        _played[at.Finger] = (at, order);
        _hand = _frames[at.Frame];
    }

    private HandMove MoveTo(in Placement at)
    {
        if (at.IsOpen || _hand is not { } from || _frames[at.Frame] is var to && to.Height == from.Height)
            return HandMove.Stays;
        return _instrument.Moves.IsSlide(from, to) ? HandMove.Slides : HandMove.Shifts;
    }

    /// <summary>Fingers leave the string that is left, unless the line comes straight back to its finger.</summary>
    private void Leave(in Placement left, in Placement to, int order)
    {
        _kept = _instrument.KeepsFingersDown && ComesBack(left, order) ? left.Finger : 0;
        for (var finger = 1; finger < Fingers; finger++)
        {
            if (_lies[finger] != to.String && !(_kept > 0 && _lies[finger] == left.String))
                _lies[finger] = Nowhere;
        }
    }

    /// <summary>
    /// Within a few notes on the neighbouring strings, under other fingers, the line is back at this one.
    /// </summary>
    private bool ComesBack(in Placement held, int order)
    {
        if (held.IsOpen || held.Word is PlaceWord.Back or PlaceWord.Forward)
            return false;
        for (var k = order; k < Math.Min(_ways.Length, order + AFewNotes); k++)
        {
            if (_ways[k] is not { } at)
                return false;
            if (at.SamePair(held))
                return true;
            if (Math.Abs(at.String - held.String) != 1 || at.Finger == held.Finger || !SharePosition(at, held))
                return false;
        }

        return false;
    }

    private bool SharePosition(in Placement a, in Placement b) => _frames[a.Frame].SharesPosition(_frames[b.Frame]);
}
