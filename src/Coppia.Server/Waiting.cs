namespace Coppia.Server;

/// <summary>Whether the one who asked still waits for the answer.</summary>
internal sealed class Waiting(IHttpContextAccessor requests)
{
    /// <summary>Set when the client has left, or the request has taken longer than any may.</summary>
    public CancellationToken Stop => requests.HttpContext?.RequestAborted ?? CancellationToken.None;
}
