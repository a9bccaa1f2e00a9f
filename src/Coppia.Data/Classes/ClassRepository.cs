using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Classes;

/// <summary>A kept class.</summary>
public sealed record ClassRecord
{
    public long Id { get; init; }

    /// <summary>1 to 80 characters.</summary>
    public string Name { get; init; } = "";

    /// <summary>Minutes of a lesson, 5 to 240.</summary>
    public int LessonMinutes { get; init; } = 45;

    /// <summary>Its own house style; null for the one in force.</summary>
    public long? StyleId { get; init; }

    /// <summary>Grows with every save.</summary>
    public int Version { get; init; } = 1;

    /// <summary>Grows with every change of what the class knows.</summary>
    public int KnownVersion { get; init; } = 1;

    public DateTime CreatedAt { get; init; }
}

/// <summary>How many of a class play an instrument.</summary>
public sealed record SectionCount
{
    public long ClassId { get; init; }

    public string Instrument { get; init; } = "";

    public int Learners { get; init; }
}

/// <summary>Owns the table of classes.</summary>
public sealed class ClassRepository(Database database, TimeProvider clock)
{
    private const string Columns = """
        id, name, lesson_minutes AS LessonMinutes, style_id AS StyleId, version, known_version AS KnownVersion,
        created_at AS CreatedAt
        """;

    /// <summary>By name.</summary>
    public IReadOnlyList<ClassRecord> List()
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<ClassRecord>($"SELECT {Columns} FROM school_class ORDER BY name COLLATE NOCASE, id"),
        ];
    }

    /// <summary>For each instrument of a class, or of every class, how many play it.</summary>
    public IReadOnlyList<SectionCount> Sections(long? classId = null)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<SectionCount>(
                $"""
                SELECT class_id AS ClassId, instrument, count(*) AS Learners
                FROM learner {(classId is null ? "" : "WHERE class_id = @classId")} GROUP BY class_id, instrument
                """,
                new { classId }
            ),
        ];
    }

    public ClassRecord? Find(long id)
    {
        using var connection = database.Open();
        return connection.QuerySingleOrDefault<ClassRecord>(
            $"SELECT {Columns} FROM school_class WHERE id = @id",
            new { id }
        );
    }

    /// <summary>Keeps a class with its learners and what it knows, in one step.</summary>
    public long Add(ClassRecord added, IEnumerable<LearnerRecord> learners, IEnumerable<KnownChangeRecord> known)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var id = Add(connection, step, added);
        foreach (var learner in learners)
            LearnerRepository.Add(connection, step, learner with { ClassId = id }, Now());
        foreach (var change in known)
            KnownRepository.Add(connection, step, change with { ClassId = id });
        step.Commit();
        return id;
    }

    /// <summary>Saves over the version that the editor saw; a later version is never overwritten unseen.</summary>
    public SaveOutcome Save(ClassRecord changed)
    {
        using var connection = database.Open();
        var saved = connection.Execute(
            """
            UPDATE school_class
            SET name = @Name, lesson_minutes = @LessonMinutes, style_id = @StyleId, version = version + 1,
                changed_at = @now
            WHERE id = @Id AND version = @Version
            """,
            new
            {
                changed.Id,
                changed.Name,
                changed.LessonMinutes,
                changed.StyleId,
                changed.Version,
                now = Now(),
            }
        );
        if (saved == 1)
            return SaveOutcome.Saved;
        return Find(changed.Id) is null ? SaveOutcome.Gone : SaveOutcome.ChangedMeanwhile;
    }

    /// <summary>Removes a class with everything that hangs on it, for good.</summary>
    public bool Delete(long id) => database.Erase("DELETE FROM school_class WHERE id = @id", new { id }) == 1;

    /// <summary>
    /// The end of a year: some learners move up into a new class, which knows what their class knew, each thing with
    /// its date and cause.
    /// </summary>
    /// <returns>The new class; null where the former one, or one of the learners in it, is gone.</returns>
    public long? MoveUp(long from, ClassRecord to, IReadOnlyCollection<long> learners)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var id = Add(connection, step, to);
        connection.Execute(
            """
            INSERT INTO known_change (class_id, cause, about, tune_id, added, removed, made_at, made_by, taken_back_at)
            SELECT @id, cause, about, tune_id, added, removed, made_at, made_by, taken_back_at
            FROM known_change WHERE class_id = @from AND taken_back_at IS NULL ORDER BY known_change.id
            """,
            new { id, from },
            step
        );
        var moved = connection.Execute(
            "UPDATE learner SET class_id = @id WHERE class_id = @from AND id IN @learners",
            new
            {
                id,
                from,
                learners,
            },
            step
        );
        if (moved != learners.Count)
            return null;
        step.Commit();
        return id;
    }

    /// <summary>
    /// Takes a moving up back: all learners of a class go into another, and the class, empty now, goes.
    /// </summary>
    public bool Join(long from, long into)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        connection.Execute("UPDATE learner SET class_id = @into WHERE class_id = @from", new { from, into }, step);
        if (from == into || connection.Execute("DELETE FROM school_class WHERE id = @from", new { from }, step) != 1)
            return false;
        step.Commit();
        return true;
    }

    private long Add(SqliteConnection connection, SqliteTransaction step, ClassRecord added) =>
        Add(connection, step, added, Now(), Now());

    internal static long Add(
        SqliteConnection connection,
        SqliteTransaction step,
        ClassRecord added,
        string createdAt,
        string now
    ) =>
        connection.ExecuteScalar<long>(
            """
            INSERT INTO school_class (name, lesson_minutes, style_id, created_at, changed_at)
            VALUES (@Name, @LessonMinutes, (SELECT id FROM style WHERE id = @StyleId), @createdAt, @now)
            RETURNING id
            """,
            new
            {
                added.Name,
                added.LessonMinutes,
                added.StyleId,
                createdAt,
                now,
            },
            step
        );

    private string Now() => clock.GetUtcNow().UtcDateTime.ToText();
}
