using System.Globalization;
using System.Text;

namespace Coppia.Core.Wording.Messages;

/// <summary>
/// A sentence with places to fill, in the notation of the Unicode Consortium's ICU MessageFormat: <c>{name}</c>; a
/// number with its thousands apart as <c>{n, number}</c>, in words as <c>{n, spellout}</c>; <c>{n, plural, =0 {no bars}
/// one {# bar} other {# bars}}</c> and <c>{kind, select, up {…} other {…}}</c>. Braces are quoted as <c>'{'</c>, and an
/// apostrophe is doubled.
/// </summary>
public sealed class Message
{
    private readonly Part[] _parts;

    private Message(Part[] parts) => _parts = parts;

    /// <summary>Reads a pattern.</summary>
    /// <exception cref="FormatException">The pattern is not of this notation; the place is told.</exception>
    internal static Message Of(string pattern)
    {
        var at = 0;
        var message = new Message(Parts(pattern, ref at, inPlural: false));
        return at == pattern.Length ? message : throw Wrong(pattern, at, "a brace that opens before this one");
    }

    /// <summary>A pattern with its places filled, in English.</summary>
    /// <exception cref="FormatException">The pattern is not of this notation; the place is told.</exception>
    /// <exception cref="ArgumentException">A place has nothing to fill it.</exception>
    public static string Filled(string pattern, params ReadOnlySpan<(string Name, object? Value)> with)
    {
        var to = new StringBuilder();
        Of(pattern).Write(to, with, Speech.English);
        return to.ToString();
    }

    /// <summary>The names of all places, also those in the branches of a plural.</summary>
    internal IEnumerable<string> Names =>
        _parts.SelectMany(p => p.Branches.SelectMany(b => b.Words.Names).Prepend(p.Name)).OfType<string>().Distinct();

    /// <summary>The sentence, where it has no places; null where it has.</summary>
    internal string? Plain =>
        _parts switch
        {
            [] => "",
            [{ Kind: PartKind.Text, Text: var text }] => text,
            _ => null,
        };

    /// <summary>Writes the sentence with its places filled.</summary>
    /// <exception cref="ArgumentException">A place has nothing to fill it.</exception>
    internal void Write(
        StringBuilder to,
        ReadOnlySpan<(string Name, object? Value)> with,
        Speech speech,
        int number = 0
    )
    {
        foreach (var part in _parts)
        {
            if (part.Kind == PartKind.Text)
                to.Append(part.Text);
            else if (part.Kind == PartKind.Counted)
                to.Append(CultureInfo.InvariantCulture, $"{number}");
            else
                Fill(to, part, with, speech);
        }
    }

    private static void Fill(
        StringBuilder to,
        Part part,
        ReadOnlySpan<(string Name, object? Value)> with,
        Speech speech
    )
    {
        var value = Value(part.Name!, with);
        switch (part.Kind)
        {
            case PartKind.Plural:
                var number = Convert.ToInt32(value, CultureInfo.InvariantCulture);
                Chosen(part, $"={number}", speech.Plural(number)).Write(to, with, speech, number);
                break;
            case PartKind.Select:
                Chosen(part, Printed(value), "other").Write(to, with, speech);
                break;
            case PartKind.Number:
                to.Append(CultureInfo.InvariantCulture, $"{value:N0}");
                break;
            case PartKind.Spelled:
                to.Append(speech.Spelled(Convert.ToInt32(value, CultureInfo.InvariantCulture)));
                break;
            default:
                to.Append(Printed(value));
                break;
        }
    }

    private static string Printed(object? value) =>
        value switch
        {
            null => "",
            IFormattable number => number.ToString(null, CultureInfo.InvariantCulture),
            _ => value.ToString() ?? "",
        };

    private static object? Value(string name, ReadOnlySpan<(string Name, object? Value)> with)
    {
        foreach (var (filled, value) in with)
        {
            if (filled == name)
                return value;
        }

        throw new ArgumentException($"Nothing fills {{{name}}}.", nameof(with));
    }

