namespace Coppia.Formats.Abc;

/// <summary>One tune of an ABC text, with the fields at the head of the file that hold for all.</summary>
/// <param name="FileHeader">Lines at the head of the file.</param>
/// <param name="Own">Its own lines.</param>
/// <param name="FirstLine">Line number of its first own line.</param>
internal sealed record AbcTuneText(IReadOnlyList<string> FileHeader, IReadOnlyList<string> Own, int FirstLine)
{
    public int LastLine => FirstLine + Own.Count - 1;

    /// <summary>Its lines with their kinds; those of the file's header first.</summary>
    public IEnumerable<AbcLine> Lines => AbcLines.Of(FileHeader).Concat(AbcLines.Of(Own, FirstLine));

    /// <summary>The tune as a text of its own.</summary>
    public string Text => string.Join('\n', FileHeader.Concat(Own)).TrimEnd() + "\n";
}

/// <summary>Parts an ABC text into its tunes: each begins with X: (ABC standard 2.1, section 2.2).</summary>
internal static class AbcBook
{
    /// <summary>Fields that hold for every tune of a file, where they stand at its head.</summary>
    private const string FileFields = "ABCDFHILMmNORrSUZ";

    /// <summary>The tunes in order; of a text without X: the text itself.</summary>
    public static IReadOnlyList<AbcTuneText> Of(string text)
    {
        var lines = text.Replace("\r\n", "\n", StringComparison.Ordinal)
            .Replace('\r', '\n')
            .TrimStart('\uFEFF')
            .Split('\n');
        var starts = new List<int>();
        for (var i = 0; i < lines.Length; i++)
        {
            if (lines[i].TrimStart().StartsWith("X:", StringComparison.Ordinal))
                starts.Add(i);
        }

        if (starts.Count == 0)
            return [new AbcTuneText([], lines, 1)];
        // Words before the first tune are no music; fields there hold for all.
        var header = lines[..starts[0]].Select(l => l.Trim()).Where(IsForAll).ToArray();
        return
        [
            .. starts.Select(
                (start, i) =>
                    new AbcTuneText(
                        header,
                        lines[start..(i + 1 < starts.Count ? starts[i + 1] : lines.Length)],
                        start + 1
                    )
            ),
        ];
    }

    private static bool IsForAll(string line) =>
        line.StartsWith("%%", StringComparison.Ordinal)
        || AbcLines.IsField(line) && FileFields.Contains(line[0], StringComparison.Ordinal);
}
