namespace Coppia.Core.Music;

/// <summary>Where the signs of a key signature stand in a clef (common practice).</summary>
public static class SignaturePlaces
{
    /// <summary>Heights in treble clef of F♯ C♯ G♯ D♯ A♯ E♯ B♯, and of B♭ E♭ A♭ D♭ G♭ C♭ F♭.</summary>
    private static readonly int[] Sharps = [8, 5, 9, 6, 3, 7, 4];
    private static readonly int[] Flats = [4, 7, 3, 6, 2, 5, 1];

    /// <summary>In tenor clef the first and third sharp stand low, so that none lies above the staff.</summary>
    private static readonly int[] TenorSharps = [2, 6, 3, 7, 4, 8, 5];

    /// <summary>The places of the signs in the order in which they are written.</summary>
    public static IReadOnlyList<StaffPlace> Of(KeySignature key, Clef clef)
    {
        var count = Math.Abs(key.Fifths);
        if (key.Fifths > 0 && clef == Clef.Tenor)
            return [.. TenorSharps.Take(count).Select(h => new StaffPlace(h))];
        var lower = LettersAboveE(clef);
        return [.. (key.Fifths > 0 ? Sharps : Flats).Take(count).Select(h => new StaffPlace(h - lower))];
    }

    /// <summary>
    /// How many letters the bottom line lies above treble clef's E, −3 to 3: its signs stand so much lower.
    /// </summary>
    private static int LettersAboveE(Clef clef) => (clef.PitchAt(0).Letter - Letter.E + 10) % 7 - 3;
}