    /// <summary>The first of the wished branches that there is, else that for all others.</summary>
    private static Message Chosen(Part part, string exact, string rule)
    {
        Message? byRule = null,
            other = null;
        foreach (var (name, words) in part.Branches)
        {
            if (name == exact)
                return words;
            if (name == rule)
                byRule = words;
            if (name == "other")
                other = words;
        }

        return byRule ?? other!;
    }

    private static Part[] Parts(string pattern, ref int at, bool inPlural)
    {
        var parts = new List<Part>();
        var text = new StringBuilder();
        while (at < pattern.Length && pattern[at] != '}')
        {
            var c = pattern[at++];
            if (c == '\'')
                Quoted(pattern, ref at, text);
            else if (c == '{')
            {
                Flush();
                parts.Add(Place(pattern, ref at));
            }
            else if (c == '#' && inPlural)
            {
                Flush();
                parts.Add(new(PartKind.Counted));
            }
            else
                text.Append(c);
        }

        Flush();
        return [.. parts];

        void Flush()
        {
            if (text.Length > 0)
                parts.Add(new(PartKind.Text, Text: text.ToString()));
            text.Clear();
        }
    }

    /// <summary>After an apostrophe: another is one itself; before a brace all is text up to the next.</summary>
    private static void Quoted(string pattern, ref int at, StringBuilder text)
    {
        if (at < pattern.Length && pattern[at] is '{' or '}' or '#')
        {
            var end = pattern.IndexOf('\'', at);
            text.Append(end < 0 ? throw Wrong(pattern, at, "an apostrophe that closes") : pattern[at..end]);
            at = end + 1;
            return;
        }

        text.Append('\'');
        if (at < pattern.Length && pattern[at] == '\'')
            at++;
    }

    private static Part Place(string pattern, ref int at)
    {
        var name = Word(pattern, ref at);
        if (Next(pattern, ref at) == '}')
            return new(PartKind.Plain, name);
        var kind = Word(pattern, ref at);
        var end = Next(pattern, ref at);
        if (kind == "spellout" && end == '}')
            return new(PartKind.Spelled, name);
        if (kind == "number" && end == '}')
            return new(PartKind.Number, name);
        if (kind is not ("plural" or "select") || end != ',')
            throw Wrong(pattern, at, "number, spellout, plural or select");
        var branches = new List<(string, Message)>();
        while (true)
        {
            var branch = Word(pattern, ref at);
            if (branch.Length == 0)
                break;
            if (Next(pattern, ref at) != '{')
                throw Wrong(pattern, at, "{");
            branches.Add((branch, new(Parts(pattern, ref at, kind == "plural"))));
            at++;
        }

        if (Next(pattern, ref at) != '}' || !branches.Exists(b => b.Item1 == "other"))
            throw Wrong(pattern, at, "a branch for other, and }");
        return new(kind == "plural" ? PartKind.Plural : PartKind.Select, name) { Branches = [.. branches] };
    }

    private static string Word(string pattern, ref int at)
    {
        while (at < pattern.Length && char.IsWhiteSpace(pattern[at]))
            at++;
        var from = at;
        while (at < pattern.Length && (char.IsLetterOrDigit(pattern[at]) || pattern[at] is '=' or '-'))
            at++;
        return pattern[from..at];
    }

    private static char Next(string pattern, ref int at)
    {
        while (at < pattern.Length && char.IsWhiteSpace(pattern[at]))
            at++;
        return at < pattern.Length ? pattern[at++] : throw Wrong(pattern, at, "a brace that closes");
    }

    private static FormatException Wrong(string pattern, int at, string expected) =>
        new($"“{pattern}” cannot be read at character {at + 1}; expected {expected}.");

    private enum PartKind
    {
        Text,
        Plain,
        Number,
        Spelled,
        Plural,
        Select,

        /// <summary>The number that a plural counts, printed by <c>#</c>.</summary>
        Counted,
    }

    private sealed record Part(PartKind Kind, string? Name = null, string? Text = null)
    {
        public (string Name, Message Words)[] Branches { get; init; } = [];
    }
}
