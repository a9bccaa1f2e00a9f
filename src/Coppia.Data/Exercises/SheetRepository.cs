using Coppia.Data.Store;
using Dapper;

namespace Coppia.Data.Exercises;

/// <summary>A kept sheet of exercises.</summary>
public sealed record SheetRecord
{
    public long Id { get; init; }

    public string Heading { get; init; } = "";

    /// <summary>Ids of the instruments it is for, parted by commas.</summary>
    public string Instruments { get; init; } = "";

    /// <summary>The sheet as JSON.</summary>
    public string Document { get; init; } = "";

    public int Version { get; init; } = 1;

    public DateTime ChangedAt { get; init; }

    public DateTime? DeletedAt { get; init; }
}

/// <summary>Which sheets are asked for.</summary>
/// <param name="Words">A part of the heading, in any case and without accents; empty for all.</param>
/// <param name="Kinds">Or a part of one of these kinds of exercise, by id.</param>
/// <param name="From">How many are passed over.</param>
/// <param name="Count">At most so many.</param>
public sealed record SheetQuery(string Words, IReadOnlyList<string> Kinds, int From, int Count);

/// <summary>Some of the sheets that were asked for.</summary>
/// <param name="Total">How many there are in all.</param>
public sealed record SheetPage(IReadOnlyList<SheetRecord> Sheets, int Total);

/// <summary>Owns the table of sheets.</summary>
public sealed class SheetRepository(Database database, TimeProvider clock)
{
    private const string Columns =
        "id, heading, instruments, document, version, changed_at AS ChangedAt, deleted_at AS DeletedAt";

    /// <summary>The last changed first.</summary>
    public SheetPage List(SheetQuery query)
    {
        using var connection = database.Open();
        connection.CreateFunction<string, string>("plain", SearchKey.Of, isDeterministic: true);
        var asked = new
        {
            words = SearchKey.Of(query.Words),
            query.Kinds,
            query.From,
            query.Count,
        };
        return new SheetPage(
            [
                .. connection.Query<SheetRecord>(
                    $"SELECT {Columns} FROM sheet WHERE {Fits} ORDER BY changed_at DESC, "
                        + "id DESC LIMIT @Count OFFSET @From",
                    asked
                ),
            ],
            connection.ExecuteScalar<int>($"SELECT count(*) FROM sheet WHERE {Fits}", asked)
        );
    }

    public IReadOnlyList<string> Headings()
    {
        using var connection = database.Open();
        return [.. connection.Query<string>("SELECT heading FROM sheet WHERE deleted_at IS NULL")];
    }

    // A case decides what is looked into: JSON that is none, as an unreadable sheet may have it, would be an error.
    private const string Fits = """
        deleted_at IS NULL
        AND (instr(plain(heading), @words) > 0
          OR EXISTS (
            SELECT 1 FROM json_each(CASE WHEN json_valid(document) THEN document ELSE '{}' END, '$.parts')
            WHERE CASE type WHEN 'object' THEN json_extract(value, '$.request.kind') END IN @Kinds))
        """;

    /// <summary>Sheets that can come back; the last deleted first.</summary>
    public IReadOnlyList<SheetRecord> Deleted()
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<SheetRecord>(
                $"SELECT {Columns} FROM sheet WHERE deleted_at IS NOT NULL ORDER BY deleted_at DESC, id DESC"
            ),
        ];
    }

    public SheetRecord? Find(long id)
    {
        using var connection = database.Open();
        return connection.QuerySingleOrDefault<SheetRecord>(
            $"SELECT {Columns} FROM sheet WHERE id = @id AND deleted_at IS NULL",
            new { id }
        );
    }

    public SheetRecord Add(SheetRecord sheet)
    {
        using var connection = database.Open();
        return connection.QuerySingle<SheetRecord>(
            $"""
            INSERT INTO sheet (heading, instruments, document, created_at, changed_at)
            VALUES (@Heading, @Instruments, @Document, @now, @now)
            RETURNING {Columns}
            """,
            new
            {
                sheet.Heading,
                sheet.Instruments,
                sheet.Document,
                now = Now(),
            }
        );
    }

    /// <summary>
    /// Saves a change of the version that it was made in; another change since then is not overwritten.
    /// </summary>
    public SaveOutcome Save(SheetRecord sheet)
    {
        using var connection = database.Open();
        var saved = connection.Execute(
            """
            UPDATE sheet SET heading = @Heading, instruments = @Instruments, document = @Document, version = version +
                1, changed_at = @now
            WHERE id = @Id AND version = @Version AND deleted_at IS NULL
            """,
            new
            {
                sheet.Heading,
                sheet.Instruments,
                sheet.Document,
                sheet.Id,
                sheet.Version,
                now = Now(),
            }
        );
        return saved == 1 ? SaveOutcome.Saved
            : Find(sheet.Id) is null ? SaveOutcome.Gone
            : SaveOutcome.ChangedMeanwhile;
    }

    public bool Delete(long id) => Mark(id, "deleted_at = @now WHERE id = @id AND deleted_at IS NULL");

    public bool Restore(long id) => Mark(id, "deleted_at = NULL WHERE id = @id AND deleted_at IS NOT NULL");

    private bool Mark(long id, string change)
    {
        using var connection = database.Open();
        return connection.Execute($"UPDATE sheet SET {change}", new { id, now = Now() }) == 1;
    }

    /// <summary>Removes for good what was deleted before the given moment.</summary>
    public int Purge(DateTime before)
    {
        using var connection = database.Open();
        return connection.Execute("DELETE FROM sheet WHERE deleted_at < @before", new { before = before.ToText() });
    }

    private string Now() => clock.GetUtcNow().UtcDateTime.ToText();
}
