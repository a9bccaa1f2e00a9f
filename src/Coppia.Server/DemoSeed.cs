using System.Text.Json;
using Coppia.Data;
using Coppia.Formats;

namespace Coppia.Server;

/// <summary>Puts the demo tunes into an empty library.</summary>
internal static class DemoSeed
{
    private sealed record DemoTune(string File, string? PrintedFor);

    /// <exception cref="InvalidDataException">A demo file cannot be read; the message names it.</exception>
    public static void PutInto(TuneRepository tunes, string folder)
    {
        if (tunes.List(new TuneQuery(Count: 1)).Total > 0)
            return;
        var list =
            JsonSerializer.Deserialize<DemoTune[]>(File.ReadAllText(Path.Combine(folder, "tunes.json")), JsonSerializerOptions.Web) ?? [];
        foreach (var demo in list)
        {
            var source = File.ReadAllText(Path.Combine(folder, "tunes", demo.File));
            var read = TuneReader.Read(source);
            if (read.Score is null)
                throw new InvalidDataException($"{demo.File}:{read.Errors[0]}");
            tunes.Add(TuneEndpoints.Record(new TuneRequest(source, PrintedFor: demo.PrintedFor), read));
        }
    }
}
