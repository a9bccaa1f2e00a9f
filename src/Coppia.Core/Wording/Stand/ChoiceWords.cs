using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>
/// Says why the chosen way beats the next best, or how the hand gets there where there is only one way, naming this
/// note's own neighbours.
/// </summary>
public sealed class ChoiceWords(Choice choice, Player player)
{
    private readonly Placement _chosen = choice.Note.Placement!.Value;

    private HandFrame Frame(Placement p) => player.FrameOf(p);

    public string Sentence()
    {
        if (choice.Reason == ChoiceReason.Pinned)
            return Joined(Say("stand.choice.you-chose-this-one-the-notes-around"), GettingThere());
        return choice.Other is { } other
            ? Joined(WhyBeyond(), SinceLastTime(), Reason(other), Alternative(other))
            : Joined(WhyBeyond(), SinceLastTime(), OnlyPlace(), GettingThere());
    }

    private static string Joined(params string[] sentences) => string.Join(' ', sentences.Where(s => s.Length > 0));

    private string WhyBeyond() =>
        choice.Beyond switch
        {
            BeyondReason.NoteNearby => Say("stand.choice.the-hand-is-in-for-a-note", ("frame", Frame(_chosen).Spoken)),
            BeyondReason.Itself => Say(
                "stand.choice.no-allowed-position-reaches-it-so-the",
                ("frame", Frame(_chosen).Spoken)
            ),
            BeyondReason.Finger => Say(
                "stand.choice.the-is-beyond-what-the-class-has",
                ("finger", ThingWords.Finger(_chosen.Place))
            ),
            _ => "",
        };

    /// <summary>Where the same bar was played otherwise the first time: how, and what differs around it here.</summary>
    private string SinceLastTime()
    {
        if (choice.Note.Otherwise is not { } then)
            return "";
        var here = (choice.Note.Step!.StartsBar, choice.Before, choice.After) switch
        {
            (true, null, _) => Say("stand.choice.here-the-tune-begins-with-it"),
            (true, { } before, _) => Say("stand.choice.here-comes-before-it", ("called", Called(before))),
            (_, _, null) => Say("stand.choice.here-the-tune-ends-with-it"),
            (_, _, { } after) => Say("stand.choice.here-comes-next", ("called", Called(after))),
        };
        return Say(
            "stand.choice.in-this-note-is",
            ("bar", then.Bar.Named()),
            ("placement", English.LowerFirst(Name(then.Placement))),
            ("here", here)
        );
    }

    private string OnlyPlace() =>
        _chosen.IsOpen || choice.Approach == Approach.SameFinger ? ""
        : choice.Reason == ChoiceReason.OneSensible
            ? Say("stand.choice.there-is-one-sensible-finger-for-this", ("called", Called(choice.Note)))
        : Say(
            "stand.choice.it-is-the-only-place-for-this",
            ("called", Called(choice.Note)),
            ("frame", Frame(_chosen).Spoken)
        );

    private string Alternative(Placement other) =>
        choice.Dearer is { } dearer
            ? English.Sentence(
                Say(
                    "stand.choice.also-works-but",
                    ("other", Name(other)),
                    ("what", new DearerWords(choice, player).Of(dearer, other))
                )
            )
            : English.Sentence(Say("stand.choice.would-do-just-as-well", ("other", Name(other))));

    /// <summary>How the hand and the bow come from the note before.</summary>
    private string GettingThere()
    {
        if (choice.Before?.Placement is not { } from)
            return Leaving();
        var name = Called(choice.Before);
        return choice.Approach switch
        {
            Approach.SameOpenString => Say("stand.choice.same-open-string-as-the-before-it", ("name", name)),
            Approach.SameFinger => Say("stand.choice.same-as-the-before-it-leave-the", ("name", name)),
            Approach.HandSlides or Approach.HandShifts => Say(
                choice.Approach == Approach.HandSlides
                    ? "stand.choice.from-the-hand-slides-to"
                    : "stand.choice.from-the-hand-shifts-to",
                ("name", name),
                ("frame", Frame(_chosen).Spoken)
            ),
            Approach.Crosses => Crosses(from, name),
            Approach.OpenRings => Say(
                "stand.choice.from-lift-and-let-the-open-string",
                ("name", name),
                ("fingers", Fingers(from, upTo: from.Finger)),
                ("finger", from.Finger)
            ),
            Approach.FingersDown => FingersDown(name),
            Approach.FingerSlides => Say(
                "stand.choice.finger-slides-from",
                ("finger", _chosen.Finger),
                ("upOrDown", UpOrDown(from)),
                ("name", name),
                ("apart", Apart(from))
            ),
            Approach.FingerTakesOver => FingerTakesOver(from, name),
            Approach.FingerAdded => FingerAdded(from, name),
            _ => FingerLifted(from, name),
        };
    }

    private string Crosses(in Placement from, string name) =>
        Say(
            "stand.choice.from-the-bow-crosses-from-the-string",
            ("name", name),
            ("from", String(from)),
            ("chosen", String(_chosen))
        );

    private string FingersDown(string name) =>
        _chosen.Finger == 1
            ? Say("stand.choice.from-on-the-open-string-put-1", ("name", name))
            : Say("stand.choice.from-on-the-open-string-put-down", ("name", name), ("finger", _chosen.Finger));

    private string FingerTakesOver(in Placement from, string name) =>
        from.Semitones == _chosen.Semitones
            ? Say(
                "stand.choice.from-takes-the-place-of-the-string",
                ("name", name),
                ("finger", _chosen.Finger),
                ("finger2", from.Finger)
            )
            : Say(
                "stand.choice.from-lift-and-set-anew",
                ("name", name),
                ("finger", from.Finger),
                ("finger2", _chosen.Finger)
            );

