using Coppia.Core.Drills;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Drills;

/// <summary>What is said at the end of a round: how it went, kindly, and what to look at (craft 14).</summary>
public static class RoundWords
{
    public static string Of(RoundEnd end)
    {
        var score = $"{end.Right} of {end.Count} at once";
        return end.Grade switch
        {
            RoundGrade.All => $"All {end.Count} right. That sits.",
            RoundGrade.Most => $"{score}: most of them. The rest comes with another round.",
            _ => $"{score}. A little more practice; begin slowly, with the help.",
        };
    }

    /// <summary>For each kind of mistake what to look at next time; a habit is named as one.</summary>
    public static IReadOnlyList<string> LookAt(RoundEnd end, Player player) =>
        [.. end.Slips.Select(s => Slip(s, player))];

    private static string Slip(Slip slip, Player player)
    {
        var words = slip.Clef is { } clef
            ? $"The notes were read as in {clef.Name} clef. Look at the sign at the left: "
                + $"{player.Instrument.FirstClef.Name} clef has "
                + $"{Labels.Note(player.Instrument.FirstClef.SignPitch, player.Style)} on line "
                + $"{player.Instrument.FirstClef.Line}."
            : English.Sentence(LookAt(slip.Kind));
        return slip.IsHabit
            ? $"{English.Capital(English.Number(slip.Times))} times: {English.LowerFirst(words)}"
            : words;
    }

    /// <summary>What to look at, without a stop at its end.</summary>
    public static string LookAt(MistakeKind kind) =>
        kind switch
        {
            MistakeKind.ForgotSignature => "read the key signature first, and say what it changes",
            MistakeKind.ForgotAccidental => "a sign holds for its line or space to the barline",
            MistakeKind.OneStep => "a line goes through the head, a space is filled by it: look twice",
            MistakeKind.WrongEnd => "count lines and spaces from the bottom",
            MistakeKind.OtherClef => "look at the clef before the first note",
            MistakeKind.WrongOctave => "one letter, several octaves: say the string too",
            MistakeKind.LowHigh => "low, regular or high: look where the finger touches its neighbour",
            MistakeKind.OtherInstrument => "other instruments have other fingers: think of your own hand",
            MistakeKind.NeighbourString => "say the string before the finger",
            MistakeKind.StemDirection => "stems: on the middle line and above down, below it up",
            MistakeKind.StemSide => "stems: up at the right of the head, down at its left",
            MistakeKind.OtherSigns => "sharps or flats: look at the sign itself",
            MistakeKind.LastSign => "the key lies a half step above the last sharp, or is the last flat but one",
            MistakeKind.RelativeMinor => "major and minor share a signature: the question asks for the major key",
            MistakeKind.SignCount or MistakeKind.SignLetter or MistakeKind.SignOrder => "the order of sharps and flats",
            MistakeKind.SignPlace => "where the signs of a signature stand in this clef",
            MistakeKind.MissingFinger or MistakeKind.ExtraFinger or MistakeKind.OtherShape =>
                "hand shapes: which fingers touch on each string",
            MistakeKind.StepTooSmall or MistakeKind.StepTooLarge or MistakeKind.HalfSteps =>
                "whole, whole, half, whole, whole, whole, half",
            MistakeKind.TooShort or MistakeKind.TooLong => "add up the beats of each bar",
            MistakeKind.ForgotDot => "a dot adds half of the value",
            MistakeKind.RestCount => "rests are counted too, in brackets",
            MistakeKind.HeldCount => "long notes go on counting",
            MistakeKind.BeatCount => "say the beat aloud while you write the counting",
            MistakeKind.FirstStroke or MistakeKind.TurnStroke => "first note down, then the bow takes turns",
            MistakeKind.PickUpStroke => "a pick-up is bowed so that the full bar begins down",
            MistakeKind.SlurStroke => "notes under one curve share a stroke",
            MistakeKind.AfterLift => "after a lift the bow goes down",
            MistakeKind.SameThere => "compare two bars note by note",
            MistakeKind.PenMissing or MistakeKind.PenAstray => "write the sign slowly, over its whole shape",
            _ => "begin at the staff: line or space, which one, which letter",
        };
}
