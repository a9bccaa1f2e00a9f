using Coppia.Core.Lesson;
using Coppia.Formats.Books;
using CsCheck;

namespace Coppia.Tests;

/// <summary>
/// What is called to each section of a mixed class, written by hand before the program was asked. Sources: craft 16 and
/// the check values of craft 19; where those are silent, common practice.
/// </summary>
public class CallSheetTests
{
    private static Score Demo(string tune) =>
        TuneReader.Read(File.ReadAllText(Path.Combine(Lines.Root(), "demo", "tunes", tune + ".abc"))).Score!;

    private static CallSheet Sheet(Score score, string sections = "violin viola cello bass") =>
        CallSheet.Of([
            .. sections
                .Split(' ')
                .Select(i => PlayerReading.Of(score, PrintedFor.Of(score), new Player(Lines.Instrument(i)))),
        ]);

    private static CallSheet Sheet(
        string key,
        string music,
        string sections = "violin viola cello bass",
        string meter = "4/4"
    ) => Sheet(Lines.Score(key, music, meter), sections);

    /// <summary>What is called in the given bars, a line a moment.</summary>
    private static string[] Calls(CallSheet sheet, int from = 0, int to = 99)
    {
        var words = new CallWords(sheet);
        return
        [
            .. sheet
                .Lines.SelectMany(l => l.Moments)
                .Where(m => m.Bar.Number >= from && m.Bar.Number <= to)
                .Select(words.Call),
        ];
    }

    private static string[] Own(CallSheet sheet)
    {
        var words = new CallWords(sheet);
        return [.. sheet.Lines.Select(l => string.Join(' ', l.Own.Select(words.Of)))];
    }

    /// <summary>Each section's column by bars.</summary>
    private static string Column(CallSheet sheet, int section)
    {
        var words = new CallWords(sheet);
        var bars = sheet.Lines.SelectMany(l => l.Moments).GroupBy(m => m.BarOrder);
        return string.Join(
            " | ",
            bars.Select(b => string.Join(' ', b.Where(m => !m.IsRest).Select(m => words.Label(m, section))))
        );
    }

