using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;

namespace Coppia.Core.Fingering;

/// <summary>How hand and bow come to a note from the one before.</summary>
public enum Approach
{
    /// <summary>No note comes before it.</summary>
    Begins,
    SameOpenString,
    SameFinger,

    /// <summary>The whole hand slides between two of the lowest positions.</summary>
    HandSlides,
    HandShifts,
    Crosses,

    /// <summary>The finger before is lifted and the open string rings.</summary>
    OpenRings,

    /// <summary>From the open string a finger goes down, with those below it.</summary>
    FingersDown,
    FingerSlides,
    FingerAdded,
    FingerLifted,

    /// <summary>Another finger goes to the same place, or past it against the order of the fingers.</summary>
    FingerTakesOver,
}

/// <summary>What speaks for the way that was chosen.</summary>
public enum ChoiceReason
{
    /// <summary>The teacher fixed it.</summary>
    Pinned,

    /// <summary>The class has no other way.</summary>
    OnlyWay,

    /// <summary>The fingers of its position could be set otherwise, but nobody would.</summary>
    OneSensible,

    /// <summary>Its neighbours on both sides are on its string.</summary>
    BowStays,
    NextIsOnTheString,
    BeforeIsOnTheString,

    /// <summary>An open string: no finger to place.</summary>
    NoFinger,

    /// <summary>The other way lies in another position.</summary>
    HandStays,

    /// <summary>How the hand gets there says it.</summary>
    Approach,
}

/// <summary>Why a note lies outside what the class may use.</summary>
public enum BeyondReason
{
    /// <summary>No allowed position reaches it.</summary>
    Itself,

    /// <summary>A note nearby needs the hand up there.</summary>
    NoteNearby,

    /// <summary>Its position is allowed, but the finger's place there was not learned.</summary>
    Finger,
}

/// <summary>Why a note is played in its way and not in the next best, as facts.</summary>
/// <param name="Note">The note; it has a way.</param>
/// <param name="Before">The note that sounds before it: before a later ending the last one ahead of the first
/// ending.</param>
/// <param name="After">The note that sounds after it.</param>
public sealed record Choice(FingeredNote Note, FingeredNote? Before, FingeredNote? After)
{
    public required ChoiceReason Reason { get; init; }

    public required Approach Approach { get; init; }

    public BeyondReason? Beyond { get; init; }

    /// <summary>The next best way of those that the class may use; null where there is none.</summary>
    public Placement? Other { get; init; }

    /// <summary>
    /// What that way would cost most, its neighbours staying as they are; null where it costs nothing more.
    /// </summary>
    public CostKind? Dearer { get; init; }

    /// <summary>Positions that cost more than this to go to are no landmarks of a neck.</summary>
    private const int MostReluctance = 2;

    /// <summary>Null for a note that no finger reaches.</summary>
    public static Choice? Of(Fingers fingers, int index)
    {
        var note = fingers.Notes[index];
        if (note.Placement is not { } chosen)
            return null;
        var (before, after) = (PlayedBefore(fingers, index), PlayedAfter(fingers, index));
        var player = fingers.Player;
        var beyond = BeyondOf(note, chosen, player);
        var approach = ApproachOf(fingers, before?.Placement, chosen);
        if (note.Pinned)
            return new Choice(note, before, after) { Reason = ChoiceReason.Pinned, Approach = approach };

        // What lies in positions the class does not use is no real alternative to a beginner.
        Placement[] possible =
        [
            .. note.Others.Where(o => o.ExtraCost is not null && player.Allows(o.Placement)).Select(o => o.Placement),
        ];
        Placement[] others = [.. possible.Where(o => ComesToMind(player, o, before?.Placement, after?.Placement))];
        if (others.Length == 0)
            return new Choice(note, before, after)
            {
                Reason = possible.Any(o => player.FrameOf(o).SharesPosition(player.FrameOf(chosen)))
                    ? ChoiceReason.OneSensible
                    : ChoiceReason.OnlyWay,
                Approach = approach,
                Beyond = beyond,
            };
        var other = others[0];
        return new Choice(note, before, after)
        {
            Reason = ReasonOf(fingers, before?.Placement, after?.Placement, chosen, other),
            Approach = approach,
            Beyond = beyond,
            Other = other,
            Dearer = DearerOf(fingers, index, chosen, other),
        };
    }

    private static BeyondReason? BeyondOf(FingeredNote note, Placement chosen, Player player) =>
        !note.Beyond ? null
        : player.Allows(chosen.Frame) ? BeyondReason.Finger
        : OctaveFit.IsAllowed(player, note.Note.Pitch) ? BeyondReason.NoteNearby
        : BeyondReason.Itself;

    /// <summary>
    /// A teacher would think of it: the open string, or a finger of a closed hand in first position or a higher one
    /// that the class has. Half position, a place between the usual ones and a stretched hand come to mind only where
    /// the hand is there already, the extended fourth only where a class has learned it (common practice).
    /// </summary>
    private static bool ComesToMind(Player player, in Placement other, Placement? before, Placement? after)
    {
        var frame = player.FrameOf(other);
        if (other.IsOpen)
            return true;
        if (other.Reach)
            return player.Known.Things is not null;
        var usual = frame.PrintsLowAndHigh || !frame.IsHome && frame.Height > 1 && frame.Reluctance <= MostReluctance;
        return frame.Stretch == Stretch.None && usual || HandIsThere(before, other) || HandIsThere(after, other);

        static bool HandIsThere(Placement? neighbour, in Placement other) =>
            neighbour is { IsOpen: false } at && at.Frame == other.Frame;
    }

