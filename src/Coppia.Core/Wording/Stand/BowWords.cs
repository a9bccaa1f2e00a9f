using Coppia.Core.Bowing;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>What is said about the bow (craft 8).</summary>
public static class BowWords
{
    /// <summary>Beyond so many bars their numbers are not read any more.</summary>
    private const int MostNamed = 8;

    public static string Way(BowDirection direction) =>
        direction == BowDirection.Down ? Say("stand.bow.down") : Say("stand.bow.up");

    public static string Amount(BowAmount amount) =>
        amount switch
        {
            BowAmount.Whole => Say("stand.bow.whole-bow"),
            BowAmount.Half => Say("stand.bow.half-bow"),
            BowAmount.Part => Say("stand.bow.part-of-the-bow"),
            BowAmount.Small => Say("stand.bow.small-strokes-about-5-cm"),
            _ => Say("stand.bow.slow-bow-save-it"),
        };

    /// <summary>What the bow does; on the bow's speed schools differ.</summary>
    public static string Action(BowAction action, HouseStyle style)
    {
        var heavierIsFaster = style.LoudBow == LoudBow.HeavierFaster;
        return action.Kind switch
        {
            BowHintKind.Pluck => Say("stand.bow.pluck-the-bow-rests-in-the-hand"),
            BowHintKind.BowAgain => Say("stand.bow.bow-again-set-it-on-the-string"),
            BowHintKind.Louder => Say(
                "stand.bow.louder-more-weight-nearer-the-bridge",
                ("sign", action.Sign),
                ("what", heavierIsFaster ? Say("stand.bow.a-faster-bow") : Say("stand.bow.a-slower-bow"))
            ),
            BowHintKind.Softer => Say(
                "stand.bow.softer-less-weight-nearer-the",
                ("sign", action.Sign),
                ("what", heavierIsFaster ? Say("stand.bow.a-slower-bow") : Say("stand.bow.a-lighter-faster-bow"))
            ),
            BowHintKind.Hooked => Say("stand.bow.hooked-the-same-direction-stopped"),
            BowHintKind.Accent => Say("stand.bow.accent-more-bite-at-the-start-of"),
            BowHintKind.Dots => Say("stand.bow.dots-the-bow-moves-quickly-and-stops"),
            BowHintKind.Slur => Say("stand.bow.slur-notes-in-one-bow-the-bow", ("notes", action.Notes)),
            _ => English.Sentence(Amount(action.Amount ?? BowAmount.Part)),
        };
    }

    /// <summary>What a proposed bowing achieves.</summary>
    public static string Aim(BowAim aim) =>
        aim == BowAim.DownbeatsDown ? Say("stand.bow.to-begin-each-bar-down") : Say("stand.bow.to-use-the-bow-evenly");

    /// <summary>The aim of a proposed bowing as a heading.</summary>
    public static string AimTitle(BowAim aim) =>
        aim == BowAim.DownbeatsDown
            ? Say("stand.bow.proposal-bar-beginnings-down")
            : Say("stand.bow.proposal-an-even-bow");

    /// <summary>What is said where nothing is proposed for an aim.</summary>
    /// <param name="refused">Changes were refused before.</param>
    public static string NothingProposed(BowProposal proposal, bool refused) =>
        proposal.Now switch
        {
            > 0 => refused ? Say("stand.bow.nothing-else-helps") : Say("stand.bow.nothing-simple-helps"),
            _ => proposal.Aim == BowAim.DownbeatsDown
                ? Say("stand.bow.every-bar-that-begins-with-a-new")
                : Say("stand.bow.no-stroke-runs-out-of-bow"),
        };

    /// <summary>"Bars 1–4", "Pick-up".</summary>
    public static string Where(BowHintInBars hint) => English.Capital(English.Bars(hint.Bars));

    /// <summary>"Bar 3: slur G to A".</summary>
    public static string Change(BowChange change, HouseStyle style)
    {
        var note = Labels.Note(change.Pitch, style);
        var before = change.Before is { } p ? Labels.Note(p, style) : Say("stand.bow.the-note-before");
        var what = change.Edit.Kind switch
        {
            BowEditKind.Slur => Say("stand.bow.slur-to", ("before", before), ("note", note)),
            BowEditKind.Hook => Say("stand.bow.hook-and-same-direction-stopped", ("before", before), ("note", note)),
            _ => Say("stand.bow.lift-after-next-stroke-down", ("note", note)),
        };
        return $"{change.Bar.Spoken()}: {what}";
    }

