namespace Coppia.Core.Music;

/// <summary>How far a pitch moves: a third has two lines and spaces, a major one four half steps.</summary>
/// <param name="Steps">Lines and spaces, upwards.</param>
/// <param name="Semitones">Half steps, upwards.</param>
public readonly record struct Interval(int Steps, int Semitones)
{
    /// <summary>A pitch so far away, on another letter where its own would need three signs.</summary>
    public Pitch From(Pitch pitch)
    {
        var midi = pitch.Midi + Semitones;
        foreach (var other in new[] { 0, 1, -1 })
        {
            var step = pitch.Step + Steps + other;
            var alter = midi - Pitch.FromStep(step).Midi;
            if (alter is >= -2 and <= 2)
                return Pitch.FromStep(step, alter);
        }

        return pitch;
    }
}
