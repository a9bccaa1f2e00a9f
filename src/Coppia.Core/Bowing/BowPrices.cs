namespace Coppia.Core.Bowing;

/// <summary>
/// What a bowing costs: first the aim counts, then the number of changes, then their kind (common practice; the figures
/// are ours).
/// </summary>
public static class BowPrices
{
    /// <summary>A place that misses the aim.</summary>
    public const long Missed = 1_000_000;

    /// <summary>Any change at all.</summary>
    public const long Change = 100;

    public const long Slur = 1;
    public const long Hook = 2;
    public const long Lift = 3;

    /// <summary>Added to a lift with no rest to make it in.</summary>
    public const long LiftInHaste = 2;

    /// <summary>
    /// Added to a join for each stroke that follows it in its bar, at most ten: late in the bar is better.
    /// </summary>
    public const long EarlyInBar = 4;
}
