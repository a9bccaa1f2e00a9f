using Coppia.Core.Drills;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Drills;

/// <summary>What is said at the end of a round: how it went, kindly, and what to look at (craft 14).</summary>
public static class RoundWords
{
    public static string Of(RoundEnd end)
    {
        var score = Say("drills.round.of-at-once", ("right", end.Right), ("end", end.Count));
        return end.Grade switch
        {
            RoundGrade.All => Say("drills.round.all-right-that-sits", ("end", end.Count)),
            RoundGrade.Most => Say("drills.round.most-of-them-the-rest-comes-with", ("score", score)),
            _ => Say("drills.round.a-little-more-practice-begin-slowly", ("score", score)),
        };
    }

    /// <summary>For each kind of mistake what to look at next time; a habit is named as one.</summary>
    public static IReadOnlyList<string> LookAt(RoundEnd end, Player player) =>
        [.. end.Slips.Select(s => Slip(s, player))];

    private static string Slip(Slip slip, Player player)
    {
        var words = slip.Clef is { } clef
            ? Say(
                "drills.round.the-notes-were-read-as-in-clef",
                ("clef", clef.Name),
                ("firstClef", player.Instrument.FirstClef.Name),
                ("signPitch", Labels.Note(player.Instrument.FirstClef.SignPitch, player.Style)),
                ("line", player.Instrument.FirstClef.Line)
            )
            : English.Sentence(LookAt(slip.Kind));
        return slip.IsHabit
            ? Say(
                "drills.round.slip-times",
                ("times", English.Capital(English.Number(slip.Times))),
                ("words", English.LowerFirst(words))
            )
            : words;
    }

    /// <summary>What to look at, without a stop at its end.</summary>
    public static string LookAt(MistakeKind kind) =>
        kind switch
        {
            MistakeKind.ForgotSignature => Say("drills.round.read-the-key-signature-first-and-say"),
            MistakeKind.ForgotAccidental => Say("drills.round.a-sign-holds-for-its-line-or"),
            MistakeKind.OneStep => Say("drills.round.a-line-goes-through-the-head-a"),
            MistakeKind.WrongEnd => Say("drills.round.count-lines-and-spaces-from-the"),
            MistakeKind.OtherClef => Say("drills.round.look-at-the-clef-before-the-first"),
            MistakeKind.WrongOctave => Say("drills.round.one-letter-several-octaves-say-the"),
            MistakeKind.LowHigh => Say("drills.round.low-regular-or-high-look-where-the"),
            MistakeKind.OtherInstrument => Say("drills.round.other-instruments-have-other-fingers"),
            MistakeKind.NeighbourString => Say("drills.round.say-the-string-before-the-finger"),
            MistakeKind.StemDirection => Say("drills.round.stems-on-the-middle-line-and-above"),
            MistakeKind.StemSide => Say("drills.round.stems-up-at-the-right-of-the"),
            MistakeKind.OtherSigns => Say("drills.round.sharps-or-flats-look-at-the-sign"),
            MistakeKind.LastSign => Say("drills.round.the-key-lies-a-half-step-above"),
            MistakeKind.RelativeMinor => Say("drills.round.major-and-minor-share-a-signature-the"),
            MistakeKind.SignCount or MistakeKind.SignLetter or MistakeKind.SignOrder => Say(
                "drills.round.the-order-of-sharps-and-flats"
            ),
            MistakeKind.SignPlace => Say("drills.round.where-the-signs-of-a-signature-stand"),
            MistakeKind.MissingFinger or MistakeKind.ExtraFinger or MistakeKind.OtherShape => Say(
                "drills.round.hand-shapes-which-fingers-touch-on"
            ),
            MistakeKind.StepTooSmall or MistakeKind.StepTooLarge or MistakeKind.HalfSteps => Say(
                "drills.round.whole-whole-half-whole-whole-whole"
            ),
            MistakeKind.TooShort or MistakeKind.TooLong => Say("drills.round.add-up-the-beats-of-each-bar"),
            MistakeKind.ForgotDot => Say("drills.round.a-dot-adds-half-of-the-value"),
            MistakeKind.RestCount => Say("drills.round.rests-are-counted-too-in-brackets"),
            MistakeKind.HeldCount => Say("drills.round.long-notes-go-on-counting"),
            MistakeKind.BeatCount => Say("drills.round.say-the-beat-aloud-while-you-write"),
            MistakeKind.FirstStroke or MistakeKind.TurnStroke => Say("drills.round.first-note-down-then-the-bow-takes"),
            MistakeKind.PickUpStroke => Say("drills.round.a-pick-up-is-bowed-so-that"),
            MistakeKind.SlurStroke => Say("drills.round.notes-under-one-curve-share-a-stroke"),
            MistakeKind.AfterLift => Say("drills.round.after-a-lift-the-bow-goes-down"),
            MistakeKind.SameThere => Say("drills.round.compare-two-bars-note-by-note"),
            MistakeKind.PenMissing or MistakeKind.PenAstray => Say("drills.round.write-the-sign-slowly-over-its-whole"),
            _ => Say("drills.round.begin-at-the-staff-line-or-space"),
        };
}
