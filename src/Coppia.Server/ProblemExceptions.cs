using Microsoft.AspNetCore.Diagnostics;

namespace Coppia.Server;

/// <summary>Turns what went wrong into problem details (RFC 9457); never a stack trace.</summary>
internal sealed partial class ProblemExceptions(IProblemDetailsService problems, ILogger<ProblemExceptions> log) : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancellation)
    {
        var (status, title) = exception switch
        {
            BadHttpRequestException bad => (
                bad.StatusCode,
                bad.StatusCode == 413
                    ? "The upload is too large; at most 5 MB."
                    : "The request cannot be read; see the API description for what is expected."
            ),
            _ => (500, "Something went wrong in Coppia. Nothing was changed; the log says more."),
        };
        if (status == 500)
            Failed(log, exception, context.Request.Path);
        context.Response.StatusCode = status;
        return await problems.TryWriteAsync(
            new ProblemDetailsContext { HttpContext = context, ProblemDetails = { Status = status, Title = title } }
        );
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "Request failed: {Path}")]
    private static partial void Failed(ILogger log, Exception problem, PathString path);
}
