using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.RegularExpressions;

namespace Coppia.Tests;

/// <summary>
/// Killed at any moment, Coppia has everything that it had said it kept, and nothing by halves (SQLite, "Atomic
/// Commit"). COPPIA_KILLS asks for more kills than usual.
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
        : 30;

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
            var titles = SomeLibrary.Titles(_library.Folder.Database);
            Assert.Empty(_kept.Except(titles)); // nothing lost
            // Nothing by halves: tunes that are sent three at a time are there three at a time.
            Assert.All(titles.GroupBy(t => t.Split(' ')[0]), three => Assert.Equal(3, three.Count()));
        }

        Assert.True(_kept.Count > 3 * Kills, $"{_kept.Count} kept");
        // refuses a damaged library
        Data.Keeping.Backup.Write(_library.Folder.Database, Path.Combine(_library.Folder.Path, "after.db"));
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
        // Some writes are answered, and one or two are under way.
        var before = _kept.Count;
        var moment = TimeSpan.FromMilliseconds(_random.Next(10, 120));
        var writers = Enumerable.Range(0, 2).Select(_ => Write(client)).ToArray();
        while (_kept.Count == before && !writers.All(w => w.IsCompleted))
            await Task.Delay(5);
        await Task.Delay(moment);
        server.Kill(); // SIGKILL
        await Task.WhenAll(writers);
        await server.WaitForExitAsync();
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
