using Coppia.Core.Form;
using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>Two nearly equal bars, of which one note or one beat differs (craft 10 and 12).</summary>
internal static class DifferenceQuestions
{
    private const int MostTries = 12;

    /// <exception cref="SheetImpossibleException">Too few notes, or no bar of the meter can be filled with the
    /// values.</exception>
    public static IReadOnlyList<Candidate> Pool(SheetRequest request, int count, Seeded seeded)
    {
        var ground = NoteStock.Of(request);
        var rhythm = new RhythmBars(request, seeded, rests: false);
        List<Candidate> pool = [.. OfTune(request)];
        var texts = new HashSet<string>();
        for (var round = 0; round < MostTries && pool.Count < count; round++)
        {
            foreach (var cell in rhythm.Cells)
            {
                var bar = Melody(ground, rhythm.BarAround(cell), seeded);
                var changed = round % 2 == 1 ? Halved(bar, request, seeded) : null;
                var other = changed ?? (round % 3 == 0 ? Leaping(bar, ground, seeded) : Stepping(bar, ground, seeded));
                if (bar.Length < 2 || !texts.Add(Text(bar) + Text(other)))
                    continue;
                var asked = Enumerable
                    .Range(0, request.Players.Count)
                    .Select(p => Sketch.For(p, ground, request.MusicKey.Signature, request.MusicMeter, [bar, other]))
                    .Select(score => new BarsQuestion(QuestionKind.Difference, score));
                // A beat parted in two is seen first, then a leap, then a step.
                var difficulty =
                    changed is not null ? 0
                    : round % 3 == 0 ? 1
                    : 2;
                pool.Add(new Candidate([.. asked], difficulty, cell, Where(bar, other)));
            }
        }

        return pool.Count > 1 || count == 1 && pool.Count > 0 ? pool : throw request.Impossible(SheetFault.NoValues);
    }

    /// <summary>The bars of a tune that are an earlier one but for one note.</summary>
    private static IEnumerable<Candidate> OfTune(SheetRequest request)
    {
        if (request.From.Count == 0)
            yield break;
        foreach (
            var trap in request
                .From[0]
                .Tune.Form.Traps.Where(t => t.Difference is { Kind: DifferenceKind.Notes, At.Count: 1 })
        )
        {
            yield return new Candidate(
                [
                    .. request.From.Select(r => new BarsQuestion(
                        QuestionKind.Difference,
                        TuneBars.Of(r.Score, [r.Score.Bars[trap.Like], r.Score.Bars[trap.Bar]])
                    )),
                ],
                2,
                trap,
                trap.Difference.At[0]
            );
        }
    }

    /// <summary>A rhythm set to neighbouring notes.</summary>
    private static SketchNote[] Melody(NoteStock ground, IReadOnlyList<Beat> rhythm, Seeded seeded)
    {
        var at = seeded.Below(ground.Count);
        var notes = new SketchNote[rhythm.Count];
        for (var i = 0; i < notes.Length; i++)
        {
            notes[i] = new SketchNote(at, rhythm[i].Value);
            at = Near(at, ground, seeded);
        }

        return notes;
    }

    private static int Near(int at, NoteStock ground, Seeded seeded) =>
        seeded.Of([.. new[] { at - 1, at + 1 }.Where(n => n >= 0 && n < ground.Count)]);

    private static SketchNote[] Stepping(SketchNote[] bar, NoteStock ground, Seeded seeded)
    {
        var at = seeded.Below(bar.Length);
        return With(bar, at, bar[at] with { Note = Near(bar[at].Note!.Value, ground, seeded) });
    }

    private static SketchNote[] Leaping(SketchNote[] bar, NoteStock ground, Seeded seeded)
    {
        var at = seeded.Below(bar.Length);
        int[] far = [.. Enumerable.Range(0, ground.Count).Where(n => Math.Abs(n - bar[at].Note!.Value) is 2 or 3)];
        return far.Length > 0 ? With(bar, at, bar[at] with { Note = seeded.Of(far) }) : Stepping(bar, ground, seeded);
    }

    /// <summary>
    /// One note of a beat is two halves of a beat in the other bar; null where no note is a beat long.
    /// </summary>
    private static SketchNote[]? Halved(SketchNote[] bar, SheetRequest request, Seeded seeded)
    {
        var meter = request.MusicMeter;
        int[] beats = [.. Enumerable.Range(0, bar.Length).Where(i => bar[i].Value.Length == meter.Beat)];
        if (
            beats.Length == 0
            || NoteValue.Exactly(meter.Beat * new Fraction(1, 2)) is not { } half
            || !RhythmCell.ValuesOf(request).Contains(half)
        )
            return null;
        var at = seeded.Of(beats);
        var one = bar[at] with { Value = half };
        return [.. bar[..at], one, one, .. bar[(at + 1)..]];
    }

    private static SketchNote[] With(SketchNote[] bar, int at, SketchNote note)
    {
        SketchNote[] other = [.. bar];
        other[at] = note;
        return other;
    }

    private static int Where(SketchNote[] bar, SketchNote[] other) =>
        bar.Zip(other).TakeWhile(n => n.First == n.Second).Count();

    private static string Text(SketchNote[] bar) => string.Join(' ', bar.Select(n => $"{n.Note}:{n.Value.Length}"));
}
