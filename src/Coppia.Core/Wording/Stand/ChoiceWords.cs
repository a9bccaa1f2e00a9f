using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Stand;

/// <summary>
/// Says why the chosen way beats the next best, or how the hand gets there where there is only one way, naming this
/// note's own neighbours.
/// </summary>
public sealed class ChoiceWords(Choice choice, Player player)
{
    private readonly Placement _chosen = choice.Note.Placement!.Value;

    private HandFrame Frame(Placement p) => player.FrameOf(p);

    public string Said()
    {
        if (choice.Reason == ChoiceReason.Pinned)
            return Joined("You chose this one; the notes around it follow.", GettingThere());
        return choice.Other is { } other
            ? Joined(WhyBeyond(), SinceLastTime(), Reason(other), Alternative(other))
            : Joined(WhyBeyond(), SinceLastTime(), OnlyPlace(), GettingThere());
    }

    private static string Joined(params string[] sentences) => string.Join(' ', sentences.Where(s => s.Length > 0));

    private string WhyBeyond() =>
        choice.Beyond switch
        {
            BeyondReason.NoteNearby =>
                $"The hand is in {Frame(_chosen).Spoken} for a note nearby that no allowed position reaches: "
                    + "beyond what the class has learned.",
            BeyondReason.Itself => $"No allowed position reaches it, so the hand goes to {Frame(_chosen).Spoken}: "
                + "beyond what the class has learned.",
            BeyondReason.Finger => $"The {ThingWords.Finger(_chosen.Place)} is beyond what the class has learned.",
            _ => "",
        };

    /// <summary>Where the same bar was played otherwise the first time: how, and what differs around it here.</summary>
    private string SinceLastTime()
    {
        if (choice.Note.Otherwise is not { } then)
            return "";
        var here = (choice.Note.Step!.StartsBar, choice.Before, choice.After) switch
        {
            (true, null, _) => "here the tune begins with it",
            (true, { } before, _) => $"here {Called(before)} comes before it",
            (_, _, null) => "here the tune ends with it",
            (_, _, { } after) => $"here {Called(after)} comes next",
        };
        return $"In {then.Bar.Named()} this note is {English.LowerFirst(Name(then.Placement))}; {here}.";
    }

    private string OnlyPlace() =>
        _chosen.IsOpen || choice.Approach == Approach.SameFinger ? ""
        : choice.Reason == ChoiceReason.OneSensible ? $"There is one sensible finger for this {Called(choice.Note)}."
        : $"It is the only place for this {Called(choice.Note)} in {Frame(_chosen).Spoken}.";

    private string Alternative(Placement other) =>
        choice.Dearer is { } dearer
            ? English.Sentence($"{Name(other)} also works, but {new DearerWords(choice, player).Of(dearer, other)}")
            : English.Sentence($"{Name(other)} would do just as well");

    /// <summary>How the hand and the bow come from the note before.</summary>
    private string GettingThere()
    {
        if (choice.Before?.Placement is not { } from)
            return Leaving();
        var name = Called(choice.Before);
        return choice.Approach switch
        {
            Approach.SameOpenString => $"Same open string as the {name} before it.",
            Approach.SameFinger => $"Same as the {name} before it: leave the finger where it is.",
            Approach.HandSlides => $"From {name} the hand slides to {Frame(_chosen).Spoken}.",
            Approach.HandShifts => $"From {name} the hand shifts to {Frame(_chosen).Spoken}.",
            Approach.Crosses =>
                $"From {name} the bow crosses from the {String(from)} string to the {String(_chosen)} string.",
            Approach.OpenRings =>
                $"From {name}, lift {Fingers(from, upTo: from.Finger)}{(from.Finger > 1 ? "," : "")} and let the "
                    + "open string ring.",
            Approach.FingersDown when _chosen.Finger == 1 => $"From {name} on the open string, put 1 down.",
            Approach.FingersDown =>
                $"From {name} on the open string, put {_chosen.Finger} down with the fingers below it.",
            Approach.FingerSlides => $"Finger {_chosen.Finger} slides {UpOrDown(from)} from {name}, {Apart(from)}.",
            Approach.FingerTakesOver when from.Semitones == _chosen.Semitones =>
                $"From {name}, {_chosen.Finger} takes the place of {from.Finger}: the string sounds the same.",
            Approach.FingerTakesOver => $"From {name}, lift {from.Finger} and set {_chosen.Finger} anew.",
            Approach.FingerAdded when !IsNear(from) => $"From {name}, add {Added(from)}.",
            Approach.FingerAdded when Added(from) is { Length: > 1 } added =>
                $"From {name}, add {added}: {_chosen.Finger} stands {Apart(from)} above {from.Finger}.",
            Approach.FingerAdded => $"From {name}, add {_chosen.Finger}, {Apart(from)} above {from.Finger}.",
            _ when IsNear(from) => $"From {name}, lift {Lifted(from)}: {_chosen.Finger} stands {Apart(from)} below.",
            _ => $"From {name}, lift {Lifted(from)}: {_chosen.Finger} stands below.",
        };
    }

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
        : next.String == _chosen.String ? $"{Called(choice.After)} comes next on the same string."
        : $"{Called(choice.After)} comes next, on the {String(next)} string.";

    private string UpOrDown(Placement from) => _chosen.Semitones > from.Semitones ? "up" : "down";

    private bool IsNear(Placement from) => Math.Abs(_chosen.Semitones - from.Semitones) <= 2;

    private string Apart(Placement from) =>
        Math.Abs(_chosen.Semitones - from.Semitones) == 1 ? "a half step" : "a whole step";

    private string Reason(Placement other)
    {
        var name = Name(_chosen);
        return choice.Reason switch
        {
            ChoiceReason.BowStays =>
                $"{name}: {Called(choice.Before!)} before and {Called(choice.After!)} after are on the "
                    + $"{String(_chosen)} string, "
                    + "so the bow stays.",
            ChoiceReason.NextIsOnTheString =>
                $"{name}: the next note, {Called(choice.After!)}, is on the {String(_chosen)} string anyway.",
            ChoiceReason.BeforeIsOnTheString =>
                $"{name}: {Called(choice.Before!)} before it is on the {String(_chosen)} string already.",
            ChoiceReason.NoFinger => $"{name}: no finger to place {Between("between", "before", "after")}.",
            ChoiceReason.HandStays => $"{name}: the hand stays in {Frame(_chosen).Spoken}{ForStopped()}.",
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
        return names.Length == 0 ? $" {Between("between", "before", "after")}" : $" for {English.List(names)}";

        bool NeedsTheHand(FingeredNote note) =>
            note.Placement is { IsOpen: false } at && Frame(at).SharesPosition(Frame(_chosen));
    }

    /// <summary>The note's neighbours after a preposition: both, the next one, the one before.</summary>
    private string Between(string both, string next, string before) =>
        (choice.Before, choice.After) switch
        {
            ({ } b, { } a) when Called(b) == Called(a) => both == "between"
                ? $"between the two {Called(a)}s"
                : $"{both} {Called(a)}",
            ({ } b, { } a) => $"{both} {Called(b)} and {Called(a)}",
            (null, { } a) => $"{next} {Called(a)}",
            ({ } b, null) => $"{before} {Called(b)}",
            _ => "for it",
        };

    private string Called(FingeredNote note) => Labels.Note(note.Note.Pitch, player.Style);

    private string String(Placement p) => Labels.Note(player.Instrument.Strings[p.String], player.Style);

    private string Name(Placement p) => Labels.PlaceName(p.Pair, player);
}
