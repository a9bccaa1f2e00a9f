using System.Net.Http.Json;
using System.Text.Json.Nodes;
using BenchmarkDotNet.Attributes;
using Coppia.Server;
using Coppia.Server.Door;
using Microsoft.AspNetCore.Builder;

namespace Coppia.Bench;

/// <summary>
/// A note written at the end of 64 bars, the score told by its key, against the same step with the score sent and read.
/// </summary>
[IterationCount(80)]
public class WritingOverHttp
{
    private readonly string _folder = Directory.CreateTempSubdirectory("coppia-bench-").FullName;
    private readonly HttpClient _client = new();
    private WebApplication _app = null!;
    private JsonObject _told = null!;
    private JsonObject _sent = null!;
    private string _doc = "";
    private int _blanks;

    [GlobalSetup]
    public async Task Start()
    {
        _app = CoppiaApp.Build(
            new ServerOptions(_folder, "127.0.0.1", Port: 0, WebFolder: _folder, DemoFolder: null, ThrowAway: false)
        );
        await _app.StartAsync();
        var kept = await _client.PostAsJsonAsync(
            $"{_app.Urls.First()}/api/tunes",
            new { source = LongTune.Abc(64, StringSection.Violin) }
        );
        var id = (await kept.Content.ReadFromJsonAsync<JsonNode>())!["summary"]!["id"]!.GetValue<long>();
        var view = await _client.GetFromJsonAsync<JsonNode>(
            $"{_app.Urls.First()}/api/tunes/{id}/writing?instrument=violin"
        );
        var state = view!["state"]!.AsObject();
        _doc = state["doc"]!.GetValue<string>();
        state.Remove("doc");
        _told = Asked(state);
        state.Remove("key");
        _sent = Asked(state);
    }

    private static JsonObject Asked(JsonObject state) =>
        new()
        {
            ["state"] = state.DeepClone(),
            ["instrument"] = "violin",
            ["command"] = new JsonObject { ["do"] = "letter", ["text"] = "D" },
        };

    [GlobalCleanup]
    public async Task Stop()
    {
        await _app.DisposeAsync();
        Directory.Delete(_folder, recursive: true);
    }

    [Benchmark(Baseline = true)]
    public Task<byte[]> SentAndRead()
    {
        // A blank more is another text, which nobody remembers.
        _sent["state"]!["doc"] = _doc + new string(' ', _blanks++ % 4_000);
        return Step(_sent);
    }

    [Benchmark]
    public Task<byte[]> Told() => Step(_told);

    private async Task<byte[]> Step(JsonObject asked)
    {
        using var answer = await _client.PostAsJsonAsync($"{_app.Urls.First()}/api/writing/step", asked);
        return await answer.EnsureSuccessStatusCode().Content.ReadAsByteArrayAsync();
    }
}
