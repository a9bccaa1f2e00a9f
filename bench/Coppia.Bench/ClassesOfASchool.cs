using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Logbook;
using Coppia.Data.Records;
using Coppia.Server;
using Coppia.Server.Door;
using Microsoft.AspNetCore.Builder;
using Microsoft.Extensions.DependencyInjection;

namespace Coppia.Bench;

/// <summary>
/// The requests of the class page and of the logbook where a school has 3,000 learners and a million practice entries,
/// each against the same page where there is one class. The baseline is compared with itself too.
/// </summary>
internal static class ClassesOfASchool
{
    private const int Classes = 250;
    private const int Learners = 12;
    private const int Entries = 334;
    private const int CardsEach = 100;

    private static readonly string[] Instruments = ["violin", "violin", "violin", "viola", "cello", "bass"];

    private static readonly (string Name, Func<long, long, string[]> Paths)[] Pages =
    [
        (
            "class page",
            (c, _) =>
                ["/api/classes/names", $"/api/classes/{c}", $"/api/classes/{c}/tasks", $"/api/classes/{c}/logbook"]
        ),
        ("logbook", (c, _) => ["/api/classes/names", $"/api/classes/{c}", $"/api/classes/{c}/logbook"]),
        (
            "a learner's logbook",
            (c, l) => ["/api/classes/names", $"/api/classes/{c}", $"/api/classes/{c}/learners/{l}/logbook"]
        ),
        ("what is set", (c, _) => [$"/api/classes/{c}/tasks"]),
    ];

    public static void Run()
    {
        var (one, school) = (new Library(), new Library());
        one.Start(1).Wait();
        school.Start(Classes).Wait();
        foreach (var (name, paths) in Pages)
        {
            var (few, many) = (paths(1, 1), paths(Classes / 2, Classes / 2 * Learners));
            InTurn.Compare(
                $"3,000 learners, {Classes * Learners * Entries:N0} entries: {name}",
                new InTurn.Work("one class", () => one.Ask(few)),
                new InTurn.Work("one class again", () => one.Ask(few)),
                new InTurn.Work("the school", () => school.Ask(many))
            );
        }

        one.DisposeAsync().AsTask().Wait();
        school.DisposeAsync().AsTask().Wait();
    }

    private sealed class Library : IAsyncDisposable
    {
        private readonly string _folder = Directory.CreateTempSubdirectory("coppia-bench-").FullName;
        private readonly HttpClient _client = new();
        private WebApplication _app = null!;

        public async Task Start(int classes)
        {
            _app = CoppiaApp.Build(
                new ServerOptions(_folder, "127.0.0.1", Port: 0, WebFolder: _folder, DemoFolder: null, ThrowAway: true)
            );
            await _app.StartAsync();
            var copies = _app.Services.GetRequiredService<ClassCopies>();
            for (var i = 0; i < classes; i++)
                copies.Add(Class(i), new Numbers(_ => null, _ => null, new Dictionary<long, TaskCopy>()));
        }

        public void Ask(string[] paths)
        {
            foreach (var path in paths)
                _client.GetByteArrayAsync(_app.Urls.First() + path).Wait();
        }

        /// <summary>
        /// About two years of entries up to today, and cards of some weeks with a mistake now and then.
        /// </summary>
        private static ClassCopy Class(int number)
        {
            var today = DateTime.UtcNow.Date;
            WorkRecord[] work =
            [
                .. Enumerable
                    .Range(0, 20)
                    .Select(w => new WorkRecord
                    {
                        Id = w,
                        Kind = WorkKind.Cards,
                        Due = Day(today.AddDays(7 - 7 * w)),
                        MadeAt = today.AddDays(-7 * w),
                    }),
            ];
            return new ClassCopy(
                new ClassRecord { Name = $"Class {number:000}", CreatedAt = today },
                [],
                work,
                [
                    .. Enumerable
                        .Range(0, Learners)
                        .Select(l => new LearnerCopy(
                            new LearnerRecord
                            {
                                Nickname = $"Learner {l}",
                                Instrument = Instruments[l % Instruments.Length],
                                Size = "1/2",
                            }
                        )
                        {
                            Practice =
                            [
                                .. Enumerable
                                    .Range(0, Entries)
                                    .Select(e => new PracticeRecord
                                    {
                                        Key = $"{e}",
                                        Day = Day(today.AddDays(-2 * e)),
                                        At = today.AddDays(-2 * e),
                                        Minutes = 5 + (e + l) % 15,
                                    }),
                            ],
                            Answers =
                            [
                                .. Enumerable
                                    .Range(0, CardsEach)
                                    .Select(a => new CardAnswerRecord
                                    {
                                        Key = $"{a}",
                                        Card = "noteToName note violin D4 E4",
                                        Day = Day(today.AddDays(-a)),
                                        At = today.AddDays(-a),
                                        Right = a % 5 != 0,
                                        Seconds = 3,
                                        Mistake = a % 5 == 0 ? "one-step" : "",
                                    }),
                            ],
                            Done = [.. work.Select(w => new DoneRecord { WorkId = w.Id, DoneAt = today })],
                        }),
                ]
            );
        }

        private static DateOnly Day(DateTime day) => DateOnly.FromDateTime(day);

        public async ValueTask DisposeAsync()
        {
            await _app.DisposeAsync();
            _client.Dispose();
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            Directory.Delete(_folder, recursive: true);
        }
    }
}
