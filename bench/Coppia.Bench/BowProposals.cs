using BenchmarkDotNet.Attributes;

namespace Coppia.Bench;

/// <summary>Both bowing proposals for a tune of 64 bars, against its whole Reading on one instrument.</summary>
public class BowProposals
{
    private readonly Score _score = LongTune.Score(64 * 8);

    [Benchmark(Baseline = true)]
    public PlayerReading WholeReading() =>
        PlayerReading.Of(_score, StringSection.Violin, new Player(StringSection.Violin));

    [Benchmark]
    public int DownbeatsDown() => BowProposal.Of(_score, BowAim.DownbeatsDown, HouseStyle.Default).Edits.Count;

    [Benchmark]
    public int EvenBow() => BowProposal.Of(_score, BowAim.EvenBow, HouseStyle.Default).Edits.Count;
}
