using Coppia.Data.Store;
using Coppia.Data.Tunes;
using Microsoft.Data.Sqlite;

namespace Coppia.Tests;

/// <summary>A library in a folder of its own, and what is in it as text.</summary>
public sealed class SomeLibrary : IDisposable
{
    public LibraryFolder Folder { get; } = new(Directory.CreateTempSubdirectory("coppia-test-").FullName);

    public SomeLibrary() => Folder.Prepare();

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(Folder.Path, recursive: true);
    }

    /// <summary>Opens it, and adds tunes that all have the same notes.</summary>
    public TuneRepository With(params string[] titles)
    {
        var tunes = new TuneRepository(new Database(Folder.Database), TimeProvider.System);
        tunes.AddAll([.. titles.Select(t => new TuneCopy(Tune(t)))]);
        return tunes;
    }

    public static TuneRecord Tune(string title) =>
        new()
        {
            Title = title,
            Composer = "traditional",
            PrintedFor = "violin",
            Source = $"X:1\nT:{title}\nK:D\nD E F|\n",
            KeyName = "D major",
            Meter = "4/4",
            Clef = "treble",
            Bars = 1,
        };

    /// <summary>Every row of every table of a database file; not which numbers were given away.</summary>
    public static string Dump(string file)
    {
        using var connection = Open(file);
        var rows = new List<string>();
        foreach (
            var table in Column(
                connection,
                "SELECT name FROM sqlite_master WHERE type = 'table' AND sql NOT LIKE 'CREATE VIRTUAL%' AND name <> "
                    + "'sqlite_sequence' ORDER BY name"
            )
        )
        {
            using var command = connection.CreateCommand();
            command.CommandText = $"SELECT * FROM \"{table}\"";
            using var reader = command.ExecuteReader();
            while (reader.Read())
            {
                var cells = new object[reader.FieldCount];
                reader.GetValues(cells);
                rows.Add(
                    $"{table}: {string.Join(" | ", cells.Select(c => c is byte[] b ? Convert.ToHexString(b) : c))}"
                );
            }
        }

        return string.Join('\n', rows);
    }

    public static string[] Titles(string file)
    {
        using var connection = Open(file);
        return [.. Column(connection, "SELECT title FROM tune ORDER BY title")];
    }

    /// <summary>
    /// A database with the tables of an older Coppia and one tune, made of the first migrations alone.
    /// </summary>
    public void MakeOld(int version)
    {
        using var connection = Open(Folder.Database);
        Run(
            connection,
            "CREATE TABLE SchemaVersions (SchemaVersionID INTEGER PRIMARY KEY AUTOINCREMENT, ScriptName TEXT NOT NULL, "
                + "Applied DATETIME NOT NULL)"
        );
        var assembly = typeof(Database).Assembly;
        foreach (
            var script in assembly
                .GetManifestResourceNames()
                .Where(n => n.EndsWith(".sql", StringComparison.Ordinal))
                .Order()
                .Take(version)
        )
        {
            using var text = new StreamReader(assembly.GetManifestResourceStream(script)!);
            Run(connection, text.ReadToEnd());
            Run(connection, $"INSERT INTO SchemaVersions (ScriptName, Applied) VALUES ('{script}', '2026-01-01')");
        }

        Run(
            connection,
            """
            INSERT INTO tune (title, title_key, composer, printed_for, source, key_name, meter, clef, bars, created_at,
                changed_at)
            VALUES ('Old Oak', 'old oak', 'Anon', 'violin', 'X:1
            K:D
            D|', 'D major', '4/4', 'treble', 1, '2026-01-01T00:00:00.000Z', '2026-01-01T00:00:00.000Z')
            """
        );
        SqliteConnection.ClearAllPools();
    }

    public static void Run(string file, string sql)
    {
        using (var connection = Open(file))
            Run(connection, sql);
        SqliteConnection.ClearAllPools();
    }

    private static SqliteConnection Open(string file)
    {
        var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        connection.Open();
        return connection;
    }

    private static void Run(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    private static List<string> Column(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        using var reader = command.ExecuteReader();
        var found = new List<string>();
        while (reader.Read())
            found.Add(reader.GetString(0));
        return found;
    }
}

/// <summary>A clock that stands where it is put.</summary>
public sealed class StandingClock(DateTimeOffset now) : TimeProvider
{
    public DateTimeOffset Now { get; set; } = now;

    public override TimeZoneInfo LocalTimeZone => TimeZoneInfo.Utc;

    public override DateTimeOffset GetUtcNow() => Now;
}

/// <summary>
/// A clock that goes on from a Monday in November, whatever day it is outside, and that a test turns.
/// </summary>
public sealed class TurnedClock : TimeProvider
{
    private readonly long _began = System.GetTimestamp();

    /// <summary>What it showed when it began to go.</summary>
    public DateTimeOffset From { get; set; } = new(2026, 11, 16, 9, 30, 0, TimeSpan.Zero);

    public TimeZoneInfo Zone { get; set; } = TimeZoneInfo.Utc;

    /// <summary>The day at the school.</summary>
    public DateOnly Today => DateOnly.FromDateTime(GetLocalNow().DateTime);

    public override TimeZoneInfo LocalTimeZone => Zone;

    public override DateTimeOffset GetUtcNow() => From + System.GetElapsedTime(_began);
}
