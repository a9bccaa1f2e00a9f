using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>A note or rest of a rhythm, without its pitch.</summary>
internal readonly record struct Beat(NoteValue Value, bool IsRest = false);

/// <summary>
/// The smallest rhythms that beginners learn as one thing: a value, a pair of eighths, four sixteenths.
/// </summary>
/// <param name="Beats">Its notes and rests.</param>
/// <param name="Difficulty">0 to 4, in the usual order of a first year (craft 15).</param>
internal sealed record RhythmCell(IReadOnlyList<Beat> Beats, int Difficulty)
{
    public Fraction Length { get; } = Beats.Aggregate(Fraction.Zero, (sum, b) => sum + b.Value.Length);

    public bool IsRest => Beats.All(b => b.IsRest);

    private static readonly NoteValue Triplet = new(3, 0, 3, 2);

    private static readonly RhythmCell[] Simple =
    [
        Cell(0, "1/4"),
        Cell(0, "1/2"),
        Cell(0, "1/1"),
        Cell(1, "1/8 1/8"),
        Cell(1, "3/4"),
        Cell(1, "z1/4"),
        Cell(2, "z1/2"),
        Cell(3, "3/8 1/8"),
        Cell(3, "1/16 1/16 1/16 1/16"),
        Cell(3, "z1/8 1/8"),
        Cell(4, "1/8 1/16 1/16"),
        Cell(4, "1/16 1/16 1/8"),
        Cell(4, "3/16 1/16"),
        new([new(Triplet), new(Triplet), new(Triplet)], 4),
    ];

    private static readonly RhythmCell[] Compound =
    [
        Cell(0, "3/8"),
        Cell(0, "1/8 1/8 1/8"),
        Cell(1, "1/4 1/8"),
        Cell(1, "3/4"),
        Cell(2, "z3/8"),
        Cell(3, "1/8 1/4"),
        Cell(4, "3/16 1/16 1/8"),
    ];

    /// <summary>The cells of a meter that use only these values, the easiest first.</summary>
    /// <param name="mayRest">Which rests may be among them.</param>
    public static IReadOnlyList<RhythmCell> Of(
        TimeSignature meter,
        IReadOnlySet<NoteValue> values,
        Func<NoteValue, bool> mayRest
    ) =>
        [
            .. (meter.IsCompound ? Compound : Simple)
                .Where(c =>
                    c.Length <= meter.BarLength
                    && c.Beats.All(b => values.Contains(b.Value) && (!b.IsRest || mayRest(b.Value)))
                )
                .OrderBy(c => c.Difficulty),
        ];

    /// <summary>The values of a request, or those that the class knows and what the meter cannot do without.</summary>
    public static IReadOnlySet<NoteValue> ValuesOf(SheetRequest request)
    {
        if (request.Values.Count > 0)
            return request.Values.ToHashSet();
        var known = request
            .First.Known.Values.Where(v => request.Players.All(p => p.Known.Values.Contains(v)))
            .ToHashSet();
        if (request.MusicMeter.IsCompound)
            known.UnionWith([new NoteValue(2, 1), NoteValue.Quarter, new NoteValue(3)]);
        return known;
    }

    private static RhythmCell Cell(int difficulty, string values) =>
        new([.. values.Split(' ').Select(v => new Beat(Value(v.TrimStart('z')), v[0] == 'z'))], difficulty);

    private static NoteValue Value(string length)
    {
        var parts = length.Split('/');
        return NoteValue.Exactly(new Fraction(long.Parse(parts[0], null), long.Parse(parts[1], null)))!.Value;
    }
}
