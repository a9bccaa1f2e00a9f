namespace Coppia.Core.School;

/// <summary>How far a learner's piece is.</summary>
public enum HandInState
{
    Writing,

    /// <summary>Handed in: it is locked until it is given back.</summary>
    HandedIn,
    GivenBack,
    Accepted,
}

/// <summary>What may happen to a piece that a learner writes for something set (common practice).</summary>
public static class HandIn
{
    /// <summary>A sitting: what is written within so long is one version.</summary>
    public static readonly TimeSpan Sitting = TimeSpan.FromMinutes(10);

    /// <summary>So many former versions of a piece are kept.</summary>
    public const int MostVersions = 50;

    /// <summary>Nobody writes on it: what is handed in is with the teacher, what is accepted stays as it is.</summary>
    public static bool IsLocked(this HandInState state) => state is HandInState.HandedIn or HandInState.Accepted;

    /// <summary>A learner hands an open piece in; a teacher gives back or accepts one that is locked.</summary>
    public static bool CanBecome(this HandInState from, HandInState to) =>
        to == HandInState.HandedIn ? !from.IsLocked() : to.IsAnswer() && from.IsLocked() && from != to;

    /// <summary>What a teacher may say of a piece.</summary>
    public static bool IsAnswer(this HandInState state) => state is HandInState.GivenBack or HandInState.Accepted;

    /// <summary>Whether what was set is done when a piece has come so far; null where that stays as it was.</summary>
    public static bool? Does(this HandInState state) =>
        state switch
        {
            HandInState.HandedIn => true,
            HandInState.GivenBack => false,
            _ => null,
        };

    /// <summary>
    /// Whether a piece stays as a version when another is kept over it: where a sitting has passed, where the writer
    /// begins anew, or where it was changed elsewhere since the writer saw it.
    /// </summary>
    /// <param name="age">How long ago it was changed.</param>
    public static bool StaysAsVersion(TimeSpan age, bool anew, bool changedElsewhere) =>
        anew || changedElsewhere || age > Sitting;
}
