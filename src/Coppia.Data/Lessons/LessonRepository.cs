using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Lessons;

/// <summary>A lesson of a class.</summary>
public sealed record LessonRecord
{
    public long Id { get; init; }

    public long ClassId { get; init; }

    /// <summary>Such as 2026-09-14.</summary>
    public DateOnly Day { get; init; }

    /// <summary>Its steps as JSON; they name tunes by their places.</summary>
    public string Document { get; init; } = "";

    /// <summary>When it was kept as taught; null for one that is planned.</summary>
    public DateTime? TaughtAt { get; init; }

    /// <summary>1 for a new one, one more with every change.</summary>
    public int Version { get; init; } = 1;

    public DateTime MadeAt { get; init; }

    /// <summary>By whom; empty where nobody signs in.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>Its tunes by their places; null for one that is gone.</summary>
    public IReadOnlyList<long?> Tunes { get; init; } = [];
}

/// <summary>Owns the lessons of all classes.</summary>
public sealed class LessonRepository(Database database, TimeProvider clock)
    : KeptRows<LessonRecord>(database, clock, "lesson", Columns)
{
    private const string Columns =
        "id, class_id AS ClassId, day, document, taught_at AS TaughtAt, version, made_at AS MadeAt, made_by AS MadeBy";

    /// <summary>The lessons of a class, the last day first.</summary>
    /// <param name="most">How many at most.</param>
    /// <param name="from">How many of the last are passed over.</param>
    public IReadOnlyList<LessonRecord> Of(long classId, int most = int.MaxValue, int from = 0)
    {
        using var connection = Database.Open();
        LessonRecord[] lessons =
        [
            .. connection.Query<LessonRecord>(
                $"""
                SELECT {Columns} FROM lesson WHERE class_id = @classId AND deleted_at IS NULL
                ORDER BY day DESC, id DESC LIMIT @most OFFSET @from
                """,
                new
                {
                    classId,
                    most,
                    from,
                }
            ),
        ];
        return WithTunes(connection, lessons);
    }

    /// <summary>How many lessons a class has.</summary>
    public int Count(long classId)
    {
        using var connection = Database.Open();
        return connection.ExecuteScalar<int>(
            "SELECT count(*) FROM lesson WHERE class_id = @classId AND deleted_at IS NULL",
            new { classId }
        );
    }

    public LessonRecord? Find(long classId, long id)
    {
        using var connection = Database.Open();
        LessonRecord[] found =
        [
            .. connection.Query<LessonRecord>(
                $"SELECT {Columns} FROM lesson WHERE id = @id AND class_id = @classId AND deleted_at IS NULL",
                new { id, classId }
            ),
        ];
        return WithTunes(connection, found).FirstOrDefault();
    }

    public long Add(LessonRecord lesson)
    {
        using var connection = Database.Open();
        using var step = connection.BeginTransaction();
        var id = Add(connection, step, lesson with { MadeAt = UtcNow });
        step.Commit();
        return id;
    }

    internal static long Add(SqliteConnection connection, SqliteTransaction step, LessonRecord lesson)
    {
        var id = connection.ExecuteScalar<long>(
            """
            INSERT INTO lesson (class_id, day, document, taught_at, version, made_at, made_by)
            VALUES (@ClassId, @Day, @Document, @taughtAt, @Version, @madeAt, @MadeBy) RETURNING id
            """,
            new
            {
                lesson.ClassId,
                lesson.Day,
                lesson.Document,
                taughtAt = lesson.TaughtAt?.ToText(),
                lesson.Version,
                madeAt = lesson.MadeAt.ToText(),
                lesson.MadeBy,
            },
            step
        );
        PutTunes(connection, step, id, lesson.Tunes);
        return id;
    }

    private static void PutTunes(
        SqliteConnection connection,
        SqliteTransaction step,
        long id,
        IReadOnlyList<long?> tunes
    ) =>
        connection.Execute(
            "INSERT INTO lesson_tune (lesson_id, place, tune_id) VALUES (@id, @place, @tune)",
            tunes.Select(
                (tune, place) =>
                    new
                    {
                        id,
                        place,
                        tune,
                    }
            ),
            step
        );

    private static LessonRecord[] WithTunes(SqliteConnection connection, LessonRecord[] lessons)
    {
        var tunes = connection
            .Query<(long Lesson, long? Tune)>(
                "SELECT lesson_id, tune_id FROM lesson_tune WHERE lesson_id IN @ids ORDER BY lesson_id, place",
                new { ids = lessons.Select(l => l.Id) }
            )
            .ToLookup(t => t.Lesson, t => t.Tune);
        return [.. lessons.Select(l => l with { Tunes = [.. tunes[l.Id]] })];
    }

    public SaveOutcome Save(LessonRecord lesson) =>
        Save(
            lesson.Id,
            "day = @Day, document = @Document, taught_at = @taughtAt",
            new
            {
                lesson.Day,
                lesson.Document,
                taughtAt = lesson.TaughtAt?.ToText(),
                lesson.Id,
                lesson.Version,
            },
            (connection, step) =>
            {
                connection.Execute("DELETE FROM lesson_tune WHERE lesson_id = @Id", new { lesson.Id }, step);
                PutTunes(connection, step, lesson.Id, lesson.Tunes);
            }
        );

    /// <summary>Whether a lesson is, or was before it was put away, of a class.</summary>
    public bool IsOf(long classId, long id)
    {
        using var connection = Database.Open();
        return connection.ExecuteScalar<long?>("SELECT class_id FROM lesson WHERE id = @id", new { id }) == classId;
    }
}
