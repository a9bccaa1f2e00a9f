namespace Coppia.Core;

/// <summary>Lists and small numbers in words.</summary>
public static class Words
{
    /// <summary>"D", "D and A", "G, D and A".</summary>
    public static string List(IReadOnlyList<string> items) => items.Count switch
    {
        0 => "",
        1 => items[0],
        _ => $"{string.Join(", ", items.Take(items.Count - 1))} and {items[^1]}",
    };

    /// <summary>"no", "one" … "twelve", then figures.</summary>
    public static string Number(int n) => n >= 0 && n < Small.Length ? Small[n] : n.ToString(System.Globalization.CultureInfo.InvariantCulture);

    private static readonly string[] Small = ["no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve", "thirteen", "fourteen"];
}
