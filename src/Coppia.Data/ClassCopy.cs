namespace Coppia.Data;

/// <summary>A learner with all that is kept of them.</summary>
/// <param name="Link">What cannot be guessed of their link; null where they have none, or where it stays behind.</param>
/// <param name="Own">What is set to them alone.</param>
/// <param name="Done">What they have done, by the numbers that set work has in the copy.</param>
public sealed record LearnerCopy(
    LearnerRecord Learner,
    string? Link,
    IReadOnlyList<PracticeRecord> Practice,
    IReadOnlyList<CardAnswerRecord> Answers,
    IReadOnlyList<CardBoxRecord> Boxes,
    IReadOnlyList<LearnerNoteRecord> Notes,
    IReadOnlyList<WorkRecord> Own,
    IReadOnlyList<DoneRecord> Done
)
{
    /// <summary>A learner of whom nothing is kept yet.</summary>
    public LearnerCopy(LearnerRecord learner)
        : this(learner, null, [], [], [], [], [], []) { }
}

/// <summary>A class with all that hangs on it.</summary>
/// <param name="Work">What is set to the class or a section.</param>
public sealed record ClassCopy(
    ClassRecord Class,
    IReadOnlyList<KnownChangeRecord> Known,
    IReadOnlyList<WorkRecord> Work,
    IReadOnlyList<LearnerCopy> Learners
);

/// <summary>Which of the tunes and sheets here are those of a copy; null for one that is not here.</summary>
public sealed record Numbers(Func<long, long?> Tune, Func<long, long?> Sheet)
{
    /// <summary>Set work with its numbers here; null for a tune or sheet that is not here.</summary>
    internal WorkRecord? Of(WorkRecord work)
    {
        var here = work with
        {
            TuneId = work.TuneId is { } tune ? Tune(tune) : null,
            SheetId = work.SheetId is { } sheet ? Sheet(sheet) : null,
        };
        return (here.TuneId is null) == (work.TuneId is null) && (here.SheetId is null) == (work.SheetId is null) ? here : null;
    }

    internal long? OfTune(long? tune) => tune is { } id ? Tune(id) : null;
}
