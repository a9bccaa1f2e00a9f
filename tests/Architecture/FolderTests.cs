using System.Text.RegularExpressions;

namespace Coppia.Tests;

/// <summary>
/// Each idea has its own room, the same on every floor: a folder is a namespace, and rooms know each other one way
/// only.
/// </summary>
public partial class FolderTests
{
    private static readonly string Source = Path.Combine(Lines.Root(), "src");
    private static readonly string Core = Path.Combine(Source, "Coppia.Core");

    /// <summary>
    /// The rooms of each floor, from the ground up: a room may know those before it, and none after it.
    /// </summary>
    private static readonly Dictionary<string, string[]> Floors = new()
    {
        ["Coppia.Core"] =
        [
            "Music",
            "Instruments",
            "Writing",
            "Knowledge",
            "Form",
            "Counting",
            "Fingering",
            "Bowing",
            "Shapes",
            "Composition",
            "Reading",
            "Lesson",
            "Practice",
            "Exercises",
            "Drills",
            "School",
            "Logbook",
            "Wording",
        ],
        ["Coppia.Core.Wording"] =
        [
            "Messages",
            "Terms",
            "Room",
            "Stand",
            "Writing",
            "Exercises",
            "Drills",
            "Desk",
            "Classes",
            "Logbook",
            "Learn",
            "Lessons",
        ],
        ["Coppia.Formats"] = ["Source", "Abc", "MusicXml", "Letters", "Records", "Exercises", "Books"],
        ["Coppia.Data"] =
        [
            "Store",
            "Door",
            "Room",
            "Stand",
            "Tunes",
            "Exercises",
            "Classes",
            "Desk",
            "Logbook",
            "Lessons",
            "Records",
            "Keeping",
        ],
        ["Coppia.Server"] =
        [
            "Asked",
            "Door",
            "Room",
            "Stand",
            "Shapes",
            "Tunes",
            "Writing",
            "Exercises",
            "Drills",
            "Classes",
            "Desk",
            "Logbook",
            "Lessons",
            "Learn",
            "Records",
            "Keeping",
            "Demo",
        ],
    };

    public static TheoryData<string> FloorNames => [.. Floors.Keys];

    private static string FolderOf(string floor) =>
        floor == "Coppia.Core.Wording" ? Path.Combine(Core, "Wording") : Path.Combine(Source, floor);

    private static IEnumerable<string> Files(string folder) =>
        Directory
            .EnumerateFiles(folder, "*.cs", SearchOption.AllDirectories)
            .Where(f =>
                !f.Contains($"{Path.DirectorySeparatorChar}obj{Path.DirectorySeparatorChar}", StringComparison.Ordinal)
            )
            .Where(f =>
                !f.Contains($"{Path.DirectorySeparatorChar}bin{Path.DirectorySeparatorChar}", StringComparison.Ordinal)
            );

    /// <summary>
    /// The room that a file lies in: its folder's path from the floor; nothing for one that lies on the floor itself.
    /// </summary>
    private static string RoomOf(string file, string floor) =>
        Path.GetRelativePath(FolderOf(floor), Path.GetDirectoryName(file)!) is var room && room == "." ? "" : room;

    private static string RoomOfType(string type, string floor)
    {
        var name = type.StartsWith(floor + ".", StringComparison.Ordinal) ? type[(floor.Length + 1)..] : "";
        return name.Contains('.', StringComparison.Ordinal) ? name[..name.IndexOf('.', StringComparison.Ordinal)] : "";
    }

    [Theory]
    [MemberData(nameof(FloorNames))]
    public void A_folder_is_a_namespace(string floor) =>
        Assert.All(
            Files(FolderOf(floor)).Where(f => Path.GetFileName(f) != "Program.cs"),
            f =>
                Assert.Contains(
                    $"namespace {floor}.{RoomOf(f, floor)}".TrimEnd('.').Replace(Path.DirectorySeparatorChar, '.')
                        + ";",
                    File.ReadAllText(f),
                    StringComparison.Ordinal
                )
        );

    [Theory]
    [MemberData(nameof(FloorNames))]
    public void Every_room_has_its_place_in_the_order(string floor) =>
        Assert.Equal(
            Floors[floor].Order(),
            Files(FolderOf(floor))
                .Select(f => RoomOf(f, floor).Split(Path.DirectorySeparatorChar)[0])
                .Where(r => r != "")
                .Distinct()
                .Order()
        );