    /// <summary>What happens in a bar that is bowed unevenly, and what helps.</summary>
    public static string Uneven(UnevenBar bar) =>
        Say(
            "stand.bow.down-up-the-bow",
            ("bar", bar.Bar.Spoken()),
            ("down", English.Mixed(bar.Down)),
            ("what", bar.Down <= Fraction.Whole ? Say("stand.bow.beat") : Say("stand.bow.beats")),
            ("up", English.Mixed(bar.Up)),
            ("way", Way(bar.Faster)),
            ("hurry", Hurry(bar))
        );

    /// <summary>
    /// "After bar 8 the repeat goes back to bar 1 with the bow the other way round: A is up the first time, down the
    /// second."
    /// </summary>
    public static string WrongWay(IReadOnlyList<SoundingNote> notes, WrongWayRound wrong, HouseStyle style)
    {
        var to = notes[wrong.Returning];
        return Say(
            "stand.bow.after-the-repeat-goes-back-to-with",
            ("from", wrong.From.Named()),
            ("bar", to.Bar.Named()),
            ("pitch", Labels.Note(to.Pitch, style)),
            ("way", Way(wrong.First)),
            ("way2", Way(Bows.Turned(wrong.First)))
        );
    }

    /// <summary>What checks out, and what does not, a sentence each.</summary>
    public static IEnumerable<string> Check(BowCheck check)
    {
        if (check.BeginsBars)
            yield return BarsBegin(check.BeginUp);
        if (check.PickUp is { } pickUp)
            yield return pickUp == BowDirection.Up
                ? Say("stand.bow.the-pick-up-is-up")
                : Say("stand.bow.the-pick-up-begins-down");
        if (check.SlurCrosses.Count > 0)
            yield return Say("stand.bow.a-slur-crosses-strings-in", ("slurCrosses", English.Bars(check.SlurCrosses)));
        if (check is { FewestStrokes: { } few, MostStrokes: { } most })
            yield return few == most
                ? Say("stand.bow.to-a-bar", ("few", few))
                : Say("stand.bow.to-strokes-to-a-bar", ("few", few), ("most", most));
    }

    private static string BarsBegin(IReadOnlyList<int> up) =>
        up.Count switch
        {
            0 => Say("stand.bow.every-bar-begins-down"),
            > MostNamed => Say("stand.bow.bars-begin-up", ("up", up.Count)),
            1 => English.Sentence(Say("stand.bow.begins-up", ("up", English.Bars(up)))),
            _ => English.Sentence(Say("stand.bow.begin-up", ("up", English.Bars(up)))),
        };

    /// <summary>"The bow in bar 3 was changed in another window meanwhile. …"</summary>
    public static string ChangedMeanwhile(Score score, string noteId) =>
        Say("stand.bow.the-bow-was-changed-in-another-window", ("pinWords", PinWords.Where(score, noteId)));

    /// <summary>Why a change cannot be made, and what would be right.</summary>
    public static string Impossible(ImpossibleBowEditException e) =>
        e.Fault == BowEditFault.NoNote
            ? Say("stand.bow.there-is-no-note-in-this-tune", ("noteId", e.NoteId))
            : Say("stand.bow.note-cannot-join-the-note-before-it", ("noteId", e.NoteId));

    private static string ShortNotes(UnevenBar bar) =>
        bar.FasterStrokes > 1 ? Say("stand.bow.short-notes")
        : bar.FasterNotes > 1 ? Say("stand.bow.one-short-stroke")
        : Say("stand.bow.one-short-note");

    /// <summary>How the quicker way brings the bow back: a player feels bow and time, not a quotient.</summary>
    private static string Hurry(UnevenBar bar) =>
        bar.Ratio switch
        {
            2 => Say("stand.bow.must-travel-twice-as-fast-or-hook"),
            3 => Say("stand.bow.must-travel-three-times-as-fast-or"),
            4 => Say("stand.bow.must-travel-four-times-as-fast-or"),
            > 4 => Say("stand.bow.has-to-bring-almost-the-whole-bow", ("shortNotes", ShortNotes(bar))),
            > 3 => Say("stand.bow.must-travel-more-than-three-times-as"),
            _ => Say("stand.bow.must-travel-more-than-twice-as-fast"),
        };
}
