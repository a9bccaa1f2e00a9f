using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Store;

/// <summary>Where something lies that is put away, can come back, and goes for good after a while.</summary>
public interface IPutAway
{
    /// <summary>Removes for good what was put away before the given moment.</summary>
    /// <returns>How much it was.</returns>
    int Purge(DateTime before);
}

/// <summary>
/// The rows of a table that have a version and can be put away: the one way to find, to save over a version that was
/// seen, to put away, to bring back, and to let go.
/// </summary>
/// <typeparam name="T">A row.</typeparam>
/// <param name="table">Its name.</param>
/// <param name="columns">Those of a row.</param>
/// <param name="stays">Which rows cannot be put away, in SQL; "0" where all can.</param>
public abstract class KeptRows<T>(
    Database database,
    TimeProvider clock,
    string table,
    string columns,
    string stays = "0"
) : IPutAway
    where T : class
{
    protected Database Database => database;

    protected DateTime UtcNow => clock.GetUtcNow().UtcDateTime;

    /// <summary>Now, as the database keeps moments.</summary>
    protected string Now() => UtcNow.ToText();

    /// <summary>A row; null for one that there is none of, or that was put away.</summary>
    public T? Find(long id)
    {
        using var connection = database.Open();
        return connection.QuerySingleOrDefault<T>(
            $"SELECT {columns} FROM {table} WHERE id = @id AND deleted_at IS NULL",
            new { id }
        );
    }

    /// <summary>What can come back; the last put away first.</summary>
    protected IReadOnlyList<T> PutAway(int most = int.MaxValue)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<T>(
                $"""
                SELECT {columns} FROM {table} WHERE deleted_at IS NOT NULL
                ORDER BY deleted_at DESC, id DESC LIMIT @most
                """,
                new { most }
            ),
        ];
    }

    /// <summary>
    /// Saves a change of the version that it was made in; another change since then is not overwritten.
    /// </summary>
    /// <param name="to">What becomes of which column: "name = @name".</param>
    /// <param name="values">They, and the row's Id and Version.</param>
    /// <param name="after">What is done after it, in the same step.</param>
    /// <param name="before">What is done before it, in the same step.</param>
    protected SaveOutcome Save(
        long id,
        string to,
        object values,
        Action<SqliteConnection, SqliteTransaction>? after = null,
        Action<SqliteConnection, SqliteTransaction>? before = null
    )
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        before?.Invoke(connection, step);
        var saved = connection.Execute(
            $"""
            UPDATE {table} SET {to}, version = version + 1
            WHERE id = @Id AND version = @Version AND deleted_at IS NULL
            """,
            values,
            step
        );
        if (saved == 1)
        {
            after?.Invoke(connection, step);
            step.Commit();
            return SaveOutcome.Saved;
        }

        step.Rollback();
        return Find(id) is null ? SaveOutcome.Gone : SaveOutcome.ChangedMeanwhile;
    }

    /// <summary>Puts something away; <see cref="Restore"/> brings it back.</summary>
    public bool Delete(long id) => DeleteAll([id]) == 1;

    /// <summary>Puts several away, all at once.</summary>
    /// <returns>How many were there.</returns>
    public int DeleteAll(IReadOnlyList<long> ids)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var now = Now();
        var sql = $"UPDATE {table} SET deleted_at = @now WHERE id = @id AND deleted_at IS NULL AND NOT ({stays})";
        var count = ids.Sum(id => connection.Execute(sql, new { id, now }, step));
        step.Commit();
        return count;
    }

    public bool Restore(long id)
    {
        using var connection = database.Open();
        return connection.Execute(
                $"UPDATE {table} SET deleted_at = NULL WHERE id = @id AND deleted_at IS NOT NULL",
                new { id }
            ) == 1;
    }

    /// <inheritdoc/>
    public int Purge(DateTime before)
    {
        using var connection = database.Open();
        return connection.Execute($"DELETE FROM {table} WHERE deleted_at < @before", new { before = before.ToText() });
    }
}
