using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Engines;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;

namespace Coppia.Bench;

/// <summary>
/// GET of a kept tune's Reading against a bare endpoint of the same server that returns the same bytes.
/// </summary>
[SimpleJob(RunStrategy.Throughput, launchCount: 1, warmupCount: 5, iterationCount: 10)]
public class ReadingOverHttp
{
    private readonly ServerOfOneTune _server = new();
    private WebApplication _bare = null!;
    private string _path = "";

    [GlobalSetup]
    public async Task Start()
    {
        await _server.Start(bars: 200);
        _path = _server.At($"/api/tunes/{_server.Tune}/reading?instrument=cello");
        var bytes = await _server.Client.GetByteArrayAsync(_path);

        var builder = WebApplication.CreateSlimBuilder();
        _bare = builder.Build();
        _bare.Urls.Add("http://127.0.0.1:0");
        _bare.MapGet("/bytes", () => Results.Bytes(bytes, "application/json"));
        await _bare.StartAsync();
    }

    [GlobalCleanup]
    public async Task Stop()
    {
        await _server.DisposeAsync();
        await _bare.DisposeAsync();
    }

    [Benchmark(Baseline = true)]
    public Task<byte[]> BareBytes() => _server.Client.GetByteArrayAsync(_bare.Urls.First() + "/bytes");

    [Benchmark]
    public Task<byte[]> Reading() => _server.Client.GetByteArrayAsync(_path);
}