    [Theory]
    [InlineData(
        "first-frost",
        "violin viola",
        "D0 D1 D2 D3 | A0 A0 A0 | D3 D2 D1 D2 | D0 | D0 D1 D2 D3 | A0 A0 A1 A0 | D3 D2 D1 D1 | D0"
    )]
    [InlineData(
        "first-frost",
        "cello",
        "D0 D1 D3 D4 | A0 A0 A0 | D4 D3 D1 D3 | D0 | D0 D1 D3 D4 | A0 A0 A1 A0 | D4 D3 D1 D1 | D0"
    )]
    [InlineData(
        "first-frost",
        "bass",
        "D0 D1 D4 G0 | G1 G1 G1 | G0 D4 D1 D4 | D0 | D0 D1 D4 G0 | G1 G1 G4 G1 | G0 D4 D1 D1 | D0"
    )]
    [InlineData("kite-weather", "violin viola", "D0 D1 | D2 D3 | A0 D2 | D1 | D0 D1 | D2 D3 | A0 D2 D1 | D0")]
    [InlineData("kite-weather", "cello", "D0 D1 | D3 D4 | A0 D3 | D1 | D0 D1 | D3 D4 | A0 D3 D1 | D0")]
    [InlineData("kite-weather", "bass", "D0 D1 | D4 G0 | G1 D4 | D1 | D0 D1 | D4 G0 | G1 D4 D1 | D0")]
    [InlineData(
        "lamplighters-round",
        "violin viola",
        "D0 D0 D1 D2 | D3 D3 A0 A1 | A0 A0 A0 A1 A0 D3 | D2 | D0 D0 D1 D2 | D3 D3 A0 A1 | A0 D3 D2 D1 D0 D1 | D0"
    )]
    [InlineData(
        "lamplighters-round",
        "cello",
        "D0 D0 D1 D3 | D4 D4 A0 A1 | A0 A0 A0 A1 A0 D4 | D3 | D0 D0 D1 D3 | D4 D4 A0 A1 | A0 D4 D3 D1 D0 D1 | D0"
    )]
    [InlineData(
        "lamplighters-round",
        "bass",
        "D0 D0 D1 D4 | G0 G0 G1 G4 | G1 G1 G1 G4 G1 G0 | D4 | D0 D0 D1 D4 | G0 G0 G1 G4 | G1 G0 D4 D1 D0 D1 | D0"
    )]
    [InlineData(
        "two-buckets",
        "violin viola",
        "D0 D2 D1 D3 | A0 A0 | A1 A0 D3 D2 | D1 | D0 D2 D1 D3 | A0 A0 | D3 D2 D1 | D0"
    )]
    [InlineData("two-buckets", "cello", "D0 D3 D1 D4 | A0 A0 | A1 A0 D4 D3 | D1 | D0 D3 D1 D4 | A0 A0 | D4 D3 D1 | D0")]
    [InlineData("two-buckets", "bass", "D0 D4 D1 G0 | G1 G1 | G4 G1 G0 D4 | D1 | D0 D4 D1 G0 | G1 G1 | G0 D4 D1 | D0")]
    [InlineData(
        "three-grey-geese",
        "violin viola",
        "D3 D3 A0 | A1 A0 | D3 A1 A0 D3 | D2 D0 | D1 D1 D2 | D3 D2 D1 D0 | D1 D3 D2 D4 | D3 | "
            + "A1 A1 A-L2 | A3 A1 | A-L2 A1 D4 D3 | A0 D0 | D1 D1 D2 | D3 D2 D1 D0 | D1 D3 D2 D4 | D3"
    )]
    [InlineData(
        "three-grey-geese",
        "cello",
        "D4 D4 A0 | A1 A0 | D4 A1 A0 D4 | D3 D0 | D1 D1 D3 | D4 D3 D1 D0 | D1 D4 D3 A0 | D4 | "
            + "A1 A1 A2 | A4 A1 | A2 A1 A0 D4 | A0 D0 | D1 D1 D3 | D4 D3 D1 D0 | D1 D4 D3 A0 | D4"
    )]
    [InlineData(
        "cellar-stairs",
        "violin viola",
        "D0 D1 D2 D3 | A0 A1 A2 A3 | A3 A2 A1 A0 | D3 D2 | A3 A2 A3 A1 | A0 D2 D1 A0 | G2 G-H3 D0 D1 | D0"
    )]
    [InlineData(
        "cellar-stairs",
        "cello",
        "D0 D1 D3 D4 | A0 A1 A3 A4 | A4 A3 A1 A0 | D4 D3 | A4 A3 A4 A1 | A0 D3 D1 A0 | G-x2 G-x4 D0 D1 | D0"
    )]
    [InlineData(
        "cellar-stairs",
        "bass",
        "D0 D1 D4 G0 | G1 G4 G2 G4 | G4 G2 G4 G1 | G0 D4 | G4 G2 G4 G4 | G1 D4 D1 G1 | A1 A4 D0 D1 | D0"
    )]
    [InlineData(
        "harbour-lanterns",
        "violin",
        "A0 | A3 E1 E0 A3 | A2 A1 A0 | A1 A3 A2 A1 | A0 D2 | D3 A1 A0 D3 | D2 D1 D0 | D1 D2 D3 D1 | D0 A0 | D0"
    )]
    [InlineData(
        "harbour-lanterns",
        "viola",
        "G1 | D0 D2 D1 D0 | G-H3 G2 G1 | G2 D0 G-H3 G2 | G1 C-H3 | G0 G2 G1 G0 | C-H3 C2 C1 | C2 C-H3 G0 "
            + "C2 | C1 G1 | C1"
    )]
    [InlineData(
        "harbour-lanterns",
        "cello",
        "G1 | D0 D3 D1 D0 | G-x4 G-x2 G1 | G-x2 D0 G-x4 G-x2 | G1 C-x4 | G0 G3 G1 G0 | C-x4 C-x2 C1 | C-x2 C-x4 G0 "
            + "C-x2 | C1 G1 | C1"
    )]
    [InlineData(
        "snow-on-the-sill",
        "violin viola",
        "D-L1 D-L2 D3 D-L4 | A-L1 A-L2 | A3 A-L4 A3 A-L2 | A-L1 | A-L2 D-L4 D-L2 D-L4 | D3 D-L1 G-L2 | G3 G4 "
            + "D-L1 D-L2 | D-L1"
    )]
    [InlineData(
        "the-tin-ferry",
        "violin viola",
        "D-L2 | G-L2 D0 D-L2 D0 | D-L1 D3 A-L2 A0 | A-L1 D-L2 D0 D-L2 | D-L1 G3 D-L2 | G-L2 D0 D-L2 D0 | "
            + "D-L1 D3 A-L2 A0 | "
            + "A-L1 A0 D3 D-L2 D-L1 G3 | G-L2"
    )]
    [InlineData(
        "the-tin-ferry",
        "cello",
        "D2 | G2 D0 D2 D0 | D-x1 D4 A2 A0 | A-x1 D2 D0 D2 | D-x1 G4 D2 | G2 D0 D2 D0 | D-x1 D4 A2 A0 | A-x1 A0 D4 "
            + "D2 D-x1 G4 | G2"
    )]
    [InlineData(
        "bramble-lane",
        "violin",
        "G3 | D-L2 D-L2 D3 A0 D3 D-L2 | D3 D3 A0 A-L1 A0 D3 | A0 A-L2 E-L1 E0 | A3 A-L2 G3 | "
            + "D-L2 D-L2 D3 A0 D3 D-L2 | D3 D3 A0 A-L1 A3 | A-L2 A-L1 D4 D3 D1 D3 | D-L2"
    )]
    [InlineData(
        "bramble-lane",
        "cello",
        "C0 | C4 C4 G0 G1 G0 C4 | G0 G0 G1 G2 G1 G0 | G1 G4 D2 D1 | D0 G4 C0 | C4 C4 G0 G1 G0 C4 | G0 G0 G1 G2 D0 | G4 "
            + "G2 G1 G0 C3 G0 | C4"
    )]
    [InlineData(
        "moth-and-candle",
        "violin",
        "A3 | D3 A-L1 A3 | A-L4 A3 | A-L2 A-L1 A0 D3 | D2 D0 | D-L1 D3 A-L2 | A-L1 D4 D3 D2 | D3 A0 A-L1 | A0 A3 "
            + "| D3 A-L1 A3 | "
            + "E0 E1 E-L2 | A-L4 A3 A-L2 A-L1 A0 | D3"
    )]
    [InlineData(
        "moth-and-candle",
        "viola",
        "D0 | G0 G-L2 D0 | D-L1 D0 | G3 G-L2 G1 G0 | C-H3 C1 | C-L2 G0 G3 | G-L2 G1 G0 C-H3 | G0 G1 G-L2 | G1 D0 "
            + "| G0 G-L2 D0 | "
            + "D1 D2 D3 | D-L1 D0 G3 G-L2 G1 | G0"
    )]
    [InlineData(
        "moth-and-candle",
        "cello",
        "D0 | G0 G2 D0 | D-x1 D0 | G4 G2 G1 G0 | C-x4 C1 | C2 G0 G4 | G2 G1 G0 C-x4 | G0 G1 G2 | G1 D0 | G0 G2 D0 | "
            + "D1 D3 D4 | D-x1 D0 G4 G2 G1 | G0"
    )]
    public void A_demo_tune_is_called_as_it_was_signed(string tune, string sections, string signed)
    {
        var sheet = Sheet(Demo(tune));
        foreach (var section in sections.Split(' '))
            Assert.Equal(
                signed,
                Column(sheet, sheet.Sections.Index().Single(s => s.Item.Instrument.Id == section).Index)
            );
    }

