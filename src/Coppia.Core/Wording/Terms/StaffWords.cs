using Coppia.Core.Music;

namespace Coppia.Core.Wording.Terms;

/// <summary>Where a note lies on the staff, in the words a teacher uses (craft 1).</summary>
public static class StaffWords
{
    private static readonly string[] Ordinals = ["", "first", "second", "third", "fourth", "fifth", "sixth", "seventh"];

    /// <summary>"line 3", "space 1", "under the first ledger line below", "on the second ledger line above".</summary>
    public static string Words(this StaffPlace place)
    {
        var height = place.Height;
        if (place.OnStaff)
            return place.OnLine ? $"line {height / 2 + 1}" : $"space {height / 2 + 1}";

        var isBelow = height < 0;
        var ledger = (isBelow ? -height : height - StaffPlace.TopLine) / 2;
        if (place.OnLine)
            return $"on the {Ordinal(ledger)} ledger line {(isBelow ? "below" : "above")}";
        if (ledger == 0)
            return isBelow ? "just below the staff" : "just above the staff";
        return isBelow
            ? $"under the {Ordinal(ledger)} ledger line below"
            : $"above the {Ordinal(ledger)} ledger line above";
    }

    private static string Ordinal(int n) => n < Ordinals.Length ? Ordinals[n] : $"{n}th";
}
