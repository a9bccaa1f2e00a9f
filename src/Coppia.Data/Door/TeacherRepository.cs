using System.Security.Cryptography;
using Coppia.Data.Store;
using Dapper;
using Microsoft.AspNetCore.Identity;
using Microsoft.Data.Sqlite;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Data.Door;

/// <summary>Someone who may use this Coppia.</summary>
public sealed record TeacherRecord
{
    public long Id { get; init; }

    public string Name { get; init; } = "";

    /// <summary>The hash of the passphrase.</summary>
    public string Passphrase { get; init; } = "";

    /// <summary>Changes when all sign-ins of this teacher end.</summary>
    public string Stamp { get; init; } = "";
}

/// <summary>Owns the table of teachers. Passphrases go in and never come out.</summary>
public sealed class TeacherRepository(Database database, TimeProvider clock)
{
    public const int ShortestPassphrase = 12;
    private const int LongestPassphrase = 200;
    private const int LongestName = 60;
    private const int FewestLetters = 5;

    private const string Columns = "id, name, passphrase, stamp";

    private static readonly PasswordHasher<TeacherRecord> Hasher = new();

    /// <summary>A hash to compare with where there is no such teacher, so that both take the same time.</summary>
    private static readonly string Nobody = Hasher.HashPassword(new TeacherRecord(), Say("door.teacher.nobody-at-all"));

    /// <summary>Somebody has a sign-in, so that everybody needs one.</summary>
    public bool Any()
    {
        using var connection = database.Open();
        return connection.ExecuteScalar<bool>("SELECT EXISTS (SELECT 1 FROM teacher)");
    }

    /// <summary>By name.</summary>
    public IReadOnlyList<TeacherRecord> List()
    {
        using var connection = database.Open();
        return [.. connection.Query<TeacherRecord>($"SELECT {Columns} FROM teacher ORDER BY name")];
    }

    public TeacherRecord? Find(long id)
    {
        using var connection = database.Open();
        return connection.QuerySingleOrDefault<TeacherRecord>(
            $"SELECT {Columns} FROM teacher WHERE id = @id",
            new { id }
        );
    }

    public TeacherRecord? Named(string name)
    {
        using var connection = database.Open();
        return connection.QuerySingleOrDefault<TeacherRecord>(
            $"SELECT {Columns} FROM teacher WHERE name = @name",
            new { name }
        );
    }

    /// <summary>Null for a name and a passphrase that will do, else what would be right.</summary>
    public static string? Wrong(string name, string passphrase)
    {
        if (name.Trim().Length is 0 or > LongestName)
            return Say("door.teacher.expected-a-name-of-1-to-characters", ("longestName", LongestName));
        if (passphrase.Length is < ShortestPassphrase or > LongestPassphrase)
            return Say(
                "door.teacher.expected-a-passphrase-of-to",
                ("shortestPassphrase", ShortestPassphrase),
                ("longestPassphrase", LongestPassphrase)
            );
        return
            passphrase.Distinct().Count() < FewestLetters
            || passphrase.Contains(name.Trim(), StringComparison.OrdinalIgnoreCase)
            ? Say("door.teacher.this-passphrase-is-too-easily-guessed")
            : null;
    }

    /// <returns>The new teacher; null where the name is taken.</returns>
    public TeacherRecord? Add(string name, string passphrase)
    {
        using var connection = database.Open();
        var id = connection.ExecuteScalar<long?>(
            """
            INSERT INTO teacher (name, passphrase, stamp, created_at) VALUES (@name, @hash, @stamp, @now)
            ON CONFLICT (name) DO NOTHING RETURNING id
            """,
            new
            {
                name = name.Trim(),
                hash = Hasher.HashPassword(new TeacherRecord(), passphrase),
                stamp = NewStamp(),
                now = clock.GetUtcNow().UtcDateTime.ToText(),
            }
        );
        return id is { } added ? Find(added) : null;
    }

    /// <summary>The teacher whose name and passphrase these are; null for any others, and in the same time.</summary>
    public TeacherRecord? Check(string name, string passphrase)
    {
        var teacher = Named(name.Trim());
        var checkedAs = Hasher.VerifyHashedPassword(
            teacher ?? new TeacherRecord(),
            teacher?.Passphrase ?? Nobody,
            passphrase
        );
        if (teacher is null || checkedAs == PasswordVerificationResult.Failed)
            return null;
        if (checkedAs == PasswordVerificationResult.SuccessRehashNeeded)
            Set(teacher.Id, "passphrase", Hasher.HashPassword(teacher, passphrase));
        return teacher;
    }

    /// <summary>Sets another passphrase, and ends all sign-ins of this teacher.</summary>
    public bool Change(long id, string passphrase) =>
        Set(id, "passphrase", Hasher.HashPassword(new TeacherRecord(), passphrase)) && EndSignIns(id);

    /// <summary>Ends all sign-ins of this teacher, on whatever machine.</summary>
    public bool EndSignIns(long id) => Set(id, "stamp", NewStamp());

    public bool Remove(long id)
    {
        using var connection = database.Open();
        return connection.Execute("DELETE FROM teacher WHERE id = @id", new { id }) == 1;
    }

    /// <summary>
    /// Puts those who can sign in now into a library that is to take this one's place, instead of its own; where nobody
    /// can, its own stay.
    /// </summary>
    /// <param name="file">A file with today's tables that nobody else uses.</param>
    public void TakeInto(string file)
    {
        var now = List();
        if (now.Count == 0)
            return;
        using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        connection.Open();
        using var step = connection.BeginTransaction();
        connection.Execute("DELETE FROM teacher", transaction: step);
        foreach (var teacher in now)
        {
            connection.Execute(
                "INSERT INTO teacher (id, name, passphrase, stamp, created_at) VALUES (@Id, @Name, "
                    + "@Passphrase, @Stamp, @now)",
                new
                {
                    teacher.Id,
                    teacher.Name,
                    teacher.Passphrase,
                    teacher.Stamp,
                    now = clock.GetUtcNow().UtcDateTime.ToText(),
                },
                step
            );
        }

        step.Commit();
    }

    private bool Set(long id, string column, string value)
    {
        using var connection = database.Open();
        return connection.Execute($"UPDATE teacher SET {column} = @value WHERE id = @id", new { id, value }) == 1;
    }

    private static string NewStamp() => Convert.ToHexString(RandomNumberGenerator.GetBytes(16));
}
