using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Coppia.Server;
using Coppia.Server.Door;
using Microsoft.AspNetCore.Hosting;

namespace Coppia.Tests;

/// <summary>
/// Where Coppia cannot start it says why and what would be right, in one sentence on standard error, and ends with 2
/// (common practice).
/// </summary>
public sealed class StartTests : IDisposable
{
    private readonly SomeLibrary _library = new();

    public void Dispose()
    {
        // A folder that was closed to its owner must be opened to be removed.
        foreach (var folder in Directory.GetDirectories(_library.Folder.Path, "*", SearchOption.AllDirectories))
            File.SetUnixFileMode(folder, UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
        _library.Dispose();
    }

    private string[] Serve(params string[] more) => ["--data", _library.Folder.Path, "--port", "0", .. more];

    private static async Task<string> Refused(params string[] args)
    {
        using var server = Process.Start(
            new ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "Coppia.Server.dll"), .. args])
            {
                RedirectStandardError = true,
                RedirectStandardOutput = true,
            }
        )!;
        using var patience = new CancellationTokenSource(TimeSpan.FromMinutes(1));
        try
        {
            var (said, printed) = (
                server.StandardError.ReadToEndAsync(patience.Token),
                server.StandardOutput.ReadToEndAsync(patience.Token)
            );
            await server.WaitForExitAsync(patience.Token);
            Assert.Equal((2, ""), (server.ExitCode, await printed));
            var sentence = (await said).TrimEnd();
            Assert.DoesNotContain("   at ", sentence, StringComparison.Ordinal);
            Assert.DoesNotContain('\n', sentence);
            return sentence;
        }
        finally
        {
            if (!server.HasExited)
                server.Kill();
        }
    }

    [Fact]
    public async Task A_port_that_is_taken()
    {
        using var other = new TcpListener(IPAddress.Loopback, 0);
        other.Start();
        var port = ((IPEndPoint)other.LocalEndpoint).Port;
        Assert.Equal(
            $"Port {port} is taken, perhaps by Coppia itself; expected another one, such as --port {port + 1}.",
            await Refused("--data", _library.Folder.Path, "--port", $"{port}")
        );
    }

    [Theory]
    // RFC 6761, 6.4: .invalid is never a name
    [InlineData("no-such-name.invalid", "--host no-such-name.invalid is not known here")]
    [InlineData("0.0.0.0", "demands a teacher’s sign-in. Make one first: ./coppia teacher add NAME")]
    [InlineData("*", "demands a teacher’s sign-in")]
    [InlineData("::", "demands a teacher’s sign-in")]
    [InlineData("192.0.2.1", "demands a teacher’s sign-in")] // RFC 5737: an address of nobody
    public async Task An_address_that_is_not_known_or_beyond_this_machine(string host, string words) =>
        Assert.Contains(words, await Refused(Serve("--host", host)), StringComparison.Ordinal);

    [Fact] // Every address 127.x is this machine's own; a port below 1024 may be its owner's alone.
    public void What_the_system_says_of_an_address_is_put_into_a_sentence()
    {
        var options = new Coppia.Server.Door.ServerOptions(_library.Folder.Path, "127.0.0.1", 80, "", null, false);
        string Said(SocketError error) =>
            Coppia.Server.Door.Listening.Refused(options, new IOException("", new SocketException((int)error))).Message;
        Assert.Equal(
            "--host 127.0.0.1 is not an address of this machine; leave it out, or give 127.0.0.1.",
            Said(SocketError.AddressNotAvailable)
        );
        Assert.Equal(
            "Port 80 may not be used by this user; expected one above 1023, such as --port 4710.",
            Said(SocketError.AccessDenied)
        );
    }

    [Theory]
    [InlineData("127.0.0.1", "http://127.0.0.1:0")]
    [InlineData("localhost", "http://127.0.0.1:0")]
    [InlineData("::1", "http://[::1]:0")]
    public void Addresses_of_this_machine(string host, string address) =>
        Assert.Equal(
            [address],
            Coppia.Server.Door.Listening.Addresses(new(_library.Folder.Path, host, 0, "", null, false))
        );

    [Fact] // against DNS rebinding (common practice)
    public void Only_own_names_are_answered_to_wherever_it_listens() =>
        Assert.Equal(
            ["127.0.0.1", "localhost", "[::1]", "music-room.example"],
            Coppia.Server.Door.Listening.Names(
                new Coppia.Server.Door.ServerOptions(_library.Folder.Path, "0.0.0.0", 0, "", null, false)
                {
                    Names = ["music-room.example"],
                }
            )
        );

    [Fact]
    public async Task A_file_that_is_no_library()
    {
        File.WriteAllText(_library.Folder.Database, new string('x', 5000));
        Assert.Contains("it is no SQLite file", await Refused(Serve()), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_damaged_library()
    {
        _library.With([.. Enumerable.Range(0, 200).Select(i => $"Tune {i}")]);
        SomeLibrary.Run(_library.Folder.Database, "PRAGMA wal_checkpoint(TRUNCATE)");
        var bytes = File.ReadAllBytes(_library.Folder.Database);
        for (var i = 100; i < 20_000; i++)
            bytes[i] = 0x5A;
        File.WriteAllBytes(_library.Folder.Database, bytes);
        Assert.Contains(
            "is damaged; bring the last backup back with ./coppia restore FILE",
            await Refused(Serve()),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_library_of_a_newer_Coppia()
    {
        _library.With("Ash Grove");
        SomeLibrary.Run(
            _library.Folder.Database,
            "INSERT INTO SchemaVersions (ScriptName, "
                + "Applied) VALUES ('Coppia.Data.Migrations.0099_more.sql', '2030-01-01')"
        );
        Assert.Contains(
            $"its tables have version 99, this program knows versions up to {Data.Store.Database.NewestVersion}",
            await Refused(Serve()),
            StringComparison.Ordinal
        );
        Assert.Equal(["Ash Grove"], SomeLibrary.Titles(_library.Folder.Database));
    }

    [Fact] // A table that a step is to make is there already.
    public async Task A_step_to_newer_tables_that_fails()
    {
        _library.MakeOld(8);
        SomeLibrary.Run(_library.Folder.Database, "CREATE TABLE earlier_ids (x)");
        var before = SomeLibrary.Dump(_library.Folder.Database);
        var said = await Refused(Serve());
        Assert.Contains("could not be brought from version 8 to", said, StringComparison.Ordinal);
        Assert.Contains("step 9 failed (table earlier_ids already exists)", said, StringComparison.Ordinal);
        Assert.Equal(before, SomeLibrary.Dump(_library.Folder.Database));
        Assert.Single(Directory.GetFiles(_library.Folder.Backups, "coppia-before-update-*.db"));
    }

    [Theory]
    [InlineData("/proc/coppia")] // nobody makes a folder there
    [InlineData("/dev/null/coppia")]
    public async Task A_folder_that_cannot_be_written_to(string folder) =>
        Assert.Contains(
            "expected a folder that you may write to",
            await Refused("--data", folder, "--port", "0"),
            StringComparison.Ordinal
        );

    [Fact]
    public async Task Arguments_that_are_none() =>
        Assert.StartsWith("usage: coppia serve", await Refused("--nonsense"), StringComparison.Ordinal);

    [Fact]
    public async Task A_certificate_that_is_none()
    {
        var file = Path.Combine(_library.Folder.Path, "cert.pem");
        var sentence = await Refused(Serve("--certificate", file));
        Assert.Contains($"--certificate {file} cannot be used", sentence, StringComparison.Ordinal);
        Assert.EndsWith("as PEM or as PKCS #12 without a password.", sentence, StringComparison.Ordinal);
        await File.WriteAllTextAsync(file, "-----BEGIN NOTHING-----");
        Assert.Contains("cannot be used", await Refused(Serve("--certificate", file)), StringComparison.Ordinal);
    }

    [Fact] // RFC 5280 and RFC 7468: a certificate and its key in one file of text.
    public async Task With_a_certificate_it_is_reached_over_https()
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        using var made = new CertificateRequest("CN=localhost", key, HashAlgorithmName.SHA256).CreateSelfSigned(
            DateTimeOffset.UtcNow.AddDays(-1),
            DateTimeOffset.UtcNow.AddDays(1)
        );
        var file = Path.Combine(_library.Folder.Path, "cert.pem");
        await File.WriteAllTextAsync(file, $"{made.ExportCertificatePem()}\n{key.ExportPkcs8PrivateKeyPem()}\n");
        var options = ServerOptions.Parse(Serve("--certificate", file))!;
        await using var app = CoppiaApp.Build(options, b => b.WebHost.UseUrls([.. Listening.Addresses(options)]));
        await app.StartAsync();
        using var client = new HttpClient(
            new HttpClientHandler
            {
                ServerCertificateCustomValidationCallback = (_, shown, _, _) => shown?.Thumbprint == made.Thumbprint,
            }
        );
        Assert.StartsWith("https://", app.Urls.First(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync($"{app.Urls.First()}/api/health")).StatusCode);
    }
}
