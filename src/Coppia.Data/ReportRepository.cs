using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data;

/// <summary>Minutes that a learner practised.</summary>
public sealed record PracticeRecord
{
    /// <summary>A name that no other report of the learner has, so that one sent twice counts once.</summary>
    public string Key { get; init; } = "";

    /// <summary>The learner's own day, such as 2026-09-14.</summary>
    public string Day { get; init; } = "";

    public DateTime At { get; init; }

    /// <summary>0 to 600.</summary>
    public int Minutes { get; init; }

    public long? TuneId { get; init; }

    /// <summary>Quarters a minute that were reached, 20 to 300; null where none is told.</summary>
    public int? Tempo { get; init; }

    /// <summary>A teacher's name; empty for the learner.</summary>
    public string MadeBy { get; init; } = "";
}

/// <summary>An answer to a card.</summary>
public sealed record CardAnswerRecord
{
    public string Key { get; init; } = "";

    public string Card { get; init; } = "";

    public string Day { get; init; } = "";

    public DateTime At { get; init; }

    public bool Right { get; init; }

    public double Seconds { get; init; }

    /// <summary>What happened; empty for a right answer.</summary>
    public string Mistake { get; init; } = "";
}

/// <summary>Where a learner's card lies.</summary>
public sealed record CardBoxRecord
{
    public string Card { get; init; } = "";

    /// <summary>1 to 5.</summary>
    public int Box { get; init; }

    public string Due { get; init; } = "";
}

/// <summary>A ready sentence that a learner sent to the teacher.</summary>
public sealed record LearnerNoteRecord
{
    public string Key { get; init; } = "";

    public string Day { get; init; } = "";

    public DateTime At { get; init; }

    /// <summary>Which one.</summary>
    public string Note { get; init; } = "";

    public long? TuneId { get; init; }
}

/// <summary>Owns what learners report from home: minutes, answers, the boxes that these lead to, and notes.</summary>
public sealed class ReportRepository(Database database)
{
    private const string PracticeColumns = "key, day, at, minutes, tune_id AS TuneId, tempo, made_by AS MadeBy";
    private const string AnswerColumns = "key, card, day, at, right, seconds, mistake";
    private const string NoteColumns = "key, day, at, note, tune_id AS TuneId";

    /// <summary>Keeps minutes; those of a report that is kept already change nothing.</summary>
    /// <returns>Whether it was new.</returns>
    public bool Keep(long learner, PracticeRecord practice) => Once((c, s) => Insert(c, s, learner, practice));

    /// <summary>Keeps a note, once.</summary>
    /// <returns>Whether it was new.</returns>
    public bool Keep(long learner, LearnerNoteRecord note) => Once((c, s) => Insert(c, s, learner, note));

    /// <summary>Keeps an answer and moves its card, in one step; an answer that is kept already moves nothing.</summary>
    /// <param name="move">Where the card goes, from where it lies.</param>
    /// <returns>Whether it was new.</returns>
    public bool Keep(long learner, CardAnswerRecord answer, Func<CardBoxRecord?, CardBoxRecord> move) =>
        Once(
            (connection, step) =>
            {
                if (!Insert(connection, step, learner, answer))
                    return false;
                var before = connection.QuerySingleOrDefault<CardBoxRecord>(
                    "SELECT card, box, due FROM card_box WHERE learner_id = @learner AND card = @Card",
                    new { learner, answer.Card },
                    step
                );
                Put(connection, step, learner, move(before));
                return true;
            }
        );

