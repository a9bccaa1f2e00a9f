using Coppia.Formats.Records;

namespace Coppia.Tests;

/// <summary>House styles as files.</summary>
public class StyleFileTests
{
    [Fact]
    public void A_style_reads_back_as_it_was_written()
    {
        var style = new HouseStyle
        {
            Counting = CountingSystem.Words,
            NoteNames = NoteNames.German,
            FirstKeyFifths = 1,
            Tapes = new Dictionary<string, IReadOnlyList<Tape>> { ["violin"] = [new Tape(2, "red")] },
            ShapeNames = new Dictionary<string, ShapeNickname> { ["2–3"] = new("the twins", "★") },
            WordRhythms = new Dictionary<string, string> { ["1/2 1/2"] = "ba-con" },
        };
        Assert.Equal(StyleFile.Write(style), StyleFile.Write(StyleFile.Read(StyleFile.Write(style))));
    }

    [Fact]
    public void What_is_not_said_keeps_its_default() =>
        Assert.Equal(StyleFile.Write(HouseStyle.Default), StyleFile.Write(StyleFile.Read("{}")));

    [Fact] // Kept by earlier versions of Coppia.
    public void A_style_that_names_the_basss_fingers_in_a_setting_of_its_own_still_reads() =>
        Assert.Equal("oneThreeFour", StyleFile.Read("""{"bassFingers":"oneThreeFour"}""").Alternatives["bass"]);

    [Theory]
    [InlineData(
        """{"alternatives":{"bass":"oneFive"}}""",
        "“oneFive” is not a way to finger “bass”; expected oneTwoFour or oneThreeFour"
    )]
    [InlineData("""{"alternatives":{"violin":"x"}}""", "“x” is not a way to finger “violin”; it has one way only")]
    [InlineData("""{"counting":"drums"}""", "counting")]
    [InlineData("""{"fingers":"many"}""", "fingers")]
    [InlineData("""{"fourthFinger":3}""", "fourthFinger")]
    [InlineData("not json", "not a house style")]
    public void What_is_no_style_is_refused_with_its_place(string json, string words)
    {
        var wrong = Assert.Throws<FormatException>(() => StyleFile.Read(json));
        Assert.StartsWith("1:", wrong.Message, StringComparison.Ordinal);
        Assert.Contains(words, wrong.Message, StringComparison.Ordinal);
    }
}
