namespace Coppia.Server.Asked;

/// <summary>
/// What a browser is told to refuse on every answer (W3C Content Security Policy 3, Referrer Policy, Permissions
/// Policy; OWASP ASVS 4.0.3, 14.4.2 to 14.4.4, 14.4.6, 14.4.7 and 8.2.1).
/// </summary>
internal static class SafeHeaders
{
    // The engraver is WebAssembly, which a policy names apart; its pictures and the size of printed pages bring styles
    // of their own.
    private const string Policy =
        "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; worker-src 'self'; "
        + "style-src 'self' 'unsafe-inline'; "
        + "img-src 'self' data:; font-src 'self' data:; connect-src 'self' data:; manifest-src 'self'; "
        + "form-action 'self'; "
        + "base-uri 'none'; frame-ancestors 'none'";

    private static readonly (string Name, string Value)[] Always =
    [
        ("Content-Security-Policy", Policy),
        ("X-Content-Type-Options", "nosniff"),
        ("X-Frame-Options", "DENY"), // for browsers that know no frame-ancestors
        ("Referrer-Policy", "no-referrer"),
        ("Permissions-Policy", "camera=(), geolocation=(), microphone=(self), payment=(), usb=()"),
        ("Cross-Origin-Opener-Policy", "same-origin"),
        ("Cross-Origin-Resource-Policy", "same-origin"),
    ];

    public static void SendSafeHeaders(this WebApplication app) =>
        app.Use(
            (context, next) =>
            {
                // When the answer begins: whoever handles an error clears what was set before.
                context.Response.OnStarting(() =>
                {
                    var headers = context.Response.Headers;
                    foreach (var (name, value) in Always)
                        headers[name] = value;
                    if (context.Request.Path.StartsWithSegments("/api"))
                    {
                        headers.CacheControl = "no-store";
                        // Opened as a page it is a file, and nothing in it is drawn.
                        if (headers.ContentDisposition.Count == 0)
                            headers.ContentDisposition = "attachment; filename=\"api.json\"";
                    }

                    return Task.CompletedTask;
                });
                return next(context);
            }
        );
}
