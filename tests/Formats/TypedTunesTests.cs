using Coppia.Formats.Books;
using CsCheck;

namespace Coppia.Tests;

/// <summary>
/// Tunes typed as letters and as fingers (craft 20). Sources: the craft page's own examples; the rest is common
/// practice.
/// </summary>
public class TypedTunesTests
{
    private static string Written(Score score) =>
        string.Join(
            " | ",
            score.Bars.Select(b =>
                string.Join(
                    ' ',
                    b.Events.Select(e => $"{e.Pitch?.ToString() ?? "z"}:{e.Length}{(e.TiedOn ? "-" : "")}")
                )
            )
        );

    private static Score Read(string text, SourceFormat format)
    {
        Assert.Equal(format, TuneReader.FormatOf(text));
        var read = TuneReader.Read(text);
        Assert.Empty(read.Errors);
        return read.Score!;
    }

    [Theory]
    [InlineData(
        "G A B G | C5 B A2 | B A G F# | G2 D2",
        "G4:1/4 A4:1/4 B4:1/4 G4:1/4 | C5:1/4 B4:1/4 A4:1/2 | B4:1/4 A4:1/4 G4:1/4 F#4:1/4 | G4:1/2 D4:1/2"
    )]
    // A fourth down is nearer than a fifth up; a mark says otherwise, and holds for what follows.
    [InlineData("D D A A", "D4:1/4 D4:1/4 A3:1/4 A3:1/4")]
    [InlineData("D D A' A | B B A2", "D4:1/4 D4:1/4 A4:1/4 A4:1/4 | B4:1/4 B4:1/4 A4:1/2")]
    [InlineData("A A A A | A A A A", "A4:1/4 A4:1/4 A4:1/4 A4:1/4 | A4:1/4 A4:1/4 A4:1/4 A4:1/4")]
    [InlineData("D E F G", "D4:1/4 E4:1/4 F4:1/4 G4:1/4")]
    [InlineData("D major\nD E F G | A B C D", "D4:1/4 E4:1/4 F#4:1/4 G4:1/4 | A4:1/4 B4:1/4 C#5:1/4 D5:1/4")]
    [InlineData("Key: D\nF Fn F F#", "F#4:1/4 F4:1/4 F#4:1/4 F#4:1/4")]
    [InlineData("2 flats\nB A B E", "Bb4:1/4 A4:1/4 Bb4:1/4 Eb5:1/4")]
    [InlineData("D high D low D d'", "D4:1/4 D5:1/4 D4:1/4 D5:1/4")]
    [InlineData("G, D G high D", "G3:1/4 D3:1/4 G3:1/4 D4:1/4")]
    [InlineData("G4*2 G3*1 z", "G4:1/2 G3:1/4 z:1/4")]
    [InlineData("A1/2 A1/2 A/ A/ A.  A/", "A4:1/8 A4:1/8 A4:1/8 A4:1/8 A4:3/8 A4:1/8")]
    [InlineData("A B - z", "A4:1/4 B4:1/4 z:1/4 z:1/4")]
    [InlineData("Bb Ab B♭ F♯", "Bb4:1/4 Ab4:1/4 Bb4:1/4 F#4:1/4")]
    [InlineData("GABG", "G4:1/4 A4:1/4 B4:1/4 G4:1/4")]
    // A bar that is full goes on to the next, and a note that crosses the barline is tied.
    [InlineData("A B C D E F G", "A4:1/4 B4:1/4 C5:1/4 D5:1/4 | E5:1/4 F5:1/4 G5:1/4")]
    [InlineData("3/4\nA B2 C2 D", "A4:1/4 B4:1/2 | C5:1/2 D5:1/4")]
    [InlineData("3/4\nA2 B2 C D", "A4:1/2 B4:1/4- | B4:1/4 C5:1/4 D5:1/4")]
    [InlineData("A B C 2 D", null)]
    // Barlines tell the meter, and a first bar that is shorter is a pick-up.
    [InlineData("D | G2 A | B2 A | G2", "D4:1/4 | G4:1/2 A4:1/4 | B4:1/2 A4:1/4 | G4:1/2")]
    [InlineData("6/8\nA3 B C D | A6", "A4:3/8 B4:1/8 C5:1/8 D5:1/8 | A4:3/4")]
    // The first note is near the third finger on the D string, whatever the instrument.
    [InlineData("For: cello\nD G A", "D3:1/4 G3:1/4 A3:1/4")]
    [InlineData("For: viola\nD G A", "D4:1/4 G4:1/4 A4:1/4")]
    [InlineData("For: bass\nG D", "G3:1/4 D3:1/4")]
    [InlineData("Clef: bass\nG D", "G3:1/4 D3:1/4")]
    public void Letters(string text, string? expected)
    {
        if (expected is null)
            Assert.NotEmpty(TuneReader.Read(text).Errors);
        else
            Assert.Equal(expected, Written(Read(text, SourceFormat.Letters)));
    }