    [Theory] // What puts all together lies on the floor itself, and no room knows it.
    [MemberData(nameof(FloorNames))]
    public void A_room_knows_only_those_before_it(string floor)
    {
        var order = Floors[floor];
        var wrong =
            from type in Compiled.Known
            let here = Array.IndexOf(order, RoomOfType(type.Key, floor))
            where here >= 0
            from used in type
            where used.StartsWith(floor + ".", StringComparison.Ordinal)
            let there = Array.IndexOf(order, RoomOfType(used, floor))
            where there < 0 || there > here
            select $"{type.Key} knows {used}";
        AssertNone(wrong);
    }

    /// <summary>Fails with all of them: whoever mends one wants to see the others.</summary>
    private static void AssertNone(IEnumerable<string> wrong)
    {
        string[] all = [.. wrong.Distinct().Order()];
        Assert.True(all.Length == 0, string.Join('\n', all));
    }

    [Fact] // Facts, then words: whatever is computed is told by numbers and names of kinds.
    public void Only_the_wording_speaks() =>
        AssertNone(
            Files(Core)
                .Where(f =>
                    RoomOf(f, "Coppia.Core").Split(Path.DirectorySeparatorChar)[0] is not ("Wording" or "Instruments")
                )
                .SelectMany(Spoken)
        );

    [Fact] // The table of the instruments bears their names; the rest of that folder has no words either.
    public void Of_the_instruments_only_the_tables_speak() =>
        AssertNone(
            Files(Path.Combine(Core, "Instruments"))
                .Where(f => Path.GetFileName(f) is not ("StringSection.cs" or "Neck.cs"))
                .SelectMany(Spoken)
        );

    /// <summary>
    /// How the catalogue itself is wrong, words that others print and Coppia looks for, and the names of things in
    /// files, which are read again.
    /// </summary>
    private static readonly string[] Unsaid =
    [
        "Message.cs",
        "Catalogue.cs",
        "TempoWords.cs",
        "ThingText.cs",
        "KeyText.cs",
        "SheetNotes.cs",
        "MusicXmlNote.cs",
    ];

    [Fact] // A second language is a file: whoever speaks does so by a key of the catalogue.
    public void Nobody_speaks_but_the_catalogue() =>
        AssertNone(
            new[] { "Coppia.Formats", "Coppia.Data", "Coppia.Server", "Coppia.Cli" }
                .Select(floor => Path.Combine(Source, floor))
                .Append(Path.Combine(Core, "Wording"))
                .SelectMany(Files)
                .Where(f => !Unsaid.Contains(Path.GetFileName(f)))
                .SelectMany(f => Spoken(f, OfProgrammers()))
        );

    /// <summary>Lines of a file that hold a sentence which others than programmers read.</summary>
    private static IEnumerable<string> Spoken(string file) => Spoken(file, Refusal());

    private static IEnumerable<string> Spoken(string file, Regex others)
    {
        var statement = "";
        foreach (var (i, line) in File.ReadLines(file).Index())
        {
            if (line.TrimStart().StartsWith("//", StringComparison.Ordinal))
                continue;
            statement += line;
            var said = Literal().Matches(line.Replace("'\"'", "", StringComparison.Ordinal)).Select(m => m.Value);
            if (said.Any(s => Sentence().IsMatch(Filled().Replace(s, "{}"))) && !others.IsMatch(statement))
                yield return $"{Path.GetFileName(file)}:{i + 1}: {line.Trim()}";
            if (line.TrimEnd() is [.., ';' or '{' or '}'])
                statement = "";
        }
    }

    [Fact] // What differs between instruments is a column of their table.
    public void Nobody_asks_which_instrument_it_is()
    {
        var asked =
            from file in Files(Source)
            from line in File.ReadLines(file).Index()
            where Identity().IsMatch(line.Item)
            select $"{Path.GetFileName(file)}:{line.Index + 1}: {line.Item.Trim()}";
        Assert.Empty(asked);
    }

    [Fact] // The screens take the instruments from the server, and the first of them where none was chosen.
    public void No_screen_names_an_instrument()
    {
        var named =
            from file in Directory.EnumerateFiles(
                Path.Combine(Lines.Root(), "web", "src"),
                "*.ts*",
                SearchOption.AllDirectories
            )
            where !file.EndsWith("schema.d.ts", StringComparison.Ordinal)
            from line in File.ReadLines(file).Index()
            where StringSection.All.Any(i => line.Item.Contains($"'{i.Id}'", StringComparison.Ordinal))
            select $"{Path.GetFileName(file)}:{line.Index + 1}: {line.Item.Trim()}";
        Assert.Empty(named);
    }

