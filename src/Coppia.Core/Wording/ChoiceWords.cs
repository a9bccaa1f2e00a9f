using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;

namespace Coppia.Core.Wording;

/// <summary>Says why the chosen way beats the next best, or how the hand gets there where there is only one way, naming this note's own neighbours.</summary>
internal sealed class ChoiceWords
{
    private readonly Fingers _fingering;
    private readonly HouseStyle _style;
    private readonly FingeredNote _note;
    private readonly int _index;
    private readonly FingeredNote? _before;
    private readonly FingeredNote? _after;

    private ChoiceWords(Fingers fingering, int index, HouseStyle style)
    {
        (_fingering, _style, _note, _index) = (fingering, style, fingering.Notes[index], index);
        _before = PlayedBefore(fingering, index);
        if (index + 1 < fingering.Notes.Count && fingering.Notes[index + 1].Step is not { Apart: true })
            _after = fingering.Notes[index + 1];
    }

    /// <summary>The note that sounds before this one: before a later ending that is the last one ahead of the first ending.</summary>
    private static FingeredNote? PlayedBefore(Fingers fingering, int index)
    {
        var before = index - 1;
        if (fingering.Notes[index].Step is { Apart: true })
        {
            while (before > 0 && fingering.Notes[before].Note.Bar.EndingStart is null)
                before--;
            var ending = fingering.Notes[before].Note.Bar;
            while (before >= 0 && ReferenceEquals(fingering.Notes[before].Note.Bar, ending))
                before--;
        }

        return before < 0 ? null : fingering.Notes[before];
    }

    private Instrument Player => _fingering.Instrument;

    public static string Of(Fingers fingering, int index, HouseStyle style)
    {
        var noted = fingering.Notes[index];
        if (noted.Placement is not { } chosen)
            return "";
        var words = new ChoiceWords(fingering, index, style);
        if (noted.Pinned)
            return Joined("You chose this one; the notes around it follow.", words.GettingThere(chosen));

        // What lies in positions the class does not use is no real alternative to a beginner.
        var others = noted
            .Others.Where(o => o.ExtraCost is not null && (noted.Beyond || fingering.Instrument.Frames[o.Placement.Frame].AllowedByDefault))
            .ToArray();
        var beyond = noted.Beyond ? words.WhyBeyond(chosen) : "";
        if (others.Length == 0)
            return Joined(beyond, words.SinceLastTime(), words.OnlyPlace(chosen));
        var other = others[0].Placement;
        return Joined(beyond, words.SinceLastTime(), words.Reason(chosen, other), words.Alternative(chosen, other));
    }

    private string WhyBeyond(Placement chosen)
    {
        var there = Player.Frames[chosen.Frame].Spoken;
        return OctaveFit.IsAllowed(Player, _note.Note.Pitch)
            ? $"The hand is in {there} for a note nearby that no allowed position reaches: beyond what the class has learned."
            : $"No allowed position reaches it, so the hand goes to {there}: beyond what the class has learned.";
    }

    private static string Joined(params string[] sentences) => string.Join(' ', sentences.Where(s => s.Length > 0));

    /// <summary>Where the same bar was played otherwise the first time: how, and what differs around it here.</summary>
    private string SinceLastTime()
    {
        if (_note.Otherwise is not { } then)
            return "";
        var here = _note.Step!.StartsBar
            ? _before is null
                ? "here the tune begins with it"
                : $"here {Called(_before)} comes before it"
            : _after is null
                ? "here the tune ends with it"
                : $"here {Called(_after)} comes next";
        return $"In {then.Bar.Named} this note is {LowerFirst(Name(then.Placement))}; {here}.";
    }

    private string Alternative(Placement chosen, Placement other) =>
        Price(chosen, other) is { } price
            ? English.Sentence($"{Name(other)} also works, but {price}")
            : English.Sentence($"{Name(other)} would do just as well");

    private string Called(FingeredNote note) => Labels.Note(note.Note.Pitch, _style);

    private string StringName(int s) => Labels.Note(Player.Strings[s], _style);

    private string StringName(Placement p) => StringName(p.String);

    private string OnlyPlace(Placement chosen)
    {
        var only =
            chosen.IsOpen || _before?.Placement is { } from && from.SamePair(chosen)
                ? ""
                : $"It is the only place for this {Called(_note)} in {Player.Frames[chosen.Frame].Spoken}.";
        return Joined(only, GettingThere(chosen));
    }

