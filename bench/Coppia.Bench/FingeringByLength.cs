using BenchmarkDotNet.Attributes;
using Coppia.Core;

namespace Coppia.Bench;

/// <summary>Fingering time a note at growing lengths, against 100 notes: linear when the ratio stays near 1. Each benchmark fingers 20,000 notes in all.</summary>
[ShortRunJob]
public class FingeringByLength
{
    private readonly Score _hundred = LongTune.Score(100);
    private readonly Score _thousand = LongTune.Score(1000);
    private readonly Score _tenThousand = LongTune.Score(10_000);
    private readonly Score _twentyThousand = LongTune.Score(20_000);

    [Params("violin", "cello")]
    public string Player { get; set; } = "violin";

    [Benchmark(Baseline = true)]
    public int HundredNotes() => Finger(_hundred, 200);

    [Benchmark]
    public int ThousandNotes() => Finger(_thousand, 20);

    [Benchmark]
    public int TenThousandNotes() => Finger(_tenThousand, 2);

    [Benchmark]
    public int TwentyThousandNotes() => Finger(_twentyThousand, 1);

    private int Finger(Score score, int times)
    {
        var instrument = Instruments.Named(Player, HouseStyle.Default)!;
        var moved = instrument.FingersByLetter ? score : score.MovedByOctaves(-1);
        var cost = 0;
        for (var i = 0; i < times; i++) cost += Fingering.Choose(moved, instrument, HouseStyle.Default).Cost;
        return cost;
    }
}
