using System.Net.Http.Json;
using System.Text.Json;
using Coppia.Server;
using Coppia.Server.Door;
using Microsoft.AspNetCore.Builder;

namespace Coppia.Bench;

/// <summary>Coppia's server on a library of its own, with a tune in it.</summary>
internal sealed class ServerOfOneTune : IAsyncDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("coppia-bench-").FullName;
    private WebApplication _app = null!;

    public HttpClient Client { get; } = new();

    /// <summary>Number of the tune.</summary>
    public long Tune { get; private set; }

    /// <summary>The whole address of a path.</summary>
    public string At(string path) => _app.Urls.First() + path;

    /// <param name="bars">Of the tune.</param>
    public async Task Start(int bars)
    {
        _app = CoppiaApp.Build(
            new ServerOptions(_folder, "127.0.0.1", Port: 0, WebFolder: _folder, DemoFolder: null, ThrowAway: false)
        );
        await _app.StartAsync();
        using var kept = await Client.PostAsJsonAsync(
            At("/api/tunes"),
            new { source = LongTune.Abc(bars, StringSection.Violin) }
        );
        Tune = (await kept.Content.ReadFromJsonAsync<JsonElement>())
            .GetProperty("summary")
            .GetProperty("id")
            .GetInt64();
    }

    public async ValueTask DisposeAsync()
    {
        await _app.DisposeAsync();
        Client.Dispose();
        Directory.Delete(_folder, recursive: true);
    }
}
