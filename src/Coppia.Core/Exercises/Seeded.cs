namespace Coppia.Core.Exercises;

/// <summary>
/// Chance that a seed repeats: the same numbers on every machine and in every release, in whole numbers only
/// (SplitMix64; Steele, Lea and Flood, "Fast splittable pseudorandom number generators", 2014). The platform's own
/// generator does not promise that.
/// </summary>
public sealed class Seeded(ulong seed)
{
    private ulong _state = seed;

    /// <summary>Chance for one use of a seed: two uses of one seed have nothing in common.</summary>
    public Seeded(int seed, string use)
        : this(use.Aggregate((ulong)(uint)seed + 1, (hash, c) => (hash ^ c) * 0x100000001B3)) { }

    /// <summary>A number from 0 up to but not <paramref name="end"/>, which is above 0.</summary>
    public int Below(int end)
    {
        _state += 0x9E3779B97F4A7C15;
        var z = _state;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        z ^= z >> 31;
        return (int)Math.BigMul(z, (ulong)end, out _);
    }

    /// <summary>One of several; there is at least one.</summary>
    public T Of<T>(IReadOnlyList<T> some) => some[Below(some.Count)];

    /// <summary>The same things in another order.</summary>
    public T[] Shuffled<T>(IEnumerable<T> things)
    {
        T[] order = [.. things];
        for (var i = order.Length - 1; i > 0; i--)
        {
            var other = Below(i + 1);
            (order[i], order[other]) = (order[other], order[i]);
        }

        return order;
    }
}
