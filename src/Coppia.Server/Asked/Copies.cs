using System.Text.RegularExpressions;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Asked;

/// <summary>Names of copies: "Ash Grove (copy)", then "Ash Grove (copy 2)".</summary>
internal static partial class Copies
{
    /// <summary>Room for the number at the end of a long name.</summary>
    private const int Room = 12;

    /// <summary>
    /// What all copies of a name begin with: the name without a copy's number, and short enough for one.
    /// </summary>
    public static string Original(string name, int longest)
    {
        var original = NumberPattern().Replace(name, "");
        return original.Length > longest - Room ? original[..(longest - Room)].TrimEnd() : original;
    }

    /// <summary>The name of the next copy, numbered after those that are there.</summary>
    /// <param name="name">Of the original, which may be a copy itself.</param>
    /// <param name="taken">All names in use.</param>
    /// <param name="longest">Most characters that a name may have.</param>
    public static string NameOf(string name, IEnumerable<string> taken, int longest)
    {
        var original = Original(name, longest);
        var names = taken.ToHashSet(StringComparer.OrdinalIgnoreCase);
        var first = Say("asked.copies.name-of-copy", ("original", original));
        if (!names.Contains(first))
            return first;
        for (var number = 2; ; number++)
        {
            if (
                Say("asked.copies.name-of-copy-2", ("original", original), ("number", number)) is var next
                && !names.Contains(next)
            )
                return next;
        }
    }

    /// <summary>
    /// The name of a tune in another key, "Ash Grove (D major)", numbered where there is one already.
    /// </summary>
    public static string NameIn(string name, string key, IEnumerable<string> taken, int longest)
    {
        var end = $" ({key})";
        var names = taken.ToHashSet(StringComparer.OrdinalIgnoreCase);
        var first = name[..Math.Min(name.Length, longest - Room - end.Length)].TrimEnd() + end;
        return names.Contains(first) ? NameOf(first, names, longest) : first;
    }

    [GeneratedRegex(@" \(copy(?: \d+)?\)$")]
    private static partial Regex NumberPattern();
}
