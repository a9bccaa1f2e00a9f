using Coppia.Core.School;
using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Classes;

/// <summary>Something that is set to a class, a section of it, or one learner.</summary>
public sealed record WorkRecord
{
    public long Id { get; init; }

    public long ClassId { get; init; }

    public WorkKind Kind { get; init; }

    public long? TuneId { get; init; }

    public long? SheetId { get; init; }

    public long? TaskId { get; init; }

    /// <summary>Quarters a minute to reach, 20 to 300; null where none is asked for.</summary>
    public int? Tempo { get; init; }

    /// <summary>The section it is for; null for all.</summary>
    public string? Instrument { get; init; }

    /// <summary>The learner it is for; null for all.</summary>
    public long? LearnerId { get; init; }

    /// <summary>The day by which it is to be done, such as 2026-09-14.</summary>
    public DateOnly Due { get; init; }

    /// <summary>By whom; empty where nobody signs in.</summary>
    public string MadeBy { get; init; } = "";

    public DateTime MadeAt { get; init; }

    /// <summary>The tune's or task's title or the sheet's heading as it is now; empty for cards.</summary>
    public string Title { get; init; } = "";

    public SetTo To => new(Instrument, LearnerId);

    /// <summary>Whether it is set to a learner of its class.</summary>
    public bool IsFor(LearnerRecord learner) =>
        ClassId == learner.ClassId && To.Includes(learner.Instrument, learner.Id);
}

/// <summary>That a learner has done something.</summary>
public sealed record DoneRecord
{
    public long WorkId { get; init; }

    public long LearnerId { get; init; }

    public DateTime DoneAt { get; init; }

    /// <summary>By whom it was said: a teacher's name; empty for the learner.</summary>
    public string MadeBy { get; init; } = "";
}

/// <summary>That something set is done, or is not.</summary>
public readonly record struct DoneSaid(long Work, bool Done);

/// <summary>Owns the tables of set work and of who has done it.</summary>
public sealed class WorkRepository(Database database, TimeProvider clock)
{
    private const string Columns = """
        w.id, w.class_id AS ClassId, w.kind, w.tune_id AS TuneId, w.sheet_id AS SheetId, w.task_id AS TaskId, w.tempo,
        w.instrument,
        w.learner_id AS LearnerId, w.due, w.made_at AS MadeAt, w.made_by AS MadeBy,
        coalesce(t.title, s.heading, k.title, '') AS Title
        """;

    private const string From = """
        set_work w LEFT JOIN tune t ON t.id = w.tune_id LEFT JOIN sheet s ON s.id = w.sheet_id
            LEFT JOIN writing_task k ON k.id = w.task_id
        """;

    /// <summary>What is set to a class from a day on, what is due first first.</summary>
    /// <param name="since">What was due before is left out.</param>
    public IReadOnlyList<WorkRecord> Of(long classId, DateOnly since)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<WorkRecord>(
                $"SELECT {Columns} FROM {From} WHERE w.class_id = @classId AND w.due >= @since ORDER BY w.due, w.id",
                new { classId, since }
            ),
        ];
    }

    /// <summary>What is set to one learner from a day on: to the class, to the section, or to them alone.</summary>
    public IReadOnlyList<WorkRecord> Of(LearnerRecord learner, DateOnly since) =>
        [.. Of(learner.ClassId, since).Where(w => w.IsFor(learner))];

    public IReadOnlyList<DoneRecord> Done(long classId)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<DoneRecord>(
                """
                SELECT d.work_id AS WorkId, d.learner_id AS LearnerId, d.done_at AS DoneAt, d.made_by AS MadeBy
                FROM work_done d JOIN set_work w ON w.id = d.work_id WHERE w.class_id = @classId
                """,
                new { classId }
            ),
        ];
    }

    public long Add(WorkRecord work)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var id = Add(connection, step, work with { MadeAt = clock.GetUtcNow().UtcDateTime });
        step.Commit();
        return id;
    }

    internal static long Add(SqliteConnection connection, SqliteTransaction step, WorkRecord work) =>
        connection.ExecuteScalar<long>(
            """
            INSERT INTO set_work (class_id, kind, tune_id, sheet_id, task_id, tempo, instrument, learner_id, due,
                made_at, made_by)
            VALUES (@ClassId, @kind, @TuneId, @SheetId, @TaskId, @Tempo, @Instrument, @LearnerId, @Due, @madeAt,
                @MadeBy)
            RETURNING id
            """,
            new
            {
                work.ClassId,
                kind = work.Kind.ToString().ToLowerInvariant(),
                work.TuneId,
                work.SheetId,
                work.TaskId,
                work.Tempo,
                work.Instrument,
                work.LearnerId,
                work.Due,
                madeAt = work.MadeAt.ToText(),
                work.MadeBy,
            },
            step
        );

    internal static void Insert(SqliteConnection connection, SqliteTransaction step, DoneRecord done) =>
        connection.Execute(
            """
            INSERT INTO work_done (work_id, learner_id, done_at, made_by) VALUES (@WorkId, @LearnerId, @at, @MadeBy)
            ON CONFLICT (work_id, learner_id) DO NOTHING
            """,
            new
            {
                done.WorkId,
                done.LearnerId,
                at = done.DoneAt.ToText(),
                done.MadeBy,
            },
            step
        );

    public bool Delete(long classId, long id)
    {
        using var connection = database.Open();
        return connection.Execute("DELETE FROM set_work WHERE id = @id AND class_id = @classId", new { id, classId })
            == 1;
    }

    /// <summary>Says that a learner has done something that is set to them, or that they have not.</summary>
    /// <returns>False where it is not set to them, or was said to be undone already.</returns>
    public bool SetDone(long workId, LearnerRecord learner, bool done, string by)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var changed = SetDone(connection, step, learner, new DoneSaid(workId, done), by, clock.GetUtcNow().UtcDateTime);
        step.Commit();
        return changed;
    }

    internal static bool SetDone(
        SqliteConnection connection,
        SqliteTransaction step,
        LearnerRecord learner,
        DoneSaid said,
        string by,
        DateTime now
    )
    {
        var set = connection.QuerySingleOrDefault<WorkRecord>(
            $"SELECT {Columns} FROM {From} WHERE w.id = @Work",
            said,
            step
        );
        return (!said.Done || set?.IsFor(learner) == true)
            && SetDone(connection, step, said.Work, learner.Id, said.Done, by, now);
    }

    internal static bool SetDone(
        SqliteConnection connection,
        SqliteTransaction step,
        long workId,
        long learnerId,
        bool done,
        string by,
        DateTime now
    ) =>
        connection.Execute(
            done
                ? """
                INSERT INTO work_done (work_id, learner_id, done_at, made_by) VALUES (@workId, @learnerId, @now, @by)
                ON CONFLICT (work_id, learner_id) DO UPDATE SET made_by = work_done.made_by
                """
                : "DELETE FROM work_done WHERE work_id = @workId AND learner_id = @learnerId",
            new
            {
                workId,
                learnerId,
                by,
                now = now.ToText(),
            },
            step
        ) == 1;
}
