using System.IO.Compression;
using System.Text;
using Coppia.Formats.Abc;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Source;

namespace Coppia.Tests;

/// <summary>
/// MusicXML as notation programs write it. Source of every expected value: W3C MusicXML 4.0, at the element named.
/// </summary>
public class MusicXmlWildTests
{
    private static ReadResult Read(string xml)
    {
        var read = TuneReader.Read(xml);
        Assert.Empty(read.Errors);
        return read;
    }

    private static string Written(Score score) =>
        string.Join(' ', score.Events.Select(e => $"{(e.IsBarRest ? "Z" : e.Pitch?.ToString() ?? "z")}:{e.Length}"));

    [Fact] // forward: the voice is silent until then
    public void A_forward_is_silence() =>
        Assert.Equal(
            "C4:1/4 z:1/2 D4:1/4",
            Written(Read(Xml.Bars(Xml.Notes("C4:4") + Xml.Forward(8) + Xml.Notes("D4:4"))).Score!)
        );

    [Fact] // forward, backup: voices are at their own moments
    public void A_second_voice_is_a_line_of_its_own()
    {
        var read = Read(
            Xml.Bars(
                Xml.Notes("C5:8 D5:8") + Xml.Backup(16) + Xml.Forward(4) + Xml.Notes("E4:4 F4:8", voice: 2),
                Xml.Notes("C5:16")
            )
        );
        Assert.Equal(["Violin, voice 1", "Violin, voice 2"], read.Lines.Select(l => l.Name));
        Assert.Equal("C5:1/2 D5:1/2 C5:1", Written(read.Score!));
        Assert.Equal("z:1/4 E4:1/4 F4:1/2 Z:1", Written(read.Lines[1].Score));
    }

    [Fact] // A bar that holds only another voice is a bar of rest, and never vanishes.
    public void A_bar_of_another_voice_is_a_bar_of_rest() =>
        Assert.Equal(
            "C4:1 Z:1 D4:1",
            Written(Read(Xml.Bars(Xml.Notes("C4:16"), Xml.Notes("G4:16", voice: 2), Xml.Notes("D4:16"))).Score!)
        );

    [Fact] // The voice with the music is read, whatever stands first.
    public void The_first_voice_is_found_by_its_content() =>
        Assert.Equal(
            "C4:1 D4:1 E4:1",
            Written(
                Read(
                    Xml.Bars(
                        Xml.Notes("z:16") + Xml.Backup(16) + Xml.Notes("C4:16", voice: 2),
                        Xml.Notes("z:16") + Xml.Backup(16) + Xml.Notes("D4:16", voice: 2),
                        Xml.Notes("G3:16") + Xml.Backup(16) + Xml.Notes("E4:16", voice: 2)
                    )
                ).Score!
            )
        );

    [Fact] // staff: two staves are two lines, each in its clef
    public void Staves_are_lines()
    {
        var first =
            Xml.Attributes("G2", more: "<staves>2</staves>")
                .Replace("</attributes>", Xml.Clef("F4", 2) + "</attributes>", StringComparison.Ordinal)
            + Xml.Notes("C5:16", staff: 1)
            + Xml.Backup(16)
            + Xml.Notes("C3:16", voice: 5, staff: 2);
        var read = Read(Xml.Score("", ("Piano", $"<measure number=\"1\">{first}</measure>")));
        Assert.Equal(
            [("Piano, staff 1", Clef.Treble), ("Piano, staff 2", Clef.Bass)],
            read.Lines.Select(l => (l.Name, l.Score.Clef))
        );
        Assert.Equal(["C5:1", "C3:1"], read.Lines.Select(l => Written(l.Score)));
    }

    [Fact] // A part of rests or of drums is no line to read.
    public void Silent_and_unpitched_parts_are_passed_over()
    {
        var drum =
            "<note><unpitched><display-step>E</display-step><display-octave>4</display-octave></unpitched>"
            + "<duration>16</duration><type>whole</type></note>";
        var read = Read(
            Xml.Score(
                "",
                ("Drums", Xml.Measures(drum)),
                ("Flute", Xml.Measures(Xml.Notes("z:16"))),
                ("Cello", Xml.Measures(Xml.Notes("C3:16")))
            )
        );
        Assert.Equal("Cello", Assert.Single(read.Lines).Name);
        Assert.Equal("C3:1", Written(read.Score!));
        Assert.Contains("The part “Drums” has no pitches and is left out.", read.Notices.Select(n => n.Message));
    }

