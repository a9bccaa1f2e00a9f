using System.Text.RegularExpressions;
using ArchUnitNET.Fluent.Slices;
using ArchUnitNET.Loader;

namespace Coppia.Tests;

/// <summary>Each idea has its own room: a folder of the core is a namespace, and folders depend on each other one way only.</summary>
public partial class FolderTests
{
    private static readonly string Core = Path.Combine(Lines.Root(), "src", "Coppia.Core");

    private static readonly ArchUnitNET.Domain.Architecture Loaded = new ArchLoader().LoadAssemblies(typeof(Score).Assembly).Build();

    /// <summary>From the ground up: a folder may know those before it.</summary>
    private static readonly string[] Order =
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
        "Logbook",
        "Wording",
    ];

    private static IEnumerable<string> Files(string folder) =>
        Directory
            .EnumerateFiles(folder, "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains($"{Path.DirectorySeparatorChar}obj{Path.DirectorySeparatorChar}", StringComparison.Ordinal))
            .Where(f => !f.Contains($"{Path.DirectorySeparatorChar}bin{Path.DirectorySeparatorChar}", StringComparison.Ordinal));

    private static string FolderOf(string file) => Path.GetFileName(Path.GetDirectoryName(file)!);

    [Fact]
    public void A_folder_is_a_namespace() =>
        Assert.All(
            Files(Core),
            f => Assert.Contains($"namespace Coppia.Core.{FolderOf(f)};", File.ReadAllText(f), StringComparison.Ordinal)
        );

    [Fact]
    public void Every_folder_has_its_place_in_the_order() => Assert.Equal(Order.Order(), Files(Core).Select(FolderOf).Distinct().Order());

    [Fact]
    public void No_folder_depends_on_one_that_depends_on_it()
    {
        var rule = SliceRuleDefinition.Slices().Matching("Coppia.Core.(*)").Should().BeFreeOfCycles();
        Assert.True(rule.HasNoViolations(Loaded), rule.Description);
    }

    [Fact]
    public void A_folder_knows_only_those_before_it()
    {
        var wrong =
            from type in Loaded.Types
            let here = Array.IndexOf(Order, Folder(type.FullName))
            from used in type.Dependencies
            let there = Array.IndexOf(Order, Folder(used.Target.FullName))
            where here >= 0 && there > here
            select $"{type.FullName} knows {used.Target.FullName}";
        Assert.Empty(wrong.Distinct());
    }

    [Fact] // Facts, then words: whatever is computed is told by numbers and names of kinds.
    public void Only_the_wording_speaks()
    {
        var spoken =
            from file in Files(Core)
            let folder = FolderOf(file)
            where folder is not ("Wording" or "Instruments")
            from line in File.ReadLines(file).Index()
            where !line.Item.TrimStart().StartsWith("//", StringComparison.Ordinal) && !Refusal().IsMatch(line.Item)
            where Sentence().IsMatch(line.Item)
            select $"{folder}/{Path.GetFileName(file)}:{line.Index + 1}: {line.Item.Trim()}";
        Assert.Empty(spoken);
    }

    [Fact] // The table of the instruments bears their names; the rest of that folder has no words either.
    public void Of_the_instruments_only_the_tables_speak()
    {
        string[] tables = ["StringSection.cs", "Neck.cs"];
        var spoken =
            from file in Files(Path.Combine(Core, "Instruments"))
            where !tables.Contains(Path.GetFileName(file))
            from line in File.ReadLines(file)
            where !line.TrimStart().StartsWith("//", StringComparison.Ordinal) && !Refusal().IsMatch(line)
            where Sentence().IsMatch(line)
            select $"{Path.GetFileName(file)}: {line.Trim()}";
        Assert.Empty(spoken);
    }

    [Fact] // What differs between instruments is a column of their table.
    public void Nobody_asks_which_instrument_it_is()
    {
        var asked =
            from file in Files(Path.Combine(Lines.Root(), "src"))
            from line in File.ReadLines(file).Index()
            where Identity().IsMatch(line.Item)
            select $"{Path.GetFileName(file)}:{line.Index + 1}: {line.Item.Trim()}";
        Assert.Empty(asked);
    }

    [Fact] // The screens take the instruments from the server, and the first of them where none was chosen.
    public void No_screen_names_an_instrument()
    {
        var named =
            from file in Directory.EnumerateFiles(Path.Combine(Lines.Root(), "web", "src"), "*.ts*", SearchOption.AllDirectories)
            where !file.EndsWith("schema.d.ts", StringComparison.Ordinal)
            from line in File.ReadLines(file).Index()
            where StringSection.All.Any(i => line.Item.Contains($"'{i.Id}'", StringComparison.Ordinal))
            select $"{Path.GetFileName(file)}:{line.Index + 1}: {line.Item.Trim()}";
        Assert.Empty(named);
    }

    [Fact]
    public void No_line_is_longer_than_140()
    {
        var folders = new[] { "src", "bench" }.Select(f => Path.Combine(Lines.Root(), f));
        var tooLong =
            from file in folders.SelectMany(Files)
            from line in File.ReadLines(file).Index()
            where line.Item.Length > 140
            select $"{Path.GetFileName(file)}:{line.Index + 1}";
        Assert.Empty(tooLong);
    }

    private static string Folder(string type) => type.Split('.') is ["Coppia", "Core", var folder, ..] ? folder : "";

    /// <summary>A string with two words of English and more.</summary>
    [GeneratedRegex("\"[^\"]*[A-Za-z]{2,}[,;:]? [a-z]{2,}")]
    private static partial Regex Sentence();

    /// <summary>A mistake of the programmer's, told in an exception.</summary>
    [GeneratedRegex("throw new|Exception\\(")]
    private static partial Regex Refusal();

    /// <summary>A comparison with an instrument, its name or the printed name of a position.</summary>
    [GeneratedRegex(
        "[!=]= ?(Coppia\\.Core\\.Instruments\\.)?StringSection\\.\\w+|Id (==|is|!=) \"|Position (==|!=|is) \"|is not \"(half|I|II)\"|FingersByLetter"
    )]
    private static partial Regex Identity();
}
