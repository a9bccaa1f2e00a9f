using Coppia.Core.Bowing;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>A note as it is spoken of when one stands on it.</summary>
/// <param name="Way">Its string and finger: "D string, finger L2".</param>
/// <param name="Where">Where it stands and what it is: "Bar 3, beat 2, quarter, down bow (half bow)".</param>
/// <param name="Care">What to look after where the hand is opened wide; empty elsewhere.</param>
public sealed record NoteSpoken(string Way, string Where, string Care)
{
    /// <param name="value">Its printed value in words; null for a grace note.</param>
    /// <param name="amount">How much bow its stroke takes; null inside a stroke.</param>
    public static NoteSpoken Of(ReadingNote row, Player player, string? value, BowAmount? amount, bool plucked)
    {
        var position = row.Placement is { IsOpen: false } at ? player.FrameOf(at).Spoken : "";
        string[] parts =
        [
            row.Note.Bar.Spoken(),
            Say("stand.here.of-beat", ("beat", English.Mixed(row.Note.Beat))),
            value ?? "",
            position,
            Bow(row, amount, plucked),
            row.BowAgain is { } again ? Say("stand.here.the-second-time", ("way", BowWords.Way(again))) : "",
        ];
        return new NoteSpoken(
            WayOf(row.Placement, player),
            string.Join(", ", parts.Where(p => p.Length > 0)),
            CareFor(row.Placement)
        );
    }

    private static string WayOf(Placement? placement, Player player)
    {
        if (placement is not { } at)
            return Say("stand.here.out-of-reach");
        var finger = at.IsOpen
            ? Say("stand.here.open")
            : Say("stand.here.way-of-finger", ("fingerSign", Labels.FingerSign(at.Pair, player.Style)));
        return Say(
            "stand.here.way-of-string",
            ("stringName", Labels.StringName(at.String, player)),
            ("finger", finger)
        );
    }

    private static string Bow(ReadingNote row, BowAmount? amount, bool plucked) =>
        (plucked ? Say("stand.here.plucked") : Say("stand.here.bow-bow", ("way", BowWords.Way(row.Bow))))
        + (amount is { } much ? $" ({BowWords.Amount(much)})" : "");

    /// <summary>The usual caution (craft 18): size first, and pain ends it.</summary>
    private static string CareFor(Placement? placement) =>
        placement switch
        {
            { Reach: true } => Say("stand.here.the-fourth-finger-reaches-open-the"),
            { Word: PlaceWord.High, Finger: 4 } => Say("stand.here.a-stretch-check-the-instruments-size"),
            { Word: PlaceWord.Forward or PlaceWord.Back } => Say("stand.here.a-stretched-hand-let-the-thumb-follow"),
            _ => "",
        };
}
