using CsCheck;

namespace Coppia.Tests;

/// <summary>Repeats and endings in the order of playing. Source: common practice.</summary>
public class PlayOrderTests
{
    private static string Played(string music) =>
        string.Join(
            ' ',
            PlayOrder
                .Of(Lines.Score("C", music, "4/4"))
                .Select(p => $"{p.Bar}{(p.Pass > 1 ? new string('\'', p.Pass - 1) : "")}")
        );

    [Theory] // Bars from 0; a dash for each time after the first.
    [InlineData("C4|D4|E4", "0 1 2")]
    [InlineData("|:C4|D4:|", "0 1 0' 1'")]
    [InlineData("C4|D4:|E4", "0 1 0' 1' 2")] // with no sign to go back to, from the beginning
    [InlineData("C4|:D4:|E4", "0 1 1' 2")]
    [InlineData("|:C4:|:D4:|", "0 0' 1 1'")]
    [InlineData("C4:|D4:|", "0 0' 1 1'")] // the second repeat goes back to the first
    [InlineData("|:C4|1D4:|2E4|]", "0 1 0' 2'")]
    [InlineData("|:C4|1D4:|2E4:|3F4|]", "0 1 0' 2' 0'' 3''")]
    [InlineData("|:C4|1D4|E4:|2F4|G4|]", "0 1 2 0' 3' 4'")]
    [InlineData("|:C4|1D4:|2E4||F4|", "0 1 0' 2' 3")]
    [InlineData("|:C4|1,3D4:|2E4:|", "0 1 0' 2' 0'' 1''")]
    [InlineData("|::C4|D4::|E4", "0 1 0' 1' 0'' 1'' 2")] // three times in all
    [InlineData("C4|!fine!D4|E4|!D.C.!F4|]", "0 1 2 3 0' 1'")]
    [InlineData("C4|!segno!D4|!fine!E4|!D.S.!F4|]", "0 1 2 3 1' 2'")]
    [InlineData("C4|!dacoda!D4|E4|!D.C.!F4|!coda!G4|A4|]", "0 1 2 3 0' 1' 4 5")]
    // the first of two coda signs says where to leave
    [InlineData("C4|!coda!D4|E4|!D.C.!F4|!coda!G4|]", "0 1 2 3 0' 1' 4")]
    [InlineData("|:C4|!fine!D4:|E4|!D.C.!F4|]", "0 1 0' 1' 2 3 0'' 1''")] // no repeats after the da capo
    [InlineData("|:C4|1D4:|2E4||F4|!D.C.!G4|]", "0 1 0' 2' 3 4 0'' 2'' 3' 4'")] // the last ending after the da capo
    [InlineData("C4|\"Fine\"D4|\"^D.C. al Fine\"E4|]", "0 1 2 0' 1'")] // in words
    public void Bars_as_they_are_played(string music, string order) => Assert.Equal(order, Played(music));

    [Fact] // Every bar is played, none more often than its endings say, and it always ends.
    public void Every_bar_is_played_at_least_once() =>
        (from starts in Gen.Bool.Array[8] from ends in Gen.Bool.Array[8] select (starts, ends)).Sample(x =>
        {
            var bars = Enumerable
                .Range(0, 8)
                .Select(i => new Bar
                {
                    RepeatStart = x.starts[i],
                    RepeatEnd = x.ends[i],
                    Events = [new ScoreEvent { Pitch = Pitch.Parse("D4"), Value = new NoteValue(0) }],
                });
            var order = PlayOrder.Of(ScoreAssembly.Finish(new Score { Bars = [.. bars] }).Score);
            Assert.Equal(Enumerable.Range(0, 8), order.Select(p => p.Bar).Distinct().Order());
            Assert.All(order.GroupBy(p => p.Bar), g => Assert.InRange(g.Count(), 1, 2));
        });
}
