using System.Text.Json;
using System.Text.RegularExpressions;
using Coppia.Formats.Records;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.Data.Sqlite;

namespace Coppia.Server.Asked;

/// <summary>Turns what went wrong into problem details (RFC 9457); never a stack trace.</summary>
internal sealed partial class ProblemExceptions(ILogger<ProblemExceptions> log) : IExceptionHandler
{
    private const int ClientLeft = 499; // common practice; nobody reads it

    public async ValueTask<bool> TryHandleAsync(
        HttpContext context,
        Exception exception,
        CancellationToken cancellation
    )
    {
        var (status, title, detail) = Said(exception);
        if (status == 500)
            Failed(log, exception, LearnAddress.WithoutLink(context.Request.Path));
        else if (status > 500)
            NotPossible(log, title);
        await Results.Problem(statusCode: status, title: title, detail: detail).ExecuteAsync(context);
        return true;
    }

    private static (int Status, string Title, string? Detail) Said(Exception exception) =>
        exception switch
        {
            BadHttpRequestException { StatusCode: 413 } => (413, "The upload is too large; at most 5 MB.", null),
            BadHttpRequestException { InnerException: JsonException json } => (
                400,
                $"The request cannot be read: {JsonParts.Said(json)}.",
                Problems.SeeDescription
            ),
            BadHttpRequestException { StatusCode: 415 } bad => (
                415,
                "The body is of another type than expected.",
                Parameter(bad)
            ),
            BadHttpRequestException bad => (bad.StatusCode, "The request cannot be read.", Parameter(bad)),
            // A body in letters that are not known, or that breaks off.
            InvalidDataException or JsonException => (400, "The request cannot be read.", Problems.SeeDescription),
            OperationCanceledException => (ClientLeft, "Nobody waited for the answer.", null),
            SqliteException { SqliteErrorCode: 13 } => (
                507,
                "The disk is full. Nothing was changed; make room and try again.",
                null
            ),
            SqliteException { SqliteErrorCode: 5 or 6 } => (
                503,
                "The library is busy. Nothing was changed; try again.",
                null
            ),
            SqliteException { SqliteErrorCode: 8 } => (
                503,
                "The library can only be read at present. Nothing was changed.",
                null
            ),
            _ => (500, "Something went wrong in Coppia. Nothing was changed; the log says more.", null),
        };

    private static string Parameter(BadHttpRequestException bad)
    {
        var named = ParameterPattern().Match(bad.Message);
        return named.Success ? Problems.NotOfItsKind(named.Groups[1].Value) : Problems.SeeDescription;
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "Request failed: {Path}")]
    private static partial void Failed(ILogger log, Exception problem, PathString path);

    [LoggerMessage(Level = LogLevel.Warning, Message = "{Said}")]
    private static partial void NotPossible(ILogger log, string said);

    /// <summary>As the framework names a parameter: its type, then its name.</summary>
    [GeneratedRegex("parameter \"\\S+ (\\w+)\"")]
    private static partial Regex ParameterPattern();
}
