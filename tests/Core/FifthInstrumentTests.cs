using Coppia.Core.Wording.Room;

namespace Coppia.Tests;

/// <summary>
/// A fifth instrument is one table: two that Coppia does not ship are read, shaped, taped and bowed. Expected values
/// were written down from the tables before the program was asked; tape distances by L · (1 − 2^(−n/12)) (craft 2).
/// </summary>
public class FifthInstrumentTests
{
    /// <summary>A viola with a fifth string on top (common practice).</summary>
    private static readonly Instrument FiveStrings = StringSection.Viola with
    {
        Id = "five-string viola",
        Name = "Five-string viola",
        Strings = [.. new[] { "C3", "G3", "D4", "A4", "E5" }.Select(Pitch.Parse)],
        StringThickness = [2.2, 1.9, 1.5, 1.1, 0.8],
    };

    /// <summary>
    /// A bass viol: six strings, frets, a finger for each half step from the first fret on (common practice).
    /// </summary>
    private static readonly Instrument Viol = new()
    {
        Id = "viol",
        Name = "Bass viol",
        Strings = [.. new[] { "D2", "G2", "C3", "E3", "A3", "D4" }.Select(Pitch.Parse)],
        FirstClef = Clef.Bass,
        Numbering = Numbering.BySemitone,
        ShapeNaming = ShapeNaming.Fingers,
        Frames =
        [
            Fret(1, "I", "first position") with
            {
                IsHome = true,
                PrintsLowAndHigh = true,
            },
            Fret(2, "II", "second position"),
            Fret(3, "III", "third position"),
        ],
        FirstHeight = 1,
        BeginnerHeights = new HashSet<int> { 1 },
        ShownHeights = new HashSet<int> { 1, 2 },
        DefaultTapes = [],
        Sizes = [new InstrumentSize("full", 700)],
        StringThickness = [3, 2.6, 2.2, 1.8, 1.5, 1.1],
    };

    private static HandFrame Fret(int first, string position, string spoken) =>
        new(
            position,
            spoken,
            first,
            Stretch.None,
            [.. Enumerable.Range(0, 4).Select(k => new FingerSpot(k + 1, first + k))]
        );

    private static PlayerReading Read(Instrument instrument, string key, string music)
    {
        var player = new Player(instrument);
        return PlayerReading.Of(Lines.Score(key, music, "4/4"), instrument, player);
    }

    [Theory]
    [InlineData("C", "C,D,G,A,|DEAB|efa2|", "C0 C1 G0 G1 D0 D1 A0 A1 E0 E-L1 E3")]
    [InlineData("D", "F,A,FA|cef=f|", "C-H3 G1 D2 A0 A2 E0 E1 E-L1")]
    public void A_viola_with_a_fifth_string_reads(string key, string music, string pairs) =>
        Assert.Equal(pairs, string.Join(' ', Read(FiveStrings, $"{key} clef=alto", music).Labelled()));

    [Fact]
    public void A_viol_reads_by_its_frets() =>
        Assert.Equal(
            "D0 D2 D3 G0 G2 G4 C0 C2 E0 E1 E3 A0",
            string.Join(' ', Read(Viol, "C clef=bass", "D,,E,,F,,G,,|A,,B,,C,D,|E,F,G,A,|").Labelled())
        );

    [Fact]
    public void Their_shapes_have_names()
    {
        var major = new ScaleKey(0, ScaleForm.Major);
        IEnumerable<string> Names(Instrument i) => HandShape.InKey(i, major, "I").Select(s => ShapeWords.Name(s, i));
        Assert.Equal(["2–3", "2–3", "1–2", "1–2", "0–1"], Names(FiveStrings));
        Assert.Equal(["2–3", "2–4", "2–4", "1–3", "2–3", "2–3"], Names(Viol));
        Assert.Equal(["I", "II"], HandShape.Positions(Viol));
    }

    [Fact]
    public void Their_tapes_lie_in_millimetres()
    {
        Assert.Equal([41.5, 78.5, 95.5], TapingSheet.Of(FiveStrings.DefaultTapes, 380).Select(t => t.Millimetres));
        Assert.Empty(TapingSheet.Of(Viol.DefaultTapes, Viol.FullSize.StringLengthMm));
    }

    [Fact]
    public void Their_bows_alternate_and_their_words_name_their_strings()
    {
        var reading = Read(Viol, "C clef=bass", "D,,F,,G,,A,,|");
        Assert.Equal("dudu", string.Concat(reading.Notes.Select(n => BowWords.Way(n.Bow)[0])));
        Assert.Equal("Strings D and G.", reading.Text(reading.BeforeLines().First()[0]));
        Assert.Equal(
            "Three half steps above open D: third finger in first position.",
            new ReadingWords(reading).Why(reading.Notes[1]).Finger
        );
    }

    [Fact] // What a class may use comes from the table, and from its record once there is one.
    public void A_class_that_knows_more_plays_higher()
    {
        var score = Lines.Score("D clef=bass", "D E F G", "4/4");
        var beginners = PlayerReading.Of(score, Viol, new Player(Viol));
        var later = new ClassKnowledge
        {
            Heights = new Dictionary<string, IReadOnlySet<int>>
            {
                ["viol"] = new HashSet<int> { 1, 2 },
            },
        };
        var readers = PlayerReading.Of(score, Viol, new Player(Viol, known: later));
        // G is the fifth fret of the top string
        Assert.Equal([false, false, false, true], beginners.Notes.Select(n => n.Fingered.Beyond));
        Assert.DoesNotContain(readers.Notes, n => n.Fingered.Beyond);
    }
}
