using System.Collections.Concurrent;
using System.Diagnostics;
using System.Text.Json;

namespace Coppia.Tests;

/// <summary>
/// Asks a general library from outside the project, through Node: JSON in, JSON out. Whoever was asked once stays
/// there: most of the work is to load the library.
/// </summary>
internal static class Outside
{
    private static readonly ConcurrentDictionary<string, Asked> Scripts = new();

    public static JsonElement Ask(string script, object question) =>
        Scripts.GetOrAdd(script, name => new Asked(name)).Answer(JsonSerializer.Serialize(question));

    private sealed class Asked(string script)
    {
        private readonly Lock _turn = new();
        private readonly ConcurrentQueue<string?> _errors = new();
        private Process? _node;

        public JsonElement Answer(string question)
        {
            lock (_turn)
            {
                _node ??= Start();
                _node.StandardInput.WriteLine(question);
                var told =
                    _node.StandardOutput.ReadLine()
                    ?? throw new InvalidOperationException($"{script} ended: {string.Join('\n', _errors)}");
                var answer = JsonSerializer.Deserialize<JsonElement>(told);
                return answer.TryGetProperty("failed", out var failed)
                    ? throw new InvalidOperationException($"{script}: {failed}")
                    : answer.GetProperty("answer");
            }
        }

        /// <summary>It ends with the tests: then nobody can ask it any more.</summary>
        private Process Start()
        {
            var file = Path.Combine(Lines.Root(), "tests", "Reference", script);
            var start = new ProcessStartInfo("node", [file])
            {
                RedirectStandardInput = true,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
                WorkingDirectory = Path.Combine(Lines.Root(), "web"),
            };
            var node = Process.Start(start) ?? throw new InvalidOperationException("node does not start");
            node.ErrorDataReceived += (_, line) => _errors.Enqueue(line.Data);
            node.BeginErrorReadLine();
            return node;
        }
    }
}
