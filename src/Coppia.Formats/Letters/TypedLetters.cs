using System.Text.RegularExpressions;
using Coppia.Core.Music;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Letters;

/// <summary>
/// Reads a tune typed as letters, as teachers put it on a board: <c>G A B G | C5 B A2 | B A G F# | G2 D2</c> (craft
/// 20). Each letter is the nearest to the note before; <c>C5</c>, <c>d'</c>, <c>G,</c>, "high D" and "low D" say
/// otherwise.
/// </summary>
internal sealed partial class TypedLetters(CancellationToken stop) : TypedTune(stop)
{
    private int? _before;

    protected override string Expected => Say("letters.typed-letters.a-letter-a-g-with-or-b");

    protected override string NotWhat => "not a note";

    public static ReadResult ReadText(string text, CancellationToken stop = default) =>
        new TypedLetters(stop).Read(text);

    protected override bool ReadOwn()
    {
        var match = NotePattern().Match(Line, At);
        if (!match.Success)
            return false;
        var at = Here;
        At += match.Length;
        var letter = Enum.Parse<Letter>(match.Groups[2].Value.ToUpperInvariant());
        var alter = match.Groups[3].Value switch
        {
            "#" or "♯" => 1,
            "##" or "𝄪" => 2,
            "b" or "♭" => -1,
            "bb" => -2,
            "n" or "♮" => 0,
            _ => Key.AlterOf(letter),
        };
        var octave =
            match.Groups[5].Length > 0
                ? match.Groups[5].Value[0] - '0'
                : Octave(letter, match.Groups[1].Value.Trim().ToLowerInvariant());
        octave += match.Groups[4].Value.Sum(mark => mark == ',' ? -1 : 1);
        if (octave is < 0 or > 8)
        {
            At = at.Column - 1;
            Wrong(Say("abc.pitch.the-note-lies-outside-all-instruments"));
            return true;
        }

        var pitch = new Pitch(letter, alter, octave);
        _before = pitch.Step;
        // A number that fixes the octave is followed by * and the beats.
        if (match.Groups[5].Length > 0 && Now == '*')
            At++;
        Add(pitch, at);
        return true;
    }

    /// <summary>The octave nearest to the note before; "high" and "low" mean the next one above or below it.</summary>
    private int Octave(Letter letter, string word)
    {
        var from = _before ?? Head.For.FirstStep;
        // Seven letters: one of them lies within three steps.
        var nearest = Enumerable.Range(0, 9).MinBy(o => Math.Abs(new Pitch(letter, 0, o).Step - from));
        var step = new Pitch(letter, 0, nearest).Step;
        return word switch
        {
            "high" when step <= from => nearest + 1,
            "low" when step >= from => nearest - 1,
            _ => nearest,
        };
    }

    /// <summary>
    /// A word for the octave, a letter, a sign, octave marks, and 5 or 7 as the number of an octave: no note value
    /// lasts so many beats.
    /// </summary>
    [GeneratedRegex(@"\G((?i:high|low)\s+)?([A-Ga-g])(##|#|♯|𝄪|bb|b|♭|n|♮)?([',’]*)([57](?![0-9/])|[3-8](?=\*))?")]
    private static partial Regex NotePattern();
}
