using Coppia.Formats.Books;

namespace Coppia.Tests;

/// <summary>Short lines of music for tests, written in ABC.</summary>
internal static class Lines
{
    /// <summary>A score from a key field and a line of ABC with quarter notes as its unit.</summary>
    public static Score Score(string key, string music, string meter = "none")
    {
        var read = TuneReader.Read($"X:1\nM:{meter}\nL:1/4\nK:{key}\n{music} |]\n");
        return read.Score ?? throw new InvalidOperationException(string.Join("; ", read.Errors));
    }

    /// <summary>The pair row of a line printed for the instrument itself: "D0 D1 D-L2".</summary>
    public static string Pairs(string instrument, string key, string music, HouseStyle? style = null) =>
        string.Join(' ', Reading(instrument, key, music, style).Labelled());

    /// <summary>
    /// The pairs of a fingering by bar: "D0 D1 | A0"; ? for a note out of reach, nothing for a bar without a new note.
    /// </summary>
    public static string ByBar(Fingers fingering) =>
        string.Join(
                " | ",
                fingering.Score.Bars.Select(bar =>
                    string.Join(
                        ' ',
                        fingering
                            .Notes.Where(n => ReferenceEquals(n.Note.Bar, bar))
                            .Select(n => n.Placement is { } at ? Labels.Pair(at.Pair, fingering.Player) : "?")
                    )
                )
            )
            .Trim();

    public static PlayerReading Reading(string instrument, string key, string music, HouseStyle? style = null)
    {
        var player = new Player(Instrument(instrument), style);
        return PlayerReading.Of(Score(key, music), player.Instrument, player);
    }

    public static Instrument Instrument(string id, HouseStyle? style = null) =>
        (style ?? HouseStyle.Default).Instrument(id) ?? throw new ArgumentException(id);

    /// <summary>The folder that holds the solution.</summary>
    public static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "Coppia.slnx")))
            folder = folder.Parent;
        return folder?.FullName ?? throw new DirectoryNotFoundException("Coppia.slnx");
    }

    public static IEnumerable<string> DemoFiles() =>
        Directory.EnumerateFiles(Path.Combine(Root(), "demo", "tunes"), "*.abc").Order();
}
