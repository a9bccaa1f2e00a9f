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

    [Theory] // Handbook 4, common practice: tapes at 2, 4 and 5.
    [InlineData(0, "the open string")]
    [InlineData(1, "between the nut and tape 1, against the nut")]
    [InlineData(2, "on tape 1")]
    [InlineData(3, "between tape 1 and tape 2, touching tape 1")]
    [InlineData(4, "on tape 2")]
    [InlineData(6, "past tape 3")]
    public void Places_are_told_by_the_tapes(int semitones, string words) =>
        Assert.Equal(words, Tapes.Words(semitones, Instruments.Violin.DefaultTapes));

    [Fact] // Handbook 2: string lengths, from memory.
    public void String_lengths_of_the_sizes()
    {
        Assert.Equal([328, 310, 285, 255, 230], Instruments.Violin.Sizes.Select(s => s.StringLengthMm));
        Assert.Equal([380, 375, 365, 355, 335, 310], Instruments.Viola.Sizes.Select(s => s.StringLengthMm));
        Assert.Equal([692, 635, 575, 510], Instruments.Cello.Sizes.Select(s => s.StringLengthMm));
        Assert.Equal([1055, 970, 900], Instruments.Bass.Sizes.Select(s => s.StringLengthMm));
    }
}
