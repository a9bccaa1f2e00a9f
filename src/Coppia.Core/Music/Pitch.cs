using System.Globalization;

namespace Coppia.Core.Music;

/// <summary>The seven letters, in staff order from C.</summary>
public enum Letter
{
    C,
    D,
    E,
    F,
    G,
    A,
    B,
}

/// <summary>
/// A spelled pitch: letter, alteration and octave, middle C being C4 (ISO 16 octave numbers, common practice).
/// </summary>
/// <param name="Letter">The letter name.</param>
/// <param name="Alter">Semitones of alteration, −2 (double flat) to +2 (double sharp).</param>
/// <param name="Octave">Octave number, −1 to 9.</param>
public readonly record struct Pitch(Letter Letter, int Alter, int Octave)
{
    private static readonly int[] NaturalSemitones = [0, 2, 4, 5, 7, 9, 11];

    /// <summary>Alteration in semitones, −2 to +2.</summary>
    public int Alter { get; } =
        Alter is >= -2 and <= 2
            ? Alter
            : throw new ArgumentOutOfRangeException(
                nameof(Alter),
                Alter,
                "An accidental alters by at most two semitones."
            );

    /// <summary>MIDI key number; A4 = 69 (MIDI 1.0 specification).</summary>
    public int Midi => (Octave + 1) * 12 + NaturalSemitones[(int)Letter] + Alter;

    /// <summary>Staff steps above C0; every line or space is one step.</summary>
    public int Step => Octave * 7 + (int)Letter;

    /// <summary>The accidental as printed in plain text: <c>#</c>, <c>b</c>, doubled, or nothing.</summary>
    public string AccidentalText =>
        Alter switch
        {
            2 => "##",
            1 => "#",
            -1 => "b",
            -2 => "bb",
            _ => "",
        };

    /// <summary>The accidental as a music sign: ♯, ♭, 𝄪, 𝄫, or nothing.</summary>
    public string AccidentalSign =>
        Alter switch
        {
            2 => "𝄪",
            1 => "♯",
            -1 => "♭",
            -2 => "𝄫",
            _ => "",
        };

    /// <summary>Letter and music sign without the octave: <c>F♯</c>.</summary>
    public string Name => Letter + AccidentalSign;

    /// <summary>The natural of a staff step.</summary>
    public static Pitch FromStep(int step, int alter = 0) =>
        new((Letter)(((step % 7) + 7) % 7), alter, (step - (((step % 7) + 7) % 7)) / 7);

    public Pitch AddOctaves(int octaves) => new(Letter, Alter, Octave + octaves);

    /// <summary>Scientific name in plain text: <c>F#4</c>, <c>Bb3</c>.</summary>
    public override string ToString() =>
        string.Create(CultureInfo.InvariantCulture, $"{Letter}{AccidentalText}{Octave}");

    /// <summary>Reads a scientific name such as <c>F#4</c> or <c>Bb3</c>.</summary>
    /// <exception cref="FormatException">The text is not a letter A–G, an accidental and an octave number.</exception>
    public static Pitch Parse(string text)
    {
        if (
            text.Length >= 2
            && Enum.TryParse<Letter>(text[..1], ignoreCase: false, out var letter)
            && char.IsAsciiLetterUpper(text[0])
        )
        {
            var octaveAt = text.AsSpan(1).IndexOfAnyExcept('#', 'b') + 1;
            var alter = text[1..Math.Max(1, octaveAt)] switch
            {
                "" => 0,
                "#" => 1,
                "##" => 2,
                "b" => -1,
                "bb" => -2,
                _ => 9,
            };
            if (
                octaveAt > 0
                && alter != 9
                && int.TryParse(
                    text.AsSpan(octaveAt),
                    NumberStyles.AllowLeadingSign,
                    CultureInfo.InvariantCulture,
                    out var octave
                )
            )
                return new Pitch(letter, alter, octave);
        }

        throw new FormatException(
            $"“{text}” is not a pitch; expected a letter, # or b, and an octave number, such as F#4."
        );
    }
}
