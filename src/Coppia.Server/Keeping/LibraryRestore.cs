using Coppia.Data.Door;
using Coppia.Data.Keeping;
using Coppia.Data.Store;
using Coppia.Data.Tunes;
using Coppia.Server.Tunes;
using Microsoft.Extensions.Caching.Memory;

namespace Coppia.Server.Keeping;

/// <summary>Puts a backup in the library's place while the server runs.</summary>
internal sealed class LibraryRestore(
    Backup backup,
    LibraryFolder folder,
    Database database,
    TuneRepository tunes,
    TeacherRepository teachers,
    HeldMemory held,
    Health health,
    IMemoryCache memory
)
{
    /// <summary>The library that was there is kept first; where the backup is none, nothing is changed.</summary>
    /// <exception cref="InvalidDataException">The file is no backup, or damaged, or of a newer Coppia.</exception>
    public RestoredView From(string file)
    {
        var copy = Path.Combine(folder.Path, $"restoring-{Guid.NewGuid():N}.db");
        try
        {
            Backup.Checked(file, copy);
            // Who may use it is not of the past: a library from before there were sign-ins opens no door.
            teachers.TakeInto(copy);
            var former = backup.KeepBeforeRestore(copy);
            database.Replace(copy);
            // What is remembered goes by numbers that may now be another tune's.
            ((MemoryCache)memory).Clear();
            held.Forget();
            health.LookThoroughly();
            return new RestoredView(Path.GetFileName(former), tunes.List(new TuneQuery(Count: 1)).Total);
        }
        finally
        {
            File.Delete(copy);
        }
    }
}
