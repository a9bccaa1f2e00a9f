using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Source;

namespace Coppia.Server.Stand;

/// <summary>A row of text under the notes.</summary>
internal enum Row
{
    Pair,
    Name,
    Count,
    Bow,

    /// <summary>The words that are sung.</summary>
    Words,
}

/// <summary>A reading as MusicXML: the notes with rows of text under them.</summary>
internal static class ReadingMusic
{
    /// <summary>The chosen rows as lyric lines, and string and finger as technical marks.</summary>
    public static MusicXmlExtras Extras(PlayerReading reading, IReadOnlyList<Row> rows)
    {
        var words = new ReadingWords(reading);
        var fingered = reading.Notes.Where(n => !n.Note.IsGrace).ToArray();
        return new MusicXmlExtras(
            fingered.ToDictionary(n => n.Note.Id, n => (IReadOnlyList<string>)[.. rows.Select(r => Line(words, n, r))]),
            fingered
                .Where(n => n.Placement is not null)
                .ToDictionary(
                    n => n.Note.Id,
                    n => (reading.Instrument.Strings.Count - n.Placement!.Value.String, n.Placement.Value.Finger)
                )
        );
    }

    /// <summary>For the screen, which draws the rows itself and has the tempo in its heading.</summary>
    public static (string Text, MusicXmlSlots Slots) ForEngraving(PlayerReading reading) =>
        MusicXmlWriter.WriteSlotted([new ScoreLine("P1", "", Bare(reading.Score))], Unsung);

    /// <summary>Without the words to sing, which are a row of their own.</summary>
    /// <param name="goesOn">It is a later part of a tune, whose meter was printed before.</param>
    public static string ForEngraving(Score score, bool goesOn = false) =>
        MusicXmlWriter.Write(Bare(score), Unsung with { HidesFirstMeter = goesOn });

    /// <summary>Several readings as one score, a part each, with ids that begin with their prefixes.</summary>
    public static (string Text, MusicXmlSlots Slots) ForEngraving(
        IReadOnlyList<(PlayerReading Reading, string Prefix)> parts
    ) =>
        MusicXmlWriter.WriteSlotted(
            [
                .. parts.Select(
                    (p, i) => new ScoreLine($"P{i + 1}", "", ScoreIds.Prefixed(Bare(p.Reading.Score), p.Prefix))
                ),
            ],
            Unsung
        );

    private static readonly MusicXmlExtras Unsung = new(Lyrics: new Dictionary<string, IReadOnlyList<string>>());

    private static Score Bare(Score score) => score with { TempoWords = null, Tempo = null, InstrumentName = null };

    private static string Line(ReadingWords words, ReadingNote note, Row row) =>
        row switch
        {
            Row.Pair => words.Label(note),
            Row.Name => words.Name(note),
            Row.Count => words.Count(note) is { Length: > 0 } count ? count : "·",
            Row.Words => note.Note.Event.Lyrics is [{ Length: > 0 } sung, ..] ? sung : "·",
            _ => BowWords.Way(note.Bow),
        };
}
