using System.Diagnostics;

namespace Coppia.Bench;

/// <summary>
/// Readings a second of 5,000 tunes on four instruments, asked for at random over four connections, against a bare
/// endpoint that answers with the same bytes. The memory of the server holds a few hundred of them, so that most are
/// worked out anew.
/// </summary>
internal static class MixOfReadings
{
    private const int Batch = 64;
    private const int Connections = 4;

    public static void Run()
    {
        var library = new LibraryOfASchool();
        library.Start().Wait();
        var random = new Random(1);
        string[] instruments = [.. StringSection.All.Select(i => i.Id)];
        string Path() =>
            $"/api/tunes/{random.Next(1, LibraryOfASchool.Tunes + 1)}/reading?instrument={instruments[random.Next(4)]}";
        string[] batch = [];
        var readings = 0;
        var clock = new Stopwatch();
        InTurn.Compare(
            $"{Batch} readings of 5,000 tunes at random",
            new InTurn.Work(
                "bare bytes",
                () =>
                {
                    // Bytes of other tunes, learned first, and as many.
                    if (batch.Length == 0)
                    {
                        batch = [.. Enumerable.Range(0, Batch).Select(_ => Path())];
                        foreach (var path in batch)
                            library.Learn(path).Wait();
                    }

                    All(batch, library.AskBare);
                }
            ),
            [
                new InTurn.Work(
                    "readings",
                    () =>
                    {
                        string[] fresh = [.. Enumerable.Range(0, Batch).Select(_ => Path())];
                        clock.Start();
                        All(fresh, library.Ask);
                        clock.Stop();
                        readings += Batch;
                    }
                ),
            ],
            warmUp: 10,
            rounds: 200
        );
        Console.WriteLine($"{readings / clock.Elapsed.TotalSeconds:F0} readings a second.\n");
        library.DisposeAsync().AsTask().Wait();
    }

    private static void All(string[] paths, Func<string, Task<byte[]>> ask) =>
        Task.WaitAll(
            Enumerable
                .Range(0, Connections)
                .Select(async c =>
                {
                    for (var i = c; i < paths.Length; i += Connections)
                        await ask(paths[i]);
                })
                .ToArray()
        );
}
