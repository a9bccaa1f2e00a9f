using System.Globalization;
using Microsoft.AspNetCore.Http.Metadata;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Asked;

/// <summary>The answers to requests that cannot be met (RFC 9457 problem details).</summary>
internal static class Problems
{
    public static string SeeDescription => Say("asked.problems.see-description");

    /// <summary>Says what the routes and the framework leave unsaid.</summary>
    public static void Complete(HttpContext context, Microsoft.AspNetCore.Mvc.ProblemDetails problem)
    {
        problem.Title = problem.Status switch
        {
            404 when problem.Title is null or "Not Found" => Say("asked.problems.there-is-nothing-at-this-address"),
            405 => Say(
                "asked.problems.cannot-be-done-at-this-address",
                ("method", context.Request.Method),
                ("allow", context.Response.Headers.Allow)
            ),
            415 when problem.Title is null or "Unsupported Media Type" => Say(
                "asked.problems.the-body-is-of-another-type-than"
            ),
            400 when problem.Title is null or "Bad Request" => Say("asked.exceptions.the-request-cannot-be-read-2"),
            _ => problem.Title,
        };
        if (problem is { Status: 400, Detail: null } && NoNumber(context) is { } name)
            problem.Detail = NotOfItsKind(name);
    }

    public static string NotOfItsKind(string parameter) =>
        Say("asked.problems.is-missing-or-is-not-of-its", ("parameter", parameter), ("seeDescription", SeeDescription));

    /// <summary>
    /// A figure of the query that is none: where it may be left out, the framework refuses it without a word.
    /// </summary>
    private static string? NoNumber(HttpContext context) =>
        context
            .GetEndpoint()
            ?.Metadata.GetOrderedMetadata<IParameterBindingMetadata>()
            .Where(p => p is { HasTryParse: true, IsOptional: true })
            .Select(p => p.Name)
            .FirstOrDefault(name =>
                context.Request.Query[name].ToString() is { Length: > 0 } text
                && !int.TryParse(text, CultureInfo.InvariantCulture, out _)
            );

    /// <summary>Most things of one page of a list.</summary>
    private const int MostListed = 200;

    /// <summary>Refuses a page that no list has.</summary>
    /// <param name="from">How many are passed over.</param>
    /// <param name="things">What is listed: tunes.</param>
    /// <exception cref="RefusedException">It begins before the first, or has too many.</exception>
    public static void CheckPage(int from, int count, string things)
    {
        if (from < 0 || count is < 1 or > MostListed)
            throw new RefusedException(
                400,
                Say("asked.problems.expected-from-0-on-and-1-to", ("things", things), ("mostListed", MostListed))
            );
    }
}
