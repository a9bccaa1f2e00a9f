using BenchmarkDotNet.Attributes;

namespace Coppia.Bench;

/// <summary>
/// Fingering time a note at growing lengths, against 100 notes: linear when the ratio stays near 1. Each benchmark
/// fingers 20,000 notes in all.
/// </summary>
public class FingeringByLength
{
    private readonly Dictionary<int, Score> _scores = [];

    [Params("violin", "cello")]
    public string Player { get; set; } = "violin";

    [GlobalSetup]
    public void Compose()
    {
        foreach (var notes in new[] { 100, 1000, 10_000, 20_000 })
            _scores[notes] = LongTune.Score(notes, HouseStyle.Default.Instrument(Player));
    }

    [Benchmark(Baseline = true)]
    public int HundredNotes() => Finger(100);

    [Benchmark]
    public int ThousandNotes() => Finger(1000);

    [Benchmark]
    public int TenThousandNotes() => Finger(10_000);

    [Benchmark]
    public int TwentyThousandNotes() => Finger(20_000);

    private int Finger(int notes)
    {
        var instrument = HouseStyle.Default.Instrument(Player)!;
        var cost = 0;
        for (var done = 0; done < 20_000; done += notes)
            cost += Fingers.Choose(_scores[notes], new Player(instrument)).Cost;
        return cost;
    }
}
