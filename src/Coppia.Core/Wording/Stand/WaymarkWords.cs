using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>Waymarks as they are printed and read.</summary>
public static class WaymarkWords
{
    /// <summary>
    /// What printed words such as "D.C. al Fine", "Da Capo", "To Coda" or "Fine" ask for; none for other words.
    /// </summary>
    public static Waymarks Of(string? words)
    {
        var plain = string.Concat((words ?? "").Where(char.IsLetter)).ToLowerInvariant();
        return plain switch
        {
            "fine" => Waymarks.Fine,
            "segno" => Waymarks.Segno,
            "coda" => Waymarks.Coda,
            "tocoda" or "dacoda" => Waymarks.ToCoda,
            "dc" or "dacapo" or "dcalfine" or "dacapoalfine" or "dcalcoda" or "dacapoalcoda" => Waymarks.DaCapo,
            "ds" or "dalsegno" or "dsalfine" or "dalsegnoalfine" or "dsalcoda" or "dalsegnoalcoda" => Waymarks.DalSegno,
            _ => Waymarks.None,
        };
    }

    /// <summary>"D.C. al Fine", "D.S. al Coda", "Fine", "to coda": how a single mark is printed in a tune.</summary>
    /// <param name="all">All waymarks of the tune, which tell how far a da capo goes.</param>
    public static string Printed(Waymarks mark, Waymarks all)
    {
        var goal =
            all.HasFlag(Waymarks.ToCoda) ? Say("stand.waymark.al-coda")
            : all.HasFlag(Waymarks.Fine) ? Say("stand.waymark.al-fine")
            : "";
        return mark switch
        {
            Waymarks.DaCapo => "D.C." + goal,
            Waymarks.DalSegno => "D.S." + goal,
            Waymarks.Fine => Say("stand.waymark.fine"),
            Waymarks.ToCoda => Say("stand.waymark.to-coda"),
            Waymarks.Segno => Say("stand.waymark.segno"),
            _ => Say("stand.waymark.coda"),
        };
    }
}
