using Coppia.Data.Store;

namespace Coppia.Server.Asked;

/// <summary>What came of saving something that others may change too.</summary>
internal static class Saves
{
    /// <param name="meanwhile">What is said where another window was quicker.</param>
    /// <param name="gone">What is said where there is nothing to save any more.</param>
    /// <exception cref="RefusedException">It was not saved.</exception>
    public static void OrRefuse(this SaveOutcome outcome, string meanwhile, RefusedException gone)
    {
        if (outcome == SaveOutcome.ChangedMeanwhile)
            throw RefusedException.Meanwhile(meanwhile);
        if (outcome == SaveOutcome.Gone)
            throw gone;
    }
}
