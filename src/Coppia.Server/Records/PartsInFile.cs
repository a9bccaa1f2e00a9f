using Coppia.Core.Drills;
using Coppia.Core.Practice;
using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Logbook;
using Coppia.Server.Desk;
using Coppia.Server.Logbook;

namespace Coppia.Server.Records;

/// <summary>One change of what a class knows, in a file; things are lines such as "key D".</summary>
public sealed record KnownInFile(
    KnownCause Cause,
    string About,
    IReadOnlyList<string> Added,
    IReadOnlyList<string> Removed,
    DateTime MadeAt,
    string MadeBy = "",
    long? Tune = null,
    DateTime? TakenBackAt = null
)
{
    internal bool IsSound => Added.Concat(Removed).All(t => !t.Contains('\n', StringComparison.Ordinal));

    internal KnownChangeRecord Record() =>
        new()
        {
            Cause = Cause,
            About = About,
            TuneId = Tune,
            Added = string.Join('\n', Added),
            Removed = string.Join('\n', Removed),
            MadeAt = MadeAt,
            MadeBy = MadeBy,
            TakenBackAt = TakenBackAt,
        };
}

/// <summary>Something that is set, in a file.</summary>
/// <param name="Id">Its number there, by which learners have done it.</param>
/// <param name="Instrument">The section it is for; null for all.</param>
/// <param name="Due">A day, such as 2026-09-14.</param>
public sealed record WorkInFile(
    long Id,
    WorkKind Kind,
    DateOnly Due,
    DateTime MadeAt,
    string MadeBy = "",
    long? Tune = null,
    long? Sheet = null,
    int? Tempo = null,
    string? Instrument = null,
    long? Task = null
);

/// <summary>A writing task that a file speaks of, by the number that it goes by there.</summary>
public sealed record TaskInFile(long Id, string Title, TaskDoc Plan);

/// <summary>How a piece was, in a file.</summary>
public sealed record VersionInFile(DateTime At, PieceDoc Piece);

/// <summary>What a teacher said of a piece, in a file.</summary>
public sealed record RemarkInFile(string Words, DateTime At, string By = "", int? Bar = null);

/// <summary>A piece, in a file.</summary>
/// <param name="Id">Its number there, by which the booklet speaks of it.</param>
/// <param name="Work">The number of what it is written for, where that is still set.</param>
/// <param name="Rules">The task under which it was begun.</param>
public sealed record PieceInFile(
    long Id,
    string Title,
    int Level,
    HandInState State,
    DateTime MadeAt,
    DateTime ChangedAt,
    TaskDoc Rules,
    PieceDoc Piece,
    IReadOnlyList<VersionInFile> Versions,
    IReadOnlyList<RemarkInFile> Remarks,
    long? Work = null,
    long? Task = null,
    DateTime? HandedInAt = null
);

/// <summary>That something set was done, in a file.</summary>
public sealed record DoneInFile(long Work, DateTime At, string By = "")
{
    internal DoneRecord Record() =>
        new()
        {
            WorkId = Work,
            DoneAt = At,
            MadeBy = By,
        };
}

/// <summary>Minutes, in a file.</summary>
public sealed record PracticeInFile(
    string Key,
    DateOnly Day,
    DateTime At,
    int Minutes,
    long? Tune = null,
    int? Tempo = null,
    string By = ""
)
{
    internal bool IsSound => Report.CanBe(Minutes, Tempo) && Report.IsKey(Key);

    internal PracticeRecord Record() =>
        new()
        {
            Key = Key,
            Day = Day,
            At = At,
            Minutes = Minutes,
            TuneId = Tune,
            Tempo = Tempo,
            MadeBy = By,
        };
}

/// <summary>An answer to a card, in a file.</summary>
public sealed record AnswerInFile(
    string Key,
    string Card,
    DateOnly Day,
    DateTime At,
    bool Right,
    double Seconds,
    string Mistake = ""
)
{
    private const int LongestMistake = 40;

    internal bool IsSound => ClassFile.IsCard(Card) && Report.IsKey(Key) && Mistake.Length <= LongestMistake;

    internal CardAnswerRecord Record() =>
        new()
        {
            Key = Key,
            Card = Card,
            Day = Day,
            At = At,
            Right = Right,
            Seconds = Math.Clamp(Seconds, 0, Report.MostSeconds),
            Mistake = Mistake,
        };
}

/// <summary>Where a card lies, in a file.</summary>
public sealed record BoxInFile(string Card, int Box, DateOnly Due)
{
    internal bool IsSound => Box is >= 1 and <= CardBoxes.Last && ClassFile.IsCard(Card);

    internal CardBoxRecord Record() =>
        new()
        {
            Card = Card,
            Box = Box,
            Due = Due,
        };
}

/// <summary>A ready sentence to the teacher, in a file.</summary>
public sealed record NoteInFile(string Key, DateOnly Day, DateTime At, LearnerNote Note, long? Tune = null)
{
    internal LearnerNoteRecord Record() =>
        new()
        {
            Key = Key,
            Day = Day,
            At = At,
            Note = LearnerNotes.Text(Note),
            TuneId = Tune,
        };
}

/// <summary>The line of a score that a learner reads, in a file.</summary>
/// <param name="Line">The line's key, 1 to 100 characters.</param>
public sealed record LineInFile(long Tune, string Line)
{
    private const int LongestKey = 100;

    internal bool IsSound => Line.Length is > 0 and <= LongestKey;

    internal LearnerLineRecord Record() => new() { TuneId = Tune, Line = Line };
}
