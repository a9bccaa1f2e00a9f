using System.Text.Json;
using System.Text.RegularExpressions;
using Coppia.Formats.Records;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.Data.Sqlite;
using static Coppia.Core.Wording.Messages.Catalogue;

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
        var (status, title, detail) = AnswerTo(exception);
        if (status == 500)
            Failed(log, exception, LearnAddress.WithoutLink(context.Request.Path));
        else if (status > 500)
            NotPossible(log, title);
        await Results.Problem(statusCode: status, title: title, detail: detail).ExecuteAsync(context);
        return true;
    }

    private static (int Status, string Title, string? Detail) AnswerTo(Exception exception) =>
        exception switch
        {
            BadHttpRequestException bad => AnswerTo(bad),
            // A body in letters that are not known, or that breaks off.
            InvalidDataException or JsonException => (
                400,
                Say("asked.exceptions.the-request-cannot-be-read-2"),
                Problems.SeeDescription
            ),
            OperationCanceledException => (ClientLeft, Say("asked.exceptions.nobody-waited-for-the-answer"), null),
            SqliteException { SqliteErrorCode: 13 } => (
                507,
                Say("asked.exceptions.the-disk-is-full-nothing-was-changed"),
                null
            ),
            SqliteException { SqliteErrorCode: 5 or 6 } => (
                503,
                Say("asked.exceptions.the-library-is-busy-nothing-was"),
                null
            ),
            SqliteException { SqliteErrorCode: 8 } => (
                503,
                Say("asked.exceptions.the-library-can-only-be-read-at"),
                null
            ),
            _ => (500, Say("asked.exceptions.something-went-wrong-in-coppia"), null),
        };

    /// <summary>What the framework refuses before a handler sees it.</summary>
    private static (int Status, string Title, string? Detail) AnswerTo(BadHttpRequestException bad) =>
        bad switch
        {
            { StatusCode: 413 } => (413, Say("asked.exceptions.the-upload-is-too-large-at-most"), null),
            { InnerException: JsonException json } => (
                400,
                Say("asked.exceptions.the-request-cannot-be-read", ("said", JsonParts.MessageOf(json))),
                Problems.SeeDescription
            ),
            { StatusCode: 415 } => (415, Say("asked.exceptions.the-body-is-of-another-type-than"), Parameter(bad)),
            _ => (bad.StatusCode, Say("asked.exceptions.the-request-cannot-be-read-2"), Parameter(bad)),
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
