namespace Coppia.Core.Music;

/// <summary>Names a sounding key the way a key signature would.</summary>
public static class Spelling
{
    /// <summary>
    /// The key's own spelling where the key has the sound; else a natural, else a sharp in sharp keys and a flat in
    /// flat keys.
    /// </summary>
    /// <param name="midi">MIDI key number.</param>
    public static Pitch InKey(int midi, KeySignature key)
    {
        var alters = key.Fifths >= 0 ? new[] { 0, 1, -1 } : [0, -1, 1];
        var spellings = alters
            .SelectMany(alter =>
                Enum.GetValues<Letter>()
                    .SelectMany(letter =>
                        Enumerable.Range(midi / 12 - 2, 3).Select(octave => new Pitch(letter, alter, octave))
                    )
            )
            .Where(p => p.Midi == midi)
            .ToArray();
        return spellings.Where(p => key.AlterOf(p.Letter) == p.Alter).Concat(spellings).First();
    }
}
