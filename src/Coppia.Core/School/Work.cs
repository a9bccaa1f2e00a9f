namespace Coppia.Core.School;

/// <summary>What can be set.</summary>
public enum WorkKind
{
    /// <summary>A tune, with a tempo to reach where one is asked for.</summary>
    Tune,

    /// <summary>A kept sheet of exercises.</summary>
    Sheet,

    /// <summary>The cards that are due.</summary>
    Cards,

    /// <summary>A writing task.</summary>
    Writing,
}

/// <summary>To whom of a class something is set: to all, to a section, or to one learner.</summary>
/// <param name="Instrument">Id of the section's instrument; null for all.</param>
/// <param name="Learner">Number of the learner; null for all.</param>
public readonly record struct SetTo(string? Instrument, long? Learner)
{
    public bool Includes(string instrument, long learner) =>
        (Instrument is null || Instrument == instrument) && (Learner is null || Learner == learner);

    /// <summary>One learner's own, and nobody else's to read.</summary>
    public bool IsOneLearners => Learner is not null;
}

/// <summary>What is set, and how long it is shown (common practice).</summary>
public static class Work
{
    /// <summary>What was due longer ago is not shown.</summary>
    public const int WeeksShown = 8;

    /// <summary>The first day of which what was due is still shown.</summary>
    public static DateOnly ShownSince(DateOnly today) => today.AddDays(-7 * WeeksShown);
}
