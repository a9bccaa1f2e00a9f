using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Knowledge;

/// <summary>
/// One instrument in its first year: its strings in the order in which they are taken up, and what lies on them.
/// </summary>
internal sealed class FirstYear
{
    private readonly Instrument _instrument;

    public FirstYear(Instrument instrument)
    {
        _instrument = instrument;
        // The D string and the one above it carry the first scale; an instrument without a D string begins on its
        // second.
        var d = instrument
            .Strings.Index()
            .Where(s => s.Item.Letter == Letter.D)
            .Select(s => s.Index)
            .DefaultIfEmpty(1)
            .Last();
        First = d + 1 < instrument.Strings.Count ? [d, d + 1] : [d];
        Later =
        [
            .. Enumerable.Range(0, d).Reverse(),
            .. Enumerable.Range(0, instrument.Strings.Count).Where(s => s > First[^1]),
        ];
    }

    /// <summary>The strings of the first scale, 0 = lowest sounding.</summary>
    public IReadOnlyList<int> First { get; }

    /// <summary>The others, in the order in which they come: downwards, then upwards.</summary>
    public IReadOnlyList<int> Later { get; }

    public IEnumerable<int> All => First.Concat(Later);

    public KnownNote Open(int s) => new(_instrument.Id, _instrument.Strings[s], _instrument.Strings[s]);

    /// <summary>
    /// Notes at some heights on a string, each with the finger and the position that play it; none where no first hand
    /// does.
    /// </summary>
    /// <param name="wanted">Which of the spellings; all with at most one sharp or flat that the scale of D major has,
    /// where none is asked for.</param>
    public IEnumerable<KnownThing> At(int s, int[] semitones, Func<Pitch, bool>? wanted = null) =>
        semitones
            .SelectMany(n => Spelled(s, n))
            .Where(wanted ?? IsPlain)
            .Select(p => (Pitch: p, Way: Plain(s, p)))
            .Where(x => x.Way is { } way && (wanted is not null || way.Word == PlaceWord.Regular))
            .SelectMany(x => Things(x.Pitch, x.Way!.Value));

    /// <summary>
    /// What the octave of the first scale needs beyond the closed hand on its strings: on the bass, third position.
    /// </summary>
    public IEnumerable<KnownThing> RestOfTheScale()
    {
        var tonic = _instrument.Strings[First[0]];
        var key = new KeySignature(2);
        Pitch[] rest =
        [
            .. Enumerable
                .Range(tonic.Step, 8)
                .Select(step => key.Apply(Pitch.FromStep(step)))
                .Where(p => !First.Any(s => Reached(s, p))),
        ];
        if (tonic.Letter != Letter.D || rest.Length == 0)
            return [];
        var top = First[^1];
        return _instrument
                .Frames.Index()
                .Where(f => _instrument.BeginnerHeights.Contains(f.Item.Height))
                .Select(f => rest.Select(p => (Pitch: p, Way: Way(top, p, f.Index))).ToArray())
                .FirstOrDefault(ways => ways.All(w => w.Way is not null))
                ?.SelectMany(w => Things(w.Pitch, w.Way!.Value))
            ?? [];
    }

    /// <summary>
    /// The positions after the first: those that beginners are allowed, else the third, where finger 1 stands where
    /// finger 3 was.
    /// </summary>
    public IEnumerable<KnownThing> NextPositions()
    {
        HandFrame[] others = [.. _instrument.Frames.Where(f => f.Height != _instrument.FirstHeight)];
        var third = _instrument
            .Frames[_instrument.FirstFrame]
            .Spots.Where(s => s.Finger == 3)
            .Select(s => s.Semitones)
            .FirstOrDefault();
        HandFrame[] allowed = [.. others.Where(f => _instrument.BeginnerHeights.Contains(f.Height))];
        return (allowed.Length > 0 ? allowed : others.Where(f => f.Height == third))
            .Select(f => f.Position)
            .Distinct()
            .Select(p => new KnownPosition(_instrument.Id, p));
    }

    private bool Reached(int s, Pitch pitch)
    {
        var semitones = _instrument.SemitonesAbove(s, pitch);
        return semitones == 0 || semitones > 0 && semitones <= 5 && Plain(s, pitch) is { Word: PlaceWord.Regular };
    }

    /// <summary>
    /// How a note is first played on a string: in first position, else in another that the hand lives in.
    /// </summary>
    private Placement? Plain(int s, Pitch pitch) =>
        _instrument
            .Frames.Index()
            .Where(f => f.Item.IsHome)
            .OrderBy(f => f.Item.Height == _instrument.FirstHeight ? 0 : 1)
            .ThenBy(f => f.Item.Stretch)
            .Select(f => Way(s, pitch, f.Index))
            .FirstOrDefault(w => w is not null);

    private Placement? Way(int s, Pitch pitch, int frame) =>
        Placements
            .Fingered(_instrument, pitch)
            .Where(p => p.String == s && p.Frame == frame && p.OwnLetter && !p.Reach)
            .Select(p => (Placement?)p)
            .FirstOrDefault();

    private IEnumerable<KnownThing> Things(Pitch pitch, Placement way) =>
        [
            new KnownNote(_instrument.Id, _instrument.Strings[way.String], pitch),
            new KnownFinger(_instrument.Id, way.Place),
            new KnownPosition(_instrument.Id, _instrument.Frames[way.Frame].Position),
        ];

    /// <summary>The spellings of a height with at most one sharp or flat.</summary>
    private IEnumerable<Pitch> Spelled(int s, int semitones)
    {
        var open = _instrument.Strings[s];
        return Enumerable
            .Range(open.Step, 7)
            .SelectMany(step => new[] { 0, 1, -1 }.Select(alter => Pitch.FromStep(step, alter)))
            .Where(p => p.Midi == open.Midi + semitones);
    }

    /// <summary>A natural, or one of the first sharps.</summary>
    private static bool IsPlain(Pitch pitch) =>
        pitch.Alter == 0 || pitch is { Alter: 1, Letter: Letter.F or Letter.C or Letter.G };
}
