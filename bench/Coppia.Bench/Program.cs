using BenchmarkDotNet.Columns;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Exporters;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Loggers;
using BenchmarkDotNet.Running;
using Coppia.Bench;

Type[] all =
[
    typeof(TextToReading), typeof(FingeringByLength), typeof(SameMusic), typeof(FingeringAgainstGraph), typeof(FingeringAgainstEngraving), typeof(BowCountForm), typeof(BowProposals),
    typeof(ReadingOverHttp),
];

// The names of benchmark classes may follow; none runs them all.
var chosen = all.Where(t => args.Length == 0 || args.Contains(t.Name, StringComparer.OrdinalIgnoreCase)).ToArray();
if (chosen.Length == 0 || args.Any(a => !all.Any(t => t.Name.Equals(a, StringComparison.OrdinalIgnoreCase))))
{
    Console.Error.WriteLine($"usage: coppia bench {string.Join(' ', all.Select(t => $"[{t.Name}]"))}");
    return 2;
}

// Enough iterations that the error is a small part of the mean; nothing is printed before the table.
var config = ManualConfig.CreateEmpty()
    .AddJob(Job.Default.WithWarmupCount(6).WithIterationCount(30))
    .AddColumnProvider(DefaultColumnProviders.Instance)
    .AddColumn(StatisticColumn.Median)
    .WithOptions(ConfigOptions.DisableLogFile);
foreach (var type in chosen)
{
    var summary = BenchmarkRunner.Run(type, config);
    MarkdownExporter.Console.ExportToLog(summary, ConsoleLogger.Default);
}

return 0;