    /// <summary>How the hand and the bow come from the note before.</summary>
    private string GettingThere(Placement at)
    {
        if (_before?.Placement is not { } from)
            return Leaving(at);
        var name = Called(_before);
        if (from.SamePair(at))
            return at.IsOpen
                ? $"Same open string as the {name} before it."
                : $"Same as the {name} before it: leave the finger where it is.";
        var (was, comes) = (Player.Frames[from.Frame], Player.Frames[at.Frame]);
        if (was.Height != comes.Height && !at.IsOpen)
            return $"From {name} the hand {(Player.Moves.IsSlide(was, comes) ? "slides" : "shifts")} to {comes.Spoken}.";
        if (from.String != at.String)
            return $"From {name} the bow crosses from the {StringName(from)} string to the {StringName(at)} string.";
        if (at.IsOpen)
            return $"From {name}, lift {from.Finger} and let the open string ring.";
        if (from.IsOpen)
            return at.Finger == 1
                ? $"From {name} on the open string, put 1 down."
                : $"From {name} on the open string, put {at.Finger} down with the fingers below it.";
        if (from.Finger == at.Finger)
            return $"Finger {at.Finger} slides {(at.Semitones > from.Semitones ? "up" : "down")} from {name}, {HalfSteps(at, from)}.";
        var apart = Math.Abs(at.Semitones - from.Semitones) <= 2 ? $", {HalfSteps(at, from)}" : "";
        return at.Semitones > from.Semitones
            ? $"From {name}, add {at.Finger}{(apart.Length > 0 ? $"{apart} above {from.Finger}" : "")}."
            : $"From {name}, lift {from.Finger}: {at.Finger} stands{apart.TrimStart(',')} below.";
    }

    private string Leaving(Placement at) =>
        _after?.Placement is not { } next ? ""
        : next.String == at.String ? $"{Called(_after)} comes next on the same string."
        : $"{Called(_after)} comes next, on the {StringName(next)} string.";

    private static string HalfSteps(Placement a, Placement b) => Math.Abs(a.Semitones - b.Semitones) == 1 ? "a half step" : "a whole step";

    private string Reason(Placement chosen, Placement other)
    {
        var afterHere = _after?.Placement?.String == chosen.String;
        var beforeHere = _before?.Placement?.String == chosen.String;
        var name = Name(chosen);
        if (chosen.String != other.String)
        {
            if (beforeHere && afterHere)
                return $"{name}: {Called(_before!)} before and {Called(_after!)} after are on the {StringName(chosen)} string, so the bow stays.";
            if (afterHere)
                return $"{name}: the next note, {Called(_after!)}, is on the {StringName(chosen)} string anyway.";
            if (beforeHere)
                return $"{name}: {Called(_before!)} before it is on the {StringName(chosen)} string already.";
        }

        if (chosen.IsOpen)
            return $"{name}: no finger to place {Between("between", "before", "after")}.";
        var frame = Player.Frames[chosen.Frame];
        return Player.Frames[other.Frame].Position != frame.Position
            ? $"{name}: the hand stays in {frame.Spoken} {Between("for", "for", "after")}."
            : GettingThere(chosen);
    }

    /// <summary>The note's neighbours after a preposition: both, the next one, the one before.</summary>
    private string Between(string both, string next, string before) =>
        (_before, _after) switch
        {
            ({ } b, { } a) when Called(b) == Called(a) => both == "between" ? $"between the two {Called(a)}s" : $"{both} {Called(a)}",
            ({ } b, { } a) => $"{both} {Called(b)} and {Called(a)}",
            (null, { } a) => $"{next} {Called(a)}",
            ({ } b, null) => $"{before} {Called(b)}",
            _ => "for it",
        };

    /// <summary>What the other way would have cost most, its neighbours staying as they are; null where it costs nothing more.</summary>
    private string? Price(Placement chosen, Placement other)
    {
        var more = Parts(other)
            .GroupBy(p => p.Kind)
            .Select(g => (Kind: g.Key, Amount: g.Sum(p => p.Amount) - Parts(chosen).Where(p => p.Kind == g.Key).Sum(p => p.Amount)));
        return more.Where(m => m.Amount > 0)
            .OrderByDescending(m => m.Amount)
            .ThenBy(m => m.Kind)
            .Select(m => Words(m.Kind, chosen, other))
            .FirstOrDefault();
    }

    /// <summary>All costs in which this note's way has a part: its own, the steps into it and out of it, and the threes it belongs to.</summary>
    private List<CostPart> Parts(Placement at)
    {
        var parts = new List<CostPart>();
        var (price, step) = (_fingering.Price, _note.Step!);
        price.Note(step, at, parts);
        price.Habit(step, at, parts);
        if (step.IsFirst)
            price.First(step, at, parts);
        if (Around(-1) is { } before)
            price.Step(step, before, at, parts);
        if (_after is { Step: { } next } && Around(1) is { } after)
            price.Step(next, at, after, parts);
        if (Around(-2) is { } first && Around(-1) is { } second)
            price.Three(first, second, at, parts);
        if (Around(-1) is { } left && Around(1) is { } right)
            price.Three(left, at, right, parts);
        if (Around(1) is { } third && Around(2) is { } last)
            price.Three(at, third, last, parts);
        return parts;
    }

