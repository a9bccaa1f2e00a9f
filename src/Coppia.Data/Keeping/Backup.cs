using System.Globalization;
using Coppia.Data.Store;
using Microsoft.Data.Sqlite;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Data.Keeping;

/// <summary>
/// Copies of a library as one file each, consistent while it is in use (SQLite Online Backup API). Copying the database
/// file itself would leave behind what its write-ahead log holds.
/// </summary>
public sealed class Backup(LibraryFolder folder, TimeProvider clock)
{
    /// <summary>How many daily backups stay.</summary>
    public const int DaysKept = 7;

    /// <summary>How many of those before a migration or a restore stay.</summary>
    private const int OthersKept = 5;

    private const string Daily = "coppia-day-";
    private const string BeforeUpdate = "coppia-before-update-";
    private const string BeforeRestore = "coppia-before-restore-";

    /// <summary>A name for a backup of now: "coppia-2026-11-26-0815.db".</summary>
    public string NewName() => $"coppia-{Now("yyyy-MM-dd-HHmm")}.db";

    /// <summary>Why a kept backup was made: day, update, restore, or damaged for what could not be opened.</summary>
    public static string WhyOf(string name) =>
        name.StartsWith(Daily, StringComparison.Ordinal) ? "day"
        : name.StartsWith(BeforeUpdate, StringComparison.Ordinal) ? "update"
        : name.StartsWith(BeforeRestore, StringComparison.Ordinal) ? "restore"
        : "damaged";

    /// <summary>The kept backups, the last made first.</summary>
    public IReadOnlyList<FileInfo> Kept() =>
        !Directory.Exists(folder.Backups)
            ? []
            :
            [
                .. new DirectoryInfo(folder.Backups)
                    .EnumerateFiles("coppia-*.db")
                    .OrderByDescending(f => f.LastWriteTimeUtc),
            ];

    /// <summary>There is no backup of today yet.</summary>
    public bool IsDue => !File.Exists(Today);

    private string Today => Path.Combine(folder.Backups, $"{Daily}{Now("yyyy-MM-dd")}.db");

    /// <summary>
    /// Makes today's backup where there is none yet, and lets go of those that are older than the last seven.
    /// </summary>
    /// <returns>Whether one was made.</returns>
    /// <exception cref="InvalidDataException">It cannot be made; the message says why.</exception>
    public bool MakeDaily()
    {
        if (!IsDue)
            return false;
        Write(folder.Database, Today);
        LetGo(Daily, DaysKept);
        return true;
    }

    /// <summary>Keeps the library as it is before a migration.</summary>
    public string KeepBeforeUpdate(string database) => Keep(database, BeforeUpdate);

    /// <summary>Keeps the library as it is before another takes its place, which counts on from its numbers.</summary>
    /// <param name="coming">The library that takes its place.</param>
    /// <returns>The file.</returns>
    public string KeepBeforeRestore(string coming)
    {
        var kept = Keep(folder.Database, BeforeRestore);
        UsedNumbers.Carry(kept, coming);
        return kept;
    }

    /// <summary>
    /// Puts a backup in the library's place; nobody may be using it. The library that was there is kept among the
    /// backups, also where it is too damaged to be opened.
    /// </summary>
    /// <returns>Where the former library is kept; null where there was none.</returns>
    /// <exception cref="InvalidDataException">The backup is none, or damaged, or of a newer Coppia; nothing was
    /// changed.</exception>
    public string? Restore(string file)
    {
        folder.Prepare();
        using var alone = folder.UseAlone();
        var fresh = Checked(file, Path.Combine(folder.Path, "coppia-restoring.db"));
        string? former = null;
        if (File.Exists(folder.Database))
        {
            try
            {
                former = KeepBeforeRestore(fresh);
            }
            catch (InvalidDataException)
            {
                former = KeepAsItIs();
            }
        }

        SqliteConnection.ClearAllPools();
        foreach (var part in new[] { "-wal", "-shm" })
            File.Delete(folder.Database + part);
        File.Move(fresh, folder.Database, overwrite: true);
        return former;
    }

    /// <summary>A copy of a backup that is sound and has today's tables.</summary>
    /// <param name="file">The backup; it is only read.</param>
    /// <param name="copy">Where the copy goes.</param>
    /// <returns>The copy.</returns>
    /// <exception cref="InvalidDataException">It is no backup, or damaged, or of a newer Coppia.</exception>
    public static string Checked(string file, string copy)
    {
        if (!File.Exists(file))
            throw new InvalidDataException(Say("keeping.backup.is-not-there-expected-a-backup-that", ("file", file)));
        try
        {
            using (var connection = Reading(file))
                Look(file, connection);
            Write(file, copy);
            new Database(copy).Close();
            // One file again: what the migrations wrote is in it.
            using (var connection = new SqliteConnection($"Data Source={copy};Pooling=False"))
            {
                connection.Open();
                Run(connection, "PRAGMA journal_mode = DELETE");
            }

            return copy;
        }
        catch (SqliteException e)
        {
            Remove(copy);
            throw new InvalidDataException(Refused(file, e), e);
        }
        catch (InvalidDataException)
        {
            Remove(copy);
            throw;
        }
    }

