using Coppia.Core.Practice;
using Coppia.Core.Wording.Learn;

namespace Coppia.Tests;

/// <summary>Source: craft 22: three clean repeats climb a rung, failing twice goes one down.</summary>
public class ClimbTests
{
    // 50 60 66 72, begun at 60.
    private static readonly TempoLadder Ladder = TempoLadder.To(72);

    private static (Climb At, List<int> Reached) After(string tries)
    {
        var places = Ladder.Places().ToDictionary(p => p.At);
        var (at, reached) = (Ladder.Places()[0].At, new List<int>());
        foreach (var clean in tries.Select(t => t == 'c'))
        {
            if (clean && places[at].Reached is { } tempo)
                reached.Add(tempo);
            at = clean ? places[at].IfClean : places[at].IfNot;
        }

        return (at, reached);
    }

    [Theory]
    [InlineData("cc", 60)]
    [InlineData("ccc", 66)]
    [InlineData("cccccc", 72)]
    [InlineData("cccccccccccc", 72)]
    [InlineData("ff", 50)]
    [InlineData("f", 60)]
    [InlineData("fcf", 60)]
    [InlineData("ccfccc", 66)]
    [InlineData("ffff", 50)]
    [InlineData("cccff", 60)]
    public void It_is_climbed_and_fallen_down(string tries, int tempo) =>
        Assert.Equal(tempo, Ladder.Rungs[After(tries).At.Rung]);

    [Theory] // What was played clean three times is reached, not the rung that one comes to.
    [InlineData("cc", "")]
    [InlineData("ccc", "60")]
    [InlineData("cccccc", "60 66")]
    [InlineData("ccccccccc", "60 66 72")]
    [InlineData("cccccccccccc", "60 66 72")]
    [InlineData("ffccc", "50")]
    public void A_tempo_is_reached_by_three_clean_tries(string tries, string tempos) =>
        Assert.Equal(tempos, string.Join(' ', After(tries).Reached));

    [Theory] // From memory, as a teacher says it.
    [InlineData("", "Play it at 60. 3 more clean times and you climb.")]
    [InlineData("cc", "Play it at 60. 1 more clean time and you climb.")]
    [InlineData("cccccc", "Play it at 72. 3 more clean times.")]
    [InlineData("ccccccccc", "You have reached 72. Well done.")]
    [InlineData("ccccccccccc", "You have reached 72. Well done.")]
    public void What_comes_next_is_said(string tries, string words) =>
        Assert.Equal(words, LearnWords.Climb(Ladder, After(tries).At));

    [Fact] // Every goal's ladder leads from every place to another of its places, and to its top.
    public void From_every_place_one_comes_to_the_top()
    {
        foreach (var ladder in Enumerable.Range(20, 281).Select(TempoLadder.To))
        {
            var places = ladder.Places().ToDictionary(p => p.At);
            Assert.All(
                places.Keys,
                start =>
                {
                    var at = start;
                    for (var i = 0; i < 3 * ladder.Rungs.Count && !ladder.IsAtTheTop(at); i++)
                        at = places[at].IfClean;
                    Assert.True(ladder.IsAtTheTop(at));
                    Assert.Contains(places[start].IfNot, places.Keys);
                }
            );
        }
    }
}
