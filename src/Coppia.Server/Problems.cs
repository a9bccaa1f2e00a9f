using System.Globalization;
using Coppia.Core.Wording;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Metadata;

namespace Coppia.Server;

/// <summary>The answers to requests that cannot be met (RFC 9457 problem details).</summary>
internal static class Problems
{
    /// <summary>Nobody reads more errors than that.</summary>
    public const int MostErrors = 50;

    public const string SeeDescription = "The API description says what is expected.";

    public static ProblemHttpResult NoTune(long id) =>
        TypedResults.Problem(statusCode: 404, title: $"There is no tune {id}; it may have been deleted.");

    /// <summary>Says what the routes and the framework leave unsaid.</summary>
    public static void Complete(HttpContext context, Microsoft.AspNetCore.Mvc.ProblemDetails problem)
    {
        problem.Title = problem.Status switch
        {
            404 when problem.Title is null or "Not Found" => "There is nothing at this address.",
            405 => $"{context.Request.Method} cannot be done at this address; expected {context.Response.Headers.Allow}.",
            415 when problem.Title is null or "Unsupported Media Type" =>
                "The body is of another type than expected: JSON, or a file in a form.",
            400 when problem.Title is null or "Bad Request" => "The request cannot be read.",
            _ => problem.Title,
        };
        if (problem is { Status: 400, Detail: null } && NoNumber(context) is { } name)
            problem.Detail = NotOfItsKind(name);
    }

    public static string NotOfItsKind(string parameter) => $"“{parameter}” is missing, or is not of its kind. {SeeDescription}";

    /// <summary>A figure of the query that is none: where it may be left out, the framework refuses it without a word.</summary>
    private static string? NoNumber(HttpContext context) =>
        context
            .GetEndpoint()
            ?.Metadata.GetOrderedMetadata<IParameterBindingMetadata>()
            .Where(p => p is { HasTryParse: true, IsOptional: true })
            .Select(p => p.Name)
            .FirstOrDefault(name =>
                context.Request.Query[name].ToString() is { Length: > 0 } text && !int.TryParse(text, CultureInfo.InvariantCulture, out _)
            );

    /// <summary>409: another window was quicker, and nothing is overwritten.</summary>
    /// <param name="current">The tune as the other window has saved it, which comes along so that both texts can be looked at.</param>
    public static ProblemHttpResult Meanwhile(Data.TuneRecord current)
    {
        var problem = Meanwhile("Someone saved this tune after you opened it.");
        problem.ProblemDetails.Extensions["current"] = TuneDetail.Of(current, null);
        return problem;
    }

    /// <inheritdoc cref="Meanwhile(Data.TuneRecord)"/>
    public static ProblemHttpResult Meanwhile(string what) => TypedResults.Problem(statusCode: 409, title: what);

    /// <summary>Most things of one page of a list.</summary>
    private const int MostListed = 200;

    /// <summary>400 for a page that no list has, else null.</summary>
    /// <param name="from">How many are passed over.</param>
    /// <param name="things">What is listed: tunes.</param>
    public static ProblemHttpResult? NoPage(int from, int count, string things) =>
        from < 0 || count is < 1 or > MostListed
            ? TypedResults.Problem(statusCode: 400, title: $"Expected {things} from 0 on, and 1 to {MostListed} at once.")
            : null;

    public static ProblemHttpResult NoInstrument(string name) =>
        TypedResults.Problem(statusCode: 404, title: $"“{name}” is not an instrument; expected {Labels.Instruments()}.");

    /// <summary>422 with the text of a kept tune, to be copied or mended.</summary>
    public static ProblemHttpResult Unreadable(UnreadableTuneException e)
    {
        var problem = Unreadable(e.Errors);
        problem.ProblemDetails.Title = $"This version of Coppia cannot read “{e.Tune.Title}”. Its text is kept.";
        problem.ProblemDetails.Extensions["source"] = e.Tune.Source;
        return problem;
    }

    /// <summary>422 with the line and column of everything that is wrong.</summary>
    public static ProblemHttpResult Unreadable(IReadOnlyList<SourceError> errors)
    {
        var first = errors[0];
        return TypedResults.Problem(
            statusCode: 422,
            title: "The tune cannot be read.",
            detail: $"Line {first.At.Line}, column {first.At.Column}: {first.Wrong}; expected {first.Expected}.",
            extensions: new Dictionary<string, object?> { ["errors"] = errors.Take(MostErrors).ToArray() }
        );
    }
}