    [Fact] // tied: the sign may stand without the sound
    public void A_tie_given_by_its_sign_only_is_a_tie() =>
        Assert.True(
            Read(Xml.Bars(Xml.Notes("C4:8", more: "<notations><tied type=\"start\"/></notations>") + Xml.Notes("C4:8")))
                .Score!.Events.First()
                .TiedOn
        );

    [Fact] // measure number, implicit: the source counts
    public void Bars_have_the_sources_own_numbers()
    {
        var xml = Xml.Score(
            "",
            (
                "Violin",
                $"<measure number=\"21\">{Xml.Attributes()}{Xml.Notes("C4:16")}</measure>"
                    + $"<measure number=\"22\">{Xml.Notes("C4:8")}</measure><measure number=\"X1\" "
                    + $"implicit=\"yes\">{Xml.Notes("D4:8")}</measure>"
                    + $"<measure number=\"23\">{Xml.Notes("E4:16")}</measure>"
            )
        );
        Assert.Equal([21, 22, 22, 23], Read(xml).Score!.Bars.Select(b => b.Number));
        Assert.Empty(Read(xml).Notices);
        Assert.Equal(
            [21, 22, 22, 23],
            TuneReader.Read(MusicXmlWriter.Write(Read(xml).Score!)).Score!.Bars.Select(b => b.Number)
        );
        Assert.Equal(
            [21, 22, 22, 23],
            TuneReader.Read(AbcWriter.Write(Read(xml).Score!)).Score!.Bars.Select(b => b.Number)
        );
    }

    [Fact] // direction: what stands after the last note is not lost
    public void Directions_after_the_last_note_of_a_bar_are_kept()
    {
        var words = Xml.Direction("<words>rit.</words>");
        var loud = Xml.Direction("<dynamics><f/></dynamics>");
        ScoreEvent[] events =
        [
            .. Read(Xml.Bars(Xml.Notes("C4:8 D4:8") + words + loud, Xml.Notes("E4:16") + words)).Score!.Events,
        ];
        Assert.Equal([null, "rit.", "rit."], events.Select(e => e.Words));
        Assert.Equal([null, null, "f"], events.Select(e => e.Dynamic));
    }

    [Fact] // direction, offset: a sign in the middle of a long note belongs to the next
    public void A_direction_is_put_at_its_moment()
    {
        var loud = Xml.Direction("<dynamics><f/></dynamics>", "<offset>-8</offset>");
        ScoreEvent[] events = [.. Read(Xml.Bars(Xml.Notes("C4:8 D4:4") + loud + Xml.Notes("E4:4"))).Score!.Events];
        Assert.Equal([null, "f", null], events.Select(e => e.Dynamic));
    }

    [Fact] // repeat: times
    public void A_repeat_three_times()
    {
        var xml = Xml.Bars(
            Xml.Notes("C4:16") + "<barline location=\"right\"><repeat direction=\"backward\" times=\"3\"/></barline>"
        );
        Assert.Equal(3, Read(xml).Score!.Bars[0].RepeatTimes);
        Assert.Equal(3, Coppia.Core.Form.PlayOrder.Of(Read(xml).Score!).Count);
        Assert.Equal(3, Read(MusicXmlWriter.Write(Read(xml).Score!)).Score!.Bars[0].RepeatTimes);
    }

    [Theory] // transpose: a part in B flat sounds a whole step lower; an octave alone stays where it is written
    [InlineData("<diatonic>-1</diatonic><chromatic>-2</chromatic>", 2, "D5 E5 F#5", "C5 D5 E5", 0)]
    [InlineData("<chromatic>-2</chromatic>", 2, "D5 E5 F#5", "C5 D5 E5", 0)]
    [InlineData(
        "<diatonic>-1</diatonic><chromatic>-2</chromatic><octave-change>-1</octave-change>",
        0,
        "D5 F5 E5",
        "C4 Eb4 D4",
        -2
    )]
    [InlineData("<diatonic>2</diatonic><chromatic>3</chromatic>", 0, "A4 B4 C5", "C5 D5 Eb5", -3)]
    [InlineData(
        "<diatonic>0</diatonic><chromatic>0</chromatic><octave-change>-1</octave-change>",
        1,
        "G3 A3 F#3",
        "G3 A3 F#3",
        1
    )]
    [InlineData("<chromatic>-12</chromatic>", 1, "G3 A3 F#3", "G3 A3 F#3", 1)]
    public void Transposing_parts(string transpose, int fifths, string written, string read, int key)
    {
        var xml = Xml.Bars(Xml.Notes(string.Join(' ', written.Split(' ').Select(n => n + ":4")) + " z:4"))
            .Replace("<fifths>0</fifths>", $"<fifths>{fifths}</fifths>", StringComparison.Ordinal)
            .Replace(
                "<divisions>4</divisions>",
                $"<divisions>4</divisions><transpose>{transpose}</transpose>",
                StringComparison.Ordinal
            );
        var score = Read(xml).Score!;
        Assert.Equal(read, string.Join(' ', score.Events.Where(e => !e.IsRest).Select(e => e.Pitch)));
        Assert.Equal(key, score.Key.Fifths);
    }

