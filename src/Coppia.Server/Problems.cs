using Coppia.Core.Wording;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>The answers to requests that cannot be met (RFC 9457 problem details).</summary>
internal static class Problems
{
    /// <summary>Nobody reads more errors than that.</summary>
    public const int MostErrors = 50;

    public static ProblemHttpResult NoTune(long id) =>
        TypedResults.Problem(statusCode: 404, title: $"There is no tune {id}; it may have been deleted.");

    public static ProblemHttpResult NoInstrument(string name) =>
        TypedResults.Problem(statusCode: 404, title: $"“{name}” is not an instrument; expected {Labels.Instruments()}.");

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
