using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Terms;

/// <summary>Where a note lies on the staff, in the words a teacher uses (craft 1).</summary>
public static class StaffWords
{
    private static readonly string[] Ordinals =
    [
        "",
        Say("terms.staff.first"),
        Say("terms.staff.second"),
        Say("terms.staff.third"),
        Say("terms.staff.fourth"),
        Say("terms.staff.fifth"),
        Say("terms.staff.sixth"),
        Say("terms.staff.seventh"),
    ];

    /// <summary>"line 3", "space 1", "under the first ledger line below", "on the second ledger line above".</summary>
    public static string Words(this StaffPlace place)
    {
        var height = place.Height;
        if (place.OnStaff)
            return place.OnLine
                ? Say("terms.staff.words-line", ("height", height / 2 + 1))
                : Say("terms.staff.words-space", ("height", height / 2 + 1));

        var isBelow = height < 0;
        var ledger = (isBelow ? -height : height - StaffPlace.TopLine) / 2;
        if (place.OnLine)
            return Say(
                "terms.staff.on-the-ledger-line",
                ("ordinal", Ordinal(ledger)),
                ("what", isBelow ? Say("terms.staff.below") : Say("terms.staff.above"))
            );
        if (ledger == 0)
            return isBelow ? Say("terms.staff.just-below-the-staff") : Say("terms.staff.just-above-the-staff");
        return isBelow
            ? Say("terms.staff.under-the-ledger-line-below", ("ordinal", Ordinal(ledger)))
            : Say("terms.staff.above-the-ledger-line-above", ("ordinal", Ordinal(ledger)));
    }

    private static string Ordinal(int n) => n < Ordinals.Length ? Ordinals[n] : Say("terms.staff.ordinal-th", ("n", n));
}
