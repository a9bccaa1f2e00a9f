using Coppia.Core.Practice;

namespace Coppia.Tests;

/// <summary>Source: craft 11 and 22; the marks between are a metronome's (common practice), every second one.</summary>
public class TempoLadderTests
{
    [Theory]
    [InlineData(80, "50 60 66 72 80", 60)]
    [InlineData(84, "50 60 66 72 80 84", 60)]
    [InlineData(120, "50 60 66 72 80 88 96 104 112 120", 60)]
    [InlineData(60, "50 60", 60)]
    [InlineData(56, "50 56", 56)] // a goal below 60 is begun with
    [InlineData(40, "40", 40)]
    public void It_climbs_from_sixty_to_the_goal(int goal, string rungs, int start)
    {
        var ladder = TempoLadder.To(goal);
        Assert.Equal(rungs, string.Join(' ', ladder.Rungs));
        Assert.Equal(start, ladder.Rungs[ladder.Start]);
    }

    [Fact]
    public void Steps_are_small()
    {
        foreach (var goal in Enumerable.Range(61, 140))
        {
            var rungs = TempoLadder.To(goal).Rungs;
            Assert.All(rungs.Skip(1).Zip(rungs.Skip(2)), r => Assert.InRange(r.Second, r.First + 1, r.First * 1.15));
        }
    }
}