    [Fact] // clef: a cello line goes up into the tenor clef and comes back
    public void Changes_of_clef_are_kept_where_they_are_printed()
    {
        var up = $"<attributes>{Xml.Clef("C4")}</attributes>";
        var down = $"<attributes>{Xml.Clef("F4")}</attributes>";
        var xml = Xml.Bars(Xml.Notes("C3:8") + up + Xml.Notes("C4:8"), Xml.Notes("D4:16") + down, Xml.Notes("C3:16"))
            .Replace(Xml.Clef("G2"), Xml.Clef("F4"), StringComparison.Ordinal);
        foreach (
            var score in new[]
            {
                Read(xml).Score!,
                Read(MusicXmlWriter.Write(Read(xml).Score!)).Score!,
                Read(AbcWriter.Write(Read(xml).Score!)).Score!,
            }
        )
        {
            Assert.Equal([Clef.Bass, Clef.Tenor, Clef.Bass], score.Bars.Select(b => b.Clef));
            Assert.Equal([null, Clef.Tenor, null, null], score.Events.Select(e => e.ClefChange));
        }
    }

    [Theory] // work-title, movement-title, credit
    [InlineData(
        "<work><work-title>A Suite</work-title></work><movement-title>Gigue</movement-title>",
        "A Suite: Gigue"
    )]
    [InlineData("<work><work-title>A Suite</work-title></work><movement-title>A Suite</movement-title>", "A Suite")]
    [InlineData(
        "<work><work-title>A Suite</work-title></work><movement-title>A Suite, first part</movement-title>",
        "A Suite, first part"
    )]
    [InlineData("<work><work-title></work-title></work><movement-title>Gigue</movement-title>", "Gigue")]
    [InlineData(
        "<credit page=\"1\"><credit-type>title</credit-type><credit-words>Boat Song</credit-words></credit>",
        "Boat Song"
    )]
    [InlineData(
        "<credit page=\"1\"><credit-words justify=\"center\" font-size=\"12\">for "
            + "beginners</credit-words></credit><credit page=\"1\"><credit-words justify=\"center\" "
            + "font-size=\"24\">Boat Song</credit-words></credit>",
        "Boat Song"
    )]
    public void Titles(string head, string title) =>
        Assert.Equal(title, Read(Xml.Score(head, ("Violin", Xml.Measures(Xml.Notes("C4:16"))))).Score!.Title);

    [Theory] // rest: measure="yes", or a whole rest that lasts the bar, or a rest without a printed value
    [InlineData("<note><rest measure=\"yes\"/><duration>12</duration></note>")]
    [InlineData("<note><rest/><duration>12</duration><type>whole</type></note>")]
    [InlineData("<note><rest/><duration>12</duration></note>")]
    public void Rests_for_the_bar(string rest)
    {
        var xml = Xml.Score(
            "",
            (
                "Violin",
                $"<measure number=\"1\">{Xml.Attributes(time: "<beats>3</beats><beat-type>4</beat-type>")}{rest}"
                    + $"</measure><measure number=\"2\">{Xml.Notes("C4:12")}</measure>"
            )
        );
        Assert.Equal("Z:3/4 C4:3/4", Written(Read(xml).Score!));
        Assert.Empty(Read(xml).Notices);
    }

