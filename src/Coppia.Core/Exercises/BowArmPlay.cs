using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>Long bows, quick figures and rhythms on one string and on the scale (craft 12).</summary>
internal static class BowArmPlay
{
    private static readonly NoteValue Eighth = new(3);
    private static readonly NoteValue Sixteenth = new(4);

    /// <summary>Four notes, each figure a small way up and down from its first.</summary>
    private static readonly int[][] Figures =
    [
        [0, 1, 2, 1],
        [0, 1, 2, 3],
        [0, 2, 1, 2],
        [0, 1, 0, 2],
        [3, 2, 1, 0],
        [2, 1, 0, 1],
    ];

    private static readonly Fraction[] Saved = [new(1, 2), new(3, 4), new(1, 1), new(3, 2), new(2, 1)];

    /// <summary>One bow to more and more beats, on open strings and then on the scale.</summary>
    public static IReadOnlyList<PlayQuestion> LongBows(SheetRequest request)
    {
        var ground = NoteStock.Of(request);
        int[] open = [.. ground.Open];
        int[] notes = [.. open, .. Enumerable.Range(0, ground.Count).Except(open)];
        var meter = request.MusicMeter;
        var mayTie = request.Players.All(p => p.Known.Has(Skills.Ties));
        var lengths = Saved
            .Where(l => (mayTie || l <= meter.BarLength) && Parts(l, meter).All(request.MayWrite))
            .ToArray();
        var bars = new List<IReadOnlyList<SketchNote>>();
        foreach (var (i, length) in lengths.Index())
        {
            // Down and up bow each time, on one note and on the next.
            var pair = new[] { notes[2 * i % notes.Length], notes[(2 * i + 1) % notes.Length] };
            bars.AddRange(
                pair.SelectMany(n =>
                    Sketch.Poured(Lasting(n, length, meter, request), meter, request.MayWrite, request.MayRest)
                )
            );
        }

        return Exercise.Of(request, ground, meter, bars);
    }

    /// <summary>A rest to the end of the bar where one is known, unless the note fills it.</summary>
    private static IEnumerable<SketchNote> Lasting(int note, Fraction length, TimeSignature meter, SheetRequest request)
    {
        NoteValue[] parts = [.. Parts(length, meter)];
        var over = length - new Fraction(length.WholeTimes(meter.BarLength), 1) * meter.BarLength;
        NoteValue[] rests = over.IsZero ? [] : [.. (NoteValue.Split(meter.BarLength - over) ?? []).Reverse()];
        return parts
            .Select((v, i) => new SketchNote(note, v) { TiedOn = i < parts.Length - 1 })
            .Concat(rests.All(request.MayRest) ? rests.Select(v => new SketchNote(null, v)) : []);
    }

    /// <summary>The values of a long note, from bar to bar.</summary>
    private static IEnumerable<NoteValue> Parts(Fraction length, TimeSignature meter)
    {
        for (; length > meter.BarLength; length -= meter.BarLength)
        {
            foreach (var value in NoteValue.Split(meter.BarLength)!)
                yield return value;
        }

        foreach (var value in NoteValue.Split(length)!)
            yield return value;
    }

    /// <summary>
    /// A figure of four notes: plucked, bowed, twice as fast, and twice as fast again where the class has sixteenths.
    /// </summary>
    public static IReadOnlyList<PlayQuestion> QuickFigures(SheetRequest request, Seeded seeded)
    {
        var ground = NoteStock.Of(request);
        var meter = request.DrillMeter;
        var fitting = Figures.Where(f => f.Max() < ground.Count).ToArray();
        if (fitting.Length == 0)
            throw request.Impossible(SheetFault.TooFewNotes);
        var values = QuickValues(request);
        if (!values.All(v => SheetRequest.Fills(v, meter)))
            throw request.Impossible(SheetFault.NoValues);
        var bars = new List<IReadOnlyList<SketchNote>>();
        int[] starts = [.. ground.Open.Where(o => o + 3 < ground.Count).DefaultIfEmpty(0)];
        foreach (var figure in seeded.Shuffled(fitting).Take(Math.Max(1, (request.Count ?? 8) / 4)))
        {
            var start = Math.Min(seeded.Of(starts), ground.Count - 1 - figure.Max());
            var slow = OverAndOver(figure, start, values[0], meter);
            foreach (var how in new[] { "pizz.", "arco" })
                bars.AddRange([
                    [slow[0][0] with { Words = how }, .. slow[0].Skip(1)],
                    .. slow.Skip(1),
                ]);
            bars.AddRange(values.Skip(1).SelectMany(v => OverAndOver(figure, start, v, meter)));
        }

        return Exercise.Of(request, ground, meter, bars);
    }

