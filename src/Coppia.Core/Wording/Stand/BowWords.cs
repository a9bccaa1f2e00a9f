using Coppia.Core.Bowing;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Stand;

/// <summary>What is said about the bow (craft 8).</summary>
public static class BowWords
{
    /// <summary>Beyond so many bars their numbers are not read any more.</summary>
    private const int MostNamed = 8;

    public static string Way(BowDirection direction) => direction == BowDirection.Down ? "down" : "up";

    public static string Amount(BowAmount amount) =>
        amount switch
        {
            BowAmount.Whole => "whole bow",
            BowAmount.Half => "half bow",
            BowAmount.Part => "part of the bow",
            BowAmount.Small => "small strokes, about 5 cm",
            _ => "slow bow, save it",
        };

    /// <summary>What the bow does; on the bow's speed schools differ.</summary>
    public static string Action(BowAction action, HouseStyle style)
    {
        var heavierIsFaster = style.LoudBow == LoudBow.HeavierFaster;
        return action.Kind switch
        {
            BowHintKind.Pluck => "Pluck: the bow rests in the hand; the left hand stays as it is.",
            BowHintKind.BowAgain => "Bow again: set it on the string before the note.",
            BowHintKind.Louder => $"{action.Sign}, louder: more weight, nearer the bridge, "
                + $"{(heavierIsFaster ? "a faster bow" : "a slower bow")}.",
            BowHintKind.Softer => $"{action.Sign}, softer: less weight, nearer the fingerboard, "
                + $"{(heavierIsFaster ? "a slower bow" : "a lighter, faster bow")}.",
            BowHintKind.Hooked => "Hooked: the same direction, stopped between the notes.",
            BowHintKind.Accent => "Accent: more bite at the start of the note, then let go.",
            BowHintKind.Dots => "Dots: the bow moves quickly and stops; the pulse does not speed up.",
            BowHintKind.Slur => $"Slur: {action.Notes} notes in one bow, the bow does not stop.",
            _ => English.Sentence(Amount(action.Amount ?? BowAmount.Part)),
        };
    }

    /// <summary>What a proposed bowing achieves.</summary>
    public static string Aim(BowAim aim) =>
        aim == BowAim.DownbeatsDown ? "To begin each bar down" : "To use the bow evenly";

    /// <summary>The aim of a proposed bowing as a heading.</summary>
    public static string AimTitle(BowAim aim) =>
        aim == BowAim.DownbeatsDown ? "Proposal: bar beginnings down" : "Proposal: an even bow";

    /// <summary>What is said where nothing is proposed for an aim.</summary>
    /// <param name="refused">Changes were refused before.</param>
    public static string NothingProposed(BowProposal proposal, bool refused) =>
        proposal.Now switch
        {
            > 0 => refused ? "Nothing else helps." : "Nothing simple helps.",
            _ => proposal.Aim == BowAim.DownbeatsDown
                ? "Every bar that begins with a new stroke begins down already."
                : "No stroke runs out of bow.",
        };

    /// <summary>"Bars 1–4", "Pick-up".</summary>
    public static string Where(BowHintInBars hint) => English.Capital(English.Bars(hint.Bars));

    /// <summary>"Bar 3: slur G to A".</summary>
    public static string Change(BowChange change, HouseStyle style)
    {
        var note = Labels.Note(change.Pitch, style);
        var before = change.Before is { } p ? Labels.Note(p, style) : "the note before";
        var what = change.Edit.Kind switch
        {
            BowEditKind.Slur => $"slur {before} to {note}",
            BowEditKind.Hook => $"hook {before} and {note}, same direction, stopped between",
            _ => $"lift after {note}, next stroke down",
        };
        return $"{change.Bar.Spoken()}: {what}";
    }

    /// <summary>What happens in a bar that is bowed unevenly, and what helps.</summary>
    public static string Uneven(UnevenBar bar) =>
        $"{bar.Bar.Spoken()}: {English.Mixed(bar.Down)} {(bar.Down <= Fraction.Whole ? "beat" : "beats")} down, "
        + $"{English.Mixed(bar.Up)} up. The {Way(bar.Faster)} bow {Hurry(bar)}.";

    /// <summary>
    /// "After bar 8 the repeat goes back to bar 1 with the bow the other way round: A is up the first time, down the
    /// second."
    /// </summary>
    public static string WrongWay(IReadOnlyList<SoundingNote> notes, WrongWayRound wrong, HouseStyle style)
    {
        var to = notes[wrong.Returning];
        return $"After {wrong.From.Named()} the repeat goes back to {to.Bar.Named()} with the bow the other way round: "
            + $"{Labels.Note(to.Pitch, style)} is {Way(wrong.First)} the first time, "
            + $"{Way(Bows.Turned(wrong.First))} the second.";
    }

    /// <summary>What checks out, and what does not, a sentence each.</summary>
    public static IEnumerable<string> Check(BowCheck check)
    {
        if (check.BeginsBars)
            yield return BarsBegin(check.BeginUp);
        if (check.PickUp is { } pickUp)
            yield return pickUp == BowDirection.Up ? "The pick-up is up." : "The pick-up begins down.";
        if (check.SlurCrosses.Count > 0)
            yield return $"A slur crosses strings in {English.Bars(check.SlurCrosses)}.";
        if (check is { FewestStrokes: { } few, MostStrokes: { } most })
            yield return few == most
                ? $"{few} {(few == 1 ? "stroke" : "strokes")} to a bar."
                : $"{few} to {most} strokes to a bar.";
    }

    private static string BarsBegin(IReadOnlyList<int> up) =>
        up.Count switch
        {
            0 => "Every bar begins down.",
            > MostNamed => $"{up.Count} bars begin up.",
            1 => English.Sentence($"{English.Bars(up)} begins up"),
            _ => English.Sentence($"{English.Bars(up)} begin up"),
        };

    /// <summary>"The bow in bar 3 was changed in another window meanwhile. …"</summary>
    public static string ChangedMeanwhile(Score score, string noteId) =>
        $"The bow{PinWords.Where(score, noteId)} was changed in another window meanwhile. Nothing was overwritten; "
        + "it is shown now.";

    /// <summary>Why a change cannot be made, and what would be right.</summary>
    public static string Impossible(ImpossibleBowEditException e) =>
        e.Fault == BowEditFault.NoNote
            ? $"There is no note {e.NoteId} in this tune to change the bow of; expected the id of a printed note."
            : $"Note {e.NoteId} cannot join the note before it; "
                + "expected two neighbouring notes that no slur or tie binds yet.";

    private static string ShortNotes(UnevenBar bar) =>
        bar.FasterStrokes > 1 ? "short notes"
        : bar.FasterNotes > 1 ? "one short stroke"
        : "one short note";

    /// <summary>How the quicker way brings the bow back: a player feels bow and time, not a quotient.</summary>
    private static string Hurry(UnevenBar bar) =>
        bar.Ratio switch
        {
            2 => "must travel twice as fast, or hook it, or lift",
            3 => "must travel three times as fast, or hook it, or lift",
            4 => "must travel four times as fast, or hook it, or lift",
            > 4 => $"has to bring almost the whole bow back in {ShortNotes(bar)}; hook it, or lift",
            > 3 => "must travel more than three times as fast, or hook it, or lift",
            _ => "must travel more than twice as fast, or hook it, or lift",
        };
}
