using Microsoft.Net.Http.Headers;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Asked;

/// <summary>JSON comes in UTF-8 (RFC 8259, 8.1; OWASP ASVS 4.0.3, 13.2.5).</summary>
internal static class JsonBodies
{
    public static void RefuseOtherCharsets(this WebApplication app) =>
        app.Use(
            (context, next) =>
                MediaTypeHeaderValue.TryParse(context.Request.ContentType, out var type)
                && type.Charset.HasValue
                && !HeaderUtilities.RemoveQuotes(type.Charset).Equals("utf-8", StringComparison.OrdinalIgnoreCase)
                    ? Results
                        .Problem(
                            statusCode: 415,
                            title: Say(
                                "asked.json-bodies.the-body-is-in-the-charset-expected",
                                ("charset", type.Charset)
                            )
                        )
                        .ExecuteAsync(context)
                    : next(context)
        );
}
