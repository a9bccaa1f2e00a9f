using Coppia.Data.Store;
using Dapper;

namespace Coppia.Data.Logbook;

/// <summary>A record of one of a class's learners.</summary>
public sealed record OfLearner<T>(long Learner, T Record);

/// <summary>
/// Reads what the learners of a class reported, all of them at once. It costs what the class wrote, not what the
/// library holds.
/// </summary>
public sealed class LogRepository(Database database)
{
    /// <summary>Minutes from a day on.</summary>
    public ILookup<long, PracticeRecord> Practice(long classId, DateOnly since) =>
        Read<PracticeRecord>("practice", "day, minutes, tune_id AS TuneId, tempo", "day >= @since", classId, since);

    /// <summary>Cards that were answered wrongly from a day on.</summary>
    public ILookup<long, CardAnswerRecord> Slips(long classId, DateOnly since) =>
        Read<CardAnswerRecord>(
            "card_answer",
            "day, card, right, mistake",
            "day >= @since AND right = 0",
            classId,
            since
        );

    /// <summary>Ready sentences from a day on, the first first.</summary>
    public ILookup<long, LearnerNoteRecord> Notes(long classId, DateOnly since) =>
        Read<LearnerNoteRecord>("learner_note", "day, at, note, tune_id AS TuneId", "day >= @since", classId, since);

    private ILookup<long, T> Read<T>(string table, string columns, string which, long classId, DateOnly since)
    {
        using var connection = database.Open();
        return connection
            .Query<long, T, OfLearner<T>>(
                $"""
                SELECT learner_id AS Learner, {columns} FROM learner CROSS JOIN {table} ON learner_id = learner.id
                WHERE class_id = @classId AND {which} ORDER BY day
                """,
                (learner, record) => new OfLearner<T>(learner, record),
                new { classId, since },
                splitOn: "day"
            )
            .ToLookup(r => r.Learner, r => r.Record);
    }
}
