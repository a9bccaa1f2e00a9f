using System.Text.RegularExpressions;

namespace Coppia.Tests;

/// <summary>Tables that were signed by hand, as a test writes them.</summary>
internal static partial class Table
{
    /// <summary>Rows as one line each: one that ends with a backslash goes on in the next.</summary>
    public static string Rows(string text) => Continued().Replace(text, "");

    [GeneratedRegex(@"\\\n\s*")]
    private static partial Regex Continued();
}
