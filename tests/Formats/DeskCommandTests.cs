using Coppia.Cli;

namespace Coppia.Tests;

/// <summary>
/// The contract of <c>coppia desk</c>: bar, rule and words of each finding; 0 kept, 1 broken, 2 unreadable.
/// </summary>
public sealed class DeskCommandTests : IDisposable
{
    private const string Task = """
        {"instrument":"violin","key":"G","meter":"4/4","bars":4,"allowed":["G3","A3","B3","C4","D4"],"values":["1/4"],
         "mostRests":5,
         "fixed":[{"bar":2,"at":"last","note":"D4"},{"bar":4,"at":"last","note":"G3"}]}
        """;

    private const string Head = "X:1\nT:A piece\nM:4/4\nL:1/4\nK:G\n";

    private readonly string _folder = Directory.CreateTempSubdirectory().FullName;

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private (int Exit, string Out, string Error) Run(string piece, string task = Task)
    {
        var (file, rules) = (Path.Combine(_folder, "piece"), Path.Combine(_folder, "task.json"));
        File.WriteAllText(file, piece);
        File.WriteAllText(rules, task);
        using StringWriter output = new() { NewLine = "\n" },
            error = new() { NewLine = "\n" };
        var exit = DeskCommand.Run([file, "--task", rules], output, error);
        return (
            exit,
            output.ToString(),
            error.ToString().Replace(_folder + Path.DirectorySeparatorChar, "", StringComparison.Ordinal)
        );
    }

    /// <summary>Bars and rules, without the words.</summary>
    private static string Found(string output) =>
        string.Join(
            ", ",
            output.Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(l => string.Join(' ', l.Split('\t')[..2]))
        );

    [Fact]
    public void A_piece_that_keeps_the_rules_ends_with_0_and_may_have_advice()
    {
        var (exit, output, error) = Run(Head + "G,A,B,G,|D B, A, D|G,A,B,G,|A, B, A, G,|]\n");
        Assert.Equal((0, "2 leap, 3 repetition, 3 balance, 4 ending", ""), (exit, Found(output), error));
        Assert.Equal("3\trepetition\tBar 1 comes again: it holds together.", output.Split('\n')[1]);
    }

    [Fact]
    public void Every_rule_that_is_broken_is_a_line_with_its_bar()
    {
        var (exit, output, error) = Run(Head + "G,A,B,C D|D B, A, C|z z z z|A,/B,/ e z z z|]\n");
        Assert.Equal((1, ""), (exit, error));
        Assert.Equal(
            "1 beats, 2 fixed, 4 beats, 4 fixed, 4 value, 4 value, 4 note, 4 rests".Split(", "),
            Found(output).Split(", ").Take(8)
        );
    }

    [Theory] // Rests only are a finding of the desk, in whatever way they were written (craft 13).
    [InlineData("X:1\nM:4/4\nL:1/4\nK:G\nz z z z|z4|z2 z2|Z|]\n")]
    [InlineData("z z z z | z4 | z2 z2 | z z z z")]
    [InlineData(
        "<score-partwise version='4.0'><part-list><score-part id='P1'><part-name/></score-part></part-list><part "
            + "id='P1'><measure number='1'>"
            + "<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>"
            + "<note><rest measure='yes'/><duration>4</duration></note></measure></part></score-partwise>"
    )]
    public void A_piece_of_rests_only_is_a_finding(string piece)
    {
        const string task =
            """{"instrument":"violin","key":"G","meter":"4/4","bars":4,"allowed":["G3","A3"],"values":["1/4"]}""";
        var (exit, output, error) = Run(piece, task);
        Assert.Equal((1, ""), (exit, error));
        Assert.Contains("1 only-rests", Found(output), StringComparison.Ordinal);
    }

    [Fact] // MusicXML says which way a stem points; W3C MusicXML 4.0, the stem element.
    public void A_stem_that_a_file_draws_the_wrong_way_is_found()
    {
        static string Note(string step, int octave, string stem) =>
            $"<note><pitch><step>{step}</step><octave>{octave}</octave></pitch><duration>1</duration>"
            + $"<type>quarter</type><stem>{stem}</stem></note>";

        const string task = """{"instrument":"violin","key":"C","meter":"2/4","bars":1,"allowed":["G4","D5"]}""";
        string Of(string low, string high) =>
            "<score-partwise version='4.0'><part-list><score-part id='P1'><part-name/></score-part></part-list><part "
            + "id='P1'><measure number='1'>"
            + "<attributes><divisions>1</divisions><key><fifths>0</fifths></key><time><beats>2</beats>"
            + "<beat-type>4</beat-type></time>"
            + $"<clef><sign>G</sign><line>2</line></clef></attributes>{Note("G", 4, low)}{Note("D", 5, high)}</measure>"
            + "</part></score-partwise>";

        Assert.Equal(0, Run(Of("up", "down"), task).Exit);
        var (exit, output, _) = Run(Of("up", "up"), task);
        Assert.Equal((1, "1\tstem\tOn the middle line and above it stems point down."), (exit, output.Split('\n')[0]));
        Assert.Equal(
            "1\tstem\tBelow the middle line stems point up.",
            Run(Of("down", "down"), task).Out.Split('\n')[0]
        );
    }

    [Theory]
    [InlineData(
        "X:1\nK:G\n[G,D]|]\n",
        Task,
        "piece:3:1: bar 1 has notes that sound together; the desk takes one note at a time"
    )]
    [InlineData("X:1\nK:G\n\"", Task, "piece:")]
    [InlineData(Head + "G,|]\n", "{", "task.json:1:")]
    [InlineData(
        Head + "G,|]\n",
        """{"instrument":"violin","bars":4}""",
        "task.json:1:33: not a writing task, at the beginning: allowed is missing"
    )]
    [InlineData(
        Head + "G,|]\n",
        """{"instrument":"flute","bars":4,"allowed":["G4"]}""",
        "task.json:1:1: “flute” is not an instrument; expected violin, viola, cello or bass"
    )]
    [InlineData(
        Head + "G,|]\n",
        """{"instrument":"violin","bars":4,"allowed":["H4"]}""",
        "task.json:1:1: “H4” is not a pitch"
    )]
    [InlineData(
        Head + "G,|]\n",
        """{"instrument":"violin","bars":4,"allowed":["G3"],"fixed":[{"bar":2,"at":"last","note":"D4"}]}""",
        "task.json:1:1: the fixed note D4 of bar 2 is not in the palette of the violin; expected one of its notes"
    )]
    [InlineData(
        Head + "G,|]\n",
        """{"instrument":"violin","bars":2,"allowed":["G3"],"mostRests":8}""",
        "task.json:1:1: eight rests fill the whole piece; expected fewer"
    )]
    [InlineData(Head + "G,|]\n", """{"instrument":"violin","bars":2,"allowed":["G3"],"rests":8}""", "task.json:1:")]
    public void What_cannot_be_read_is_one_line_that_names_the_place(string piece, string task, string expected)
    {
        var (exit, output, error) = Run(piece, task);
        Assert.Equal((2, ""), (exit, output));
        Assert.StartsWith(expected, error, StringComparison.Ordinal);
        Assert.Equal(1, error.Count(c => c == '\n'));
    }
}
