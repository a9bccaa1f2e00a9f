using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Microsoft.AspNetCore.Connections;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Door;

/// <summary>Coppia cannot start; the message is one sentence for the one who started it.</summary>
public sealed class StartRefusedException(string message, Exception? cause = null) : Exception(message, cause);

/// <summary>Where the server listens, and the names it answers to.</summary>
public static class Listening
{
    private static readonly string[] OwnNames = ["127.0.0.1", "localhost", "[::1]"];

    /// <summary>The addresses to listen on, such as http://127.0.0.1:4710.</summary>
    /// <exception cref="StartRefusedException">The name is not known.</exception>
    public static IReadOnlyList<string> Addresses(ServerOptions options)
    {
        var found = Resolved(options.Host);
        var port = FreePort(options, found[0]);
        var scheme = options.Certificate is null ? "http" : "https";
        return [.. found.Select(a => $"{scheme}://{new IPEndPoint(a, port)}")];
    }

    /// <summary>
    /// The certificate for HTTPS, which phones ask for before a page may stay on them; null for plain HTTP.
    /// </summary>
    /// <exception cref="StartRefusedException">The file holds none with its key.</exception>
    public static X509Certificate2? Certificate(ServerOptions options)
    {
        if (options.Certificate is not { } file)
            return null;
        try
        {
            var certificate = File.ReadAllText(file).Contains("-----BEGIN", StringComparison.Ordinal)
                ? X509Certificate2.CreateFromPemFile(file)
                : X509CertificateLoader.LoadPkcs12FromFile(file, password: null);
            if (certificate.HasPrivateKey)
                return certificate;
            throw new CryptographicException(Say("door.listening.it-has-no-private-key"));
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or CryptographicException)
        {
            throw new StartRefusedException(
                Say(
                    "door.listening.certificate-cannot-be-used-expected-a",
                    ("file", file),
                    ("trimEnd", e.Message.TrimEnd('.'))
                ),
                e
            );
        }
    }

    /// <summary>Other machines can reach it, so that it is never without a sign-in.</summary>
    public static bool IsBeyond(ServerOptions options) => Resolved(options.Host).Any(a => !IPAddress.IsLoopback(a));

    /// <exception cref="StartRefusedException">Other machines could reach it, and nobody can sign in.</exception>
    public static void DemandSignIn(ServerOptions options, bool hasTeachers)
    {
        if (IsBeyond(options) && !hasTeachers)
            throw new StartRefusedException(
                Say("door.listening.host-lets-other-machines-in-and-for", ("host", options.Host))
            );
    }

    /// <summary>
    /// The names that a request may be addressed to; the page of a site whose name points here is none of them, also
    /// beyond this machine (DNS rebinding; common practice).
    /// </summary>
    public static IReadOnlyList<string> Names(ServerOptions options) =>
        [
            .. OwnNames
                .Concat(options.Names)
                .Append(options.Host)
                .Where(n => n is not ("*" or "+" or "0.0.0.0" or "::" or "[::]"))
                .Distinct(),
        ];

    /// <summary>What to say of a failure to listen.</summary>
    public static StartRefusedException Refused(ServerOptions options, Exception e) =>
        new(
            SocketError(e) switch
            {
                System.Net.Sockets.SocketError.AddressAlreadyInUse => Say(
                    "door.listening.port-is-taken-perhaps-by-coppia",
                    ("port", options.Port),
                    ("port2", options.Port + 1)
                ),
                System.Net.Sockets.SocketError.AccessDenied => Say(
                    "door.listening.port-may-not-be-used-by-this",
                    ("port", options.Port),
                    ("usualPort", ServerOptions.UsualPort)
                ),
                System.Net.Sockets.SocketError.AddressNotAvailable => Say(
                    "door.listening.host-is-not-an-address-of-this",
                    ("host", options.Host)
                ),
                _ => Say(
                    "door.listening.coppia-cannot-listen-on-port",
                    ("host", options.Host),
                    ("port", options.Port),
                    ("trimEnd", e.Message.TrimEnd('.'))
                ),
            },
            e
        );

    private static SocketError? SocketError(Exception? e) =>
        e switch
        {
            null => null,
            SocketException socket => socket.SocketErrorCode,
            AddressInUseException => System.Net.Sockets.SocketError.AddressAlreadyInUse,
            _ => SocketError(e.InnerException),
        };

    private static IPAddress[] Resolved(string host)
    {
        if (host is "*" or "+")
            return [IPAddress.Any];
        if (IPAddress.TryParse(host.Trim('[', ']'), out var address))
            return [address];
        try
        {
            // One address of each kind.
            var found = Dns.GetHostAddresses(host).DistinctBy(a => a.AddressFamily).ToArray();
            if (found.Length > 0)
                return found.Any(a => !IPAddress.IsLoopback(a))
                    ? found
                    : [found.FirstOrDefault(a => a.AddressFamily == AddressFamily.InterNetwork) ?? found[0]];
        }
        catch (Exception e) when (e is SocketException or ArgumentException)
        {
            // told below
        }

        throw new StartRefusedException(Say("door.listening.host-is-not-known-here-expected-an", ("host", host)));
    }

    /// <summary>The asked-for port; where the usual one is taken and none was asked for, any free one.</summary>
    private static int FreePort(ServerOptions options, IPAddress address)
    {
        if (options.Port != ServerOptions.UsualPort)
            return options.Port;
        using var probe = new Socket(address.AddressFamily, SocketType.Stream, ProtocolType.Tcp);
        probe.SetSocketOption(SocketOptionLevel.Socket, SocketOptionName.ReuseAddress, true);
        try
        {
            probe.Bind(new IPEndPoint(address, options.Port));
            return options.Port;
        }
        catch (SocketException)
        {
            return 0;
        }
    }
}
