namespace Coppia.Tests;

/// <summary>Open string or fourth finger, by the school's setting. Source: common practice.</summary>
public class FourthFingerTests
{
    private static string Pairs(string music, FourthFinger setting) => Lines.Pairs("violin", "D", music, new HouseStyle { FourthFinger = setting });

    [Theory]
    [InlineData("F G A B", "D2 D3 A0 A1")] // the line goes up: open
    [InlineData("B A G F", "A1 A0 D3 D2")] // the crossing comes anyway
    [InlineData("G A G F", "D3 D4 D3 D2")] // saves going there and straight back
    [InlineData("(G A) B c", "D3 D4 A1 A2")] // no crossing inside the slur
    public void Balanced(string music, string pairs) => Assert.Equal(pairs, Pairs(music, FourthFinger.Balanced));

    [Theory]
    [InlineData("G A G F", "D3 A0 D3 D2")]
    [InlineData("(G A) G F", "D3 D4 D3 D2")]
    [InlineData("G A G A G", "D3 A0 D3 A0 D3")]
    [InlineData("B, A B,", "G2 A0 G2")]
    public void Open_first_unless_a_slur_would_cross(string music, string pairs) => Assert.Equal(pairs, Pairs(music, FourthFinger.OpenFirst));

    [Theory]
    [InlineData("G A G F", "D3 D4 D3 D2")]
    [InlineData("B A G F", "A1 D4 D3 D2")] // the line comes down to the string
    [InlineData("F G A", "D2 D3 D4")] // the line ends on the string
    [InlineData("F G A B", "D2 D3 A0 A1")] // the line leaves it
    public void Fourth_first_where_the_line_stays_or_comes_down(string music, string pairs) => Assert.Equal(pairs, Pairs(music, FourthFinger.FourthFirst));
}
