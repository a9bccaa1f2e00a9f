using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;

namespace Coppia.Core.Fingering;

/// <summary>
/// What the hand of a player can do, looked up once from its tables: the ground on which cost rules stand.
/// </summary>
public sealed class Hand
{
    private readonly HandFrame[] _frames;
    private readonly bool[] _movedBy;
    private readonly bool[] _shifts;
    private readonly int[] _openAbove;

    public Hand(Player player)
    {
        Player = player;
        var instrument = player.Instrument;
        _frames = [.. instrument.Frames];
        _movedBy = new bool[_frames.Length * Fingers];
        foreach (var (f, frame) in _frames.Index().Where(f => f.Item.Stretch != Stretch.None))
        {
            foreach (var spot in frame.Spots.Where(s => s.Moved))
                _movedBy[f * Fingers + spot.Finger] = true;
        }

        _shifts = new bool[_frames.Length * _frames.Length];
        foreach (var (a, from) in _frames.Index())
        {
            foreach (var (b, to) in _frames.Index())
                _shifts[a * _frames.Length + b] = from.Height != to.Height && !instrument.Moves.IsSlide(from, to);
        }

        _openAbove =
        [
            .. instrument.Strings.Zip(instrument.Strings.Skip(1), (low, high) => high.Midi - low.Midi),
            int.MaxValue,
        ];
    }

    private const int Fingers = 5;

    public Player Player { get; }

    public HandFrame Frame(in Placement at) => _frames[at.Frame];

    /// <summary>The hand has moved along the neck by more than a small slide.</summary>
    public bool Shifts(in Placement from, in Placement to) => _shifts[from.Frame * _frames.Length + to.Frame];

    /// <summary>The stretch of the hand frame moved this finger.</summary>
    public bool IsMoved(in Placement at) => _movedBy[at.Frame * Fingers + at.Finger];

    /// <summary>Semitones of the hand above first position; 0 in it and below.</summary>
    public int AboveFirst(in Placement at) => Math.Max(0, Frame(at).Height - Player.Instrument.FirstHeight);

    /// <summary>A finger where the next open string sounds the same.</summary>
    public bool SoundsAsNextOpen(in Placement at) => at.Finger > 0 && at.Semitones == _openAbove[at.String];

    /// <summary>A fourth finger that schools choose or leave where the next open string sounds the same.</summary>
    public bool StandsForOpen(in Placement at) =>
        at.Finger == 4 && Player.Instrument.FourthStandsForOpen && SoundsAsNextOpen(at);

    /// <summary>What it costs to bring the hand to a frame from the nearest of the lowest positions.</summary>
    public int FromHome(in Placement at)
    {
        var frame = Frame(at);
        return frame.IsHome ? 0 : _frames.Where(h => h.IsHome).Min(h => Player.Instrument.Moves.Cost(h, frame));
    }
}