    private static FingeredNote? PlayedBefore(Fingers fingers, int index)
    {
        var notes = fingers.Notes;
        var before = index - 1;
        if (notes[index].Step is { Apart: true })
        {
            while (before > 0 && notes[before].Note.Bar.EndingStart is null)
                before--;
            var ending = notes[before].Note.Bar;
            while (before >= 0 && ReferenceEquals(notes[before].Note.Bar, ending))
                before--;
        }

        return before < 0 ? null : notes[before];
    }

    private static FingeredNote? PlayedAfter(Fingers fingers, int index) =>
        index + 1 < fingers.Notes.Count && fingers.Notes[index + 1].Step is not { Apart: true }
            ? fingers.Notes[index + 1]
            : null;

    private static Approach ApproachOf(Fingers fingers, Placement? before, Placement at)
    {
        if (before is not { } from)
            return Approach.Begins;
        if (from.SamePair(at))
            return at.IsOpen ? Approach.SameOpenString : Approach.SameFinger;
        var (was, comes) = (fingers.Player.FrameOf(from), fingers.Player.FrameOf(at));
        if (was.Height != comes.Height && !at.IsOpen)
            return fingers.Player.Instrument.Moves.IsSlide(was, comes) ? Approach.HandSlides : Approach.HandShifts;
        if (from.String != at.String)
            return Approach.Crosses;
        return (from.IsOpen, at.IsOpen) switch
        {
            (_, true) => Approach.OpenRings,
            (true, _) => Approach.FingersDown,
            _ when from.Finger == at.Finger => Approach.FingerSlides,
            // D♯ with the third finger, then E♭ with the fourth.
            _ when at.Finger > from.Finger != at.Semitones > from.Semitones => Approach.FingerTakesOver,
            _ => at.Semitones > from.Semitones ? Approach.FingerAdded : Approach.FingerLifted,
        };
    }

    private static ChoiceReason ReasonOf(
        Fingers fingers,
        Placement? before,
        Placement? after,
        Placement chosen,
        Placement other
    )
    {
        var (beforeHere, afterHere) = (before?.String == chosen.String, after?.String == chosen.String);
        return (beforeHere, afterHere) switch
        {
            (true, true) when chosen.String != other.String => ChoiceReason.BowStays,
            (_, true) when chosen.String != other.String => ChoiceReason.NextIsOnTheString,
            (true, _) when chosen.String != other.String => ChoiceReason.BeforeIsOnTheString,
            _ when chosen.IsOpen => ChoiceReason.NoFinger,
            _ when !fingers.Player.FrameOf(other).SharesPosition(fingers.Player.FrameOf(chosen)) =>
                ChoiceReason.HandStays,
            _ => ChoiceReason.Approach,
        };
    }

    private static CostKind? DearerOf(Fingers fingers, int index, Placement chosen, Placement other)
    {
        var now = Parts(fingers, index, chosen).ToLookup(p => p.Kind, p => p.Amount);
        return Parts(fingers, index, other)
            .GroupBy(p => p.Kind)
            .Select(g => (Kind: (CostKind?)g.Key, Amount: g.Sum(p => p.Amount) - now[g.Key].Sum()))
            .Where(m => m.Amount > 0)
            .OrderByDescending(m => m.Amount)
            .ThenBy(m => m.Kind)
            .FirstOrDefault(m => m.Kind != CostKind.OtherFingerInLine || IsSoElsewhere(fingers, index, chosen))
            .Kind;
    }

    /// <summary>So many notes before and after a note are its line, at most.</summary>
    private const int NotesOfLine = 64;

    /// <summary>
    /// A note of this pitch is played in this way again in the line: what was usual when the line was first looked at
    /// may have been given up since.
    /// </summary>
    private static bool IsSoElsewhere(Fingers fingers, int index, Placement chosen)
    {
        var notes = fingers.Notes;
        for (var i = Math.Max(0, index - NotesOfLine); i < Math.Min(notes.Count, index + NotesOfLine); i++)
        {
            if (
                i != index
                && notes[i].Note.Pitch == notes[index].Note.Pitch
                && notes[i].Placement is { } at
                && at.SamePair(chosen)
            )
                return true;
        }

        return false;
    }

    /// <summary>
    /// All costs in which a note's way has a part: its own, the steps into it and out of it, and the threes it belongs
    /// to.
    /// </summary>
    private static IEnumerable<CostPart> Parts(Fingers fingers, int index, Placement at)
    {
        var (price, step) = (fingers.Price, fingers.Notes[index].Step!);
        var parts = price.NoteParts(step, at).Concat(price.HabitParts(step, at));
        if (step.IsFirst)
            parts = parts.Concat(price.FirstParts(step, at));
        if (Around(-1) is { } before)
            parts = parts.Concat(price.StepParts(step, before, at));
        if (PlayedAfter(fingers, index) is { Step: { } next } && Around(1) is { } after)
            parts = parts.Concat(price.StepParts(next, at, after));
        if (Around(-2) is { } first && Around(-1) is { } second)
            parts = parts.Concat(price.ThreeParts(first, second, at));
        if (Around(-1) is { } left && Around(1) is { } right)
            parts = parts.Concat(price.ThreeParts(left, at, right));
        if (Around(1) is { } third && Around(2) is { } last)
            parts = parts.Concat(price.ThreeParts(at, third, last));
        return parts;

        Placement? Around(int steps) => WayAt(fingers, index, steps);
    }

    /// <summary>The way of a note so many steps along the solved line; null past its ends.</summary>
    private static Placement? WayAt(Fingers fingers, int index, int steps)
    {
        var (at, left) = (index, steps);
        while (left != 0)
        {
            at += Math.Sign(steps);
            if (at < 0 || at >= fingers.Notes.Count)
                return null;
            if (fingers.Notes[at].Placement is not null)
                left -= Math.Sign(steps);
        }

        return fingers.Notes[at].Placement;
    }
}
