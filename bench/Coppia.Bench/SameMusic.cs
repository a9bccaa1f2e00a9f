using BenchmarkDotNet.Attributes;
using Coppia.Core;
using Coppia.Formats;

namespace Coppia.Bench;

/// <summary>
/// What the rules that reach over a whole tune add. The baseline knows one note, one finger in a line, but not that the same music has the same fingers;
/// against it stand both rules, and neither. A rule is left out by giving its prices as 0; the tune is one song A A B A after the other.
/// </summary>
public class SameMusic
{
    private Score _score = null!;
    private Instrument _instrument = null!;
    private static readonly FingerWeights OneFingerOnly = FingerWeights.Default with { OtherThanBefore = 0, OtherThanBeforeAtSeam = 0 };
    private static readonly FingerWeights Neither = OneFingerOnly with { OtherFingerInLine = 0, OtherFingerInBar = 0, OtherHandInLine = 0 };

    [Params("violin", "viola", "cello", "bass")]
    public string Player { get; set; } = "violin";

    [GlobalSetup]
    public void Write()
    {
        _instrument = Instruments.Named(Player, HouseStyle.Default)!;
        _score = TuneReader.Read(LongTune.Songs(2000, _instrument)).Score!;
    }

    [Benchmark(Baseline = true)]
    public int OneNoteOneFinger() => Cost(OneFingerOnly);

    [Benchmark]
    public int AndTheSameMusic() => Cost(FingerWeights.Default);

    [Benchmark]
    public int NeitherRule() => Cost(Neither);

    private int Cost(FingerWeights weights) => Fingering.Choose(_score, _instrument, HouseStyle.Default, weights: weights).Cost;
}
