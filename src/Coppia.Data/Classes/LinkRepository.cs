using System.Security.Cryptography;
using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Classes;

/// <summary>A learner's link.</summary>
public sealed record LinkRecord
{
    public long LearnerId { get; init; }

    /// <summary>What cannot be guessed of it.</summary>
    public string Token { get; init; } = "";
}

/// <summary>Owns the table of learners' links. A learner has one link or none; a renewed one ends the former.</summary>
public sealed class LinkRepository(Database database, TimeProvider clock)
{
    /// <summary>So many random bytes are 128 bits (OWASP ASVS 4.0.3, 3.2.2 asks for 64).</summary>
    private const int TokenBytes = 16;

    /// <summary>The links of a class.</summary>
    public IReadOnlyList<LinkRecord> Of(long classId)
    {
        using var connection = database.Open();
        return
        [
            .. connection.Query<LinkRecord>(
                """
                SELECT learner_id AS LearnerId, token FROM learner_link
                JOIN learner ON learner.id = learner_id WHERE class_id = @classId
                """,
                new { classId }
            ),
        ];
    }

    /// <summary>Whose link it is; null for one that is unknown or has ended.</summary>
    public long? LearnerOf(string token)
    {
        using var connection = database.Open();
        return connection.ExecuteScalar<long?>(
            "SELECT learner_id FROM learner_link WHERE token = @token",
            new { token }
        );
    }

    /// <summary>Gives some learners a link, those who have one a new one.</summary>
    public void Renew(IEnumerable<long> learners)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        foreach (var learner in learners)
            Insert(connection, step, learner, NewToken(), clock.GetUtcNow().UtcDateTime.ToText());
        step.Commit();
    }

    internal static bool IsTaken(SqliteConnection connection, SqliteTransaction step, string token) =>
        connection.ExecuteScalar<int?>("SELECT 1 FROM learner_link WHERE token = @token", new { token }, step)
            is not null;

    internal static void Insert(
        SqliteConnection connection,
        SqliteTransaction step,
        long learner,
        string token,
        string now
    ) =>
        connection.Execute(
            """
            INSERT INTO learner_link (learner_id, token, made_at) VALUES (@learner, @token, @now)
            ON CONFLICT (learner_id) DO UPDATE SET token = @token, made_at = @now
            """,
            new
            {
                learner,
                token,
                now,
            },
            step
        );

    public bool End(long learner)
    {
        using var connection = database.Open();
        return connection.Execute("DELETE FROM learner_link WHERE learner_id = @learner", new { learner }) == 1;
    }

    /// <summary>In small letters and figures, without those that are taken for others.</summary>
    private static string NewToken() =>
        string.Concat(
            RandomNumberGenerator.GetBytes(TokenBytes).SelectMany(b => new[] { Signs[b >> 4], Signs[b & 15] })
        );

    private const string Signs = "acdefhkmnprtwxyz";
}
