using System.Reflection;
using System.Text.Json;
using System.Text.RegularExpressions;
using Coppia.Core.School;

namespace Coppia.Tests;

/// <summary>Each limit of a school's records is stated once, and all floors keep to it.</summary>
public partial class LimitTests
{
    private static readonly Dictionary<string, int> Stated = typeof(Limits)
        .GetFields(BindingFlags.Public | BindingFlags.Static)
        .ToDictionary(f => JsonNamingPolicy.CamelCase.ConvertName(f.Name), f => (int)f.GetRawConstantValue()!);

    [Fact]
    public void The_screens_have_the_same()
    {
        var text = File.ReadAllText(Path.Combine(Lines.Root(), "web/src/api/limits.ts"));
        var shown = Entry()
            .Matches(text)
            .ToDictionary(
                m => m.Groups[1].Value,
                m => int.Parse(m.Groups[2].Value.Replace("_", "", StringComparison.Ordinal), null)
            );
        Assert.Equal(Stated.OrderBy(l => l.Key), shown.OrderBy(l => l.Key));
    }

    [Theory] // The last table of this name that the migrations make is the one that is in use.
    [InlineData("tune", "title", 1, nameof(Limits.LongestTuneTitle))]
    [InlineData("tune", "composer", 0, nameof(Limits.LongestComposer))]
    [InlineData("style", "name", 1, nameof(Limits.LongestStyleName))]
    [InlineData("school_class", "name", 1, nameof(Limits.LongestClassName))]
    [InlineData("school_class", "lesson_minutes", Limits.ShortestLesson, nameof(Limits.LongestLesson))]
    [InlineData("learner", "nickname", 1, nameof(Limits.LongestNickname))]
    [InlineData("set_work", "tempo", Limits.SlowestTempo, nameof(Limits.FastestTempo))]
    [InlineData("practice", "minutes", 0, nameof(Limits.MostMinutes))]
    [InlineData("practice", "tempo", Limits.SlowestTempo, nameof(Limits.FastestTempo))]
    [InlineData("writing_task", "title", 1, nameof(Limits.LongestTaskTitle))]
    [InlineData("hand_in_remark", "words", 1, nameof(Limits.LongestRemark))]
    [InlineData("booklet", "title", 1, nameof(Limits.LongestTaskTitle))]
    public void The_database_keeps_to_them(string table, string column, int least, string most)
    {
        var made = Directory
            .EnumerateFiles(Path.Combine(Lines.Root(), "src/Coppia.Data/Migrations"), "*.sql")
            .Order()
            .SelectMany(f =>
                Regex.Matches(File.ReadAllText(f), $@"CREATE TABLE {table}(_new)? \((.*?)\n\)", RegexOptions.Singleline)
            )
            .Last()
            .Groups[2]
            .Value;
        var check = Regex.Match(made, $@"\(?\b(length\()?{column}\)? (?:BETWEEN (\d+) AND|<=) (\d+)\)");
        Assert.True(check.Success, $"{table}.{column} has no limits.");
        Assert.Equal(least, check.Groups[2].Success ? int.Parse(check.Groups[2].Value, null) : 0);
        Assert.Equal(Stated[JsonNamingPolicy.CamelCase.ConvertName(most)], int.Parse(check.Groups[3].Value, null));
    }

    [GeneratedRegex(@"^\s*(\w+): ([\d_]+),", RegexOptions.Multiline)]
    private static partial Regex Entry();
}
