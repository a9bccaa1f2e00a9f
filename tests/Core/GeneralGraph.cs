using QuikGraph;
using QuikGraph.Algorithms;

namespace Coppia.Tests;

/// <summary>
/// A line's lattice as a plain graph for QuikGraph, a general graph library: its vertices are pairs of neighbouring
/// choices.
/// </summary>
internal sealed class GeneralGraph
{
    private static readonly (int, int, int) Start = (0, -1, -1);
    private static readonly (int, int, int) End = (-1, -1, -1);
    private readonly AdjacencyGraph<(int Step, int A, int B), Edge<(int, int, int)>> _graph = new();
    private readonly Dictionary<Edge<(int, int, int)>, double> _weights = [];

    /// <param name="lattice">Two steps or more.</param>
    public GeneralGraph(FingerLattice lattice, FingerCost cost)
    {
        var steps = lattice.Steps;
        double Move(int i, int a, int b) =>
            cost.Step(steps[i], steps[i - 1].Choices[a], steps[i].Choices[b])
            + cost.Note(steps[i], steps[i].Choices[b]);
        for (var i = 1; i < steps.Count; i++)
        {
            for (var a = 0; a < steps[i - 1].Choices.Length; a++)
            {
                for (var b = 0; b < steps[i].Choices.Length; b++)
                {
                    if (i == 1)
                        Add(
                            Start,
                            (1, a, b),
                            cost.Note(steps[0], steps[0].Choices[a])
                                + cost.First(steps[0], steps[0].Choices[a])
                                + Move(1, a, b)
                        );
                    if (i == steps.Count - 1)
                    {
                        Add((i, a, b), End, 0);
                        continue;
                    }

                    for (var c = 0; c < steps[i + 1].Choices.Length; c++)
                        Add(
                            (i, a, b),
                            (i + 1, b, c),
                            Move(i + 1, b, c)
                                + cost.Three(steps[i - 1].Choices[a], steps[i].Choices[b], steps[i + 1].Choices[c])
                        );
                }
            }
        }
    }

    /// <summary>Cost of the shortest path, found by Dijkstra's algorithm.</summary>
    public double LeastCost() =>
        _graph.ShortestPathsDijkstra(e => _weights[e], Start)(End, out var path)
            ? path.Sum(e => _weights[e])
            : double.NaN;

    public static double LeastCost(FingerLattice lattice, FingerCost cost) =>
        new GeneralGraph(lattice, cost).LeastCost();

    private void Add((int, int, int) from, (int, int, int) to, double weight)
    {
        var edge = new Edge<(int, int, int)>(from, to);
        _graph.AddVerticesAndEdge(edge);
        _weights[edge] = weight;
    }
}
