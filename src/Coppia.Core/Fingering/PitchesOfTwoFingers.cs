using Coppia.Core.Instruments;

namespace Coppia.Core.Fingering;

/// <summary>
/// Finds the pitches that have more than one finger in a stretch of notes. Almost every stretch is in order, and one
/// look finds that out.
/// </summary>
internal sealed class PitchesOfTwoFingers
{
    /// <summary>
    /// Eight numbers for each staff step up to where no instrument reaches: a pitch and what is done to it.
    /// </summary>
    private const int MostSounds = 8 * 80;
    private const int MostFingers = 8;

    private readonly int[] _sounds;
    private readonly (int Stretch, int Pair, List<int>? Torn)[] _met = new (int, int, List<int>?)[MostSounds];
    private int _stretch;

    public PitchesOfTwoFingers(IReadOnlyList<LatticeStep> steps)
    {
        _sounds = new int[steps.Count];
        for (var i = 0; i < _sounds.Length; i++)
            _sounds[i] = steps[i].Note.Pitch.Step * 8 + steps[i].Note.Pitch.Alter + 2;
    }

    /// <summary>String and finger as one number, odd where a finger is free to be another one.</summary>
    public static int Pair(in Placement at, bool fingered) =>
        (at.String * MostFingers + at.Finger) << 1 | (fingered ? 1 : 0);

    public static bool IsFingered(int pair) => (pair & 1) != 0;

    /// <summary>The fingered notes of each pitch that has more than one pair in a stretch.</summary>
    /// <param name="pairs">The pair of every note of the tune.</param>
    public List<List<int>> In(int[] pairs, int first, int end)
    {
        var all = new List<List<int>>();
        _stretch++;
        for (var i = first; i < end; i++)
        {
            if (!IsFingered(pairs[i]))
                continue;
            ref var met = ref _met[_sounds[i]];
            if (met.Stretch != _stretch)
                met = (_stretch, pairs[i], null);
            else if (met.Pair != pairs[i] && met.Torn is null)
                all.Add(met.Torn = []);
        }

        if (all.Count == 0)
            return all;
        for (var i = first; i < end; i++)
        {
            if (IsFingered(pairs[i]))
                _met[_sounds[i]].Torn?.Add(i);
        }

        return all;
    }
}
