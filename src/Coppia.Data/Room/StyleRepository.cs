using Coppia.Data.Store;
using Dapper;

namespace Coppia.Data.Room;

/// <summary>A kept house style.</summary>
public sealed record StyleRecord
{
    public long Id { get; init; }

    public string Name { get; init; } = "";

    public string Json { get; init; } = "";

    public bool Current { get; init; }

    /// <summary>Grows with every save.</summary>
    public int Version { get; init; } = 1;

    /// <summary>When it was put away; null while it is one of the house's.</summary>
    public DateTime? DeletedAt { get; init; }
}

/// <summary>Owns the table of house styles. One style is current as soon as there is any.</summary>
public sealed class StyleRepository(Database database, TimeProvider clock)
{
    private const string Columns = "id, name, json, current, version, deleted_at AS DeletedAt";

    public IReadOnlyList<StyleRecord> List()
    {
        using var connection = database.Open();
        return [.. connection.Query<StyleRecord>($"SELECT {Columns} FROM style WHERE deleted_at IS NULL ORDER BY id")];
    }

    /// <summary>Styles that were put away and can come back; the last first.</summary>
    public IReadOnlyList<StyleRecord> Deleted()
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<StyleRecord>(
                $"SELECT {Columns} FROM style WHERE deleted_at IS NOT NULL ORDER BY deleted_at DESC, id DESC"
            ),
        ];
    }

    /// <summary>One of the house's styles; null for one that is unknown or was put away.</summary>
    public StyleRecord? Find(long id)
    {
        using var connection = database.Open();
        return connection.QuerySingleOrDefault<StyleRecord>(
            $"SELECT {Columns} FROM style WHERE id = @id AND deleted_at IS NULL",
            new { id }
        );
    }

    public StyleRecord? Current()
    {
        using var connection = database.Open();
        return connection.QuerySingleOrDefault<StyleRecord>($"SELECT {Columns} FROM style WHERE current = 1");
    }

    public long Add(string name, string json)
    {
        using var connection = database.Open();
        return connection.ExecuteScalar<long>(
            """
            INSERT INTO style (name, json, current)
            VALUES (@name, @json, NOT EXISTS (SELECT 1 FROM style WHERE current = 1))
            RETURNING id
            """,
            new { name, json }
        );
    }

    /// <summary>Saves over the version that the editor saw; a later version is never overwritten unseen.</summary>
    public SaveOutcome Save(long id, int version, string name, string json)
    {
        using var connection = database.Open();
        var changed = connection.Execute(
            """
            UPDATE style SET name = @name, json = @json, version = version + 1, changed_at = @now
            WHERE id = @id AND version = @version AND deleted_at IS NULL
            """,
            new
            {
                id,
                version,
                name,
                json,
                now = clock.GetUtcNow().UtcDateTime.ToText(),
            }
        );
        if (changed == 1)
            return SaveOutcome.Saved;
        return List().All(s => s.Id != id) ? SaveOutcome.Gone : SaveOutcome.ChangedMeanwhile;
    }

    public bool MakeCurrent(long id)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        connection.Execute("UPDATE style SET current = 0 WHERE current = 1", transaction: step);
        if (
            connection.Execute("UPDATE style SET current = 1 WHERE id = @id AND deleted_at IS NULL", new { id }, step)
            != 1
        )
            return false;
        step.Commit();
        return true;
    }

    /// <summary>Puts a style away; false for an unknown one and for the current one, which must stay.</summary>
    public bool Delete(long id)
    {
        using var connection = database.Open();
        return connection.Execute(
                "UPDATE style SET deleted_at = @now WHERE id = @id AND current = 0 AND deleted_at IS NULL",
                new { id, now = clock.GetUtcNow().UtcDateTime.ToText() }
            ) == 1;
    }

    public bool Restore(long id)
    {
        using var connection = database.Open();
        return connection.Execute(
                "UPDATE style SET deleted_at = NULL WHERE id = @id AND deleted_at IS NOT NULL",
                new { id }
            ) == 1;
    }

    /// <summary>Removes for good what was deleted before the given moment.</summary>
    public int Purge(DateTime before)
    {
        using var connection = database.Open();
        return connection.Execute("DELETE FROM style WHERE deleted_at < @before", new { before = before.ToText() });
    }
}