    /// <summary>The way of a note so many steps along the solved line; null past its ends.</summary>
    private Placement? Around(int steps)
    {
        var (at, left) = (_index, steps);
        while (left != 0)
        {
            at += Math.Sign(steps);
            if (at < 0 || at >= _fingering.Notes.Count)
                return null;
            if (_fingering.Notes[at].Placement is not null)
                left -= Math.Sign(steps);
        }

        return _fingering.Notes[at].Placement;
    }

    private string Words(CostKind kind, Placement chosen, Placement other)
    {
        bool Crosses(FingeredNote? n, Placement p) => n?.Placement is { } at && at.String != p.String;
        var toOther = Crosses(_before, other) && !Crosses(_before, chosen);
        var fromOther = Crosses(_after, other) && !Crosses(_after, chosen);
        var there = Player.Frames[other.Frame].Spoken;
        return kind switch
        {
            CostKind.CrossingInSlur => "you would cross strings inside the slur",
            CostKind.Crossing when toOther && fromOther => "you would cross to it and straight back",
            CostKind.Crossing when fromOther => $"you would cross right after, for {Called(_after!)}",
            CostKind.Crossing when toOther => $"you would cross to it from {Called(_before!)}",
            CostKind.Crossing => "you would cross strings once more",
            CostKind.StringSkipped =>
                $"the bow would jump over a string{(toOther ? $" from {Called(_before!)}" : _after is null ? "" : $" to {Called(_after)}")}",
            CostKind.Shift or CostKind.OutsidePositions or CostKind.FrameThereAndBack or CostKind.AboveFirst or CostKind.Start =>
                $"the hand would have to be in {there}",
            CostKind.HandSlide =>
                $"the hand would have to slide to {(Player.Frames[chosen.Frame].Height == Player.Frames[other.Frame].Height ? "it and back" : there)}",
            CostKind.OpenStretch or CostKind.CloseStretch or CostKind.StretchedHand or CostKind.StretchedFinger =>
                "the hand would have to stretch",
            CostKind.ExtendedFourth => "the fourth finger would have to reach",
            CostKind.HighFourth => "high 4 is a stretch",
            CostKind.LowOrHigh => $"{other.Finger} would stand off its regular place",
            CostKind.NeighboursFinger => $"{other.Finger} has a letter of its own",
            CostKind.FingerSlides => $"finger {other.Finger} would have to slide{FromOrTo(n => OneFingerTwice(n, other))}",
            CostKind.FingerInTwoPlaces => "one finger would need two places within three notes",
            CostKind.FingerSubstituted => "another finger would have to take over the same sound",
            CostKind.FingerHops or CostKind.TwoHeights =>
                $"finger {other.Finger} would have to hop across{FromOrTo(n => SameFingerAcross(n, other))}",
            CostKind.FourthForOpen when !_fingering.Price.StandsForOpen(other) =>
                "the fourth finger would have to take over the same sound",
            CostKind.FourthForOpen => $"it needs the weakest finger where open {StringName(other.String + 1)} rings by itself",
            CostKind.OpenForFourth => _after is null
                ? "the line ends on the lower string"
                : $"the line comes down to {Called(_after)}, where 4 is on the string already",
            CostKind.OtherFingerInLine => $"elsewhere in the line {Called(_note)} is {LowerFirst(Name(chosen))}",
            CostKind.OtherThanBefore => $"the same bar had {LowerFirst(Name(chosen))} before",
            CostKind.NotPinned => "you chose this one",
            _ => "it needs a finger high up where the open string rings by itself",
        };
    }

    private string FromOrTo(Func<FingeredNote?, bool> concerns) =>
        concerns(_before) ? $" from {Called(_before!)}"
        : concerns(_after) ? $" to {Called(_after!)}"
        : "";

    private static bool OneFingerTwice(FingeredNote? n, Placement p) =>
        n?.Placement is { } at && at.Finger == p.Finger && at.String == p.String && at.Semitones != p.Semitones;

    private static bool SameFingerAcross(FingeredNote? n, Placement p) =>
        n?.Placement is { } at && at.Finger == p.Finger && Math.Abs(at.String - p.String) == 1;

    private string Name(Placement p)
    {
        if (p.IsOpen)
            return $"Open {StringName(p)}";
        var word = p.Word switch
        {
            PlaceWord.Low => "Low ",
            PlaceWord.High => "High ",
            PlaceWord.Forward when p.Reach => "Extended ",
            PlaceWord.Back or PlaceWord.Forward => "Stretched ",
            _ => "",
        };
        return $"{word}{p.Finger} on {StringName(p)}";
    }

    private static string LowerFirst(string words) => char.ToLowerInvariant(words[0]) + words[1..];
}
