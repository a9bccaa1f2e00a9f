using Coppia.Data.Keeping;
using Coppia.Data.Store;

namespace Coppia.Server.Keeping;

/// <summary>
/// What keeps a library by itself: a backup a day, what was deleted long ago let go, and a look at the whole file.
/// </summary>
internal sealed partial class Caretaker(
    Backup backup,
    Health health,
    IEnumerable<IPutAway> putAway,
    TimeProvider clock,
    ILogger<Caretaker> log
) : BackgroundService
{
    /// <summary>So long what was deleted can come back; the screens say so.</summary>
    private const int DaysDeletedStay = 30;

    /// <summary>A laptop that slept over midnight makes its backup soon after it wakes.</summary>
    private static readonly TimeSpan Often = TimeSpan.FromMinutes(20);

    /// <summary>Lets go for good of what was deleted long ago.</summary>
    private void LetGo()
    {
        var tooOld = clock.GetUtcNow().UtcDateTime.AddDays(-DaysDeletedStay);
        foreach (var rows in putAway)
            rows.Purge(tooOld);
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await Task.Yield();
        using var timer = new PeriodicTimer(Often, clock);
        using var stop = stoppingToken.Register(timer.Dispose);
        var looked = false;
        do
        {
            try
            {
                if (!looked || backup.IsDue)
                    KeepToday();
                looked = true;
            }
            catch (Exception e)
                when (e is IOException or UnauthorizedAccessException or Microsoft.Data.Sqlite.SqliteException)
            {
                NotMade(log, e);
            }
        } while (await timer.WaitForNextTickAsync(CancellationToken.None));
    }

    private void KeepToday()
    {
        try
        {
            backup.MakeDaily();
            LetGo();
        }
        catch (InvalidDataException e)
        {
            NotMade(log, e);
        }

        health.LookThoroughly();
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "Today's backup could not be made.")]
    private static partial void NotMade(ILogger log, Exception e);
}
