using Coppia.Core.Wording.Messages;

namespace Coppia.Tests;

/// <summary>A sentence's places are filled as ICU's MessageFormat says (Unicode Consortium, ICU User Guide).</summary>
public class MessageTests
{
    [Theory]
    [InlineData("Bar {bar} has {n} notes.", "Bar 7 has 2 notes.")]
    [InlineData("{n, plural, one {# bar} other {# bars}}", "2 bars")]
    [InlineData("{one, plural, one {# bar} other {# bars}}", "1 bar")]
    [InlineData("{none, plural, =0 {no bars} one {# bar} other {# bars}}", "no bars")]
    [InlineData("{none, plural, one {# bar} other {# bars}}", "0 bars")]
    [InlineData("{way, select, up {rises} other {falls}}", "rises")]
    [InlineData("{bar, select, up {rises} other {falls}}", "falls")]
    [InlineData("{n, spellout} and {bar, spellout}", "two and seven")]
    [InlineData("{n, plural, one {one bar} other {{n, spellout} bars from {bar}}}", "two bars from 7")]
    [InlineData("{many, number} notes", "20,000 notes")]
    [InlineData("don't, don''t", "don't, don't")]
    [InlineData("grace notes begin with '{' and end with '}'", "grace notes begin with { and end with }")]
    [InlineData("{nobody}", "")]
    [InlineData("# is only a number inside a plural", "# is only a number inside a plural")]
    public void Its_places_are_filled(string pattern, string expected) =>
        Assert.Equal(
            expected,
            Message.Filled(
                pattern,
                ("bar", 7),
                ("n", 2),
                ("one", 1),
                ("none", 0),
                ("way", "up"),
                ("many", 20_000),
                ("nobody", null)
            )
        );

    [Theory]
    [InlineData("{")]
    [InlineData("{n")]
    [InlineData("}")]
    [InlineData("{n, colour}")]
    [InlineData("{n, plural, one {bar}}")]
    [InlineData("{n, plural, other {bars}")]
    [InlineData("'{ never closed")]
    public void A_pattern_that_cannot_be_read_says_where(string pattern) =>
        Assert.Contains(
            "at character",
            Assert.Throws<FormatException>(() => Message.Filled(pattern, ("n", 2))).Message,
            StringComparison.Ordinal
        );

    [Fact]
    public void A_place_with_nothing_to_fill_it_is_named() =>
        Assert.Contains(
            "{n}",
            Assert.Throws<ArgumentException>(() => Message.Filled("{n} bars", ("m", 2))).Message,
            StringComparison.Ordinal
        );

    [Theory] // From memory: numbers are spelled as far as a teacher says them at a glance.
    [InlineData(0, "no")]
    [InlineData(1, "one")]
    [InlineData(12, "twelve")]
    [InlineData(14, "fourteen")]
    [InlineData(15, "15")]
    [InlineData(-3, "-3")]
    public void Small_numbers_are_spelled(int n, string words) =>
        Assert.Equal(words, Catalogue.Say("terms.number", ("n", n)));
}
