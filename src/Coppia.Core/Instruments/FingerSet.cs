namespace Coppia.Core.Instruments;

/// <summary>Some of the fingers 1 to 4, each once; two sets of the same fingers are equal.</summary>
public readonly record struct FingerSet
{
    private readonly int _bits;

    public FingerSet(IEnumerable<int> fingers) => _bits = fingers.Aggregate(0, (bits, f) => bits | 1 << f);

    public int Count => System.Numerics.BitOperations.PopCount((uint)_bits);

    /// <summary>Lowest first.</summary>
    public IEnumerable<int> Fingers
    {
        get
        {
            var bits = _bits;
            return Enumerable.Range(0, 5).Where(f => (bits >> f & 1) == 1);
        }
    }
}
