namespace Coppia.Tests;

/// <summary>
/// Open string or fourth finger, by the school's setting. Source: craft 6, common practice; a quarter is the beat.
/// </summary>
public class FourthFingerTests
{
    private static string Pairs(string music, FourthFinger setting) =>
        Lines.Pairs("violin", "D", music, new HouseStyle { FourthFinger = setting });

    [Theory]
    [InlineData("F G A B", "D2 D3 A0 A1")] // the line goes up: open
    [InlineData("B A G F", "A1 A0 D3 D2")] // the crossing comes anyway
    [InlineData("G A G F", "D3 A0 D3 D2")] // a beat under its own bow
    [InlineData("G/ A/ G/ F/", "D3 D4 D3 D2")] // quick: saves going there and straight back
    [InlineData("G/ A/ A/ G/", "D3 D4 D4 D3")] // the same for the open note repeated
    [InlineData("G/ A/ B/ G/", "D3 A0 A1 D3")] // the bow stays up there
    [InlineData("G/ A G/", "D3 A0 D3")] // the note itself is a beat long
    [InlineData("G/ A/ G/ A", "D3 A0 D3 A0")] // one finger for A within the bar
    [InlineData("(G A) B c", "D3 D4 A1 A2")] // no crossing inside the slur
    [InlineData("(G A B) c", "D3 A0 A1 A2")] // the slur crosses anyway
    [InlineData("(B A) G F", "A1 A0 D3 D2")] // the slur stays up there
    [InlineData("(G A) A G", "D3 D4 A0 D3")] // the second A has its own bow
    [InlineData("A A A A", "A0 A0 A0 A0")]
    public void Balanced(string music, string pairs) => Assert.Equal(pairs, Pairs(music, FourthFinger.Balanced));

    [Theory]
    [InlineData("G A G F", "D3 A0 D3 D2")]
    [InlineData("(G A) G F", "D3 D4 D3 D2")]
    [InlineData("G A G A G", "D3 A0 D3 A0 D3")]
    [InlineData("B, A B,", "G2 A0 G2")]
    [InlineData("G/ A/ G/ F/", "D3 A0 D3 D2")]
    public void Open_first_unless_a_slur_would_cross(string music, string pairs) =>
        Assert.Equal(pairs, Pairs(music, FourthFinger.OpenFirst));

    [Theory]
    [InlineData("G A G F", "D3 D4 D3 D2")]
    [InlineData("B A G F", "A1 D4 D3 D2")] // the line comes down to the string
    [InlineData("F G A", "D2 D3 D4")] // the line ends on the string
    [InlineData("F G A B", "D2 D3 A0 A1")] // the line leaves it
    [InlineData("A A A A", "A0 A0 A0 A0")] // nothing leads to the lower string
    public void Fourth_first_where_the_line_stays_or_comes_down(string music, string pairs) =>
        Assert.Equal(pairs, Pairs(music, FourthFinger.FourthFirst));

    [Theory] // The beat is the meter's: dotted in compound time, so that a quarter in 6/8 is quick and in 3/4 is not.
    [InlineData("6/8", "G A/ G F/", "D3 D4 D3 D2")]
    [InlineData("6/8", "G/ A G3/2", "D3 D4 D3")]
    [InlineData("3/4", "G A F", "D3 A0 D2")]
    [InlineData("2/2", "G A F G", "D3 D4 D2 D3")]
    [InlineData("6/8", "G3/2 A3/2|G3", "D3 A0 | D3")]
    public void The_beat_is_the_meters(string meter, string music, string pairs) =>
        Assert.Equal(
            pairs,
            Lines.ByBar(Fingers.Choose(Lines.Score("D", music, meter), new Player(StringSection.Violin)))
        );
}
