using System.Diagnostics;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;

namespace Coppia.Bench;

/// <summary>
/// From the start of the process to the first answer: the server on a library of its own, against an empty ASP.NET Core
/// application.
/// </summary>
internal static class ServerStart
{
    /// <summary>With this argument the benchmark's own program is the empty application.</summary>
    public const string Empty = "--empty-application";

    private const int Port = 47_111;

    private static readonly HttpClient Client = new();

    public static void Run()
    {
        var folder = Directory.CreateTempSubdirectory("coppia-bench-").FullName;
        var here = AppContext.BaseDirectory;
        InTurn.Compare(
            "start to first answer",
            new InTurn.Work("empty application", () => Answered([Path.Combine(here, "Coppia.Bench.dll"), Empty])),
            [
                new InTurn.Work(
                    "Coppia",
                    () =>
                        Answered([
                            Path.Combine(here, "Coppia.Server.dll"),
                            "--data",
                            folder,
                            "--port",
                            $"{Port}",
                            "--web",
                            folder,
                        ])
                ),
            ],
            warmUp: 2,
            rounds: 24
        );
        Directory.Delete(folder, recursive: true);
    }

    public static void RunEmpty()
    {
        var app = WebApplication.CreateBuilder().Build();
        app.Urls.Add($"http://127.0.0.1:{Port}");
        app.MapGet("/api/health", () => Results.Ok());
        app.Run();
    }

    private static void Answered(string[] args)
    {
        using var process = Process.Start(
            new ProcessStartInfo("dotnet", args) { RedirectStandardOutput = true, RedirectStandardError = true }
        )!;
        while (true)
        {
            try
            {
                using var answer = Client.GetAsync(new Uri($"http://127.0.0.1:{Port}/api/health")).Result;
                break;
            }
            catch (AggregateException)
            {
                Thread.Sleep(2);
            }
        }

        process.Kill();
        process.WaitForExit();
    }
}
