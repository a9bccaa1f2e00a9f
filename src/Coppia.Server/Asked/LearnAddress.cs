namespace Coppia.Server.Asked;

/// <summary>Where learners' own things are.</summary>
public static class LearnAddress
{
    internal const string Root = "/api/learn/";

    /// <summary>An address as a log may hold it: without what cannot be guessed.</summary>
    public static PathString WithoutLink(PathString path) =>
        path.Value is { } text && text.StartsWith(Root, StringComparison.OrdinalIgnoreCase)
            ? new PathString(Root + "…")
            : path;
}
