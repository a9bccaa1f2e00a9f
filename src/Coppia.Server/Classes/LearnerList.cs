using System.Globalization;
using Coppia.Core.Instruments;
using Coppia.Core.School;
using Coppia.Core.Wording.Terms;
using CsvHelper;
using CsvHelper.Configuration;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Classes;

/// <summary>One line of a list of learners as it was understood.</summary>
/// <param name="Line">Its number, from 1.</param>
/// <param name="Nickname">First name or nickname.</param>
/// <param name="Instrument">The instrument's id; empty where the line names none.</param>
/// <param name="Size">As the instrument's table names it.</param>
/// <param name="Wrong">What is wrong with the line and what would be right; null where nothing is.</param>
/// <param name="Advice">What might be better: a surname is not needed.</param>
public sealed record ListedLearner(
    int Line,
    string Nickname,
    string Instrument,
    string Size,
    string? Wrong,
    string? Advice
);

/// <summary>
/// A list of learners as teachers have it: typed or pasted, a line each ("Ada violin 3/4"), or rows of a table (CSV
/// with commas, semicolons or tabs, with a heading or without).
/// </summary>
internal static class LearnerList
{
    private const int LongestText = 50_000;

    private static readonly char[] Separators = ['\t', ';', ','];

    private static readonly string[] NameHeadings =
    [
        "name",
        "nickname",
        Say("classes.learner-list.first-name"),
        "learner",
        "pupil",
        "student",
    ];

    /// <exception cref="FormatException">It is too long.</exception>
    public static IReadOnlyList<ListedLearner> Read(string text)
    {
        if (text.Length > LongestText)
            throw new FormatException(
                Say(
                    "classes.learner-list.the-list-is-longer-than-characters",
                    ("longestText", LongestText),
                    ("mostLearners", Limits.MostLearners)
                )
            );
        string[] lines = [.. text.ReplaceLineEndings("\n").Split('\n')];
        var separator = Separators
            .Cast<char?>()
            .FirstOrDefault(s => lines.Count(l => l.Contains(s!.Value)) * 2 > lines.Count(l => l.Trim() != ""));
        var rows = separator is { } s ? Rows(text, s) : lines.Index().Select(l => (l.Index + 1, Words(l.Item)));
        var learners = rows.Where(r => r.Item2.Any(c => c.Trim().Length > 0)).ToArray();
        var columns = learners is [var (_, first), ..] && IsHeading(first) ? first : null;
        ListedLearner[] read =
        [
            .. (columns is null ? learners : learners[1..]).Select(r => Learner(r.Item1, Ordered(r.Item2, columns))),
        ];
        if (read.Length > Limits.MostLearners)
            throw new FormatException(
                Say(
                    "classes.learner-list.the-list-has-learners-expected-at",
                    ("read", read.Length),
                    ("mostLearners", Limits.MostLearners)
                )
            );
        return read;
    }

    /// <summary>What is wrong with a learner, or null.</summary>
    public static string? Wrong(string nickname, string instrument, string size)
    {
        if (nickname.Trim().Length is 0 or > Limits.LongestNickname)
            return Say("classes.learner-list.expected-a-nickname-of-1-to", ("longestNickname", Limits.LongestNickname));
        if (StringSection.Named(instrument) is not { } known)
            return Say(
                "classes.learner-list.is-not-an-instrument-expected",
                ("instrument", instrument),
                ("instruments", Labels.Instruments)
            );
        var sizes = English.Either([.. known.Sizes.Select(s => s.Name)]);
        return known.Sizes.All(s => s.Name != size)
            ? Say(
                "classes.learner-list.is-not-a-size-of-the-expected",
                ("size", size),
                ("known", known.Name.ToLowerInvariant()),
                ("sizes", sizes)
            )
            : null;
    }

