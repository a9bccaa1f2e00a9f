namespace Coppia.Tests;

/// <summary>How names and pairs are printed in each house style. Source: craft 17, common practice.</summary>
public class LabelsTests
{
    [Theory] // German: B natural is H, B flat is B.
    [InlineData("B4", "B", "H", "si")]
    [InlineData("Bb4", "B♭", "B", "si♭")]
    [InlineData("C4", "C", "C", "do")]
    [InlineData("F#4", "F♯", "F♯", "fa♯")]
    [InlineData("Eb4", "E♭", "E♭", "mi♭")]
    [InlineData("G4", "G", "G", "sol")]
    [InlineData("A4", "A", "A", "la")]
    [InlineData("D4", "D", "D", "re")]
    public void Note_names_in_three_languages(string pitch, string english, string german, string fixedDo)
    {
        string Name(NoteNames names) => Labels.Note(Pitch.Parse(pitch), new HouseStyle { NoteNames = names });
        Assert.Equal(english, Name(NoteNames.English));
        Assert.Equal(german, Name(NoteNames.German));
        Assert.Equal(fixedDo, Name(NoteNames.FixedDo));
    }

    [Theory] // "high D" where the tune has two Ds; "low D" only where it has three.
    [InlineData("D4", "4 5", "D", "D4", "D")]
    [InlineData("D5", "4 5", "high D", "D5", "D")]
    [InlineData("D4", "4", "D", "D4", "D")]
    [InlineData("G3", "3 4 5", "low G", "G3", "G")]
    [InlineData("G4", "3 4 5", "G", "G4", "G")]
    [InlineData("G5", "3 4 5", "high G", "G5", "G")]
    public void Octaves_in_three_ways(string pitch, string octaves, string highLow, string number, string none)
    {
        int[] used = [.. octaves.Split(' ').Select(o => int.Parse(o, null))];
        string Name(OctaveNames names) =>
            Labels.NoteInOctave(Pitch.Parse(pitch), used, new HouseStyle { OctaveNames = names });
        Assert.Equal(highLow, Name(OctaveNames.HighLow));
        Assert.Equal(number, Name(OctaveNames.Number));
        Assert.Equal(none, Name(OctaveNames.None));
    }

    [Theory]
    [InlineData("violin", "C", "F", "D-L2", "D-↓2", "D low 2")]
    [InlineData("violin", "E", "G", "D-H3", "D-↑3", "D high 3")]
    [InlineData("violin", "D", "A", "A0", "A0", "A0")]
    [InlineData("violin", "D", "F", "D2", "D2", "D2")]
    public void Low_and_high_in_three_ways(
        string instrument,
        string key,
        string music,
        string letters,
        string arrows,
        string words
    )
    {
        string Pair(LowHighLabel label) => Lines.Pairs(instrument, key, music, new HouseStyle { LowHigh = label });
        Assert.Equal(letters, Pair(LowHighLabel.Letters));
        Assert.Equal(arrows, Pair(LowHighLabel.Arrows));
        Assert.Equal(words, Pair(LowHighLabel.Words));
    }

    [Fact] // Some call the back stretch extended 1, some low 1.
    public void The_cellos_back_stretch_in_two_ways()
    {
        Assert.Equal("D0 D-x1 D2", Lines.Pairs("cello", "Bb clef=bass", "D, E, F,"));
        Assert.Equal(
            "D0 D-L1 D2",
            Lines.Pairs("cello", "Bb clef=bass", "D, E, F,", new HouseStyle { CelloBack = CelloBackLabel.L1 })
        );
    }

    [Theory]
    [InlineData(0, "no")]
    [InlineData(7, "seven")]
    [InlineData(12, "twelve")]
    [InlineData(27, "27")]
    public void Small_numbers_are_words(int number, string words) => Assert.Equal(words, English.Number(number));
}
