using Coppia.Core.Bowing;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;

namespace Coppia.Server.Room;

/// <summary>One live example: a few notes that show what one setting does.</summary>
/// <param name="Setting">The setting's name in a style, such as fourthFinger.</param>
/// <param name="Instrument">Who plays.</param>
/// <param name="MusicXml">The notes with what is printed under them as lyrics.</param>
/// <param name="Printed">The same printed words, in order.</param>
/// <param name="Words">A sentence where words show the setting better than notes; null elsewhere.</param>
public sealed record StyleExample(
    string Setting,
    string Instrument,
    string MusicXml,
    IReadOnlyList<string> Printed,
    string? Words
);

/// <summary>For every setting of a house style a few notes that it changes.</summary>
internal static class StyleExamples
{
    /// <summary>Notes in ABC, and what is shown of their reading.</summary>
    private sealed record Show(string Setting, Instrument Player, string Key, string Notes)
    {
        public string Meter { get; init; } = "4/4";

        /// <summary>What is printed under a note: its pair, where nothing else is said.</summary>
        public Func<ReadingWords, ReadingNote, HouseStyle, string> Row { get; init; } =
            (words, note, _) => words.Label(note);

        public Func<ReadingWords, PlayerReading, string>? Words { get; init; }
    }

    private static readonly Show[] Shown =
    [
        new("fourthFinger", StringSection.Violin, "D", "F/G/A/G/ (G A) | B A G2"),
        new("lowHigh", StringSection.Violin, "C", "D F ^F A | c ^G A2"),
        new("extendedFourth", StringSection.Violin, "C", "a b c' b | a2 g2"),
        new("celloBack", StringSection.Cello, "Bb clef=bass", "D, E, F, D, | A, B, A,2"),
        new("alternatives.bass", StringSection.Bass, "F clef=bass", "F,, G,, A,, C, | D, E, F,2"),
        new("noteNames", StringSection.Violin, "C", "G A B c | _B A G2") { Row = (words, note, _) => words.Name(note) },
        new("octaveNames", StringSection.Violin, "D", "D F A d | c A D2")
        {
            Row = (words, note, _) => words.Name(note),
        },
        new("counting", StringSection.Violin, "D", "D/E/ F F/4G/4A/4G/4 F")
        {
            Row = (words, note, _) => words.Count(note),
        },
        new("compound", StringSection.Violin, "D", "D/E/F/ G/F/E/")
        {
            Row = (words, note, _) => words.Count(note),
            Meter = "6/8",
        },
        new("valueNames", StringSection.Violin, "D", "D2 E F/z/")
        {
            Row = (_, note, style) => note.Note.Event.Value.Words(style.ValueNames),
        },
        new("loudBow", StringSection.Violin, "D", "!f!D2 E2")
        {
            Row = (words, note, _) => words.Name(note),
            Words = (_, reading) => BowWords.Action(BowUse.Of(reading.Tune.Notes, [])[0].Action, reading.Player.Style),
        },
        new("afterLongRest", StringSection.Violin, "D", "D2 z2 | z4 | z4 | E2 F2")
        {
            Row = (_, note, _) => BowWords.Way(note.Bow),
        },
        new("tapes", StringSection.Violin, "C", "F") { Words = (words, reading) => words.Why(reading.Notes[0]).Place },
    ];

    public static IReadOnlyList<StyleExample> Of(HouseStyle style) => [.. Shown.Select(s => Example(s, style))];

    private static StyleExample Example(Show show, HouseStyle style)
    {
        var player = new Player(show.Player, style);
        var score = TuneReader.Read($"X:1\nM:{show.Meter}\nL:1/4\nK:{show.Key}\n{show.Notes} |]").Score!;
        var reading = PlayerReading.Of(score, player.Instrument, player);
        var words = new ReadingWords(reading);
        var printed = reading.Notes.Select(n => show.Row(words, n, style)).ToArray();
        var lines = reading
            .Notes.Zip(printed)
            .ToDictionary(p => p.First.Note.Id, p => (IReadOnlyList<string>)[p.Second]);
        return new StyleExample(
            Setting: show.Setting,
            Instrument: player.Instrument.Name,
            MusicXml: MusicXmlWriter.Write(reading.Score, new MusicXmlExtras(lines)),
            Printed: printed,
            Words: show.Words?.Invoke(words, reading)
        );
    }
}
