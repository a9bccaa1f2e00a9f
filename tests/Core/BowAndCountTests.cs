namespace Coppia.Tests;

/// <summary>Plain bowing and beat numbers. Source: common practice.</summary>
public class BowAndCountTests
{
    private static string Bows(string music, string meter = "4/4") =>
        string.Concat(Bowing.Follow(SoundingNote.Of(Lines.Score("D", music, meter))).Select(b => b == BowDirection.Down ? 'd' : 'u'));

    [Theory]
    [InlineData("D E F G", "dudu")]
    [InlineData("(D E) F G", "ddud")]
    [InlineData("A|D E F G|A3", "ududud")]
    [InlineData("A/B/|D E F G|A3", "dududud")]
    [InlineData("uD E F G", "udud")]
    [InlineData("D vE F G", "ddud")]
    [InlineData("D E !breath!F G", "dudd")]
    [InlineData("D E F z|G4", "dudu")]
    [InlineData("D4|Z|E4", "dd")]
    [InlineData("D4-|D2 E2", "du")]
    public void Strokes_alternate_and_printed_signs_win(string music, string bows) => Assert.Equal(bows, Bows(music));

    [Fact] // a dotted half in each bar of 3/4: alternate, one stroke a bar
    public void Dotted_halves_alternate() => Assert.Equal("dudu", Bows("D3|E3|F3|G3", "3/4"));

    private static string Counts(string music, string meter = "4/4") =>
        string.Join(' ', Counting.Of(Lines.Score("D", music, meter)).Select(c => c.Kind == CountKind.Rest ? $"({c.Text})" : c.Kind == CountKind.Held ? $"-{c.Text}" : c.Text));

    [Theory]
    [InlineData("A/A/ A/4A/4A/4A/4 A z", "4/4", "1 & 2 e & a 3 (4)")]
    [InlineData("A3 z", "4/4", "1 -2 -3 (4)")]
    [InlineData("A4-|A z3", "4/4", "1 -2 -3 -4 -1 (2) (3) (4)")]
    [InlineData("(3A/A/A/ A2", "3/4", "1 & a 2 -3")]
    [InlineData("A/A/A/ A3/2", "6/8", "1 2 3 4 -5 -6")]
    [InlineData("A3/2 A/ A2", "4/4", "1 -2 & 3 -4")]
    [InlineData("A A A A", "C|", "1 & 2 &")]
    public void Beats_are_said_once_each(string music, string meter, string counts) => Assert.Equal(counts, Counts(music, meter));
}
