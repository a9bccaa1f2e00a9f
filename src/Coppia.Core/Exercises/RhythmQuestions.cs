using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>Questions about rhythm: sums of beats, and syllables under the notes (craft 12).</summary>
internal sealed class RhythmQuestions
{
    /// <summary>How often the cells are gone through again for questions that are not there yet.</summary>
    private const int MostRounds = 12;

    private readonly SheetRequest _request;
    private readonly Seeded _seeded;
    private readonly RhythmBars _bars;
    private readonly OneNote _on;

    private RhythmQuestions(SheetRequest request, Seeded seeded)
    {
        (_request, _seeded) = (request, seeded);
        _bars = new RhythmBars(request, seeded);
        _on = OneNote.Of(request);
    }

    /// <exception cref="SheetImpossibleException">No bar of the meter can be filled with the values.</exception>
    public static IReadOnlyList<Candidate> Sums(SheetRequest request, int count, Seeded seeded) =>
        new RhythmQuestions(request, seeded).Different(count, (questions, cell, turn) => questions.Sum(cell, turn));

    /// <exception cref="SheetImpossibleException">No bar of the meter can be filled with the values.</exception>
    public static IReadOnlyList<Candidate> Counted(SheetRequest request, int count, Seeded seeded) =>
        new RhythmQuestions(request, seeded).Different(count, (questions, cell, turn) => questions.Count(cell, turn));

    /// <summary>Different questions, all cells in turn, until there are enough or no new ones come.</summary>
    private List<Candidate> Different(
        int count,
        Func<RhythmQuestions, RhythmCell, int, (Candidate Asked, string Text)?> make
    )
    {
        var pool = new List<Candidate>();
        var texts = new HashSet<string>();
        for (var round = 0; round < MostRounds && (pool.Count < count || round == 0); round++)
        {
            foreach (var (i, cell) in _bars.Cells.Index())
            {
                if (make(this, cell, i + round) is { } made && texts.Add(made.Text))
                    pool.Add(made.Asked);
            }
        }

        return pool.Count > 1 || count == 1 && pool.Count > 0 ? pool : throw _request.Impossible(SheetFault.NoValues);
    }

    private (Candidate, string)? Sum(RhythmCell cell, int turn)
    {
        var task = (BeatSum)(turn % 3);
        return task switch
        {
            BeatSum.Gap => Gap(cell),
            BeatSum.Barlines => Barlines(cell),
            _ => IsItRight(cell),
        };
    }

    /// <summary>A note of the cell is missing; one that is part of a tuplet cannot be told by itself.</summary>
    private (Candidate, string)? Gap(RhythmCell cell)
    {
        var row = _bars.BarAround(cell);
        int[] notes = [.. Enumerable.Range(0, row.Count).Where(i => !row[i].IsRest && !row[i].Value.InTuplet)];
        if (notes.Length == 0 || row.Count < 2)
            return null;
        var gap = _seeded.Of(notes);
        return Asked(BeatSum.Gap, row, gap, cell.Difficulty, row[gap].Value);
    }

    private (Candidate, string)? Barlines(RhythmCell cell)
    {
        Beat[] row = [.. _bars.BarAround(cell), .. _bars.BarAround(_seeded.Of(_bars.Cells)), .. _bars.BarAround(cell)];
        return Asked(BeatSum.Barlines, row, null, cell.Difficulty + 1, row.Length);
    }

    private (Candidate, string)? IsItRight(RhythmCell cell)
    {
        var row = _bars.BarAround(cell).ToList();
        var verdict = _seeded.Below(3);
        int[] single = [.. Enumerable.Range(0, row.Count).Where(i => !row[i].Value.InTuplet)];
        if (single.Length < 3)
            return null;
        var at = _seeded.Of(single);
        if (verdict == 1)
            row.RemoveAt(at);
        else if (verdict == 2)
            row.Insert(at, row[at]);
        return Asked(BeatSum.IsItRight, row, null, cell.Difficulty, verdict);
    }

    private (Candidate, string) Asked(BeatSum task, IReadOnlyList<Beat> row, int? gap, int difficulty, object answer)
    {
        var asked = _on.ForEach(_request, [row]).Select(score => new BeatQuestion(task, score, gap));
        return (new Candidate([.. asked], difficulty, task, (task, answer)), $"{task} {gap} {Text(row)}");
    }

    private static string Text(IEnumerable<Beat> row) =>
        string.Join(' ', row.Select(b => (b.IsRest ? "z" : "") + b.Value.Length));

    /// <summary>A bar; a bar and the same turned round; two bars with a tie between them.</summary>
    private (Candidate, string)? Count(RhythmCell cell, int turn)
    {
        var cells = _bars.Around(cell);
        Beat[] bar = [.. cells.SelectMany(c => c.Beats)];
        var form = turn % 3;
        if (form == 1)
        {
            Beat[] turned = [.. cells.Reverse().SelectMany(c => c.Beats)];
            return turned.SequenceEqual(bar)
                ? Asked([bar], cell.Difficulty)
                : Asked([bar, turned], cell.Difficulty + 1);
        }

        Beat[] next = [.. _bars.BarAround(_seeded.Of(_bars.Cells))];
        var mayTie = _request.Players.All(p => p.Known.Has(Skills.Ties)) && !bar[^1].IsRest && !next[0].IsRest;
        return form == 2 && mayTie && !bar[^1].Value.InTuplet
            ? Asked([bar, next], cell.Difficulty + 2, tied: true)
            : Asked([bar], cell.Difficulty);

        (Candidate, string) Asked(Beat[][] bars, int difficulty, bool tied = false)
        {
            var asked = _on.ForEach(_request, bars, tied).Select(score => new BarsQuestion(QuestionKind.Count, score));
            return (new Candidate([.. asked], difficulty, cell), string.Join('|', bars.Select(Text)) + tied);
        }
    }
}

/// <summary>
/// The note that rhythms are written on: an open string that everybody has, in the middle of the instrument.
/// </summary>
internal sealed record OneNote(IReadOnlyList<Pitch> ForPlayer)
{
    public static OneNote Of(SheetRequest request)
    {
        var letters = KeyQuestions.StringLetters(request);
        // The second string from the bottom on the way to the middle; on all four the D string.
        var letter =
            letters.Contains(Letter.D) ? Letter.D
            : letters.Length > 0 ? letters[0]
            : throw request.Impossible(SheetFault.NotInCommon);
        return new OneNote([.. request.Players.Select(p => p.Instrument.Strings.First(s => s.Letter == letter))]);
    }

    /// <summary>Bars of rhythm on the note, for each player.</summary>
    /// <param name="tied">The last note of a bar is tied to the first of the next.</param>
    public IEnumerable<Score> ForEach(
        SheetRequest request,
        IReadOnlyList<IReadOnlyList<Beat>> bars,
        bool tied = false
    ) =>
        request.Players.Select(
            (player, p) =>
                Sketch.Of(
                    player.Instrument.FirstClef,
                    default,
                    request.MusicMeter,
                    bars.Select(
                        (bar, b) =>
                            bar.Select(
                                (beat, i) =>
                                    Sketch.Event(
                                        new SketchNote(beat.IsRest ? null : 0, beat.Value)
                                        {
                                            TiedOn = tied && b < bars.Count - 1 && i == bar.Count - 1,
                                        },
                                        beat.IsRest ? null : ForPlayer[p]
                                    )
                            )
                    )
                )
        );
}
