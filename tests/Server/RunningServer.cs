using System.Net.Http.Json;
using System.Text.Json;
using Coppia.Server;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.TestHost;

namespace Coppia.Tests;

/// <summary>The whole application in this process, on a real SQLite file of its own.</summary>
public sealed class RunningServer : IAsyncLifetime
{
    private WebApplication? _app;

    public string Folder { get; } = Directory.CreateTempSubdirectory("coppia-test-").FullName;

    public HttpClient Client { get; private set; } = null!;

    public async ValueTask InitializeAsync()
    {
        _app = CoppiaApp.Build(
            new ServerOptions(Folder, "127.0.0.1", 0, Path.Combine(Folder, "none"), null, false),
            b => b.WebHost.UseTestServer()
        );
        await _app.StartAsync();
        Client = _app.GetTestClient();
    }

    public async ValueTask DisposeAsync()
    {
        if (_app is not null)
            await _app.DisposeAsync();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(Folder, recursive: true);
    }

    public async Task<JsonElement> Get(string path) => await Client.GetFromJsonAsync<JsonElement>(path);

    /// <summary>The status and the body of a request with a JSON body.</summary>
    public async Task<(int Status, JsonElement Body)> Send(HttpMethod method, string path, object? body = null)
    {
        using var request = new HttpRequestMessage(method, path) { Content = body is null ? null : JsonContent.Create(body) };
        using var response = await Client.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        return ((int)response.StatusCode, text.Length == 0 ? default : JsonSerializer.Deserialize<JsonElement>(text));
    }

    public async Task<long> Keep(string source) =>
        (await Send(HttpMethod.Post, "/api/tunes", new { source })).Body.GetProperty("summary").GetProperty("id").GetInt64();
}
