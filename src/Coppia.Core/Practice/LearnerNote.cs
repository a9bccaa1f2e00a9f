namespace Coppia.Core.Practice;

/// <summary>The ready sentences that a learner sends to the teacher (craft 22).</summary>
public enum LearnerNote
{
    /// <summary>Help is wanted.</summary>
    Help,

    /// <summary>It goes well.</summary>
    Well,

    /// <summary>There was no time.</summary>
    NoTime,

    /// <summary>Something hurts; care comes first (craft 18).</summary>
    Hurts,

    /// <summary>The instrument or bow needs mending.</summary>
    Mend,
}
