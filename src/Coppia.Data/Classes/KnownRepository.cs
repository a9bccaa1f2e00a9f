using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Classes;

/// <summary>Why a class came to know something.</summary>
public enum KnownCause
{
    /// <summary>It started from a stage of the usual order.</summary>
    Stage,

    /// <summary>The teacher said so.</summary>
    Hand,

    /// <summary>It learned a tune.</summary>
    Tune,
}

/// <summary>One change of what a class knows.</summary>
public sealed record KnownChangeRecord
{
    public long Id { get; init; }

    public long ClassId { get; init; }

    public KnownCause Cause { get; init; }

    /// <summary>The stage's id, or the tune's title as it was then; empty for what was said by hand.</summary>
    public string About { get; init; } = "";

    public long? TuneId { get; init; }

    /// <summary>What became known, a line each; a line may name what was known already.</summary>
    public string Added { get; init; } = "";

    /// <summary>What is known no more, a line each.</summary>
    public string Removed { get; init; } = "";

    public DateTime MadeAt { get; init; }

    /// <summary>By whom; empty where nobody signs in.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>When it was taken back; null while it counts.</summary>
    public DateTime? TakenBackAt { get; init; }
}

/// <summary>Owns the table of what classes know.</summary>
public sealed class KnownRepository(Database database, TimeProvider clock)
{
    private const string Columns = """
        id, class_id AS ClassId, cause, about, tune_id AS TuneId, added, removed, made_at AS MadeAt, made_by AS MadeBy,
        taken_back_at AS TakenBackAt
        """;

    /// <summary>Every change, the first first; those that were taken back among them.</summary>
    public IReadOnlyList<KnownChangeRecord> Of(long classId)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<KnownChangeRecord>(
                $"SELECT {Columns} FROM known_change WHERE class_id = @classId ORDER BY id",
                new { classId }
            ),
        ];
    }

    /// <summary>
    /// What the class knows now, a line each: its changes one after the other, without those that were taken back.
    /// </summary>
    public IReadOnlySet<string> Now(long classId) => Fold(Of(classId).Where(c => c.TakenBackAt is null));

    /// <summary>What is known after some changes.</summary>
    public static IReadOnlySet<string> Fold(IEnumerable<KnownChangeRecord> changes)
    {
        var known = new HashSet<string>(StringComparer.Ordinal);
        foreach (var change in changes)
        {
            known.UnionWith(Lines(change.Added));
            known.ExceptWith(Lines(change.Removed));
        }

        return known;
    }

    public static string[] Lines(string text) => text.Split('\n', StringSplitOptions.RemoveEmptyEntries);

    /// <summary>Keeps a change; its moment is now.</summary>
    public long Add(KnownChangeRecord change)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var id = Add(connection, step, change with { MadeAt = clock.GetUtcNow().UtcDateTime });
        Grow(connection, step, change.ClassId);
        step.Commit();
        return id;
    }

    /// <summary>
    /// Takes a change back, or lets it count again; false where there is none of the class, or it is so already.
    /// </summary>
    public bool TakeBack(long classId, long id, bool back)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var changed = connection.Execute(
            """
            UPDATE known_change SET taken_back_at = @at
            WHERE id = @id AND class_id = @classId AND (taken_back_at IS NULL) = @back
            """,
            new
            {
                id,
                classId,
                back,
                at = back ? clock.GetUtcNow().UtcDateTime.ToText() : null,
            },
            step
        );
        if (changed != 1)
            return false;
        Grow(connection, step, classId);
        step.Commit();
        return true;
    }

    internal static long Add(SqliteConnection connection, SqliteTransaction step, KnownChangeRecord change) =>
        connection.ExecuteScalar<long>(
            """
            INSERT INTO known_change (class_id, cause, about, tune_id, added, removed, made_at, made_by, taken_back_at)
            VALUES (@ClassId, @cause, @About, @tuneId, @Added, @Removed, @madeAt, @MadeBy, @takenBackAt)
            RETURNING id
            """,
            new
            {
                change.ClassId,
                cause = change.Cause.ToString().ToLowerInvariant(),
                change.About,
                // A tune that is gone meanwhile leaves its title.
                tuneId = connection.ExecuteScalar<long?>(
                    "SELECT id FROM tune WHERE id = @TuneId",
                    new { change.TuneId },
                    step
                ),
                change.Added,
                change.Removed,
                madeAt = change.MadeAt.ToText(),
                change.MadeBy,
                takenBackAt = change.TakenBackAt?.ToText(),
            },
            step
        );

    private static void Grow(SqliteConnection connection, SqliteTransaction step, long classId) =>
        connection.Execute(
            "UPDATE school_class SET known_version = known_version + 1 WHERE id = @classId",
            new { classId },
            step
        );
}
