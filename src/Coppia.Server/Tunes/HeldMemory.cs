using Coppia.Core.Reading;
using Microsoft.Extensions.Caching.Memory;

namespace Coppia.Server.Tunes;

/// <summary>What a tune holds for a hand.</summary>
/// <param name="Met">What it contains; nothing for one that cannot be read.</param>
/// <param name="HardestStep">In points.</param>
internal sealed record Held(IReadOnlyList<MetThing> Met, double HardestStep);

/// <summary>Remembers what the tunes of a library hold for the hands that asked.</summary>
internal sealed class HeldMemory : IDisposable
{
    /// <summary>A library of 5,000 tunes for four instruments, and as many again.</summary>
    private const int Room = 40_000;

    private readonly MemoryCache _held = new(new MemoryCacheOptions { SizeLimit = Room });

    public Held? Find((long Tune, int Version, string Hand) key) => _held.Get<Held>(key);

    public Held Keep((long Tune, int Version, string Hand) key, Held held) =>
        _held.Set(key, held, new MemoryCacheEntryOptions { Size = 1 });

    /// <summary>Forgets all: another library has other tunes by these numbers.</summary>
    public void Forget() => _held.Clear();

    public void Dispose() => _held.Dispose();
}
