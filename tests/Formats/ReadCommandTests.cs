using System.Text.Json;
using Coppia.Cli;
using Coppia.Formats.Records;

namespace Coppia.Tests;

/// <summary>The command line's contract.</summary>
public class ReadCommandTests : IDisposable
{
    private readonly string _file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.abc");

    public void Dispose()
    {
        File.Delete(_file);
        GC.SuppressFinalize(this);
    }

    private (int Exit, string Out, string Error) Run(string tune, params string[] options)
    {
        File.WriteAllText(_file, tune);
        using StringWriter output = new() { NewLine = "\n" },
            error = new() { NewLine = "\n" };
        return (
            ReadCommand.Run([_file, .. options], output, error),
            output.ToString(),
            error.ToString().Replace(_file, "FILE", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void One_tab_separated_row_a_sounding_note()
    {
        var (exit, rows, _) = Run("X:1\nM:4/4\nL:1/4\nK:C\nA,|F ^F/G/ (c d-)|d z2|]\n", "--for", "violin");
        Assert.Equal(0, exit);
        Assert.Equal(
            """
            bar	beat	note	string	finger	place	position	label	bow	count
            0	4	A3	G	1	regular	I	G1	up	4
            1	1	F4	D	2	low	I	D-L2	down	1
            1	2	F#4	D	2	regular	I	D2	up	2
            1	2.5	G4	D	3	regular	I	D3	down	&
            1	3	C5	A	2	low	I	A-L2	up	3
            1	4	D5	A	3	regular	I	A3	up	4

            """.ReplaceLineEndings("\n"),
            rows
        );
    }

    [Fact]
    public void The_octave_can_be_chosen()
    {
        const string Tune = "X:1\nM:4/4\nL:1/4\nK:D\nd e f g|]\n";
        string Labels(params string[] options) =>
            string.Join(' ', Run(Tune, options).Out.Split('\n')[1..5].Select(r => r.Split('\t')[7]));
        Assert.Equal("A3 E0 E1 E-L2", Labels("--for", "violin"));
        Assert.Equal("D0 D1 D2 D3", Labels("--for", "violin", "--octave", "-1"));
        Assert.Equal(2, Run(Tune, "--for", "violin", "--octave", "9").Exit);
        Assert.Contains(
            "written an octave lower for violin",
            Run(Tune, "--for", "violin", "--octave", "-1").Error,
            StringComparison.Ordinal
        );
    }

    /// <summary>
    /// What a violin class of the first scale has not met (craft 15): the G string's A under 1, and the rest.
    /// </summary>
    [Fact]
    public void What_is_new_to_a_class_is_listed()
    {
        const string Tune = "X:1\nM:4/4\nL:1/4\nK:D\nD E F G|A, D A, z|]\n";
        var known = _file + ".known.json";
        File.WriteAllText(known, KnownFile.Write(UsualOrder.UpTo(Stage.FirstFingers, [StringSection.Violin])));
        try
        {
            var (exit, rows, _) = Run(Tune, "--for", "violin", "--known", known, "--new");
            Assert.Equal(0, exit);
            Assert.Equal(
                """
                bar	times	weight	thing	words
                2	2	2	note violin G3 A3	A note you have not met: A, first finger on G, first in bar 2, twice.
                2	1	2	rest 1/4	A rest you have not met: quarter rest, bar 2, once.

                """.ReplaceLineEndings("\n"),
                rows
            );
            var json = JsonDocument
                .Parse(Run(Tune, "--for", "violin", "--known", known, "--format", "json").Out)
                .RootElement;
            var marked = json.EnumerateArray().Select(r => string.Join(';', r.GetProperty("new").EnumerateArray()));
            Assert.Equal(["", "", "", "", "A, first finger on G", "", ""], marked);
            Assert.Contains(
                "One new note (2), one new rest (2) and its hardest step (2): 6 in all.",
                Run(Tune, "--for", "violin", "--known", known, "--say").Out,
                StringComparison.Ordinal
            );

            // Without the fourth finger it is not used.
            Assert.Contains(
                "\tA0\t",
                Run("X:1\nL:1/4\nK:D\n(G A) G|]\n", "--for", "violin", "--known", known).Out,
                StringComparison.Ordinal
            );
            Assert.Equal(2, Run(Tune, "--for", "violin", "--new").Exit);
            File.WriteAllText(known, """{"known":["note violin G3"]}""");
            var wrong = Run(Tune, "--for", "violin", "--known", known, "--new");
            Assert.Equal((2, ""), (wrong.Exit, wrong.Out));
            Assert.Contains(
                "“note violin G3” is nothing that a class learns; expected a line such as",
                wrong.Error,
                StringComparison.Ordinal
            );
        }
        finally
        {
            File.Delete(known);
        }
    }

    [Theory] // A file is named from where the user stands; - is standard input.
    [InlineData("tune.abc", "")]
    [InlineData("-", " < tune.abc")]
    public async Task A_file_is_found_from_where_the_user_stands(string file, string redirected)
    {
        var folder = Directory.CreateTempSubdirectory();
        await File.WriteAllTextAsync(Path.Combine(folder.FullName, "tune.abc"), "X:1\nM:4/4\nL:1/4\nK:D\nD E F G|]\n");
        using var shell = System.Diagnostics.Process.Start(
            new System.Diagnostics.ProcessStartInfo(
                "bash",
                ["-c", $"\"$0\" read {file} --for violin{redirected}", Path.Combine(Lines.Root(), "coppia")]
            )
            {
                WorkingDirectory = folder.FullName,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        var error = shell.StandardError.ReadToEndAsync();
        var rows = await shell.StandardOutput.ReadToEndAsync();
        await shell.WaitForExitAsync();
        folder.Delete(recursive: true);
        Assert.True(shell.ExitCode == 0, await error);
        Assert.Equal("D0 D1 D2 D3", string.Join(' ', rows.Split('\n')[1..5].Select(r => r.Split('\t')[7])));
    }

    [Fact]
    public void Cello_stretches_have_their_words()
    {
        var (_, rows, _) = Run("X:1\nL:1/4\nK:Bb clef=bass\nD, E, ^G,|]\n", "--for", "cello");
        var cells = rows.Split('\n')[1..4].Select(r => string.Join(' ', r.Split('\t')[3..8]));
        Assert.Equal(["D 0 open I D0", "D 1 back I D-x1", "D 4 forward I D-x4"], cells);
    }

    [Fact]
    public void A_note_no_finger_reaches_prints_dashes_and_a_warning()
    {
        var (exit, rows, error) = Run("X:1\nL:1/4\nK:C\nC c''|]\n", "--for", "violin");
        Assert.Equal(0, exit);
        Assert.Contains("C7\t-\t-\t-\t-\t-\t", rows, StringComparison.Ordinal);
        Assert.Contains("no finger on the violin reaches C7", error, StringComparison.Ordinal);
    }

    [Fact]
    public void Unreadable_input_is_one_line_and_nothing_on_standard_output()
    {
        var (exit, rows, error) = Run("X:1\nK:D\nD [E\n", "--for", "cello");
        Assert.Equal((2, ""), (exit, rows));
        Assert.Equal("FILE:3:3: a chord begins with [ and never ends; expected a closing ]\n", error);
    }

    private const string TwoLines =
        "X:1\nM:4/4\nL:1/4\nK:D\nV:1 name=\"Violin\"\nV:2 name=\"Cello\" clef=bass\n[V:1]D E F G|]\n[V:2]D, "
        + "A,, D, A,,|]\n";

    [Theory] // Each instrument reads the line that is its own; --part takes another by its number or name.
    [InlineData("violin", null, "D0 D1 D2 D3")]
    [InlineData("cello", null, "D0 G1 D0 G1")]
    [InlineData("cello", "Cello", "D0 G1 D0 G1")]
    [InlineData("cello", "1", "D0 D1 D3 D4")]
    [InlineData("violin", "2", "D0 G1 D0 G1")]
    public void A_line_of_a_score(string instrument, string? part, string labels)
    {
        string[] options = part is null ? ["--for", instrument] : ["--for", instrument, "--part", part];
        var (exit, rows, error) = Run(TwoLines, options);
        Assert.Equal(0, exit);
        Assert.Equal(labels, string.Join(' ', rows.Split('\n')[1..5].Select(r => r.Split('\t')[7])));
        Assert.Equal(part is null, error.Contains("2 lines (Violin, Cello); number", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("1", "D4", 0)]
    [InlineData("2", "A4", 0)]
    [InlineData("3", "FILE:1:1: there is no tune 3; expected 1 to 2\n", 2)]
    public void A_tune_of_a_book(string number, string first, int exits)
    {
        var (exit, rows, error) = Run("X:1\nK:D\nD|]\n\nX:2\nK:D\nA|]\n", "--for", "violin", "--tune", number);
        Assert.Equal(exits, exit);
        Assert.Equal(first, exit == 0 ? rows.Split('\n')[1].Split('\t')[2] : error);
    }

    [Fact]
    public void A_part_that_is_not_there()
    {
        var (exit, rows, error) = Run(TwoLines, "--for", "violin", "--part", "Viola");
        Assert.Equal(
            (2, "", "FILE:1:1: there is no part “Viola”; expected 1 to 2 (Violin, Cello)\n"),
            (exit, rows, error)
        );
    }

    [Theory]
    [InlineData("--for", "flute")]
    [InlineData("--for")]
    [InlineData("--format", "tsv")]
    [InlineData("--for", "violin", "--format", "csv")]
    [InlineData("--for", "violin", "--other")]
    public void Wrong_usage_exits_with_2(params string[] options)
    {
        var (exit, rows, error) = Run("X:1\nK:D\nD|]\n", options);
        Assert.Equal((2, ""), (exit, rows));
        Assert.Equal(1, error.Count(c => c == '\n'));
    }

    [Fact]
    public void A_style_file_changes_labels_and_a_wrong_one_is_refused()
    {
        var style = Path.ChangeExtension(_file, ".json");
        File.WriteAllText(style, "{\"lowHigh\":\"arrows\"}");
        Assert.Contains(
            "D-↓2",
            Run("X:1\nK:C\nF|]\n", "--for", "violin", "--style", style).Out,
            StringComparison.Ordinal
        );
        File.WriteAllText(style, "{\"lowHight\":\"arrows\"}");
        var (exit, _, error) = Run("X:1\nK:C\nF|]\n", "--for", "violin", "--style", style);
        Assert.Equal(2, exit);
        Assert.Contains(".json:1:", error, StringComparison.Ordinal);
        File.Delete(style);
    }

    [Fact] // Everything that a reading says, in a teacher's order.
    public void What_a_teacher_would_say_can_be_printed()
    {
        var (exit, said, _) = Run("X:1\nM:4/4\nL:1/4\nK:D\nD E F2|G A B2|]\n", "--for", "cello", "--say");
        Assert.Equal(0, exit);
        Assert.Equal(
            ["# How it is built", "# Before line A, bars 1 and 2", "# What is hard", "# The bow", "# Why"],
            said.Split('\n').Where(line => line.StartsWith('#'))
        );
        Assert.Contains("One line, all of it new. 2 bars, all different.", said, StringComparison.Ordinal);
        Assert.Contains("3 strokes to a bar.", said, StringComparison.Ordinal);
    }

    [Fact]
    public void Json_has_the_same_columns()
    {
        var (_, json, _) = Run("X:1\nL:1/4\nK:D\nD|]\n", "--for", "violin", "--format", "json");
        using var rows = System.Text.Json.JsonDocument.Parse(json);
        Assert.Equal(
            ["bar", "beat", "note", "string", "finger", "place", "position", "label", "bow", "count"],
            rows.RootElement[0].EnumerateObject().Select(p => p.Name)
        );
    }
}