    [Fact]
    public void First_Frost_is_called_word_by_word() =>
        Assert.Equal(
            [
                "all open D",
                "all 1 on D",
                "violins and violas 2 on D, cellos 3 on D, basses 4 on D; cellos set 2 and 3 together",
                "violins and violas 3 on D, cellos 4 on D, basses open G; violins and violas keep 3 down, "
                    + "cellos keep 4 down",
                "violins, violas and cellos open A, basses 1 on G",
                "violins, violas and cellos open A, basses 1 on G",
                "violins, violas and cellos open A, basses 1 on G",
                "violins and violas 3 on D, cellos 4 on D, basses open G",
                "violins and violas 2 on D, cellos 3 on D, basses 4 on D",
                "all 1 on D",
                "violins and violas 2 on D, cellos 3 on D, basses 4 on D; cellos set 2 and 3 together",
                "all open D",
            ],
            Calls(Sheet(Demo("first-frost")), to: 4)
        );

    [Fact] // Bar 6 goes to the first finger between, so that 3 comes up; it gets ready again during the open string.
    public void A_finger_gets_ready_during_the_open_string_before_it() =>
        Assert.Equal(
            "violins, violas and cellos open A, basses 1 on G; violins and violas get 3 on D ready, "
                + "cellos get 4 on D ready",
            Calls(Sheet(Demo("first-frost")), from: 6, to: 6)[^1]
        );