    private static IEnumerable<(int, string[])> Rows(string text, char separator)
    {
        using var parser = new CsvParser(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = separator.ToString(),
                HasHeaderRecord = false,
                BadDataFound = null,
                TrimOptions = TrimOptions.Trim,
            }
        );
        while (parser.Read())
            yield return (parser.RawRow, parser.Record ?? []);
    }

    /// <summary>
    /// A typed line: the last words that name a size and an instrument, and before them the nickname.
    /// </summary>
    private static string[] Words(string line)
    {
        var words = line.Split(' ', StringSplitOptions.RemoveEmptyEntries).ToList();
        var (size, instrument) = ("", "");
        if (
            words.Count > 1 && Instrument(words[^1]) is null && words[^1].Any(char.IsDigit)
            || words.Count > 1 && IsHalf(words[^1])
        )
        {
            size = words[^1];
            words.RemoveAt(words.Count - 1);
        }

        foreach (var length in new[] { 2, 1 })
        {
            if (words.Count <= length || Instrument(string.Join(' ', words.TakeLast(length))) is not { } named)
                continue;
            instrument = named.Id;
            words.RemoveRange(words.Count - length, length);
            break;
        }

        return [string.Join(' ', words), instrument, size];
    }

    private static bool IsHeading(string[] cells) =>
        cells.Any(c => NameHeadings.Contains(c.Trim(), StringComparer.OrdinalIgnoreCase))
        && cells.All(c => Instrument(c) is null);

    /// <summary>Nickname, instrument and size, wherever the heading has them.</summary>
    private static string[] Ordered(string[] cells, string[]? heading)
    {
        if (heading is null)
            return [.. cells.Concat(["", "", ""]).Take(3)];
        return [Cell(NameHeadings), Cell(["instrument"]), Cell(["size"])];

        string Cell(string[] names)
        {
            var at = Array.FindIndex(heading, h => names.Contains(h.Trim(), StringComparer.OrdinalIgnoreCase));
            return at >= 0 && at < cells.Length ? cells[at] : "";
        }
    }

    private static ListedLearner Learner(int line, string[] cells)
    {
        var nickname = cells[0].Trim();
        var instrument = Instrument(cells[1]);
        var size = instrument is null ? cells[2].Trim() : Size(instrument, cells[2]);
        var id = instrument?.Id ?? cells[1].Trim();
        var wrong =
            id.Length == 0
                ? Say("classes.learner-list.expected-an-instrument-after-the-name", ("instruments", Labels.Instruments))
                : Wrong(nickname, id, size);
        var advice = nickname.Contains(' ', StringComparison.Ordinal)
            ? Say("classes.learner-list.a-first-name-or-nickname-is-enough")
            : null;
        return new ListedLearner(
            line,
            nickname,
            id,
            size,
            wrong is null ? null : Say("classes.learner-list.learner-line", ("line", line), ("wrong", wrong)),
            advice
        );
    }

    /// <summary>The instrument that a word names in any of the ways that scores do.</summary>
    private static Instrument? Instrument(string word) => PrintedFor.Named(word);

    /// <summary>A size as the table names it: ½ and 1/2, 15 and 15"; without one the usual.</summary>
    private static string Size(Instrument instrument, string word)
    {
        var plain = word.Trim()
            .Replace("½", "1/2", StringComparison.Ordinal)
            .Replace("¾", "3/4", StringComparison.Ordinal)
            .Replace("¼", "1/4", StringComparison.Ordinal)
            .Replace("⅛", "1/8", StringComparison.Ordinal)
            .Replace('”', '"')
            .Replace('″', '"');
        if (plain.Length == 0 || plain.Equals("full", StringComparison.OrdinalIgnoreCase))
            return instrument.FullSize.Name;
        return instrument.Sizes.FirstOrDefault(s => s.Name == plain || s.Name == plain + '"')?.Name ?? plain;
    }

    private static bool IsHalf(string word) =>
        word is ['½' or '¾' or '¼' or '⅛'] || word.Equals("full", StringComparison.OrdinalIgnoreCase);
}
