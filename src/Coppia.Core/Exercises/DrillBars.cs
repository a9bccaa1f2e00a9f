using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>Collects the bars of a drill for the left hand: note after note on the beats, or slowly.</summary>
internal sealed class DrillBars(TimeSignature meter)
{
    private readonly List<IReadOnlyList<PairedNote>> _bars = [];
    private readonly NoteValue _beat = NoteValue.Exactly(meter.Beat)!.Value;

    public IReadOnlyList<IReadOnlyList<PairedNote>> All => _bars;

    /// <summary>Notes on the beats; the last one sounds to the end of its bar.</summary>
    public void OnBeats(params IEnumerable<PairedNote> notes)
    {
        foreach (var bar in notes.Chunk(meter.Beats))
        {
            var left = new Fraction(meter.Beats - bar.Length + 1, 1) * meter.Beat;
            _bars.Add([.. bar[..^1].Select(n => n with { Value = _beat }), bar[^1] with { Value = NoteValue.Exactly(left) ?? _beat }]);
        }
    }

    /// <summary>Two notes to a bar where it has an even number of beats, else one.</summary>
    public void Slowly(params IEnumerable<PairedNote> notes)
    {
        var perBar = meter.Beats % 2 == 0 && !meter.IsCompound ? 2 : 1;
        var value = NoteValue.Exactly(meter.BarLength * new Fraction(1, perBar)) ?? _beat;
        _bars.AddRange(notes.Chunk(perBar).Select(bar => bar.Select(n => n with { Value = value }).ToArray()));
    }
}