    [Fact]
    public void No_line_is_longer_than_120()
    {
        var folders = new[] { "src", "tests", "bench" }.Select(f => Path.Combine(Lines.Root(), f));
        var tooLong =
            from file in folders.SelectMany(Files)
            from line in File.ReadLines(file).Index()
            where line.Item.Length > 120
            select $"{Path.GetFileName(file)}:{line.Index + 1}";
        Assert.Empty(tooLong);
    }

    [Fact] // What a reader holds at once; a table, and a view that is made of its fields, are read row by row.
    public void No_member_is_longer_than_40_lines() =>
        Assert.Equal(
            ["ReadingView.cs: internal static ReadingView Of("],
            Files(Path.Combine(Lines.Root(), "src"))
                .SelectMany(f =>
                    Members([.. File.ReadLines(f)], 4)
                        .Where(m => m.Length > 40 && !m[0].Contains("static readonly", StringComparison.Ordinal))
                        .Select(m => $"{Path.GetFileName(f)}: {m[0].Trim().Split("KeptTune")[0]}")
                )
        );

    /// <summary>
    /// The members of a file as the formatter leaves it: each begins at the indentation of its type's members, after an
    /// empty line or a whole statement. Their comments and attributes do not count.
    /// </summary>
    private static IEnumerable<string[]> Members(string[] lines, int indent)
    {
        for (int at = 0, end; at < lines.Length; at = end)
        {
            end = at + 1;
            if (!IsAt(lines[at], indent) || lines[at].TrimStart() is ['/' or '[' or '{' or '}', ..])
                continue;
            while (end < lines.Length && lines[at] is not [.., ';' or ','] && !Begins(end))
                end++;
            var member = lines[at..end]
                .AsEnumerable()
                .Reverse()
                .SkipWhile(string.IsNullOrWhiteSpace)
                .Reverse()
                .ToArray();
            var isType = TypeHead().IsMatch(member[0]);
            foreach (var one in isType ? Members(member, indent + 4) : [member])
                yield return one;
        }

        bool Begins(int i) =>
            lines[i - 1].Length == 0 && IsAt(lines[i], indent)
            || Enumerable.Range(0, indent).Any(outer => IsAt(lines[i], outer));
    }

    private static bool IsAt(string line, int indent) =>
        line.Length > indent && line.AsSpan(0, indent).IsWhiteSpace() && line[indent] != ' ';

    [GeneratedRegex(@"^ *([a-z]+ )+(class|record|struct|interface|enum) ")]
    private static partial Regex TypeHead();

    [GeneratedRegex(@"""(?:[^""\\]|\\.)*""")]
    private static partial Regex Literal();

    /// <summary>A string with two words of English and more.</summary>
    [GeneratedRegex("[A-Za-z]{2,}[,;:]? [a-z]{2,}")]
    private static partial Regex Sentence();

    /// <summary>What fills a place of an interpolated string.</summary>
    [GeneratedRegex(@"\{[^{}]*\}")]
    private static partial Regex Filled();

    /// <summary>A mistake of the programmer's, told in an exception.</summary>
    [GeneratedRegex("throw new|Exception\\(")]
    private static partial Regex Refusal();

    /// <summary>
    /// What only programmers read: exceptions about their mistakes, the log, what describes an endpoint, SQL, headers,
    /// how a command is typed; and what is only compared with what others wrote.
    /// </summary>
    [GeneratedRegex(
        @"(Argument\w*|InvalidOperation|Unreachable|NotSupported|KeyNotFound)Exception\(|LoggerMessage\(|"
            + @"Log(Information|Warning|Error)\(|With(Summary|Description)\(|\[Description|charset=|filename=|max-age=|"
            + "SELECT|INSERT|UPDATE|DELETE|PRAGMA|ORDER BY| AS [A-Z]|@[A-Za-z]|deleted_at|"
            + "CsvText|xml version|clef=|\"[a-z_]+(, [a-z_]+)+\"|\"coppia [a-z]|"
            + "\"missing required properties|=> ScaleForm\\."
    )]
    private static partial Regex OfProgrammers();

    /// <summary>A comparison with an instrument, its name or the printed name of a position.</summary>
    [GeneratedRegex(
        "[!=]= ?(Coppia\\.Core\\.Instruments\\.)?StringSection\\.\\w+|Id (==|is|!=) \"|Position (==|!=|is) \"|is not "
            + "\"(half|I|II)\"|FingersByLetter"
    )]
    private static partial Regex Identity();
}
