using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Fingering;

/// <summary>One note of a line with all ways to play it.</summary>
/// <param name="Note">The sounding note.</param>
/// <param name="Choices">Its ways, cheapest-looking first; the order decides ties.</param>
/// <param name="IsFirst">First reachable note of the line.</param>
/// <param name="IsLast">Last reachable note of the line.</param>
/// <param name="InSlur">Bound by a slur to the note before or after.</param>
/// <param name="Apart">Never played straight after the note printed before it: it opens a later ending.</param>
public sealed record LatticeStep(
    SoundingNote Note,
    Placement[] Choices,
    bool IsFirst,
    bool IsLast,
    bool InSlur,
    bool Apart = false
)
{
    public bool Slurred => Note.Slurred;

    public bool AfterRest => !Note.RestBefore.IsZero;

    /// <summary>First note of its bar.</summary>
    public bool StartsBar { get; init; }

    /// <summary>What speaks for the fourth finger, where an open string sounds this note.</summary>
    public FourthReason Fourth { get; init; }

    /// <summary>The class has learned one of its ways, so that the others are dear.</summary>
    public bool IsLearned { get; init; }

    /// <summary>What the teacher fixed.</summary>
    public Pin? Pin { get; init; }

    /// <summary>What the note ought to agree with, where it would otherwise not.</summary>
    public Habit? Habit { get; init; }

    /// <summary>The way is one that the teacher's pin allows.</summary>
    public bool Allows(in Placement way) =>
        Pin is not { } pin || pin.Finger == way.Finger && (pin.String is null || pin.String == way.String);
}

/// <summary>What a note ought to agree with elsewhere in the tune.</summary>
/// <param name="InLine">The way that this pitch has elsewhere in its line, or in its bar.</param>
/// <param name="InBar">The pitch has two fingers within the bar already.</param>
/// <param name="AsBefore">The way of this note where the same bar came before.</param>
/// <param name="AtSeam">The music before or after the bar is other than it was the first time, and this note is next to
/// it.</param>
public sealed record Habit(
    Placement? InLine = null,
    bool InBar = false,
    Placement? AsBefore = null,
    bool AtSeam = false
);

/// <summary>
/// What the teacher fixed on a note: its finger, and its string unless any string will do (a printed finger).
/// </summary>
public readonly record struct Pin(int? String, int Finger);

/// <summary>All ways through a line: the steps that can be played and the notes that no finger reaches.</summary>
public sealed record FingerLattice(IReadOnlyList<LatticeStep> Steps, IReadOnlyList<SoundingNote> OutOfReach)
{
    /// <summary>Bars of the reachable notes that are the same music.</summary>
    internal EqualBars Bars { get; init; } = new();

    /// <exception cref="ImpossiblePinException">A pinned string and finger cannot sound its note.</exception>
    public static FingerLattice Of(
        IReadOnlyList<SoundingNote> notes,
        Player player,
        IReadOnlyDictionary<string, Pin> pins
    )
    {
        var (reachable, ways, outOfReach) = Reached(notes, player, pins);
        var bars = EqualBars.In(reachable, pins);
        var called = PitchWays.Called(ways, bars);
        var fourths = player.Instrument.FourthStandsForOpen
            ? FourthReasons.Of(reachable, player.Instrument, [.. ways.Select(w => w.PlainString)], bars)
            : new FourthReason[reachable.Count];
        var order = new ChoiceOrder(player);
        var steps = new List<LatticeStep>(reachable.Count);
        var hand = StartingHands(player.Instrument, ways, called);
        for (var i = 0; i < reachable.Count; i++)
        {
            var choices = order.Of(reachable[i].Pitch, ways[i], hand, called[i]);
            steps.Add(
                StepOf(reachable, i, choices) with
                {
                    Fourth = fourths[i],
                    IsLearned = ways[i].IsLearned,
                    Pin = ways[i].Pin,
                }
            );
            hand = ChoiceOrder.Frames(choices);
        }

        return new FingerLattice(steps, outOfReach) { Bars = bars };
    }

    /// <summary>The notes that a finger reaches, each with its ways, and those that none reaches.</summary>
    private static (List<SoundingNote> Reachable, List<PitchWays> Ways, List<SoundingNote> OutOfReach) Reached(
        IReadOnlyList<SoundingNote> notes,
        Player player,
        IReadOnlyDictionary<string, Pin> pins
    )
    {
        var (reachable, ways, outOfReach) = (new List<SoundingNote>(), new List<PitchWays>(), new List<SoundingNote>());
        var memory = new Dictionary<Pitch, PitchWays>();
        foreach (var note in notes)
        {
            if (!memory.TryGetValue(note.Pitch, out var known))
                memory[note.Pitch] = known = PitchWays.Of(player, note.Pitch);
            if (pins.TryGetValue(note.Id, out var pin))
                known = known.With(pin, note, player);
            if (known.IsEmpty)
            {
                outOfReach.Add(note);
                continue;
            }

            reachable.Add(note);
            ways.Add(known);
        }

        return (reachable, ways, outOfReach);
    }

    private static LatticeStep StepOf(List<SoundingNote> notes, int i, Placement[] choices)
    {
        var note = notes[i];
        var startsBar = i == 0 || !ReferenceEquals(notes[i - 1].Bar, note.Bar);
        var afterRepeat = i > 0 && notes[i - 1].Bar is { RepeatEnd: true };
        return new LatticeStep(
            note,
            choices,
            IsFirst: i == 0,
            IsLast: i == notes.Count - 1,
            InSlur: note.Slurred || i + 1 < notes.Count && notes[i + 1].Slurred,
            Apart: afterRepeat && note.Bar.EndingStart is not null && startsBar
        )
        {
            StartsBar = startsBar,
        };
    }

    /// <summary>
    /// Where the hand may wait while a line begins with open strings: any of the lowest frames, or that of the first
    /// fingered note.
    /// </summary>
    private static ulong StartingHands(Instrument instrument, List<PitchWays> ways, ulong[] called)
    {
        var home = instrument
            .Frames.Index()
            .Where(f => f.Item is { IsHome: true, Stretch: Stretch.None })
            .Aggregate(0UL, (hands, f) => hands | 1UL << f.Index);
        var first = ways.FindIndex(w => w.IsFingered);
        return first < 0 ? home : home | ChoiceOrder.Frames(ways[first].Offered(called[first]));
    }
}
