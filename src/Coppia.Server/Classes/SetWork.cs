using Coppia.Core.Instruments;
using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Data.Exercises;
using Coppia.Data.Tunes;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Classes;

/// <summary>What is set: to the class that is asked for, or to one of its learners.</summary>
internal sealed class SetWork(
    Asker asker,
    LearnerRepository learners,
    WorkRepository work,
    TuneRepository tunes,
    SheetRepository sheets,
    TaskRepository tasks
)
{
    /// <summary>The first day of which what was due is still listed.</summary>
    public DateOnly Since => Work.ShownSince(asker.Today);

    public static string TitleOf(WorkRecord w) => w.Kind == WorkKind.Cards ? "Cards" : w.Title;

    /// <exception cref="RefusedException">There is no such class.</exception>
    public IReadOnlyList<WorkView> List()
    {
        var one = asker.Class;
        var (all, done) = (learners.Of(one.Id), work.Done(one.Id).ToLookup(d => d.WorkId, d => d.LearnerId));
        return [.. work.Of(one.Id, Since).Select(w => ViewOf(w, all, done[w.Id]))];
    }

    /// <summary>What is listed of one learner's work.</summary>
    public IReadOnlyList<WorkRecord> Of(LearnerRecord who) => work.Of(who, Since);

    private WorkView ViewOf(WorkRecord w, IEnumerable<LearnerRecord> learners, IEnumerable<long> done)
    {
        long[] whom = [.. learners.Where(w.IsFor).Select(l => l.Id)];
        return new WorkView(
            Id: w.Id,
            Kind: w.Kind,
            Title: TitleOf(w),
            TuneId: w.TuneId,
            SheetId: w.SheetId,
            TaskId: w.TaskId,
            Tempo: w.Tempo,
            Instrument: w.Instrument,
            LearnerId: w.LearnerId,
            SetOn: asker.DayOf(w.MadeAt),
            Due: w.Due,
            Ladder: LadderView.To(w.Tempo),
            For: whom,
            Done: [.. done.Where(whom.Contains)]
        );
    }

    /// <exception cref="RefusedException">It cannot be set.</exception>
    public void Add(WorkRequest asked)
    {
        var one = asker.Class;
        var wrong =
            asked.Instrument is { } i && StringSection.Named(i) is null
                ? Say("classes.set-work.is-not-an-instrument", ("i", i))
            : asked.LearnerId is { } l && learners.Find(l)?.ClassId != one.Id
                ? Say("classes.set-work.this-learner-is-not-in-the-class")
            : asked.Kind == WorkKind.Tune && (asked.TuneId is not { } t || tunes.Find(t) is null)
                ? Say("classes.set-work.expected-a-tune-that-is-in-the")
            : asked.Kind == WorkKind.Sheet && (asked.SheetId is not { } s || sheets.Find(s) is null)
                ? Say("classes.set-work.expected-a-sheet-that-is-kept")
            : asked.Kind == WorkKind.Writing && (asked.TaskId is not { } k || tasks.Find(k) is null)
                ? Say("classes.set-work.expected-a-writing-task-that-is-kept")
            : null;
        if (wrong is not null)
            throw RefusedException.Wrong(wrong);
        work.Add(
            new WorkRecord
            {
                ClassId = one.Id,
                Kind = asked.Kind,
                TuneId = asked.Kind == WorkKind.Tune ? asked.TuneId : null,
                SheetId = asked.Kind == WorkKind.Sheet ? asked.SheetId : null,
                TaskId = asked.Kind == WorkKind.Writing ? asked.TaskId : null,
                Tempo = asked.Kind == WorkKind.Tune ? asked.Tempo : null,
                Instrument = asked.Instrument,
                LearnerId = asked.LearnerId,
                Due = asked.Due,
                MadeBy = asker.Name,
            }
        );
    }
}
