using System.Globalization;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Keeping;
using Coppia.Data.Store;
using Coppia.Server.Door;
using Microsoft.Data.Sqlite;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Keeping;

/// <summary>How something is.</summary>
public enum HealthState
{
    Ok,

    /// <summary>It works, and someone ought to look at it.</summary>
    Warning,

    /// <summary>It does not work.</summary>
    Failing,
}

/// <summary>One thing that was looked at.</summary>
/// <param name="Name">library, writing, disk, damage, backup or log.</param>
/// <param name="Said">What was found, in a sentence.</param>
public sealed record HealthCheckView(string Name, HealthState State, string Said);

/// <param name="State">The worst of all checks.</param>
/// <param name="Version">The program's.</param>
public sealed record HealthView(HealthState State, string Version, IReadOnlyList<HealthCheckView> Checks);

/// <summary>
/// Looks whether the library can be read and written, whether there is room, and whether it is backed up.
/// </summary>
internal sealed class Health(
    Database database,
    LibraryFolder folder,
    Backup backup,
    Logs logs,
    ServerOptions options,
    TimeProvider clock
)
{
    private const int ProbeBytes = 64 * 1024;
    private const long LittleRoom = 200L * 1024 * 1024;
    private static readonly TimeSpan OldBackup = TimeSpan.FromDays(2);
    private static readonly TimeSpan Fresh = TimeSpan.FromSeconds(5);
    private readonly Lock _lock = new();
    private long _looked;
    private HealthView? _last;

    /// <summary>What a thorough look at the file found wrong; null while it found nothing.</summary>
    public string? Damage { get; set; }

    /// <summary>The state, looked at anew where the last look is some seconds old.</summary>
    public HealthView Now()
    {
        lock (_lock)
        {
            if (_last is not null && clock.GetElapsedTime(_looked) < Fresh)
                return _last;
            HealthCheckView[] checks = [Library(), Writing(), Disk(), Damaged(), LastBackup(), Log()];
            _looked = clock.GetTimestamp();
            return _last = new HealthView(
                checks.Max(c => c.State),
                typeof(Health).Assembly.GetName().Version!.ToString(3),
                checks
            );
        }
    }

    /// <summary>Reads the whole file, which takes a while, and remembers what is wrong with it.</summary>
    public void LookThoroughly()
    {
        try
        {
            Damage = Ask("PRAGMA quick_check(1)") is "ok"
                ? null
                : Say("keeping.health.the-librarys-file-is-damaged-bring");
        }
        catch (SqliteException e)
        {
            Damage = Say("keeping.health.the-librarys-file-cannot-be-read", ("trimEnd", e.Message.TrimEnd('.')));
        }
    }

    private HealthCheckView Library() =>
        Looked(
            "library",
            () =>
                Say(
                    "keeping.health.read-tables-of-version",
                    ("newestVersion", Database.NewestVersion),
                    ("tunes", Tunes())
                )
        );

    /// <summary>"1 tune", "24 tunes".</summary>
    private string Tunes() =>
        English.Several(
            int.Parse(Ask("SELECT count(*) FROM tune WHERE deleted_at IS NULL")!, CultureInfo.InvariantCulture),
            "tune"
        );

    private HealthCheckView Writing() =>
        Looked(
            "writing",
            () =>
            {
                using var connection = database.Open();
                using var step = connection.BeginTransaction();
                step.Rollback();
                return Say("keeping.health.the-library-can-be-written-to");
            }
        );

    /// <summary>
    /// Writes a little, because the room that a disk reports is not always the room that this user has.
    /// </summary>
    private HealthCheckView Disk() =>
        Looked(
            "disk",
            () =>
            {
                var probe = Path.Combine(folder.Path, "room-probe");
                try
                {
                    using var file = File.Create(probe, ProbeBytes, FileOptions.DeleteOnClose);
                    file.Write(new byte[ProbeBytes]);
                    file.Flush(flushToDisk: true);
                }
                finally
                {
                    File.Delete(probe);
                }

                var room = new DriveInfo(folder.Path).AvailableFreeSpace;
                return (
                    room < LittleRoom ? HealthState.Warning : HealthState.Ok,
                    Say("keeping.health.mb-free", ("room", room / 1024 / 1024))
                );
            }
        );

    private HealthCheckView Damaged() =>
        new(
            "damage",
            Damage is null ? HealthState.Ok : HealthState.Failing,
            Damage ?? Say("keeping.health.the-last-look-found-no-damage")
        );

    private HealthCheckView LastBackup() =>
        Looked(
            "backup",
            () =>
                backup.Kept() is [var last, ..]
                    ? (
                        clock.GetUtcNow() - last.LastWriteTimeUtc > OldBackup ? HealthState.Warning : HealthState.Ok,
                        Say(
                            "keeping.health.the-last-backup-is-of-utc",
                            (
                                "lastWriteTimeUtc",
                                (last.LastWriteTimeUtc).ToString(
                                    "yyyy-MM-dd HH:mm",
                                    System.Globalization.CultureInfo.InvariantCulture
                                )
                            )
                        )
                    )
                : options.ThrowAway ? (HealthState.Ok, Say("keeping.health.this-library-is-thrown-away-at-the"))
                : (HealthState.Warning, Say("keeping.health.there-is-no-backup-yet"))
        );

    private HealthCheckView Log() =>
        logs.ReachFile
            ? new HealthCheckView("log", HealthState.Ok, Say("keeping.health.the-log-is-written-to-its-file"))
            : new HealthCheckView(
                "log",
                HealthState.Warning,
                Say("keeping.health.the-logs-file-cannot-be-written-the")
            );

    private static HealthCheckView Looked(string name, Func<string> look) =>
        Looked(name, () => (HealthState.Ok, look()));

    private static HealthCheckView Looked(string name, Func<(HealthState State, string Said)> look)
    {
        try
        {
            var (state, said) = look();
            return new HealthCheckView(name, state, said);
        }
        catch (Exception e) when (e is SqliteException or IOException or UnauthorizedAccessException)
        {
            return new HealthCheckView(name, HealthState.Failing, e.Message);
        }
    }

    private string? Ask(string sql)
    {
        using var connection = database.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar()?.ToString();
    }
}

internal static class HealthEndpoints
{
    /// <summary>503 while something does not work, so that whoever watches need not read.</summary>
    public static void MapHealth(this IEndpointRouteBuilder api) =>
        api.MapGet(
                "/api/health",
                (Health health) =>
                    TypedResults.Json(health.Now(), statusCode: health.Now().State == HealthState.Failing ? 503 : 200)
            )
            .AllowAnonymous()
            .WithName("getHealth")
            .Produces<HealthView>()
            .Produces<HealthView>(503);
}
