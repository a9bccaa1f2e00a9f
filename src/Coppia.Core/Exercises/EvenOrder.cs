namespace Coppia.Core.Exercises;

/// <summary>Something that a sheet may ask, in the form of each player.</summary>
/// <param name="ForEach">The question, one a player, the same content for all.</param>
/// <param name="Difficulty">0 easy, and up.</param>
/// <param name="Group">Candidates are taken from all groups about equally often.</param>
/// <param name="Answer">What is answered: nothing is answered three times running.</param>
public sealed record Candidate(
    IReadOnlyList<Question> ForEach,
    int Difficulty,
    object? Group = null,
    object? Answer = null
)
{
    /// <summary>The same asked the other way round, where a kind has two ways; a sheet takes them in turn.</summary>
    public IReadOnlyList<Question>? OtherForm { get; init; }
}

/// <summary>
/// The order of a well-made sheet (craft 12): everything comes up about equally often, neighbours differ, nothing is
/// answered three times running, and the hardest come last.
/// </summary>
internal sealed class EvenOrder
{
    /// <summary>
    /// Steps of the search after which answers may come three times running: no better order is likely.
    /// </summary>
    private const int MostSteps = 4000;

    private readonly IReadOnlyList<Candidate> _pool;
    private readonly Seeded _seeded;
    private readonly int[] _left;
    private readonly int[] _answers;
    private readonly List<int> _order = [];
    private readonly int _count;
    private int _steps;
    private bool _answersVary;

    private EvenOrder(IReadOnlyList<Candidate> pool, int count, Seeded seeded)
    {
        (_pool, _count, _seeded) = (pool, count, seeded);
        _left = HowOften(pool, count, seeded);
        object?[] different = [.. pool.Select(c => c.Answer).Distinct()];
        _answers = [.. pool.Select(c => Array.IndexOf(different, c.Answer))];
        _answersVary = different.Length > 1;
    }

    /// <summary>Orders of the candidates that are asked, in the order in which they are asked.</summary>
    /// <param name="pool">At least one candidate; more than one where more than one question is asked.</param>
    public static IReadOnlyList<int> Of(IReadOnlyList<Candidate> pool, int count, Seeded seeded)
    {
        var order = new EvenOrder(pool, count, seeded);
        if (!order.Filled())
        {
            (order._answersVary, order._steps) = (false, 0);
            order.Filled();
        }

        return order._order;
    }

    /// <summary>Asks what is left, one after the other, and takes steps back from where it cannot go on.</summary>
    private bool Filled()
    {
        if (_order.Count == _count)
            return true;
        if (++_steps > MostSteps)
            return false;
        foreach (var next in Next())
        {
            _left[next]--;
            _order.Add(next);
            if (LeavesThingsApart(next) && (!_answersVary || LeavesAnswersApart(next)) && Filled())
                return true;
            _order.RemoveAt(_order.Count - 1);
            _left[next]++;
        }

        return false;
    }

    /// <summary>
    /// What may come next: the easiest first, and of these what was asked longest ago, so that a few things do not take
    /// turns while others wait.
    /// </summary>
    private int[] Next() =>
        [
            .. _seeded
                .Shuffled(
                    Enumerable.Range(0, _pool.Count).Where(c => _left[c] > 0 && (_order.Count == 0 || _order[^1] != c))
                )
                .OrderBy(c => _pool[c].Difficulty)
                .ThenBy(c => _order.LastIndexOf(c)),
        ];

    /// <summary>What is left can still be asked without a neighbour like itself.</summary>
    private bool LeavesThingsApart(int last)
    {
        var rest = _count - _order.Count;
        for (var c = 0; c < _left.Length; c++)
        {
            if (_left[c] > (c == last ? rest / 2 : (rest + 1) / 2))
                return false;
        }

        return true;
    }

    /// <summary>No answer came three times running, and what is left can still be asked so.</summary>
    private bool LeavesAnswersApart(int last)
    {
        var run = 0;
        while (run < _order.Count && _answers[_order[^(run + 1)]] == _answers[last])
            run++;
        if (run > 2)
            return false;
        var often = new int[_answers.Max() + 1];
        for (var c = 0; c < _left.Length; c++)
            often[_answers[c]] += _left[c];
        var rest = _count - _order.Count;
        for (var a = 0; a < often.Length; a++)
        {
            if (often[a] > (a == _answers[last] ? 2 - run : 2) + 2 * (rest - often[a]))
                return false;
        }

        return true;
    }

    /// <summary>How often each is asked: in turn, from all groups about equally often.</summary>
    private static int[] HowOften(IReadOnlyList<Candidate> pool, int count, Seeded seeded)
    {
        var often = Enumerable.Repeat(count / pool.Count, pool.Count).ToArray();
        var groups = seeded
            .Shuffled(Enumerable.Range(0, pool.Count).GroupBy(c => pool[c].Group))
            .Select(g => seeded.Shuffled(g))
            .ToArray();
        var inTurn = Enumerable
            .Range(0, pool.Count)
            .SelectMany(round => groups.Where(g => round < g.Length).Select(g => g[round]))
            .Take(count % pool.Count);
        foreach (var c in inTurn)
            often[c]++;
        return often;
    }
}
