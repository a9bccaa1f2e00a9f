using System.Text.Json;
using Coppia.Server.Door;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace Coppia.Tests;

/// <summary>The health page says what it looked at, and what does not work (common practice).</summary>
public sealed class HealthTests
{
    private static async Task<(int Status, string State, Dictionary<string, string> Checks)> Ask(RunningServer server)
    {
        using var answer = await server.Client.GetAsync("/api/health");
        var body = JsonSerializer.Deserialize<JsonElement>(await answer.Content.ReadAsStringAsync());
        return (
            (int)answer.StatusCode,
            body.GetProperty("state").GetString()!,
            body.GetProperty("checks")
                .EnumerateArray()
                .ToDictionary(c => c.GetProperty("name").GetString()!, c => c.GetProperty("state").GetString()!)
        );
    }

    /// <summary>Waits for what the server does by itself some time after its start.</summary>
    private static async Task<(int Status, string State, Dictionary<string, string> Checks)> Until(
        RunningServer server,
        string check,
        string state
    )
    {
        for (var tries = 0; tries < 60; tries++)
        {
            var now = await Ask(server);
            if (now.Checks[check] == state)
                return now;
            await Task.Delay(500);
        }

        throw new TimeoutException($"{check} did not become {state}.");
    }

    private sealed class Damaged : RunningServer
    {
        protected override ServerOptions Adjusted(ServerOptions options)
        {
            using var library = new SomeLibrary();
            library.With([.. Enumerable.Range(0, 600).Select(i => $"Tune {i}")]);
            SomeLibrary.Run(library.Folder.Database, "PRAGMA wal_checkpoint(TRUNCATE)");
            var bytes = File.ReadAllBytes(library.Folder.Database);
            Array.Fill<byte>(bytes, 0x5A, bytes.Length / 2, 8192);
            File.WriteAllBytes(Path.Combine(Folder, "coppia.db"), bytes);
            return options;
        }
    }

    /// <summary>A library of at most so many pages of 4 kB.</summary>
    private sealed class Full : RunningServer
    {
        protected override ServerOptions Adjusted(ServerOptions options) => options with { MostPages = 90 };
    }

    /// <summary>The log's file is a disk that is always full (Linux, full(4)).</summary>
    private sealed class FullLog : RunningServer
    {
        protected override ServerOptions Adjusted(ServerOptions options)
        {
            var logs = Directory.CreateDirectory(Path.Combine(Folder, "logs"));
            for (var day = -1; day < 2; day++)
                File.CreateSymbolicLink(
                    Path.Combine(logs.FullName, $"coppia-{DateTime.Now.AddDays(day):yyyyMMdd}.log"),
                    "/dev/full"
                );
            return options;
        }
    }

    private static async Task<T> Started<T>(T server)
        where T : RunningServer
    {
        await server.InitializeAsync();
        return server;
    }

    [Fact]
    public async Task Well_it_says_what_it_looked_at()
    {
        await using var server = await Started(new RunningServer());
        var (status, state, checks) = await Until(server, "backup", "ok");
        Assert.Equal((200, "ok"), (status, state));
        Assert.Equal(["backup", "damage", "disk", "library", "log", "writing"], checks.Keys.Order());
    }

    [Fact] // It begins all the same: what can be read is read, and the way back is told.
    public async Task A_file_that_is_damaged_in_the_middle()
    {
        await using var server = await Started(new Damaged());
        var (status, state, _) = await Until(server, "damage", "failing");
        Assert.Equal((503, "failing"), (status, state));
    }

    [Fact]
    public async Task A_full_disk_refuses_with_a_sentence_and_keeps_nothing_by_halves()
    {
        await using var server = await Started(new Full());
        var kept = 0;
        (int Status, JsonElement Body) answer;
        while (true)
        {
            answer = await server.Send(
                HttpMethod.Post,
                "/api/tunes",
                new { source = "X:1\nK:D\n" + new string(' ', 3000) + "D E F|", title = $"{kept}" }
            );
            if (answer.Status != 200)
                break;
            kept++;
        }

        Assert.Equal(
            (507, "The disk is full. Nothing was changed; make room and try again."),
            (answer.Status, answer.Body.GetProperty("title").GetString())
        );
        Assert.True(kept > 0);
        Assert.Equal(kept, (await server.Get("/api/tunes")).GetProperty("total").GetInt32());
        Assert.Equal(
            200,
            (int)
                (
                    await server.Client.GetAsync(
                        "/api/tunes/1/reading?instrument=violin",
                        TestContext.Current.CancellationToken
                    )
                ).StatusCode
        );
    }

    private static readonly Action<ILogger, Exception?> Word = LoggerMessage.Define(
        LogLevel.Warning,
        default,
        "A word for the log."
    );

    private static void SayIn(RunningServer server) =>
        Word(server.Services.GetRequiredService<ILoggerFactory>().CreateLogger("Coppia"), null);

    [Fact]
    public async Task Each_server_of_a_process_writes_its_own_log_to_the_end()
    {
        await using var stays = await Started(new RunningServer());
        var goes = await Started(new RunningServer());
        SayIn(stays);
        await goes.DisposeAsync();
        SayIn(stays);
        var file = Directory.GetFiles(Path.Combine(stays.Folder, "logs")).Single();
        using var log = new StreamReader(new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite));
        Assert.Equal(
            2,
            (await log.ReadToEndAsync(TestContext.Current.CancellationToken)).Split("A word for the log.").Length - 1
        );
    }

    [Fact]
    public async Task A_log_that_cannot_be_written_goes_to_the_console_and_is_told()
    {
        var server = await Started(new FullLog());
        SayIn(server);
        // The log is written a little later.
        Assert.Equal("warning", (await Until(server, "log", "warning")).Checks["log"]);
        try
        {
            await server.DisposeAsync();
        }
        catch (IOException)
        {
            // The log's last words go nowhere.
        }
    }
}
