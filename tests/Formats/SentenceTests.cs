using System.Text.RegularExpressions;
using Coppia.Cli;

namespace Coppia.Tests;

/// <summary>
/// A grammar of what is said: every sentence about sixty varied tunes, on four instruments, in changing styles, by
/// classes of every stage. Its rules are those of English and of the craft (common practice); none of them asks the
/// program.
/// </summary>
public partial class SentenceTests
{
    /// <summary>
    /// First-year music with what trips a sentence: pick-ups, rests, one note over and over, dots, flats, endings,
    /// shifts.
    /// </summary>
    private static readonly string[] Written =
    [
        "M:4/4\nL:1/4\nK:D\nA A A A|A A A2|A A A A|A4|]",
        "M:4/4\nL:1/4\nK:D\nD D A A|D D A2|A A D D|A2 D2|]",
        "M:3/4\nL:1/4\nK:G\nD|G2 A|B2 G|c B A|G2 D|G2 A|B c A|G3-|G2|]",
        "M:3/4\nL:1/4\nK:F\n(C|F2) G|A2 F|B A G|F2 C|F3|z3|c2 F|F3|]",
        "M:6/8\nL:1/8\nK:D\nA|d2 d c2 c|B2 c d2 A|G>AG F2 D|E3 A2 A|d3 D2|]",
        "M:2/4\nL:1/8\nK:A\nA2 E2|ABcd|e2 c2|A4|e/d/c/B/ A2|EFGA|A4|]",
        "M:4/4\nL:1/4\nK:Gm\nG A B c|d ^c d2|d =e ^f g|g2 d2|_e d c B|A ^F G2|]",
        "M:4/4\nL:1/8\nK:C\nC3D E2 G2|c3B A2 G2|(cB)(AG) (FE)(DC)|C8|]",
        "M:4/4\nL:1/8\nK:Bb\nB,5B, D2|F5F B2|d5c B2|(BA GF) E4|B,8|]",
        "M:4/4\nL:1/4\nK:Eb\nE F G A|B c d e|e d c B|A G F E|(E G) (B e)|E4|]",
        "M:4/4\nL:1/4\nK:D\n|: D4 | E2 F2 | z4 :| A4 |]",
        "M:4/4\nL:1/4\nK:D\n|: D2 E2 | F2 E2 |1 D4 :|2 z4 | A4 |]",
        "M:C|\nL:1/4\nK:E\nE2 G2|B2 e2|e/d/c B2|(3A/B/A/ G F2|E4|]",
        "M:4/4\nL:1/4\nK:C\nd' c' b a|g e c' e|a2 c'2|e'4|]",
        "M:4/4\nL:1/4\nK:Am\nA, E A c|^G B e2|=G ^F F E|E4|z4|.E .E .E2|A,4|]",
        "M:4/4\nL:1/4\nK:B\nB, C D E|F G A B|c d e f|B4|]",
    ];

    private static readonly HouseStyle[] Styles =
    [
        HouseStyle.Default,
        new HouseStyle
        {
            NoteNames = NoteNames.FixedDo,
            OctaveNames = OctaveNames.Number,
            CelloBack = CelloBackLabel.X1,
        },
        new HouseStyle
        {
            NoteNames = NoteNames.German,
            ValueNames = ValueNames.British,
            LowHigh = LowHighLabel.Arrows,
            Alternatives = new Dictionary<string, string> { ["bass"] = "oneThreeFour" },
        },
        new HouseStyle
        {
            FourthFinger = FourthFinger.FourthFirst,
            LowHigh = LowHighLabel.Words,
            ExtendedFourth = ExtendedFourthLabel.FourPlus,
            OctaveNames = OctaveNames.HighLow,
        },
    ];

    private static IEnumerable<Score> Tunes() =>
        Lines
            .DemoFiles()
            .Select(File.ReadAllText)
            .Concat(Written.Select(w => $"X:1\nT:Tune\n{w}\n"))
            .Select(text => Formats.Books.TuneReader.Read(text).Score!)
            .Concat(Enumerable.Range(1, 28).Select(seed => RandomTunes.Song(seed, 22 + seed % 5, 34 + seed % 9)));

