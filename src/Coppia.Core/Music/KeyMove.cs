namespace Coppia.Core.Music;

/// <summary>Takes a tune to another key, by the shorter way up or down.</summary>
/// <param name="Fifths">Sharps more, or flats fewer, in the signature.</param>
public readonly record struct KeyMove(int Fifths)
{
    /// <summary>Most sharps or flats of a signature that a tune is taken to: four (craft 12).</summary>
    public const int MostSigns = 4;

    private const int Octave = 12;
    private const int LettersInOctave = 7;

    /// <summary>
    /// A fifth is seven half steps over four lines and spaces; at most six half steps up or down are moved.
    /// </summary>
    public Interval Interval
    {
        get
        {
            var up = (Fifths * 7 % Octave + Octave) % Octave;
            var semitones = up > Octave / 2 || up == Octave / 2 && Fifths > 0 ? up - Octave : up;
            // Seven half steps for each fifth and twelve for each octave in between; the letters go along.
            var octaves = (semitones - 7 * Fifths) / Octave;
            return new Interval(4 * Fifths + LettersInOctave * octaves, semitones);
        }
    }

    /// <summary>
    /// The score in the other key; null where a signature in it would need more signs than are written.
    /// </summary>
    public Score? Of(Score score)
    {
        var (fifths, interval) = (Fifths, Interval);
        if (fifths == 0)
            return score;
        if (score.Bars.Select(b => b.Key.Fifths).Append(score.Key.Fifths).Any(f => !KeySignature.IsOne(f + fifths)))
            return null;
        return score with
        {
            Key = Moved(score.Key),
            Bars = [.. score.Bars.Select(b => b with { Key = Moved(b.Key), Events = [.. b.Events.Select(Other)] })],
        };

        KeySignature Moved(KeySignature key) => new(key.Fifths + fifths, key.Mode);

        // Printed fingers and open strings were those of the other notes.
        ScoreEvent Other(ScoreEvent e) =>
            e with
            {
                Pitch = e.Pitch is { } pitch ? interval.From(pitch) : null,
                Chord = [.. e.Chord.Select(interval.From)],
                Graces = [.. e.Graces.Select(g => g with { Pitch = interval.From(g.Pitch) })],
                PrintedFinger = null,
                PrintedFingerTo = null,
                Marks = e.Marks & ~Marks.OpenString,
                StemUp = null,
            };
    }
}
