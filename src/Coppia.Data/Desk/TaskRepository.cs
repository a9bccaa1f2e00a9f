using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Desk;

/// <summary>A kept writing task.</summary>
public sealed record TaskRecord
{
    public long Id { get; init; }

    /// <summary>1 to 80 characters.</summary>
    public string Title { get; init; } = "";

    /// <summary>Its plan as JSON.</summary>
    public string Document { get; init; } = "";

    public int Version { get; init; } = 1;

    public DateTime ChangedAt { get; init; }

    public DateTime? DeletedAt { get; init; }
}

/// <summary>Owns the table of writing tasks.</summary>
public sealed class TaskRepository(Database database, TimeProvider clock)
    : KeptRows<TaskRecord>(database, clock, "writing_task", Columns)
{
    private const string Columns = "id, title, document, version, changed_at AS ChangedAt, deleted_at AS DeletedAt";

    /// <summary>Most tasks that are listed.</summary>
    private const int MostListed = 200;

    /// <summary>The last changed first.</summary>
    public IReadOnlyList<TaskRecord> List()
    {
        using var connection = Database.Open();
        return
        [
            .. connection.Query<TaskRecord>(
                $"SELECT {Columns} FROM writing_task WHERE deleted_at IS NULL ORDER BY changed_at DESC, "
                    + $"id DESC LIMIT {MostListed}"
            ),
        ];
    }

    public TaskRecord Add(string title, string document)
    {
        using var connection = Database.Open();
        using var step = connection.BeginTransaction();
        var id = Add(connection, step, title, document, Now());
        step.Commit();
        return Find(id)!;
    }

    internal static long Add(
        SqliteConnection connection,
        SqliteTransaction step,
        string title,
        string document,
        string now
    ) =>
        connection.ExecuteScalar<long>(
            """
            INSERT INTO writing_task (title, document, created_at, changed_at) VALUES (@title, @document, @now, @now)
            RETURNING id
            """,
            new
            {
                title,
                document,
                now,
            },
            step
        );

    /// <summary>The task of this title and plan, or null.</summary>
    internal static long? Like(SqliteConnection connection, SqliteTransaction step, string title, string document) =>
        connection.ExecuteScalar<long?>(
            "SELECT id FROM writing_task WHERE title = @title AND document = @document AND deleted_at IS NULL "
                + "ORDER BY id LIMIT 1",
            new { title, document },
            step
        );

    /// <summary>Tasks that can come back; the last deleted first.</summary>
    public IReadOnlyList<TaskRecord> Deleted() => PutAway(MostListed);

    public SaveOutcome Save(TaskRecord task) =>
        Save(
            task.Id,
            "title = @Title, document = @Document, changed_at = @now",
            new
            {
                task.Title,
                task.Document,
                task.Id,
                task.Version,
                now = Now(),
            }
        );
}
