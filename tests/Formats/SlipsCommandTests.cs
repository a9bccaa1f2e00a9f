using Coppia.Cli;

namespace Coppia.Tests;

/// <summary>
/// The contract of <c>coppia slips</c>: bar, from, to, points, why, the hardest first. Points reckoned by hand from
/// craft 11.
/// </summary>
public sealed class SlipsCommandTests : IDisposable
{
    private readonly string _file = Path.GetTempFileName();

    public void Dispose() => File.Delete(_file);

    private (int Exit, string Out, string Error) Run(string tune, params string[] args)
    {
        File.WriteAllText(_file, tune);
        using StringWriter output = new() { NewLine = "\n" },
            error = new() { NewLine = "\n" };
        var exit = SlipsCommand.Run([_file, .. args], output, error);
        return (exit, output.ToString(), error.ToString().Replace(_file, "tune", StringComparison.Ordinal));
    }

    private const string Head = "X:1\nT:Up\nM:4/4\nL:1/4\n";

    // B to F sharp: a crossing 1, two fingers more 2. D to B: a crossing 1, a sixth 1. F sharp to E: one finger more
    // off, 1.
    [Fact]
    public void Each_different_step_is_a_row_the_hardest_first()
    {
        var (exit, output, error) = Run(
            Head + "K:D clef=bass\nD, B, B, B,|F, E, D,2|D, B, B, B,|]\n",
            "--for",
            "cello"
        );
        Assert.Equal((0, ""), (exit, error));
        Assert.Equal(
            """
            bar	from	to	points	why
            2	B3	F#3	3	A string crossing, and fingers 2 and 3 to add.
            1	D3	B3	2	A string crossing and a leap.
            2	F#3	E3	1	Fingers 2 and 3 off at once.

            """.ReplaceLineEndings("\n"),
            output
        );
    }

    [Fact] // Open to open ½, half as much again in eighths.
    public void Quick_notes_count_half_as_much_again()
    {
        var (_, output, _) = Run(Head + "K:D\nD/ A/ D A2|]\n", "--for", "violin");
        Assert.Equal(
            "bar\tfrom\tto\tpoints\twhy\n1\tD4\tA4\t0.75\tA string crossing, in quick notes.\n1\tA4\tD4\t0.75\t"
                + "A string crossing, in quick notes.\n",
            output
        );
    }

    [Fact] // A finger that was not learned counts 3, and is said.
    public void A_class_that_has_not_met_a_note_is_told()
    {
        var known = Path.GetTempFileName();
        File.WriteAllText(
            known,
            """{"known":["note violin D4 D4","position violin I","key 2","meter 4/4","value 1/4"]}"""
        );
        var (exit, output, _) = Run(Head + "K:D\nD E E D|]\n", "--for", "violin", "--known", known);
        File.Delete(known);
        Assert.Equal(0, exit);
        Assert.Contains("1\tD4\tE4\t3\tBeyond what the class has learned.\n", output, StringComparison.Ordinal);
    }

    [Fact] // Four open As, the plainest music: nothing to slip on.
    public void Where_nothing_is_asked_of_the_hands_there_is_no_row() =>
        Assert.Equal((0, "bar\tfrom\tto\tpoints\twhy\n", ""), Run(Head + "K:D\nA A A A|]\n", "--for", "viola"));

    [Theory]
    [InlineData("horn", "“horn” is not an instrument; expected violin, viola, cello or bass\n")]
    public void Another_instrument_is_refused(string who, string why) =>
        Assert.Equal((2, "", why), Run(Head + "K:D\nA|]\n", "--for", who));

    [Fact]
    public void An_unreadable_tune_is_one_line_with_its_place()
    {
        var (exit, output, error) = Run(Head + "K:D\nD [E\n", "--for", "violin");
        Assert.Equal((2, ""), (exit, output));
        Assert.Matches("^tune:6:3: .+\n$", error);
    }
}
