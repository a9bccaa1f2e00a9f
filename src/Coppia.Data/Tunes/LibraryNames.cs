using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Tunes;

/// <summary>Kept tunes and sheets by their names.</summary>
public sealed class LibraryNames(Database database)
{
    /// <summary>The tune of this very title, the one of this number first; null where there is none.</summary>
    public long? Tune(long id, string title) =>
        Find(
            "SELECT id FROM tune WHERE title_key = @key AND title = @name AND deleted_at IS NULL ORDER BY id = @id "
                + "DESC, id LIMIT 1",
            id,
            title
        );

    /// <summary>The sheet of this very heading, the one of this number first; null where there is none.</summary>
    public long? Sheet(long id, string heading) => Find(SheetOf, id, heading);

    private const string SheetOf =
        "SELECT id FROM sheet WHERE heading = @name AND deleted_at IS NULL ORDER BY id = @id DESC, id LIMIT 1";

    internal static long? Sheet(SqliteConnection connection, SqliteTransaction step, long id, string heading) =>
        connection.ExecuteScalar<long?>(SheetOf, new { id, name = heading }, step);

    private long? Find(string sql, long id, string name)
    {
        using var connection = database.Open();
        return connection.ExecuteScalar<long?>(
            sql,
            new
            {
                id,
                name,
                key = SearchKey.Of(name),
            }
        );
    }

    /// <summary>Titles of some tunes, those that were deleted among them.</summary>
    public IReadOnlyDictionary<long, string> Titles(IEnumerable<long> tunes)
    {
        using var connection = database.Open();
        return tunes
            .Distinct()
            .Chunk(500)
            .SelectMany(ids =>
                connection.Query<(long Id, string Title)>("SELECT id, title FROM tune WHERE id IN @ids", new { ids })
            )
            .ToDictionary(t => t.Id, t => t.Title);
    }
}
