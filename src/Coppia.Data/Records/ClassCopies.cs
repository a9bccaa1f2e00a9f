using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Data.Lessons;
using Coppia.Data.Logbook;
using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Records;

/// <summary>Classes and learners as values: all that is kept of one out, and in again in one step.</summary>
public sealed class ClassCopies(
    Database database,
    ClassRepository classes,
    LearnerRepository learners,
    KnownRepository known,
    WorkRepository work,
    ReportRepository reports,
    LinkRepository links,
    HandInRepository handIns,
    BookletRepository booklets,
    LessonRepository lessons,
    LearnerLineRepository lines,
    TimeProvider clock
)
{
    /// <summary>A class with all that hangs on it; null where there is none.</summary>
    public ClassCopy? Of(long id)
    {
        if (classes.Find(id) is not { } one)
            return null;
        var set = work.Of(id, since: default);
        var done = work.Done(id).ToLookup(d => d.LearnerId);
        var tokens = links.Of(id).ToDictionary(l => l.LearnerId, l => l.Token);
        return new ClassCopy(
            one,
            known.Of(id),
            [.. set.Where(w => w.LearnerId is null)],
            [.. learners.Of(id).Select(l => Copy(l, set, done[l.Id], tokens.GetValueOrDefault(l.Id)))],
            booklets.Find(id),
            booklets.Pieces(id),
            lessons.Of(id)
        );
    }

    /// <summary>A learner with all that is kept of them.</summary>
    public LearnerCopy Of(LearnerRecord learner) =>
        Copy(
            learner,
            work.Of(learner.ClassId, since: default),
            work.Done(learner.ClassId).Where(d => d.LearnerId == learner.Id),
            links.Of(learner.ClassId).FirstOrDefault(l => l.LearnerId == learner.Id)?.Token
        );

    private LearnerCopy Copy(
        LearnerRecord learner,
        IEnumerable<WorkRecord> set,
        IEnumerable<DoneRecord> done,
        string? link
    ) =>
        new(
            learner,
            link,
            reports.Practice(learner.Id),
            reports.Answers(learner.Id),
            reports.Boxes(learner.Id),
            reports.Notes(learner.Id),
            [.. set.Where(w => w.LearnerId == learner.Id)],
            [.. done],
            PiecesOf(learner),
            lines.Of(learner.Id)
        );

    private HandInCopy[] PiecesOf(LearnerRecord learner)
    {
        var own = handIns.Of(learner.Id);
        var remarks = handIns.Remarks(own.Select(h => h.Id));
        return [.. own.Select(h => new HandInCopy(h, [.. handIns.Versions(h.Id).Reverse()], [.. remarks[h.Id]]))];
    }

    /// <summary>Whether this very class is here already.</summary>
    public bool IsHere(ClassRecord one)
    {
        using var connection = database.Open();
        return IsHere(connection, null, one);
    }

    /// <summary>Puts a class in: all of it, or where something fails nothing.</summary>
    public long Add(ClassCopy copy, Numbers numbers)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var id = Add(connection, step, copy, numbers, Now());
        step.Commit();
        return id;
    }

    /// <summary>Puts a learner into a class; what they had done of what is still set to it is done again.</summary>
    /// <param name="setAt">When each thing was set that they had done, by its number in the copy.</param>
    public void Add(long classId, LearnerCopy copy, Numbers numbers, IReadOnlyDictionary<long, DateTime> setAt)
    {
        // A number alone may be another class's.
        var set = work.Of(classId, since: default)
            .Where(w => setAt.TryGetValue(w.Id, out var at) && at.ToText() == w.MadeAt.ToText())
            .ToDictionary(w => w.Id, w => w.Id);
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var tasks = new TasksHere(connection, step, numbers, Now());
        Add(connection, step, classId, copy, numbers, set, tasks, Now());
        step.Commit();
    }

    internal static bool IsHere(SqliteConnection connection, SqliteTransaction? step, ClassRecord one) =>
        connection.ExecuteScalar<int?>(
            "SELECT 1 FROM school_class WHERE name = @Name AND created_at = @at LIMIT 1",
            new { one.Name, at = one.CreatedAt.ToText() },
            step
        )
            is not null;

    internal static long Add(
        SqliteConnection connection,
        SqliteTransaction step,
        ClassCopy copy,
        Numbers numbers,
        string now
    )
    {
        var id = ClassRepository.Add(connection, step, copy.Class, copy.Class.CreatedAt.ToText(), now);
        foreach (var change in copy.Known)
            KnownRepository.Add(connection, step, change with { ClassId = id, TuneId = numbers.OfTune(change.TuneId) });
        var tasks = new TasksHere(connection, step, numbers, now);
        var set = Set(connection, step, copy.Work, numbers, tasks, one => one with { ClassId = id, LearnerId = null });
        var pieces = new Dictionary<long, long>();
        foreach (var learner in copy.Learners)
        {
            foreach (var (there, here) in Add(connection, step, id, learner, numbers, set, tasks, now))
                pieces[there] = here;
        }

        foreach (var lesson in copy.Lessons)
        {
            long?[] tunes = [.. lesson.Tunes.Select(numbers.OfTune)];
            LessonRepository.Add(connection, step, lesson with { ClassId = id, Tunes = tunes });
        }

        if (copy.Booklet is { } booklet)
        {
            long[] within = [.. copy.InBooklet.Where(pieces.ContainsKey).Select(p => pieces[p])];
            BookletRepository.Put(connection, step, booklet with { ClassId = id }, within, now);
        }

        return id;
    }

    /// <summary>Numbers that what is set has here, by those in the copy.</summary>
    private static Dictionary<long, long> Set(
        SqliteConnection connection,
        SqliteTransaction step,
        IEnumerable<WorkRecord> work,
        Numbers numbers,
        TasksHere tasks,
        Func<WorkRecord, WorkRecord> here
    ) =>
        work.Select(one => (one.Id, Kept: numbers.Of(one, tasks.Of)))
            .Where(w => w.Kept is not null)
            .ToDictionary(w => w.Id, w => WorkRepository.Add(connection, step, here(w.Kept!)));

    /// <param name="set">Numbers that what is set to the class has here, by those in the copy.</param>
    /// <returns>Numbers that the pieces have here, by those in the copy.</returns>
    private static Dictionary<long, long> Add(
        SqliteConnection connection,
        SqliteTransaction step,
        long classId,
        LearnerCopy copy,
        Numbers numbers,
        IReadOnlyDictionary<long, long> set,
        TasksHere tasks,
        string now
    )
    {
        var id = LearnerRepository.Add(connection, step, copy.Learner with { ClassId = classId }, now);
        // A link leads to one learner: whoever is brought back twice has none the second time.
        if (copy.Link is { } token && !LinkRepository.IsTaken(connection, step, token))
            LinkRepository.Insert(connection, step, id, token, now);
        var own = Set(
            connection,
            step,
            copy.Own,
            numbers,
            tasks,
            one => one with { ClassId = classId, Instrument = null, LearnerId = id }
        );
        Report(connection, step, id, copy, numbers);
        foreach (var done in copy.Done)
        {
            if (WorkOf(done.WorkId) is { } here)
                WorkRepository.Insert(connection, step, done with { WorkId = here, LearnerId = id });
        }

        return copy.HandIns.ToDictionary(
            p => p.HandIn.Id,
            p => Add(connection, step, p with { HandIn = Here(p.HandIn, id, WorkOf(p.HandIn.WorkId), tasks) })
        );

        long? WorkOf(long? there) =>
            there is { } t && (own.TryGetValue(t, out var here) || set.TryGetValue(t, out here)) ? here : null;
    }

    private static HandInRecord Here(HandInRecord piece, long learnerId, long? workId, TasksHere tasks) =>
        piece with
        {
            LearnerId = learnerId,
            WorkId = workId,
            TaskId = piece.TaskId is { } t ? tasks.Of(t) : null,
        };

    /// <summary>What a learner's page had reported.</summary>
    private static void Report(
        SqliteConnection connection,
        SqliteTransaction step,
        long id,
        LearnerCopy copy,
        Numbers numbers
    )
    {
        foreach (var practice in copy.Practice)
            ReportRepository.Insert(connection, step, id, practice with { TuneId = numbers.OfTune(practice.TuneId) });
        foreach (var answer in copy.Answers)
            ReportRepository.Insert(connection, step, id, answer);
        foreach (var box in copy.Boxes)
            ReportRepository.Put(connection, step, id, box);
        foreach (var note in copy.Notes)
            ReportRepository.Insert(connection, step, id, note with { TuneId = numbers.OfTune(note.TuneId) });
        foreach (var line in copy.Lines)
        {
            if (numbers.OfTune(line.TuneId) is { } tune)
                LearnerLineRepository.Insert(connection, step, line with { LearnerId = id, TuneId = tune });
        }
    }

    /// <summary>A piece with its versions and remarks, and the number that it has here.</summary>
    private static long Add(SqliteConnection connection, SqliteTransaction step, HandInCopy piece)
    {
        var id = HandInRepository.Add(connection, step, piece.HandIn);
        foreach (var version in piece.Versions)
            HandInRepository.Insert(connection, step, id, version);
        foreach (var remark in piece.Remarks)
            HandInRepository.Insert(connection, step, remark with { HandInId = id });
        return id;
    }

    /// <summary>
    /// Writing tasks of a copy as they are here: one of the same title and plan is the same, another is made.
    /// </summary>
    private sealed class TasksHere(SqliteConnection connection, SqliteTransaction step, Numbers numbers, string now)
    {
        private readonly Dictionary<long, long> _made = [];

        public long? Of(long id)
        {
            if (_made.TryGetValue(id, out var here))
                return here;
            if (!numbers.Tasks.TryGetValue(id, out var task))
                return null;
            return _made[id] =
                TaskRepository.Like(connection, step, task.Title, task.Document)
                ?? TaskRepository.Add(connection, step, task.Title, task.Document, now);
        }
    }

    private string Now() => clock.GetUtcNow().UtcDateTime.ToText();
}
