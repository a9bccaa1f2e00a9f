using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Stand;

/// <summary>A kept pin: which note, the pitch it had, and the string and finger that the teacher chose.</summary>
public sealed record PinRecord
{
    public string NoteId { get; init; } = "";

    public string Pitch { get; init; } = "";

    public int String { get; init; }

    public int Finger { get; init; }
}

/// <summary>Owns the tables of pins.</summary>
public sealed class PinRepository(Database database)
{
    public IReadOnlyList<PinRecord> Of(long tuneId, string instrument)
    {
        using var connection = database.Open();
        return Query(connection, null, tuneId, instrument);
    }

    public bool UsesPrinted(long tuneId, string instrument)
    {
        using var connection = database.Open();
        return UsesPrinted(connection, null, tuneId, instrument);
    }

    /// <summary>The notes of a tune that a pin of any instrument is on.</summary>
    public IReadOnlyList<string> NotesWithPins(long tuneId)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<string>("SELECT DISTINCT note_id FROM pin WHERE tune_id = @tuneId", new { tuneId }),
        ];
    }

    /// <summary>
    /// Replaces all pins of a tune for one instrument, in one step, where they still are what was seen.
    /// </summary>
    /// <param name="seen">The pins, and whether the printed fingers counted, from which the new ones were made.</param>
    /// <returns>False where another has changed them since.</returns>
    public bool Replace(
        long tuneId,
        string instrument,
        (IReadOnlyCollection<PinRecord> Pins, bool UsesPrinted) seen,
        IEnumerable<PinRecord> pins,
        bool usePrinted
    )
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var now = Query(connection, step, tuneId, instrument);
        if (
            !now.ToHashSet().SetEquals(seen.Pins)
            || UsesPrinted(connection, step, tuneId, instrument) != seen.UsesPrinted
        )
            return false;
        connection.Execute(
            "DELETE FROM pin WHERE tune_id = @tuneId AND instrument = @instrument",
            new { tuneId, instrument },
            step
        );
        connection.Execute(
            "DELETE FROM printed_fingers WHERE tune_id = @tuneId AND instrument = @instrument",
            new { tuneId, instrument },
            step
        );
        Insert(connection, step, tuneId, instrument, pins);
        if (usePrinted)
            connection.Execute(
                "INSERT INTO printed_fingers (tune_id, instrument) VALUES (@tuneId, @instrument)",
                new { tuneId, instrument },
                step
            );
        step.Commit();
        return true;
    }

    internal static void Insert(
        SqliteConnection connection,
        SqliteTransaction step,
        long tuneId,
        string instrument,
        IEnumerable<PinRecord> pins
    ) =>
        connection.Execute(
            """
            INSERT INTO pin (tune_id, instrument, note_id, pitch, string, finger)
            VALUES (@tuneId, @instrument, @NoteId, @Pitch, @String, @Finger)
            """,
            pins.Select(p => new
            {
                tuneId,
                instrument,
                p.NoteId,
                p.Pitch,
                p.String,
                p.Finger,
            }),
            step
        );

    private static IReadOnlyList<PinRecord> Query(
        SqliteConnection connection,
        SqliteTransaction? step,
        long tuneId,
        string instrument
    ) =>
        [
            .. connection.Query<PinRecord>(
                """
                SELECT note_id AS NoteId, pitch, string, finger FROM pin
                WHERE tune_id = @tuneId AND instrument = @instrument
                ORDER BY note_id
                """,
                new { tuneId, instrument },
                step
            ),
        ];

    private static bool UsesPrinted(
        SqliteConnection connection,
        SqliteTransaction? step,
        long tuneId,
        string instrument
    ) =>
        connection.ExecuteScalar<int>(
            "SELECT count(*) FROM printed_fingers WHERE tune_id = @tuneId AND instrument = @instrument",
            new { tuneId, instrument },
            step
        ) > 0;
}