    /// <summary>
    /// Writes a consistent copy of a database that may be in use; the copy is there as a whole or not at all.
    /// </summary>
    /// <exception cref="InvalidDataException">It cannot be read or written; the message says why.</exception>
    public static void Write(string database, string file)
    {
        var unfinished = file + ".unfinished";
        try
        {
            Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(file))!);
            File.Delete(unfinished);
            using (File.Create(unfinished)) { }
            LibraryFolder.CloseToOthers(unfinished);
            Copy(database, unfinished);
            File.Move(unfinished, file, overwrite: true);
        }
        catch (SqliteException e)
        {
            Remove(unfinished);
            throw new InvalidDataException(Refused(database, e), e);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            Remove(unfinished);
            throw new InvalidDataException(
                Say("keeping.backup.cannot-be-written", ("file", file), ("trimEnd", e.Message.TrimEnd('.'))),
                e
            );
        }
        catch (InvalidDataException)
        {
            Remove(unfinished);
            throw;
        }
    }

    private static void Copy(string database, string file)
    {
        using var from = Reading(database);
        using var to = new SqliteConnection($"Data Source={file};Pooling=False");
        to.Open();
        from.BackupDatabase(to);
        Run(to, "PRAGMA journal_mode = DELETE");
        if (Run(to, "PRAGMA quick_check(1)") is not "ok")
            throw new InvalidDataException(
                Say("keeping.backup.is-damaged-the-backup-was-not-made", ("database", database))
            );
    }

    private string Keep(string database, string name)
    {
        var file = Path.Combine(folder.Backups, $"{name}{Now("yyyy-MM-dd-HHmmss-fff")}.db");
        Write(database, file);
        LetGo(name, OthersKept);
        return file;
    }

    /// <summary>The files of a library that cannot be opened any more.</summary>
    private string KeepAsItIs()
    {
        var file = Path.Combine(folder.Backups, $"coppia-damaged-{Now("yyyy-MM-dd-HHmmss-fff")}.db");
        foreach (var part in new[] { "-wal", "-shm", "" })
        {
            if (File.Exists(folder.Database + part))
                File.Copy(folder.Database + part, file + part);
        }

        return file;
    }

    private void LetGo(string name, int kept)
    {
        foreach (
            var old in Kept()
                .Where(f => f.Name.StartsWith(name, StringComparison.Ordinal))
                .OrderByDescending(f => f.Name)
                .Skip(kept)
        )
            old.Delete();
    }

    private static void Look(string file, SqliteConnection connection)
    {
        var version = Database.VersionIn(connection);
        if (version == 0 || Run(connection, TableOfTunes) is null || Run(connection, Strange) is not null)
            throw new InvalidDataException(Say("keeping.backup.is-a-database-but-not-one-of", ("file", file)));
        if (version > Database.NewestVersion)
            throw new InvalidDataException(
                Say(
                    "keeping.backup.was-made-by-a-newer-coppia-its",
                    ("file", file),
                    ("version", version),
                    ("newestVersion", Database.NewestVersion)
                )
            );
        if (Run(connection, "PRAGMA integrity_check(1)") is not "ok")
            throw new InvalidDataException(Say("keeping.backup.is-damaged-expected-another-backup", ("file", file)));
    }

    private const string TableOfTunes = "SELECT name FROM sqlite_master WHERE type = 'table' AND name = 'tune'";

    /// <summary>What runs by itself and is none of Coppia's.</summary>
    private const string Strange =
        "SELECT name FROM sqlite_master WHERE type IN ('trigger', "
        + "'view') AND name NOT LIKE 'tune\\_search\\_%' ESCAPE '\\'";

    private static string Refused(string file, SqliteException e) =>
        e.SqliteErrorCode switch
        {
            26 => Say("keeping.backup.is-not-a-backup-of-coppia-expected", ("file", file)),
            11 => Say("keeping.backup.is-damaged-expected-another-backup", ("file", file)),
            13 => Say("keeping.backup.the-disk-is-full-make-room-and"),
            _ => Database.MessageOf(file, e),
        };

    /// <summary>Does not trust what the file says of itself (SQLite, "Defense Against The Dark Arts").</summary>
    private static SqliteConnection Reading(string file)
    {
        if (!File.Exists(file))
            throw new InvalidDataException(Say("keeping.backup.is-not-there", ("file", file)));
        var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = file,
                // a database with a write-ahead log is not read without writing to its folder
                Mode = SqliteOpenMode.ReadWrite,
                Pooling = false,
                DefaultTimeout = 10,
            }.ToString()
        );
        connection.Open();
        Run(connection, "PRAGMA trusted_schema = OFF");
        Run(connection, "PRAGMA cell_size_check = ON");
        // Copying waits by SQLite's own clock only, not by that of a command.
        Run(connection, $"PRAGMA busy_timeout = {1000 * connection.DefaultTimeout}");
        return connection;
    }

    private static string? Run(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar()?.ToString();
    }

    private static void Remove(string file)
    {
        foreach (var part in new[] { "", "-wal", "-shm", "-journal" })
            File.Delete(file + part);
    }

    private string Now(string format) => clock.GetLocalNow().ToString(format, CultureInfo.InvariantCulture);
}
