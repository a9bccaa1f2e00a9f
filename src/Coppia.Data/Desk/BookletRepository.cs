using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Desk;

/// <summary>The booklet of a class.</summary>
public sealed record BookletRecord
{
    public long ClassId { get; init; }

    /// <summary>1 to 80 characters.</summary>
    public string Title { get; init; } = "";

    /// <summary>One piece a page, or two.</summary>
    public int PerPage { get; init; } = 2;

    /// <summary>String and finger under the notes.</summary>
    public bool Pairs { get; init; } = true;

    /// <summary>First names, or none.</summary>
    public bool Names { get; init; } = true;

    /// <summary>Its pieces are on the learners' pages.</summary>
    public bool Shown { get; init; }
}

/// <summary>Owns the booklets, one a class, and which pieces stand in them.</summary>
public sealed class BookletRepository(Database database, TimeProvider clock)
{
    /// <summary>The booklet of a class; one that nobody made yet is null.</summary>
    public BookletRecord? Find(long classId)
    {
        using var connection = database.Open();
        return connection.QuerySingleOrDefault<BookletRecord>(
            "SELECT class_id AS ClassId, title, per_page AS PerPage, pairs, names, "
                + "shown FROM booklet WHERE class_id = @classId",
            new { classId }
        );
    }

    /// <summary>Its pieces in their order.</summary>
    public IReadOnlyList<long> Pieces(long classId)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<long>(
                "SELECT hand_in_id FROM booklet_piece WHERE class_id = @classId ORDER BY place",
                new { classId }
            ),
        ];
    }

    /// <summary>Keeps a booklet with its pieces; those that are not of its class are left out.</summary>
    public void Save(BookletRecord booklet, IReadOnlyList<long> pieces)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        Put(connection, step, booklet, pieces, clock.GetUtcNow().UtcDateTime.ToText());
        step.Commit();
    }

    internal static void Put(
        SqliteConnection connection,
        SqliteTransaction step,
        BookletRecord booklet,
        IReadOnlyList<long> pieces,
        string now
    )
    {
        connection.Execute(
            """
            INSERT INTO booklet (class_id, title, per_page, pairs, names, shown, changed_at)
            VALUES (@ClassId, @Title, @PerPage, @Pairs, @Names, @Shown, @now)
            ON CONFLICT (class_id) DO UPDATE SET title = @Title, per_page = @PerPage, pairs = @Pairs, names = @Names,
                shown = @Shown,
                changed_at = @now
            """,
            new
            {
                booklet.ClassId,
                booklet.Title,
                booklet.PerPage,
                booklet.Pairs,
                booklet.Names,
                booklet.Shown,
                now,
            },
            step
        );
        connection.Execute("DELETE FROM booklet_piece WHERE class_id = @ClassId", booklet, step);
        foreach (var (place, piece) in pieces.Distinct().Index())
            Put(connection, step, booklet.ClassId, piece, place);
    }

    /// <summary>A piece of another class is passed over.</summary>
    private static void Put(SqliteConnection connection, SqliteTransaction step, long classId, long piece, int place) =>
        connection.Execute(
            """
            INSERT INTO booklet_piece (class_id, hand_in_id, place)
            SELECT @classId, h.id, @place FROM hand_in h JOIN learner l ON l.id = h.learner_id
            WHERE h.id = @piece AND l.class_id = @classId
            """,
            new
            {
                classId,
                piece,
                place,
            },
            step
        );
}