    private string FingerAdded(in Placement from, string name)
    {
        var added = Added(from);
        if (!IsNear(from))
            return Say("stand.choice.from-add", ("name", name), ("added", added));
        return added.Length > 1
            ? Say(
                "stand.choice.from-add-stands-above",
                ("name", name),
                ("added", added),
                ("finger", _chosen.Finger),
                ("apart", Apart(from)),
                ("finger2", from.Finger)
            )
            : Say(
                "stand.choice.from-add-above",
                ("name", name),
                ("finger", _chosen.Finger),
                ("apart", Apart(from)),
                ("finger2", from.Finger)
            );
    }

    private string FingerLifted(in Placement from, string name) =>
        IsNear(from)
            ? Say(
                "stand.choice.from-lift-stands-below",
                ("name", name),
                ("lifted", Lifted(from)),
                ("finger", _chosen.Finger),
                ("apart", Apart(from))
            )
            : Say(
                "stand.choice.from-lift-stands-below-2",
                ("name", name),
                ("lifted", Lifted(from)),
                ("finger", _chosen.Finger)
            );

    /// <summary>A finger goes down with those between: "2 and 3".</summary>
    private string Added(Placement from) => Fingers(_chosen, above: from.Finger, upTo: _chosen.Finger);

    private string Lifted(Placement from) => Fingers(from, above: _chosen.Finger, upTo: from.Finger);

    /// <summary>The fingers of a hand that lie there when its highest plays.</summary>
    private string Fingers(Placement at, int upTo, int above = 0)
    {
        int[] own =
        [
            .. Frame(at).Spots.Select(s => s.Finger).Append(upTo).Distinct().Where(f => f > above && f <= upTo).Order(),
        ];
        return English.List([.. own.Select(English.Figure)]);
    }

    private string Leaving() =>
        choice.After?.Placement is not { } next ? ""
        : next.String == _chosen.String
            ? Say("stand.choice.comes-next-on-the-same-string", ("called", Called(choice.After)))
        : Say("stand.choice.comes-next-on-the-string", ("called", Called(choice.After)), ("next", String(next)));

    private string UpOrDown(Placement from) =>
        _chosen.Semitones > from.Semitones ? Say("stand.choice.up") : Say("stand.choice.down");

    private bool IsNear(Placement from) => Math.Abs(_chosen.Semitones - from.Semitones) <= 2;

    private string Apart(Placement from) =>
        Math.Abs(_chosen.Semitones - from.Semitones) == 1
            ? Say("stand.choice.a-half-step")
            : Say("stand.choice.a-whole-step");

    private string Reason(Placement other)
    {
        var name = Name(_chosen);
        return choice.Reason switch
        {
            ChoiceReason.BowStays => Say(
                "stand.choice.before-and-after-are-on-the-string",
                ("name", name),
                ("called", Called(choice.Before!)),
                ("called2", Called(choice.After!)),
                ("chosen", String(_chosen))
            ),
            ChoiceReason.NextIsOnTheString => Say(
                "stand.choice.the-next-note-is-on-the-string",
                ("name", name),
                ("called", Called(choice.After!)),
                ("chosen", String(_chosen))
            ),
            ChoiceReason.BeforeIsOnTheString => Say(
                "stand.choice.before-it-is-on-the-string-already",
                ("name", name),
                ("called", Called(choice.Before!)),
                ("chosen", String(_chosen))
            ),
            ChoiceReason.NoFinger => Say(
                "stand.choice.no-finger-to-place",
                ("name", name),
                ("between", Between(Say("stand.choice.between"), Say("stand.choice.before"), Say("stand.choice.after")))
            ),
            ChoiceReason.HandStays => Say(
                "stand.choice.the-hand-stays-in",
                ("name", name),
                ("frame", Frame(_chosen).Spoken),
                ("forStopped", ForStopped())
            ),
            _ => GettingThere(),
        };
    }

    /// <summary>
    /// " for B♭ and C": the neighbours that need the hand there; open strings do not, it stays between them.
    /// </summary>
    private string ForStopped()
    {
        string[] names =
        [
            .. new[] { choice.Before, choice.After }
                .OfType<FingeredNote>()
                .Where(NeedsTheHand)
                .Select(Called)
                .Distinct(),
        ];
        return names.Length == 0
            ? $" {Between(Say("stand.choice.between"), Say("stand.choice.before"), Say("stand.choice.after"))}"
            : Say("stand.choice.for-stopped-for", ("names", English.List(names)));

        bool NeedsTheHand(FingeredNote note) =>
            note.Placement is { IsOpen: false } at && Frame(at).SharesPosition(Frame(_chosen));
    }

    /// <summary>The note's neighbours after a preposition: both, the next one, the one before.</summary>
    private string Between(string both, string next, string before) =>
        (choice.Before, choice.After) switch
        {
            ({ } b, { } a) when Called(b) == Called(a) => both == "between"
                ? Say("stand.choice.between-the-two-s", ("called", Called(a)))
                : $"{both} {Called(a)}",
            ({ } b, { } a) => Say(
                "stand.choice.between-and",
                ("both", both),
                ("called", Called(b)),
                ("called2", Called(a))
            ),
            (null, { } a) => $"{next} {Called(a)}",
            ({ } b, null) => $"{before} {Called(b)}",
            _ => Say("stand.choice.for-it"),
        };

    private string Called(FingeredNote note) => Labels.Note(note.Note.Pitch, player.Style);

    private string String(Placement p) => Labels.Note(player.Instrument.Strings[p.String], player.Style);

    private string Name(Placement p) => Labels.PlaceName(p.Pair, player);
}
