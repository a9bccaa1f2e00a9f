using Coppia.Core.Bowing;
using Coppia.Core.Counting;
using Coppia.Core.Fingering;
using Coppia.Core.Form;
using Coppia.Core.Instruments;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;

namespace Coppia.Server.Stand;

/// <summary>A note's pair as the teacher fixed it.</summary>
public sealed record PinView(string NoteId, int String, int Finger);

/// <summary>Another pair for a note.</summary>
public sealed record OtherWayView(int String, int Finger, string Label, int? ExtraCost, bool Beyond);

/// <summary>One sounding note as the stand shows it.</summary>
/// <param name="Start">Quarters from the start of the tune, in written order.</param>
/// <param name="BowAgain">The direction the second time through a repeat, where it differs.</param>
/// <param name="Midi">Sounding MIDI key number.</param>
/// <param name="NewPosition">The position's name where the hand arrives in it; null where it stays.</param>
/// <param name="Here">What is said of it when one stands on it.</param>
/// <param name="Next">The way that one gets who asks for another; null where there is only one.</param>
/// <param name="Sign">Finger with its place sign, without the string: L2, x4, 3.</param>
public sealed record ReadingNoteView(
    string Id,
    IReadOnlyList<string> TiedIds,
    int Bar,
    double Beat,
    double Start,
    string Pitch,
    string Name,
    string Label,
    int? String,
    int? Finger,
    int? Semitones,
    string? Sign,
    PlaceWord? Place,
    string? Position,
    string? NewPosition,
    BowDirection Bow,
    BowDirection? BowAgain,
    bool BowStarts,
    string Count,
    string Words,
    int Midi,
    bool Beyond,
    bool Pinned,
    bool IsGrace,
    bool Plucked,
    NoteSpoken Here,
    Why Why,
    IReadOnlyList<OtherWayView> Others,
    NextWay? Next
);

/// <summary>One counting syllable; the offset is in parts of its note's length, 0 to 1.</summary>
public sealed record CountView(string EventId, double Offset, string Text, CountKind Kind);

public sealed record ShapeSpotView(int Semitones, int Finger, string Sign, string Name);

/// <summary>A bar; lengths are in quarters.</summary>
/// <param name="Name">What it is called: "Bar 3", "Pick-up".</param>
/// <param name="StartsAt">Where in a full bar its first note stands: 0, but in a pick-up.</param>
/// <param name="FullLength">Length that its meter wants, in free meter its own.</param>
/// <param name="CountedBeat">Length of a counted beat in its meter.</param>
public sealed record BarView(
    string Id,
    int Number,
    string Name,
    IReadOnlyList<string> EventIds,
    double StartsAt,
    double FullLength,
    double CountedBeat
);

/// <summary>
/// A printed note or rest: where it begins in its full bar and how long it is, in quarters, and its value in words.
/// </summary>
/// <param name="Parts">How its value parts into small ones.</param>
public sealed record EventView(
    string Id,
    string BarId,
    double Onset,
    double Length,
    string Words,
    string Parts,
    bool IsRest
);

/// <summary>A note value: its length in quarters and its name.</summary>
public sealed record ValueLevelView(double Quarters, string Name);

/// <summary>A tone to tune to, spelled as the key has it.</summary>
/// <param name="Midi">MIDI key number.</param>
public sealed record DroneView(string Name, int Midi);

/// <summary>Where a stroke goes along the bow the first time: 0 = frog, 1 = tip.</summary>
public sealed record TravelView(
    string NoteId,
    string LastId,
    bool Down,
    double From,
    double To,
    bool RunsOut,
    string Amount
);

public sealed record LineView(int FirstBar, int EndBar, string Letter, int? Like);

public sealed record TrapView(int Bar, string Text, IReadOnlyList<string> NoteIds);

public sealed record PassageView(PassageKind Kind, int Bar, string Text, IReadOnlyList<string> NoteIds);

/// <summary>How the tune is built; bars are told by their order from 0.</summary>
public sealed record FormView(
    IReadOnlyList<LineView> Lines,
    IReadOnlyList<TrapView> Traps,
    IReadOnlyList<PassageView> Passages,
    IReadOnlyList<LikenessView> Likenesses,
    string Summary,
    string? Rhythms,
    string Plays
)
{
    internal static FormView Of(PlayerReading reading, FormWords words)
    {
        var form = reading.Tune.Form;
        return new(
            Lines: [.. form.Lines.Select(l => new LineView(l.FirstBar, l.EndBar, FormWords.Letter(l), l.Like))],
            Traps: [.. form.Traps.Select(t => new TrapView(t.Bar, words.Trap(t), t.NoteIds))],
            Passages: [.. form.Passages.Select(p => new PassageView(p.Kind, p.Bar, words.Passage(p), p.NoteIds))],
            Likenesses: [.. form.Likenesses.Select(l => new LikenessView(l.Kind, l.Bar, words.Likeness(l), l.NoteIds))],
            Summary: words.Summary(),
            Rhythms: words.Rhythms(),
            Plays: FormWords.Plays(reading.Score, reading.Tune.Order)
        );
    }
}

/// <summary>Bars that resemble an earlier one.</summary>
public sealed record LikenessView(LikenessKind Kind, int Bar, string Text, IReadOnlyList<string> NoteIds);

/// <summary>One of the hardest steps, on the note that it reaches.</summary>
/// <param name="Title">What kind of spot it is.</param>
public sealed record TroubleView(
    string FromId,
    string NoteId,
    int Bar,
    double Points,
    string Title,
    string Where,
    string Text,
    bool IsSlip
);

/// <summary>An octave that a tune may be read in.</summary>
/// <param name="Leaves">What it leaves out, in words.</param>
public sealed record OctaveChoiceView(int Octaves, string Words, string Leaves);
