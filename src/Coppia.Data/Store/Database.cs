using Dapper;
using DbUp;
using DbUp.Engine;
using Microsoft.Data.Sqlite;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Data.Store;

/// <summary>
/// One SQLite file: write-ahead log, foreign keys on, migrations run when it is opened, after a backup of the file.
/// </summary>
public sealed class Database
{
    static Database() => SqlMapper.AddTypeHandler(new DayText());

    private readonly string _connectionString;
    private readonly long? _mostPages;

    /// <param name="file">Path of the database file; made if it is not there.</param>
    /// <param name="beforeChange">Keeps a copy of the file before a migration changes it; null where nothing is to be
    /// kept.</param>
    /// <param name="mostPages">Largest size, in SQLite's pages; null for what the disk holds.</param>
    /// <exception cref="InvalidDataException">The file is not a Coppia database, is damaged, is of a newer Coppia,
    /// cannot be written to, or a migration failed; nothing was changed by the failed step.</exception>
    public Database(string file, Action<string>? beforeChange = null, long? mostPages = null)
    {
        (File, _mostPages) = (file, mostPages);
        _connectionString = new SqliteConnectionStringBuilder
        {
            DataSource = file,
            ForeignKeys = true,
            DefaultTimeout = 10,
        }.ToString();
        try
        {
            using (var connection = Open())
            using (var command = connection.CreateCommand())
            {
                command.CommandText = "PRAGMA journal_mode = WAL;";
                command.ExecuteNonQuery();
            }

            LibraryFolder.CloseToOthers(file);
            Migrate(beforeChange);
        }
        catch (SqliteException e)
        {
            throw new InvalidDataException(MessageOf(file, e), e);
        }
    }

    public string File { get; }

    /// <summary>The version of the tables: the number of the last migration.</summary>
    public static int NewestVersion { get; } = Scripts().Max(VersionOf);

    public SqliteConnection Open()
    {
        var connection = new SqliteConnection(_connectionString);
        connection.Open();
        if (_mostPages is { } pages)
        {
            using var command = connection.CreateCommand();
            command.CommandText = $"PRAGMA max_page_count = {pages}";
            command.ExecuteNonQuery();
        }

        return connection;
    }

    /// <summary>
    /// Deletes so that nothing of it stays in the file or its write-ahead log: freed places are overwritten (SQLite,
    /// PRAGMA secure_delete), and the log is emptied.
    /// </summary>
    /// <returns>How many rows the deletion named.</returns>
    internal int Erase(string sql, object which)
    {
        using var connection = Open();
        connection.Execute("PRAGMA secure_delete = ON");
        var erased = connection.Execute(sql, which);
        // Where somebody reads at this moment it is emptied a little later.
        connection.Execute("PRAGMA wal_checkpoint(TRUNCATE)");
        return erased;
    }

    /// <summary>Lets go of the file; it is opened again when it is next asked for.</summary>
    public void Close()
    {
        using var connection = new SqliteConnection(_connectionString);
        SqliteConnection.ClearPool(connection);
    }

    /// <summary>
    /// Puts what another file holds in the place of everything here, in one step; who reads meanwhile sees the one or
    /// the other.
    /// </summary>
    /// <param name="file">A sound file with today's tables.</param>
    /// <exception cref="SqliteException">It cannot be done; everything is as it was.</exception>
    public void Replace(string file)
    {
        using var from = new SqliteConnection($"Data Source={file};Mode=ReadOnly;Pooling=False");
        from.Open();
        for (var tries = 0; ; tries++)
        {
            using var to = Open();
            try
            {
                from.BackupDatabase(to);
                return;
            }
            catch (SqliteException e) when (e.SqliteErrorCode is 5 or 6 && tries < MostTries)
            {
                // Someone writes at this moment.
                Thread.Sleep(20);
            }
        }
    }

    private const int MostTries = 250;

    /// <summary>The version of a file's tables; 0 where it has none.</summary>
    internal static int VersionIn(SqliteConnection connection)
    {
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT count(*) FROM sqlite_master WHERE type = 'table' AND name = 'SchemaVersions'";
        if ((long)command.ExecuteScalar()! == 0)
            return 0;
        command.CommandText = "SELECT ScriptName FROM SchemaVersions";
        using var names = command.ExecuteReader();
        var version = 0;
        while (names.Read())
            version = Math.Max(version, VersionOf(names.GetString(0)));
        return version;
    }

    /// <summary>What is wrong with a file that SQLite refuses, and what would be right.</summary>
    public static string MessageOf(string file, SqliteException e) =>
        e.SqliteErrorCode switch
        {
            26 => Say("store.database.cannot-be-opened-as-a-coppia-database", ("file", file)),
            11 => Say("store.database.is-damaged-bring-the-last-backup-back", ("file", file)),
            8 or 14 => Say(
                "store.database.cannot-be-written-to-expected-a-file",
                ("file", file),
                ("reason", Reason(e))
            ),
            13 => Say("store.database.the-disk-is-full-cannot-grow-make", ("file", file)),
            5 or 6 => Say("store.database.is-locked-by-another-program-close", ("file", file)),
            _ => Say("store.database.cannot-be-opened-as-a-coppia-database-2", ("file", file), ("reason", Reason(e))),
        };

    private static string Reason(SqliteException e) =>
        e.Message.Split('\'') is [_, var said, ..] ? said.TrimEnd('.') : e.Message.TrimEnd('.');

    private void Migrate(Action<string>? beforeChange)
    {
        var engine = DeployChanges
            .To.SqliteDatabase(_connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Database).Assembly)
            .WithTransactionPerScript()
            .LogToNowhere()
            .Build();
        int version;
        using (var connection = Open())
            version = VersionIn(connection);
        if (version > NewestVersion)
            throw new InvalidDataException(
                Say(
                    "store.database.was-made-by-a-newer-coppia-its",
                    ("file", File),
                    ("version", version),
                    ("newestVersion", NewestVersion)
                )
            );
        if (!engine.IsUpgradeRequired())
            return;
        if (version > 0)
            beforeChange?.Invoke(File);
        var result = engine.PerformUpgrade();
        if (result.Successful)
            return;
        var step = VersionOf(result.ErrorScript?.Name ?? "");
        throw new InvalidDataException(
            Say(
                "store.database.could-not-be-brought-from-version-to",
                ("file", File),
                ("version", version),
                ("newestVersion", NewestVersion),
                ("step", step),
                ("why", Why(result))
            ),
            result.Error
        );
    }

    private static string Why(DatabaseUpgradeResult result) =>
        result.Error is SqliteException e ? Reason(e) : result.Error.Message.TrimEnd('.');

    private static IEnumerable<string> Scripts() =>
        typeof(Database).Assembly.GetManifestResourceNames().Where(n => n.EndsWith(".sql", StringComparison.Ordinal));

    /// <summary>
    /// The number at the beginning of a migration's name: 8 of "Coppia.Data.Migrations.0008_sheets.sql".
    /// </summary>
    private static int VersionOf(string script) =>
        script
            .Split('.')
            .Select(part => part.Split('_')[0])
            .Where(part => part.Length == 4 && part.All(char.IsAsciiDigit))
            .Select(part => int.Parse(part, System.Globalization.CultureInfo.InvariantCulture))
            .FirstOrDefault();
}
