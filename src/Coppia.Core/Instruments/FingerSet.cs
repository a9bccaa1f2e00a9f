namespace Coppia.Core.Instruments;

/// <summary>Some of the fingers 1 to 4, each once; two sets of the same fingers are equal.</summary>
public readonly record struct FingerSet
{
    private readonly int _bits;

    public FingerSet(IEnumerable<int> fingers) => _bits = fingers.Aggregate(0, (bits, f) => bits | 1 << f);

    private FingerSet(int bits) => _bits = bits;

    /// <summary>These and one more; 0, the open string, is no finger.</summary>
    public FingerSet And(int finger) => new(finger > 0 ? _bits | 1 << finger : _bits);

    /// <summary>Those of them up to a finger, it included.</summary>
    public FingerSet UpTo(int finger) => new(_bits & (1 << finger + 1) - 1);

    public bool Has(int finger) => (_bits >> finger & 1) == 1;

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