    [Theory] // time: sums, and several fractions in a row
    [InlineData("<beats>3+2+3</beats><beat-type>8</beat-type>", "3+2+3/8", "1")]
    [InlineData("<beats>2</beats><beat-type>4</beat-type><beats>3</beats><beat-type>8</beat-type>", "4+3/8", "7/8")]
    public void Additive_meters(string time, string meter, string length)
    {
        var xml = Xml.Score(
            "",
            ("Violin", $"<measure number=\"1\">{Xml.Attributes(time: time)}{Xml.Notes("C4:4")}</measure>")
        );
        var score = Read(xml).Score!;
        Assert.Equal((meter, length), ($"{score.Time}", $"{score.Time!.Value.BarLength}"));
        Assert.Equal(score.Time, Read(MusicXmlWriter.Write(score)).Score!.Time);
        Assert.Equal(score.Time, Read(AbcWriter.Write(score)).Score!.Time);
    }

    [Theory] // fingering, thumb-position, open-string, harmonic
    [InlineData("<fingering>3</fingering>", 3, null, Marks.None)]
    [InlineData("<fingering>1-2</fingering>", 1, 2, Marks.None)]
    [InlineData("<fingering>1</fingering><fingering substitution=\"yes\">2</fingering>", 1, 2, Marks.None)]
    [InlineData("<fingering>T</fingering>", null, null, Marks.Thumb)]
    [InlineData("<thumb-position/>", null, null, Marks.Thumb)]
    [InlineData("<open-string/>", null, null, Marks.OpenString)]
    [InlineData("<harmonic><natural/></harmonic>", null, null, Marks.Harmonic)]
    [InlineData("<up-bow/><fingering>0</fingering>", 0, null, Marks.UpBow)]
    public void Signs_of_the_left_hand(string technical, int? finger, int? next, Marks marks)
    {
        var e = Read(Xml.Bars(Xml.Notes("C4:16", more: $"<notations><technical>{technical}</technical></notations>")))
            .Score!.Events.Single();
        Assert.Equal((finger, next, marks), (e.PrintedFinger, e.PrintedFingerTo, e.Marks));
    }

    [Fact] // wedge
    public void Hairpins()
    {
        var xml = Xml.Bars(
            Xml.Direction("<wedge type=\"crescendo\"/>")
                + Xml.Notes("C4:8 D4:8")
                + Xml.Direction("<wedge type=\"stop\"/>")
        );
        ScoreEvent[] events = [.. Read(xml).Score!.Events];
        Assert.Equal([Hairpin.Louder, Hairpin.None], events.Select(e => e.Hairpin));
        Assert.Equal([false, true], events.Select(e => e.HairpinStop));
    }

    [Fact] // lyric
    public void Words_to_sing()
    {
        var one =
            "<lyric number=\"1\"><syllabic>begin</syllabic><text>Ma</text></lyric><lyric "
            + "number=\"2\"><syllabic>single</syllabic><text>Sol</text></lyric>";
        var two = "<lyric number=\"1\"><syllabic>end</syllabic><text>ry</text></lyric>";
        var read = Read(Xml.Bars(Xml.Notes("C4:8", more: one) + Xml.Notes("D4:8", more: two)));
        Assert.Equal(["Ma-/Sol", "ry"], read.Score!.Events.Select(e => string.Join('/', e.Lyrics)));
    }

    [Theory] // metronome, words
    [InlineData("<metronome><beat-unit>quarter</beat-unit><per-minute>c. 96</per-minute></metronome>", 96, null, null)]
    [InlineData(
        "<metronome><beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>60</per-minute></metronome>",
        60,
        null,
        null
    )]
    [InlineData("<words>Allegretto</words>", null, "Allegretto", null)]
    [InlineData("<words>Not too fast</words>", null, "Not too fast", null)]
    [InlineData("<words>pizz.</words>", null, null, "pizz.")]
    [InlineData("<words>Verse 1</words>", null, null, "Verse 1")]
    public void Tempo_and_words(string type, int? perMinute, string? tempo, string? words)
    {
        var score = Read(Xml.Bars(Xml.Direction(type) + Xml.Notes("C4:16"))).Score!;
        Assert.Equal(
            (perMinute, tempo, words),
            (score.Tempo?.PerMinute, score.TempoWords, score.Events.Single().Words)
        );
    }

