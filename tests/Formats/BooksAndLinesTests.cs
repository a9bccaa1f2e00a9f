using System.IO.Compression;
using Coppia.Formats.Abc;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;

namespace Coppia.Tests;

/// <summary>
/// Books of many tunes, scores of many lines, and which line is for whom (craft 20; the names of parts are common
/// practice).
/// </summary>
public class BooksAndLinesTests
{
    private const string Book = """
        %abc-2.1
        M:4/4
        C:traditional

        Tunes for a rainy day.

        X:1
        T:First
        L:1/4
        K:D
        DEFG|]

        X:7
        T:Torn
        L:1/4
        K:D
        D[E

        X:8
        T:Third
        M:3/4
        L:1/4
        K:G
        GAB|]
        Some words behind it.
        """;

    [Fact]
    public void A_book_is_read_tune_by_tune_and_what_cannot_be_read_is_told_with_its_line()
    {
        var tunes = TuneBook.Of(Book);
        Assert.Equal([(1, 7), (2, 13), (3, 19)], tunes.Select(t => (t.Number, t.FirstLine)));
        Assert.Equal(["First", null, "Third"], tunes.Select(t => t.Read.Score?.Title));
        Assert.StartsWith(
            "17:2: a chord begins with [ and never ends",
            $"{tunes[1].Read.Errors[0]}",
            StringComparison.Ordinal
        );
        Assert.Equal("4/4", $"{tunes[0].Read.Score!.Time}");
        Assert.Equal("traditional", tunes[2].Read.Score!.Composer);
    }

    [Fact] // Whoever reads a book as one tune is told what is not read.
    public void The_tunes_behind_the_first_are_never_passed_over_in_silence() =>
        Assert.Contains(
            "Only the first of 3 tunes is read; the others are left out.",
            TuneReader.Read(Book).Notices.Select(n => n.Message)
        );

    [Fact] // A tune is kept as a text of its own, and reads as it did in its book.
    public void A_tune_taken_from_a_book_is_whole()
    {
        foreach (var tune in TuneBook.Of(Book).Where(t => t.Read.Score is not null))
        {
            var alone = TuneReader.Read(tune.Source).Score!;
            Assert.Equal(AbcWriter.Write(tune.Read.Score!), AbcWriter.Write(alone));
        }
    }

    [Fact]
    public void A_zip_of_files_is_a_book()
    {
        using var stream = new MemoryStream();
        using (var archive = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            Add("tunes/b.abc", Book);
            Add("tunes/a.musicxml", Xml.Bars(Xml.Notes("C4:16")));
            Add("tunes/c.txt", "G A B G");
            Add("tunes/readme.md", "no tune");
            Add("__MACOSX/tunes/._a.musicxml", "rubbish");
            void Add(string name, string text)
            {
                using var writer = new StreamWriter(archive.CreateEntry(name).Open());
                writer.Write(text);
            }
        }

        var tunes = TuneBook.OfFile(stream.ToArray());
        Assert.Equal(
            ["1 tunes/a.musicxml 1", "2 tunes/b.abc 4", "3 tunes/b.abc 0", "4 tunes/b.abc 3", "5 tunes/c.txt 4"],
            tunes.Select(t => $"{t.Number} {t.File} {t.Read.Score?.Events.Count() ?? 0}")
        );
    }

