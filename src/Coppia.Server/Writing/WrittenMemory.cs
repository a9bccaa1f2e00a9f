using System.Security.Cryptography;
using System.Text;
using Coppia.Formats.Source;
using Microsoft.Extensions.Caching.Memory;

namespace Coppia.Server.Writing;

/// <summary>
/// Scores that are being written, each under a key of its text, so that a step neither sends its tune nor has it read
/// again. What is forgotten is sent whole once more; nothing is kept here alone.
/// </summary>
internal sealed class WrittenMemory : IDisposable
{
    /// <summary>
    /// Characters of MusicXML, for each of which a score takes 2.6 bytes (measured): the last 500 steps on tunes of 64
    /// bars, in some 50 MB.
    /// </summary>
    private const long Room = 20_000_000;

    private readonly MemoryCache _written = new(new MemoryCacheOptions { SizeLimit = Room });

    /// <summary>The key of a text: what differs in it has another.</summary>
    public static string KeyOf(string doc) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(doc)))[..32];

    /// <summary>The lines of the score of this key; null where it is forgotten.</summary>
    public IReadOnlyList<ScoreLine>? Find(string key) => _written.Get<IReadOnlyList<ScoreLine>>(key);

    /// <summary>Remembers a score, and tells its key.</summary>
    /// <param name="doc">The text that says the same as the lines.</param>
    public string Keep(string doc, IReadOnlyList<ScoreLine> lines)
    {
        var key = KeyOf(doc);
        _written.Set(key, lines, new MemoryCacheEntryOptions { Size = doc.Length });
        return key;
    }

    public void Dispose() => _written.Dispose();
}
