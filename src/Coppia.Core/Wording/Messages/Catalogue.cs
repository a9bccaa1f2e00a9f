using System.Collections.Concurrent;
using System.Text;
using System.Text.Json;

namespace Coppia.Core.Wording.Messages;

/// <summary>
/// Every sentence that Coppia says, by its key. A language is one file beside this one, <c>en.json</c>; a second is
/// another with the same keys, and its own rule for plurals.
/// </summary>
public static class Catalogue
{
    /// <summary>The language that is spoken, which names its file.</summary>
    public const string Language = "en";

    private static readonly Dictionary<string, string> Patterns = Read();
    private static readonly ConcurrentDictionary<string, Message> Known = new();

    /// <summary>All keys.</summary>
    public static IReadOnlyCollection<string> Keys => Patterns.Keys;

    /// <summary>The names of the places that a sentence has to be given.</summary>
    /// <exception cref="KeyNotFoundException">There is no such sentence.</exception>
    /// <exception cref="FormatException">Its pattern cannot be read.</exception>
    public static IEnumerable<string> PlacesOf(string key) => Found(key).Names;

    /// <summary>A sentence in the language that is spoken.</summary>
    /// <param name="key">Where it stands: room, file, first words, as <c>stand.remark.only-the-string</c>.</param>
    /// <param name="with">What fills its places, by name; numbers as numbers, so that nouns follow them.</param>
    /// <exception cref="KeyNotFoundException">There is no such sentence.</exception>
    /// <exception cref="ArgumentException">A place has nothing to fill it.</exception>
    public static string Say(string key, params ReadOnlySpan<(string Name, object? Value)> with)
    {
        var message = Found(key);
        if (message.Plain is { } plain)
            return plain;
        var to = new StringBuilder();
        message.Write(to, with, Speech.English);
        return to.ToString();
    }

    private static Message Found(string key) =>
        Known.GetOrAdd(
            key,
            static k =>
                Patterns.TryGetValue(k, out var pattern)
                    ? Message.Of(pattern)
                    : throw new KeyNotFoundException($"No sentence is called {k}.")
        );

    private static Dictionary<string, string> Read()
    {
        using var file =
            typeof(Catalogue).Assembly.GetManifestResourceStream($"{Language}.json")
            ?? throw new InvalidOperationException($"The sentences of {Language} are missing.");
        using var all = JsonDocument.Parse(file);
        return all.RootElement.EnumerateObject().ToDictionary(m => m.Name, m => m.Value.GetString()!);
    }
}
