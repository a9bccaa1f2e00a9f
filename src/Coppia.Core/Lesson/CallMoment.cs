using Coppia.Core.Music;
using Coppia.Core.Reading;

namespace Coppia.Core.Lesson;

/// <summary>What one section does at a moment.</summary>
/// <param name="Note">The note that it begins; null where it begins none.</param>
/// <param name="Holds">It still holds an earlier note.</param>
public readonly record struct SectionDoes(ReadingNote? Note, bool Holds)
{
    public bool Rests => Note is null && !Holds;
}

/// <summary>
/// Something to call besides the pairs: a finger that stays or gets ready, a hand that is set or moves.
/// </summary>
/// <param name="Section">Order of the section it is for, from 0.</param>
/// <param name="Fact">What is so.</param>
public sealed record Cue(int Section, RemarkFact Fact);

/// <summary>A moment of a tune at which a section begins a note, or all of them fall silent.</summary>
/// <param name="Bar">Its bar, as the first section prints it.</param>
/// <param name="BarOrder">Order of the bar, from 0.</param>
/// <param name="Onset">From the barline, in whole notes; a pick-up begins late in its bar.</param>
/// <param name="Lasts">Until the next moment of the bar or its end, in whole notes; a grace note takes none.</param>
/// <param name="IsGrace">A grace note before the note of the same moment.</param>
/// <param name="Sections">What each section does.</param>
/// <param name="Cues">What else is called.</param>
public sealed record CallMoment(
    Bar Bar,
    int BarOrder,
    Fraction Onset,
    Fraction Lasts,
    bool IsGrace,
    IReadOnlyList<SectionDoes> Sections,
    IReadOnlyList<Cue> Cues
)
{
    /// <summary>Beat from 1 in the time signature's lower number; in free meter in quarters.</summary>
    public Fraction Beat => Onset / (Bar.Time?.Beat ?? Fraction.Quarter) + Fraction.Whole;

    /// <summary>All are silent.</summary>
    public bool IsRest => Sections.All(s => s.Rests);

    /// <summary>The notes that begin, in the order of the sections.</summary>
    public IEnumerable<ReadingNote> Notes => Sections.Where(s => s.Note is not null).Select(s => s.Note!);
}

/// <summary>How one section differs from all the others in a line.</summary>
public enum OwnWayKind
{
    /// <summary>It plays an open string where the others finger.</summary>
    Open,

    /// <summary>It fingers where the others play open strings.</summary>
    Fingers,

    /// <summary>Its hand moves to another position and no other does.</summary>
    Shifts,
}

/// <summary>A remark that one section gets by itself (craft 16).</summary>
/// <param name="Section">Order of the section, from 0.</param>
/// <param name="At">How it plays there.</param>
/// <param name="Bars">Printed numbers of the bars.</param>
public sealed record OwnWay(OwnWayKind Kind, int Section, Instruments.Placement At, IReadOnlyList<int> Bars);

/// <summary>The calls of one line of the tune.</summary>
/// <param name="FirstBar">Order of its first bar, from 0.</param>
/// <param name="EndBar">Order of the bar after it.</param>
/// <param name="Moments">In the order of the print.</param>
/// <param name="Own">What single sections are told before it.</param>
public sealed record CallLine(int FirstBar, int EndBar, IReadOnlyList<CallMoment> Moments, IReadOnlyList<OwnWay> Own);
