using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Classes;

/// <summary>A learner: all that is kept of a child's person.</summary>
public sealed record LearnerRecord
{
    public long Id { get; init; }

    public long ClassId { get; init; }

    /// <summary>First name or nickname, 1 to 40 characters.</summary>
    public string Nickname { get; init; } = "";

    /// <summary>The instrument's id.</summary>
    public string Instrument { get; init; } = "";

    /// <summary>The size of the instrument, as its table names it.</summary>
    public string Size { get; init; } = "";

    /// <summary>Places of the tapes in semitones above the nut, parted by spaces; null as in the house style.</summary>
    public string? Tapes { get; init; }

    public int Version { get; init; } = 1;
}

/// <summary>Owns the table of learners.</summary>
public sealed class LearnerRepository(Database database, TimeProvider clock)
{
    private const string Columns = "id, class_id AS ClassId, nickname, instrument, size, tapes, version";

    /// <summary>The learners of a class, by nickname.</summary>
    public IReadOnlyList<LearnerRecord> Of(long classId)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<LearnerRecord>(
                $"SELECT {Columns} FROM learner WHERE class_id = @classId ORDER BY nickname COLLATE NOCASE, id",
                new { classId }
            ),
        ];
    }

    public LearnerRecord? Find(long id)
    {
        using var connection = database.Open();
        return connection.QuerySingleOrDefault<LearnerRecord>(
            $"SELECT {Columns} FROM learner WHERE id = @id",
            new { id }
        );
    }

    /// <summary>Keeps some learners, all or none.</summary>
    public void Add(IEnumerable<LearnerRecord> learners)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        foreach (var learner in learners)
            Add(connection, step, learner, clock.GetUtcNow().UtcDateTime.ToText());
        step.Commit();
    }

    /// <summary>Saves over the version that the editor saw.</summary>
    public SaveOutcome Save(LearnerRecord changed)
    {
        using var connection = database.Open();
        var saved = connection.Execute(
            """
            UPDATE learner SET nickname = @Nickname, instrument = @Instrument, size = @Size, tapes = @Tapes,
                version = version + 1
            WHERE id = @Id AND version = @Version
            """,
            changed
        );
        if (saved == 1)
            return SaveOutcome.Saved;
        return Find(changed.Id) is null ? SaveOutcome.Gone : SaveOutcome.ChangedMeanwhile;
    }

    /// <summary>Removes a learner with everything of theirs, for good.</summary>
    public bool Delete(long id) => database.Erase("DELETE FROM learner WHERE id = @id", new { id }) == 1;

    internal static long Add(SqliteConnection connection, SqliteTransaction step, LearnerRecord learner, string now) =>
        connection.ExecuteScalar<long>(
            """
            INSERT INTO learner (class_id, nickname, instrument, size, tapes, created_at)
            VALUES (@ClassId, @Nickname, @Instrument, @Size, @Tapes, @now)
            RETURNING id
            """,
            new
            {
                learner.ClassId,
                learner.Nickname,
                learner.Instrument,
                learner.Size,
                learner.Tapes,
                now,
            },
            step
        );
}
