using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Asked;

/// <summary>
/// No page of another site changes anything here: what a browser sends along of where a change comes from must be this
/// address (W3C Fetch Metadata Request Headers, Sec-Fetch-Site; RFC 6454, Origin; OWASP ASVS 4.0.3, 4.2.2 and 13.2.3).
/// Programs that are no browsers send neither.
/// </summary>
internal static class OtherSites
{
    private static string Refused => Say("asked.other-sites.refused");

    public static void RefuseOtherSites(this WebApplication app) =>
        app.Use(
            (context, next) =>
                IsReading(context.Request) || IsOurs(context.Request)
                    ? next(context)
                    : Results.Problem(statusCode: 403, title: Refused).ExecuteAsync(context)
        );

    private static bool IsReading(HttpRequest request) =>
        HttpMethods.IsGet(request.Method)
        || HttpMethods.IsHead(request.Method)
        || HttpMethods.IsOptions(request.Method);

    private static bool IsOurs(HttpRequest request)
    {
        // "none" is what the user does without a page.
        if (request.Headers["Sec-Fetch-Site"] is { Count: > 0 } site && site != "same-origin" && site != "none")
            return false;
        return request.Headers.Origin is not { Count: > 0 } origin || origin == $"{request.Scheme}://{request.Host}";
    }
}
