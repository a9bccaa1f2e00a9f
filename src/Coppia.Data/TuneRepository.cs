using Dapper;

namespace Coppia.Data;

/// <summary>What became of a save.</summary>
public enum SaveOutcome
{
    Saved,
    ChangedMeanwhile,
    Gone,
}

/// <summary>Owns the table of tunes.</summary>
public sealed class TuneRepository(Database database, TimeProvider clock)
{
    private const string ColumnsWithoutSource = """
        id, title, composer, printed_for AS PrintedFor, key_name AS KeyName, meter, clef, bars, version,
        created_at AS CreatedAt, changed_at AS ChangedAt, deleted_at AS DeletedAt
        """;

    private const string Columns = ColumnsWithoutSource + ", source, note_ids AS NoteIds, lines";

    private const string Insert = """
        INSERT INTO tune (title, title_key, composer, printed_for, source, note_ids, lines,
            key_name, meter, clef, bars, created_at, changed_at)
        VALUES (@Title, @key, @Composer, @PrintedFor, @Source, @NoteIds, @Lines, @KeyName, @Meter, @Clef, @Bars, @now, @now)
        RETURNING id
        """;

    /// <summary>Kept tunes by title, without their sources; those whose title holds the words, in any case.</summary>
    public IReadOnlyList<TuneRecord> List(string? search)
    {
        using var connection = database.Open();
        var pattern = "%" + SearchKey.Of(search ?? "").Replace("\\", "\\\\").Replace("%", "\\%").Replace("_", "\\_") + "%";
        return
        [
            .. connection.Query<TuneRecord>(
                $"""
                SELECT {ColumnsWithoutSource} FROM tune
                WHERE deleted_at IS NULL AND title_key LIKE @pattern ESCAPE '\'
                ORDER BY title_key, id
                """,
                new { pattern }
            ),
        ];
    }

    /// <summary>Tunes that were put away and can come back, without their sources; the last first.</summary>
    public IReadOnlyList<TuneRecord> Deleted()
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<TuneRecord>(
                $"SELECT {ColumnsWithoutSource} FROM tune WHERE deleted_at IS NOT NULL ORDER BY deleted_at DESC, id DESC"
            ),
        ];
    }

    public TuneRecord? Find(long id)
    {
        using var connection = database.Open();
        return connection.QuerySingleOrDefault<TuneRecord>($"SELECT {Columns} FROM tune WHERE id = @id AND deleted_at IS NULL", new { id });
    }

    public TuneRecord Add(TuneRecord tune)
    {
        using var connection = database.Open();
        var id = connection.ExecuteScalar<long>(Insert, Parameters(tune));
        return Find(id)!;
    }

    /// <summary>Adds all of them, or none.</summary>
    /// <returns>Their ids in the same order.</returns>
    public IReadOnlyList<long> AddAll(IReadOnlyList<TuneRecord> tunes)
    {
        using var connection = database.Open();
        using var transaction = connection.BeginTransaction();
        long[] ids = [.. tunes.Select(t => connection.ExecuteScalar<long>(Insert, Parameters(t), transaction))];
        transaction.Commit();
        return ids;
    }

    /// <summary>Saves over the version that the editor saw; a later version is never overwritten unseen.</summary>
    public SaveOutcome Save(TuneRecord tune)
    {
        using var connection = database.Open();
        var changed = connection.Execute(
            """
            UPDATE tune SET title = @Title, title_key = @key, composer = @Composer, printed_for = @PrintedFor,
                source = @Source, note_ids = @NoteIds, lines = @Lines,
                key_name = @KeyName, meter = @Meter, clef = @Clef, bars = @Bars, version = version + 1, changed_at = @now
            WHERE id = @Id AND version = @Version AND deleted_at IS NULL
            """,
            Parameters(tune)
        );
        if (changed == 1)
            return SaveOutcome.Saved;
        return Find(tune.Id) is null ? SaveOutcome.Gone : SaveOutcome.ChangedMeanwhile;
    }

    /// <summary>Puts several tunes away, all at once.</summary>
    /// <returns>How many were there.</returns>
    public int DeleteAll(IReadOnlyList<long> ids)
    {
        using var connection = database.Open();
        using var transaction = connection.BeginTransaction();
        var count = ids.Sum(id =>
            connection.Execute(
                "UPDATE tune SET deleted_at = @when WHERE id = @id AND deleted_at IS NULL",
                new { id, when = Now() },
                transaction
            )
        );
        transaction.Commit();
        return count;
    }

    /// <summary>Keeps which line is for whom; the tune itself stays as it is.</summary>
    public bool ChooseLines(long id, string lines, string printedFor)
    {
        using var connection = database.Open();
        return connection.Execute(
                """
                UPDATE tune SET lines = @lines, printed_for = @printedFor, version = version + 1, changed_at = @now
                WHERE id = @id AND deleted_at IS NULL
                """,
                new
                {
                    id,
                    lines,
                    printedFor,
                    now = Now(),
                }
            ) == 1;
    }

    /// <summary>Puts a tune away; <see cref="Restore"/> brings it back.</summary>
    public bool Delete(long id) => SetDeleted(id, Now(), "deleted_at IS NULL");

    public bool Restore(long id) => SetDeleted(id, null, "deleted_at IS NOT NULL");

    /// <summary>Removes for good what was deleted before the given moment.</summary>
    public int Purge(DateTime before)
    {
        using var connection = database.Open();
        return connection.Execute("DELETE FROM tune WHERE deleted_at < @before", new { before = before.ToText() });
    }

    private bool SetDeleted(long id, string? when, string condition)
    {
        using var connection = database.Open();
        return connection.Execute($"UPDATE tune SET deleted_at = @when WHERE id = @id AND {condition}", new { id, when }) == 1;
    }

    private DynamicParameters Parameters(TuneRecord tune)
    {
        var parameters = new DynamicParameters(tune);
        parameters.Add("key", SearchKey.Of(tune.Title));
        parameters.Add("now", Now());
        return parameters;
    }

    private string Now() => clock.GetUtcNow().UtcDateTime.ToText();
}
