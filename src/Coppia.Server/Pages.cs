using System.Diagnostics.CodeAnalysis;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Routing.Template;
using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Extensions.FileProviders;
using Microsoft.Net.Http.Headers;

namespace Coppia.Server;

/// <summary>
/// The built front end: its files, and its one page at every address that is no file and none of the API.
/// </summary>
internal static class Pages
{
    public static void ServeFiles(this WebApplication app, string webFolder)
    {
        if (!Directory.Exists(webFolder))
            return;
        var files = new PhysicalFileProvider(Path.GetFullPath(webFolder));
        app.UseDefaultFiles(new DefaultFilesOptions { FileProvider = files });
        app.Use(
            (context, next) =>
            {
                // A file that lies there compressed is sent as it lies there; of the API nothing lies there.
                if (
                    !context.Request.Path.StartsWithSegments("/api")
                    && TakesBrotli(context.Request)
                    && files.GetFileInfo(context.Request.Path + Compressed).Exists
                )
                    context.Request.Path += Compressed;
                return next(context);
            }
        );
        app.UseStaticFiles(
            new StaticFileOptions
            {
                FileProvider = files,
                ContentTypeProvider = new TypesOfFiles(),
                OnPrepareResponse = c => Describe(c.Context),
            }
        );
    }

    private static void Describe(HttpContext context)
    {
        var headers = context.Response.Headers;
        // File names under assets carry a hash of their content.
        headers.CacheControl = context.Request.Path.StartsWithSegments("/assets")
            ? "public, max-age=31536000, immutable"
            : "no-cache";
        if (!context.Request.Path.Value!.EndsWith(Compressed, StringComparison.Ordinal))
            return;
        headers.ContentEncoding = "br";
        headers.Append(HeaderNames.Vary, HeaderNames.AcceptEncoding);
    }

    /// <summary>What a file's name ends in that lies there compressed by Brotli (RFC 7932).</summary>
    private const string Compressed = ".br";

    private static bool TakesBrotli(HttpRequest request) =>
        (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method))
        && request.GetTypedHeaders().AcceptEncoding.Any(e => e.Value == "br" && e.Quality != 0);

    /// <summary>A compressed file is of the type of what is in it.</summary>
    private sealed class TypesOfFiles : IContentTypeProvider
    {
        private readonly FileExtensionContentTypeProvider _types = new();

        public bool TryGetContentType(string subpath, [MaybeNullWhen(false)] out string contentType) =>
            _types.TryGetContentType(
                subpath.EndsWith(Compressed, StringComparison.Ordinal) ? subpath[..^Compressed.Length] : subpath,
                out contentType
            );
    }

    /// <summary>One program; what is fetched first differs.</summary>
    private static string PageAt(PathString path) => path.StartsWithSegments("/learn") ? "learn.html" : "index.html";

    /// <summary>Only for reading: another method meets no page (RFC 9110, 15.5.6).</summary>
    public static void MapPage(this WebApplication app, string webFolder) =>
        app.MapGet(
                "/{**address:nonfile}",
                (HttpContext context) =>
                    Path.Combine(webFolder, PageAt(context.Request.Path)) is var page && File.Exists(page)
                        ? Results.File(page, "text/html")
                        : Results.Problem(statusCode: 404)
            )
            .AllowAnonymous()
            .ExcludeFromDescription();

    /// <summary>
    /// An address of the API that there is none of, or not with this method (RFC 9110, 15.5.5 and 15.5.6); never the
    /// page.
    /// </summary>
    public static void MapNothing(this WebApplication app) =>
        app.Map(
                "/api/{**rest}",
                (HttpContext context, EndpointDataSource addresses) =>
                {
                    var here = At(addresses, context.Request.Path);
                    var methods = here.SelectMany(MethodsOf).Distinct().Order().ToArray();
                    if (methods.Length == 0)
                        return Results.Problem(statusCode: 404);
                    var asked = here.FirstOrDefault(e => MethodsOf(e).Contains(context.Request.Method));
                    if (asked is not null)
                        return Results.Problem(statusCode: Takes(asked, context.Request.ContentType) ? 404 : 415);
                    context.Response.Headers.Allow = string.Join(", ", methods);
                    return Results.Problem(statusCode: 405);
                }
            )
            .ExcludeFromDescription();

    /// <summary>What the API has at an address, whatever is asked and sent there.</summary>
    private static RouteEndpoint[] At(EndpointDataSource addresses, PathString path) =>
        [
            .. addresses
                .Endpoints.OfType<RouteEndpoint>()
                .Where(e =>
                    e.RoutePattern.RawText?.StartsWith("/api/", StringComparison.Ordinal) == true
                    && new TemplateMatcher(new RouteTemplate(e.RoutePattern), []).TryMatch(path, [])
                ),
        ];

    private static bool Takes(RouteEndpoint address, string? type) =>
        address.Metadata.GetMetadata<IAcceptsMetadata>() is not { } accepted
        || accepted.ContentTypes.Any(t => type?.StartsWith(t, StringComparison.OrdinalIgnoreCase) == true);

    private static IReadOnlyList<string> MethodsOf(RouteEndpoint address) =>
        address.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? [];
}
