using Dapper;

namespace Coppia.Data;

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
        return
        [
            .. connection.Query<PinRecord>(
                """
                SELECT note_id AS NoteId, pitch, string, finger FROM pin
                WHERE tune_id = @tuneId AND instrument = @instrument
                ORDER BY note_id
                """,
                new { tuneId, instrument }
            ),
        ];
    }

    public bool UsesPrinted(long tuneId, string instrument)
    {
        using var connection = database.Open();
        return connection.ExecuteScalar<int>(
                "SELECT count(*) FROM printed_fingers WHERE tune_id = @tuneId AND instrument = @instrument",
                new { tuneId, instrument }
            ) > 0;
    }

    /// <summary>Replaces all pins of a tune for one instrument, in one step.</summary>
    public void Replace(long tuneId, string instrument, IEnumerable<PinRecord> pins, bool usePrinted)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        connection.Execute("DELETE FROM pin WHERE tune_id = @tuneId AND instrument = @instrument", new { tuneId, instrument }, step);
        connection.Execute(
            "DELETE FROM printed_fingers WHERE tune_id = @tuneId AND instrument = @instrument",
            new { tuneId, instrument },
            step
        );
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
        if (usePrinted)
            connection.Execute(
                "INSERT INTO printed_fingers (tune_id, instrument) VALUES (@tuneId, @instrument)",
                new { tuneId, instrument },
                step
            );
        step.Commit();
    }
}
