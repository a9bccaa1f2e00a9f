using BenchmarkDotNet.Attributes;
using Coppia.Core;
using Coppia.Formats;

namespace Coppia.Bench;

/// <summary>
/// What the rules that reach over a whole tune add (one note, one finger; the same music, the same fingers). The baseline gives their prices as 0;
/// the tune is one song A A B A after the other.
/// </summary>
public class SameMusic
{
    private Score _score = null!;
    private Instrument _instrument = null!;
    private static readonly FingerWeights WithoutHabits =
        FingerWeights.Default with { OtherFingerInLine = 0, OtherFingerInBar = 0, OtherHandInLine = 0, OtherThanBefore = 0, OtherThanBeforeAtSeam = 0 };


    [Params("violin", "viola", "cello", "bass")]
    public string Player { get; set; } = "violin";

    [GlobalSetup]
    public void Write()
    {
        _instrument = Instruments.Named(Player, HouseStyle.Default)!;
        _score = TuneReader.Read(LongTune.Songs(2000, _instrument)).Score!;
    }

    [Benchmark(Baseline = true)]
    public int WithoutTheRules() => Fingering.Choose(_score, _instrument, HouseStyle.Default, weights: WithoutHabits).Cost;

    [Benchmark]
    public int WithTheRules() => Fingering.Choose(_score, _instrument, HouseStyle.Default).Cost;
}
