using System.Globalization;
using Microsoft.AspNetCore.Http.Metadata;

namespace Coppia.Server.Asked;

/// <summary>The answers to requests that cannot be met (RFC 9457 problem details).</summary>
internal static class Problems
{
    public const string SeeDescription = "The API description says what is expected.";

    /// <summary>Says what the routes and the framework leave unsaid.</summary>
    public static void Complete(HttpContext context, Microsoft.AspNetCore.Mvc.ProblemDetails problem)
    {
        problem.Title = problem.Status switch
        {
            404 when problem.Title is null or "Not Found" => "There is nothing at this address.",
            405 =>
                $"{context.Request.Method} cannot be done at this address; expected {context.Response.Headers.Allow}.",
            415 when problem.Title is null or "Unsupported Media Type" =>
                "The body is of another type than expected: JSON, or a file in a form.",
            400 when problem.Title is null or "Bad Request" => "The request cannot be read.",
            _ => problem.Title,
        };
        if (problem is { Status: 400, Detail: null } && NoNumber(context) is { } name)
            problem.Detail = NotOfItsKind(name);
    }

    public static string NotOfItsKind(string parameter) =>
        $"“{parameter}” is missing, or is not of its kind. {SeeDescription}";

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
            throw new RefusedException(400, $"Expected {things} from 0 on, and 1 to {MostListed} at once.");
    }
}
