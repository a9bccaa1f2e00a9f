namespace Coppia.Tests;

public class TapesTests
{
    [Theory] // Equal temperament: d = L (1 − 2^(−n/12)), after ISO 16's pitch relations; worked by hand to 0.1 mm.
    [InlineData(328, 2, 35.8)]
    [InlineData(328, 4, 67.7)]
    [InlineData(328, 5, 82.3)]
    [InlineData(328, 7, 109.1)]
    [InlineData(328, 12, 164.0)]
    [InlineData(692, 2, 75.5)]
    [InlineData(1055, 4, 217.7)]
    public void Tape_distances_follow_the_formula(double length, int semitones, double millimetres) =>
        Assert.Equal(millimetres, Tapes.Distance(length, semitones), 0.06);

    [Theory] // Craft 4, common practice: tapes at 2, 4 and 5.
    [InlineData(0, "the open string")]
    [InlineData(1, "between the nut and tape 1, against the nut")]
    [InlineData(2, "on tape 1")]
    [InlineData(3, "between tape 1 and tape 2, touching tape 1")]
    [InlineData(4, "on tape 2")]
    [InlineData(7, "a whole step past tape 3")]
    [InlineData(8, "three half steps past tape 3")]
    [InlineData(6, "a half step past tape 3")]
    public void Places_are_told_by_the_tapes(int semitones, string words) =>
        Assert.Equal(words, TapeWords.Of(semitones, StringSection.Violin.DefaultTapes));

    [Fact] // Craft 2: string lengths, from memory.
    public void String_lengths_of_the_sizes()
    {
        Assert.Equal([328, 310, 285, 255, 230], StringSection.Violin.Sizes.Select(s => s.StringLengthMm));
        Assert.Equal([380, 375, 365, 355, 335, 310], StringSection.Viola.Sizes.Select(s => s.StringLengthMm));
        Assert.Equal([692, 635, 575, 510], StringSection.Cello.Sizes.Select(s => s.StringLengthMm));
        Assert.Equal([1055, 970, 900], StringSection.Bass.Sizes.Select(s => s.StringLengthMm));
    }

    // d = L (1 − 2^(−n/12)) to 0.5 mm for every size and default tape; worked from the formula apart from this program.
    [Theory]
    [InlineData("violin", "4/4", "36 67.5 82.5")]
    [InlineData("violin", "3/4", "34 64 78")]
    [InlineData("violin", "1/2", "31 59 71.5")]
    [InlineData("violin", "1/4", "28 52.5 64")]
    [InlineData("violin", "1/8", "25 47.5 57.5")]
    [InlineData("viola", "16.5\"", "41.5 78.5 95.5")]
    [InlineData("viola", "16\"", "41 77.5 94")]
    [InlineData("viola", "15.5\"", "40 75.5 91.5")]
    [InlineData("viola", "15\"", "38.5 73 89")]
    [InlineData("viola", "14\"", "36.5 69 84")]
    [InlineData("viola", "13\"", "34 64 78")]
    [InlineData("cello", "4/4", "75.5 143 173.5")]
    [InlineData("cello", "3/4", "69.5 131 159.5")]
    [InlineData("cello", "1/2", "62.5 118.5 144")]
    [InlineData("cello", "1/4", "55.5 105 128")]
    [InlineData("bass", "3/4", "115 217.5")]
    [InlineData("bass", "1/2", "106 200")]
    [InlineData("bass", "1/4", "98 185.5")]
    public void Every_size_has_its_tapes(string instrument, string size, string millimetres)
    {
        var player = Lines.Instrument(instrument);
        var length = player.Sizes.First(s => s.Name == size).StringLengthMm;
        var sheet = TapingSheet
            .Of(player.DefaultTapes, length)
            .Select(t => t.Millimetres.ToString("0.#", System.Globalization.CultureInfo.InvariantCulture));
        Assert.Equal(millimetres, string.Join(' ', sheet));
    }

    [Theory] // Craft 4: bass tapes at 2 and 4.
    [InlineData("bass", 1, "between the nut and tape 1, against the nut")]
    [InlineData("bass", 2, "on tape 1")]
    [InlineData("bass", 3, "between tape 1 and tape 2, touching tape 1")]
    [InlineData("bass", 4, "on tape 2")]
    [InlineData("bass", 5, "a half step past tape 2")]
    [InlineData("cello", 3, "between tape 1 and tape 2, touching tape 1")]
    [InlineData("cello", 5, "on tape 3")]
    public void Each_instrument_has_its_own_tape_words(string instrument, int semitones, string words) =>
        Assert.Equal(words, TapeWords.Of(semitones, Lines.Instrument(instrument).DefaultTapes));

    [Fact]
    public void A_teachers_own_tapes_give_the_words()
    {
        Tape[] own = [new(2, "the red dot"), new(7, "the moon")];
        Assert.Equal("on the red dot", TapeWords.Of(2, own));
        Assert.Equal("between the red dot and the moon", TapeWords.Of(4, own));
        Assert.Equal("a whole step past the moon", TapeWords.Of(9, own));
        Assert.Equal("four half steps from the nut", TapeWords.Of(4, []));
    }

    [Theory]
    [InlineData(149)]
    [InlineData(1301)]
    [InlineData(double.NaN)]
    public void A_string_that_cannot_be_is_refused(double length) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => TapingSheet.Of(StringSection.Violin.DefaultTapes, length));
}
