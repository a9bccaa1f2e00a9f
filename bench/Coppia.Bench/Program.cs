using BenchmarkDotNet.Running;
using Coppia.Bench;

// The names of benchmark classes may follow; none runs them all.
var chosen = new[] { typeof(TextToReading), typeof(FingeringByLength), typeof(FingeringAgainstGraph), typeof(FingeringAgainstEngraving), typeof(ReadingOverHttp) }
    .Where(t => args.Length == 0 || args.Contains(t.Name, StringComparer.OrdinalIgnoreCase)).ToArray();
if (chosen.Length == 0)
{
    Console.Error.WriteLine("usage: coppia bench [TextToReading] [FingeringByLength] [FingeringAgainstGraph] [FingeringAgainstEngraving] [ReadingOverHttp]");
    return 2;
}

foreach (var type in chosen) BenchmarkRunner.Run(type);
return 0;
