namespace Coppia.Tests;

/// <summary>
/// One rhythm in every counting system. Source: craft 9, common practice; the words are our own set. Held beats have a dash before them,
/// rests brackets.
/// </summary>
public class CountingTableTests
{
    private static string Counted(string music, string meter, CountingSystem system) =>
        Said.Counted(Lines.Score("C", music, meter), new HouseStyle { Counting = system });

    [Theory]
    [InlineData("C D E F", "4/4", "1 2 3 4", "1 2 3 4", "ta ta ta ta", "boat boat boat boat")]
    [InlineData("C2 D2", "4/4", "1 -2 3 -4", "1 -2 3 -4", "ta -a ta -a", "boat -– boat -–")]
    [InlineData("C4", "4/4", "1 -2 -3 -4", "1 -2 -3 -4", "ta -a -a -a", "boat -– -– -–")]
    [InlineData("C3", "3/4", "1 -2 -3", "1 -2 -3", "ta -a -a", "boat -– -–")]
    [InlineData("C/D/ E/F/", "2/4", "1 & 2 &", "1 te 2 te", "ti ti ti ti", "lan tern lan tern")]
    [InlineData("C/4D/4E/4F/4 G", "2/4", "1 e & a 2", "1 ta te ta 2", "ti ka ti ka ta", "cat er pil lar boat")]
    [InlineData("C/D/4E/4 F", "2/4", "1 & a 2", "1 te ta 2", "ti ti ka ta", "fox trot ting boat")]
    [InlineData("C/4D/4E/ F", "2/4", "1 e & 2", "1 ta te 2", "ti ka ti ta", "but ter cup boat")]
    [InlineData("C3/4D/4 E", "2/4", "1 a 2", "1 ta 2", "tim ka ta", "moun tain boat")]
    [InlineData("C/4D3/4 E", "2/4", "1 e 2", "1 ta 2", "ti tim ta", "be low boat")]
    [InlineData("C3/2D/ E2", "4/4", "1 -2 & 3 -4", "1 -2 te 3 -4", "ta -a ti ta -a", "boat -– ti boat -–")]
    [InlineData("(3C/D/E/ F", "2/4", "1 & a 2", "1 la li 2", "tri o la ta", "pep per mint boat")]
    [InlineData("C z E z", "4/4", "1 (2) 3 (4)", "1 (2) 3 (4)", "ta (sh) ta (sh)", "boat (sh) boat (sh)")]
    [InlineData(
        "C4|z4",
        "4/4",
        "1 -2 -3 -4 (1) (2) (3) (4)",
        "1 -2 -3 -4 (1) (2) (3) (4)",
        "ta -a -a -a (sh) (sh) (sh) (sh)",
        "boat -– -– -– (sh) (sh) (sh) (sh)"
    )]
    [InlineData("C-C D E", "4/4", "1 -2 3 4", "1 -2 3 4", "ta -a ta ta", "boat -– boat boat")]
    [InlineData("C/D-D/ E E", "4/4", "1 & -2 -& 3 4", "1 te -2 -te 3 4", "ti ta -a ta ta", "ti ta -– boat boat")]
    [InlineData(
        "A|C D E F|G3",
        "4/4",
        "4 1 2 3 4 1 -2 -3",
        "4 1 2 3 4 1 -2 -3",
        "ta ta ta ta ta ta -a -a",
        "boat boat boat boat boat boat -– -–"
    )]
    public void A_rhythm_in_four_systems(string music, string meter, string numbers, string te, string ta, string words)
    {
        Assert.Equal(numbers, Counted(music, meter, CountingSystem.Numbers));
        Assert.Equal(te, Counted(music, meter, CountingSystem.Te));
        Assert.Equal(ta, Counted(music, meter, CountingSystem.Ta));
        Assert.Equal(words, Counted(music, meter, CountingSystem.Words));
    }

    [Theory] // Compound time, in eighths and in dotted beats.
    [InlineData("C/D/E/ F/E/D/", "6/8", "1 2 3 4 5 6", "1 & a 2 & a")]
    [InlineData("C3/2 D3/2", "6/8", "1 -2 -3 4 -5 -6", "1 2")]
    [InlineData("C D/ E D/", "6/8", "1 -2 3 4 -5 6", "1 a 2 a")]
    [InlineData("C3/2 D3/2 E3/2", "9/8", "1 -2 -3 4 -5 -6 7 -8 -9", "1 2 3")]
    [InlineData("C3", "6/8", "1 -2 -3 -4 -5 -6", "1 -2")]
    [InlineData("C3/2 z3/2", "6/8", "1 -2 -3 (4) (5) (6)", "1 (2)")]
    public void Compound_time_both_ways(string music, string meter, string eighths, string dotted)
    {
        string Counting(CompoundCounting way) => Said.Counted(Lines.Score("C", music, meter), new HouseStyle { Compound = way });
        Assert.Equal(eighths, Counting(CompoundCounting.Eighths));
        Assert.Equal(dotted, Counting(CompoundCounting.DottedBeats));
    }

    [Theory] // The words are our own set: one for each dotted beat, however eighths are numbered.
    [InlineData("C/D/E/ F/E/D/", "pep per mint pep per mint")]
    [InlineData("C D/ E/D", "sail or a head")]
    [InlineData("C3/2 z3/2", "boat (sh)")]
    public void Words_in_compound_time_hold_a_dotted_beat(string music, string words)
    {
        foreach (var way in Enum.GetValues<CompoundCounting>())
        {
            Assert.Equal(
                words,
                Said.Counted(Lines.Score("C", music, "6/8"), new HouseStyle { Compound = way, Counting = CountingSystem.Words })
            );
        }
    }

    [Fact]
    public void Every_shipped_word_has_the_syllables_of_its_rhythm() =>
        Assert.All(WordRhythms.Shipped, w => Assert.Null(WordRhythms.Wrong(w.Pattern, w.Word)));

    [Fact]
    public void Every_shipped_rhythm_fills_one_beat() =>
        Assert.All(
            WordRhythms.Shipped,
            w =>
                Assert.Equal(
                    1,
                    w.Pattern.Split(' ').Sum(p => p == "1" ? 1.0 : int.Parse(p[..1], null) / (double)int.Parse(p[2..], null)),
                    6
                )
        );
}
