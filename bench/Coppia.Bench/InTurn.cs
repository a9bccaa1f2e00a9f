using System.Diagnostics;
using System.Globalization;

namespace Coppia.Bench;

/// <summary>
/// Compares pieces of work that differ by little: all are run in turn, again and again, and each round gives one ratio.
/// A machine that changes its speed meanwhile changes it for all of them, which runs one after the other cannot bear.
/// </summary>
internal static class InTurn
{
    private const int WarmUp = 150;
    private const int Rounds = 400;

    public readonly record struct Work(string Name, Action Do);

    /// <summary>
    /// Prints for each work its median time and the median of its ratios to the baseline, with the half width of that
    /// median's 95 % interval.
    /// </summary>
    public static void Compare(string about, Work baseline, params Work[] others) =>
        Compare(about, baseline, others, WarmUp, Rounds);

    /// <param name="warmUp">Rounds before the first that counts.</param>
    /// <param name="rounds">Rounds that count.</param>
    public static void Compare(string about, Work baseline, Work[] others, int warmUp, int rounds)
    {
        Work[] all = [baseline, .. others];
        var times = all.Select(_ => new double[rounds]).ToArray();
        for (var round = -warmUp; round < rounds; round++)
        {
            for (var w = 0; w < all.Length; w++)
            {
                var start = Stopwatch.GetTimestamp();
                all[w].Do();
                if (round >= 0)
                    times[w][round] = Stopwatch.GetElapsedTime(start).TotalMilliseconds;
            }
        }

        Console.WriteLine($"| {about} | median ms | ratio | error |\n|---|--:|--:|--:|");
        foreach (var (w, work) in all.Index())
        {
            double[] ratios = [.. times[w].Zip(times[0], (time, first) => time / first).Order()];
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {work.Name} | {times[w].Order().ElementAt(rounds / 2):F2} | {ratios[rounds / 2]:F2} | "
                        + $"{HalfWidth(ratios):F3} |"
                )
            );
        }

        Console.WriteLine();
    }

    /// <summary>
    /// Half the distance between the order statistics that hold the median with 95 % (binomial, normal approximation).
    /// </summary>
    private static double HalfWidth(double[] sorted)
    {
        var away = (int)Math.Ceiling(0.98 * Math.Sqrt(sorted.Length));
        return (sorted[sorted.Length / 2 + away] - sorted[sorted.Length / 2 - away]) / 2;
    }
}
