using System.CommandLine;
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

    private static readonly Option<string> Data = new("--data");
    private static readonly Option<string> Web = new("--web");
    private static readonly Option<string> Demo = new("--demo");
    private static readonly Option<string> At = new("--host") { DefaultValueFactory = _ => "127.0.0.1" };
    private static readonly Option<string> By = new("--certificate");
    private static readonly Option<string[]> Called = new("--name");
    private static readonly Option<ushort> OnPort = new("--port") { DefaultValueFactory = _ => UsualPort };

    /// <summary>Null for arguments that make no sense.</summary>
    public static ServerOptions? Parse(string[] args)
    {
        var asked = new Command("serve") { Data, Web, Demo, At, By, Called, OnPort }.Parse(args);
        if (asked.Errors.Count > 0)
            return null;
        var (data, web, demo) = (asked.GetValue(Data), asked.GetValue(Web), asked.GetValue(Demo));
        var throwAway = demo is not null && data is null;
        data ??= throwAway ? Directory.CreateTempSubdirectory("coppia-demo-").FullName : LibraryFolder.Usual;
        return new ServerOptions(
            DataFolder: data,
            Host: asked.GetValue(At)!,
            Port: asked.GetValue(OnPort),
            WebFolder: Path.GetFullPath(
                web ?? "wwwroot",
                web is null ? AppContext.BaseDirectory : Environment.CurrentDirectory
            ),
            DemoFolder: demo,
            ThrowAway: throwAway
        )
        {
            Names = asked.GetValue(Called) ?? [],
            Certificate = asked.GetValue(By),
        };
    }
}
