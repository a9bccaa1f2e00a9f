using System.Net.Http.Json;
using System.Text.Json.Nodes;
using BenchmarkDotNet.Attributes;

namespace Coppia.Bench;

/// <summary>
/// A note written at the end of 64 bars, the score told by its key, against the same step with the score sent and read.
/// </summary>
[IterationCount(80)]
public class WritingOverHttp
{
    private readonly ServerOfOneTune _server = new();
    private JsonObject _told = null!;
    private JsonObject _sent = null!;
    private string _doc = "";
    private int _blanks;

    [GlobalSetup]
    public async Task Start()
    {
        await _server.Start(bars: 64);
        var view = await _server.Client.GetFromJsonAsync<JsonNode>(
            _server.At($"/api/tunes/{_server.Tune}/writing?instrument=violin")
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
    public ValueTask Stop() => _server.DisposeAsync();

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
        using var answer = await _server.Client.PostAsJsonAsync(_server.At("/api/writing/step"), asked);
        return await answer.EnsureSuccessStatusCode().Content.ReadAsByteArrayAsync();
    }
}
