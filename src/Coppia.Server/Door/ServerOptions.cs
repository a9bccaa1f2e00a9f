using System.Globalization;
using Coppia.Data.Store;

namespace Coppia.Server.Door;

/// <summary>How the server was asked to run.</summary>
/// <param name="DataFolder">Folder of the database, its backups and the logs.</param>
/// <param name="Host">Name or address to listen on; 127.0.0.1 unless told otherwise.</param>
/// <param name="Port">TCP port, 0 to 65535; 0 takes any free one.</param>
/// <param name="WebFolder">Built front end.</param>
/// <param name="DemoFolder">Demo tunes to put into an empty database, or null.</param>
/// <param name="ThrowAway">The data folder is removed at the end.</param>
public sealed record ServerOptions(
    string DataFolder,
    string Host,
    int Port,
    string WebFolder,
    string? DemoFolder,
    bool ThrowAway
)
{
    public const string Usage =
        "coppia serve [--data DIR] [--port N] [--host ADDRESS [--name NAME …]] [--certificate FILE]   |   coppia "
        + "demo [--port N]";

    public const int UsualPort = 4710;

    /// <summary>Names under which other machines reach this one.</summary>
    public IReadOnlyList<string> Names { get; init; } = [];

    /// <summary>A certificate with its key, PEM or PKCS #12, for HTTPS; null for plain HTTP.</summary>
    public string? Certificate { get; init; }

    /// <summary>Longest that a request may take.</summary>
    public TimeSpan Patience { get; init; } = TimeSpan.FromSeconds(10);

    /// <summary>Largest size of the database in SQLite's pages; null for what the disk holds.</summary>
    public long? MostPages { get; init; }

    /// <summary>Null for arguments that make no sense.</summary>
    public static ServerOptions? Parse(string[] args)
    {
        var given = new Dictionary<string, string>();
        var names = new List<string>();
        var port = UsualPort;
        for (var i = 0; i + 1 < args.Length; i += 2)
        {
            switch (args[i])
            {
                case "--name":
                    names.Add(args[i + 1]);
                    break;
                case "--data" or "--web" or "--demo" or "--host" or "--certificate":
                    given[args[i]] = args[i + 1];
                    break;
                case "--port"
                    when int.TryParse(args[i + 1], NumberStyles.None, CultureInfo.InvariantCulture, out port)
                        && port <= 65535:
                    break;
                default:
                    return null;
            }
        }

        if (args.Length % 2 != 0)
            return null;
        var (data, web, demo) = (
            given.GetValueOrDefault("--data"),
            given.GetValueOrDefault("--web"),
            given.GetValueOrDefault("--demo")
        );
        var throwAway = demo is not null && data is null;
        data ??= throwAway ? Directory.CreateTempSubdirectory("coppia-demo-").FullName : LibraryFolder.Usual;
        return new ServerOptions(
            DataFolder: data,
            Host: given.GetValueOrDefault("--host") ?? "127.0.0.1",
            Port: port,
            WebFolder: Path.GetFullPath(
                web ?? "wwwroot",
                web is null ? AppContext.BaseDirectory : Environment.CurrentDirectory
            ),
            DemoFolder: demo,
            ThrowAway: throwAway
        )
        {
            Names = names,
            Certificate = given.GetValueOrDefault("--certificate"),
        };
    }
}