    /// <summary>
    /// Nobody's, everything's and each stage's class; every tune meets all styles, all tunes together all stages.
    /// </summary>
    private static IEnumerable<(string Where, PlayerReading Reading, string[] Said)> Readings()
    {
        var tunes = Tunes().Take(Rounds.Of(60, least: 60)).ToArray();
        Assert.Equal(60, tunes.Length);
        foreach (var (t, tune) in tunes.Index())
        foreach (var (i, instrument) in StringSection.All.Index())
        foreach (var s in new[] { (t + i) % 2, 2 + (t + i) % 2 })
        {
            var style = Styles[s];
            var stage = (t + 5 * i + 4 * s) % (UsualOrder.Stages.Count + 1) - 1;
            var known =
                stage < 0
                    ? null
                    : ClassKnowledge.Of(UsualOrder.UpTo(UsualOrder.Stages[stage], [style.Fingered(instrument)]));
            var player = new Player(instrument, style, known);
            var reading = PlayerReading.Of(tune, PrintedFor.Of(tune), player);
            using var said = new StringWriter { NewLine = "\n" };
            SaidAloud.Write(
                reading,
                new ReadingWords(reading),
                known is null ? null : News.In(TuneContents.Of(reading), known),
                said
            );
            string[] lines = [.. said.ToString().Split('\n').Where(l => l.Length > 0 && l[0] != '#')];
            yield return ($"tune {t}, {instrument.Id}, style {s}, stage {stage}", reading, lines);
        }
    }

    [Fact]
    public void Nothing_is_said_that_no_teacher_would_say()
    {
        var faults = new List<string>();
        var count = 0;
        foreach (var (where, reading, said) in Readings())
        {
            var style = reading.Player.Style;
            var signed = SignedNames(reading, style);
            foreach (var line in said)
            {
                count++;
                if (Fault(line, style, signed) is { } fault)
                    faults.Add($"{fault}: {where}: {line}");
            }
        }

        Assert.True(count > 50_000, $"only {count} sentences were read");
        Assert.True(
            faults.Count == 0,
            string.Join(
                '\n',
                faults.DistinctBy(f => f.Split(':')[0]).Concat(faults.Take(40)).Prepend($"{faults.Count} of {count}")
            )
        );
    }

    /// <summary>Every name with an accidental that the tune or its signature has: nothing else may be named.</summary>
    private static HashSet<string> SignedNames(PlayerReading reading, HouseStyle style) =>
        [
            .. reading
                .Notes.Select(n => n.Note.Pitch)
                .Concat(
                    from bar in reading.Score.Bars
                    from letter in Enum.GetValues<Letter>()
                    select new Pitch(letter, bar.Key.AlterOf(letter), 4)
                )
                .Select(p => Labels.Note(p, style)),
        ];

    private static string? Fault(string line, HouseStyle style, HashSet<string> names)
    {
        var bare = Bracketed().Replace(line, "");
        return Doubled().IsMatch(bare) ? "a word twice"
            : PartTwice(bare) ? "a part twice"
            : Decimal().IsMatch(line) ? "a decimal"
            : OneOfSeveral().IsMatch(line) ? "one of several"
            : SeveralOfOne().IsMatch(line) ? "several of one"
            : Vacuous().IsMatch(line) ? "nothing is said"
            : Gap().IsMatch(line) ? "a gap"
            : line[^1] != '.' ? "no full stop"
            : TwoShapes().IsMatch(line) ? "a hand that cannot be"
            : style.NoteNames == NoteNames.FixedDo
            && Letters().IsMatch(line.Replace("D.C.", "", StringComparison.Ordinal))
                ? "a letter in fixed do"
            : Signed().Matches(line).Select(m => m.Value).FirstOrDefault(n => !names.Contains(n)) is { } foreign
                ? $"{foreign} is foreign"
            : null;
    }

