using Dapper;

namespace Coppia.Data;

/// <summary>A kept house style.</summary>
public sealed record StyleRecord
{
    public long Id { get; init; }

    public string Name { get; init; } = "";

    public string Json { get; init; } = "";

    public bool Current { get; init; }
}

/// <summary>Owns the table of house styles. One style is current as soon as there is any.</summary>
public sealed class StyleRepository(Database database)
{
    public IReadOnlyList<StyleRecord> List()
    {
        using var connection = database.Open();
        return [.. connection.Query<StyleRecord>("SELECT id, name, json, current FROM style ORDER BY id")];
    }

    public StyleRecord? Current()
    {
        using var connection = database.Open();
        return connection.QuerySingleOrDefault<StyleRecord>("SELECT id, name, json, current FROM style WHERE current = 1");
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

    public bool Save(long id, string name, string json)
    {
        using var connection = database.Open();
        return connection.Execute(
                "UPDATE style SET name = @name, json = @json WHERE id = @id",
                new
                {
                    id,
                    name,
                    json,
                }
            ) == 1;
    }

    public bool MakeCurrent(long id)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        connection.Execute("UPDATE style SET current = 0 WHERE current = 1", transaction: step);
        if (connection.Execute("UPDATE style SET current = 1 WHERE id = @id", new { id }, step) != 1)
            return false;
        step.Commit();
        return true;
    }

    /// <summary>False for an unknown style and for the current one, which must stay.</summary>
    public bool Delete(long id)
    {
        using var connection = database.Open();
        return connection.Execute("DELETE FROM style WHERE id = @id AND current = 0", new { id }) == 1;
    }
}
