using Coppia.Core.Fingering;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Stand;

/// <summary>What makes a step hard (craft 11).</summary>
public sealed class TroubleWords(Fingers fingers)
{
    private readonly Player _player = fingers.Player;

    /// <summary>
    /// The step and what makes it hard: "B (A1) to F♯ (D3): a string crossing, and fingers 2 and 3 to add."
    /// </summary>
    public string Of(TroubleSpot spot) =>
        $"{Called(fingers.Notes[spot.From])} to {Called(fingers.Notes[spot.To])}: {English.LowerFirst(Why(spot))}";

    /// <summary>What makes it hard alone: "A string crossing, and fingers 2 and 3 to add."</summary>
    public string Why(TroubleSpot spot)
    {
        var parts = spot.Parts.Select(p => p.Part).ToArray();
        var has = parts.ToHashSet();
        string[] told = [.. parts.Where(p => !IsTail(p)).Select(p => Part(p, spot, has)).Where(w => w.Length > 0)];
        var quick = spot.IsQuick ? "quick notes" : "";
        string[] tails = [.. parts.Where(IsTail).Select(Tail)];
        if (told.Length == 0)
            return English.Capital(string.Join(", ", tails.Append(quick).Where(w => w.Length > 0))) + ".";
        return English.Capital(Listed(told) + (spot.IsQuick ? ", in quick notes" : ""))
            + "."
            + string.Concat(tails.Select(t => $" It is {t}."));
    }

    /// <summary>What kind of spot it is.</summary>
    public static string Title(TroubleSpot spot) => spot.IsSlip ? "The likeliest slip in this line" : "Trouble spot";

    /// <summary>The bar that it falls in: "Bar 6".</summary>
    public string Where(TroubleSpot spot) => fingers.Notes[spot.To].Note.Bar.Spoken();

    private string Called(FingeredNote note) =>
        $"{Labels.Note(note.Note.Pitch, _player.Style)} "
        + $"({(note.Placement is { } at ? Labels.Pair(at.Pair, _player) : "-")})";

    /// <summary>
    /// Where one of them has an "and" of its own, the last is set off: "a crossing, and fingers 2 and 3 to add".
    /// </summary>
    private static string Listed(string[] told) =>
        told.Length > 1 && told.Any(t => t.Contains(" and ", StringComparison.Ordinal))
            ? $"{string.Join(", ", told[..^1])}, and {told[^1]}"
            : English.List(told);

    /// <summary>What is so of the whole step, and no thing that the hands do.</summary>
    private static bool IsTail(TroublePart part) => part is TroublePart.Beyond or TroublePart.New;

    private static string Tail(TroublePart part) =>
        part == TroublePart.Beyond ? "beyond what the class has learned" : "new to the class";

    private string Part(TroublePart part, TroubleSpot spot, HashSet<TroublePart> has)
    {
        var (a, b) = (fingers.Notes[spot.From].Placement, fingers.Notes[spot.To].Placement);
        var finger = English.Figure(b?.Finger ?? 0);
        return part switch
        {
            TroublePart.Crossing when has.Contains(TroublePart.SlurOverCrossing) => "a string crossing under a slur",
            TroublePart.Crossing => "a string crossing",
            TroublePart.SkippedString when has.Contains(TroublePart.SlurOverCrossing) =>
                "a skipped string under a slur",
            TroublePart.SkippedString => "a skipped string",
            TroublePart.SlurOverCrossing => "",
            TroublePart.FingersPut => Put(spot, a?.Finger ?? 0, b?.Finger ?? 0, crosses: a?.String != b?.String),
            TroublePart.FingersLifted => $"{Fingers(spot.Lifted.Fingers)} off at once",
            TroublePart.Skip => "a skip",
            TroublePart.Leap => "a leap",
            TroublePart.FingerHops => $"finger {finger} hopping to the next string",
            TroublePart.FingerMoves when has.Contains(TroublePart.Stretch) =>
                $"a slide of finger {finger} into a stretch",
            TroublePart.FingerMoves when a?.Finger == b?.Finger => $"a slide of finger {finger}",
            TroublePart.FingerMoves => $"finger {finger} in another place than a moment ago",
            TroublePart.TwoHeights => $"finger {finger} at two heights",
            TroublePart.Stretch => has.Contains(TroublePart.FingerMoves) ? "" : "a stretch",
            TroublePart.Slide when b is { } at => $"a small slide to {_player.FrameOf(at).Spoken}",
            TroublePart.Shift when b is { } at => $"a shift to {_player.FrameOf(at).Spoken}",
            _ => "an odd rhythm",
        };
    }

    /// <summary>
    /// "fingers 2 and 3 to add" where the first of them comes over from the other string; "fingers 1, 2 and 3 down at
    /// once" elsewhere.
    /// </summary>
    private static string Put(TroubleSpot spot, int from, int to, bool crosses)
    {
        int[] put = [.. spot.Put.Fingers];
        return !crosses || from == 0 ? $"{Fingers(put)} down at once"
            : from == to ? $"{Fingers(put.Where(f => f != to))} to take along"
            : from == put[0] ? $"{Fingers(put.Skip(1))} to add"
            : $"{Fingers(put)} to set";
    }

    private static string Fingers(IEnumerable<int> fingers)
    {
        string[] each = [.. fingers.Select(English.Figure)];
        return $"finger{(each.Length == 1 ? "" : "s")} {English.List(each)}";
    }
}
