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
    : KeptRows<StyleRecord>(database, clock, "style", Columns, stays: "current = 1")
{
    private const string Columns = "id, name, json, current, version, deleted_at AS DeletedAt";

    public IReadOnlyList<StyleRecord> List()
    {
        using var connection = Database.Open();
        return [.. connection.Query<StyleRecord>($"SELECT {Columns} FROM style WHERE deleted_at IS NULL ORDER BY id")];
    }

    public StyleRecord? Current()
    {
        using var connection = Database.Open();
        return connection.QuerySingleOrDefault<StyleRecord>($"SELECT {Columns} FROM style WHERE current = 1");
    }

    public long Add(string name, string json)
    {
        using var connection = Database.Open();
        return connection.ExecuteScalar<long>(
            """
            INSERT INTO style (name, json, current)
            VALUES (@name, @json, NOT EXISTS (SELECT 1 FROM style WHERE current = 1))
            RETURNING id
            """,
            new { name, json }
        );
    }

    public bool MakeCurrent(long id)
    {
        using var connection = Database.Open();
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

    /// <summary>Styles that were put away and can come back; the last first.</summary>
    public IReadOnlyList<StyleRecord> Deleted() => PutAway();

    public SaveOutcome Save(long id, int version, string name, string json) =>
        Save(
            id,
            "name = @name, json = @json, changed_at = @now",
            new
            {
                Id = id,
                Version = version,
                name,
                json,
                now = Now(),
            }
        );
}
