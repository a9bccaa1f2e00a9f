using System.IO.Compression;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;

namespace Coppia.Tests;

/// <summary>Reading and writing MusicXML. Source of the notation: W3C MusicXML 4.0.</summary>
public class MusicXmlTests
{
    private const string Note =
        "<note><pitch><step>D</step><octave>4</octave></pitch><duration>4</duration><voice>1</voice>"
        + "<type>whole</type></note>";

    private static string Part(string measures, string before = "") =>
        $"<?xml version=\"1.0\"?>\n{before}<score-partwise version=\"4.0\"><part-list><score-part "
        + "id=\"P1\"><part-name>Cello</part-name></score-part></part-list>\n<part "
        + $"id=\"P1\">{measures}</part></score-partwise>";

    private static string Measure(string content) =>
        "<measure number=\"1\"><attributes><divisions>1</divisions><key><fifths>2</fifths></key><time><beats>4</beats>"
        + "<beat-type>4</beat-type></time><clef><sign>F</sign><line>4</line></clef>"
        + $"</attributes>{content}</measure>";

    [Fact]
    public void A_small_score_is_read()
    {
        var score = MusicXmlReader.Read(Part(Measure(Note))).Score!;
        Assert.Equal(
            (2, "4/4", Clef.Bass, "Cello"),
            (score.Key.Fifths, score.Time.ToString(), score.Clef, score.InstrumentName)
        );
        Assert.Equal(StringSection.Cello, PrintedFor.Of(score));
        Assert.Equal("D4", score.Events.Single().Pitch.ToString());
    }

    // MusicXML 4.0: <time-modification> gives a note its ratio; the bracket's <tuplet> may be missing. Three eighths,
    // or a quarter and an eighth, make a triplet.
    [Theory]
    [InlineData("eighth eighth eighth eighth eighth eighth", "0-2 3-5")]
    [InlineData("quarter eighth eighth quarter", "0-1 2-3")]
    [InlineData("eighth eighth", "0-1")]
    public void Triplets_without_brackets_are_grouped(string types, string groups)
    {
        var notes = string.Concat(
            types
                .Split(' ')
                .Select(type =>
                    $"<note><pitch><step>D</step><octave>4</octave></pitch><duration>1</duration><type>{type}</type>"
                    + "<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes>"
                    + "</time-modification></note>"
                )
        );
        ScoreEvent[] events = [.. MusicXmlReader.Read(Part(Measure(notes))).Score!.Events];
        var starts = events.Index().Where(e => e.Item.TupletStart).Select(e => e.Index);
        var stops = events.Index().Where(e => e.Item.TupletStop).Select(e => e.Index);
        Assert.Equal(groups, string.Join(' ', starts.Zip(stops, (a, b) => $"{a}-{b}")));
    }

    [Fact] // An empty voice name means the first voice.
    public void A_note_with_an_empty_voice_is_of_the_first_voice() =>
        Assert.Equal(
            2,
            MusicXmlReader
                .Read(Part(Measure(Note.Replace("<voice>1", "<voice>", StringComparison.Ordinal) + Note)))
                .Score!.Events.Count()
        );

    [Theory]
    [InlineData("<score-partwise><part>", "not well formed")]
    [InlineData("<opus/>", "the outermost element is <opus>")]
    [InlineData("<score-timewise/>", "there is no part with music")]
    [InlineData("<score-partwise/>", "there is no part with music")]
    public void What_is_no_score_is_refused(string xml, string wrong)
    {
        var error = Assert.Single(MusicXmlReader.Read(xml).Errors);
        Assert.Contains(wrong, error.Wrong, StringComparison.Ordinal);
    }

    [Fact]
    public void A_bad_pitch_is_told_with_its_line_and_column()
    {
        var error = Assert.Single(
            MusicXmlReader
                .Read(Part("\n" + Measure(Note.Replace("<step>D", "<step>H", StringComparison.Ordinal))))
                .Errors
        );
        Assert.Equal(4, error.At.Line);
        Assert.Equal("a pitch that cannot be read", error.Wrong);
    }

    [Fact]
    public void External_entities_are_never_opened()
    {
        var secret = Path.GetTempFileName();
        File.WriteAllText(secret, "SECRET");
        var read = MusicXmlReader.Read(
            Part(Measure(Note), $"<!DOCTYPE x [<!ENTITY e SYSTEM \"file://{secret}\">]>")
                .Replace("Cello", "&e;", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(
            "SECRET",
            $"{read.Score?.InstrumentName}{string.Join(' ', read.Errors)}",
            StringComparison.Ordinal
        );
        Assert.Null(read.Score);
    }

    [Fact]
    public void The_usual_document_type_line_does_no_harm() =>
        Assert.NotNull(
            MusicXmlReader
                .Read(
                    Part(
                        Measure(Note),
                        "<!DOCTYPE score-partwise PUBLIC \"-//Recordare//DTD MusicXML 4.0 Partwise//EN\" "
                            + "\"partwise.dtd\">"
                    )
                )
                .Score
        );

    [Fact]
    public void A_compressed_file_is_unpacked()
    {
        var file = Mxl(
            ("META-INF/container.xml", "<container><rootfiles><rootfile full-path=\"a.xml\"/></rootfiles></container>"),
            ("a.xml", Part(Measure(Note)))
        );
        Assert.NotNull(TuneReader.Read(TuneBytes.Text(file)).Score);
    }

    [Fact]
    public void A_compressed_file_that_swells_is_refused()
    {
        var file = Mxl(
            ("META-INF/container.xml", "<container><rootfiles><rootfile full-path=\"a.xml\"/></rootfiles></container>"),
            ("a.xml", new string(' ', MxlFile.MostUnpackedBytes + 1))
        );
        Assert.Contains(
            "unpacks to more than 20 MB",
            Assert.Throws<InvalidDataException>(() => TuneBytes.Text(file)).Message,
            StringComparison.Ordinal
        );
        var crowded = Mxl([.. Enumerable.Range(0, MxlFile.MostEntries + 1).Select(i => ($"f{i}", "x"))]);
        Assert.Contains(
            "expected at most 100",
            Assert.Throws<InvalidDataException>(() => TuneBytes.Text(crowded)).Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_torn_file_is_refused() =>
        Assert.Throws<InvalidDataException>(() => TuneBytes.Text([(byte)'P', (byte)'K', 3, 4, 0, 0]));

    private static byte[] Mxl(params (string Name, string Text)[] entries)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, text) in entries)
            {
                using var writer = new StreamWriter(zip.CreateEntry(name).Open());
                writer.Write(text);
            }
        }

        return stream.ToArray();
    }
}
