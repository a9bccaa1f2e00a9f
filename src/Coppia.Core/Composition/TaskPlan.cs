using Coppia.Core.Instruments;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Composition;

/// <summary>A fixed note as a step of the scale.</summary>
/// <param name="Bar">From 1.</param>
public sealed record FixedStep(int Bar, FixedAt At, ScaleStep Step, NoteValue? Value = null);

/// <summary>
/// A task for one instrument or for several at once: its notes are steps of the scale, and move to each one's clef and
/// string.
/// </summary>
public sealed record TaskPlan
{
    public ScaleKey Key { get; init; } = new(2, ScaleForm.Major);

    public TimeSignature Meter { get; init; } = new(4, 4);

    public int Bars { get; init; } = 4;

    public IReadOnlyList<ScaleStep> Steps { get; init; } = [];

    public IReadOnlyList<NoteValue> Values { get; init; } = [NoteValue.Quarter];

    public int? MostRests { get; init; }

    public IReadOnlyList<FixedStep> Fixed { get; init; } = [];

    public bool ByHand { get; init; }

    /// <summary>
    /// Steps that are played with the fourth finger where that stands for an open string: a bonus of the upper string.
    /// </summary>
    public IReadOnlyList<ScaleStep> Fourth { get; init; } = [];

    /// <summary>Lowest tonics that were chosen, by the instrument's id; the others begin where they lie best.</summary>
    public IReadOnlyDictionary<string, Pitch> Tonics { get; init; } = new Dictionary<string, Pitch>();

    /// <summary>
    /// The task of one instrument. Steps that do not lie under its hand where a class is first taught are left out,
    /// unless they are fixed.
    /// </summary>
    public WritingTask For(Instrument instrument)
    {
        var tonic = TonicOf(instrument);
        var needed = Fixed.Select(f => f.Step).ToHashSet();
        return new WritingTask
        {
            Instrument = instrument,
            Key = Key,
            Meter = Meter,
            Bars = Bars,
            Allowed =
            [
                .. Steps
                    .Where(s => needed.Contains(s) || IsHome(instrument, s.Above(tonic, Key)))
                    .Select(s => s.Above(tonic, Key))
                    .Distinct()
                    .OrderBy(p => p.Midi),
            ],
            Values = Values,
            MostRests = MostRests,
            Fixed = [.. Fixed.Select(f => new FixedNote(f.Bar, f.At, f.Step.Above(tonic, Key), f.Value))],
            ByHand = ByHand,
        };
    }

    /// <summary>
    /// Where the steps begin on an instrument: as chosen, else where most of them lie under a beginner's hand, an open
    /// string first, the D string or the one nearest to it before the others.
    /// </summary>
    public Pitch TonicOf(Instrument instrument)
    {
        if (
            Tonics.TryGetValue(instrument.Id, out var chosen)
            && (chosen.Letter, chosen.Alter) == (Key.Tonic.Letter, Key.Tonic.Alter)
        )
            return chosen;
        var middle = instrument.FirstStep - 3;
        return TonicsFor(instrument)
            .OrderByDescending(t => Steps.Count(s => IsHome(instrument, s.Above(t, Key))))
            .ThenByDescending(t => instrument.Strings.Contains(t))
            .ThenBy(t => Math.Abs(t.Step - middle))
            .First();
    }

    /// <summary>Tonics that a beginner's hand plays on an instrument, from the lowest.</summary>
    public IReadOnlyList<Pitch> TonicsFor(Instrument instrument)
    {
        Pitch[] all = [.. Enumerable.Range(0, 8).Select(o => new Pitch(Key.Tonic.Letter, Key.Tonic.Alter, o))];
        Pitch[] home = [.. all.Where(t => IsHome(instrument, t))];
        return home.Length > 0 ? home : all;
    }

    /// <summary>An open string, or under the hand in the lowest positions, and without a stretch.</summary>
    private static bool IsHome(Instrument instrument, Pitch pitch) =>
        Placements
            .Of(instrument, pitch, instrument.FirstFrame)
            .Any(p =>
                p.IsOpen
                || instrument.Frames[p.Frame] is var f
                    && instrument.HomeHeights.Contains(f.Height)
                    && f.Stretch == Stretch.None
                    && !p.Reach
            );
}
