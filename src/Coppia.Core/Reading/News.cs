using Coppia.Core.Knowledge;

namespace Coppia.Core.Reading;

/// <summary>One new thing to teach.</summary>
/// <param name="Met">What is new, and where.</param>
/// <param name="With">Notes that are new because of it: those that only a new finger or position plays.</param>
public sealed record NewThing(MetThing Met, IReadOnlyList<MetThing> With)
{
    public KnownThing Thing => Met.Thing;
}

/// <summary>What is new to a class in a tune (craft 15).</summary>
/// <param name="Of">The new things, in the order in which they are first met.</param>
public sealed record News(IReadOnlyList<NewThing> Of)
{
    public static readonly News None = new([]);

    /// <summary>Everything that becomes known when the tune is learned and was not known before.</summary>
    public IEnumerable<KnownThing> Things => Of.SelectMany(n => n.With.Prepend(n.Met)).Select(m => m.Thing);

    /// <param name="met">What the tune contains.</param>
    /// <param name="known">What the class knows; where no record is kept, nothing is new.</param>
    public static News In(IReadOnlyList<MetThing> met, ClassKnowledge known)
    {
        MetThing[] fresh = [.. met.Where(m => !known.Knows(m.Thing))];
        var all = fresh.Select(m => m.Thing).ToHashSet();
        // A new finger or position is one thing to teach; the notes that it alone plays come with it.
        var brought = fresh.Where(m => Bringer(m) is not null).ToLookup(m => Bringer(m)!);
        return new News([.. fresh.Where(m => Bringer(m) is null).Select(m => new NewThing(m, [.. brought[m.Thing]]))]);

        KnownThing? Bringer(MetThing note) =>
            note.InPosition is { } position && all.Contains(position) ? position
            : note.ByFinger is { } finger && all.Contains(finger) ? finger
            : null;
    }
}
