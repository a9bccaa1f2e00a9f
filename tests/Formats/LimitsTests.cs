using System.IO.Compression;
using System.Text;
using Coppia.Formats.Books;

namespace Coppia.Tests;

/// <summary>
/// What no tune needs is refused at the place where it begins to be too much, and before it costs anything (OWASP ASVS
/// 4.0.3, 5.1.3, 5.5.2 and 12.1.2).
/// </summary>
public class LimitsTests
{
    private const string Head = "X:1\nT:t\nM:4/4\nL:1/4\nK:D\n";

    private static string Times(string repeated, int count) => string.Concat(Enumerable.Repeat(repeated, count));

    [Theory]
    // A hundred rests of 200 bars are 20,000; the next one, after 100 × 5 letters, is too much.
    [InlineData("Z200|", 5_000, 501, "at most 20,000")]
    [InlineData("D|", 20_001, 40_001, "at most 20,000")]
    [InlineData("D", 1_001, 1_001, "perhaps a barline is missing")]
    // 60 graces and their note are 61: the seventeenth such note, the last of 63 letters each, is too much.
    [InlineData(
        "{GGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGGG}D",
        20,
        17 * 63,
        "perhaps a barline is missing"
    )]
    public void Notes_of_a_tune_and_of_a_bar(string repeated, int times, int column, string expected)
    {
        var error = Assert.Single(TuneReader.Read(Head + Times(repeated, times) + "|\n").Errors);
        Assert.Equal(new SourcePosition(6, column), error.At);
        Assert.Contains(expected, error.Expected, StringComparison.Ordinal);
    }

    [Fact]
    public void Lines_of_a_score() =>
        Assert.Contains(
            "at most 200",
            Assert
                .Single(
                    TuneReader.Read(Head + string.Concat(Enumerable.Range(1, 201).Select(v => $"[V:{v}]D|"))).Errors
                )
                .Expected,
            StringComparison.Ordinal
        );

    [Fact]
    public void A_typed_row_without_barlines_may_be_as_long_as_a_tune() =>
        Assert.Equal(19_600, TuneReader.Read(Times("D E F# G ", 4_900)).Score!.Events.Count());

    [Fact]
    public void Elements_nested_as_no_score_is() =>
        Assert.Contains(
            "nested more than 64 deep",
            Assert.Single(TuneReader.Read($"<score-partwise>{Times("<a>", 100_000)}").Errors).Wrong,
            StringComparison.Ordinal
        );

    [Theory]
    [InlineData("<!DOCTYPE a [<!ENTITY b \"c\">]><a>&b;</a>")]
    [InlineData("<a><a><a><a>")]
    public void A_container_that_is_no_list(string container)
    {
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true))
        using (var entry = zip.CreateEntry("META-INF/container.xml").Open())
            entry.Write(Encoding.UTF8.GetBytes(container + Times("<b>", 50_000)));
        Assert.Contains(
            "container.xml is not well formed",
            Assert.Throws<InvalidDataException>(() => TuneBytes.Text(file.ToArray())).Message,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData(0x0000, "U+0000")]
    [InlineData(0x0001, "U+0001")]
    [InlineData(0xD834, "U+D834")]
    [InlineData(0xDD1E, "U+DD1E")]
    [InlineData(0xFFFE, "U+FFFE")]
    public void A_character_that_no_file_carries(int wrong, string name)
    {
        var error = Assert.Single(TuneReader.Read($"X:1\nT:Ash 𝄞 {(char)wrong} Grove\nK:D\nD|\n").Errors);
        // T : A s h, a space, a clef of two halves, a space: the tenth.
        Assert.Equal(
            (new SourcePosition(2, 10), true),
            (error.At, error.Wrong.Contains(name, StringComparison.Ordinal))
        );
    }

    [Theory] // ABC standard 2.1, section 8.2: \u and HTML names
    [InlineData("Ash\\u0000Grove")]
    [InlineData("Ash\\ud834Grove")]
    [InlineData("Ash&#1;Grove")]
    public void A_spelled_character_that_no_file_carries_is_left_out(string title) =>
        Assert.Equal("AshGrove", TuneReader.Read($"X:1\nT:{title}\nK:D\nD|\n").Score!.Title);

    [Fact] // common practice of old systems
    public void The_sign_at_the_end_of_an_old_file_is_no_part_of_it() =>
        Assert.Equal("X:1\nK:D\nD|\n", TuneBytes.Text(Encoding.Latin1.GetBytes("X:1\nK:D\nD|\n\u001A")));

    [Fact]
    public void Whoever_leaves_is_not_read_for()
    {
        using var left = new CancellationTokenSource();
        left.Cancel();
        Assert.Throws<OperationCanceledException>(() => TuneReader.Read(Head + Times("DDDD|", 1_000), left.Token));
    }
}
