namespace Coppia.Server.Asked;

/// <summary>Names of files that are saved.</summary>
internal static class FileNames
{
    /// <summary>A name that every system takes for a file.</summary>
    internal static string Plain(string name)
    {
        var plain = string.Concat(name.Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-')).Trim('-');
        return plain.Length <= 60 ? plain : plain[..60];
    }
}
