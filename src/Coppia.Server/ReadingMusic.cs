using Coppia.Core.Reading;
using Coppia.Core.Wording;
using Coppia.Formats;

namespace Coppia.Server;

/// <summary>A reading as MusicXML: the notes with rows of text under them.</summary>
internal static class ReadingMusic
{
    /// <summary>The chosen rows (pair, name, count, bow) as lyric lines, and string and finger as technical marks.</summary>
    public static MusicXmlExtras Extras(PlayerReading reading, IReadOnlyList<string> rows)
    {
        var words = new ReadingWords(reading);
        var fingered = reading.Notes.Where(n => !n.Note.IsGrace).ToArray();
        return new MusicXmlExtras(
            fingered.ToDictionary(n => n.Note.Id, n => (IReadOnlyList<string>)[.. rows.Select(r => Line(words, n, r)).OfType<string>()]),
            fingered
                .Where(n => n.Placement is not null)
                .ToDictionary(n => n.Note.Id, n => (reading.Instrument.Strings.Count - n.Placement!.Value.String, n.Placement.Value.Finger))
        );
    }

    /// <summary>For the screen, which draws the rows itself and has the tempo in its heading.</summary>
    public static string ForEngraving(PlayerReading reading) =>
        MusicXmlWriter.Write(reading.Score with { TempoWords = null, Tempo = null });

    private static string? Line(ReadingWords words, ReadingNote note, string row) =>
        row switch
        {
            "pair" => words.Label(note),
            "name" => words.Name(note),
            "count" => words.Count(note) is { Length: > 0 } count ? count : "·",
            "bow" => BowWords.Way(note.Bow),
            _ => null,
        };
}