    private bool Once(Func<SqliteConnection, SqliteTransaction, bool> keep)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        if (!keep(connection, step))
            return false;
        step.Commit();
        return true;
    }

    internal static bool Insert(SqliteConnection connection, SqliteTransaction step, long learner, PracticeRecord practice) =>
        connection.Execute(
            """
            INSERT INTO practice (learner_id, key, day, at, minutes, tune_id, tempo, made_by)
            VALUES (@learner, @Key, @Day, @at, @Minutes, (SELECT id FROM tune WHERE id = @TuneId), @Tempo, @MadeBy)
            ON CONFLICT (learner_id, key) DO NOTHING
            """,
            new
            {
                learner,
                practice.Key,
                practice.Day,
                at = practice.At.ToText(),
                practice.Minutes,
                practice.TuneId,
                practice.Tempo,
                practice.MadeBy,
            },
            step
        ) == 1;

    internal static bool Insert(SqliteConnection connection, SqliteTransaction step, long learner, CardAnswerRecord answer) =>
        connection.Execute(
            """
            INSERT INTO card_answer (learner_id, key, card, day, at, right, seconds, mistake)
            VALUES (@learner, @Key, @Card, @Day, @at, @Right, @Seconds, @Mistake)
            ON CONFLICT (learner_id, key) DO NOTHING
            """,
            new
            {
                learner,
                answer.Key,
                answer.Card,
                answer.Day,
                at = answer.At.ToText(),
                answer.Right,
                answer.Seconds,
                answer.Mistake,
            },
            step
        ) == 1;

    internal static bool Insert(SqliteConnection connection, SqliteTransaction step, long learner, LearnerNoteRecord note) =>
        connection.Execute(
            """
            INSERT INTO learner_note (learner_id, key, day, at, note, tune_id)
            VALUES (@learner, @Key, @Day, @at, @Note, (SELECT id FROM tune WHERE id = @TuneId))
            ON CONFLICT (learner_id, key) DO NOTHING
            """,
            new
            {
                learner,
                note.Key,
                note.Day,
                at = note.At.ToText(),
                note.Note,
                note.TuneId,
            },
            step
        ) == 1;

    internal static void Put(SqliteConnection connection, SqliteTransaction step, long learner, CardBoxRecord box) =>
        connection.Execute(
            """
            INSERT INTO card_box (learner_id, card, box, due) VALUES (@learner, @Card, @Box, @Due)
            ON CONFLICT (learner_id, card) DO UPDATE SET box = @Box, due = @Due
            """,
            new
            {
                learner,
                box.Card,
                box.Box,
                box.Due,
            },
            step
        );

    /// <summary>Takes minutes back; false where there are none of this key.</summary>
    public bool Remove(long learner, string key)
    {
        using var connection = database.Open();
        return connection.Execute("DELETE FROM practice WHERE learner_id = @learner AND key = @key", new { learner, key }) == 1;
    }

    /// <summary>A learner's minutes from a day on, the first first.</summary>
    public IReadOnlyList<PracticeRecord> Practice(long learner, string since = "")
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<PracticeRecord>(
                $"SELECT {PracticeColumns} FROM practice WHERE learner_id = @learner AND day >= @since ORDER BY day, at, key",
                new { learner, since }
            ),
        ];
    }

    /// <summary>A learner's answers to cards from a day on, the first first.</summary>
    public IReadOnlyList<CardAnswerRecord> Answers(long learner, string since = "")
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<CardAnswerRecord>(
                $"SELECT {AnswerColumns} FROM card_answer WHERE learner_id = @learner AND day >= @since ORDER BY day, at, key",
                new { learner, since }
            ),
        ];
    }

    /// <summary>A learner's notes from a day on, the first first.</summary>
    public IReadOnlyList<LearnerNoteRecord> Notes(long learner, string since = "")
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<LearnerNoteRecord>(
                $"SELECT {NoteColumns} FROM learner_note WHERE learner_id = @learner AND day >= @since ORDER BY day, at, key",
                new { learner, since }
            ),
        ];
    }

    public IReadOnlyList<CardBoxRecord> Boxes(long learner)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<CardBoxRecord>(
                "SELECT card, box, due FROM card_box WHERE learner_id = @learner ORDER BY card",
                new { learner }
            ),
        ];
    }
}
