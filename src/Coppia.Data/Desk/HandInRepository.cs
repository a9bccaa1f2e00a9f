using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Desk;

/// <summary>Owns what learners compose: their pieces, how these were before, and what is said of them.</summary>
public sealed class HandInRepository(Database database, TimeProvider clock)
{
    private const string Columns = """
        id, learner_id AS LearnerId, work_id AS WorkId, task_id AS TaskId, level, title, task, piece, state, version,
        made_at AS MadeAt,
        changed_at AS ChangedAt, handed_in_at AS HandedInAt
        """;

    private const string RemarkColumns = "id, hand_in_id AS HandInId, bar, words, made_at AS MadeAt, made_by AS MadeBy";

    public HandInRecord? Find(long id)
    {
        using var connection = database.Open();
        return Find(connection, null, id);
    }

    private static HandInRecord? Find(SqliteConnection connection, SqliteTransaction? step, long id) =>
        connection.QuerySingleOrDefault<HandInRecord>(
            $"SELECT {Columns} FROM hand_in WHERE id = @id",
            new { id },
            step
        );

    /// <summary>A learner's pieces, the first begun first.</summary>
    public IReadOnlyList<HandInRecord> Of(long learner)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<HandInRecord>(
                $"SELECT {Columns} FROM hand_in WHERE learner_id = @learner ORDER BY id",
                new { learner }
            ),
        ];
    }

    /// <summary>All pieces of a class.</summary>
    public IReadOnlyList<HandInRecord> OfClass(long classId)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<HandInRecord>(
                $"SELECT {Columns} FROM hand_in WHERE learner_id IN (SELECT id FROM learner WHERE class_id = "
                    + "@classId) ORDER BY id",
                new { classId }
            ),
        ];
    }

    /// <summary>
    /// The piece that a learner writes for something set, on a level; begun where there is none. One whose work was
    /// taken away and set again goes on.
    /// </summary>
    private HandInRecord Open(SqliteConnection connection, SqliteTransaction step, HandInRecord begun)
    {
        var found = connection.QueryFirstOrDefault<HandInRecord>(
            $"""
            SELECT {Columns} FROM hand_in
            WHERE learner_id = @LearnerId AND level = @Level AND (work_id = @WorkId OR work_id IS NULL AND task_id =
                @TaskId)
            ORDER BY work_id IS NULL, id LIMIT 1
            """,
            begun,
            step
        );
        var id = found?.Id ?? Add(connection, step, begun with { MadeAt = Now(), ChangedAt = Now() });
        if (found is { WorkId: null })
            connection.Execute("UPDATE hand_in SET work_id = @WorkId WHERE id = @id", new { begun.WorkId, id }, step);
        return Find(connection, step, id)!;
    }

    internal static long Add(SqliteConnection connection, SqliteTransaction step, HandInRecord begun) =>
        connection.ExecuteScalar<long>(
            """
            INSERT INTO hand_in
                (learner_id, work_id, task_id, level, title, task, piece, state, version, made_at, changed_at,
                 handed_in_at)
            VALUES (@LearnerId, @WorkId, @TaskId, @Level, @Title, @Task, @Piece, @state, @Version, @madeAt, @changedAt,
                @handedInAt)
            RETURNING id
            """,
            new
            {
                begun.LearnerId,
                begun.WorkId,
                begun.TaskId,
                begun.Level,
                begun.Title,
                begun.Task,
                begun.Piece,
                state = Text(begun.State),
                begun.Version,
                madeAt = begun.MadeAt.ToText(),
                changedAt = begun.ChangedAt.ToText(),
                handedInAt = begun.HandedInAt?.ToText(),
            },
            step
        );

    /// <summary>
    /// Keeps a piece as a learner writes it; <see cref="HandIn.StaysAsVersion"/> says whether the one before stays too.
    /// </summary>
    /// <param name="begun">As it is begun where there is none yet.</param>
    /// <param name="from">The version that the writer started from; 0 for whatever is there.</param>
    /// <param name="anew">Much of it is taken away.</param>
    /// <returns>As it is kept; null where it is locked.</returns>
    public HandInRecord? Keep(HandInRecord begun, string piece, int from, bool anew)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var before = Open(connection, step, begun);
        var kept = before.State.IsLocked()
            ? null
            : Keep(connection, step, before, piece, from == 0 ? before.Version : from, anew);
        step.Commit();
        return kept;
    }

    private HandInRecord Keep(
        SqliteConnection connection,
        SqliteTransaction step,
        HandInRecord before,
        string piece,
        int from,
        bool anew
    )
    {
        if (before.Piece == piece)
            return before;
        if (HandIn.StaysAsVersion(Now() - before.ChangedAt, anew, changedElsewhere: from != before.Version))
            KeepVersion(connection, step, before);
        connection.Execute(
            "UPDATE hand_in SET piece = @piece, version = version + 1, changed_at = @now WHERE id = @Id",
            new
            {
                piece,
                before.Id,
                now = Now().ToText(),
            },
            step
        );
        return Find(connection, step, before.Id)!;
    }

    /// <summary>
    /// Keeps a piece that came on paper or as a file, hands it in, and says that what was set is done: all of it, or
    /// nothing.
    /// </summary>
    /// <param name="by">The teacher's name.</param>
    /// <returns>False where the learner's piece is locked.</returns>
    public bool Bring(HandInRecord begun, string piece, string by)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var before = Open(connection, step, begun);
        if (before.State.IsLocked())
            return false;
        var kept = Keep(connection, step, before, piece, before.Version, anew: true);
        Move(connection, step, kept, HandInState.HandedIn, by);
        step.Commit();
        return true;
    }

    private static void KeepVersion(SqliteConnection connection, SqliteTransaction step, HandInRecord before)
    {
        Insert(connection, step, before.Id, new PieceVersionRecord { Piece = before.Piece, MadeAt = before.ChangedAt });
        connection.Execute(
            $"""
            DELETE FROM hand_in_version WHERE hand_in_id = @Id
                AND id NOT IN (SELECT id FROM hand_in_version WHERE hand_in_id = @Id ORDER BY id DESC LIMIT
                    {HandIn.MostVersions})
            """,
            before,
            step
        );
    }

    internal static void Insert(
        SqliteConnection connection,
        SqliteTransaction step,
        long handIn,
        PieceVersionRecord version
    ) =>
        connection.Execute(
            "INSERT INTO hand_in_version (hand_in_id, piece, made_at) VALUES (@handIn, @Piece, @at)",
            new
            {
                handIn,
                version.Piece,
                at = version.MadeAt.ToText(),
            },
            step
        );

    /// <summary>
    /// Hands a piece in, gives it back or accepts it, and with that says whether what was set is done.
    /// </summary>
    /// <param name="by">The teacher's name; empty for the learner.</param>
    /// <param name="work">What it is for, where its own was taken away and set again.</param>
    /// <returns>False where its state does not allow it.</returns>
    public bool Move(long id, HandInState to, string by, long? work = null)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        if (Find(connection, step, id) is not { } before || !before.State.CanBecome(to))
            return false;
        Move(connection, step, before with { WorkId = before.WorkId ?? work }, to, by);
        step.Commit();
        return true;
    }

    /// <summary>What is handed in stays as a version too.</summary>
    private void Move(
        SqliteConnection connection,
        SqliteTransaction step,
        HandInRecord before,
        HandInState to,
        string by
    )
    {
        if (to == HandInState.HandedIn)
            KeepVersion(connection, step, before);
        connection.Execute(
            """
            UPDATE hand_in SET state = @state, handed_in_at = CASE WHEN @state = 'handedIn' THEN @now ELSE handed_in_at
                END WHERE id = @Id
            """,
            new
            {
                before.Id,
                state = Text(to),
                now = Now().ToText(),
            },
            step
        );
        if (before.WorkId is { } work && to.Does() is { } done)
            WorkRepository.SetDone(connection, step, work, before.LearnerId, done, by, Now());
    }

    /// <summary>How a piece was, the latest first.</summary>
    public IReadOnlyList<PieceVersionRecord> Versions(long id)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<PieceVersionRecord>(
                "SELECT id, piece, made_at AS MadeAt FROM hand_in_version WHERE hand_in_id = @id ORDER BY id DESC",
                new { id }
            ),
        ];
    }

    /// <summary>What is said of some pieces, the first said first.</summary>
    public ILookup<long, RemarkRecord> Remarks(IEnumerable<long> handIns)
    {
        using var connection = database.Open();
        return handIns
            .Chunk(500)
            .SelectMany(ids =>
                connection.Query<RemarkRecord>(
                    $"SELECT {RemarkColumns} FROM hand_in_remark WHERE hand_in_id IN @ids ORDER BY id",
                    new { ids }
                )
            )
            .ToLookup(r => r.HandInId);
    }

    public long Add(RemarkRecord remark)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var id = Insert(connection, step, remark with { MadeAt = Now() });
        step.Commit();
        return id;
    }

    internal static long Insert(SqliteConnection connection, SqliteTransaction step, RemarkRecord remark) =>
        connection.ExecuteScalar<long>(
            """
            INSERT INTO hand_in_remark (hand_in_id, bar, words, made_at, made_by) VALUES (@HandInId, @Bar, @Words, @at,
                @MadeBy)
            RETURNING id
            """,
            new
            {
                remark.HandInId,
                remark.Bar,
                remark.Words,
                at = remark.MadeAt.ToText(),
                remark.MadeBy,
            },
            step
        );

    public bool TakeBack(long handIn, long remark)
    {
        using var connection = database.Open();
        return connection.Execute(
                "DELETE FROM hand_in_remark WHERE id = @remark AND hand_in_id = @handIn",
                new { remark, handIn }
            ) == 1;
    }

    private DateTime Now() => clock.GetUtcNow().UtcDateTime;

    private static string Text(HandInState state) => char.ToLowerInvariant($"{state}"[0]) + $"{state}"[1..];
}