    /// <summary>Two neighbouring parts between commas say the same, whether or not with an article.</summary>
    private static bool PartTwice(string line)
    {
        string[] parts =
        [
            .. line.Split([',', ';', ':', '.'])
                .Select(p => Article().Replace(p.Trim(), ""))
                .Where(p => p.Any(char.IsLetter)),
        ];
        return parts
            .Zip(parts.Skip(1))
            .Any(p => p.First.Length > 2 && p.First.Equals(p.Second, StringComparison.OrdinalIgnoreCase));
    }

    /// <summary>The grammar itself: what was said once and is not so is found, and its mended form passes.</summary>
    [Theory]
    [InlineData("D (A3) to E (D1): slurred over the crossing, a string crossing crossing.", "a word twice")]
    [InlineData("A sign you have not met: pick-up, the pick-up, once.", "a part twice")]
    [InlineData("Bar 1: 2.5 beats down, 0.5 up.", "a decimal")]
    [InlineData("It is new in 1 things.", "one of several")]
    [InlineData("It has two note left.", "several of one")]
    [InlineData("A is open A.", "nothing is said")]
    [InlineData("Look for: .", "a gap")]
    [InlineData("Hand shape 1–x1–3–x4–4 on A.", "a hand that cannot be")]
    [InlineData("From G♯ put 1 down.", "G♯ is foreign")]
    [InlineData("Bar 1, A A0: Space 2 is A. The open A string, no finger.", null)]
    [InlineData("Three rhythms; that of bar 1 (quarter quarter half) fills nine of its 16 bars.", null)]
    [InlineData("Hand shape 1–3–4, then x1–3 on A.", null)]
    public void The_grammar_finds_what_it_is_for(string line, string? fault) =>
        Assert.Equal(fault, Fault(line, HouseStyle.Default, ["A", "F♯"]));

    [GeneratedRegex("\\([^)]*\\)|“[^”]*”")]
    private static partial Regex Bracketed();

    [GeneratedRegex("\\b(\\p{L}{2,}) (?:the |a |an )?\\1\\b", RegexOptions.IgnoreCase)]
    private static partial Regex Doubled();

    [GeneratedRegex("\\d[.,]\\d")]
    private static partial Regex Decimal();

    [GeneratedRegex(
        "(?<![–,\\d] ?|and )\\b(?:1|[Oo]ne) "
            + "(?!this|plays|fills|slides|stays|reaches|stretches|comes|is\\b|lies|has|does|goes|stands|"
            + "less)\\p{L}+s\\b"
    )]
    private static partial Regex OneOfSeveral();

    [GeneratedRegex(
        "\\b(?:[2-9]|[Tt]wo|[Tt]hree|[Ff]our|[Ff]ive|[Ss]ix|[Ss]even|[Ee]ight|[Nn]ine|[Tt]en) "
            + "(?:note|bar|beat|line|step|string|time|stroke|minute|rhythm|thing|place|sharp|flat|rest|"
            + "letter|finger)\\b"
    )]
    private static partial Regex SeveralOfOne();

    [GeneratedRegex(
        "(?<!-)\\b(\\w+[♯♭]?) is (?:open |the open )?\\1(?: "
            + "string)?[.;,]|no notes|zero|stands alone|also works\\.|[Bb]ar 0\\b"
    )]
    private static partial Regex Vacuous();

    [GeneratedRegex("  | [.,;:]|[,;:]\\.|\\(\\)|^ | $|, but \\.|: ,|\\.\\.")]
    private static partial Regex Gap();

    /// <summary>One finger twice in a hand, closed and stretched.</summary>
    [GeneratedRegex("(?<![\\dx–])(?:x?[1-4]–)*x?([1-4])–(?:x?[1-4]–)*x?\\1\\b(?= |–|,)")]
    private static partial Regex TwoShapes();

    [GeneratedRegex("\\b[B-G][♯♭]?(?![\\p{L}.′♯♭-])\\b|\\b[A-G][♯♭]?[-0-9]|\\bA[♯♭]")]
    private static partial Regex Letters();

    [GeneratedRegex("\\b(?:[A-H]|do|re|mi|fa|sol|la|si)[♯♭𝄪𝄫]+")]
    private static partial Regex Signed();

    [GeneratedRegex("^(?:the|a|an|and) ", RegexOptions.IgnoreCase)]
    private static partial Regex Article();
}
