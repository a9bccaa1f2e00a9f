using BenchmarkDotNet.Columns;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Exporters;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Loggers;
using BenchmarkDotNet.Running;
using Coppia.Bench;

if (args is [ServerStart.Empty])
{
    ServerStart.RunEmpty();
    return 0;
}

Type[] all =
[
    typeof(TextToReading),
    typeof(FingeringByLength),
    typeof(FingeringAgainstGraph),
    typeof(FingeringAgainstEngraving),
    typeof(BowCountForm),
    typeof(BowProposals),
    typeof(ReadingOverHttp),
    typeof(WritingStep),
    typeof(WritingOverHttp),
    typeof(ReportOf500),
    typeof(ThousandSheets),
];
var inTurn = new Dictionary<string, Action>(StringComparer.OrdinalIgnoreCase)
{
    [nameof(SameMusic)] = SameMusic.Run,
    [nameof(FourInstruments)] = FourInstruments.Run,
    [nameof(ClassesOfASchool)] = ClassesOfASchool.Run,
    [nameof(LikelySlips)] = LikelySlips.Run,
    [nameof(LongLists)] = LongLists.Run,
    [nameof(MixOfReadings)] = MixOfReadings.Run,
    [nameof(ServerStart)] = ServerStart.Run,
};

// The names of benchmarks may follow; none runs them all.
if (
    args.FirstOrDefault(a =>
        !inTurn.ContainsKey(a) && !all.Any(t => t.Name.Equals(a, StringComparison.OrdinalIgnoreCase))
    ) is
    { } unknown
)
{
    var names = all.Select(t => t.Name).Concat(inTurn.Keys).Select(n => $"[{n}]");
    Console.Error.WriteLine($"no benchmark is called {unknown}; usage: coppia bench {string.Join(' ', names)}");
    return 2;
}

bool Asked(string name) => args.Length == 0 || args.Contains(name, StringComparer.OrdinalIgnoreCase);

// Enough iterations that the error is a small part of the mean; nothing is printed before the table.
var config = ManualConfig
    .CreateEmpty()
    .AddJob(Job.Default.WithWarmupCount(6).WithIterationCount(30))
    .AddColumnProvider(DefaultColumnProviders.Instance)
    .AddColumn(StatisticColumn.Median)
    .WithOptions(ConfigOptions.DisableLogFile);
foreach (var type in all.Where(t => Asked(t.Name)))
{
    var summary = BenchmarkRunner.Run(type, config);
    MarkdownExporter.Console.ExportToLog(summary, ConsoleLogger.Default);
}

foreach (var (_, run) in inTurn.Where(b => Asked(b.Key)))
    run();

return 0;
