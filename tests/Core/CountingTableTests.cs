namespace Coppia.Tests;

/// <summary>
/// One rhythm in every counting system. Source: craft 9, common practice; the words are our own set. Held beats have a
/// dash before them, rests brackets.
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
        string Counting(CompoundCounting way) =>
            Said.Counted(Lines.Score("C", music, meter), new HouseStyle { Compound = way });
        Assert.Equal(eighths, Counting(CompoundCounting.Eighths));
        Assert.Equal(dotted, Counting(CompoundCounting.DottedBeats));
    }

    /// <summary>
    /// Every rhythm of a dotted beat down to sixteenths, signed by hand: what is counted in dotted beats by numbers and
    /// by te, what ta says in either way, and numbers in eighths. Lengths in sixteenths.
    /// </summary>
    private const string DottedBeat = """
        6|1|1|ta
        4 2|1 a|1 li|ta ti
        2 4|1 &|1 la|ti ta
        2 2 2|1 & a|1 la li|ti ti ti
        3 3|1 e|1 ta|tim tim
        3 2 1|1 e e|1 ta ta|tim ti ka
        3 1 2|1 e a|1 ta li|tim ka ti
        3 1 1 1|1 e a e|1 ta li ta|tim ka ti ka
        1 3 2|1 e a|1 ta li|ti tim ti
        1 2 3|1 e e|1 ta ta|ti ti tim
        2 3 1|1 & e|1 la ta|ti tim ka
        2 1 3|1 & e|1 la ta|ti ti tim
        1 1 4|1 e &|1 ta la|ti ka ta
        1 4 1|1 e e|1 ta ta|ti ta ka
        4 1 1|1 a e|1 li ta|ta ti ka
        1 3 1 1|1 e a e|1 ta li ta|ti tim ti ka
        1 1 3 1|1 e & e|1 ta la ta|ti ka tim ka
        1 1 1 3|1 e & e|1 ta la ta|ti ka ti tim
        2 2 1 1|1 & a e|1 la li ta|ti ti ti ka
        2 1 2 1|1 & e e|1 la ta ta|ti ti ti ka
        2 1 1 2|1 & e a|1 la ta li|ti ti ka ti
        1 2 2 1|1 e e e|1 ta ta ta|ti ti ti ka
        1 2 1 2|1 e e a|1 ta ta li|ti ti ka ti
        1 1 2 2|1 e & a|1 ta la li|ti ka ti ti
        2 1 1 1 1|1 & e a e|1 la ta li ta|ti ti ka ti ka
        1 2 1 1 1|1 e e a e|1 ta ta li ta|ti ti ka ti ka
        1 1 2 1 1|1 e & a e|1 ta la li ta|ti ka ti ti ka
        1 1 1 2 1|1 e & e e|1 ta la ta ta|ti ka ti ti ka
        1 1 1 1 2|1 e & e a|1 ta la ta li|ti ka ti ka ti
        1 1 1 1 1 1|1 e & e a e|1 ta la ta li ta|ti ka ti ka ti ka
        """;

    [Fact] // In every meter of dotted beats, on its first beat.
    public void Every_rhythm_of_a_dotted_beat_has_its_syllables()
    {
        var rows = DottedBeat.Split('\n').Select(r => r.Trim().Split('|')).ToArray();
        Assert.Equal(30, rows.Length); // 32 ways to part six, but for the two with five, which no single note lasts
        foreach (var row in rows)
        {
            var beat = string.Concat(row[0].Split(' ').Select(n => $"C{n}/4"));
            Assert.Equal(6, row[0].Split(' ').Sum(n => int.Parse(n, null)));
            foreach (var beats in new[] { 2, 3, 4 })
            {
                var music = beat + string.Concat(Enumerable.Repeat(" D3/2", beats - 1));
                var notes = row[0].Split(' ').Length;
                // Counted in eighths a value keeps its syllable of ta.
                var eighths = Said.Counted(
                    Lines.Score("C", music, $"{3 * beats}/8"),
                    new HouseStyle { Counting = CountingSystem.Ta }
                );
                string[] said =
                [
                    Dotted(music, beats, CountingSystem.Numbers),
                    Dotted(music, beats, CountingSystem.Te),
                    Dotted(music, beats, CountingSystem.Ta),
                    eighths,
                ];
                Assert.Equal([row[0], .. row[1..4], row[3]], said.Select(c => FirstBeat(c, notes)).Prepend(row[0]));
            }
        }

        static string Dotted(string music, int beats, CountingSystem system) =>
            Said.Counted(
                Lines.Score("C", music, $"{3 * beats}/8"),
                new HouseStyle { Counting = system, Compound = CompoundCounting.DottedBeats }
            );

        // A syllable a note, and what is held left out.
        static string FirstBeat(string said, int notes) =>
            string.Join(' ', said.Split(' ').Where(s => s[0] != '-').Take(notes));
    }

    /// <summary>
    /// Every rhythm of a quarter, signed by hand: lengths in sixteenths, triplets as thirds; numbers, te, ta, words.
    /// </summary>
    private const string QuarterBeat = """
        C|1|1|ta|boat
        C/D/|1 &|1 te|ti ti|lan tern
        C3/4D/4|1 a|1 ta|tim ka|moun tain
        C/4D3/4|1 e|1 ta|ti tim|be low
        C/D/4E/4|1 & a|1 te ta|ti ti ka|fox trot ting
        C/4D/4E/|1 e &|1 ta te|ti ka ti|but ter cup
        C/4D/E/4|1 e a|1 ta ta|ti ti ka|po ta to
        C/4D/4E/4F/4|1 e & a|1 ta te ta|ti ka ti ka|cat er pil lar
        (3C/D/E/|1 & a|1 la li|tri o la|pep per mint
        (3:2:2CD/|1 a|1 li|tri la|sail or
        (3:2:2C/D|1 &|1 la|tri o|a head
        """;

    [Fact]
    public void Every_rhythm_of_a_quarter_has_its_syllables_in_every_meter_of_quarters()
    {
        foreach (var row in QuarterBeat.Split('\n').Select(r => r.Trim().Split('|')))
        {
            foreach (var beats in new[] { 2, 3, 4, 5 })
            {
                CountingSystem[] systems =
                [
                    CountingSystem.Numbers,
                    CountingSystem.Te,
                    CountingSystem.Ta,
                    CountingSystem.Words,
                ];
                var music = row[0] + string.Concat(Enumerable.Repeat(" z", beats - 1));
                foreach (var (i, system) in systems.Index())
                    Assert.StartsWith(
                        $"{row[i + 1]} (",
                        Counted(music, $"{beats}/4", system),
                        StringComparison.Ordinal
                    );
            }
        }
    }

    [Theory] // Where the beat is an eighth or a half, by the value: numbers, te, ta.
    [InlineData("C/D/E/", "3/8", "1 2 3", "1 2 3", "ti ti ti")]
    [InlineData("C/4D/4E/F/", "3/8", "1 & 2 3", "1 te 2 3", "ti ka ti ti")]
    [InlineData("C D/", "3/8", "1 -2 3", "1 -2 3", "ta -a ti")]
    [InlineData("C3/2", "3/8", "1 -2 -3", "1 -2 -3", "ta -a -a")]
    [InlineData("C2D2", "2/2", "1 2", "1 2", "ta ta")]
    [InlineData("C D E F", "2/2", "1 & 2 &", "1 te 2 te", "ta ta ta ta")]
    [InlineData("C/D/E/F/ G2", "2/2", "1 e & a 2", "1 ta te ta 2", "ti ti ti ti ta")]
    [InlineData("C3D", "2/2", "1 -2 &", "1 -2 te", "ta -a ta")]
    [InlineData("(3CDE F2", "2/2", "1 & a 2", "1 la li 2", "tri o la ta")]
    [InlineData("(3CDE F2", "4/4", "1 a -2 & 3 -4", "1 li -2 la 3 -4", "tri o -a la ta -a")] // a triplet over two beats
    public void Where_the_beat_is_no_quarter(string music, string meter, string numbers, string te, string ta)
    {
        Assert.Equal(numbers, Counted(music, meter, CountingSystem.Numbers));
        Assert.Equal(te, Counted(music, meter, CountingSystem.Te));
        Assert.Equal(ta, Counted(music, meter, CountingSystem.Ta));
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
                Said.Counted(
                    Lines.Score("C", music, "6/8"),
                    new HouseStyle { Compound = way, Counting = CountingSystem.Words }
                )
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
                    w.Pattern.Split(' ')
                        .Sum(p => p == "1" ? 1.0 : int.Parse(p[..1], null) / (double)int.Parse(p[2..], null)),
                    6
                )
        );
}
