using System.Diagnostics;
using System.Text.Json;

namespace Coppia.Tests;

/// <summary>Asks a general library from outside the project, through Node: JSON in, JSON out.</summary>
internal static class Outside
{
    public static JsonElement Ask(string script, object question)
    {
        var file = Path.Combine(Lines.Root(), "tests", "Reference", script);
        var start = new ProcessStartInfo("node", [file])
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            WorkingDirectory = Path.Combine(Lines.Root(), "web"),
        };
        using var node = Process.Start(start) ?? throw new InvalidOperationException("node does not start");
        var error = node.StandardError.ReadToEndAsync();
        node.StandardInput.Write(JsonSerializer.Serialize(question));
        node.StandardInput.Close();
        var answer = node.StandardOutput.ReadToEnd();
        node.WaitForExit();
        return node.ExitCode == 0
            ? JsonSerializer.Deserialize<JsonElement>(answer)
            : throw new InvalidOperationException($"{script}: …{error.Result[^Math.Min(error.Result.Length, 4000)..]}");
    }
}
