using Coppia.Server;
using Coppia.Server.Door;
using Microsoft.Data.Sqlite;
using static Coppia.Core.Wording.Messages.Catalogue;

// The document generator runs the program at build time with arguments of its own.
if (ServerOptions.Parse(CoppiaApp.DescribingOnly ? [] : args) is not { } options)
{
    Console.Error.WriteLine(Say("cli.usage", ("usage", ServerOptions.Usage)));
    return 2;
}

try
{
    var app = CoppiaApp.Build(options);
    try
    {
        await app.StartAsync();
    }
    catch (Exception e) when (e is IOException or System.Net.Sockets.SocketException)
    {
        throw Listening.Refused(options, e);
    }

    Console.WriteLine(Say("server.program.coppia-is-ready-stop-it-with-ctrl", ("urls", app.Urls.First())));
    await app.WaitForShutdownAsync();
    return 0;
}
catch (Exception e)
    when (e
            is StartRefusedException
                or InvalidDataException
                or IOException
                or UnauthorizedAccessException
                or SqliteException
    )
{
    Console.Error.WriteLine(e.Message);
    return 2;
}
finally
{
    if (options.ThrowAway && Directory.Exists(options.DataFolder))
        Directory.Delete(options.DataFolder, recursive: true);
}
