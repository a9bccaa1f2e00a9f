using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Classes;

/// <summary>Which line of a tune's score a learner reads.</summary>
public sealed record LearnerLineRecord
{
    public long LearnerId { get; init; }

    public long TuneId { get; init; }

    /// <summary>The line's key in the score.</summary>
    public string Line { get; init; } = "";
}

/// <summary>Owns the lines that learners read; who has none reads that of their instrument.</summary>
public sealed class LearnerLineRepository(Database database)
{
    private const string Columns = "l.learner_id AS LearnerId, l.tune_id AS TuneId, l.line";

    /// <summary>All lines of one learner.</summary>
    public IReadOnlyList<LearnerLineRecord> Of(long learnerId)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<LearnerLineRecord>(
                $"SELECT {Columns} FROM learner_line l WHERE l.learner_id = @learnerId ORDER BY l.tune_id",
                new { learnerId }
            ),
        ];
    }

    /// <summary>The lines of a tune that learners of a class read, by learner.</summary>
    public IReadOnlyDictionary<long, string> Of(long classId, long tuneId)
    {
        using var connection = database.Open();
        return connection
            .Query<LearnerLineRecord>(
                $"""
                SELECT {Columns} FROM learner_line l JOIN learner ON learner.id = l.learner_id
                WHERE learner.class_id = @classId AND l.tune_id = @tuneId
                """,
                new { classId, tuneId }
            )
            .ToDictionary(l => l.LearnerId, l => l.Line);
    }

    /// <param name="line">The line's key; null for that of the instrument.</param>
    public void Set(long learnerId, long tuneId, string? line)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        connection.Execute(
            "DELETE FROM learner_line WHERE learner_id = @learnerId AND tune_id = @tuneId",
            new { learnerId, tuneId },
            step
        );
        if (line is not null)
            Insert(
                connection,
                step,
                new LearnerLineRecord
                {
                    LearnerId = learnerId,
                    TuneId = tuneId,
                    Line = line,
                }
            );
        step.Commit();
    }

    internal static void Insert(SqliteConnection connection, SqliteTransaction step, LearnerLineRecord line) =>
        connection.Execute(
            "INSERT INTO learner_line (learner_id, tune_id, line) VALUES (@LearnerId, @TuneId, @Line)",
            line,
            step
        );
}