    [Theory] // The names of parts, as people write them (common practice).
    [InlineData("Violin I", "violin")]
    [InlineData("Violins", "violin")]
    [InlineData("Vln. 2", "violin")]
    [InlineData("Violino", "violin")]
    [InlineData("Geige", "violin")]
    [InlineData("Fiddle", "violin")]
    [InlineData("Viola", "viola")]
    [InlineData("Violas", "viola")]
    [InlineData("Bratsche", "viola")]
    [InlineData("Vla.", "viola")]
    [InlineData("Cello", "cello")]
    [InlineData("Violoncello", "cello")]
    [InlineData("Violoncelli", "cello")]
    [InlineData("Vc", "cello")]
    [InlineData("Double Bass", "bass")]
    [InlineData("Contrabass", "bass")]
    [InlineData("String Bass", "bass")]
    [InlineData("Bass", "bass")]
    [InlineData("Basses", "bass")]
    [InlineData("Kontrabass", "bass")]
    [InlineData("D.B.", "bass")]
    [InlineData("Bassoon", null)]
    [InlineData("Bass Clarinet", null)]
    [InlineData("Bass Guitar", null)]
    [InlineData("Bass Drum", null)]
    [InlineData("Alto Saxophone", null)]
    [InlineData("Viola da gamba", null)]
    [InlineData("Piano", null)]
    [InlineData("", null)]
    public void Instruments_by_name(string name, string? instrument) =>
        Assert.Equal(instrument, PrintedFor.Named(name)?.Id);

    [Fact] // The elements of MusicXML have no namespace; some programs give them one.
    public void A_default_namespace_does_no_harm() =>
        Assert.Equal(
            "C4:1",
            Written(
                Read(
                    Xml.Bars(Xml.Notes("C4:16"))
                        .Replace(
                            "<score-partwise",
                            "<score-partwise xmlns=\"http://example.org/music\"",
                            StringComparison.Ordinal
                        )
                ).Score!
            )
        );

    [Fact] // score-timewise: the same score nested the other way
    public void A_timewise_score_is_read() =>
        Assert.Equal(
            "C4:1 D4:1",
            Written(
                Read(
                    "<score-timewise><part-list><score-part "
                        + "id=\"P1\"><part-name>Violin</part-name></score-part></part-list><measure "
                        + "number=\"1\"><part "
                        + $"id=\"P1\">{Xml.Attributes()}{Xml.Notes("C4:16")}</part></measure><measure "
                        + "number=\"2\"><part "
                        + $"id=\"P1\">{Xml.Notes("D4:16")}</part></measure></score-timewise>"
                ).Score!
            )
        );

    public static TheoryData<string, byte[]> Encoded()
    {
        const string title = "<movement-title>Café</movement-title>";
        var xml = Xml.Score(title, ("Violin", Xml.Measures(Xml.Notes("C4:16"))));
        string Declared(string encoding) =>
            xml.Replace("version=\"1.0\"", $"version=\"1.0\" encoding=\"{encoding}\"", StringComparison.Ordinal);
        return new()
        {
            { "UTF-8", Encoding.UTF8.GetBytes(Declared("UTF-8")) },
            { "UTF-8 with its mark", [0xEF, 0xBB, 0xBF, .. Encoding.UTF8.GetBytes(xml)] },
            { "Latin-1 declared", Encoding.Latin1.GetBytes(Declared("ISO-8859-1")) },
            { "Windows-1252 declared", Encoding.Latin1.GetBytes(Declared("windows-1252")) },
            { "UTF-16 with its mark", [0xFF, 0xFE, .. Encoding.Unicode.GetBytes(Declared("UTF-16"))] },
            { "UTF-16 without", Encoding.Unicode.GetBytes(Declared("UTF-16")) },
            { "UTF-16 the other way round", Encoding.BigEndianUnicode.GetBytes(Declared("UTF-16")) },
            { "an ABC text in Latin-1", Encoding.Latin1.GetBytes("X:1\nT:Café\nL:1\nK:C\nC|]\n") },
            { "an ABC text in UTF-16", Encoding.Unicode.GetBytes("X:1\nT:Café\nL:1\nK:C\nC|]\n") },
        };
    }

    [Theory] // XML 1.0, section 4.3.3 and appendix F
    [MemberData(nameof(Encoded))]
    public void Every_encoding_is_read(string encoding, byte[] bytes)
    {
        var score = Read(TuneBytes.Text(bytes)).Score!;
        Assert.True(score is { Title: "Café" } && Written(score) == "C4:1", encoding);
    }

