using Coppia.Data.Classes;
using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Logbook;

/// <summary>Minutes that a learner practised.</summary>
public sealed record PracticeRecord
{
    /// <summary>A name that no other report of the learner has, so that one sent twice counts once.</summary>
    public string Key { get; init; } = "";

    /// <summary>The learner's own day, such as 2026-09-14.</summary>
    public DateOnly Day { get; init; }

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

    public DateOnly Day { get; init; }

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

    public DateOnly Due { get; init; }
}

/// <summary>A ready sentence that a learner sent to the teacher.</summary>
public sealed record LearnerNoteRecord
{
    public string Key { get; init; } = "";

    public DateOnly Day { get; init; }

    public DateTime At { get; init; }

    /// <summary>Which one.</summary>
    public string Note { get; init; } = "";

    public long? TuneId { get; init; }
}

/// <summary>An answer, and where its card goes from where it lies; null for one that was never asked.</summary>
public sealed record AnsweredCard(CardAnswerRecord Answer, Func<CardBoxRecord?, CardBoxRecord> Move);

/// <summary>All that one report brings.</summary>
public sealed record ReportRecords(
    IReadOnlyList<PracticeRecord> Practice,
    IReadOnlyList<AnsweredCard> Answers,
    IReadOnlyList<LearnerNoteRecord> Notes,
    IReadOnlyList<DoneSaid> Done
);

/// <summary>Owns what learners report from home: minutes, answers, the boxes that these lead to, and notes.</summary>
public sealed class ReportRepository(Database database, TimeProvider clock)
{
    private const string PracticeColumns = "key, day, at, minutes, tune_id AS TuneId, tempo, made_by AS MadeBy";
    private const string AnswerColumns = "key, card, day, at, right, seconds, mistake";
    private const string NoteColumns = "key, day, at, note, tune_id AS TuneId";

    /// <summary>Keeps minutes, once.</summary>
    /// <returns>Whether they were new.</returns>
    public bool Keep(long learner, PracticeRecord practice)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var isNew = Insert(connection, step, learner, practice);
        step.Commit();
        return isNew;
    }

    /// <summary>Keeps a whole report in one step. What is kept already counts once, and moves no card.</summary>
    /// <returns>How much of it was new.</returns>
    public int Keep(LearnerRecord who, ReportRecords report)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var now = clock.GetUtcNow().UtcDateTime;
        var added =
            report.Practice.Count(p => Insert(connection, step, who.Id, p))
            + report.Answers.Count(a => Answer(connection, step, who.Id, a))
            + report.Notes.Count(n => Insert(connection, step, who.Id, n))
            + report.Done.Count(d => WorkRepository.SetDone(connection, step, who, d, by: "", now));
        step.Commit();
        return added;
    }

    private static bool Answer(SqliteConnection connection, SqliteTransaction step, long learner, AnsweredCard answered)
    {
        if (!Insert(connection, step, learner, answered.Answer))
            return false;
        var before = connection.QuerySingleOrDefault<CardBoxRecord>(
            "SELECT card, box, due FROM card_box WHERE learner_id = @learner AND card = @Card",
            new { learner, answered.Answer.Card },
            step
        );
        Put(connection, step, learner, answered.Move(before));
        return true;
    }

    internal static bool Insert(
        SqliteConnection connection,
        SqliteTransaction step,
        long learner,
        PracticeRecord practice
    ) =>
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

    internal static bool Insert(
        SqliteConnection connection,
        SqliteTransaction step,
        long learner,
        CardAnswerRecord answer
    ) =>
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

    internal static bool Insert(
        SqliteConnection connection,
        SqliteTransaction step,
        long learner,
        LearnerNoteRecord note
    ) =>
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
        return connection.Execute(
                "DELETE FROM practice WHERE learner_id = @learner AND key = @key",
                new { learner, key }
            ) == 1;
    }

    /// <summary>A learner's minutes from a day on, the first first.</summary>
    public IReadOnlyList<PracticeRecord> Practice(long learner, DateOnly since = default) =>
        Since<PracticeRecord>("practice", PracticeColumns, learner, since);

    /// <summary>A learner's answers to cards from a day on, the first first.</summary>
    public IReadOnlyList<CardAnswerRecord> Answers(long learner, DateOnly since = default) =>
        Since<CardAnswerRecord>("card_answer", AnswerColumns, learner, since);

    /// <summary>A learner's notes from a day on, the first first.</summary>
    public IReadOnlyList<LearnerNoteRecord> Notes(long learner, DateOnly since = default) =>
        Since<LearnerNoteRecord>("learner_note", NoteColumns, learner, since);

    private T[] Since<T>(string table, string columns, long learner, DateOnly since)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<T>(
                $"SELECT {columns} FROM {table} WHERE learner_id = @learner AND day >= @since ORDER BY day, at, key",
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
