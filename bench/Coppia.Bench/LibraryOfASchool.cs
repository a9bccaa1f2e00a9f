using System.Net.Http.Json;
using Coppia.Server;
using Coppia.Server.Door;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.Logging;

namespace Coppia.Bench;

/// <summary>A library of 5,000 tunes behind a server, and a bare server that answers with given bytes.</summary>
internal sealed class LibraryOfASchool : IAsyncDisposable
{
    public const int Tunes = 5_000;

    private readonly string _folder = Directory.CreateTempSubdirectory("coppia-bench-").FullName;
    private readonly Dictionary<string, byte[]> _bytes = [];
    private WebApplication _app = null!;
    private WebApplication _bare = null!;

    public HttpClient Client { get; } = new();

    public async Task Start()
    {
        _app = CoppiaApp.Build(
            new ServerOptions(_folder, "127.0.0.1", Port: 0, WebFolder: _folder, DemoFolder: null, ThrowAway: true)
        );
        await _app.StartAsync();
        for (var from = 0; from < Tunes; from += 100)
        {
            var tunes = Enumerable
                .Range(from, 100)
                .Select(i => new
                {
                    source = LongTune.Abc(24 + i % 40, StringSection.All[i % 4]),
                    title = $"{Name(i)} {i:0000}",
                });
            using var kept = await Client.PostAsJsonAsync($"{_app.Urls.First()}/api/tunes/many", new { tunes });
            kept.EnsureSuccessStatusCode();
        }

        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        _bare = builder.Build();
        _bare.Urls.Add("http://127.0.0.1:0");
        _bare.MapGet(
            "/{**path}",
            (HttpContext c) => Results.Bytes(_bytes[c.Request.Path + c.Request.QueryString], "application/json")
        );
        await _bare.StartAsync();
    }

    /// <summary>Titles that share their words, as those of a school do.</summary>
    private static string Name(int i)
    {
        string[] first = ["River", "Harbour", "Winter", "Little", "Old", "Green", "Morning", "Market"];
        string[] second = ["Song", "Reel", "Waltz", "March", "Round", "Air", "Dance"];
        return $"{first[i % first.Length]} {second[i / 8 % second.Length]}";
    }

    /// <summary>What the server answers, for the bare one to answer the same.</summary>
    public async Task Learn(string path) => _bytes[path] = await Client.GetByteArrayAsync(_app.Urls.First() + path);

    public Task<byte[]> Ask(string path) => Client.GetByteArrayAsync(_app.Urls.First() + path);

    public Task<byte[]> AskBare(string path) => Client.GetByteArrayAsync(_bare.Urls.First() + path);

    public async ValueTask DisposeAsync()
    {
        await _app.DisposeAsync();
        await _bare.DisposeAsync();
        Client.Dispose();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
    }
}
