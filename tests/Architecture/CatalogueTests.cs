using System.Text.Json;
using System.Text.RegularExpressions;
using Coppia.Core.Wording.Messages;

namespace Coppia.Tests;

/// <summary>
/// Every sentence has a key, every key a sentence, and every place of a sentence something to fill it.
/// </summary>
public partial class CatalogueTests
{
    /// <summary>For each attribute that limits a field: where its sentence stands, and what fills that.</summary>
    private static readonly Dictionary<string, (int At, string[] Names)> OfLimit = new()
    {
        ["Within("] = (2, ["least", "most"]),
        ["AtMost("] = (1, ["most"]),
        ["OneOfFour("] = (0, ["instruments"]),
    };

    /// <summary>What the sources say: file and line, the keys (two where one is chosen), and the names given.</summary>
    private static readonly (string Where, string[] Keys, string[] Names)[] Said =
    [
        .. Directory
            .EnumerateFiles(Path.Combine(Lines.Root(), "src"), "*.cs", SearchOption.AllDirectories)
            .Where(f =>
                !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/bin/", StringComparison.Ordinal)
            )
            .SelectMany(SaidIn),
        .. ExerciseKind.All.Select(OfKind),
    ];

    /// <summary>Three sentences of each kind of exercise are said by the kind's name.</summary>
    private static (string Where, string[] Keys, string[] Names) OfKind(ExerciseKind kind) =>
        (
            $"{kind}",
            [.. new[] { "name", "about", "instruction" }.Select(part => $"exercises.kind.{kind.Words}.{part}")],
            []
        );

    private static IEnumerable<(string Where, string[] Keys, string[] Names)> SaidIn(string file)
    {
        var text = File.ReadAllText(file);
        foreach (Match call in Call().Matches(text))
        {
            var arguments = Arguments(text, call.Index + call.Length);
            if (call.Value != "Say(")
            {
                // A limit at a field of a request.
                var (at, names) = OfLimit[call.Value];
                yield return (
                    Where(file, text, call),
                    [.. Key().Matches(arguments[at]).Select(k => k.Groups[1].Value)],
                    names
                );
                continue;
            }

            var keys = Key().Matches(arguments[0]).Select(k => k.Groups[1].Value).ToArray();
            if (keys.Length > 0)
            {
                yield return (
                    Where(file, text, call),
                    keys,
                    [.. arguments.Skip(1).Select(a => Name().Match(a).Groups[1].Value)]
                );
            }
        }
    }

    private static string Where(string file, string text, Match call) =>
        $"{Path.GetFileName(file)}:{text[..call.Index].Count(c => c == '\n') + 1}";

    /// <summary>The arguments of a call, whose opening parenthesis is the character before.</summary>
    private static List<string> Arguments(string text, int from)
    {
        var (found, start, depth) = (new List<string>(), from, 0);
        for (var i = from; ; i++)
        {
            switch (text[i])
            {
                case '"':
                    while (text[++i] != '"')
                        i += text[i] == '\\' ? 1 : 0;
                    break;
                case '\'':
                    i += text[i + 1] == '\\' ? 3 : 2;
                    break;
                case '(' or '[' or '{':
                    depth++;
                    break;
                case ')' when depth == 0:
                    found.Add(text[start..i]);
                    return found;
                case ')' or ']' or '}':
                    depth--;
                    break;
                case ',' when depth == 0:
                    found.Add(text[start..i]);
                    start = i + 1;
                    break;
            }
        }
    }

    [Fact]
    public void Every_key_that_is_said_is_in_the_catalogue() =>
        Assert.Empty(Said.SelectMany(s => s.Keys.Except(Catalogue.Keys).Select(k => $"{s.Where}: {k}")));

    [Fact]
    public void Every_sentence_of_the_catalogue_is_said() =>
        Assert.Empty(Catalogue.Keys.Except(Said.SelectMany(s => s.Keys)));

    [Fact]
    public void Every_place_of_a_sentence_is_filled_and_nothing_is_given_for_nothing() =>
        Assert.Empty(
            from said in Said
            from key in said.Keys
            let places = Catalogue.PlacesOf(key).Order().ToArray()
            where !places.SequenceEqual(said.Names.Order())
            select $"{said.Where}: {key} has {string.Join(' ', places)}; given {string.Join(' ', said.Names)}"
        );

    [Fact]
    public void The_catalogue_is_in_order_and_says_nothing_twice_under_one_key()
    {
        using var file = JsonDocument.Parse(
            File.ReadAllBytes(Path.Combine(Lines.Root(), "src/Coppia.Core/Wording/Messages/en.json"))
        );
        string[] keys = [.. file.RootElement.EnumerateObject().Select(m => m.Name)];
        Assert.Equal(keys.Distinct().Order(StringComparer.Ordinal), keys);
    }

    [GeneratedRegex(@"(?<![\w.])Say\(|(?<=property: )(Within|AtMost|OneOfFour)\(")]
    private static partial Regex Call();

    [GeneratedRegex("\"([a-z0-9-]+(?:\\.[a-z0-9-]+)+)\"")]
    private static partial Regex Key();

    [GeneratedRegex("^\\s*\\(\\s*\"([a-zA-Z0-9]+)\"")]
    private static partial Regex Name();
}
