using System.Net.Http.Json;
using System.Text.Json;
using Coppia.Data.Store;
using Coppia.Server;
using Coppia.Server.Door;
using Dapper;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;

namespace Coppia.Tests;

/// <summary>The whole application in this process, on a real SQLite file of its own.</summary>
public class RunningServer : IAsyncLifetime
{
    private WebApplication? _app;

    public string Folder { get; } = Directory.CreateTempSubdirectory("coppia-test-").FullName;

    public HttpClient Client { get; private set; } = null!;

    /// <summary>By which the server goes; a test turns it.</summary>
    public TurnedClock Clock { get; } = new();

    public TestServer TestServer => _app!.GetTestServer();

    public IServiceProvider Services => _app!.Services;

    /// <summary>Longer than a user waits: what is tested may be one of many things that this machine does.</summary>
    private static readonly TimeSpan Patient = TimeSpan.FromMinutes(2);

    /// <summary>How it runs; a test may want it otherwise.</summary>
    protected virtual ServerOptions Adjusted(ServerOptions options) => options;

    /// <summary>A library with today's tables and nothing in them: made once, and copied for each server.</summary>
    private static readonly Lazy<byte[]> Empty = new(() =>
    {
        var folder = Directory.CreateTempSubdirectory("coppia-empty-");
        var file = Path.Combine(folder.FullName, "empty.db");
        var database = new Database(file);
        using (var connection = database.Open())
            connection.Execute("PRAGMA journal_mode = DELETE");
        database.Close();
        var bytes = File.ReadAllBytes(file);
        folder.Delete(recursive: true);
        return bytes;
    });

    public async ValueTask InitializeAsync()
    {
        var library = new LibraryFolder(Folder);
        if (!File.Exists(library.Database))
            await File.WriteAllBytesAsync(library.Database, Empty.Value);
        _app = CoppiaApp.Build(
            Adjusted(
                new ServerOptions(Folder, "127.0.0.1", 0, Path.Combine(Folder, "none"), null, false)
                {
                    Patience = Patient,
                }
            ),
            b =>
            {
                b.WebHost.UseTestServer();
                b.Services.AddSingleton<TimeProvider>(Clock);
            }
        );
        await _app.StartAsync();
        Client = _app.GetTestClient();
    }

    public async ValueTask DisposeAsync()
    {
        if (_app is not null)
        {
            await _app.StopAsync(); // waits for what runs by itself: today's backup may be under way in the folder
            await _app.DisposeAsync();
        }

        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(Folder, recursive: true);
        GC.SuppressFinalize(this);
    }

    /// <summary>The status and the body of a request with a file as its body.</summary>
    public async Task<(int Status, JsonElement Body)> SendFile(
        string path,
        byte[] file,
        string type = "application/octet-stream"
    )
    {
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new(type);
        using var response = await Client.PostAsync(path, content);
        return (
            (int)response.StatusCode,
            JsonSerializer.Deserialize<JsonElement>(await response.Content.ReadAsStringAsync())
        );
    }

    public async Task<JsonElement> Get(string path) => await Client.GetFromJsonAsync<JsonElement>(path);

    /// <summary>Tunes with how each fits a class, when that is worked out for all of them.</summary>
    public async Task<JsonElement[]> Fitting(long forClass, string query = "")
    {
        JsonElement list;
        do list = await Get($"/api/tunes?class={forClass}{query}");
        while (list.GetProperty("working").ValueKind != JsonValueKind.Null);
        return [.. list.GetProperty("tunes").EnumerateArray()];
    }

    /// <summary>The status and the body of a request with a JSON body.</summary>
    public async Task<(int Status, JsonElement Body)> Send(HttpMethod method, string path, object? body = null)
    {
        using var request = new HttpRequestMessage(method, path)
        {
            Content = body is null ? null : JsonContent.Create(body),
        };
        using var response = await Client.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        return ((int)response.StatusCode, text.Length == 0 ? default : JsonSerializer.Deserialize<JsonElement>(text));
    }

    /// <summary>The pairs of a tune as they are printed, in order.</summary>
    public async Task<string> Labels(long tune, string instrument = "violin") =>
        string.Join(
            ' ',
            (await Get($"/api/tunes/{tune}/reading?instrument={instrument}"))
                .GetProperty("notes")
                .EnumerateArray()
                .Select(n => n.GetProperty("label").GetString())
        );

    /// <summary>Fixes a note's pair, or with null frees it, as one who saw there what it was.</summary>
    public Task<(int Status, JsonElement Body)> Pin(
        long tune,
        string instrument,
        string noteId,
        (int String, int Finger)? to,
        (int String, int Finger)? was = null
    ) =>
        Send(
            HttpMethod.Patch,
            $"/api/tunes/{tune}/pins/{instrument}",
            new
            {
                changes = new[]
                {
                    new
                    {
                        noteId,
                        to = Pair(to),
                        was = Pair(was),
                    },
                },
            }
        );

    private static object? Pair((int String, int Finger)? pair) =>
        pair is { } p ? new { @string = p.String, finger = p.Finger } : null;

    /// <summary>Says something to changes of the bowing, as one who saw there what was said before.</summary>
    public Task<(int Status, JsonElement Body)> Bow(
        long tune,
        IEnumerable<(string Note, string Kind)> edits,
        string to = "taken",
        string was = "open",
        string? instrument = null
    ) =>
        Send(
            HttpMethod.Patch,
            $"/api/tunes/{tune}/bowing",
            new
            {
                changes = edits.Select(e => new
                {
                    noteId = e.Note,
                    kind = e.Kind,
                    to,
                    was,
                }),
                instrument,
            }
        );

    /// <summary>Reads a tune in another octave, as one who saw which it was read in.</summary>
    public Task<(int Status, JsonElement Body)> Octave(long tune, string instrument, int? octaves, int? was) =>
        Send(HttpMethod.Put, $"/api/tunes/{tune}/octave/{instrument}", new { octaves, was });

    public async Task<long> Keep(string source) =>
        (await Send(HttpMethod.Post, "/api/tunes", new { source }))
            .Body.GetProperty("summary")
            .GetProperty("id")
            .GetInt64();
}
