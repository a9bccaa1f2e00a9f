using System.Globalization;

namespace Coppia.Server;

/// <summary>How the server was asked to run.</summary>
/// <param name="DataFolder">Folder of the database and the logs.</param>
/// <param name="Host">Address to listen on; 127.0.0.1 unless told otherwise.</param>
/// <param name="Port">TCP port, 0 to 65535; 0 takes any free one.</param>
/// <param name="WebFolder">Built front end.</param>
/// <param name="DemoFolder">Demo tunes to put into an empty database, or null.</param>
/// <param name="ThrowAway">The data folder is removed at the end.</param>
public sealed record ServerOptions(string DataFolder, string Host, int Port, string WebFolder, string? DemoFolder, bool ThrowAway)
{
    public const string Usage = "coppia serve [--data DIR] [--port N] [--host ADDRESS]   |   coppia demo [--port N]";

    public const int UsualPort = 4710;

    /// <summary>Null for arguments that make no sense.</summary>
    public static ServerOptions? Parse(string[] args)
    {
        string? data = null,
            web = null,
            demo = null;
        var host = "127.0.0.1";
        var port = UsualPort;
        for (var i = 0; i < args.Length; i++)
        {
            if (i + 1 >= args.Length)
                return null;
            switch (args[i])
            {
                case "--data":
                    data = args[++i];
                    break;
                case "--web":
                    web = args[++i];
                    break;
                case "--demo":
                    demo = args[++i];
                    break;
                case "--host":
                    host = args[++i];
                    break;
                case "--port" when int.TryParse(args[i + 1], NumberStyles.None, CultureInfo.InvariantCulture, out port) && port <= 65535:
                    i++;
                    break;
                default:
                    return null;
            }
        }

        var throwAway = demo is not null && data is null;
        data ??= throwAway ? Directory.CreateTempSubdirectory("coppia-demo-").FullName : HomeFolder();
        return new ServerOptions(
            DataFolder: data,
            Host: host,
            Port: port,
            WebFolder: Path.GetFullPath(web ?? "wwwroot", web is null ? AppContext.BaseDirectory : Environment.CurrentDirectory),
            DemoFolder: demo,
            ThrowAway: throwAway
        );
    }

    private static string HomeFolder() =>
        Path.Combine(
            Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData, Environment.SpecialFolderOption.Create),
            "coppia"
        );
}
