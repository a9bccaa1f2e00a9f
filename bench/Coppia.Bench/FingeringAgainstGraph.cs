using BenchmarkDotNet.Attributes;
using Coppia.Tests;

namespace Coppia.Bench;

/// <summary>The whole-line solver against QuikGraph's Dijkstra on the same lattice: with its graph built beforehand,
/// and from the lattice as ours starts. The baseline is ours: the ratio says how many times longer the general library
/// takes.</summary>
public class FingeringAgainstGraph
{
    private FingerLattice _lattice = null!;
    private FingerCost _cost = null!;
    private GeneralGraph _graph = null!;

    [Params("violin", "cello")]
    public string Player { get; set; } = "violin";

    [GlobalSetup]
    public void Lay()
    {
        var instrument = HouseStyle.Default.Instrument(Player)!;
        _lattice = FingerLattice.Of(
            SoundingNote.Of(LongTune.Score(300, instrument)),
            new Player(instrument),
            new Dictionary<string, Pin>()
        );
        _cost = new FingerCost(new Player(instrument), FingerWeights.Default);
        _graph = new GeneralGraph(_lattice, _cost);
    }

    [Benchmark(Baseline = true)]
    public int Ours() => FingerSolver.Solve(_lattice, _cost).Cost;

    [Benchmark]
    public double QuikGraphOnItsBuiltGraph() => _graph.LeastCost();

    [Benchmark]
    public double QuikGraphFromTheLattice() => GeneralGraph.LeastCost(_lattice, _cost);
}
