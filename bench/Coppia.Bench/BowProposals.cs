using BenchmarkDotNet.Attributes;
using Coppia.Core;

namespace Coppia.Bench;

/// <summary>Both bowing proposals for a tune of 64 bars, against its whole Reading on one instrument.</summary>
public class BowProposals
{
    private readonly Score _score = LongTune.Score(64 * 8);

    [Benchmark(Baseline = true)]
    public Reading WholeReading() => Reading.Of(_score, Instruments.Violin, Instruments.Violin, HouseStyle.Default);

    [Benchmark]
    public int DownbeatsDown() => BowProposal.Of(_score, BowAim.DownbeatsDown, HouseStyle.Default).Changes.Count;

    [Benchmark]
    public int EvenBow() => BowProposal.Of(_score, BowAim.EvenBow, HouseStyle.Default).Changes.Count;
}
