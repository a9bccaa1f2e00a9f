namespace Coppia.Bench;

/// <summary>
/// The list of 5,000 tunes and its search, each against a bare endpoint that answers with the same bytes.
/// </summary>
internal static class LongLists
{
    private static readonly (string Name, string Path)[] Asked =
    [
        ("first page, by title", "/api/tunes?count=100"),
        ("a page in the middle", "/api/tunes?from=2500&count=100"),
        ("last changed first", "/api/tunes?order=changed&count=100"),
        ("search: r", "/api/tunes?search=r&count=100"),
        ("search: riv wal", "/api/tunes?search=riv%20wal&count=100"),
        ("search: 4321", "/api/tunes?search=4321&count=100"),
        ("printed for the cello", "/api/tunes?instrument=cello&count=100"),
    ];

    public static void Run()
    {
        var library = new LibraryOfASchool();
        library.Start().Wait();
        foreach (var (name, path) in Asked)
        {
            library.Learn(path).Wait();
            InTurn.Compare(
                $"5,000 tunes, {name}",
                new InTurn.Work("bare bytes", () => library.AskBare(path).Wait()),
                new InTurn.Work("list", () => library.Ask(path).Wait())
            );
        }

        library.DisposeAsync().AsTask().Wait();
    }
}
