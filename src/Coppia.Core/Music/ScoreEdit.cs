namespace Coppia.Core.Music;

/// <summary>Small changes of a score. What was there keeps its id; what is new gets one of its own.</summary>
public static class ScoreEdit
{
    /// <summary>One note or rest otherwise than it was.</summary>
    /// <exception cref="KeyNotFoundException">The score has no such note.</exception>
    public static Score Change(this Score score, string id, Func<ScoreEvent, ScoreEvent> change) =>
        InBarOf(score, id, (events, at) => events[at] = change(events[at]) with { Id = id });

    /// <exception cref="KeyNotFoundException">The score has no such note.</exception>
    public static Score Remove(this Score score, string id) => InBarOf(score, id, (events, at) => events.RemoveAt(at));

    /// <summary>A note or rest before another.</summary>
    /// <exception cref="KeyNotFoundException">The score has no such note.</exception>
    public static Score InsertBefore(this Score score, string id, ScoreEvent added) =>
        InBarOf(score, id, (events, at) => events.Insert(at, added with { Id = "" }));

    /// <summary>A note or rest after another, in its bar.</summary>
    /// <exception cref="KeyNotFoundException">The score has no such note.</exception>
    public static Score InsertAfter(this Score score, string id, ScoreEvent added) =>
        InBarOf(score, id, (events, at) => events.Insert(at + 1, added with { Id = "" }));

    /// <summary>A bar in front of the bar of this order, or at the end.</summary>
    /// <param name="at">0 to the number of bars.</param>
    public static Score InsertBar(this Score score, int at, Bar bar)
    {
        var bars = score.Bars.ToList();
        bars.Insert(at, bar with { Id = "", Events = [.. bar.Events.Select(e => e with { Id = "" })] });
        return Finish(score, bars);
    }

    /// <param name="at">Order of the bar, from 0.</param>
    public static Score RemoveBar(this Score score, int at) => Finish(score, [.. score.Bars.Where((_, i) => i != at)]);

    private static Score InBarOf(Score score, string id, Action<List<ScoreEvent>, int> change)
    {
        var bars = score.Bars.ToList();
        var bar = bars.FindIndex(b => b.Events.Any(e => e.Id == id));
        if (bar < 0)
            throw new KeyNotFoundException(id);
        var events = bars[bar].Events.ToList();
        change(events, events.FindIndex(e => e.Id == id));
        bars[bar] = bars[bar] with { Events = events };
        return Finish(score, bars);
    }

    private static Score Finish(Score score, List<Bar> bars) =>
        ScoreAssembly.Finish(score with { Bars = bars }, pickUpMarked: score.Bars is [{ IsPickUp: true }, ..]).Score;
}
