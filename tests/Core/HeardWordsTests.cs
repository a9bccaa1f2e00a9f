using Coppia.Core.Wording.Room;

namespace Coppia.Tests;

/// <summary>
/// What the tuner says. Source: craft 4 for where a finger stands by the tapes; common practice for which way to go.
/// </summary>
public class HeardWordsTests
{
    private static HeardWords For(string instrument) => new(new Player(Lines.Instrument(instrument)));

    [Theory] // Default tapes: violin and viola at 2, 4, 5; cello at 2, 4, 5; bass at 2, 4.
    [InlineData("violin", 0, 0, "The open string.")]
    [InlineData("violin", 2, 0, "On tape 1.")]
    [InlineData("violin", 3, -25, "Between tape 1 and tape 2, touching tape 1, a little low.")]
    [InlineData("cello", 1, 25, "Between the nut and tape 1, against the nut, a little high.")]
    [InlineData("cello", 6, 0, "A half step past tape 3.")]
    [InlineData("bass", 4, -11, "On tape 2, a little low.")]
    [InlineData("bass", 4, -9, "On tape 2.")]
    public void A_finger_is_told_where_it_stands(string instrument, int semitones, double cents, string words) =>
        Assert.Equal(words, For(instrument).Place(semitones, cents));

    [Theory]
    [InlineData(0, "A is in tune.")]
    [InlineData(-20, "A is a little low.")]
    [InlineData(30, "A is a little high.")]
    [InlineData(-80, "A is low: turn slowly, a little at a time.")]
    public void A_string_is_told_which_way_to_turn(double cents, string words) =>
        Assert.Equal(words, For("violin").Tuning(2, cents));

    [Fact] // A score would make tuning a contest; the words have no figures but the names of tapes.
    public void Nothing_that_is_said_is_a_score()
    {
        var words = For("cello");
        for (var semitones = 0; semitones <= HeardWords.Highest; semitones++)
            Assert.DoesNotMatch("[0-9]+ ?(%|cents|points|of)", words.Place(semitones, 20));
    }
}
