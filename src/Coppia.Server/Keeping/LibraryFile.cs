using System.Text.Json;
using Coppia.Core.Bowing;
using Coppia.Core.Knowledge;
using Coppia.Data.Keeping;
using Coppia.Server.Exercises;
using Coppia.Server.Records;
using Coppia.Server.Stand;

namespace Coppia.Server.Keeping;

/// <summary>A teacher's own pair, in a file.</summary>
public sealed record KeptPin(string Instrument, string Note, string Pitch, int String, int Finger);

/// <summary>A change of the bowing, in a file.</summary>
public sealed record KeptBow(string Note, BowEditKind Kind, string Pitch, bool Refused);

/// <summary>A tune, in a file.</summary>
/// <param name="Id">Its number in the library that it comes from.</param>
/// <param name="File">Name of the file beside this one that its text is in.</param>
/// <param name="NoteIds">Ids of its bars and notes as they are kept, or null.</param>
public sealed record KeptTuneFile(
    long Id,
    string File,
    string Title,
    string Composer,
    string PrintedFor,
    JsonElement? NoteIds,
    LinesForWhom? Lines,
    DateTime CreatedAt,
    DateTime ChangedAt,
    IReadOnlyList<KeptPin> Pins,
    IReadOnlyList<string> PrintedFingers,
    IReadOnlyDictionary<string, int> Octaves,
    IReadOnlyList<KeptBow> Bows
);

/// <summary>A house style, in a file.</summary>
public sealed record KeptStyleFile(string Name, bool Current, HouseStyle Style);

/// <summary>A whole library, in a file; texts of tunes are files of their own.</summary>
/// <param name="Coppia">Version of this form, 1.</param>
/// <param name="Classes">Names of the files beside this one that hold classes; libraries from before there were any
/// name none.</param>
/// <param name="Tasks">Kept writing tasks.</param>
public sealed record LibraryFile(
    int Coppia,
    DateTime MadeAt,
    IReadOnlyList<KeptTuneFile> Tunes,
    IReadOnlyList<KeptStyleFile> Styles,
    IReadOnlyList<SheetDoc> Sheets,
    IReadOnlyList<string>? Classes = null,
    IReadOnlyList<TaskInFile>? Tasks = null
)
{
    /// <summary>Name of the file in the .zip.</summary>
    internal const string Name = "library.json";
}

/// <summary>What came of taking a library in.</summary>
/// <param name="LeftOut">Tunes that cannot be read, each with what is wrong.</param>
public sealed record TakenIn(AddedCopies Added, IReadOnlyList<string> LeftOut);
