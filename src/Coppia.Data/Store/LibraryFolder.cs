using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Data.Store;

/// <summary>
/// The folder that a library lives in: the database, its backups and the logs. What is in it is for its owner alone
/// (OWASP ASVS 4.0.3, 8.1.6).
/// </summary>
public sealed class LibraryFolder
{
    private const UnixFileMode OwnersFolder = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;
    private const UnixFileMode OwnersFile = UnixFileMode.UserRead | UnixFileMode.UserWrite;

    /// <param name="path">The folder; it need not be there.</param>
    public LibraryFolder(string path) => Path = System.IO.Path.GetFullPath(path);

    /// <summary>Where a user's library is when nothing else is said.</summary>
    public static string Usual =>
        System.IO.Path.Combine(
            Environment.GetFolderPath(
                Environment.SpecialFolder.LocalApplicationData,
                Environment.SpecialFolderOption.Create
            ),
            "coppia"
        );

    public string Path { get; }

    public string Database => System.IO.Path.Combine(Path, "coppia.db");

    public string Backups => System.IO.Path.Combine(Path, "backups");

    public string Logs => System.IO.Path.Combine(Path, "logs");

    /// <summary>The keys that sign-ins are sealed with; they are in no backup.</summary>
    public string Keys => System.IO.Path.Combine(Path, "keys");

    private string Lock => System.IO.Path.Combine(Path, "in-use");

    /// <summary>Makes what is missing, and closes what is there to others.</summary>
    /// <exception cref="InvalidDataException">It cannot be made or written to; the message says why.</exception>
    public void Prepare()
    {
        try
        {
            foreach (var folder in new[] { Path, Backups, Logs, Keys })
            {
                if (!Directory.Exists(folder))
                    Directory.CreateDirectory(folder, OwnersFolder);
            }

            foreach (var folder in new[] { Backups, Logs, Keys })
                File.SetUnixFileMode(folder, OwnersFolder);
            ClearLeftovers();
            var logs = Directory.EnumerateFiles(Logs);
            foreach (var file in new[] { Database, Database + "-wal", Database + "-shm" }.Concat(logs))
            {
                if (File.Exists(file))
                    CloseToOthers(file);
            }
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new InvalidDataException(
                Say(
                    "store.library-folder.cannot-be-used-for-the-library",
                    ("path", Path),
                    ("trimEnd", e.Message.TrimEnd('.'))
                ),
                e
            );
        }
    }

    /// <summary>What a crash has left half done.</summary>
    private void ClearLeftovers()
    {
        foreach (var pattern in new[] { "sending-*", "restoring-*", "received-*", "room-probe" })
        {
            foreach (var old in new DirectoryInfo(Path).EnumerateFiles(pattern))
            {
                if (old.LastWriteTimeUtc < DateTime.UtcNow.AddDays(-1))
                    old.Delete();
            }
        }
    }

    /// <summary>Only its owner may read or write the file.</summary>
    public static void CloseToOthers(string file) => File.SetUnixFileMode(file, OwnersFile);

    /// <summary>Marks the folder as in use until the mark is disposed of; others may use it too.</summary>
    public IDisposable Use()
    {
        File.Open(Lock, FileMode.OpenOrCreate, FileAccess.Write, FileShare.ReadWrite).Dispose();
        CloseToOthers(Lock);
        return File.Open(Lock, FileMode.Open, FileAccess.Read, FileShare.Read);
    }

    /// <summary>Keeps the folder for oneself until the mark is disposed of.</summary>
    /// <exception cref="InvalidDataException">Coppia runs on it.</exception>
    public IDisposable UseAlone()
    {
        try
        {
            return File.Open(Lock, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (IOException e)
        {
            throw new InvalidDataException(
                Say("store.library-folder.coppia-runs-on-stop-it-first-ctrl", ("path", Path)),
                e
            );
        }
    }
}
