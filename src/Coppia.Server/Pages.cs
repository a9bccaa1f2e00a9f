using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Routing.Template;
using Microsoft.Extensions.FileProviders;

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
        app.UseStaticFiles(
            new StaticFileOptions
            {
                FileProvider = files,
                // File names under assets carry a hash of their content, or the version of what they are.
                OnPrepareResponse = c =>
                    c.Context.Response.Headers.CacheControl = c.Context.Request.Path.StartsWithSegments("/assets")
                        ? "public, max-age=31536000, immutable"
                        : "no-cache",
            }
        );
    }

    /// <summary>Only for reading: another method meets no page (RFC 9110, 15.5.6).</summary>
    public static void MapPage(this WebApplication app, string webFolder) =>
        app.MapGet(
                "/{**address:nonfile}",
                () =>
                    Path.Combine(webFolder, "index.html") is var page && File.Exists(page)
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
