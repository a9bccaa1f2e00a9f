using Dapper;

namespace Coppia.Data;

/// <summary>A kept change of the bowing, taken or refused: which note, what (slur, hook or lift), and the pitch it had.</summary>
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
        return
        [
            .. connection.Query<BowRecord>(
                "SELECT note_id AS NoteId, kind, pitch, refused FROM bow_change WHERE tune_id = @tuneId ORDER BY note_id, kind",
                new { tuneId }
            ),
        ];
    }

    /// <summary>Replaces all changes of a tune's bowing, in one step.</summary>
    public void Replace(long tuneId, IEnumerable<BowRecord> changes)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        connection.Execute("DELETE FROM bow_change WHERE tune_id = @tuneId", new { tuneId }, step);
        connection.Execute(
            "INSERT INTO bow_change (tune_id, note_id, kind, pitch, refused) VALUES (@tuneId, @NoteId, @Kind, @Pitch, @Refused)",
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
        step.Commit();
    }
}
