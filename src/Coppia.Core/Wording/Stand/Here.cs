using Coppia.Core.Bowing;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Stand;

/// <summary>A note as it is spoken of when one stands on it.</summary>
/// <param name="Way">Its string and finger: "D string, finger L2".</param>
/// <param name="Where">Where it stands and what it is: "Bar 3, beat 2, quarter, down bow (half bow)".</param>
/// <param name="Care">What to look after where the hand is opened wide; empty elsewhere.</param>
public sealed record Here(string Way, string Where, string Care)
{
    /// <param name="value">Its printed value in words; null for a grace note.</param>
    /// <param name="amount">How much bow its stroke takes; null inside a stroke.</param>
    public static Here Of(ReadingNote row, Player player, string? value, BowAmount? amount, bool plucked)
    {
        var position = row.Placement is { IsOpen: false } at ? player.FrameOf(at).Spoken : "";
        string[] parts =
        [
            row.Note.Bar.Spoken(),
            $"beat {English.Mixed(row.Note.Beat)}",
            value ?? "",
            position,
            Bow(row, amount, plucked),
            row.BowAgain is { } again ? $"{BowWords.Way(again)} the second time" : "",
        ];
        return new Here(
            WayOf(row.Placement, player),
            string.Join(", ", parts.Where(p => p.Length > 0)),
            CareFor(row.Placement)
        );
    }

    private static string WayOf(Placement? placement, Player player)
    {
        if (placement is not { } at)
            return "out of reach";
        var finger = at.IsOpen ? "open" : $"finger {Labels.FingerSign(at.Pair, player.Style)}";
        return $"{Labels.StringName(at.String, player)} string, {finger}";
    }

    private static string Bow(ReadingNote row, BowAmount? amount, bool plucked) =>
        (plucked ? "plucked" : $"{BowWords.Way(row.Bow)} bow")
        + (amount is { } much ? $" ({BowWords.Amount(much)})" : "");

    /// <summary>The usual caution (craft 18): size first, and pain ends it.</summary>
    private static string CareFor(Placement? placement) =>
        placement switch
        {
            { Reach: true } =>
                "The fourth finger reaches: open the hand from below, check the instrument’s size first, "
                    + "and stop if it hurts.",
            { Word: PlaceWord.High, Finger: 4 } =>
                "A stretch: check the instrument’s size first, and stop if it hurts.",
            { Word: PlaceWord.Forward or PlaceWord.Back } =>
                "A stretched hand: let the thumb follow, shake it out afterwards, and stop if it hurts.",
            _ => "",
        };
}
