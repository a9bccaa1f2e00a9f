using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Data.Lessons;
using Coppia.Data.Logbook;

namespace Coppia.Data.Records;

/// <summary>A piece with how it was and what is said of it.</summary>
public sealed record HandInCopy(
    HandInRecord HandIn,
    IReadOnlyList<PieceVersionRecord> Versions,
    IReadOnlyList<RemarkRecord> Remarks
);

/// <summary>A learner with all that is kept of them.</summary>
/// <param name="Link">What cannot be guessed of their link; null where they have none, or where it stays
/// behind.</param>
/// <param name="Own">What is set to them alone.</param>
/// <param name="Done">What they have done, by the numbers that set work has in the copy.</param>
/// <param name="Lines">Lines of scores that they read, where they are not those of their instrument.</param>
public sealed record LearnerCopy(
    LearnerRecord Learner,
    string? Link,
    IReadOnlyList<PracticeRecord> Practice,
    IReadOnlyList<CardAnswerRecord> Answers,
    IReadOnlyList<CardBoxRecord> Boxes,
    IReadOnlyList<LearnerNoteRecord> Notes,
    IReadOnlyList<WorkRecord> Own,
    IReadOnlyList<DoneRecord> Done,
    IReadOnlyList<HandInCopy> HandIns,
    IReadOnlyList<LearnerLineRecord> Lines
)
{
    /// <summary>Tunes that the record speaks of.</summary>
    public IEnumerable<long> TuneIds =>
        Own.Select(w => w.TuneId)
            .Concat(Practice.Select(p => p.TuneId))
            .Concat(Notes.Select(n => n.TuneId))
            .Concat(Lines.Select(l => (long?)l.TuneId))
            .OfType<long>();

    /// <summary>A learner of whom nothing is kept yet.</summary>
    public LearnerCopy(LearnerRecord learner)
        : this(learner, null, [], [], [], [], [], [], [], []) { }
}

/// <summary>A class with all that hangs on it.</summary>
/// <param name="Work">What is set to the class or a section.</param>
/// <param name="Booklet">Null where nobody made one yet.</param>
/// <param name="InBooklet">Its pieces in their order, by their numbers in the copy.</param>
/// <param name="Lessons">Planned and taught.</param>
public sealed record ClassCopy(
    ClassRecord Class,
    IReadOnlyList<KnownChangeRecord> Known,
    IReadOnlyList<WorkRecord> Work,
    IReadOnlyList<LearnerCopy> Learners,
    BookletRecord? Booklet,
    IReadOnlyList<long> InBooklet,
    IReadOnlyList<LessonRecord> Lessons
)
{
    /// <summary>Tunes that the record speaks of.</summary>
    public IEnumerable<long> TuneIds =>
        Known
            .Select(k => k.TuneId)
            .Concat(Work.Select(w => w.TuneId))
            .Concat(Lessons.SelectMany(l => l.Tunes))
            .OfType<long>()
            .Concat(Learners.SelectMany(l => l.TuneIds));

    /// <summary>A class in which nothing is written yet.</summary>
    public ClassCopy(
        ClassRecord one,
        IReadOnlyList<KnownChangeRecord> known,
        IReadOnlyList<WorkRecord> work,
        IReadOnlyList<LearnerCopy> learners
    )
        : this(one, known, work, learners, Booklet: null, InBooklet: [], Lessons: []) { }
}

/// <summary>A writing task of a copy.</summary>
public sealed record TaskCopy(string Title, string Document);

/// <summary>Which of the tunes and sheets here are those of a copy; null for one that is not here.</summary>
/// <param name="Tasks">The copy's writing tasks by their numbers in it; those that are not here are made.</param>
public sealed record Numbers(Func<long, long?> Tune, Func<long, long?> Sheet, IReadOnlyDictionary<long, TaskCopy> Tasks)
{
    /// <summary>Set work with its numbers here; null for a tune or sheet that is not here.</summary>
    /// <param name="task">The number that a task has here.</param>
    internal WorkRecord? Of(WorkRecord work, Func<long, long?> task)
    {
        var here = work with
        {
            TuneId = work.TuneId is { } tune ? Tune(tune) : null,
            SheetId = work.SheetId is { } sheet ? Sheet(sheet) : null,
            TaskId = work.TaskId is { } id ? task(id) : null,
        };
        var isWhole =
            (here.TuneId is null) == (work.TuneId is null)
            && (here.SheetId is null) == (work.SheetId is null)
            && (here.TaskId is null) == (work.TaskId is null);
        return isWhole ? here : null;
    }

    internal long? OfTune(long? tune) => tune is { } id ? Tune(id) : null;
}
