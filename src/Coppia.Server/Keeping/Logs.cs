using System.Globalization;
using Coppia.Data.Store;
using Serilog;
using Serilog.Core;
using Serilog.Events;
using Serilog.Sinks.File;

namespace Coppia.Server.Keeping;

/// <summary>
/// What the server writes down: a file a day, for fourteen days, for its owner alone; where the file cannot be written,
/// the console.
/// </summary>
internal sealed class Logs(TimeProvider clock) : ILogEventSink
{
    private const int DaysKept = 14;

    /// <summary>So long a file that refused something counts as out of order.</summary>
    private static readonly TimeSpan Distrust = TimeSpan.FromMinutes(5);

    private static readonly Logger Console = new LoggerConfiguration()
        .MinimumLevel.Verbose()
        .WriteTo.Console(formatProvider: CultureInfo.InvariantCulture, standardErrorFromLevel: LogEventLevel.Verbose)
        .CreateLogger();

    private long _lastRefused;

    /// <summary>True while the file takes what is written.</summary>
    public bool ReachFile => _lastRefused == 0 || clock.GetElapsedTime(_lastRefused) > Distrust;

    /// <param name="folder">Null for no file.</param>
    public void Configure(LoggerConfiguration logger, LibraryFolder? folder)
    {
        logger
            .MinimumLevel.Information()
            .MinimumLevel.Override("Microsoft", LogEventLevel.Warning)
            // Why it does not start is said in a sentence of our own.
            .MinimumLevel.Override("Microsoft.Extensions.Hosting.Internal.Host", LogEventLevel.Fatal)
            // The keys of sign-ins lie in a folder that is closed to others, which it does not see.
            .MinimumLevel.Override("Microsoft.AspNetCore.DataProtection.KeyManagement", LogEventLevel.Error)
            .WriteTo.Console(
                restrictedToMinimumLevel: LogEventLevel.Warning,
                formatProvider: CultureInfo.InvariantCulture
            );
        if (folder is null)
            return;
        logger.WriteTo.FallbackChain(
            file =>
                file.File(
                    Path.Combine(folder.Logs, "coppia-.log"),
                    formatProvider: CultureInfo.InvariantCulture,
                    rollingInterval: RollingInterval.Day,
                    retainedFileCountLimit: DaysKept,
                    hooks: new ForItsOwner()
                ),
            otherwise => otherwise.Sink(this)
        );
    }

    /// <summary>Takes what the file refused.</summary>
    public void Emit(LogEvent logEvent)
    {
        _lastRefused = clock.GetTimestamp();
        Console.Write(logEvent);
    }

    private sealed class ForItsOwner : FileLifecycleHooks
    {
        public override Stream OnFileOpened(string path, Stream underlyingStream, System.Text.Encoding encoding)
        {
            if (new FileInfo(path).LinkTarget is null)
                LibraryFolder.CloseToOthers(path);
            return underlyingStream;
        }
    }
}
