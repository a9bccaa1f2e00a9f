using Coppia.Formats.Source;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Asked;

/// <summary>A request that cannot be met, thrown where that is found; <see cref="Refusals"/> answers with it.</summary>
/// <param name="status">HTTP status of the answer, 400 to 499.</param>
/// <param name="title">Why, and what would be right, in a sentence.</param>
/// <param name="detail">Where; null for nothing more.</param>
internal class RefusedException(int status, string title, string? detail = null) : Exception(title)
{
    /// <summary>Nobody reads more errors than that.</summary>
    public const int MostErrors = 50;

    /// <summary>What the answer carries besides (RFC 9457, 3.2).</summary>
    public Dictionary<string, object?> With { get; } = [];

    public int Status => status;

    public ProblemHttpResult Problem =>
        TypedResults.Problem(
            statusCode: status,
            title: Message,
            detail: detail,
            extensions: new Dictionary<string, object?>(With)
        );

    /// <summary>404: there is no such thing.</summary>
    public static RefusedException NotHere(string what) => new(404, what);

    /// <summary>422: what was sent can be read, and cannot be kept or done.</summary>
    public static RefusedException Wrong(string what) => new(422, what);

    /// <summary>422: a field of what was sent cannot be.</summary>
    /// <param name="field">As JSON names it.</param>
    public static RefusedException Field(string field, string wrong) =>
        new(422, wrong) { With = { ["errors"] = new Dictionary<string, string[]> { [field] = [wrong] } } };

    /// <summary>409: another window was quicker, and nothing is overwritten.</summary>
    public static RefusedException Meanwhile(string what) => new(409, what);

    /// <summary>422 with the line and column of everything that is wrong in a tune.</summary>
    public static RefusedException Unreadable(IReadOnlyList<SourceError> errors) =>
        new UnreadableException(Say("asked.refused-exception.the-tune-cannot-be-read"), errors);
}

/// <summary>A text that is no tune.</summary>
internal class UnreadableException : RefusedException
{
    public UnreadableException(string title, IReadOnlyList<SourceError> errors)
        : base(422, title, Where(errors[0]))
    {
        With["errors"] = errors.Take(MostErrors).ToArray();
    }

    private static string Where(SourceError first) =>
        Say(
            "asked.refused-exception.line-column-expected",
            ("line", first.At.Line),
            ("column", first.At.Column),
            ("wrong", first.Wrong),
            ("expected", first.Expected)
        );
}
