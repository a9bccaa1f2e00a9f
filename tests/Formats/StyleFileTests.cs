using Coppia.Formats;

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

    [Theory]
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
