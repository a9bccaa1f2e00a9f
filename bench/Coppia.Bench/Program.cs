using BenchmarkDotNet.Running;
using Coppia.Bench;

Type[] all =
[
    typeof(TextToReading), typeof(FingeringByLength), typeof(FingeringAgainstGraph), typeof(FingeringAgainstEngraving), typeof(BowCountForm), typeof(BowProposals),
    typeof(ReadingOverHttp),
];

// The names of benchmark classes may follow; none runs them all.
var chosen = all.Where(t => args.Length == 0 || args.Contains(t.Name, StringComparer.OrdinalIgnoreCase)).ToArray();
if (chosen.Length == 0 || args.Any(a => !all.Any(t => t.Name.Equals(a, StringComparison.OrdinalIgnoreCase))))
{
    Console.Error.WriteLine($"usage: coppia bench {string.Join(' ', all.Select(t => $"[{t.Name}]"))}");
    return 2;
}

foreach (var type in chosen) BenchmarkRunner.Run(type);
return 0;
