using Coppia.Data.Stand;
using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Tunes;

/// <summary>Owns the table of tunes.</summary>
public sealed class TuneRepository(Database database, TimeProvider clock)
    : KeptRows<TuneRecord>(database, clock, "tune", Columns)
{
    private const string ColumnsWithoutSource = """
        id, title, composer, printed_for AS PrintedFor, key_name AS KeyName, meter, clef, bars, version,
        created_at AS CreatedAt, changed_at AS ChangedAt, deleted_at AS DeletedAt
        """;

    private const string Columns = ColumnsWithoutSource + ", source, note_ids AS NoteIds, lines";

    internal const string Insert = """
        INSERT INTO tune (title, title_key, composer, composer_key, printed_for, source, note_ids, lines,
            key_name, meter, clef, bars, created_at, changed_at)
        VALUES (@Title, @key, @Composer, @composerKey, @PrintedFor, @Source, @NoteIds, @Lines, @KeyName, @Meter, @Clef,
            @Bars, @now, @now)
        RETURNING id
        """;

    /// <summary>Some of the kept tunes, without their sources.</summary>
    public TunePage List(TuneQuery query)
    {
        using var connection = Database.Open();
        if (Where(query) is not { } where)
            return new TunePage([], 0);
        var asked = Asked(query);
        return new TunePage(
            [
                .. connection.Query<TuneRecord>(
                    $"SELECT {ColumnsWithoutSource} FROM tune WHERE {where} ORDER BY {Orders[query.Order]} LIMIT "
                        + "@Count OFFSET @From",
                    asked
                ),
            ],
            connection.ExecuteScalar<int>($"SELECT count(*) FROM tune WHERE {where}", asked)
        );
    }

    /// <summary>All tunes that fit a query, however many, in its order: their numbers and versions.</summary>
    public IReadOnlyList<(long Id, int Version)> Fitting(TuneQuery query)
    {
        using var connection = Database.Open();
        return Where(query) is { } where
            ?
            [
                .. connection.Query<(long, int)>(
                    $"SELECT id, version FROM tune WHERE {where} ORDER BY {Orders[query.Order]}",
                    Asked(query)
                ),
            ]
            : [];
    }

    /// <summary>
    /// Tunes by their numbers, in that order, without their sources; those that are gone are left out.
    /// </summary>
    public IReadOnlyList<TuneRecord> Among(IReadOnlyList<long> ids)
    {
        using var connection = Database.Open();
        var found = connection
            .Query<TuneRecord>(
                $"SELECT {ColumnsWithoutSource} FROM tune WHERE id IN @ids AND deleted_at IS NULL",
                new { ids }
            )
            .ToDictionary(t => t.Id);
        return [.. ids.Where(found.ContainsKey).Select(id => found[id])];
    }

    /// <summary>The condition of a query; null where it can fit nothing.</summary>
    private static string? Where(TuneQuery query)
    {
        var words = SearchKey.Words(query.Words);
        // Nothing but signs: no word begins with them.
        if (words is "" && query.Words.Trim().Length > 0)
            return null;
        var where = "deleted_at IS NULL";
        if (words.Length > 0)
            where += " AND id IN (SELECT rowid FROM tune_search WHERE tune_search MATCH @words)";
        if (query.Instrument is not null)
            where += $" AND (printed_for = @Instrument OR id IN ({WithALineFor}))";
        if (query.Key is not null)
            where += " AND key_name = @Key";
        return where;
    }

    private static object Asked(TuneQuery query) =>
        new
        {
            words = SearchKey.Words(query.Words),
            query.Instrument,
            query.Key,
            query.From,
            query.Count,
        };

    private const string WithALineFor = """
        SELECT id FROM tune
        WHERE lines IS NOT NULL AND deleted_at IS NULL AND json_type(lines, '$.For.' || @Instrument) IS NOT NULL
        """;

    private static readonly Dictionary<TuneOrder, string> Orders = new()
    {
        [TuneOrder.Title] = "title_key, id",
        [TuneOrder.Added] = "created_at DESC, id DESC",
        [TuneOrder.Changed] = "changed_at DESC, id DESC",
        [TuneOrder.Shortest] = "bars, title_key, id",
        [TuneOrder.Key] = "key_name, title_key, id",
    };

    /// <summary>The keys that kept tunes are in, as they are kept, the commonest first.</summary>
    public IReadOnlyList<string> Keys()
    {
        using var connection = Database.Open();
        return
        [
            .. connection.Query<string>(
                "SELECT key_name FROM tune WHERE deleted_at IS NULL GROUP BY key_name ORDER BY count(*) DESC, key_name"
            ),
        ];
    }

    /// <summary>Titles that begin like this one, in any case.</summary>
    public IReadOnlyList<string> TitlesLike(string beginning)
    {
        using var connection = Database.Open();
        var first = SearchKey.Of(beginning);
        return
        [
            .. connection.Query<string>(
                "SELECT title FROM tune WHERE deleted_at IS NULL AND title_key >= @first AND title_key < @first "
                    + "|| char(1114111)",
                new { first }
            ),
        ];
    }

    /// <summary>All kept tunes with their sources, one after the other, in the order of their ids.</summary>
    public IEnumerable<TuneRecord> All()
    {
        using var connection = Database.Open();
        foreach (
            var tune in connection.Query<TuneRecord>(
                $"SELECT {Columns} FROM tune WHERE deleted_at IS NULL ORDER BY id",
                buffered: false
            )
        )
            yield return tune;
    }

    /// <summary>
    /// Tunes that were put away and can come back, without their sources; the last first, at most so many.
    /// </summary>
    public TunePage Deleted(int count = 100)
    {
        using var connection = Database.Open();
        return new TunePage(
            [
                .. connection.Query<TuneRecord>(
                    $"""
                    SELECT {ColumnsWithoutSource} FROM tune WHERE deleted_at IS NOT NULL
                    ORDER BY deleted_at DESC, id DESC LIMIT @count
                    """,
                    new { count }
                ),
            ],
            connection.ExecuteScalar<int>("SELECT count(*) FROM tune WHERE deleted_at IS NOT NULL")
        );
    }

    /// <summary>The ids that the notes of a tune had when its music was this.</summary>
    /// <param name="music">What tells one music from another.</param>
    /// <returns>False where it never was; the ids as they were kept then.</returns>
    public bool HadMusic(long id, string music, out string? noteIds)
    {
        using var connection = Database.Open();
        var found = connection.Query<string?>(
            "SELECT note_ids FROM earlier_ids WHERE tune_id = @id AND music = @music",
            new { id, music }
        );
        noteIds = found.FirstOrDefault();
        return found.Any();
    }

    public TuneRecord Add(TuneRecord tune) => Add(new TuneCopy(tune));

    /// <summary>Adds a tune with what is on it.</summary>
    public TuneRecord Add(TuneCopy tune) => Find(AddAll([tune])[0])!;

    /// <summary>Adds all of them with what is on them, or none.</summary>
    /// <returns>Their ids in the same order.</returns>
    public IReadOnlyList<long> AddAll(IReadOnlyList<TuneCopy> tunes)
    {
        using var connection = Database.Open();
        using var step = connection.BeginTransaction();
        var now = Now();
        long[] ids = [.. tunes.Select(t => Add(connection, step, t, now))];
        step.Commit();
        return ids;
    }

    /// <summary>How many kinds of music of one tune are remembered.</summary>
    private const int MostEarlier = 20;

    private void KeepIds(SqliteConnection connection, SqliteTransaction step, long id, string music)
    {
        connection.Execute(
            """
            INSERT OR REPLACE INTO earlier_ids (tune_id, music, note_ids, kept_at)
            SELECT id, @music, note_ids, @now FROM tune WHERE id = @id;
            DELETE FROM earlier_ids WHERE tune_id = @id AND music NOT IN (
                SELECT music FROM earlier_ids WHERE tune_id = @id ORDER BY kept_at DESC LIMIT @MostEarlier
            )
            """,
            new
            {
                id,
                music,
                MostEarlier,
                now = Now(),
            },
            step
        );
    }

    /// <summary>Puts a tune in with all that its teacher put on it.</summary>
    internal static long Add(SqliteConnection connection, SqliteTransaction step, TuneCopy copy, string now)
    {
        var id = connection.ExecuteScalar<long>(Insert, Parameters(copy.Tune, now), step);
        foreach (var pins in copy.Pins.GroupBy(p => p.Instrument, p => p.Pin))
            PinRepository.Insert(connection, step, id, pins.Key, pins);
        connection.Execute(
            "INSERT INTO printed_fingers (tune_id, instrument) VALUES (@id, @instrument)",
            copy.PrintedFingers.Select(instrument => new { id, instrument }),
            step
        );
        connection.Execute(
            "INSERT INTO octave_choice (tune_id, instrument, octaves) VALUES (@id, @Key, @Value)",
            copy.Octaves.Select(o => new
            {
                id,
                o.Key,
                o.Value,
            }),
            step
        );
        BowRepository.Insert(connection, step, id, copy.Bows);
        return id;
    }

    internal static DynamicParameters Parameters(TuneRecord tune, string now)
    {
        var parameters = new DynamicParameters(tune);
        parameters.Add("key", SearchKey.Of(tune.Title));
        parameters.Add("composerKey", SearchKey.Of(tune.Composer));
        parameters.Add("now", now);
        return parameters;
    }

    /// <summary>
    /// Saves over the version that the editor saw. Where the music is another, the ids of the notes that there were are
    /// remembered by it.
    /// </summary>
    /// <param name="earlierMusic">The music that it was; null where it stays the same.</param>
    public SaveOutcome Save(TuneRecord tune, string? earlierMusic = null)
    {
        var values = Parameters(tune, Now());
        return Save(
            tune.Id,
            """
            title = @Title, title_key = @key, composer = @Composer, composer_key = @composerKey,
            printed_for = @PrintedFor, source = @Source, note_ids = @NoteIds, lines = @Lines, key_name = @KeyName,
            meter = @Meter, clef = @Clef, bars = @Bars, changed_at = @now
            """,
            values,
            before: (connection, step) =>
            {
                if (earlierMusic is not null)
                    KeepIds(connection, step, tune.Id, earlierMusic);
            }
        );
    }

    /// <summary>Keeps which line is for whom; the tune itself stays as it is.</summary>
    /// <param name="version">The version that the chooser saw.</param>
    public SaveOutcome ChooseLines(long id, int version, string lines, string printedFor) =>
        Save(
            id,
            "lines = @lines, printed_for = @printedFor, changed_at = @now",
            new
            {
                Id = id,
                Version = version,
                lines,
                printedFor,
                now = Now(),
            }
        );
}
