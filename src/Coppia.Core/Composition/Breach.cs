using Coppia.Core.Music;

namespace Coppia.Core.Composition;

/// <summary>The rules of a composition, by what is looked at (craft 13).</summary>
public enum PieceRule
{
    Beats,
    Note,
    Value,
    Rests,
    Fixed,
    Stem,
    Accidental,

    /// <summary>A head that could be read as line or space; only where heads are put by hand.</summary>
    Head,
    OnlyRests,
    Length,
}

/// <summary>A rule that is broken.</summary>
/// <param name="Bar">From 1; a bar that is missing has the number that it would have.</param>
/// <param name="At">Which note or rest of the bar, from 0; null where the whole bar is meant.</param>
public abstract record Breach(PieceRule Rule, int Bar, int? At)
{
    /// <summary>It goes away by writing on: nothing is wrong as long as the piece is not said to be finished.</summary>
    public virtual bool OnlyUnfinished => false;
}

/// <summary>A bar with too few or too many beats.</summary>
public sealed record BeatsBreach(int Bar, Fraction Has, TimeSignature Meter) : Breach(PieceRule.Beats, Bar, null)
{
    public override bool OnlyUnfinished => Has < Meter.BarLength;
}

/// <summary>A note outside the palette.</summary>
public sealed record NoteBreach(int Bar, int Place, Pitch Note) : Breach(PieceRule.Note, Bar, Place);

/// <summary>A value that is not among those of the task.</summary>
public sealed record ValueBreach(int Bar, int Place, NoteValue Value, bool IsRest)
    : Breach(PieceRule.Value, Bar, Place);

/// <summary>The first rest that is one too many.</summary>
public sealed record RestsBreach(int Bar, int Place, int Has, int Most) : Breach(PieceRule.Rests, Bar, Place);

/// <summary>A fixed note that is not where it was printed.</summary>
public sealed record FixedBreach(FixedNote Note, NoteValue Value, bool BarIsEmpty)
    : Breach(PieceRule.Fixed, Note.Bar, null)
{
    public override bool OnlyUnfinished => BarIsEmpty;
}

/// <summary>What is wrong with a stem.</summary>
public enum StemFault
{
    Missing,
    WrongWay,
    WrongSide,

    /// <summary>A whole note has none.</summary>
    NotNeeded,
}

/// <summary>A stem against the rule.</summary>
/// <param name="Head">Where the head lies.</param>
public sealed record StemBreach(int Bar, int Place, StemFault Fault, StaffPlace Head)
    : Breach(PieceRule.Stem, Bar, Place)
{
    public override bool OnlyUnfinished => Fault == StemFault.Missing;
}

/// <summary>An accidental that is missing, or that stands at another height than its note.</summary>
/// <param name="Note">What is read.</param>
/// <param name="Meant">The note of the palette; null where the accidental stands at another height.</param>
public sealed record AccidentalBreach(int Bar, int Place, Pitch Note, Pitch? Meant)
    : Breach(PieceRule.Accidental, Bar, Place);

/// <summary>A head between a line and a space.</summary>
public sealed record HeadBreach(int Bar, int Place) : Breach(PieceRule.Head, Bar, Place);

/// <summary>Nothing sounds.</summary>
public sealed record OnlyRestsBreach() : Breach(PieceRule.OnlyRests, 1, null)
{
    public override bool OnlyUnfinished => true;
}

/// <summary>Too few or too many bars.</summary>
public sealed record LengthBreach(int Bar, int Has, int Wanted) : Breach(PieceRule.Length, Bar, null)
{
    public override bool OnlyUnfinished => Has < Wanted;
}
