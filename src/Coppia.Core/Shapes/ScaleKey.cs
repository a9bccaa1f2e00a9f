using Coppia.Core.Music;

namespace Coppia.Core.Shapes;

/// <summary>Major, or one of the three minors.</summary>
public enum ScaleForm
{
    Major,
    NaturalMinor,
    HarmonicMinor,
    MelodicMinor,
}

/// <summary>
/// A key as a scale: the signature, and for two of the minors what is raised besides (the melodic minor as it goes up).
/// </summary>
/// <param name="Fifths">−7 to +7.</param>
public readonly record struct ScaleKey(int Fifths, ScaleForm Form)
{
    public KeySignature Signature => new(Fifths, Form == ScaleForm.Major ? Mode.Major : Mode.Minor);

    /// <summary>Tonic without a meaningful octave.</summary>
    public Pitch Tonic => Signature.TonicInOctave(4);

    /// <summary>What the scale does to a letter, −1 to +2.</summary>
    public int AlterOf(Letter letter)
    {
        var degree = ((int)letter - (int)Tonic.Letter + 7) % 7;
        var raised = Form == ScaleForm.HarmonicMinor && degree == 6 || Form == ScaleForm.MelodicMinor && degree >= 5;
        return Signature.AlterOf(letter) + (raised ? 1 : 0);
    }

    public Pitch OnStep(int step) => Pitch.FromStep(step, AlterOf(Pitch.FromStep(step).Letter));
}
