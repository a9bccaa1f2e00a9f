namespace Coppia.Data.Store;

/// <summary>What became of a save.</summary>
public enum SaveOutcome
{
    Saved,
    ChangedMeanwhile,
    Gone,
}
