using Coppia.Core.Instruments;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Composition;

/// <summary>Where in its bar a fixed note stands.</summary>
public enum FixedAt
{
    /// <summary>The first note of the bar.</summary>
    First,

    /// <summary>The last note of the bar; a rest may follow it.</summary>
    Last,
}

/// <summary>A note that may not be changed (craft 13).</summary>
/// <param name="Bar">From 1.</param>
/// <param name="Value">The value that it is given; null where any of the task's will do.</param>
public sealed record FixedNote(int Bar, FixedAt At, Pitch Pitch, NoteValue? Value = null);

/// <summary>The rules under which one player composes (craft 13).</summary>
public sealed record WritingTask
{
    public const int MostBars = 32;

    public required Instrument Instrument { get; init; }

    /// <summary>The clef it is written in; null for the instrument's first.</summary>
    public Clef? OtherClef { get; init; }

    public Clef Clef => OtherClef ?? Instrument.FirstClef;

    public ScaleKey Key { get; init; } = new(0, ScaleForm.Major);

    public TimeSignature Meter { get; init; } = new(4, 4);

    /// <summary>How many bars, 1 to <see cref="MostBars"/>.</summary>
    public required int Bars { get; init; }

    /// <summary>The palette: written pitches, from the lowest up.</summary>
    public required IReadOnlyList<Pitch> Allowed { get; init; }

    /// <summary>Values of notes and of rests.</summary>
    public IReadOnlyList<NoteValue> Values { get; init; } = [NoteValue.Quarter];

    /// <summary>Most rests; null where any number will do.</summary>
    public int? MostRests { get; init; }

    public IReadOnlyList<FixedNote> Fixed { get; init; } = [];

    /// <summary>Heads, stems and accidentals are put by hand, and are looked at.</summary>
    public bool ByHand { get; init; }

    /// <summary>The value that a fixed note is printed in: its own, else a quarter where the task has it.</summary>
    public NoteValue ValueOf(FixedNote note) =>
        note.Value ?? (Values.Contains(NoteValue.Quarter) ? NoteValue.Quarter : Values[0]);
}
