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
    : KeptRows<SheetRecord>(database, clock, "sheet", Columns)
{
    private const string Columns =
        "id, heading, instruments, document, version, changed_at AS ChangedAt, deleted_at AS DeletedAt";

    /// <summary>The last changed first.</summary>
    public SheetPage List(SheetQuery query)
    {
        using var connection = Database.Open();
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
        using var connection = Database.Open();
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

    public SheetRecord Add(SheetRecord sheet)
    {
        using var connection = Database.Open();
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

    /// <summary>Sheets that can come back; the last deleted first.</summary>
    public IReadOnlyList<SheetRecord> Deleted() => PutAway();

    public SaveOutcome Save(SheetRecord sheet) =>
        Save(
            sheet.Id,
            "heading = @Heading, instruments = @Instruments, document = @Document, changed_at = @now",
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
}