    /// <summary>Quarters, eighths, and sixteenths where the class has them: each twice as fast as the one
    /// before.</summary>
    private static NoteValue[] QuickValues(SheetRequest request) =>
        request.Values.Count > 0 ? [.. request.Values.OrderByDescending(v => v.Length)]
        : request.Players.All(p => p.Known.Values.Contains(Sixteenth)) ? [NoteValue.Quarter, Eighth, Sixteenth]
        : [NoteValue.Quarter, Eighth];

    /// <summary>The figure over and over, until it ends with a bar.</summary>
    private static List<SketchNote[]> OverAndOver(
        IReadOnlyList<int> figure,
        int start,
        NoteValue value,
        TimeSignature meter
    )
    {
        var perBar = (int)meter.BarLength.WholeTimes(value.Length);
        var notes = perBar;
        while (notes % figure.Count > 0)
            notes += perBar;
        var played = Enumerable.Range(0, notes).Select(i => new SketchNote(start + figure[i % figure.Count], value));
        return [.. played.Chunk(perBar)];
    }

    /// <summary>Each rhythm on one open string, on the notes of the scale, and turned round.</summary>
    public static IReadOnlyList<PlayQuestion> Rhythms(SheetRequest request, Seeded seeded)
    {
        var ground = NoteStock.Of(request with { From = [], Key = request.MusicKey });
        var on = ground.Middle;
        var bars = new List<IReadOnlyList<SketchNote>>();
        foreach (var rhythm in Different(request, seeded))
        {
            Beat[] bar = [.. rhythm.SelectMany(c => c.Beats)];
            Beat[] turned = [.. rhythm.Reverse().SelectMany(c => c.Beats)];
            Add(Sketch.On(on, bar));
            Add(Walking(bar, ground, on));
            if (!turned.SequenceEqual(bar))
                Add(Sketch.On(on, turned));
        }

        return Exercise.Of(request, ground, request.MusicMeter, bars);

        // What has just been played is not played again: one turned round may be the next one.
        void Add(IReadOnlyList<SketchNote> bar)
        {
            if (bars.Count == 0 || !bars[^1].SequenceEqual(bar))
                bars.Add(bar);
        }
    }

    /// <summary>
    /// The commonest rhythm of a tune, or a rhythm around each cell of the values, as many as fill the bars.
    /// </summary>
    private static IEnumerable<IReadOnlyList<RhythmCell>> Different(SheetRequest request, Seeded seeded)
    {
        if (
            request.From.Count > 0
            && request.From[0] is var tune
            && tune.Tune.Form.New.CommonestRhythm is { } commonest
        )
            return
            [
                [.. tune.Score.Bars[commonest].Events.Select(e => new RhythmCell([new Beat(e.Value, e.IsRest)], 0))],
            ];
        var bars = new RhythmBars(request, seeded);
        var count = Math.Max(1, (request.Count ?? 12) / 3);
        return Enumerable
            .Range(0, count)
            .Select(i => bars.Around(bars.Cells[i * bars.Cells.Count / count]))
            .DistinctBy(Text);

        static string Text(IReadOnlyList<RhythmCell> bar) =>
            string.Join(' ', bar.SelectMany(c => c.Beats).Select(b => $"{b.IsRest}{b.Value}"));
    }

    private static SketchNote[] Walking(Beat[] rhythm, NoteStock ground, int start)
    {
        var at = 0;
        var up = Math.Min(ground.Count - start, 5);
        return [.. rhythm.Select(b => new SketchNote(b.IsRest ? null : start + at++ % up, b.Value))];
    }
}
