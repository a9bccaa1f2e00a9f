using Coppia.Core.Fingering;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>What makes a step hard (craft 11).</summary>
public sealed class TroubleWords(Fingers fingers)
{
    private readonly Player _player = fingers.Player;

    /// <summary>
    /// The step and what makes it hard: "B (A1) to F♯ (D3): a string crossing, and fingers 2 and 3 to add."
    /// </summary>
    public string Of(TroubleSpot spot) =>
        Say(
            "stand.trouble.of-to",
            ("called", Called(fingers.Notes[spot.From])),
            ("called2", Called(fingers.Notes[spot.To])),
            ("why", English.LowerFirst(Why(spot)))
        );

    /// <summary>What makes it hard alone: "A string crossing, and fingers 2 and 3 to add."</summary>
    public string Why(TroubleSpot spot)
    {
        var parts = spot.Parts.Select(p => p.Part).ToArray();
        var has = parts.ToHashSet();
        string[] told = [.. parts.Where(p => !IsTail(p)).Select(p => Part(p, spot, has)).Where(w => w.Length > 0)];
        var quick = spot.IsQuick ? Say("stand.trouble.quick-notes") : "";
        string[] tails = [.. parts.Where(IsTail).Select(Tail)];
        if (told.Length == 0)
            return English.Capital(string.Join(", ", tails.Append(quick).Where(w => w.Length > 0))) + ".";
        return English.Capital(Listed(told) + (spot.IsQuick ? Say("stand.trouble.in-quick-notes") : ""))
            + "."
            + string.Concat(tails.Select(t => Say("stand.trouble.it-is", ("t", t))));
    }

    /// <summary>What kind of spot it is.</summary>
    public static string Title(TroubleSpot spot) =>
        spot.IsSlip ? Say("stand.trouble.the-likeliest-slip-in-this-line") : Say("stand.trouble.trouble-spot");

    /// <summary>The bar that it falls in: "Bar 6".</summary>
    public string Where(TroubleSpot spot) => fingers.Notes[spot.To].Note.Bar.Spoken();

    private string Called(FingeredNote note)
    {
        var pair = note.Placement is { } at ? Labels.Pair(at.Pair, _player) : "-";
        return $"{Labels.Note(note.Note.Pitch, _player.Style)} ({pair})";
    }

    /// <summary>
    /// Where one of them has an "and" of its own, the last is set off: "a crossing, and fingers 2 and 3 to add".
    /// </summary>
    private static string Listed(string[] told) =>
        told.Length > 1 && told.Any(t => t.Contains(" and ", StringComparison.Ordinal))
            ? Say("stand.trouble.listed-and", ("told", string.Join(", ", told[..^1])), ("told2", told[^1]))
            : English.List(told);

    /// <summary>What is so of the whole step, and no thing that the hands do.</summary>
    private static bool IsTail(TroublePart part) => part is TroublePart.Beyond or TroublePart.New;

    private static string Tail(TroublePart part) =>
        part == TroublePart.Beyond
            ? Say("stand.trouble.beyond-what-the-class-has-learned")
            : Say("stand.trouble.new-to-the-class");

    private string Part(TroublePart part, TroubleSpot spot, HashSet<TroublePart> has)
    {
        var (a, b) = (fingers.Notes[spot.From].Placement, fingers.Notes[spot.To].Placement);
        var finger = English.Figure(b?.Finger ?? 0);
        return part switch
        {
            TroublePart.Crossing or TroublePart.SkippedString => ToAnotherString(
                part,
                isSlurred: has.Contains(TroublePart.SlurOverCrossing)
            ),
            TroublePart.SlurOverCrossing => "",
            TroublePart.FingersPut => Put(spot, a?.Finger ?? 0, b?.Finger ?? 0, crosses: a?.String != b?.String),
            TroublePart.FingersLifted => Say("stand.trouble.off-at-once", ("fingers", Fingers(spot.Lifted.Fingers))),
            TroublePart.Skip => Say("stand.trouble.a-skip"),
            TroublePart.Leap => Say("stand.trouble.a-leap"),
            TroublePart.FingerHops => Say("stand.trouble.finger-hopping-to-the-next-string", ("finger", finger)),
            TroublePart.FingerMoves when has.Contains(TroublePart.Stretch) => Say(
                "stand.trouble.a-slide-of-finger-into-a-stretch",
                ("finger", finger)
            ),
            TroublePart.FingerMoves when a?.Finger == b?.Finger => Say(
                "stand.trouble.a-slide-of-finger",
                ("finger", finger)
            ),
            TroublePart.FingerMoves => Say("stand.trouble.finger-in-another-place-than-a-moment", ("finger", finger)),
            TroublePart.TwoHeights => Say("stand.trouble.finger-at-two-heights", ("finger", finger)),
            TroublePart.Stretch => has.Contains(TroublePart.FingerMoves) ? "" : Say("stand.trouble.a-stretch"),
            TroublePart.Slide when b is { } at => Say(
                "stand.trouble.a-small-slide-to",
                ("frameOf", _player.FrameOf(at).Spoken)
            ),
            TroublePart.Shift when b is { } at => Say(
                "stand.trouble.a-shift-to",
                ("frameOf", _player.FrameOf(at).Spoken)
            ),
            _ => Say("stand.trouble.an-odd-rhythm"),
        };
    }

    private static string ToAnotherString(TroublePart part, bool isSlurred) =>
        (part, isSlurred) switch
        {
            (TroublePart.Crossing, true) => Say("stand.trouble.a-string-crossing-under-a-slur"),
            (TroublePart.Crossing, false) => Say("stand.trouble.a-string-crossing"),
            (_, true) => Say("stand.trouble.a-skipped-string-under-a-slur"),
            _ => Say("stand.trouble.a-skipped-string"),
        };

    /// <summary>
    /// "fingers 2 and 3 to add" where the first of them comes over from the other string; "fingers 1, 2 and 3 down at
    /// once" elsewhere.
    /// </summary>
    private static string Put(TroubleSpot spot, int from, int to, bool crosses)
    {
        int[] put = [.. spot.Put.Fingers];
        return !crosses || from == 0 ? Say("stand.trouble.down-at-once", ("fingers", Fingers(put)))
            : from == to ? Say("stand.trouble.to-take-along", ("fingers", Fingers(put.Where(f => f != to))))
            : from == put[0] ? Say("stand.trouble.to-add", ("fingers", Fingers(put.Skip(1))))
            : Say("stand.trouble.to-set", ("fingers", Fingers(put)));
    }

    private static string Fingers(IEnumerable<int> fingers)
    {
        string[] each = [.. fingers.Select(English.Figure)];
        return Say("stand.trouble.fingers-finger", ("each", each.Length), ("each2", English.List(each)));
    }
}
