using System.Net.Http.Json;
using System.Text.Json;
using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Engines;
using Coppia.Server;
using Coppia.Server.Door;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;

namespace Coppia.Bench;

/// <summary>
/// GET of a kept tune's Reading against a bare endpoint of the same server that returns the same bytes.
/// </summary>
[SimpleJob(RunStrategy.Throughput, launchCount: 1, warmupCount: 5, iterationCount: 10)]
public class ReadingOverHttp
{
    private readonly string _folder = Directory.CreateTempSubdirectory("coppia-bench-").FullName;
    private readonly HttpClient _client = new();
    private WebApplication _app = null!;
    private WebApplication _bare = null!;
    private string _path = "";

    [GlobalSetup]
    public async Task Start()
    {
        _app = CoppiaApp.Build(
            new ServerOptions(_folder, "127.0.0.1", Port: 0, WebFolder: _folder, DemoFolder: null, ThrowAway: false)
        );
        await _app.StartAsync();
        var kept = await _client.PostAsJsonAsync(
            $"{_app.Urls.First()}/api/tunes",
            new { source = LongTune.Abc(200, StringSection.Violin) }
        );
        var id = (await kept.Content.ReadFromJsonAsync<JsonElement>())
            .GetProperty("summary")
            .GetProperty("id")
            .GetInt64();
        _path = $"/api/tunes/{id}/reading?instrument=cello";
        var bytes = await _client.GetByteArrayAsync(_app.Urls.First() + _path);

        var builder = WebApplication.CreateSlimBuilder();
        _bare = builder.Build();
        _bare.Urls.Add("http://127.0.0.1:0");
        _bare.MapGet("/bytes", () => Results.Bytes(bytes, "application/json"));
        await _bare.StartAsync();
    }

    [GlobalCleanup]
    public async Task Stop()
    {
        await _app.DisposeAsync();
        await _bare.DisposeAsync();
        Directory.Delete(_folder, recursive: true);
    }

    [Benchmark(Baseline = true)]
    public Task<byte[]> BareBytes() => _client.GetByteArrayAsync(_bare.Urls.First() + "/bytes");

    [Benchmark]
    public Task<byte[]> Reading() => _client.GetByteArrayAsync(_app.Urls.First() + _path);
}