    [Theory]
    [InlineData("D: 0 0 A: 0 0 | 1 1 0 - |", "D4:1/4 D4:1/4 A4:1/4 A4:1/4 | B4:1/4 B4:1/4 A4:1/4 z:1/4")]
    [InlineData("D: 0 1 2 3 A: 0 1 2 3", "D4:1/4 E4:1/4 F#4:1/4 G4:1/4 | A4:1/4 B4:1/4 C#5:1/4 D5:1/4")]
    [InlineData("D: 0 1 L2 3", "D4:1/4 E4:1/4 F4:1/4 G4:1/4")]
    [InlineData("A: L1 1 H3 L4 4", "Bb4:1/4 B4:1/4 D#5:1/4 Eb5:1/4 | E5:1/4")]
    [InlineData("E: 3 4 x4", "A5:1/4 B5:1/4 C6:1/4")]
    [InlineData("G: 0*2 1 2", "G3:1/2 A3:1/4 B3:1/4")]
    [InlineData("For: cello\nD: 0 1 3 4 A: 0 x1 2 4", "D3:1/4 E3:1/4 F#3:1/4 G3:1/4 | A3:1/4 A#3:1/4 C4:1/4 D4:1/4")]
    [InlineData("For: cello\n2 flats\nD: 0 x1 2 4", "D3:1/4 Eb3:1/4 F3:1/4 G3:1/4")]
    [InlineData("For: cello\nD: L1 x4 1 x2", "D#3:1/4 G#3:1/4 E3:1/4 F#3:1/4")]
    [InlineData("For: bass\nD: 0 1 4 G: 0 1 4", "D3:1/4 E3:1/4 F#3:1/4 G3:1/4 | A3:1/4 B3:1/4")]
    [InlineData("For: viola\nC: 0 1 2 3", "C3:1/4 D3:1/4 E3:1/4 F3:1/4")]
    public void Fingers(string text, string expected) =>
        Assert.Equal(expected, Written(Read(text, SourceFormat.Fingers)));

    [Fact] // The tune that the fingers spell is fingered as it was typed.
    public void Fingers_come_back_as_they_were_typed()
    {
        var score = Read("D major\nD: 0 1 2 3 A: 0 1 2 3 | 3 2 1 0 D: 3 2 1 0", SourceFormat.Fingers);
        var reading = PlayerReading.Of(score, StringSection.Violin, new Player(StringSection.Violin));
        Assert.Equal(
            "D0 D1 D2 D3 A0 A1 A2 A3 A3 A2 A1 A0 D3 D2 D1 D0",
            string.Join(' ', reading.Notes.Select(n => new ReadingWords(reading).Label(n)))
        );
    }

    [Theory]
    [InlineData(
        "G A H B",
        "1:5: “H” is not a note; expected a letter A–G with # or b if need be and its beats behind it (G, F#, B2, "
            + "A1/2), z or - for a rest, or a barline |"
    )]
    [InlineData("G A\nB A2x G", "2:5: “x” is not a note;")]
    [InlineData("Key: Q\nG A", "1:6: “Q” is not a key; expected a key such as D, B♭ major, E minor, or 2 sharps")]
    [InlineData("Time: 3/5\nG A", "1:7: “3/5” is not a meter; expected a meter such as 4/4, 3/4, 6/8 or C")]
    [InlineData("For: flute\nG A", "1:6: “flute” is not an instrument; expected violin, viola, cello or bass")]
    [InlineData(
        "D: 0 5 1",
        "1:6: “5” is not a finger; expected a string with a colon (G: D: A: E:), a finger 0–4 with L, "
            + "H or x before it if need be"
    )]
    [InlineData("D: 0 C: 1", "1:6: the violin has no C string;")]
    [InlineData("For: bass\nD: 0 3 1", "2:6: the double bass has no 3 in first position;")]
    [InlineData("For: cello\nD: H1", "2:4: the cello has no H1 in first position;")]
    [InlineData("0 1 A: 1", "1:1: finger 0 comes before a string is named;")]
    [InlineData("Key: D\n", "2:1: there are no notes; expected at least one note")]
    public void Errors_name_their_place(string text, string error) =>
        Assert.StartsWith(error, $"{TuneReader.Read(text).Errors[0]}", StringComparison.Ordinal);

    [Theory] // What is what is seen by itself.
    [InlineData("X:1\nK:D\nD E|", SourceFormat.Abc)]
    [InlineData("T:My tune\nK:D\nDE|", SourceFormat.Abc)]
    [InlineData("  <?xml version=\"1.0\"?>", SourceFormat.MusicXml)]
    [InlineData("G A B", SourceFormat.Letters)]
    [InlineData("Title: A tune\nG A B", SourceFormat.Letters)]
    [InlineData("3/4\nG A B", SourceFormat.Letters)]
    [InlineData("g a b c' | d", SourceFormat.Letters)]
    [InlineData("A: 0 1 2", SourceFormat.Fingers)]
    [InlineData("G: L2 -", SourceFormat.Fingers)]
    [InlineData("Once upon a time", SourceFormat.Abc)]
    [InlineData("", SourceFormat.Abc)]
    public void Recognised(string text, SourceFormat format) => Assert.Equal(format, TuneReader.FormatOf(text));

    [Fact]
    public void Any_text_is_answered_with_a_score_or_errors_and_never_a_crash() =>
        Gen.String[Gen.Char["ABCDEFGabcdefgzLHx|:()-–0123456789 \n#b♯',./*"], 0, 60]
            .Sample(
                text =>
                {
                    foreach (var start in new[] { "G A ", "D: 0 ", "For: bass\nG: 1 " })
                    {
                        var read = TuneReader.Read(start + text);
                        Assert.True(read.Score is not null || read.Errors.Count > 0);
                    }
                },
                iter: 2000
            );
}