    [Fact]
    public void A_zip_without_tunes_is_refused_with_what_would_be_right()
    {
        using var stream = new MemoryStream();
        using (var archive = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
            archive.CreateEntry("picture.png");
        var problem = Assert.Throws<InvalidDataException>(() => TuneBook.OfFile(stream.ToArray()));
        Assert.StartsWith(
            "The file holds no tunes; expected files that end with .abc",
            problem.Message,
            StringComparison.Ordinal
        );
    }

    private static OfferedLine Line(string name, string clef, string notes) =>
        new(name, new[] { notes }.Select(n => Built(clef, n)).Single());

    private static Score Built(string clef, string notes) =>
        notes
            .Split(' ')
            .Aggregate(new ScoreBuilder(Clef.Named(clef)!).In(TimeSignature.CommonTime), (b, n) => b.Note(n))
            .Build();

    private static string Proposed(params OfferedLine[] lines) =>
        string.Join(' ', WhichLine.Proposed(lines).OrderBy(p => p.Value).Select(p => $"{p.Key}={p.Value}"));

    [Fact]
    public void A_string_orchestra_gives_each_instrument_its_own_line() =>
        Assert.Equal(
            "violin=0 viola=2 cello=3 bass=4",
            Proposed(
                Line("Violin I", "treble", "A4 B4"),
                Line("Violin II", "treble", "D4 E4"),
                Line("Viola", "alto", "G3 A3"),
                Line("Violoncello", "bass", "C3 D3"),
                Line("Contrabass", "bass", "G2 A2")
            )
        );

    [Fact] // A quartet has no bass, and nobody's line is given to it.
    public void Who_has_no_line_gets_none() =>
        Assert.Equal(
            "violin=0 viola=1 cello=2",
            Proposed(Line("Violin", "treble", "A4"), Line("Viola", "alto", "G3"), Line("Cello", "bass", "C3"))
        );

    [Fact]
    public void Names_win_over_the_order() =>
        Assert.Equal("cello=0 violin=1", Proposed(Line("Cello", "bass", "C3"), Line("Violin", "treble", "A4")));

    [Fact] // Without names of strings, by clef and range.
    public void Voices_without_names_go_by_clef_and_range()
    {
        Assert.Equal(
            "violin=0 cello=1",
            Proposed(Line("Piano, staff 1", "treble", "A4 C5"), Line("Piano, staff 2", "bass", "C3 G2"))
        );
        Assert.Equal("violin=0", Proposed(Line("Voice 1", "treble", "A4 C5"), Line("Voice 2", "treble", "D4 E4")));
        Assert.Equal("violin=1", Proposed(Line("Low", "treble", "C3 D3"), Line("High", "treble", "A4 C5")));
        Assert.Equal(
            "violin=0 cello=1 bass=2",
            Proposed(Line("S", "treble", "A4"), Line("T", "bass", "C3"), Line("B", "bass", "G2"))
        );
        Assert.Equal("cello=0", Proposed(Line("", "tenor", "C4 D4")));
    }

    [Theory] // Double basses sound an octave below what they read; E2 is their lowest written note.
    [InlineData("G2 E2", 0)]
    [InlineData("G1 E1", 1)]
    [InlineData("D2 G2", 1)]
    public void A_bass_line_written_where_it_sounds_is_noticed(string notes, int octaves) =>
        Assert.Equal(octaves, WhichLine.WrittenTooLow(StringSection.Bass, Built("bass", notes)));

    [Fact] // Only the instrument that sounds elsewhere than it reads can be written so.
    public void A_cello_line_is_never_too_low() =>
        Assert.Equal(0, WhichLine.WrittenTooLow(StringSection.Cello, Built("bass", "E1 C1")));

    [Fact]
    public void Both_writers_keep_every_line()
    {
        var read = TuneReader.Read(
            "X:1\nT:Two\nM:3/4\nL:1/4\nK:G\nV:1 name=\"Violin\"\nV:2 name=\"Cello\" clef=bass\n[V:1]GAB|c2B|\nw:one "
                + "two three four five\n[V:2]G,3|[K:C]C,2G,|\n"
        );
        var lines = read.Lines.Select(l => (l.Name, AbcWriter.Write(l.Score)));
        Assert.Equal(
            lines,
            TuneReader.Read(MusicXmlWriter.Write(read.Lines)).Lines.Select(l => (l.Name, AbcWriter.Write(l.Score)))
        );
        Assert.Equal(
            lines,
            TuneReader.Read(AbcWriter.Write(read.Lines)).Lines.Select(l => (l.Name, AbcWriter.Write(l.Score)))
        );
    }
}
