using System.Text;
using BenchmarkDotNet.Attributes;
using Coppia.Core.Exercises;
using Coppia.Formats.Exercises;

namespace Coppia.Bench;

/// <summary>
/// A thousand sheets of twelve questions, of every kind of question in turn, against writing the same bytes: copied as
/// they are, and read as JSON and written again.
/// </summary>
public class ThousandSheets
{
    private const int Sheets = 1000;

    private static readonly ExerciseKind[] Kinds = [.. ExerciseKind.All.Where(k => !k.IsPlayed)];
    private static readonly Player[] Players = [.. StringSection.All.Select(i => new Player(i))];

    /// <summary>The first seed.</summary>
    private readonly int _first = 1;

    private readonly string[] _texts = [.. Enumerable.Range(1, Sheets).Select(seed => SheetJson.Write(Make(seed)))];

    private static Sheet Make(int seed) =>
        Sheet.Of(
            new SheetRequest
            {
                Kind = Kinds[seed % Kinds.Length],
                Players = [Players[seed % Players.Length]],
                Seed = seed,
            }
        )[0];

    [Benchmark(Baseline = true)]
    public long SameBytesParsedAndWritten() =>
        Written(seed => System.Text.Json.Nodes.JsonNode.Parse(_texts[seed - 1])!.ToJsonString(SheetJson.Options));

    [Benchmark]
    public long MadeAndWritten() => Written(seed => SheetJson.Write(Make(seed - 1 + _first)));

    [Benchmark]
    public long SameBytesCopied() => Written(seed => _texts[seed - 1]);

    private static long Written(Func<int, string> text)
    {
        using var stream = new MemoryStream();
        using var writer = new StreamWriter(stream, new UTF8Encoding(false));
        for (var seed = 1; seed <= Sheets; seed++)
            writer.Write(text(seed));
        writer.Flush();
        return stream.Length;
    }
}
