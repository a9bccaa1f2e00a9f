using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.RegularExpressions;
using Microsoft.Data.Sqlite;

namespace Coppia.Tests;

/// <summary>
/// Killed at any moment, Coppia has everything that it had said it kept, and nothing by halves (SQLite, "Atomic
/// Commit"). COPPIA_KILLS asks for more kills than usual. Of a server that is stopped for a moment the files are what a
/// kill at that moment would leave: each one that runs is looked at so ten times before it is killed.
/// </summary>
public sealed partial class KillTests : IDisposable
{
    private static readonly int Kills = int.TryParse(
        Environment.GetEnvironmentVariable("COPPIA_KILLS"),
        NumberStyles.None,
        CultureInfo.InvariantCulture,
        out var given
    )
        ? given
        : 6;

    private const int Stops = 10;

    private readonly SomeLibrary _library = new();
    private readonly Random _random = new(1);
    private readonly HashSet<string> _kept = [];
    private int _next;

    public void Dispose() => _library.Dispose();

    [Fact]
    public async Task What_was_said_to_be_kept_is_there_after_every_kill()
    {
        for (var kill = 0; kill < Kills; kill++)
        {
            await WriteUntilKilled();
            IsWhole(_library.Folder.Database, [.. _kept]);
        }

        Assert.True(_kept.Count > 3 * Kills * Stops, $"{_kept.Count} kept");
        // refuses a damaged library
        Data.Keeping.Backup.Write(_library.Folder.Database, Path.Combine(_library.Folder.Path, "after.db"));
    }

    private static void IsWhole(string database, string[] kept)
    {
        var titles = SomeLibrary.Titles(database);
        Assert.Empty(kept.Except(titles)); // nothing lost
        // Nothing by halves: tunes that are sent three at a time are there three at a time.
        Assert.All(titles.GroupBy(t => t.Split(' ')[0]), three => Assert.Equal(3, three.Count()));
    }

    private async Task WriteUntilKilled()
    {
        var start = new ProcessStartInfo(
            "dotnet",
            [Path.Combine(AppContext.BaseDirectory, "Coppia.Server.dll"), "--data", _library.Folder.Path, "--port", "0"]
        )
        {
            RedirectStandardOutput = true,
        };
        start.Environment["DOTNET_TieredPGO"] = "0"; // it lives too short to learn
        using var server = Process.Start(start)!;
        string? address = null;
        while (address is null)
            address = AddressPattern()
                .Match(
                    await server.StandardOutput.ReadLineAsync()
                        ?? throw new InvalidOperationException("It did not start.")
                )
                is { Success: true } found
                ? found.Value
                : null;
        using var client = new HttpClient { BaseAddress = new Uri(address) };
        var writers = Enumerable.Range(0, 2).Select(_ => Write(client)).ToArray();
        try
        {
            for (var stop = 0; stop < Stops; stop++)
            {
                await SomeAreKept(writers);
                await LookWhileStopped(server);
            }

            await SomeAreKept(writers);
        }
        finally
        {
            server.Kill(); // SIGKILL
            await Task.WhenAll(writers);
            await server.WaitForExitAsync();
        }
    }

    /// <summary>Some writes are answered, and one or two are under way.</summary>
    private async Task SomeAreKept(Task[] writers)
    {
        var before = _kept.Count;
        var moment = TimeSpan.FromMilliseconds(_random.Next(10, 120));
        while (_kept.Count == before && !writers.All(w => w.IsCompleted))
            await Task.Delay(5);
        await Task.Delay(moment);
    }

    private async Task LookWhileStopped(Process server)
    {
        var copy = Directory.CreateTempSubdirectory("coppia-stopped-").FullName;
        Signal("-STOP", server);
        while (!File.ReadAllText($"/proc/{server.Id}/stat").Contains(") T ", StringComparison.Ordinal))
            await Task.Delay(1);
        foreach (
            var file in Directory.EnumerateFiles(_library.Folder.Path, Path.GetFileName(_library.Folder.Database) + "*")
        )
            File.Copy(file, Path.Combine(copy, Path.GetFileName(file)));
        string[] kept;
        lock (_kept)
            kept = [.. _kept];
        Signal("-CONT", server);
        IsWhole(Path.Combine(copy, Path.GetFileName(_library.Folder.Database)), kept);
        SqliteConnection.ClearAllPools();
        Directory.Delete(copy, recursive: true);
    }

    private static void Signal(string signal, Process server)
    {
        using var sent = Process.Start("kill", [signal, $"{server.Id}"]);
        sent.WaitForExit();
    }

    private async Task Write(HttpClient client)
    {
        while (true)
        {
            var group = Interlocked.Increment(ref _next);
            var titles = Enumerable.Range(1, 3).Select(i => $"{group} of {i}").ToArray();
            try
            {
                using var answer = await client.PostAsJsonAsync(
                    "/api/tunes/many",
                    new { tunes = titles.Select(title => new { source = "X:1\nK:D\nD E F|\n", title }) }
                );
                if (!answer.IsSuccessStatusCode)
                    throw new InvalidOperationException(await answer.Content.ReadAsStringAsync());
                _ = await answer.Content.ReadFromJsonAsync<JsonElement>();
                lock (_kept)
                    _kept.UnionWith(titles);
            }
            catch (Exception e) when (e is HttpRequestException or IOException or JsonException)
            {
                return; // killed; whether that one was kept is not known
            }
        }
    }

    [GeneratedRegex(@"http://127\.0\.0\.1:\d+")]
    private static partial Regex AddressPattern();
}
