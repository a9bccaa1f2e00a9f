using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Wording.Terms;

/// <summary>In which octaves a tune has each letter: what "high D" is said against.</summary>
public sealed class LetterOctaves(IEnumerable<SoundingNote> notes)
{
    private readonly Dictionary<Letter, IReadOnlyList<int>> _octaves = notes
        .GroupBy(n => n.Pitch.Letter)
        .ToDictionary(g => g.Key, g => (IReadOnlyList<int>)[.. g.Select(n => n.Pitch.Octave).Distinct().Order()]);

    /// <summary>The note's name with its octave as the style says it.</summary>
    public string Name(Pitch pitch, HouseStyle style) => Labels.NoteInOctave(pitch, _octaves[pitch.Letter], style);
}
