using Coppia.Core.Knowledge;

namespace Coppia.Core.Exercises;

/// <summary>A question with its answer.</summary>
public sealed record SheetItem(Question Question, Answer Answer)
{
    /// <exception cref="InvalidQuestionException">The question has no answer for this player.</exception>
    public static SheetItem Of(Question question, Player player) => new(question, Answers.To(question, player));
}

/// <summary>
/// Exercises of one kind for one player. The same request and seed give the same sheet on every machine; what is drawn
/// by chance are the questions, the answers follow from them.
/// </summary>
public sealed record Sheet(ExerciseKind Kind, int Seed, Player Player, IReadOnlyList<SheetItem> Items)
{
    /// <summary>How many questions a sheet has where nothing is said.</summary>
    public const int UsualCount = 12;

    /// <summary>One sheet a player, with the same content for all.</summary>
    /// <exception cref="SheetImpossibleException">It cannot be made; the exception says what could.</exception>
    public static IReadOnlyList<Sheet> Of(SheetRequest request)
    {
        if (request.Count is < 1 or > SheetRequest.MostCount)
            throw new SheetImpossibleException(SheetFault.WrongCount, request.Kind, request.First.Instrument)
            {
                Possible = SheetRequest.MostCount,
            };
        var seeded = new Seeded(request.Seed, request.Kind.Id);
        IReadOnlyList<Question>[] each =
        [
            .. request.Kind.IsPlayed ? request.Kind.Music(request, seeded) : Asked(request, seeded),
        ];
        // What is made by other rules, such as a tune's own rhythm, may have other values than those asked for.
        if (
            request.Values.Count > 0
            && each.SelectMany(q => q).OfType<PlayQuestion>().SelectMany(q => q.Music.Events).Any(Other)
        )
            throw request.Impossible(SheetFault.NoValues);
        return
        [
            .. request.Players.Select(
                (player, p) =>
                    new Sheet(request.Kind, request.Seed, player, [.. each.Select(q => SheetItem.Of(q[p], player))])
            ),
        ];

        bool Other(Music.ScoreEvent e) => !e.IsRest && !request.Values.Contains(e.Value);
    }

    /// <summary>
    /// Every player has the same notes of the scale in the same values; where hands or strings do not allow that,
    /// false.
    /// </summary>
    public static bool IsSameForAll(IReadOnlyList<Sheet> sheets) =>
        sheets.Select(s => string.Join(';', s.Items.Select(i => Content(i.Question)))).Distinct().Count() < 2;

    private static string Content(Question question) =>
        question switch
        {
            NoteQuestion q => q.Note.Name,
            PlayQuestion q => Notes(q.Music),
            BarsQuestion { Kind: not QuestionKind.Count } q => Notes(q.Music),
            ScaleQuestion q => $"{q.First.Name} {q.Octaves}",
            _ => "",
        };

    private static string Notes(Music.Score music) =>
        string.Join(
            '|',
            music.Bars.Select(b => string.Join(' ', b.Events.Select(e => $"{e.Pitch?.Name}{e.Value.Length}")))
        );

    /// <summary>The questions in their order, one a player.</summary>
    private static IEnumerable<IReadOnlyList<Question>> Asked(SheetRequest request, Seeded seeded)
    {
        var count = request.Count ?? UsualCount;
        var pool = request.Kind.Pool(request, count, seeded);
        // What was made for the sheet is asked once; a key's few notes or scales come up again.
        if (pool.Count == 1)
            count = request.Count is > 1 ? throw TooMany(request, 1) : 1;
        else if (request.Count is null && request.Kind.AsksOnce)
            count = Math.Min(count, pool.Count);
        // Half of the things are asked first in the one form, half in the other; whoever comes again comes in the other
        // one.
        var form = new int[pool.Count];
        foreach (var (i, c) in seeded.Shuffled(Enumerable.Range(0, pool.Count)).Index())
            form[c] = i % 2;
        return
        [
            .. EvenOrder
                .Of(pool, count, seeded)
                .Select(c => form[c]++ % 2 == 1 && pool[c].OtherForm is { } other ? other : pool[c].ForEach),
        ];
    }

    private static SheetImpossibleException TooMany(SheetRequest request, int possible) =>
        new(SheetFault.WrongCount, request.Kind, request.First.Instrument) { Possible = possible };
}