    [Fact] // container: the rootfile of MusicXML, not whatever stands first
    public void A_container_that_lists_something_else_first()
    {
        using var stream = new MemoryStream();
        using (var archive = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            Add(
                "META-INF/container.xml",
                "<container><rootfiles><rootfile full-path=\"score.pdf\" media-type=\"application/pdf\"/><rootfile "
                    + "full-path=\"score.musicxml\" "
                    + "media-type=\"application/vnd.recordare.musicxml+xml\"/></rootfiles></container>"
            );
            Add("score.pdf", "%PDF-1.4");
            Add("score.musicxml", Xml.Bars(Xml.Notes("C4:16")));
            void Add(string name, string text)
            {
                using var writer = new StreamWriter(archive.CreateEntry(name).Open());
                writer.Write(text);
            }
        }

        Assert.Equal("C4:1", Written(Read(TuneBytes.Text(stream.ToArray())).Score!));
    }

    [Theory] // alter: quarter tones are for other instruments; the nearest half step is read and said
    [InlineData("0.5", "C4", true)]
    [InlineData("1.5", "C#4", true)]
    [InlineData("-0.5", "C4", true)]
    [InlineData("1.0", "C#4", false)]
    [InlineData("1", "C#4", false)]
    public void Pitches_between_the_half_steps(string alter, string pitch, bool said)
    {
        var read = Read(Xml.Bars(Xml.Notes("C4:16").Replace("<alter>0", $"<alter>{alter}", StringComparison.Ordinal)));
        Assert.Equal(pitch, $"{read.Score!.Events.Single().Pitch}");
        Assert.Equal(
            said,
            read.Notices.Any(n => n.Message == "A pitch between the half steps is put on the nearest one.")
        );
    }

    [Fact] // A thousand voices in a thousand bars are no million bars: cost grows with the text.
    public void Many_voices_cost_what_their_text_costs()
    {
        var bars = Enumerable.Range(1, 1000).Select(v => Xml.Notes("C4:16", voice: v)).ToArray();
        var read = Read(Xml.Bars(bars));
        Assert.Equal(16, read.Lines.Count);
        Assert.Contains(
            "Of a part with many voices only the 16 fullest are read.",
            read.Notices.Select(n => n.Message)
        );
    }

    [Fact] // A score of many parts may be long; the limit holds for each line.
    public void Each_line_may_have_its_full_length()
    {
        var bars = Xml.Measures([.. Enumerable.Repeat(Xml.Notes("C4:4 D4:4 E4:4 F4:4"), 1500)]);
        Assert.Equal(
            4,
            Read(Xml.Score("", ("Violin I", bars), ("Violin II", bars), ("Viola", bars), ("Cello", bars))).Lines.Count
        );
    }

    [Fact] // Signs such as D.C. stand over the top part only, and every line goes the same way.
    public void Every_line_goes_the_way_of_the_top_line()
    {
        var end = Xml.Direction("<words>D.C. al Fine</words>", "<sound dacapo=\"yes\"/>");
        var fine = Xml.Direction("<words>Fine</words>", "<sound fine=\"yes\"/>");
        var read = Read(
            Xml.Score(
                "",
                ("Violin", Xml.Measures(Xml.Notes("C5:16") + fine, Xml.Notes("D5:16") + end)),
                ("Cello", Xml.Measures(Xml.Notes("C3:16"), Xml.Notes("D3:16")))
            )
        );
        Assert.All(read.Lines, l => Assert.Equal([0, 1, 0], Coppia.Core.Form.PlayOrder.Of(l.Score).Select(p => p.Bar)));
    }

    [Theory] // Silence about a loss is the worst fault.
    [InlineData("<notations><glissando type=\"start\"/></notations>", "Some signs on notes are left out (glissando).")]
    [InlineData(
        "<notations><technical><string>2</string></technical></notations>",
        "Some signs on notes are left out (string)."
    )]
    [InlineData(
        "<notations><technical><fingering>x</fingering></technical></notations>",
        "A printed finger that is no number from 0 to 4 is left out (“x”)."
    )]
    public void What_is_left_out_is_said_once_with_its_bars(string more, string notice)
    {
        var read = Read(
            Xml.Bars(Xml.Notes("C4:8 D4:8", more: more), Xml.Notes("C4:16"), Xml.Notes("C4:16", more: more))
        );
        var said = Assert.Single(read.Notices);
        Assert.Equal((notice + " (also in bar 3)", 1), (said.Message, said.Bar));
    }
}
