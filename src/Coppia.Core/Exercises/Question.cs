using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Exercises;

/// <summary>What a question asks for: by it an answer is worked out, read and judged.</summary>
public enum QuestionKind
{
    /// <summary>The letter of a note.</summary>
    Name,

    /// <summary>String and finger of a note.</summary>
    Finger,

    /// <summary>The note of a name, or of a string and finger.</summary>
    Write,

    /// <summary>The spot of a note on the fingerboard.</summary>
    Find,
    LineOrSpace,
    Stem,
    Signature,
    HandShape,
    PenWork,

    /// <summary>A sum of beats.</summary>
    Beats,

    /// <summary>What is counted under the notes.</summary>
    Count,

    /// <summary>The bow signs over the notes.</summary>
    Bow,

    /// <summary>What of two bars is not the same.</summary>
    Difference,

    /// <summary>A scale from its first note.</summary>
    Scale,

    /// <summary>Nothing is asked: it is played.</summary>
    Play,
}

/// <summary>What is asked, without its answer.</summary>
public abstract record Question(QuestionKind Kind);

/// <summary>
/// About one note: name it, finger it, write it, find it, line or space, stem.
/// </summary>
/// <param name="Note">The written note.</param>
/// <param name="Key">The signature it is read under.</param>
/// <param name="Place">The string that is said where the note is asked by its name; string and finger where it is asked
/// by these.</param>
/// <param name="ByPair">Asked by string and finger, not by its name.</param>
public sealed record NoteQuestion(
    QuestionKind Kind,
    Pitch Note,
    KeySignature Key,
    Pair? Place = null,
    bool ByPair = false
) : Question(Kind);

/// <summary>Which key a signature is and what it changes; or the reverse, to write it.</summary>
/// <param name="Fifths">−7 to +7.</param>
/// <param name="Written">The key is named, and its signature is to be written.</param>
public sealed record SignatureQuestion(int Fifths, bool Written) : Question(QuestionKind.Signature);

/// <summary>The shape of the hand on a string in a key: to be drawn, or to be named from its drawing.</summary>
/// <param name="String">0 = lowest sounding string.</param>
/// <param name="Position">Printed name of the position.</param>
/// <param name="Drawn">The name is given and the shape is to be drawn.</param>
public sealed record ShapeQuestion(ScaleKey Key, int String, string Position, bool Drawn)
    : Question(QuestionKind.HandShape);

/// <summary>A sign that is traced and then written.</summary>
public enum PenSign
{
    Clef,
    TimeSignature,
    QuarterNote,
    HalfNote,
    QuarterRest,
    Sharp,
    Flat,
}

/// <summary>Trace a sign, then write it again.</summary>
/// <param name="Note">The note that a sign belongs to, or that is written; null for the others.</param>
public sealed record PenQuestion(PenSign Sign, Pitch? Note, TimeSignature Time) : Question(QuestionKind.PenWork);

/// <summary>What is to be worked out of a row of values.</summary>
public enum BeatSum
{
    /// <summary>One value is missing.</summary>
    Gap,

    /// <summary>The barlines are missing.</summary>
    Barlines,

    /// <summary>Is the bar right, too short or too long?</summary>
    IsItRight,
}

/// <summary>A sum of beats.</summary>
/// <param name="Row">One bar with all its events; of a gap the missing one too, of barlines several bars' worth in
/// one.</param>
/// <param name="Gap">Order of the missing event, or null.</param>
public sealed record BeatQuestion(BeatSum Sum, Score Row, int? Gap = null) : Question(QuestionKind.Beats);

/// <summary>Bars to read: syllables to be set under them, strokes over them, or two nearly equal ones.</summary>
/// <param name="Music">One or two bars.</param>
public sealed record BarsQuestion(QuestionKind Kind, Score Music) : Question(Kind);

/// <summary>A scale from its first note.</summary>
/// <param name="Octaves">1 or 2.</param>
public sealed record ScaleQuestion(Pitch First, ScaleKey Key, int Octaves) : Question(QuestionKind.Scale);

/// <summary>Music to play.</summary>
/// <param name="Pins">Pairs that belong to the exercise, by note id.</param>
public sealed record PlayQuestion(Score Music, IReadOnlyDictionary<string, Pin> Pins) : Question(QuestionKind.Play);