    [Fact]
    public void Basses_get_a_word_of_their_own_before_each_line() =>
        Assert.Equal(
            [
                "Basses open G in bars 1 and 3, where the others finger. Basses 1 on G in bar 2, "
                    + "where the others play open strings.",
                "Basses open G in bars 5 and 7, where the others finger. Basses 1 on G in bar 6, "
                    + "where the others play open strings.",
            ],
            Own(Sheet(Demo("first-frost")))
        );

    [Fact] // Four open As: what comes again is called again in the same words, and nobody is told to do anything else.
    public void A_line_of_open_strings_is_the_plainest_call() =>
        Assert.Equal(
            Enumerable.Repeat("violins, violas and cellos open A, basses 1 on G", 8),
            Calls(Sheet("D", "A A A A | A A A A"))
        );

    // Craft 16: the bass is excepted from keep-down, prepare and set-the-hand calls, and told where its hand goes.
    [Fact]
    public void Basses_are_told_of_shifts_only()
    {
        // D major to the top and back; check value "bass D major, top": C♯ 2, D 4 in III.
        Assert.Equal(
            ["open D", "1 on D", "4 on D", "open G", "1 on G", "4 on G", "2 on G; to third position", "4 on G"],
            Calls(Sheet("D", "D E F G | A B c d", "bass"))
        );
        Assert.Equal(
            ["Basses alone move the hand in bar 2: to third position."],
            Own(Sheet("D", "D E F G | A B c d")).Select(o => o[o.IndexOf("Basses alone", StringComparison.Ordinal)..])
        );
    }

    [Fact]
    public void One_section_alone_is_called_without_its_name() =>
        Assert.Equal(
            ["open D", "1 on D", "2 on D", "3 on D; keep 3 down", "open A", "3 on D"],
            Calls(Sheet("D", "D E F G | A2 G2", "violin"))
        );

    [Fact]
    public void A_silence_of_all_is_called_and_is_no_row_of_the_note_list()
    {
        var sheet = Sheet("D", "D z E2 | z4", "violin cello");
        Assert.Equal(["all open D", "all rest", "all 1 on D", "all rest"], Calls(sheet));
        Assert.Equal(["1/4", "1/4", "1/2", "1"], sheet.Lines[0].Moments.Select(m => $"{m.Lasts}"));
    }

    [Fact] // Two lines of a score: each section has its own note, which is named where they differ.
    public void Sections_with_lines_of_their_own_are_called_by_note()
    {
        var (top, low) = (
            Lines.Score("D", "A2 B2 | A4", "4/4"),
            Lines.Score("D clef=bass", "D, F, G,2 | D,2 z2", "4/4")
        );
        var sheet = CallSheet.Of([
            PlayerReading.Of(top, Lines.Instrument("violin"), new Player(Lines.Instrument("violin"))),
            PlayerReading.Of(low, Lines.Instrument("cello"), new Player(Lines.Instrument("cello"))),
        ]);
        Assert.Equal(
            [
                "violins open A, cellos open D",
                "cellos 3 on D; cellos set 1, 2 and 3 together",
                "violins 1 on A for B, cellos 4 on D for G",
                "violins open A, cellos open D",
            ],
            Calls(sheet)
        );
        Assert.True(sheet.Lines[0].Moments[1].Sections[0].Holds);
    }

    [Fact]
    public void What_no_finger_reaches_is_said() =>
        Assert.Equal(
            "violins 1 on E, basses out of reach",
            Calls(Sheet(Demo("harbour-lanterns"), "violin bass"), from: 1, to: 1)[1]
        );

    [Fact] // A tune that goes through another line's rests: nobody is left out, nobody is called twice.
    public void Every_note_of_every_section_is_called_exactly_once() =>
        SomeScores.Any.Sample(
            score =>
            {
                var sheet = Sheet(score);
                var moments = sheet.Lines.SelectMany(l => l.Moments).ToArray();
                for (var s = 0; s < sheet.Sections.Count; s++)
                {
                    Assert.Equal(
                        sheet.Sections[s].Notes.Select(n => n.Note.Id),
                        moments.Where(m => m.Sections[s].Note is not null).Select(m => m.Sections[s].Note!.Note.Id)
                    );
                }

                var words = new CallWords(sheet);
                foreach (var moment in moments.Where(m => !m.IsRest))
                {
                    var called = words.Pairs(moment);
                    foreach (var (s, does) in moment.Sections.Index())
                        Assert.Equal(
                            does.Note is not null,
                            called.StartsWith("all ", StringComparison.Ordinal)
                                || called.Contains(words.Section(s), StringComparison.Ordinal)
                        );
                }
            },
            iter: 100
        );
}
