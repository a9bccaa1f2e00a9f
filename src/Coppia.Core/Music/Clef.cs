namespace Coppia.Core.Music;

/// <summary>A clef: its sign and the line (1 = bottom, 5 = top) on which the sign's pitch lies.</summary>
/// <param name="Name">Everyday name: treble, alto, bass or tenor.</param>
/// <param name="Sign">MusicXML sign: G, C or F.</param>
/// <param name="Line">Line of the sign, 1–5.</param>
/// <param name="SignPitch">The pitch on that line: G4, C4 or F3.</param>
public sealed record Clef(string Name, string Sign, int Line, Pitch SignPitch)
{
    public static readonly Clef Treble = new("treble", "G", 2, new Pitch(Letter.G, 0, 4));
    public static readonly Clef Alto = new("alto", "C", 3, new Pitch(Letter.C, 0, 4));
    public static readonly Clef Tenor = new("tenor", "C", 4, new Pitch(Letter.C, 0, 4));
    public static readonly Clef Bass = new("bass", "F", 4, new Pitch(Letter.F, 0, 3));

    public static readonly IReadOnlyList<Clef> All = [Treble, Alto, Tenor, Bass];

    /// <summary>
    /// Half-spaces of a pitch above the bottom line: 0 = line 1, 1 = space 1, 8 = line 5; negative is below the staff.
    /// </summary>
    public int HeightOf(Pitch pitch) => pitch.Step - (SignPitch.Step - 2 * (Line - 1));

    /// <summary>The natural pitch at a height above the bottom line.</summary>
    public Pitch PitchAt(int height) => Pitch.FromStep(SignPitch.Step - 2 * (Line - 1) + height);

    /// <summary>The clef of this name, or null.</summary>
    public static Clef? Named(string name) =>
        All.FirstOrDefault(c => c.Name.Equals(name, StringComparison.OrdinalIgnoreCase));

    public override string ToString() => Name;
}
