using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>Which notes are plucked: from "pizz." to "arco" (common practice). A plucked note has no stroke.</summary>
public static class Plucking
{
    /// <summary>One answer for each sounding note, in written order.</summary>
    public static IReadOnlyList<bool> Of(IReadOnlyList<SoundingNote> notes)
    {
        var plucked = false;
        return [.. notes.Select(n => plucked = Begins(n.Event.Words) ?? plucked)];
    }

    /// <summary>True where words call for plucking, false where they call for the bow again, null elsewhere.</summary>
    public static bool? Begins(string? words) =>
        words?.Trim().TrimEnd('.').ToLowerInvariant() switch
        {
            "pizz" or "pizzicato" => true,
            "arco" => false,
            _ => null,
        };
}
