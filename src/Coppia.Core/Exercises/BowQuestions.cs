using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>Bars with slurs, hooks and lifts, over which the strokes are to be set (craft 8 and 12).</summary>
internal static class BowQuestions
{
    private enum Sign
    {
        None,
        Slur,
        PickUp,
        Hook,
        Lift,
    }

    private const int MostTries = 12;

    /// <exception cref="SheetImpossibleException">No bar of the meter can be filled with the values.</exception>
    public static IReadOnlyList<Candidate> Pool(SheetRequest request, int count, Seeded seeded)
    {
        var bars = new RhythmBars(request, seeded, rests: false);
        var ground = NoteStock.Of(request);
        var start = ground.Middle;
        Sign[] signs = [.. Enum.GetValues<Sign>().Where(s => request.Players.All(p => Knows(p, s)))];
        var (pool, texts) = (new List<Candidate>(), new HashSet<string>());
        for (var round = 0; round < MostTries && pool.Count < Math.Max(count, signs.Length); round++)
        {
            foreach (var sign in signs)
            {
                if (Bars(sign, bars, request.MusicMeter, seeded) is not { } made || !texts.Add(Text(made)))
                    continue;
                var line = Walking(made, ground, start);
                var asked = Enumerable
                    .Range(0, request.Players.Count)
                    .Select(p =>
                        Sketch.For(p, ground, request.MusicKey.Signature, request.MusicMeter, line, sign == Sign.PickUp)
                    );
                pool.Add(new Candidate([.. asked.Select(s => new BarsQuestion(QuestionKind.Bow, s))], (int)sign, sign));
            }
        }

        return pool.Count > 1 || count == 1 && pool.Count > 0 ? pool : throw request.Impossible(SheetFault.NoValues);
    }

    private static bool Knows(Player player, Sign sign) =>
        sign switch
        {
            Sign.Slur => player.Known.Has(Skills.Slurs),
            Sign.Hook => player.Known.Has(Skills.Hooks),
            Sign.Lift => player.Known.Has(Skills.Lifts),
            Sign.PickUp => player.Known.Has(Skills.PickUps),
            _ => true,
        };

    /// <summary>Two bars, with the sign in them; null where the rhythm has no room for it.</summary>
    private static SketchNote[][]? Bars(Sign sign, RhythmBars rhythm, TimeSignature meter, Seeded seeded)
    {
        SketchNote[][] bars = [Row(), Row()];
        if (bars[0].Length + bars[1].Length < 3)
            return null;
        switch (sign)
        {
            case Sign.PickUp:
                return
                [
                    [new SketchNote(0, NoteValue.Exactly(meter.Beat)!.Value)],
                    .. bars,
                ];
            case Sign.Lift:
                var before = seeded.Below(bars[0].Length);
                bars[0][before] = bars[0][before] with { Marks = Marks.LiftAfter };
                return bars;
            case Sign.None:
                return bars;
            default:
                var any = false;
                foreach (var bar in bars)
                {
                    // Notes of one length share a bow; others would need explaining.
                    int[] equal = [.. Enumerable.Range(0, bar.Length - 1).Where(i => bar[i].Value == bar[i + 1].Value)];
                    if (equal.Length == 0)
                        continue;
                    var at = seeded.Of(equal);
                    var dots = sign == Sign.Hook ? Marks.Staccato : Marks.None;
                    bar[at] = bar[at] with { SlurStarts = true, Marks = dots };
                    bar[at + 1] = bar[at + 1] with { SlurStops = true, Marks = dots };
                    any = true;
                }

                return any ? bars : null;
        }

        SketchNote[] Row() => [.. Sketch.On(0, rhythm.BarAround(seeded.Of(rhythm.Cells)))];
    }

    private static string Text(SketchNote[][] bars) =>
        string.Join(
            '|',
            bars.Select(b =>
                string.Join(' ', b.Select(n => $"{n.Value.Length}{n.SlurStarts}{n.SlurStops}{(int)n.Marks}"))
            )
        );

    /// <summary>
    /// The notes go a little up and down, so that no two neighbours are the same: a curve between two equal notes would
    /// be a tie.
    /// </summary>
    private static IEnumerable<IReadOnlyList<SketchNote>> Walking(SketchNote[][] bars, NoteStock ground, int start)
    {
        int[] steps = start + 2 < ground.Count ? [0, 1, 2, 1] : [0, start + 1 < ground.Count ? 1 : -1];
        var n = 0;
        return
        [
            .. bars.Select(bar => bar.Select(note => note with { Note = start + steps[n++ % steps.Length] }).ToArray()),
        ];
    }
}
