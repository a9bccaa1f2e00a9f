using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Shapes;

/// <summary>Scales and arpeggios of a key, laid where the instrument plays them best.</summary>
public static class KeyExercises
{
    private static readonly int[] Arpeggio = [0, 2, 4, 7];

    /// <summary>One octave up and down from the lowest tonic that stays in the allowed positions.</summary>
    public static Score Scale(Player player, ScaleKey key, int octaves) =>
        Line(player, key, UpAndDown(Enumerable.Range(0, octaves * 7 + 1)));

    public static Score ArpeggioLine(Player player, ScaleKey key, int octaves) =>
        Line(
            player,
            key,
            UpAndDown(Enumerable.Range(0, octaves).SelectMany(o => Arpeggio.Select(a => a + 7 * o)).Distinct())
        );

    /// <summary>How many of a line's notes lie outside the allowed positions.</summary>
    public static int Outside(Player player, Score line) =>
        line.Events.Count(e => e.Pitch is { } pitch && !OctaveFit.IsAllowed(player, pitch));

    private static int[] UpAndDown(IEnumerable<int> up)
    {
        var steps = up.ToArray();
        return [.. steps, .. steps.Reverse().Skip(1)];
    }

    private static Score Line(Player player, ScaleKey key, int[] steps)
    {
        var lowest = player.Instrument.Strings[0].Step - 1;
        var tonics = Enumerable
            .Range(lowest, 15)
            .Where(step => Pitch.FromStep(step).Letter == key.Tonic.Letter)
            .ToArray();
        return tonics
            .Select(tonic => Notes(player.Instrument, key, [.. steps.Select(s => key.OnStep(tonic + s))]))
            .MinBy(line => Outside(player, line))!;
    }

    private static Score Notes(Instrument instrument, ScaleKey key, Pitch[] pitches)
    {
        var score = new ScoreBuilder(instrument.FirstClef).In(key.Signature).In(new TimeSignature(4, 4));
        foreach (var pitch in pitches[..^1])
            score.Note(pitch);
        // The last note fills its bar.
        return score
            .Note(pitches[^1], NoteValue.Exactly(new Fraction(4 - (pitches.Length - 1) % 4, 4)) ?? NoteValue.Quarter)
            .Build();
    }
}
