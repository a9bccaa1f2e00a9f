using BenchmarkDotNet.Attributes;
using Coppia.Data.Classes;
using Coppia.Data.Logbook;
using Coppia.Data.Store;

namespace Coppia.Bench;

/// <summary>What a learner reports of a year, 500 entries in one step, against a step for each.</summary>
public class ReportOf500
{
    private const int Entries = 500;

    private readonly LibraryFolder _folder = new(Directory.CreateTempSubdirectory("coppia-bench-").FullName);
    private ReportRepository _reports = null!;
    private LearnerRecord _learner = null!;
    private int _report;

    [GlobalSetup]
    public void Start()
    {
        _folder.Prepare();
        var database = new Database(_folder.Database);
        var classes = new ClassRepository(database, TimeProvider.System);
        var id = classes.Add(
            new ClassRecord { Name = "Weir", LessonMinutes = 45 },
            [
                new LearnerRecord
                {
                    Nickname = "Ada",
                    Instrument = "violin",
                    Size = "4/4",
                },
            ],
            []
        );
        _learner = new LearnerRepository(database, TimeProvider.System).Of(id)[0];
        _reports = new ReportRepository(database, TimeProvider.System);
    }

    [GlobalCleanup]
    public void Stop()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(_folder.Path, recursive: true);
    }

    [Benchmark(Baseline = true)]
    public void AStepEach()
    {
        foreach (var entry in Year())
            _reports.Keep(_learner.Id, entry);
    }

    [Benchmark]
    public int OneStep() => _reports.Keep(_learner, new ReportRecords([.. Year()], [], [], []));

    /// <summary>Entries that nobody has reported yet.</summary>
    private IEnumerable<PracticeRecord> Year()
    {
        var report = _report++;
        return Enumerable
            .Range(0, Entries)
            .Select(i => new PracticeRecord
            {
                Key = $"{report} {i}",
                Day = new DateOnly(2026, 1, 1).AddDays(i % 365),
                At = new DateTime(2026, 1, 1, 17, 0, 0, DateTimeKind.Utc).AddDays(i % 365),
                Minutes = 10,
                Tempo = 60 + i % 40,
            });
    }
}
