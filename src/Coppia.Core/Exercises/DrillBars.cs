using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>
/// Collects the bars of a drill for the left hand, note after note on the beats or slowly, in the values that are asked
/// for or else in those that the class knows.
/// </summary>
internal sealed class DrillBars
{
    private readonly SheetRequest _request;
    private readonly Fraction _bar;
    private readonly NoteValue _quick;
    private readonly NoteValue _slow;
    private readonly List<IReadOnlyList<PairedNote>> _bars = [];

    /// <exception cref="SheetImpossibleException">None of the values that are asked for fills a bar.</exception>
    public DrillBars(SheetRequest request)
    {
        _request = request;
        var meter = request.DrillMeter;
        _bar = meter.BarLength;
        if (request.Values.Count > 0)
        {
            // Asked for several, a drill is slow in the longest and quick in the shortest.
            NoteValue[] filling = [.. request.Values.Where(request.FillsDrillBar).OrderBy(v => v.Length)];
            if (filling.Length < request.Values.Count)
                throw request.Impossible(SheetFault.NoValues);
            (_quick, _slow) = (filling[0], filling[^1]);
            return;
        }

        _quick = NoteValue.Exactly(meter.Beat)!.Value;
        // Two notes to a bar where it has an even number of beats, else one.
        var perBar = meter.Beats % 2 == 0 && !meter.IsCompound ? 2 : 1;
        _slow = NoteValue.Exactly(_bar * new Fraction(1, perBar)) is { } slow && request.MayWrite(slow) ? slow : _quick;
    }

    public IReadOnlyList<IReadOnlyList<PairedNote>> All => _bars;

    /// <summary>
    /// Notes on the beats; the last one sounds to the end of its bar, or they begin again until it is full.
    /// </summary>
    public void OnBeats(params IEnumerable<PairedNote> notes) => Pour([.. notes], _quick);

    /// <summary>Notes that are held long.</summary>
    public void Slowly(params IEnumerable<PairedNote> notes) => Pour([.. notes], _slow);

    private void Pour(PairedNote[] notes, NoteValue value)
    {
        var perBar = (int)_bar.WholeTimes(value.Length);
        foreach (var chunk in notes.Chunk(perBar))
        {
            PairedNote[] bar = [.. chunk.Select(n => n with { Value = value })];
            var left = _bar - value.Length * new Fraction(bar.Length - 1, 1);
            if (NoteValue.Exactly(left) is { } last && _request.MayWrite(last))
                bar[^1] = bar[^1] with { Value = last };
            else
                bar = [.. Enumerable.Range(0, perBar).Select(i => bar[i % bar.Length])];
            _bars.Add(bar);
        }
    }
}
