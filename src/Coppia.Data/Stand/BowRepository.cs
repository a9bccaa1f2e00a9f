using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Stand;

/// <summary>
/// A kept change of the bowing, taken or refused: which note, what (slur, hook or lift), and the pitch it had.
/// </summary>
public sealed record BowRecord
{
    public string NoteId { get; init; } = "";

    public string Kind { get; init; } = "";

    public string Pitch { get; init; } = "";

    /// <summary>Proposed, and not wanted.</summary>
    public bool Refused { get; init; }
}

/// <summary>Owns the table of bow changes.</summary>
public sealed class BowRepository(Database database)
{
    public IReadOnlyList<BowRecord> Of(long tuneId)
    {
        using var connection = database.Open();
        return Query(connection, null, tuneId);
    }

    /// <summary>Replaces all changes of a tune's bowing, in one step, where they still are what was seen.</summary>
    /// <returns>False where another has changed them since.</returns>
    public bool Replace(long tuneId, IReadOnlyCollection<BowRecord> seen, IEnumerable<BowRecord> changes)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        if (!Query(connection, step, tuneId).ToHashSet().SetEquals(seen))
            return false;
        connection.Execute("DELETE FROM bow_change WHERE tune_id = @tuneId", new { tuneId }, step);
        Insert(connection, step, tuneId, changes);
        step.Commit();
        return true;
    }

    internal static void Insert(
        SqliteConnection connection,
        SqliteTransaction step,
        long tuneId,
        IEnumerable<BowRecord> changes
    ) =>
        connection.Execute(
            "INSERT INTO bow_change (tune_id, note_id, kind, pitch, refused) VALUES (@tuneId, @NoteId, @Kind, "
                + "@Pitch, @Refused)",
            changes.Select(c => new
            {
                tuneId,
                c.NoteId,
                c.Kind,
                c.Pitch,
                c.Refused,
            }),
            step
        );

    private static IReadOnlyList<BowRecord> Query(SqliteConnection connection, SqliteTransaction? step, long tuneId) =>
        [
            .. connection.Query<BowRecord>(
                "SELECT note_id AS NoteId, kind, pitch, "
                    + "refused FROM bow_change WHERE tune_id = @tuneId ORDER BY note_id, kind",
                new { tuneId },
                step
            ),
        ];
}
