using Coppia.Cli;

namespace Coppia.Tests;

/// <summary>The contract of <c>coppia call</c>: bar, beat, note, a column a section, what is called.</summary>
public sealed class CallCommandTests : IDisposable
{
    private const string Tune = "X:1\nT:Up\nM:4/4\nL:1/4\nK:D\nC|D E F z|G A4|]\n";

    private readonly string _file = Path.GetTempFileName();

    public void Dispose() => File.Delete(_file);

    private (int Exit, string Out, string Error) Run(string tune, params string[] args)
    {
        File.WriteAllText(_file, tune);
        using StringWriter output = new() { NewLine = "\n" },
            error = new() { NewLine = "\n" };
        var exit = CallCommand.Run([_file, .. args], output, error);
        return (exit, output.ToString(), error.ToString().Replace(_file, "tune", StringComparison.Ordinal));
    }

    [Fact] // A pick-up is bar 0, on the beat before the barline; rests are no rows; the note is as printed.
    public void One_row_a_note_with_all_four_and_what_is_called()
    {
        var (exit, output, error) = Run(Tune);
        Assert.Equal(0, exit);
        Assert.Equal(
            """
            bar	beat	note	violin	viola	cello	bass	call
            0	4	C#4	G-H3	G-H3	G-x4	A4	violins and violas high 3 on G, cellos stretched 4 on G, basses 4 on A
            1	1	D4	D0	D0	D0	D0	all open D
            1	2	E4	D1	D1	D1	D1	all 1 on D
            1	3	F#4	D2	D2	D3	D4	violins and violas 2 on D, cellos 3 on D, basses 4 on D; cellos set 2 and 3 together
            2	1	G4	D3	D3	D4	G0	violins and violas 3 on D, cellos 4 on D, basses open G
            2	2	A4	A0	A0	A0	G1	violins, violas and cellos open A, basses 1 on G

            """.ReplaceLineEndings("\n"),
            output
        );
        Assert.Contains("written an octave lower for cello", error, StringComparison.Ordinal);
    }

    [Fact]
    public void The_sections_are_the_columns_in_the_order_that_was_asked_for()
    {
        var (exit, output, _) = Run(Tune, "--sections", "bass,violin");
        Assert.Equal(0, exit);
        Assert.Equal("bar\tbeat\tnote\tbass\tviolin\tcall", output.Split('\n')[0]);
        Assert.Equal("2\t1\tG4\tG0\tD3\tbasses open G, violins 3 on D", output.Split('\n')[5]);
    }

    [Theory]
    [InlineData("horn", "“horn” is not an instrument; expected violin, viola, cello or bass\n")]
    [InlineData(
        "cello,cello",
        "--sections “cello,cello” names no section, or one twice; expected such as violin,cello\n"
    )]
    [InlineData(",", "--sections “,” names no section, or one twice; expected such as violin,cello\n")]
    public void Unknown_sections_are_refused(string sections, string why) =>
        Assert.Equal((2, "", why), Run(Tune, "--sections", sections));

    [Fact]
    public void An_unreadable_tune_is_one_line_with_its_place()
    {
        var (exit, output, error) = Run("X:1\nK:D\nD [E\n");
        Assert.Equal((2, ""), (exit, output));
        Assert.StartsWith("tune:3:3: ", error, StringComparison.Ordinal);
        Assert.Single(error.TrimEnd('\n').Split('\n'));
    }
}
