namespace Coppia.Core.Music;

/// <summary>
/// Which note of the signature's scale is the tonic. The order counts letters up from the major tonic.
/// </summary>
public enum Mode
{
    Major,
    Dorian,
    Phrygian,
    Lydian,
    Mixolydian,
    Minor,
    Locrian,
}

/// <summary>A key signature: sharps counted upwards, flats downwards from zero.</summary>
/// <param name="Fifths">−7 (seven flats) to +7 (seven sharps).</param>
/// <param name="Mode">Major, minor or a church mode; the signature alone does not tell.</param>
public readonly record struct KeySignature(int Fifths, Mode Mode = Mode.Major)
{
    /// <summary>A signature has so many sharps or flats at most.</summary>
    public const int MostSigns = 7;

    /// <summary>The order in which sharps are written; flats come in the reverse order (craft 1).</summary>
    public static readonly IReadOnlyList<Letter> OrderOfSharps =
    [
        Letter.F,
        Letter.C,
        Letter.G,
        Letter.D,
        Letter.A,
        Letter.E,
        Letter.B,
    ];

    /// <summary>Where each letter, from C, stands in the order of sharps.</summary>
    private static readonly int[] PlaceInOrder = [1, 3, 5, 0, 2, 4, 6];

    /// <summary>There is a signature of so many sharps, or flats where it is below zero.</summary>
    public static bool IsOne(int fifths) => fifths is >= -MostSigns and <= MostSigns;

    public int Fifths { get; } =
        IsOne(Fifths)
            ? Fifths
            : throw new ArgumentOutOfRangeException(
                nameof(Fifths),
                Fifths,
                "A key signature has at most seven sharps or flats."
            );

    /// <summary>The letters that the signature changes, in the order they are written.</summary>
    public IEnumerable<Letter> ChangedLetters =>
        Fifths >= 0 ? OrderOfSharps.Take(Fifths) : OrderOfSharps.Reverse().Take(-Fifths);

    /// <summary>What the signature does to a letter: +1 sharp, −1 flat, 0 nothing.</summary>
    public int AlterOf(Letter letter)
    {
        var place = PlaceInOrder[(int)letter];
        if (Fifths > place)
            return 1;
        return Fifths < 0 && 6 - place < -Fifths ? -1 : 0;
    }

    /// <summary>
    /// The tonic without an octave, spelled by the signature: D for two sharps major, B for two sharps minor.
    /// </summary>
    public Pitch TonicInOctave(int octave)
    {
        // Each sharp moves the major tonic up a fifth, which is four letters.
        var letter = (Letter)(((Fifths * 4) % 7 + 7 + (int)Mode) % 7);
        return new Pitch(letter, AlterOf(letter), octave);
    }

    /// <summary>"D major", "B♭ major", "F♯ minor".</summary>
    public string Name => $"{TonicInOctave(4).Name} {Mode.ToString().ToLowerInvariant()}";

    /// <summary>The pitch that a bare note on this staff step sounds in this key.</summary>
    public Pitch Apply(Pitch natural) => new(natural.Letter, AlterOf(natural.Letter), natural.Octave);

    public override string ToString() => Name;
}
