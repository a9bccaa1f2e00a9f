namespace Coppia.Tests;

/// <summary>What is printed and said of a reading, for tests that look at words.</summary>
internal static class Said
{
    /// <summary>The pair row.</summary>
    public static IEnumerable<string> Labelled(this PlayerReading reading) =>
        reading.Notes.Select(new ReadingWords(reading).Label);

    public static string Text(this PlayerReading reading, Remark remark) =>
        new ReadingWords(reading).Remarks.Of(remark);

    public static IEnumerable<string> Warned(this PlayerReading reading) => new ReadingWords(reading).Warnings;

    public static string Text(this PlayerReading reading, TroubleSpot spot) =>
        new ReadingWords(reading).Trouble.Of(spot);

    /// <summary>The counting row of a score: held beats have a dash before them, rests brackets.</summary>
    public static string Counted(Score score, HouseStyle style) =>
        string.Join(
            ' ',
            Counts
                .Of(score, style)
                .Select(c => (c.Kind, Text: CountWords.Syllable(c, style)))
                .Where(c => c.Text.Length > 0)
                .Select(c =>
                    c.Kind switch
                    {
                        CountKind.Rest => $"({c.Text})",
                        CountKind.Held => $"-{c.Text}",
                        _ => c.Text,
                    }
                )
        );
}
