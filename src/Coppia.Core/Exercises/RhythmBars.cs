using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>
/// Makes bars of rhythm out of cells: each bar around one cell that it is to train, the rest no harder.
/// </summary>
internal sealed class RhythmBars
{
    private readonly TimeSignature _meter;
    private readonly Seeded _seeded;

    /// <exception cref="SheetImpossibleException">No bar of the meter can be filled with the values.</exception>
    public RhythmBars(SheetRequest request, Seeded seeded, bool rests = true)
    {
        (_meter, _seeded) = (request.MusicMeter, seeded);
        var cells = RhythmCell.Of(_meter, RhythmCell.ValuesOf(request), value => rests && request.MayRest(value));
        // A cell that no bar can be filled around is no use.
        Cells = [.. cells.Where(c => !c.IsRest && Cut(c, cells) is not null)];
        if (Cells.Count > 0)
            Cells = [.. cells.Where(c => Cut(c, cells) is { } bar && bar.Exists(cell => !cell.IsRest))];
        if (Cells.Count == 0)
            throw request.Impossible(SheetFault.NoValues);
    }

    /// <summary>The cells that bars can be made around, the easiest first; at least one.</summary>
    public IReadOnlyList<RhythmCell> Cells { get; }

    /// <summary>A bar that holds the cell.</summary>
    public IReadOnlyList<RhythmCell> Around(RhythmCell cell) => Cut(cell, Cells)!;

    /// <summary>The same, as its notes and rests.</summary>
    public IReadOnlyList<Beat> BarAround(RhythmCell cell) => [.. Around(cell).SelectMany(c => c.Beats)];

    private List<RhythmCell>? Cut(RhythmCell focus, IReadOnlyList<RhythmCell> cells)
    {
        // Around an easy cell one may still be a little harder, so that a bar is more than one value over and over.
        RhythmCell[] others = [.. cells.Where(c => c.Difficulty <= Math.Max(focus.Difficulty, 1))];
        var step = _meter.FeltBeat;
        var places = _meter.BarLength.WholeTimes(step);
        foreach (var place in _seeded.Shuffled(Enumerable.Range(0, (int)places)))
        {
            var at = new Fraction(place, 1) * step;
            if (!MayStand(focus, at))
                continue;
            if (
                Fill(Fraction.Zero, at, others, focus.IsRest) is { } before
                && Fill(at + focus.Length, _meter.BarLength, others, focus.IsRest || before.Exists(c => c.IsRest))
                    is { } after
            )
                return [.. before, focus, .. after];
        }

        return null;
    }

    private List<RhythmCell>? Fill(Fraction from, Fraction to, RhythmCell[] cells, bool rested)
    {
        if (from == to)
            return [];
        foreach (var cell in _seeded.Shuffled(cells))
        {
            if (from + cell.Length > to || cell.IsRest && rested || !MayStand(cell, from))
                continue;
            if (Fill(from + cell.Length, to, cells, rested || cell.IsRest) is { } rest)
                return [cell, .. rest];
        }

        return null;
    }

    /// <summary>
    /// A longer value does not hide the middle of a bar of four, save a dotted half after one beat (common practice of
    /// first books).
    /// </summary>
    private bool MayStand(RhythmCell cell, Fraction at)
    {
        if (at + cell.Length > _meter.BarLength)
            return false;
        var half = _meter.BarLength * new Fraction(1, 2);
        var evenBar = !_meter.IsCompound && _meter.Beats % 2 == 0;
        return !evenBar
            || at >= half
            || at + cell.Length <= half
            || at.IsZero
            || cell.Length == new Fraction(3, 4) && cell.Beats.Count == 1;
    }
}
